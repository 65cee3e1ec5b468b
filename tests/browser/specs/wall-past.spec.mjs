// What hangs on cards is put back with them: answers, and links; and the past of a wall lies as the wall lay.
import { expect, test } from '@playwright/test';
import { handOut, kept, student, teacher } from './people.mjs';
import { noBarrier } from './barriers.mjs';

const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const steps = (page) => page.locator('[data-steps] .step');
const past = (page) => page.locator('[data-past]');

async function newWall(page, name, question) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill(name);
  await page.getByLabel('The question over the wall').fill(question);
}

async function openPast(page) {
  await page.getByRole('link', { name: 'Open the wall' }).click();
  await page.getByRole('link', { name: 'How it came to be' }).first().click();
}

test('an answer that a student took back comes back, and says what it said; undone, it is the student’s to put back again', async ({ browser }) => {
  const varga = await teacher(browser);
  await newWall(varga, 'What we know about bridges', 'What do we know about bridges?');
  await varga.getByLabel('Students may answer each other’s cards.').check();
  await kept(varga);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const [maya, ben] = [await student(browser, code, 'Maya'), await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } })];
  await maya.getByLabel(/^Write here/).fill('Cables pull');
  await maya.getByLabel(/^Write here/).press('Control+Enter');
  await kept(maya);
  await ben.getByRole('button', { name: /^Show 1 new card/ }).first().click();
  await ben.getByRole('button', { name: 'Answer: Cables pull' }).click();
  await ben.locator('[data-answering]').fill('From where?');
  await ben.locator('[data-answering]').press('Control+Enter');
  await kept(ben);
  await openPast(varga);
  await expect(steps(varga)).toHaveCount(2);
  await expect(past(varga).locator('.past-answer')).toHaveText('Ben: From where?');

  await ben.getByRole('button', { name: 'Change the answer: From where?' }).click();
  await ben.getByRole('button', { name: 'Take it down' }).click();
  await kept(ben);
  await expect(steps(varga)).toHaveCount(3);
  await expect(past(varga).locator('.past-answer')).toHaveCount(0);
  await steps(varga).nth(1).click();
  await expect(past(varga).locator('.past-answer')).toHaveCount(1);
  await varga.getByRole('button', { name: 'As it was then…' }).click();
  const dialog = varga.getByRole('dialog');
  await expect(dialog.getByRole('status')).toHaveText('1 answer comes back.');
  await expect(dialog.locator('[data-picture="before"] .past-answer')).toHaveCount(0);
  await expect(dialog.locator('[data-picture="after"] .past-answer')).toHaveCount(1);
  await picture(varga, 'past-answer');
  await noBarrier(varga);
  await dialog.getByRole('button', { name: 'Have it so' }).click();
  await expect(varga.getByText('It is as it was then.')).toBeVisible();
  await expect(ben.locator('.answer-words').filter({ hasText: 'From where?' })).toBeVisible();

  await varga.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(varga.getByText('It is undone.')).toBeVisible();
  // It was he who took it down: he is not told that a teacher did, and may put it back.
  await expect(ben.getByText('Your teacher has taken down')).toHaveCount(0);
  await ben.locator('.answer-down').getByRole('button', { name: /^Put it back/ }).click();
  await expect(ben.locator('.answer-words').filter({ hasText: 'From where?' })).toBeVisible();
  await kept(ben);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('the past of a free field lies as the field lay, and a link that was taken off is put back', async ({ browser }) => {
  const varga = await teacher(browser);
  await newWall(varga, 'From load to ground', 'How does a load get to the ground?');
  await varga.getByRole('radio', { name: /join cards by links/ }).check();
  await varga.getByRole('button', { name: 'Add words' }).click();
  await varga.getByLabel('Words 1', { exact: true }).fill('pushes on');
  await varga.getByRole('button', { name: 'Cards from a list' }).click();
  await varga.getByLabel('Paste the outline here').fill('Load\nDeck');
  await varga.getByRole('button', { name: 'Make 2' }).click();
  await kept(varga);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const maya = await student(browser, code, 'Maya');
  await maya.getByRole('button', { name: /^Load, / }).click();
  const about = maya.locator('.chosen-card');
  await about.getByRole('button', { name: 'Link: Load' }).click();
  await about.locator('form').getByLabel(/^Words for the link: /).selectOption('pushes on');
  await about.getByLabel('Which card?').selectOption('Deck');
  await about.getByRole('button', { name: 'Link', exact: true }).click();
  await expect(about.locator('.sentences')).toContainText('Load pushes on Deck');
  await about.getByRole('button', { name: 'Take it down: Load pushes on Deck' }).click();
  await expect(about.locator('.sentences')).toHaveCount(0);
  await kept(maya);

  await openPast(varga);
  await expect(steps(varga)).toHaveCount(2);
  await expect(past(varga).locator('.past-link-words')).toHaveCount(0);
  await steps(varga).nth(0).click();
  await expect(past(varga).locator('.past-link-words')).toHaveText('pushes on');
  await expect(past(varga).locator('.past-sentences')).toContainText('Load pushes on Deck');
  const [load, deck] = await Promise.all(['Load', 'Deck'].map((words) => past(varga).locator('[data-card]', { hasText: words }).boundingBox()));
  expect(load.x + load.width <= deck.x || load.y + load.height <= deck.y || deck.y + deck.height <= load.y).toBe(true);
  await picture(varga, 'past-field');
  await noBarrier(varga);
  await varga.getByRole('button', { name: 'As it was then…' }).click();
  const dialog = varga.getByRole('dialog');
  await expect(dialog.getByRole('status')).toHaveText('1 link comes back.');
  await expect(dialog.locator('[data-picture="after"] .past-link-words')).toHaveCount(1);
  await picture(varga, 'past-field-restore');
  await dialog.getByRole('button', { name: 'Have it so' }).click();
  await expect(varga.getByText('It is as it was then.')).toBeVisible();
  await expect(maya.locator('.link-labels span')).toHaveText('pushes on');
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});
