import { expect, test } from '@playwright/test';
import { handOut, kept, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const cards = (page, topic) => page.getByRole('list', { name: topic, exact: true }).locator('.slip-words');
const slot = (page, topic) => page.getByLabel(`Write here, under ${topic}`, { exact: true });

async function putUp(page, topic, words) {
  await slot(page, topic).fill(words);
  await slot(page, topic).press('Control+Enter');
}

/** A wall with two topics, made in the workshop. */
async function designWall(page, { least = 0, most = 0 } = {}) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('What we know about bridges');
  await page.getByLabel('The question over the wall').fill('What do we know about bridges?');
  await page.getByRole('button', { name: 'Topics from a list' }).click();
  await page.getByLabel('Paste the outline here').fill('1. Materials: What are they made of?\n2. Forces');
  await page.getByRole('button', { name: 'Make 2 topics' }).click();
  await page.getByLabel('At least so many cards').fill(String(least));
  await page.getByLabel('At most so many cards').fill(String(most));
  await page.getByLabel('At most so many cards').blur();
  await kept(page);
}

test('a wall is made, tried, handed out, filled by a class and read by all', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga, { least: 2, most: 3 });

  // What was typed is there after a reload; a topic that is removed comes back with undo.
  await varga.reload();
  await kept(varga);
  await expect(varga.locator('[data-heading]')).toHaveCount(2);
  await expect(varga.getByLabel('Topic 1')).toHaveValue('Materials');
  await varga.getByRole('button', { name: 'Remove' }).first().click();
  await kept(varga);
  await expect(varga.locator('[data-heading]')).toHaveCount(1);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(varga.locator('[data-heading]')).toHaveCount(2);
  await expect(varga.getByLabel('Topic 1')).toHaveValue('Materials');

  // Two sample students, together.
  await varga.getByRole('button', { name: 'Try it as a student' }).click();
  await varga.getByLabel('Both on one board').check();
  const [first, second] = [1, 2].map((seat) => varga.frameLocator(`[data-try-seat="${seat}"]`));
  await first.getByLabel('Write here, under Materials').fill('Wood');
  await first.getByRole('button', { name: 'Put it up' }).click();
  await varga.getByRole('button', { name: 'Student 2' }).click();
  await second.locator('[data-wall]').getByRole('button', { name: 'Show 1 new card: Materials' }).click();
  await expect(second.locator('.slip-words')).toHaveText(['Wood']);

  await varga.getByRole('link', { name: 'Hand out' }).click();
  const ready = varga.locator('.ready section:visible');
  await expect(ready).toContainText('Everybody works on one wall.');
  await expect(ready).toContainText('Each is asked for at least 2 cards');
  await expect(ready).toContainText('Topics that do not say what to write there: 1.');
  await varga.goBack();
  const code = await handOut(varga, together);

  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await expect(maya.locator('.wall-question')).toHaveText('What do we know about bridges?');
  await expect(maya.getByText('2 more cards to put up')).toBeVisible();
  await putUp(maya, 'Materials', 'Stone\nIt lasts for hundreds of years');
  await putUp(maya, 'Forces', 'The load pushes down');
  await putUp(maya, 'Fits nowhere else', 'There is a game');
  await kept(maya);
  await expect(maya.getByText('You have put up all 3 cards that you may.').first()).toBeVisible();
  await expect(slot(maya, 'Materials')).toHaveCount(0);

  // Ben reads them when he wants to; what he may not change has no button.
  await ben
    .locator('[data-wall]')
    .getByRole('button', { name: /^Show \d new card/ })
    .first()
    .click();
  await expect(cards(ben, 'Materials')).toHaveText([/Stone\s*It lasts/]);
  await expect(ben.locator('.slip').first()).toContainText('Maya');
  await expect(ben.getByRole('button', { name: /Change the card/ })).toHaveCount(0);

  // Maya changes one, moves one, takes one down and puts it back.
  await maya.getByRole('button', { name: 'Change the card: The load pushes down' }).click();
  await maya.getByLabel('Words of this card').fill('The load pulls');
  await maya.getByRole('button', { name: 'Done' }).click();
  await expect(cards(maya, 'Forces')).toHaveText(['The load pulls']);
  await maya.getByRole('button', { name: 'Change the card: There is a game' }).click();
  await maya.getByLabel('Topic', { exact: true }).selectOption({ label: 'Forces' });
  await maya.getByRole('button', { name: 'Done' }).click();
  await expect(cards(maya, 'Forces')).toHaveText(['The load pulls', 'There is a game']);
  await expect(maya.locator('.slip', { hasText: 'There is a game' })).toContainText('was under Fits nowhere else');
  await maya.getByRole('button', { name: 'Change the card: There is a game' }).click();
  await maya.getByLabel('Place', { exact: true }).selectOption({ label: 'first' });
  await maya.getByRole('button', { name: 'Done' }).click();
  await expect(cards(maya, 'Forces')).toHaveText(['There is a game', 'The load pulls']);
  await maya.getByRole('button', { name: 'Change the card: There is a game' }).click();
  await maya.getByRole('button', { name: 'Take it down' }).click();
  await expect(cards(maya, 'Forces')).toHaveText(['The load pulls']);
  await expect(ben.getByText('There is a game')).toHaveCount(0);
  await maya.getByText('Taken down (1)').click();
  await maya.getByRole('button', { name: 'Put it back' }).click();
  await expect(cards(maya, 'Forces')).toHaveText(['There is a game', 'The load pulls']);
  await kept(maya);

  // The teacher reads numbers first, then the wall, looks for words and for a person.
  await expect(varga.locator('.tile-topic')).toHaveText([/Materials\s*1/, /Forces\s*2/]);
  await expect(varga.locator('.tile')).toContainText('No card yet (1): Ben');
  await varga.getByText('Open the wall').click();
  await expect(varga.getByRole('button', { name: /^Ben/ })).toContainText('no card yet');
  await varga.getByLabel('Find words or a name').fill('load');
  await expect(varga.locator('[data-wall] .slip-words')).toHaveText(['The load pulls']);
  await varga.getByRole('button', { name: 'Show all cards' }).click();
  await varga.getByRole('button', { name: /^Maya/ }).click();
  await expect(varga.locator('[data-wall] .slip-words')).toHaveCount(3);
  await varga.getByRole('button', { name: /^Maya/ }).click();
  await putUp(varga, 'Materials', 'Look at the school bridge');
  await expect(varga.locator('.slip', { hasText: 'Look at the school bridge' })).toContainText('Teacher');

  // What Ben said aloud she puts up for him.
  await slot(varga, 'Forces').fill('Arches lean on the banks');
  await varga.getByLabel('Said by Forces').selectOption({ label: 'Ben' });
  await slot(varga, 'Forces').press('Control+Enter');
  await expect(varga.locator('.slip', { hasText: 'Arches lean on the banks' })).toContainText('Ben, said aloud');
  await expect(ben.locator('.slip', { hasText: 'Arches lean on the banks' })).toContainText('Yours, said aloud');

  // She takes a topic away: what it does is said before, and no card is lost.
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.locator('dialog').getByRole('button', { name: 'Remove' }).nth(1).click();
  await expect(varga.getByText('3 cards lie under topics that you remove.')).toBeVisible();
  await varga.getByRole('button', { name: 'New topic' }).click();
  await expect(varga.locator('[data-heading]').last()).toBeFocused();
  await varga.keyboard.type('Beauty');
  await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  await expect(ben.getByRole('heading', { name: 'Beauty' })).toBeVisible();
  await expect(cards(maya, 'Fits nowhere else')).toHaveText(['There is a game', 'The load pulls']);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('a classmate’s new card moves nothing of what somebody types; it says that it is there and comes when asked', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await slot(ben, 'Forces').click();
  await ben.keyboard.type('The wind');
  const before = await slot(ben, 'Forces').boundingBox();
  for (const words of ['Stone', 'Wood', 'Steel', 'Rope', 'Glass']) await putUp(maya, 'Materials', words);
  await kept(maya);
  await expect(ben.locator('.ledge').getByRole('button', { name: 'Show 5 new cards' })).toBeVisible();
  expect(await slot(ben, 'Forces').boundingBox()).toEqual(before);
  await ben.keyboard.type(' pushes');
  await expect(slot(ben, 'Forces')).toHaveValue('The wind pushes');

  // What is being typed outlives a reload of the page.
  await ben.reload();
  await kept(ben);
  await expect(slot(ben, 'Forces')).toHaveValue('The wind pushes');
  await expect(cards(ben, 'Materials')).toHaveCount(5);

  // Who wishes it sees new cards at once; not while they write.
  await ben.getByRole('button', { name: 'New ones at once' }).click();
  await putUp(maya, 'Materials', 'Paper');
  await expect(cards(ben, 'Materials')).toHaveCount(6);
  await slot(ben, 'Forces').click();
  await putUp(maya, 'Materials', 'Concrete');
  await expect(ben.locator('.ledge').getByRole('button', { name: 'Show 1 new card' })).toBeVisible();
  await slot(ben, 'Forces').press('Control+Enter');
  await slot(ben, 'Forces').blur();
  await expect(cards(ben, 'Materials')).toHaveCount(7);
  await expect(cards(ben, 'Forces')).toHaveText(['The wind pushes']);
});

