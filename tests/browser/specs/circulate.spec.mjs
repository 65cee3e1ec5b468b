import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, student, teacher } from './people.mjs';

const tile = (page, name) => page.locator('.tile', { hasText: name });
const cell = (page, name, nth) => page.getByRole('row', { name: new RegExp(name) }).getByRole('cell').nth(nth);

async function classOf(browser, names, pages = 1) {
  const varga = await teacher(browser);
  await design(varga);
  for (let page = 1; page < pages; page++) await varga.getByRole('button', { name: 'New page', exact: true }).click();
  await kept(varga);
  const code = await handOut(varga);
  const students = [];
  for (const name of names) students.push(await student(browser, code, name));
  return { varga, students };
}

test('boards use the whole room, come nearer and go farther by key, are found by name, and no signal covers the work', async ({ browser }) => {
  const { varga, students } = await classOf(browser, ['Maya', 'Ben', 'Oona']);
  await expect(varga.locator('.tile')).toHaveCount(3);
  const widthOf = async (name) => Math.round((await tile(varga, name).boundingBox()).width);
  const whole = await widthOf('Maya');
  const room = await varga.locator('[data-boards]').boundingBox();
  // One more in a row would be smaller; one fewer would be cut.
  expect(3 * whole + 60).toBeGreaterThan(room.width);
  await varga.keyboard.press('-');
  await expect.poll(() => widthOf('Maya')).toBeLessThan(whole);
  const farther = await widthOf('Maya');
  await varga.reload();
  await expect.poll(() => widthOf('Maya')).toBe(farther);
  await varga.keyboard.press('+');
  await expect.poll(() => widthOf('Maya')).toBe(whole);
  await varga.getByRole('button', { name: 'Larger boards' }).click();
  await expect.poll(() => widthOf('Maya')).toBeGreaterThan(whole);
  await varga.keyboard.press('+');
  await expect(varga.getByRole('button', { name: 'Larger boards' })).toBeDisabled();
  for (let step = 0; step < 2; step++) await varga.keyboard.press('-');
  await expect.poll(() => widthOf('Maya')).toBe(whole);

  // On a tablet held upright the page scrolls as a whole.
  await varga.setViewportSize({ width: 820, height: 1180 });
  await expect.poll(() => widthOf('Maya')).toBeLessThan(500);
  const held = await widthOf('Maya');
  expect(held).toBeGreaterThan(300);
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/circulate-tablet.png' });
  await varga.setViewportSize({ width: 1280, height: 800 });
  await expect.poll(() => widthOf('Maya')).toBe(whole);

  // A signal stands under the board, and nothing moves.
  const before = await tile(varga, 'Ben').boundingBox();
  await students[1].getByRole('button', { name: 'Hand up' }).click();
  const signal = tile(varga, 'Ben').getByText('Hand up');
  await expect(signal).toBeVisible();
  expect(await tile(varga, 'Ben').boundingBox()).toEqual(before);
  const canvas = await tile(varga, 'Ben').locator('canvas').boundingBox();
  expect((await signal.boundingBox()).y).toBeGreaterThanOrEqual(canvas.y + canvas.height - 1);

  await varga.keyboard.press('/');
  await varga.keyboard.type('oo');
  await expect(varga.locator('.tile:visible strong')).toHaveText(['Oona']);
  await varga.keyboard.press('Enter');
  await expect(varga.getByRole('heading', { name: 'Board of Oona' })).toBeVisible();
  for (const page of [varga, ...students]) expect(page.problems).toEqual([]);
});

test('a table of students and pages says where each has begun, goes on, is, or has not been; also after a reload', async ({ browser }) => {
  const { varga, students } = await classOf(browser, ['Maya', 'Ben'], 2);
  const [maya, ben] = students;
  await varga.getByLabel('View').selectOption('Table');
  await expect(cell(varga, 'Maya', 0)).toContainText('untouched');
  await expect(cell(varga, 'Maya', 1)).toContainText('untouched');
  await draw(maya);
  await expect(cell(varga, 'Maya', 0)).toContainText('goes on');
  await expect(cell(varga, 'Maya', 0).locator('path')).toHaveAttribute('d', /L19 7/);
  await expect(cell(varga, 'Maya', 0).getByText('is here')).toBeVisible();
  await ben.getByRole('button', { name: 'On', exact: true }).click();
  await expect(cell(varga, 'Ben', 1).getByText('is here')).toBeVisible();
  await expect(cell(varga, 'Ben', 0).getByText('is here')).toBeHidden();
  await draw(ben);
  await kept(ben);
  await expect(cell(varga, 'Ben', 1)).toContainText('goes on');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/table.png' });
  await varga.reload();
  await expect(cell(varga, 'Ben', 1)).toContainText('goes on');
  await expect(cell(varga, 'Ben', 0)).toContainText('untouched');
  await varga.getByLabel('View').selectOption('As they came');
  await expect(tile(varga, 'Ben')).toContainText('page 2');
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
