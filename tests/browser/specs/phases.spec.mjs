// Phases of a lesson: what each allows, and its clock.
import { expect, test } from '@playwright/test';
import { design, designWall, draw, handOut, kept, marks, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const slip = (page, words) => page.locator('.strata .slip').filter({ hasText: words });
const say = (page, words, what) => slip(page, words).getByRole('button', { name: what, exact: true });
const slot = (page) => page.getByLabel('Write here, under All answers', { exact: true });
const line = (page) => page.locator('.phase-line');
const now = (page) => page.locator('.phase-now');

async function begin(page, kind, { minutes = 'as long as it takes', words = '', endsItself = false } = {}) {
  await now(page).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: kind }).check();
  await dialog.getByLabel('How long').selectOption(minutes);
  await dialog.getByLabel('A sentence for students').fill(words);
  if (endsItself) await dialog.getByLabel('Nobody writes any more').check();
  await dialog.getByRole('button', { name: 'Begin' }).click();
}

test('think, talk and choose: own cards only, then all, then choosing without writing', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga, 'Which bridge should we build, and why?');
  await varga.getByLabel('To each other’s cards, students').selectOption('say: agree, unsure or disagree');
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });

  await begin(varga, 'Think', { minutes: '5 min', words: 'One idea each' });
  for (const page of [maya, ben]) await expect(line(page)).toContainText('Think, each on your own');
  await expect(line(ben)).toContainText('One idea each');
  await expect(line(ben).getByRole('timer')).toHaveText(/^[45]:\d\d$/);
  await expect(now(varga)).toContainText(/Think · [45]:\d\d/);
  await slot(maya).fill('An arch bridge');
  await slot(maya).press('Control+Enter');
  await expect(slip(maya, 'An arch bridge')).toBeVisible();
  await expect(ben.getByText('You see only your own cards')).toBeVisible();
  await expect(slip(ben, 'An arch bridge')).toHaveCount(0);
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/think-phone.png' });

  await begin(varga, 'Talk');
  await expect(line(ben)).toContainText('Talk about it');
  await expect(line(ben).getByRole('timer')).toBeHidden();
  await ben.getByRole('button', { name: /^Show 1 new card/ }).click();
  await expect(slip(ben, 'An arch bridge')).toBeVisible();

  await begin(varga, 'Choose');
  await expect(ben.getByText('Now you choose. Nobody writes.')).toBeVisible();
  await say(ben, 'An arch bridge', 'Agree').click();
  await expect(say(ben, 'An arch bridge', 'Agree')).toHaveAttribute('aria-pressed', 'true');
  await expect(slot(maya)).toHaveAttribute('readonly', '');

  // One press goes back; a reload forgets nothing.
  await now(varga).click();
  await varga.getByRole('button', { name: 'Back to the one before' }).click();
  await expect(line(maya)).toContainText('Talk about it');
  await maya.reload();
  await kept(maya);
  await expect(line(maya)).toContainText('Talk about it');
  await varga.getByRole('button', { name: 'End it' }).click();
  for (const page of [maya, ben]) await expect(line(page)).toBeHidden();
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('the clock is the same on every screen, also where the device is wrong about the time; one has longer than the others', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  // Ben's device is a day ahead, from its next page on.
  await ben.clock.setSystemTime(Date.now() + 24 * 60 * 60 * 1000);
  await ben.reload();
  await kept(ben);
  await begin(varga, 'Work', { minutes: '1 min', endsItself: true });
  for (const page of [maya, ben]) await expect(line(page).getByRole('timer')).toHaveText(/^(1:00|0:\d\d)$/);
  await now(varga).click();
  await varga.getByRole('button', { name: '5 min more' }).click();
  await expect(line(maya).getByRole('timer')).toHaveText(/^5:\d\d$/);
  for (let minute = 0; minute < 6; minute++) await varga.getByRole('button', { name: '1 min less' }).click();
  await varga.getByRole('button', { name: 'Close' }).click();
  for (const page of [maya, ben]) await expect(page.getByText('The time is over. You can look.')).toBeVisible();
  await expect(now(varga)).toContainText('time is over');
  await draw(maya);
  await expect(marks(maya)).toHaveCount(1);

  await varga.getByRole('button', { name: 'Pick', exact: true }).click();
  await varga.getByRole('button', { name: 'Maya', exact: true }).click();
  await now(varga).click();
  await varga.getByRole('button', { name: '3 min more for those who are picked' }).click();
  await expect(varga.getByText('More time: Maya')).toBeVisible();
  await expect(maya.getByText('The time is over. You can look.')).toBeHidden();
  await expect(ben.getByText('The time is over. You can look.')).toBeVisible();
  await draw(maya);
  await expect(marks(maya)).toHaveCount(2);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('phases are planned in the workshop, begun by one press each, and close what they say', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New wall' }).click();
  await kept(varga);
  await varga.getByLabel('Name of the activity').fill('Which bridge should we build?');
  await varga.getByLabel('The question over the wall').fill('Which bridge should we build, and why?');
  await varga.getByLabel('To each other’s cards, students').selectOption('say: agree, unsure or disagree');
  await varga.getByLabel('Students may answer').check();
  await kept(varga);
  await varga.getByRole('button', { name: 'Phases' }).click();
  const plan = varga.getByRole('dialog', { name: 'Phases of the lesson' });
  const phase = (n) => plan.getByRole('group', { name: `Phase ${n}` });
  for (let i = 1; i <= 3; i++) {
    await plan.getByRole('button', { name: 'Add a phase' }).click();
    await expect(phase(i)).toBeVisible();
  }
  await phase(1).getByLabel('How long').selectOption('3 min');
  await phase(1).getByLabel('A sentence for students').fill('One idea each, in one sentence');
  await phase(2).getByLabel('write and draw').uncheck();
  await phase(2).getByLabel('choose and score').uncheck();
  await phase(2).getByLabel('A sentence for students').fill('Answer two cards');
  await phase(3).getByLabel('How long').selectOption('2 min');
  await expect(phase(3).getByLabel('write and draw')).not.toBeChecked();
  await expect(phase(3).getByLabel('write and draw')).toBeDisabled();
  await phase(3).getByRole('button', { name: 'Earlier' }).click();
  await expect(phase(2).getByLabel('What is done')).toHaveValue('3');
  await phase(2).getByRole('button', { name: 'Later' }).click();
  await expect(phase(3).getByLabel('What is done')).toHaveValue('3');
  await expect(plan.getByText('10 min together')).toBeVisible();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/plan-phases.png' });
  await plan.getByRole('button', { name: 'Done' }).click();
  await kept(varga);
  await varga.reload();
  await kept(varga);
  await varga.getByRole('button', { name: 'Phases' }).click();
  await expect(phase(2).getByLabel('A sentence for students')).toHaveValue('Answer two cards');
  await plan.getByRole('button', { name: 'Done' }).click();
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });

  await varga.getByRole('button', { name: 'Next: Think · 3 min' }).click();
  await expect(line(ben)).toContainText('One idea each, in one sentence');
  await slot(maya).fill('An arch bridge');
  await slot(maya).press('Control+Enter');
  await expect(slip(maya, 'An arch bridge')).toBeVisible();

  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/next.png' });
  await varga.getByRole('button', { name: 'Next: Talk · 5 min' }).click();
  for (const page of [maya, ben]) {
    await expect(page.getByText('Not in this phase: writing and drawing, choosing and scoring.')).toBeVisible();
    await expect(slot(page)).toHaveAttribute('readonly', '');
  }
  await ben.getByRole('button', { name: /^Show 1 new card/ }).click();
  await expect(say(ben, 'An arch bridge', 'Agree')).toHaveCount(0);
  await slip(ben, 'An arch bridge').getByRole('button', { name: /^Answer/ }).click();
  await ben.locator('[data-answering]').fill('Where would it stand?');
  await ben.locator('[data-answering]').press('Control+Enter');
  await expect(slip(maya, 'An arch bridge').getByRole('button', { name: '1 answer: An arch bridge' })).toBeVisible();
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/withheld-phone.png' });
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/withheld.png' });

  await now(varga).click();
  const dialog = varga.getByRole('dialog', { name: 'Phase of the lesson' });
  await expect(dialog.locator('.phases-planned [aria-current="step"]')).toContainText('Talk');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/phases-planned.png' });
  await dialog.getByRole('button', { name: /^Begin 3/ }).click();
  await expect(ben.getByText('Now you choose. Nobody writes.')).toBeVisible();
  await say(ben, 'An arch bridge', 'Agree').click();
  await expect(say(ben, 'An arch bridge', 'Agree')).toHaveAttribute('aria-pressed', 'true');
  await expect(varga.locator('.phase-next')).toBeHidden();
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