test('without a network a card is put up on the device, and reaches the wall when the network is back', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await maya.context().setOffline(true);
  await expect(maya.locator('.kept')).toHaveText('Kept on this device until the network is back');
  await putUp(maya, 'Materials', 'Written in the tunnel');
  await expect(cards(maya, 'Materials')).toHaveText(['Written in the tunnel']);
  await expect(maya.locator('.kept')).toHaveText('Kept on this device until the network is back');
  await maya.context().setOffline(false);
  await kept(maya);
  await ben.getByRole('button', { name: 'Show 1 new card' }).first().click();
  await expect(cards(ben, 'Materials')).toHaveText(['Written in the tunnel']);
});

test('on a phone there is one topic at a time, and the place to write is at hand', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga, { least: 1 });
  const code = await handOut(varga, together);
  const phone = await student(browser, code, 'Maya', {
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  });
  await expect(phone.getByRole('heading', { name: 'Materials' })).toBeVisible();
  await expect(phone.getByRole('heading', { name: 'Forces' })).toBeHidden();
  await slot(phone, 'Materials').fill('Stone');
  await phone.getByRole('button', { name: 'Put it up' }).tap();
  await kept(phone);
  await expect(phone.getByText('You have put up 1 card.')).toBeVisible();
  await phone.getByRole('button', { name: 'On', exact: true }).tap();
  await expect(phone.getByRole('heading', { name: 'Forces' })).toBeVisible();
  await expect(phone.getByRole('heading', { name: 'Materials' })).toBeHidden();
  await phone.getByText('2 / 3').tap();
  await phone.getByRole('button', { name: '1. Materials' }).tap();
  await expect(cards(phone, 'Materials')).toHaveText(['Stone']);

  // With many cards the place to write does not lie below the end of the screen.
  const ben = await student(browser, code, 'Ben');
  for (let i = 1; i <= 12; i++) await putUp(ben, 'Materials', `Stone number ${i}\nand what it is good for`);
  await kept(ben);
  await phone.getByRole('button', { name: 'Show 12 new cards' }).tap();
  await expect(cards(phone, 'Materials')).toHaveCount(13);
  await expect(slot(phone, 'Materials')).toBeInViewport();
  expect(phone.problems).toEqual([]);
});

