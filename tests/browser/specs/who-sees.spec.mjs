import { expect, test } from '@playwright/test';
import { designWall, handOut, kept, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const cards = (page) => page.locator('.slip-words');
const slot = (page) => page.getByLabel('Write here, under Materials', { exact: true });

async function putUp(page, words) {
  await slot(page).fill(words);
  await slot(page).press('Control+Enter');
}

async function wallWithClass(browser) {
  const varga = await teacher(browser);
  await designWall(varga, 'What do we know about bridges?', ['Materials: What are they made of?', 'Forces']);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  return { varga, maya, ben };
}

test('where she watches, the teacher lets each see only their own on all walls, and the wall itself cannot undo it', async ({ browser }) => {
  const { varga, maya, ben } = await wallWithClass(browser);
  await putUp(maya, 'Stone');
  await ben.getByRole('button', { name: 'Show 1 new card: Materials' }).click();
  await expect(cards(ben)).toHaveText(['Stone']);

  const who = varga.getByLabel('Who sees which cards');
  await who.selectOption('Cards: each sees only their own');
  await expect(ben.getByText('You see only your own cards until your teacher shows all.')).toBeVisible();
  await expect(cards(ben)).toHaveCount(0);
  await putUp(ben, 'Steel');
  await kept(ben);
  await maya.reload();
  await kept(maya);
  await expect(cards(maya)).toHaveText(['Stone']);
  await varga.reload();
  await expect(who).toHaveValue('1');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/own-first-circulate.png' });

  // The wall says why, and what the wall itself says is another matter.
  await varga.locator('.tile').first().click();
  await expect(varga.getByText('The lesson lets each student see only their own cards now.')).toBeVisible();
  await expect(varga.getByRole('button', { name: 'Show all cards to everybody' })).toBeHidden();
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await expect(varga.getByRole('dialog').getByLabel('Each student sees only their own cards until I show all.')).not.toBeChecked();
  await varga.getByRole('dialog').getByRole('button', { name: 'Change it for everybody' }).click();
  await expect(varga.getByText('The lesson lets each student see only their own cards now.')).toBeVisible();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/own-first-wall.png' });

  await varga.goBack();
  await who.selectOption('Cards: seen as each wall says');
  await expect(maya.getByText('You see only your own cards')).toBeHidden();
  await maya.getByRole('button', { name: 'Show 1 new card: Materials' }).click();
  await expect(cards(maya)).toHaveText(['Stone', 'Steel']);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('some students are given sentence starters, and nothing of it reaches a classmate', async ({ browser }) => {
  const { varga, maya, ben } = await wallWithClass(browser);
  const told = [];
  maya.on('websocket', (socket) => socket.on('framereceived', (frame) => told.push(frame.payload.toString('latin1'))));
  maya.on('response', async (answer) => {
    if (answer.url().includes('/snapshot')) told.push((await answer.body()).toString('latin1'));
  });
  await maya.reload();
  await kept(maya);

  await varga.locator('.tile').first().click();
  await varga.getByText('Sentence starters for some').click();
  await varga.getByRole('button', { name: 'Give some students sentence starters' }).click();
  await varga.getByRole('group', { name: 'For' }).getByLabel('Ben').check();
  const field = varga.locator('.wall-who').getByLabel('How sentences may begin');
  const give = varga.getByRole('button', { name: 'Give them' });
  await expect(give).toBeDisabled();
  await field.fill('It stands because\nI wonder whether');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/own-starters.png' });
  await give.click();
  await expect(varga.locator('.wall-who').getByText('It stands because')).toBeVisible();

  await slot(ben).focus();
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/own-starters-phone.png' });
  await ben.getByLabel('Begin a sentence … Materials').selectOption('It stands because');
  await expect(slot(ben)).toHaveValue('It stands because ');
  await ben.keyboard.type('it leans');
  await slot(ben).press('Control+Enter');
  await kept(ben);
  await ben.reload();
  await kept(ben);
  await slot(ben).focus();
  await expect(ben.getByLabel('Begin a sentence … Materials').locator('option')).toHaveCount(3);

  // A classmate reads the card, and knows of no starters.
  await maya.getByRole('button', { name: 'Show 1 new card: Materials' }).click();
  await slot(maya).focus();
  await expect(maya.getByLabel('Begin a sentence … Materials')).toHaveCount(0);
  await maya.reload();
  await kept(maya);
  expect(told.join()).toContain('it leans');
  expect(told.join()).not.toContain('I wonder whether');

  await varga.getByRole('button', { name: 'Take away' }).click();
  await expect(varga.locator('.wall-who').getByText('I wonder whether')).toHaveCount(0);
  await slot(ben).focus();
  await expect(ben.getByLabel('Begin a sentence … Materials')).toHaveCount(0);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('the class is called to a topic, and to a card, from the wall', async ({ browser }) => {
  const { varga, maya, ben } = await wallWithClass(browser);
  await putUp(maya, 'Stone');
  await varga.locator('.tile').first().click();
  await expect(cards(varga)).toHaveText(['Stone']);
  await varga.locator('summary', { hasText: 'Call the class to' }).click();
  await varga.getByRole('button', { name: 'Forces' }).click();
  await expect(ben.locator('.stratum[data-in-sight] h2')).toHaveText('Forces');
  await varga.getByRole('button', { name: 'One by one' }).click();
  await varga.getByRole('button', { name: 'Call the class to this card' }).click();
  await expect(varga.getByText('The class is being called here.')).toBeVisible();
  await expect(maya.locator('[data-called]').filter({ hasText: 'Stone' })).toHaveCount(1);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
