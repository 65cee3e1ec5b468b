import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { kept, student, teacher } from './people.mjs';

const PHONE = { viewport: { width: 390, height: 844 } };
const slip = (page, words) => page.locator('.strata .slip').filter({ hasText: words });
const picture = (page, name) => (process.env.PICTURES ? page.screenshot({ path: `/tmp/p/${name}.png` }) : null);

async function putUp(page, words) {
  const slot = page.getByLabel(/^Write here/).first();
  await slot.fill(words);
  await slot.press('Control+Enter');
  await expect(slip(page, words)).toBeVisible();
}

/** Brings what has come into sight. */
async function showNew(page, words) {
  const fresh = page.getByRole('button', { name: /^Show \d+ new/ }).first();
  await expect(slip(page, words).or(fresh).first()).toBeVisible();
  if (await fresh.isVisible()) await fresh.click();
  await expect(slip(page, words)).toBeVisible();
}

async function sort(page, words, topic) {
  await showNew(page, words);
  await slip(page, words).getByRole('button', { name: `Move: ${words}` }).press('Enter');
  await slip(page, words).getByLabel('Topic').selectOption(topic);
  // With the next frame it stands there, and the focus is on it again.
  const there = page.getByRole('list', { name: topic, exact: true }).locator('.slip', { hasText: words });
  await expect(there.getByLabel('Topic')).toBeFocused();
  await there.getByRole('button', { name: 'It is right there' }).press('Enter');
  await expect(page.locator('.slip-changing')).toHaveCount(0);
  await kept(page);
}

/** The part that is sorted in groups. */
async function toTheGroup(page) {
  await page.locator('details[data-contents] summary').first().click();
  await page.getByRole('link', { name: /Sort them/ }).first().click();
  await kept(page);
}