test('by keyboard alone a card is put up, changed, moved and taken down; with pens down nothing is, and nothing is lost', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  await slot(maya, 'Materials').focus();
  await maya.keyboard.type('Stone');
  await maya.keyboard.press('Tab');
  await expect(maya.getByRole('button', { name: 'Put it up' })).toBeFocused();
  await maya.keyboard.press('Enter');
  await expect(cards(maya, 'Materials')).toHaveText(['Stone']);
  await expect(slot(maya, 'Materials')).toBeFocused();
  await maya.keyboard.press('Shift+Tab');
  await expect(maya.getByRole('button', { name: 'Change the card: Stone' })).toBeFocused();
  await maya.keyboard.press('Enter');
  await expect(maya.getByLabel('Words of this card')).toBeFocused();
  await maya.keyboard.press('End');
  await maya.keyboard.type(' lasts');
  await maya.keyboard.press('Escape');
  await expect(cards(maya, 'Materials')).toHaveText(['Stone']);
  await expect(maya.getByRole('button', { name: 'Change the card: Stone' })).toBeFocused();
  await maya.keyboard.press('Enter');
  await expect(maya.getByLabel('Words of this card')).toBeFocused();
  await maya.keyboard.press('End');
  await maya.keyboard.type(' lasts');
  await maya.keyboard.press('Tab');
  await expect(maya.locator('.slip-changing summary')).toBeFocused();
  await maya.keyboard.press('Tab');
  await maya.keyboard.press('ArrowDown');
  await expect(cards(maya, 'Forces')).toHaveCount(0);
  await maya.getByRole('button', { name: 'Done' }).press('Enter');
  await expect(cards(maya, 'Forces')).toHaveText(['Stone lasts']);
  await kept(maya);

  // Its own colour, which goes with it; a classmate has no say in it.
  const edge = (page) => page.locator('.slip', { hasText: 'Stone lasts' }).evaluate((s) => getComputedStyle(s).borderInlineStartColor);
  const before = await edge(maya);
  await maya.getByRole('button', { name: 'Change the card: Stone lasts' }).press('Enter');
  await maya.getByLabel('Colour', { exact: true }).selectOption('Brick');
  await expect(maya.locator('.slip-changing')).toHaveAttribute('data-colour', '3');
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/colouring.png' });
  await maya.getByRole('button', { name: 'Leave as it was' }).press('Enter');
  await expect(maya.locator('.slip-changing')).toHaveCount(0);
  expect(await edge(maya)).not.toBe(before);
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/colour.png' });
  await kept(maya);
  await maya.reload();
  await expect(maya.locator('.slip', { hasText: 'Stone lasts' })).toHaveAttribute('data-colour', '3');

  await slot(maya, 'Forces').fill('The wind');
  await varga.getByRole('button', { name: 'Pens down' }).click();
  await expect(maya.getByText('Pens are down. You can read.')).toBeVisible();
  await slot(maya, 'Forces').press('Control+Enter');
  await expect(cards(maya, 'Forces')).toHaveText(['Stone lasts']);
  await expect(slot(maya, 'Forces')).toHaveValue('The wind');
  await varga.getByRole('button', { name: 'Pens up' }).click();
  await expect(maya.getByText('Pens are down. You can read.')).toBeHidden();
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await expect(cards(maya, 'Forces')).toHaveText(['Stone lasts', 'The wind']);
});

