import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { handOut, kept, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const slip = (page, words) => page.locator('.strata .slip').filter({ hasText: words });
const say = (page, words, what) => slip(page, words).getByRole('button', { name: what, exact: true });
const numbers = (page, words) => slip(page, words).locator('.judged');

async function putUp(page, words) {
  const slot = page.getByLabel('Write here, under All answers', { exact: true });
  await slot.fill(words);
  await slot.press('Control+Enter');
  await expect(slip(page, words)).toBeVisible();
}

/** A wall without topics, on which students judge. */
async function designWall(page, judging) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('Which bridge should we build?');
  await page.getByLabel('The question over the wall').fill('Which bridge should we build, and why?');
  await page.getByLabel('To each other’s cards, students').selectOption(judging);
}

/** Sees new cards as they come. */
const atOnce = (page) => page.getByRole('button', { name: 'New ones at once' }).click();

test('agree, unsure, disagree: each for themselves, the numbers for the teacher, then for all, and a second round', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga, 'say: agree, unsure or disagree');
  await varga.getByLabel('How many cards each is asked to judge at least').fill('2');
  await varga.getByLabel('How many cards each is asked to judge at least').blur();
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  const cleo = await student(browser, code, 'Cleo', { viewport: { width: 390, height: 844 } });
  await putUp(maya, 'An arch bridge lasts longest');
  await putUp(ben, 'A truss is light and strong');
  for (const page of [maya, ben]) await atOnce(page);
  await cleo
    .getByRole('button', { name: /^Show \d new card/ })
    .first()
    .click();

  await expect(say(maya, 'An arch bridge', 'Agree')).toHaveCount(0);
  await say(ben, 'An arch bridge', 'Agree').click();
  await expect(say(ben, 'An arch bridge', 'Agree')).toHaveAttribute('aria-pressed', 'true');
  await expect(ben.getByText('You have said what you think of 1 of 1 cards.')).toBeVisible();
  await expect(cleo.getByText('Please say what you think of 2 more cards.')).toBeVisible();
  await say(cleo, 'An arch bridge', 'Unsure').click();
  await expect(cleo.getByText('Please say what you think of one more card.')).toBeVisible();
  await say(cleo, 'An arch bridge', 'Disagree').click();
  await say(cleo, 'A truss', 'Agree').click();
  await noBarrier(cleo);
  await say(maya, 'A truss', 'Unsure').focus();
  await maya.keyboard.press('Enter');
  for (const page of [maya, ben, cleo]) await kept(page);

  await expect(cleo.getByText('Please say what you think')).toHaveCount(0);

  const dan = await student(browser, code, 'Dan');
  await expect(dan.getByText('Please say what you think of 2 more cards.')).toBeVisible();
  await varga.locator('.tile').first().click();
  await expect(varga.locator('.wall-person', { hasText: 'Dan' })).toContainText('has 2 more to judge');
  await expect(varga.locator('.wall-person', { hasText: 'Cleo' })).not.toContainText('to judge');
  await expect(numbers(varga, 'An arch bridge')).toHaveText('1 agree, 0 unsure, 1 disagree');
  await expect(
    varga.getByText('Round 1 goes on. Only you see the numbers. 3 students have said something.'),
  ).toBeVisible();
  await expect(numbers(maya, 'An arch bridge')).toHaveCount(0);
  await maya.getByRole('button', { name: 'One by one' }).click();
  await expect(maya.getByRole('dialog')).toContainText('An arch bridge lasts longest');
  await expect(maya.getByRole('dialog')).not.toContainText('gree');
  await maya.keyboard.press('Escape');
  await varga.getByRole('button', { name: 'One by one' }).click();
  const large = varga.getByRole('dialog');
  await expect(large.getByText('Agree: Ben')).toBeHidden();
  await large.getByText('Who said what').click();
  await expect(large.getByText('Agree: Ben')).toBeVisible();
  await expect(large).toContainText('Disagree: Cleo');
  await varga.keyboard.press('ArrowRight');
  await expect(large).toContainText('A truss is light and strong');
  await varga.keyboard.press('Escape');
  await varga.getByRole('button', { name: 'Show everybody the numbers' }).click();
  for (const page of [maya, ben, cleo]) {
    await expect(numbers(page, 'An arch bridge')).toHaveText('1 agree, 0 unsure, 1 disagree');
    await expect(page.locator('.judge')).toHaveCount(0);
  }

  // Another round: what was said in the first is not taken over, and both are told apart in the end.
  await varga.getByRole('button', { name: 'Begin a new round' }).click();
  await expect(say(cleo, 'An arch bridge', 'Disagree')).toHaveAttribute('aria-pressed', 'false');
  await say(cleo, 'An arch bridge', 'Agree').click();
  await say(ben, 'An arch bridge', 'Agree').click();
  for (const page of [ben, cleo]) await kept(page);

  // She finds what nobody has said anything of yet, and has more on the screen at once.
  await varga.getByRole('button', { name: /^Nobody has said anything of it/ }).click();
  await expect(varga.locator('.slip', { hasText: 'An arch bridge' })).toHaveCount(0);
  await expect(varga.locator('.slip', { hasText: 'A truss is light and strong' })).toHaveCount(1);
  await varga.getByRole('button', { name: /^Nobody has said anything of it/ }).click();
  const roomy = (await varga.locator('.slip', { hasText: 'A truss is light and strong' }).boundingBox()).width;
  await varga.getByRole('button', { name: 'More at once' }).click();
  await expect
    .poll(async () => (await varga.locator('.slip', { hasText: 'A truss is light and strong' }).boundingBox()).width)
    .toBeLessThan(roomy);
  await varga.getByRole('button', { name: 'More at once' }).click();
  await varga.getByRole('button', { name: 'Show everybody the numbers' }).click();
  await expect(numbers(maya, 'An arch bridge')).toHaveText([
    'Round 1: 1 agree, 0 unsure, 1 disagree',
    'Round 2: 2 agree, 0 unsure, 0 disagree (since then +1 agree, 0 unsure, -1 disagree)',
  ]);
  await noBarrier(maya);
  await noBarrier(varga);
  await maya.reload();
  await kept(maya);
  await expect(numbers(maya, 'An arch bridge')).toHaveCount(2);
  expect([...varga.problems, ...maya.problems, ...ben.problems, ...cleo.problems]).toEqual([]);
});

