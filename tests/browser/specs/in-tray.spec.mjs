// One list of all that waits for the teacher, over all lessons: gone through and decided by key, many at once, by two teachers.
import { expect, test } from '@playwright/test';
import { design, designWall, handOut, kept, lookFirst, student, teacher, writeNote } from './people.mjs';

const slot = (page, topic) => page.getByLabel(`Write here, under ${topic}`, { exact: true });
const rows = (page) => page.locator('[data-things] li');
const said = (page) => page.locator('.slip-words');

async function putUp(page, topic, words) {
  await slot(page, topic).fill(words);
  await slot(page, topic).press('Control+Enter');
  await expect(page.locator('.slip').filter({ hasText: words })).toContainText('Waits for your teacher');
}

async function wall(varga, name) {
  await designWall(varga, name, ['Materials', 'Forces']);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  await lookFirst(varga);
  return code;
}

test('what waits in two lessons is one list, longest first; keys add, return with a word and leave off, and go on to the next', async ({ browser }) => {
  const varga = await teacher(browser);
  const bridges = await wall(varga, 'Bridge questions');
  const circulate = varga.url();
  const maya = await student(browser, bridges, 'Maya');
  const ben = await student(browser, bridges, 'Ben');
  await putUp(maya, 'Materials', 'Stone is best');
  await putUp(ben, 'Forces', 'Ben was here');
  await varga.goto('/desk');
  const towers = await wall(varga, 'Towers');
  const cleo = await student(browser, towers, 'Cleo');
  await putUp(cleo, 'Materials', 'Towers sway');
  await expect(varga.locator('[data-tray-count]')).toHaveText('3', { timeout: 30_000 });
  await varga.getByRole('link', { name: 'In-tray' }).click();
  await expect(varga.getByRole('status').filter({ hasText: '3 wait' })).toBeVisible();
  await expect(rows(varga)).toContainText(['Stone is best', 'Ben was here', 'Towers sway']);
  const thing = varga.getByLabel('What is looked at');
  await expect(thing.getByRole('heading', { name: 'Maya' })).toBeVisible();
  await expect(thing).toContainText('Card · Materials');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/tray.png' });

  await test.step('returned with a word, mended, and it comes again with what was said', async () => {
    await varga.keyboard.press('r');
    await varga.keyboard.type('Best for what?');
    await varga.keyboard.press('Enter');
    await expect(varga.getByText('Returned to Maya.')).toBeVisible();
    await expect(thing.getByRole('heading', { name: 'Ben' })).toBeVisible();
    await expect(maya.locator('.slip')).toContainText('Your teacher says: Best for what?');
    await maya.getByRole('button', { name: /^Change the card/ }).click();
    await maya.getByLabel('Words of this card').fill('Stone is best against pushing');
    await maya.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(rows(varga)).toHaveCount(3);
  });

  await test.step('left off and added', async () => {
    await varga.keyboard.press('Escape');
    await rows(varga).filter({ hasText: 'Ben was here' }).getByRole('button').click();
    await thing.getByLabel('Words for who wrote it').fill('Not about the bridge');
    await varga.keyboard.press('Escape');
    await varga.keyboard.press('l');
    await expect(ben.getByText('Your teacher left something of yours off: Not about the bridge')).toBeVisible();
    await expect(rows(varga)).toHaveCount(2);
    await rows(varga).filter({ hasText: 'against pushing' }).getByRole('button').click();
    await expect(thing).toContainText('Returned with: Best for what?');
    if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/tray-again.png' });
    await varga.keyboard.press('a');
    await expect(varga.getByText('Added: what Maya did.')).toBeVisible();
    await ben.getByRole('button', { name: 'Show 1 new card', exact: true }).click();
    await expect(said(ben)).toHaveText(['Stone is best against pushing']);
    await kept(maya);
  });

  await test.step('of one lesson alone', async () => {
    await putUp(ben, 'Forces', 'Wind pushes');
    await varga.goto(`/tray?lesson=${/lesson\/([^?]+)/.exec(circulate)[1]}`);
    await expect(rows(varga)).toContainText(['Wind pushes']);
    await varga.setViewportSize({ width: 390, height: 844 });
    if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/tray-phone.png' });
  });
  for (const page of [varga, maya, ben, cleo]) expect(page.problems).toEqual([]);
});