test('groups have a wall each, and a student who is put into one takes nothing away and loses nothing', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga);
  const code = await handOut(varga, { way: 'One wall each' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await putUp(maya, 'Materials', 'Mine alone');
  await kept(maya);
  await expect(ben.getByText('Mine alone')).toHaveCount(0);
  await slot(maya, 'Forces').fill('half a thought');
  const alone = maya.url();
  await varga.getByRole('link', { name: 'Groups' }).click();
  await varga.getByLabel('How many groups').fill('1');
  await varga.getByRole('button', { name: /^Make groups/ }).click();
  // The page that she leaves knows it, too: what is written there would stay there.
  await expect(maya).not.toHaveURL(alone);
  await expect(maya.locator('h1')).toContainText('with Ben');
  await kept(maya);
  await putUp(maya, 'Materials', 'Ours');
  await kept(maya);
  await ben.reload();
  await expect(cards(ben, 'Materials')).toHaveText(['Ours']);
});

test('a question that the last row will not read is said so, where it is written and before it is handed out', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga);
  await expect(varga.getByText(/^Too long to be read from the last row/)).toBeHidden();
  await varga.getByLabel('The question over the wall').fill('What do we know about bridges, and where from? '.repeat(4));
  await expect(varga.getByText(/^Too long to be read from the last row: at most about 150 letters are/)).toBeVisible();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/long-question.png' });
  await kept(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await expect(varga.getByText('From the last row the question will not be read: at most about 150 letters are.')).toBeVisible();
  await varga.getByRole('link', { name: 'Shorten it' }).click();
  await expect(varga.getByLabel('The question over the wall')).toBeFocused();
});

