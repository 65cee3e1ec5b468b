import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { handOut, kept, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const slip = (page, words) => page.locator('.strata .slip').filter({ hasText: words });
const points = (page, words, n) => slip(page, words).getByRole('button', { name: `${n} of 4`, exact: true });
const stamp = (page, words, name) => slip(page, words).locator('.responses').getByRole('button', { name });
const picture = (page, name) => (process.env.PICTURES ? page.screenshot({ path: `/tmp/p/${name}.png` }) : null);

async function putUp(page, words) {
  const slot = page.getByLabel('Write here, under All answers', { exact: true });
  await slot.fill(words);
  await slot.press('Control+Enter');
  await expect(slip(page, words)).toBeVisible();
}

async function designWall(page) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('Why do bridges stand?');
  await page.getByLabel('The question over the wall').fill('Why does an arch bridge stand?');
}

/** Sees new cards as they come. */
const atOnce = (page) => page.getByRole('button', { name: 'New ones at once' }).click();

test('points for a criterion, with a reason and the words on which they rest: the teacher sees whose, the class sees what they come to', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga);
  await varga.getByLabel('To each other’s cards, students').selectOption('give points for a criterion');
  await kept(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await expect(varga.getByText('Cards are given points, and nothing says for what.')).toBeVisible();
  await varga.getByRole('link', { name: 'Write the criterion' }).click();
  await expect(varga.getByLabel('The criterion, as students read it')).toBeFocused();
  await varga.getByLabel('The criterion, as students read it').fill('it says why, not only what');
  await varga.getByLabel('With the points, each says why:').selectOption('always');
  await varga.getByLabel('and names the words of the card on which it rests:').selectOption('if they like');
  await kept(varga);
  await picture(varga, 'plan');
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  const cleo = await student(browser, code, 'Cleo', { viewport: { width: 390, height: 844 } });
  await putUp(maya, 'Because its stones push against each other');
  await putUp(ben, 'It is round');
  for (const page of [maya, ben]) await atOnce(page);
  await cleo
    .getByRole('button', { name: /^Show \d new card/ })
    .first()
    .click();

  // Nobody scores their own; without a reason nothing is given.
  await expect(points(maya, 'Because its stones', 1)).toHaveCount(0);
  await expect(ben.getByText('it says why, not only what')).toBeVisible();
  await points(ben, 'Because its stones', 4).click();
  const give = slip(ben, 'Because its stones').getByRole('button', { name: 'Give 4' });
  await expect(give).toBeDisabled();
  await ben.getByLabel('Why?', { exact: true }).fill('It says what pushes where');
  await ben.getByLabel('On which words of the card does it rest?').fill('steel cables');
  await expect(ben.getByText('These words do not stand on the card.')).toBeVisible();
  await expect(give).toBeDisabled();
  await noBarrier(ben);
  await picture(ben, 'scoring');

  // What is marked on the card is taken over.
  await slip(ben, 'Because its stones')
    .locator('.slip-words p')
    .first()
    .evaluate((p) => {
      const words = [...p.childNodes].find((n) => n instanceof Text);
      getSelection().setBaseAndExtent(words, 12, words, 23);
    });
  await ben.getByRole('button', { name: 'Take the words that I have marked' }).click();
  await expect(ben.getByLabel('On which words of the card does it rest?')).toHaveValue('stones push');

  // A reload while it is written loses nothing.
  await ben.reload();
  await kept(ben);
  await points(ben, 'Because its stones', 4).click();
  await expect(ben.getByLabel('Why?', { exact: true })).toHaveValue('It says what pushes where');
  await give.click();
  await expect(points(ben, 'Because its stones', 4)).toHaveAttribute('aria-pressed', 'true');
  await expect(slip(ben, 'Because its stones')).toContainText('It says what pushes where (“stones push”)');

  // By keyboard, and on a phone.
  await points(maya, 'It is round', 1).focus();
  await maya.keyboard.press('Enter');
  await maya.keyboard.type('Round is no reason');
  await slip(maya, 'It is round').getByRole('button', { name: 'Give 1' }).press('Enter');
  await expect(points(maya, 'It is round', 1)).toHaveAttribute('aria-pressed', 'true');
  for (const [words, n] of [
    ['Because its stones', 3],
    ['It is round', 2],
  ]) {
    await points(cleo, words, n).click();
    await cleo.getByLabel('Why?', { exact: true }).fill(`I find it ${n}`);
    await slip(cleo, words)
      .getByRole('button', { name: `Give ${n}` })
      .click();
  }
  await picture(cleo, 'scoring-phone');
  for (const page of [maya, ben, cleo]) await kept(page);

  await varga.locator('.tile').first().click();
  await expect(slip(varga, 'Because its stones').locator('.judged')).toContainText('3.5 of 4 on the whole, 2 scores');
  await expect(slip(maya, 'Because its stones').locator('.judged')).toHaveCount(0);
  await varga.getByRole('button', { name: 'One by one' }).click();
  await varga.getByRole('dialog').getByText('Who said what').click();
  await expect(varga.getByRole('dialog')).toContainText('4 of 4: Ben – It says what pushes where (“stones push”)');
  await varga.keyboard.press('Escape');
  await varga.getByRole('button', { name: 'What may be worth a look?' }).click();
  await expect(varga.getByText('Nothing stands out.')).toBeVisible();
  await picture(varga, 'scores-teacher');
  await varga.getByRole('button', { name: 'Show everybody the numbers' }).click();
  for (const page of [maya, ben, cleo]) {
    const shown = slip(page, 'Because its stones').locator('.judged');
    await expect(shown).toContainText('3.5 of 4 on the whole, 2 scores');
    await shown.getByText('Why: 2 reasons').click();
    await expect(shown).toContainText('4 – It says what pushes where (“stones push”)');
    await expect(shown).not.toContainText('Ben');
  }
  await picture(maya, 'scores-shown');
  await noBarrier(maya);
  await noBarrier(varga);
  expect([...varga.problems, ...maya.problems, ...ben.problems, ...cleo.problems]).toEqual([]);
});