test('all by one person are decided at once; another teacher who was slower is told; without a network nothing is said to be decided', async ({ browser }) => {
  const varga = await teacher(browser);
  const code = await wall(varga, 'Bridge questions');
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await putUp(maya, 'Materials', 'one');
  await putUp(ben, 'Materials', 'two');
  await putUp(maya, 'Forces', 'three');
  await varga.goto('/tray');
  await expect(rows(varga)).toContainText(['one', 'two', 'three']);
  await varga.getByLabel('By person').check();
  await expect(rows(varga)).toContainText(['one', 'three', 'two']);
  const slower = await varga.context().newPage();
  await slower.goto('/tray');
  await expect(rows(slower)).toHaveCount(3);
  await slower.context().setOffline(true);
  await slower.getByRole('button', { name: 'Choose all by Maya' }).click();
  await slower.getByRole('button', { name: /^Add/ }).click();
  await expect(slower.getByText('there is no connection')).toBeVisible();
  await expect(rows(slower)).toHaveCount(3);

  // The slower one sees what was there before the other decided, and presses in that moment.
  let answered;
  const held = new Promise((done) => (answered = done));
  await slower.route('**/tray/things*', async (route) => {
    await held;
    await route.continue();
  });
  await slower.context().setOffline(false);
  await varga.locator('body').press('s');
  await expect(varga.getByText('2 chosen')).toBeVisible();
  await varga.locator('body').press('a');
  await expect(varga.getByText('Added: 2.')).toBeVisible();
  await expect(rows(varga)).toContainText(['two']);
  await slower.getByRole('button', { name: /^Add/ }).click();
  await expect(slower.getByText('2 were decided in the meantime, by another teacher or by taking them back.')).toBeVisible();
  answered();
  await expect(rows(slower)).toHaveCount(1);
  await ben.getByRole('button', { name: 'Show 2 new cards', exact: true }).click();
  await kept(maya);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('what a card shows and what is drawn on a board is looked at before it is decided, and blurred until it is pressed if that is wished', async ({ browser }) => {
  const varga = await teacher(browser);
  const code = await wall(varga, 'Bridge questions');
  const maya = await student(browser, code, 'Maya');
  await slot(maya, 'Materials').fill('Our bridge');
  await maya.locator('.slot').filter({ has: slot(maya, 'Materials') }).locator('summary').click();
  await maya.getByRole('button', { name: 'Picture from this device', exact: true }).click();
  await maya.locator('[data-attach]').setInputFiles({ name: 'bridge.png', mimeType: 'image/png', buffer: await maya.locator('.ledge').screenshot() });
  await expect(maya.getByLabel('What does it show?')).toHaveValue('bridge');
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await expect(maya.locator('.slip').filter({ hasText: 'Our bridge' })).toContainText('Waits for your teacher');
  await varga.goto('/desk');
  await design(varga);
  const shared = await handOut(varga, { way: 'Everybody together on one board' });
  await lookFirst(varga);
  const cleo = await student(browser, shared, 'Cleo');
  await writeNote(cleo, 'Arches push');
  await expect(cleo.locator('.kept')).toContainText('Your teacher looks at it');

  await varga.goto('/tray');
  await expect(rows(varga)).toHaveCount(2);
  const picture = varga.locator('.tray-picture');
  const look = varga.getByRole('button', { name: 'Look at the picture' });
  await expect.poll(() => picture.locator('img').evaluate((i) => i.naturalWidth)).toBeGreaterThan(0);
  await varga.getByLabel('Blur pictures until I press them').check();
  await expect(picture).toHaveAttribute('data-blurred', 'true');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/tray-blurred.png' });
  await look.click();
  await expect(picture).not.toHaveAttribute('data-blurred', 'true');
  await rows(varga).filter({ hasText: 'Arches push' }).getByRole('button').click();
  await expect(picture).toHaveAttribute('data-blurred', 'true');
  await expect.poll(() => picture.locator('canvas').evaluate((c) => c.width)).toBeGreaterThan(0);
  await look.click();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/tray-drawn.png' });
  await varga.locator('body').press('a');
  await expect(varga.getByText('Added: what Cleo did.')).toBeVisible();
  await kept(cleo);
  for (const page of [varga, maya, cleo]) expect(page.problems).toEqual([]);
});

test('what was decided too quickly is taken back, by key and on a phone, and nothing is lost', async ({ browser }) => {
  const varga = await teacher(browser, { viewport: { width: 390, height: 844 } });
  const code = await wall(varga, 'Bridge questions');
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await putUp(maya, 'Materials', 'Stone is best');
  await putUp(ben, 'Forces', 'Ben was here');
  // What waits is counted on the wall, too.
  await varga.getByRole('link', { name: 'Open the wall' }).click();
  await expect(varga.locator('[data-tray-count]')).toHaveText('2', { timeout: 30_000 });
  await varga.getByRole('link', { name: /^In-tray/ }).click();
  await expect(rows(varga)).toHaveCount(2);

  await rows(varga).filter({ hasText: 'Ben was here' }).getByRole('button').click();
  await varga.keyboard.press('l');
  await expect(varga.getByText('Left off: what Ben did.')).toBeVisible();
  await expect(rows(varga)).toHaveCount(1);
  await varga.keyboard.press('u');
  await expect(varga.getByText(/^Taken back/)).toBeVisible();
  await expect(rows(varga)).toHaveCount(2);
  await expect(ben.locator('.kept')).toContainText('Your teacher looks at it before others see it (1)');

  await rows(varga).filter({ hasText: 'Stone is best' }).getByRole('button').click();
  await varga.keyboard.press('a');
  await maya.bringToFront();
  await expect(said(maya)).toContainText(['Stone is best']);
  await kept(maya);
  await varga.bringToFront();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/tray-undo-phone.png' });
  await varga.getByRole('button', { name: /^Undo/ }).click();
  await expect(varga.getByText(/^Taken back/)).toBeVisible();
  await expect(varga.getByRole('button', { name: /^Undo/ })).toBeHidden();
  await expect(maya.locator('.taken-down, [data-down]').filter({ hasText: 'Stone is best' }).first()).toBeVisible();
  await expect(rows(varga)).toHaveCount(1);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