test('the numbers of cards count under each topic, and what is missing is said topic by topic', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga);
  for (const number of ['At least so many cards', 'At most so many cards']) {
    await varga.getByLabel(number).fill('1');
    await varga.getByLabel(number).blur();
  }
  await varga.getByLabel('These numbers count under each topic.').check();
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  await expect(maya.getByText('Still to put up: 1 under Materials, 1 under Forces')).toBeVisible();
  await putUp(maya, 'Materials', 'Stone');
  await expect(maya.getByText('Still to put up: 1 under Forces')).toBeVisible();
  await expect(maya.getByText('You have put up all 1 cards here that you may.')).toHaveCount(1);
  await putUp(maya, 'Forces', 'Wind');
  await expect(maya.getByText('Still to put up')).toHaveCount(0);

  // Where there is no room, a card does not go, and that is said.
  await maya.getByRole('button', { name: 'Change the card: Wind' }).click();
  await maya.getByLabel('Topic', { exact: true }).selectOption('Materials');
  await expect(maya.getByText('You have put up as many cards as you may.')).toBeVisible();
  await expect(cards(maya, 'Materials')).toHaveText(['Stone']);
  await expect(maya.getByLabel('Topic', { exact: true }).locator('option:checked')).toHaveText('Forces');
});

test('who writes begins with one of the teacher’s beginnings, in the language that they read', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga);
  await varga.getByLabel('How sentences may begin').fill('I think that\n\nIt could be because');
  await varga.getByLabel('How sentences may begin').blur();
  await kept(varga);
  await varga.reload();
  await kept(varga);
  await expect(varga.getByLabel('How sentences may begin')).toHaveValue('I think that\nIt could be because');
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya', { viewport: { width: 390, height: 844 } });
  const begin = maya.getByLabel('Begin a sentence … Materials');
  await expect(begin).toBeHidden();
  await slot(maya, 'Materials').focus();
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/starters-phone.png' });
  await begin.selectOption('It could be because');
  await expect(slot(maya, 'Materials')).toHaveValue('It could be because ');
  await expect(slot(maya, 'Materials')).toBeFocused();
  await maya.keyboard.type('stone is heavy');
  await begin.selectOption('I think that');
  await expect(slot(maya, 'Materials')).toHaveValue('It could be because stone is heavy\nI think that ');
  await slot(maya, 'Materials').press('Control+Enter');
  await expect(cards(maya, 'Materials')).toHaveText([/It could be because stone is heavy/]);
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