test('everybody’s cards are poured out to groups, each sorts them, and the teacher sees where they agree least', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await varga.getByRole('link', { name: 'Templates' }).click();
  await varga.getByRole('button', { name: 'Begin with Pool and sort' }).click();
  await kept(varga);
  // What is to be filled in, in all parts at once; and back.
  await varga.getByRole('button', { name: 'Fill in (4)' }).click();
  await noBarrier(varga);
  for (const [place, words] of [
    ['topic', 'Bridges'],
    ['first kind', 'Stone'],
    ['second kind', 'Steel'],
    ['third kind', 'Wood'],
  ])
    await varga.getByRole('dialog').getByLabel(place, { exact: true }).fill(words);
  await picture(varga, 'fill-in');
  await varga.getByRole('button', { name: 'Fill in everywhere' }).click();
  await expect(varga.getByLabel('The question over the wall')).toHaveValue('What do you know about Bridges?');
  await expect(varga.getByRole('heading', { level: 1 })).toHaveText('Bridges: pool and sort');
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(varga.getByRole('button', { name: 'Fill in (4)' })).toBeVisible();
  await varga.getByRole('button', { name: 'Redo' }).click();
  await expect(varga.getByRole('button', { name: /^Fill in/ })).toBeHidden();
  await kept(varga);
  await varga.getByRole('link', { name: /^2\. Sort them/ }).click();
  await expect(varga.locator('[id^="heading-"]')).toHaveCount(3);
  await expect(varga.locator('[id^="heading-"]').nth(2)).toHaveValue('Wood');
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('For whom').fill('7 Amber');
  await varga.getByRole('button', { name: 'Hand out' }).click();
  await varga.waitForURL(/people$/);
  const people = varga.url();
  await varga.getByRole('link', { name: /^[A-Z0-9]{4} [A-Z0-9]{4}$/ }).click();
  const code = await varga.locator('[data-code]').getAttribute('data-code');

  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', PHONE);
  const cleo = await student(browser, code, 'Cleo');
  await putUp(maya, 'Arches push');
  await putUp(ben, 'Cables pull');
  await putUp(cleo, 'Beams bend');
  for (const page of [maya, ben, cleo]) await kept(page);

  await varga.goto(people);
  for (const name of ['Maya', 'Ben', 'Cleo']) {
    await varga.locator('.person', { hasText: name }).click();
    await varga.getByRole('button', { name: 'Make them a group' }).click();
    await expect(varga.locator('.group:not(.group-alone)', { hasText: name })).toHaveCount(1);
  }

  // Poured out from the wall.
  await varga.goto(people.replace('/people', '?part=1'));
  await varga.locator('.tile').first().click();
  await expect(slip(varga, 'Beams bend')).toBeVisible();
  await varga.getByRole('link', { name: 'Pour these cards out to groups' }).click();
  await expect(varga.getByText('3 cards are poured out.')).toBeVisible();
  await noBarrier(varga);
  await picture(varga, 'pour');
  await varga.getByRole('button', { name: 'Pour them out' }).click();
  await expect(varga.getByRole('status')).toContainText('9 cards have come onto 3 walls.');
  await varga.getByRole('button', { name: 'Pour them out' }).click();
  await expect(varga.getByRole('status')).toContainText('All of these cards are on those walls already.');

  // Each group sorts; on a phone, by keyboard, and with the network away meanwhile.
  for (const page of [maya, ben, cleo]) await toTheGroup(page);
  await sort(maya, 'Arches push', 'Stone');
  await sort(maya, 'Cables pull', 'Steel');
  await expect(maya.getByRole('list', { name: 'Stone', exact: true }).locator('.slip')).toContainText('From another wall');
  await expect(maya.locator('.wall')).not.toContainText('Ben');
  await picture(maya, 'poured-student');
  await cleo.context().setOffline(true);
  await slip(cleo, 'Arches push').getByRole('button', { name: 'Move: Arches push' }).press('Enter');
  await slip(cleo, 'Arches push').getByLabel('Topic').selectOption('Stone');
  await cleo.context().setOffline(false);
  await kept(cleo);
  await sort(cleo, 'Cables pull', 'Wood');
  await ben.getByRole('button', { name: 'Next' }).or(ben.getByRole('button', { name: 'On', exact: true })).first().waitFor();
  await ben.locator('nav[aria-label] details summary').click();
  await ben.getByRole('button', { name: /^4\. / }).click();
  await slip(ben, 'Arches push').getByRole('button', { name: 'Move: Arches push' }).click();
  await slip(ben, 'Arches push').getByLabel('Topic').selectOption('Stone');
  await kept(ben);

  await varga.getByRole('link', { name: 'Compare how they sorted' }).click();
  const cards = varga.locator('.compared > li');
  await expect(cards).toHaveText([/Cables pull.*0 % agree/s, /Arches push.*100 % agree/s, /Beams bend.*Fewer than two/s]);
  await expect(varga.getByText('Two of them agree on 50 % of the cards that both sorted')).toBeVisible();
  await noBarrier(varga);
  await picture(varga, 'compare');
  await cards.first().getByRole('link').first().click();
  await expect(slip(varga, 'Cables pull')).toBeVisible();
  await expect(varga.getByRole('link', { name: 'Compare how they sorted' })).toBeVisible();

  // From one group's wall to the next, in the order of the view.
  await varga.goto(people.replace('/people', '?part=2'));
  await expect(varga.locator('.tile')).toHaveCount(3);
  await varga.locator('.tile').first().click();
  await expect(varga.getByTitle('Alt + PageDown')).toBeVisible();
  await expect(varga.getByTitle('Alt + PageUp')).toBeHidden();
  await varga.keyboard.press('Alt+PageDown');
  await expect(varga.getByTitle('Alt + PageUp')).toBeVisible();
  await expect(varga.getByTitle('Alt + PageDown')).toBeVisible();
  for (const page of [varga, maya, ben, cleo]) expect(page.problems).toEqual([]);
});