test('a reason that comes after the points were shown is not lost', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga);
  await varga.getByLabel('To each other’s cards, students').selectOption('give points for a criterion');
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  await putUp(maya, 'It is round');
  await kept(maya);
  const ben = await student(browser, code, 'Ben');
  await varga.locator('.tile').first().click();
  await expect(slip(varga, 'It is round')).toBeVisible();
  await ben.context().setOffline(true);
  await points(ben, 'It is round', 2).click();
  await ben.getByLabel('Why? (you may leave it out)').fill('Round is no reason');
  await slip(ben, 'It is round').getByRole('button', { name: 'Give 2' }).click();
  await varga.getByRole('button', { name: 'Show everybody the numbers' }).click();
  await expect(varga.getByText('Round 1 is over')).toBeVisible();
  await ben.context().setOffline(false);
  await expect(ben.getByText('Cards are not judged any more. What you said last did not count.')).toBeVisible();
  await varga.getByRole('button', { name: 'Hide them and go on' }).click();
  await points(ben, 'It is round', 2).click();
  await expect(ben.getByLabel('Why? (you may leave it out)')).toHaveValue('Round is no reason');
});

test('stamps with the teacher’s words: several from each, seen at once, never on one’s own', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga);
  await varga.getByLabel('Everybody may respond to others’ cards with stamps').check();
  await varga.getByLabel('An idea', { exact: true }).check();
  await varga.getByLabel('What “An idea” says here').fill('New to me');
  await varga.getByLabel('I ask myself', { exact: true }).check();
  await kept(varga);
  await picture(varga, 'plan-stamps');
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  const cleo = await student(browser, code, 'Cleo', { viewport: { width: 390, height: 844 } });
  await putUp(maya, 'Because its stones push against each other');
  await atOnce(ben);
  await cleo
    .getByRole('button', { name: /^Show \d new card/ })
    .first()
    .click();
  await expect(slip(maya, 'Because its stones').locator('.responses')).toHaveCount(0);
  await stamp(ben, 'Because its stones', 'New to me').click();
  await stamp(ben, 'Because its stones', 'I ask myself').press('Enter');
  await stamp(cleo, 'Because its stones', /^New to me/).click();
  await expect(stamp(ben, 'Because its stones', 'New to me: 2')).toHaveAttribute('aria-pressed', 'true');
  await expect(stamp(cleo, 'Because its stones', 'I ask myself: 1')).toHaveAttribute('aria-pressed', 'false');
  await expect(slip(maya, 'Because its stones').getByRole('img', { name: 'New to me: 2' })).toBeVisible();
  await stamp(ben, 'Because its stones', 'I ask myself: 1').click();
  await expect(stamp(cleo, 'Because its stones', 'I ask myself')).toHaveAccessibleName('I ask myself');
  await picture(ben, 'stamps');
  await picture(cleo, 'stamps-phone');
  await noBarrier(ben);
  await noBarrier(cleo);

  // Without a network it is kept and comes later; while pens are down it does not count, and is said.
  await ben.context().setOffline(true);
  await stamp(ben, 'Because its stones', /^I ask myself/).click();
  await ben.context().setOffline(false);
  await kept(ben);
  await expect(stamp(cleo, 'Because its stones', 'I ask myself: 1')).toBeVisible();
  await varga.locator('.tile').first().click();
  await stamp(varga, 'Because its stones', /^New to me/).click();
  await expect(slip(maya, 'Because its stones').getByRole('img', { name: 'New to me: 3' })).toBeVisible();
  await maya.getByRole('button', { name: 'One by one' }).click();
  await maya.getByRole('dialog').getByText('Who responded').click();
  await expect(maya.getByRole('dialog')).toContainText('New to me: Teacher, Ben, Cleo');
  await picture(maya, 'stamps-large');
  expect([...varga.problems, ...maya.problems, ...ben.problems, ...cleo.problems]).toEqual([]);
});