test('a topic is for some: they write there, all read it, and each gives and judges no more than they may', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga);
  await varga.getByLabel('Students may answer each other’s cards.').check();
  await varga.getByLabel('How many answers each may give at most').fill('1');
  await varga.getByLabel('How many answers each may give at most').blur();
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await varga.locator('.tile').first().click();
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  const dialog = varga.getByRole('dialog');
  await dialog.getByText('Everybody writes here').first().click();
  await dialog.getByLabel('Maya').first().check();
  await expect(dialog.getByText('Only 1 writes here')).toBeVisible();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/only.png' });
  await dialog.getByRole('button', { name: 'Change it for everybody' }).click();
  await expect(varga.getByText('Here write: Maya')).toBeVisible();
  await expect(ben.getByText('Others write here. You can read what they write.')).toBeVisible();
  await expect(slot(ben, 'Materials')).toHaveCount(0);
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/only-phone.png' });
  await putUp(maya, 'Materials', 'Stone');
  await putUp(maya, 'Materials', 'Rivets');
  await kept(maya);
  await ben.getByRole('button', { name: 'Show 2 new cards: Materials' }).click();
  await expect(cards(ben, 'Materials')).toHaveText(['Stone', 'Rivets']);
  await expect(ben.getByRole('button', { name: 'Answer: Rivets' })).toBeVisible();
  await ben.getByRole('button', { name: 'Answer: Stone' }).click();
  await ben.getByLabel('Write an answer').fill('And wood');
  await ben.getByLabel('Write an answer').press('Control+Enter');
  await expect(ben.getByText('And wood')).toBeVisible();
  // No more than each may, also to other cards.
  await expect(ben.getByRole('button', { name: 'Answer: Rivets' })).toHaveCount(0);
  await expect(ben.getByLabel('Write an answer')).toHaveCount(0);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('think first, then look: each sees only their own cards until the teacher shows all', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga);
  await varga.getByLabel('Each student sees only their own cards until I show all.').check();
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await expect(maya.getByText('You see only your own cards until your teacher shows all.')).toBeVisible();
  await putUp(maya, 'Materials', 'Stone');
  await putUp(ben, 'Materials', 'Steel of Ben');
  await kept(ben);
  await maya.reload();
  await kept(maya);
  await expect(cards(maya, 'Materials')).toHaveText(['Stone']);
  await expect(maya.getByRole('button', { name: /new card/ })).toHaveCount(0);
  const snapshot = await maya.evaluate(async () => {
    const { work, query } = JSON.parse(document.getElementById('page-data').textContent);
    return new TextDecoder('latin1').decode(await (await fetch(`/rooms/${work}/snapshot${query}`)).arrayBuffer());
  });
  expect(snapshot).toContain('Stone');
  expect(snapshot).not.toContain('Steel of Ben');

  // The teacher reads all of them, puts up one for all, and then shows all.
  await varga.getByText('Open the wall').click();
  await expect(varga.getByText('Each student sees only their own cards, and yours.')).toBeVisible();
  await expect(cards(varga, 'Materials')).toHaveText(['Stone', 'Steel of Ben']);
  await putUp(varga, 'Forces', 'Look at this');
  await expect(
    maya
      .locator('.slip-words', { hasText: 'Look at this' })
      .or(maya.getByRole('button', { name: /Show 1 new card/ }).first()),
  ).toBeVisible();
  await varga.getByRole('button', { name: 'Show all cards to everybody' }).click();
  await expect(maya.getByText('You see only your own cards')).toBeHidden();
  await maya.getByRole('button', { name: /^Show 1 new card: Materials/ }).click();
  await expect(cards(maya, 'Materials')).toHaveText(['Stone', 'Steel of Ben']);
  await expect(cards(ben, 'Materials').first()).toBeVisible();
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('what is being typed is not lost when its topic goes, or when the card is taken down meanwhile', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  await putUp(maya, 'Materials', 'Stone');
  await kept(maya);
  await slot(maya, 'Forces').fill('half a thought');
  await maya.getByRole('button', { name: 'Change the card: Stone' }).click();
  await maya.getByLabel('Words of this card').fill('Stone and wood');

  await varga.getByText('Open the wall').click();
  await varga.getByRole('button', { name: 'Change the card: Stone' }).click();
  await varga.getByRole('button', { name: 'Take it down' }).click();
  await expect(maya.getByText('The card that you were changing was taken down.')).toBeVisible();
  await varga.getByText('Taken down (1)').click();
  await varga.getByRole('button', { name: 'Put it back' }).click();
  await maya.getByRole('button', { name: 'Change the card: Stone' }).click();
  await expect(maya.getByLabel('Words of this card')).toHaveValue('Stone and wood');

  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.locator('dialog').getByRole('button', { name: 'Remove' }).nth(1).click();
  await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  await expect(slot(maya, 'Forces')).toHaveCount(0);
  await expect(slot(maya, 'Fits nowhere else')).toHaveValue('half a thought');
  await expect(maya.getByLabel('Words of this card')).toHaveValue('Stone and wood');
});