test('each chooses so many, changes a choice, and what is chosen without a network counts if it comes in time', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga, 'choose the ones they want');
  await varga.getByLabel('How many cards each may choose').fill('1');
  await varga.getByLabel('How many cards each may choose').blur();
  await kept(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await expect(varga.getByText('Each may choose 1 of the others’ cards.')).toBeVisible();
  await varga.goBack();
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  await putUp(maya, 'Stone');
  await putUp(maya, 'Steel');
  await kept(maya);
  const ben = await student(browser, code, 'Ben');
  await say(ben, 'Stone', 'Choose').click();
  await expect(say(ben, 'Steel', 'Choose')).toBeDisabled();
  await expect(ben.getByText('You have chosen 1 of 1 cards.')).toBeVisible();
  await kept(ben);
  await ben.context().setOffline(true);
  await say(ben, 'Stone', 'Chosen').click();
  await say(ben, 'Steel', 'Choose').click();
  await ben.context().setOffline(false);
  await kept(ben);
  await varga.locator('.tile').first().click();
  await expect(numbers(varga, 'Steel')).toHaveText('Chosen once');
  await expect(numbers(varga, 'Stone')).toHaveCount(0);

  // What comes after the numbers were shown does not count, and is said.
  await ben.context().setOffline(true);
  await say(ben, 'Steel', 'Chosen').click();
  await varga.getByRole('button', { name: 'Show everybody the numbers' }).click();
  await expect(numbers(maya, 'Steel')).toHaveText('Chosen once');
  await ben.context().setOffline(false);
  await expect(ben.getByText('Cards are not judged any more. What you said last did not count.')).toBeVisible();
  await expect(numbers(ben, 'Steel')).toHaveText('Chosen once');
});

test('whose word a teacher leaves out counts no more, they are told, and it counts again', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga, 'say: agree, unsure or disagree');
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await putUp(maya, 'An arch bridge lasts longest');
  await ben
    .getByRole('button', { name: /^Show \d new card/ })
    .first()
    .click();
  await say(ben, 'An arch bridge', 'Disagree').click();
  await kept(ben);
  await varga.locator('.tile').first().click();
  await expect(numbers(varga, 'An arch bridge')).toHaveText('0 agree, 0 unsure, 1 disagree');
  const whose = varga.locator('summary', { hasText: 'Whose word counts' });
  await expect(whose).toBeVisible();
  await whose.press('Enter');
  await expect(varga.getByText('said something of 1')).toBeVisible();
  await varga.getByRole('button', { name: 'Do not count: Ben' }).press('Enter');
  await expect(numbers(varga, 'An arch bridge')).toHaveCount(0);
  await expect(ben.getByText('Your teacher does not count what you say here at the moment.')).toBeVisible();
  await expect(maya.getByText('does not count what you say')).toHaveCount(0);
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/judge-out.png' });
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/judge-out-ben.png' });
  await varga.getByRole('button', { name: 'Count again: Ben' }).click();
  await expect(numbers(varga, 'An arch bridge')).toHaveText('0 agree, 0 unsure, 1 disagree');
  await expect(ben.getByText('does not count what you say')).toHaveCount(0);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
