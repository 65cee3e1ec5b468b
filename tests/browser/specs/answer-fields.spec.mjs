// Places on a page where students type: drawn and named by a teacher, tabbed through and typed into by students.
import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher } from './people.mjs';

const field = (page, name) => page.getByRole('textbox', { name });

async function drag(page, from, to) {
  const box = await page.locator('[data-surface]').boundingBox();
  const at = ([x, y]) => [box.x + x * box.width, box.y + y * box.height];
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at(to), { steps: 4 });
  await page.mouse.up();
}

/** Two fields one below the other, and a third without a name at the right. */
async function designFields(varga) {
  await design(varga);
  for (const [from, to, name] of [
    [[0.3, 0.3], [0.6, 0.4], 'What pushes back?'],
    [[0.3, 0.5], [0.6, 0.6], 'What is pulled?'],
  ]) {
    await varga.getByRole('button', { name: 'Answer field', exact: true }).click();
    await drag(varga, from, to);
    await varga.getByLabel('What is asked for').fill(name);
    await varga.keyboard.press('Tab');
    await expect(marks(varga).last()).toHaveText(`Answer field, printed: ${name}`);
  }
  await kept(varga);
}

test('a student goes from field to field by the Tab key, types, and finds it all again; the teacher reads it', async ({ browser }) => {
  const varga = await teacher(browser);
  await designFields(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await expect(varga.getByText('Students type into the answer fields (2)')).toBeVisible();
  await varga.goBack();
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await field(maya, 'What pushes back?').focus();
  await maya.keyboard.type('the ground');
  await maya.keyboard.press('Tab');
  await expect(field(maya, 'What is pulled?')).toBeFocused();
  await maya.keyboard.type('the lower chord');
  // It is sent while she thinks, too.
  await expect(marks(maya).last()).toHaveText('Answer, yours: the lower chord');
  await maya.keyboard.type(' and the hangers');
  await maya.keyboard.press('Shift+Tab');
  await expect(field(maya, 'What pushes back?')).toBeFocused();
  await kept(maya);
  await expect(marks(maya)).toHaveText([
    /^Text, printed/,
    'Answer field, printed: What pushes back?',
    'Answer field, printed: What is pulled?',
    'Answer, yours: the ground',
    'Answer, yours: the lower chord and the hangers',
  ]);

  await maya.reload();
  await expect(field(maya, 'What is pulled?')).toHaveValue('the lower chord and the hangers');
  await field(maya, 'What is pulled?').focus();
  await maya.keyboard.press('Control+a');
  await maya.keyboard.press('Delete');
  await maya.keyboard.press('Tab');
  await expect(marks(maya)).toHaveCount(4);
  await expect(field(maya, 'What is pulled?')).toHaveAttribute('placeholder', 'Type here');
  await maya.getByRole('button', { name: 'Undo' }).click();
  await expect(field(maya, 'What is pulled?')).toHaveValue('the lower chord and the hangers');

  await varga.locator('.tile').first().click();
  await expect(field(varga, /What pushes back\?, by Maya/)).toHaveValue('the ground');
  expect(maya.problems).toEqual([]);
});

test('an answer grows downwards with what is typed, and gets smaller before it would cover what stands below', async ({ browser }) => {
  const varga = await teacher(browser);
  await designFields(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  const first = field(maya, 'What pushes back?');
  const second = await field(maya, 'What is pulled?').boundingBox();
  const before = await first.boundingBox();
  const size = () => first.evaluate((e) => Number.parseFloat(e.style.fontSize));
  await first.focus();
  await maya.keyboard.type('the ground, and the abutment, ');
  const large = await size();
  await maya.keyboard.insertText('which stands in the ground and is pushed by the arch from the other side, '.repeat(4));
  await expect.poll(async () => (await first.boundingBox()).height).toBeGreaterThan(before.height);
  const after = await first.boundingBox();
  expect(after.y + after.height).toBeLessThan(second.y);
  expect(await size()).toBeLessThan(large);
  expect(await first.evaluate((e) => e.scrollHeight <= e.clientHeight + 2)).toBe(true);
});

test('a field has one answer: a classmate of the group reads it and whose it is, and writes elsewhere', async ({ browser }) => {
  const varga = await teacher(browser);
  await designFields(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await field(maya, 'What pushes back?').focus();
  await maya.keyboard.type('the ground');
  await maya.keyboard.press('Escape');
  await kept(maya);
  const seen = field(ben, 'What pushes back?, by Maya');
  await expect(seen).toHaveValue('the ground');
  await expect(seen).toHaveJSProperty('readOnly', true);

  // Both at once: what came second is not lost.
  await ben.context().setOffline(true);
  await field(ben, 'What is pulled?').focus();
  await ben.keyboard.type('the cables');
  await ben.keyboard.press('Escape');
  await field(maya, 'What is pulled?').focus();
  await maya.keyboard.type('the deck');
  await maya.keyboard.press('Escape');
  await kept(maya);
  await ben.context().setOffline(false);
  await expect(ben.getByText('Somebody has answered here already.')).toBeVisible();
  await expect(ben.locator('[data-field]')).toHaveValue('the cables');
  await expect(field(ben, 'What is pulled?, by Maya')).toHaveValue('the deck');
});

test('on a phone a press opens a field whatever tool is held, and a hand that draws draws', async ({ browser }) => {
  const varga = await teacher(browser);
  await designFields(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya', { viewport: { width: 390, height: 844 }, hasTouch: true });
  const first = field(maya, 'What pushes back?');
  const box = await first.boundingBox();
  await maya.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
  await expect(first).toBeFocused();
  await expect.poll(() => first.evaluate((e) => Number.parseFloat(e.style.fontSize))).toBeGreaterThan(11.9);
  await maya.keyboard.type('the ground');
  await maya.keyboard.press('Escape');
  await expect(marks(maya).last()).toHaveText('Answer, yours: the ground');
  await maya.getByRole('button', { name: 'Whole page' }).click();
  const there = await field(maya, 'What is pulled?').boundingBox();
  await maya.mouse.move(there.x + 10, there.y + there.height / 2);
  await maya.mouse.down();
  await maya.mouse.move(there.x + there.width - 10, there.y + there.height / 2, { steps: 5 });
  await maya.mouse.up();
  await expect(marks(maya).last()).toHaveText('Drawing, yours');
  await kept(maya);
});

test('what was typed without a network is kept when it is back, and while pens are down nothing can be typed', async ({ browser }) => {
  const varga = await teacher(browser);
  await designFields(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  await expect(field(maya, 'What pushes back?')).toBeAttached();
  await maya.context().setOffline(true);
  await field(maya, 'What pushes back?').focus();
  await maya.keyboard.type('the ground');
  await maya.keyboard.press('Tab');
  await maya.context().setOffline(false);
  await kept(maya);
  await varga.getByRole('button', { name: 'Pens down' }).click();
  await expect(field(maya, 'What is pulled?')).toHaveJSProperty('readOnly', true);
  await varga.getByRole('button', { name: 'Pens up' }).click();
  await expect(field(maya, 'What is pulled?')).toHaveJSProperty('readOnly', false);
  await expect(field(maya, 'What pushes back?')).toHaveValue('the ground');
});

/** What was typed an instant ago, and not sent yet. */
async function typeJustNow(input, words) {
  await input.focus();
  await input.evaluate((e, text) => (e.value = text), words);
}

test('whoever is still typing when somebody else has answered keeps the words, and so does whoever is stopped or turned to another page', async ({ browser }) => {
  const varga = await teacher(browser);
  await designFields(varga);
  await varga.getByRole('button', { name: 'New page' }).click();
  await expect(varga.locator('.page-line')).toHaveCount(2);
  await kept(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await typeJustNow(field(ben, 'What pushes back?'), 'the cables');
  await field(maya, 'What pushes back?').focus();
  await maya.keyboard.type('the ground');
  await maya.keyboard.press('Escape');
  await expect(ben.getByText('Somebody has answered here already.')).toBeVisible();
  await expect(ben.locator('[data-field]')).toHaveValue('the cables');
  await expect(field(ben, 'What pushes back?, by Maya')).toHaveValue('the ground');
  await ben.keyboard.press('Escape');
  await expect(marks(ben).last()).toHaveText('Text, yours: the cables');

  // The page is turned under the hand: what was typed stays with its field.
  const second = field(maya, 'What is pulled?');
  await typeJustNow(second, 'the deck');
  await maya.getByRole('button', { name: 'On', exact: true }).dispatchEvent('click');
  await expect(second).toHaveCount(0);
  await kept(maya);
  await maya.getByRole('button', { name: 'Back', exact: true }).dispatchEvent('click');
  await expect(second).toHaveValue('the deck');

  // Pens go down in the middle of a word: the teacher has it to decide on.
  await typeJustNow(second, 'the deck and the chords');
  await varga.getByRole('button', { name: 'Pens down' }).click();
  await expect(second).toHaveJSProperty('readOnly', true);
  await maya.keyboard.press('Escape');
  await expect(marks(maya).filter({ hasText: 'the deck and the chords' })).toHaveCount(1);
});