test('cards that are given are sorted by a class: dragged, by keyboard, on a phone, and whoever wrote one is told', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga);
  await varga.getByLabel('Anybody may move any card to another topic, and whoever wrote it is told.').check();
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  const cara = await student(browser, code, 'Cara', { viewport: { width: 390, height: 844 } });
  await putUp(maya, 'Materials', 'Wind pushes');
  await kept(maya);
  const fresh = ben.getByRole('button', { name: /^Show 1 new card: Materials/ });
  const bens = ben.locator('.slip', { hasText: 'Wind pushes' });
  await expect(fresh.or(bens).first()).toBeVisible();
  if (await fresh.isVisible()) await fresh.click();

  // Dragged with the mouse, once that is here.
  await expect(ben.locator('.slip[data-grip]')).toHaveCount(1);
  await expect(async () => {
    const from = await bens.boundingBox();
    const to = await ben.locator('.stratum', { hasText: 'Forces' }).boundingBox();
    await ben.mouse.move(from.x + 30, from.y + from.height - 12);
    await ben.mouse.down();
    await ben.mouse.move(to.x + to.width / 2, to.y + 40, { steps: 8 });
    await ben.mouse.up();
    await expect(cards(ben, 'Forces')).toHaveText(['Wind pushes'], { timeout: 1_000 });
  }).toPass();
  await expect(maya.getByText('Your card “Wind pushes” was moved to “Forces”.')).toBeVisible();
  await expect(cards(maya, 'Forces')).toHaveText(['Wind pushes']);
  await expect(maya.locator('.slip', { hasText: 'Wind pushes' })).toContainText('was under Materials');
  await expect(bens.getByRole('button', { name: 'Change: Wind pushes' })).toHaveCount(0);

  // By keyboard, and on a phone.
  await bens.getByRole('button', { name: 'Move: Wind pushes' }).press('Enter');
  await expect(bens.getByLabel('Topic')).toBeFocused();
  await bens.getByLabel('Topic').selectOption('Materials');
  await expect(cards(ben, 'Materials')).toHaveText(['Wind pushes']);
  await bens.getByRole('button', { name: 'It is right there' }).press('Enter');
  await expect(bens.getByRole('button', { name: 'Move: Wind pushes' })).toBeFocused();
  const onPhone = cara.locator('.slip', { hasText: 'Wind pushes' });
  const freshOnPhone = cara.getByRole('button', { name: /^Show 1 new card: Materials/ });
  await expect(onPhone.or(freshOnPhone).first()).toBeVisible();
  if (await freshOnPhone.isVisible()) await freshOnPhone.click();
  await onPhone.getByRole('button', { name: 'Move: Wind pushes' }).click();
  await onPhone.getByLabel('Topic').selectOption('Forces');
  await expect(cards(maya, 'Forces')).toHaveText(['Wind pushes']);
  for (const page of [varga, maya, ben, cara]) expect(page.problems).toEqual([]);
});
