import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { handOut, kept, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const slip = (page, words) => page.locator('.strata .slip').filter({ hasText: words });
const stances = (page) => page.getByRole('radiogroup', { name: /Where do you stand/ });
const position = (page, words) => stances(page).getByLabel(words, { exact: true });
const steering = (page) => page.getByRole('region', { name: 'Where they stand' });
const cell = (page, row, column) =>
  page.locator('.stances tbody tr').filter({ hasText: `At first: ${row}` }).locator('td').nth(column);
const picture = (page, name) => (process.env.PICTURES ? page.screenshot({ path: `/tmp/p/${name}.png` }) : null);

async function putUp(page, words) {
  const slot = page.getByLabel('Write here, under All answers', { exact: true });
  await slot.fill(words);
  await slot.press('Control+Enter');
  await expect(slip(page, words)).toBeVisible();
}

/** A wall on whose question students say where they stand, handed out and open on the teacher's screen. */
async function openWall(page, prepare = async () => {}) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('A new bridge over the brook');
  await page.getByLabel('The question over the wall').fill('Should the old bridge be pulled down?');
  await page.getByLabel('Students say where they stand').check();
  await prepare(page);
  await kept(page);
  const code = await handOut(page, together);
  return code;
}

const toTheWall = (page) => page.locator('.tile').first().click();

test('students say where they stand, read what others say, and say it again with what moved them; in numbers all see who moved where', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  const code = await openWall(varga, async (page) => {
    await page.getByLabel('Position 1').fill('Pull it down');
    await page.getByLabel('Position 2').fill('');
    await kept(page);
    await page.getByRole('link', { name: 'Hand out' }).click();
    await expect(page.getByText('Positions between which students choose that have no words: 1.')).toBeVisible();
    await page.getByRole('link', { name: 'Write it' }).click();
    await page.getByLabel('Position 2').fill('Mend it');
    await kept(page);

    // In another language, too.
    await page.getByRole('button', { name: 'Other languages' }).click();
    await page.getByLabel('Language', { exact: true }).selectOption('es');
    const field = page.getByRole('dialog').getByRole('textbox', { name: /^Position 2/ });
    await field.fill('Repararlo');
    await field.blur();
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await picture(page, 'stances-plan');
  });
  const maya = await student(browser, code, 'Maya', { viewport: { width: 390, height: 844 } });
  const ben = await student(browser, code, 'Ben');
  const cleo = await student(browser, code, 'Cleo');
  await cleo.getByLabel('Languages').click();
  await cleo.getByLabel('I read').selectOption('es');
  await expect(position(cleo, 'Repararlo')).toBeVisible();
  await cleo.getByLabel('I read').selectOption('en');
  await cleo.keyboard.press('Escape');
  await putUp(maya, 'Its stones are older than the school');
  await putUp(cleo, 'Lorries need a wider one');
  await toTheWall(varga);
  await expect(steering(varga)).toContainText('Nobody has said yet where they stand.');
  await expect(varga.locator('.wall-person', { hasText: 'Maya' })).toContainText('has not said where they stand');
  await position(maya, 'Mend it').check();
  await position(cleo, 'Pull it down').check();

  // By keyboard, and changed while it may be.
  await position(ben, 'Unsure').focus();
  await ben.keyboard.press('Space');
  await expect(position(ben, 'Unsure')).toBeChecked();
  await ben.keyboard.press('ArrowUp');
  await expect(position(ben, 'Mend it')).toBeChecked();
  await ben.keyboard.press('ArrowUp');
  await expect(position(ben, 'Pull it down')).toBeChecked();
  await expect(varga.locator('.wall-person', { hasText: 'Maya' })).not.toContainText('where they stand');
  await expect(steering(varga)).toContainText('3 students have said where they stand.');
  await picture(maya, 'stances-first-phone');

  await steering(varga).getByRole('button', { name: 'Ask again' }).click();
  await expect(ben.getByText('At first: Pull it down')).toBeVisible();
  await expect(position(ben, 'Pull it down')).not.toBeChecked();
  await noBarrier(ben);

  // Without a network it is said on the device, and arrives when the network is back.
  await ben.context().setOffline(true);
  await position(ben, 'Mend it').check();
  await ben.getByLabel('What moved you?').selectOption('Its stones are older than the school');
  await expect(ben.getByLabel('What moved you?').getByRole('option', { name: 'Lorries need a wider one' })).toHaveCount(1);
  await expect(ben.locator('.kept')).not.toHaveText('Kept');
  await ben.context().setOffline(false);
  await kept(ben);
  await position(maya, 'Mend it').check();
  await expect(maya.getByLabel('What moved you?')).toHaveCount(0);
  await expect(steering(varga)).toContainText('Asked again: 2 of 3 have said it, 1 stand elsewhere.');
  await ben.reload();
  await expect(ben.getByLabel('What moved you?')).toHaveValue(/[1-9]/);
  await picture(ben, 'stances-again');

  await steering(varga).getByRole('button', { name: 'Show who moved where' }).click();
  for (const page of [maya, ben, cleo, varga]) {
    await expect(page.getByText('1 of 2 stand elsewhere now than at first.')).toBeVisible();
    await expect(cell(page, 'Pull it down', 1)).toHaveText('1');
    await expect(cell(page, 'Mend it', 1)).toHaveText('1');
    await expect(page.locator('.stances li')).toHaveText(/Its stones are older than the school\s+1 person/);
    await expect(stances(page)).toHaveCount(0);
  }
  await noBarrier(varga);
  await noBarrier(maya);
  await picture(varga, 'stances-shown');
  await picture(maya, 'stances-shown-phone');
  // At 400 % the page is scrolled as a whole: what is shown has room.
  await ben.setViewportSize({ width: 320, height: 256 });
  await ben.getByText('What moved most').scrollIntoViewIfNeeded();
  await expect(ben.getByText('What moved most')).toBeInViewport();
  expect(await ben.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
  await picture(ben, 'stances-400');
  await ben.setViewportSize({ width: 1280, height: 800 });
  await ben.getByRole('button', { name: 'Its stones are older than the school', exact: true }).click();
  await expect(slip(ben, 'Its stones')).toBeFocused();

  // One position more begins anew, and that is said before.
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.getByRole('button', { name: 'Add a position' }).click();
  await expect(varga.getByText('With more or fewer positions it begins anew')).toBeVisible();
  await varga.getByRole('dialog').getByRole('button', { name: 'Leave it' }).click();
  await steering(varga).getByRole('button', { name: 'Let them go on' }).click();
  await expect(position(ben, 'Mend it')).toBeChecked();
});

test('where names are hidden, nothing is shown of fewer than five people, and the teacher is told why', async ({ browser }) => {
  const varga = await teacher(browser);
  const code = await openWall(varga, (page) => page.getByLabel('Students do not see whose a card is; only teachers do.').check());
  const maya = await student(browser, code, 'Maya');
  await toTheWall(varga);
  await position(maya, 'For').check();
  await steering(varga).getByRole('button', { name: 'Ask again' }).click();
  await expect(maya.getByText('At first: For')).toBeVisible();
  await position(maya, 'Against').check();
  await expect(steering(varga)).toContainText('1 of 1 have said it');
  await steering(varga).getByRole('button', { name: 'Show who moved where' }).click();
  await expect(varga.getByText('Names are hidden: nothing is shown of fewer than five people.')).toBeVisible();
  await expect(stances(maya)).toBeVisible();
});
