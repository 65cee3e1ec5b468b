import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { handOut, kept, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const slip = (page, words) =>
  page.locator('.strata .slips > .slip').filter({ has: page.locator('.slip-words').filter({ hasText: words }) });
const slot = (page) => page.getByLabel('Write here, under All answers', { exact: true });
const picture = (page, name) => (process.env.PICTURES ? page.screenshot({ path: `/tmp/p/${name}.png` }) : null);

async function putUp(page, words) {
  await slot(page).fill(words);
  await slot(page).press('Control+Enter');
  await expect(slip(page, words)).toBeVisible();
}

async function designWall(page, ...rules) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('Why do bridges stand?');
  await page.getByLabel('The question over the wall').fill('Why does an arch bridge stand?');
  for (const rule of rules) await page.getByLabel(rule).check();
  await kept(page);
}

/** Sees new cards as they come. */
const atOnce = (page) => page.getByRole('button', { name: 'New ones at once' }).click();

test('said already: what is like it is shown while it is typed, it joins it, and every wording is kept', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga, /^While a card is typed/);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  const cleo = await student(browser, code, 'Cleo', {
    viewport: { width: 390, height: 844 },
  });
  await putUp(maya, 'The stones of the arch push against the banks of the river');
  for (const page of [maya, ben]) await atOnce(page);
  await expect(slip(ben, 'The stones of the arch')).toBeVisible();

  await slot(ben).pressSequentially('The stones of an arch push against the banks');
  const like = ben.getByRole('region', {
    name: 'Has somebody said it already?',
  });
  await expect(like).toContainText('The stones of the arch push against the banks of the river');
  await noBarrier(ben);
  await picture(ben, 'said-already');
  await like.getByRole('button', { name: /^Mine says the same: join it/ }).click();
  await expect(slot(ben)).toHaveValue('');
  await expect(slip(ben, 'The stones of the arch')).toContainText('2 people say this');
  await kept(ben);

  // On a phone, and by keyboard.
  await slot(cleo).pressSequentially('the stones of each arch push against the banks of the river');
  await cleo
    .getByRole('button', { name: /^Mine says the same: join it/ })
    .first()
    .press('Enter');
  await expect(slip(maya, 'The stones of the arch')).toContainText('3 people say this');
  await expect(maya.locator('.strata .slips > .slip')).toHaveCount(1);
  await slip(maya, 'The stones of the arch').getByText('3 people say this').click();
  await expect(slip(maya, 'The stones of the arch')).toContainText('The stones of an arch push against the banks');
  await picture(maya, 'stack');
  await noBarrier(maya);

  // Each mends their own wording where it stands, and takes it out again.
  await slip(ben, 'The stones of the arch').getByText('3 people say this').click();
  await ben
    .getByRole('button', {
      name: /^Change.*The stones of an arch push against the banks/,
    })
    .click();
  await ben.getByLabel('Words of this card').fill('An arch pushes its stones against the banks');
  await ben.getByRole('button', { name: 'Done' }).click();
  await expect(slip(maya, 'The stones of the arch')).toContainText('An arch pushes its stones against the banks');
  await ben.getByRole('button', { name: /^On its own again/ }).click();
  await expect(slip(maya, 'The stones of the arch')).toContainText('2 people say this');
  await expect(slip(ben, 'An arch pushes its stones')).toHaveCount(1);

  // The card that was joined is taken down: what had joined it stands by itself.
  await slip(maya, 'The stones of the arch').getByRole('button', { name: 'Change', exact: false }).last().click();
  await maya.getByRole('button', { name: 'Take it down' }).click();
  await cleo
    .getByRole('button', { name: /^Show \d new card/ })
    .first()
    .click();
  await expect(slip(cleo, 'the stones of each arch')).toHaveCount(1);
  expect([...varga.problems, ...maya.problems, ...ben.problems, ...cleo.problems]).toEqual([]);
});

test('a card says from which it grew, others see what grew from it, and the teacher is pointed to what may be joined', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga, /^A card may name up to three cards/);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await putUp(maya, 'Stone does not mind being pressed');
  await putUp(maya, 'ok');
  await atOnce(maya);
  await atOnce(ben);
  await slip(ben, 'Stone does not mind')
    .getByRole('button', { name: /^Build on it/ })
    .click();
  await expect(slot(ben)).toBeFocused();
  await expect(ben.getByText('Builds on: Stone does not mind being pressed')).toBeVisible();
  await ben.keyboard.type('So an arch turns weight into pressing');

  // What was chosen outlives a reload, and can be left out.
  await ben.reload();
  await kept(ben);
  await expect(ben.getByText('Builds on: Stone does not mind being pressed')).toBeVisible();
  await picture(ben, 'builds-on');
  await noBarrier(ben);
  await slot(ben).press('Control+Enter');
  await expect(slip(ben, 'So an arch turns')).toContainText('Builds on: Stone does not mind being pressed');
  await slip(maya, 'Stone does not mind').getByText('1 card builds on it').click();
  await slip(maya, 'Stone does not mind')
    .getByRole('button', { name: 'So an arch turns weight into pressing' })
    .click();
  await expect(slip(maya, 'So an arch turns').first()).toBeFocused();
  await putUp(ben, 'Stones do not mind being pressed');
  await kept(ben);

  await varga.locator('.tile').first().click();
  await varga.getByRole('button', { name: 'Which cards may be worth a look?' }).click();
  await expect(varga.getByText('“ok” hardly says anything.')).toBeVisible();
  await expect(
    varga.getByText('“Stone does not mind being pressed” was taken up: 1 card of somebody else grew from it.'),
  ).toBeVisible();
  await picture(varga, 'worth-a-look');
  await noBarrier(varga);
  await varga.getByRole('button', { name: 'Join them' }).click();
  for (const page of [varga, maya, ben])
    await expect(slip(page, 'Stone does not mind being pressed').first()).toContainText('2 people say this');
  await varga.getByRole('button', { name: 'One by one' }).click();
  await expect(varga.getByRole('dialog')).toContainText('Stones do not mind being pressed');
  await varga.keyboard.press('Escape');
  expect([...varga.problems, ...maya.problems, ...ben.problems]).toEqual([]);
});
