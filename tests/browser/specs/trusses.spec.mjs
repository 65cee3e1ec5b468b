// "Triangles in trusses" from nothing, once with the mouse and once by keyboard alone, and each is handed out to a student.
import { expect, test } from '@playwright/test';
import { handOut, kept, marks, student, teacher } from './people.mjs';

const TITLE = 'Triangles in trusses';

const ledge = (page, name) => page.locator('.ledge-tools').getByRole('button', { name, exact: true });
const exact = (page, field) => page.getByLabel(field, { exact: true });

async function whatStudentsGet(browser, varga) {
  const maya = await student(browser, await handOut(varga), 'Maya');
  await expect(maya.getByRole('heading', { name: new RegExp(TITLE) })).toBeVisible();
  await expect(marks(maya)).toHaveText([`Text, printed: ${TITLE}`, 'Isosceles triangle, printed', 'Note, loose: Stiff', /^Zone, printed: Keeps its shape/]);
  await maya.getByRole('button', { name: 'On', exact: true }).click();
  await expect(marks(maya)).toHaveText(['Line, printed']);
  expect([...varga.problems, ...maya.problems]).toEqual([]);
  return maya;
}

test('with the mouse', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await varga.getByRole('button', { name: 'New activity' }).click();
  await kept(varga);
  await varga.getByLabel('Name of the activity').fill(TITLE);
  await varga.getByLabel('Directions for students').fill('Read off the sides and angles.');
  await varga.getByLabel('Squared').click();
  const box = await varga.locator('[data-surface]').boundingBox();
  const at = (x, y) => [box.x + x * box.width, box.y + y * box.height];
  const drag = async (from, to) => {
    await varga.mouse.move(...at(...from));
    await varga.mouse.down();
    await varga.mouse.move(...at(...to), { steps: 6 });
    await varga.mouse.up();
  };
  const figure = async (name, from, to) => {
    await ledge(varga, 'Shape').click();
    await varga.getByRole('button', { name, exact: true }).click();
    await drag(from, to);
  };
  const write = async (words, place) => {
    await varga.mouse.click(...at(...place));
    await varga.keyboard.type(words);
    await varga.mouse.click(...at(0.05, 0.95));
  };

  await ledge(varga, 'Text').click();
  await write(TITLE, [0.1, 0.12]);
  await figure('Isosceles', [0.15, 0.3], [0.45, 0.6]);
  await ledge(varga, 'Choose').click();
  await varga.mouse.click(...at(0.3, 0.6));
  for (const measure of ['Sides', 'Angles']) {
    await varga.getByRole('button', { name: 'Position and size' }).click();
    await varga.getByRole('button', { name: measure, exact: true }).click();
    await expect(varga.getByRole('button', { name: measure, exact: true })).toHaveAttribute('aria-pressed', 'true');
    await varga.getByRole('button', { name: 'Position and size' }).click();
  }
  await varga.getByRole('button', { name: 'Loose', exact: true }).first().click();
  await ledge(varga, 'Note').click();
  await write('Stiff', [0.75, 0.25]);
  await varga.getByRole('button', { name: 'Zone', exact: true }).click();
  await drag([0.55, 0.55], [0.9, 0.85]);
  await varga.locator('[data-zone-name]').fill('Keeps its shape');
  await varga.locator('[data-zone-name]').press('Enter');
  await varga.getByRole('button', { name: 'New page' }).click();
  await varga.getByRole('button', { name: 'Printed', exact: true }).first().click();
  await figure('Line', [0.2, 0.3], [0.6, 0.3]);
  await expect(marks(varga)).toHaveText(['Line, printed']);
  await kept(varga);
  await whatStudentsGet(browser, varga);
});

test('by keyboard alone', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  const press = (name) => varga.getByRole('button', { name, exact: true }).first().press('Enter');
  await press('New activity');
  await kept(varga);
  await varga.getByLabel('Name of the activity').focus();
  await varga.keyboard.type(TITLE);
  await varga.keyboard.press('Tab');
  await varga.keyboard.type('Read off the sides and angles.');
  await varga.getByLabel('Squared').press(' ');
  const put = async (name) => {
    await ledge(varga, 'Shape').press('Enter');
    await press(name);
    await press('Put one here');
  };
  const write = async (tool, words) => {
    await ledge(varga, tool).press('Enter');
    await varga.getByRole('button', { name: 'Write here' }).press('Enter');
    await varga.keyboard.type(words);
    await varga.keyboard.press('Escape');
  };

  await write('Text', TITLE);
  await put('Isosceles');
  await ledge(varga, 'Choose').press('Enter');
  await marks(varga).nth(1).focus();
  await press('Position and size');
  await exact(varga, 'Width, mm').fill('60');
  await varga.keyboard.press('Enter');
  await expect(exact(varga, 'Width, mm')).toHaveValue('60');
  for (const measure of ['Sides', 'Angles']) await press(measure);
  await expect(varga.getByRole('button', { name: 'Angles', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await press('Loose');
  await write('Note', 'Stiff');
  await press('Zone');
  await press('Put one here');
  await varga.locator('[data-zone-name]').fill('Keeps its shape');
  await varga.keyboard.press('Enter');
  await press('New page');
  await press('Printed');
  await put('Line');
  await expect(marks(varga)).toHaveText(['Line, printed']);
  await kept(varga);
  await whatStudentsGet(browser, varga);
});

test('a student writes with a finger, zooms with two, and a resting hand leaves no trace while the pen is in use', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.getByRole('button', { name: 'New activity' }).click();
  await kept(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya', { hasTouch: true, viewport: { width: 820, height: 1180 } });
  const box = await maya.locator('[data-surface]').boundingBox();
  const point = (pointer, x, y) => ({ x: box.x + x, y: box.y + y, ...pointer });
  const cdp = await maya.context().newCDPSession(maya);
  const touch = (type, ...points) => cdp.send('Input.dispatchTouchEvent', { type, touchPoints: points.map(([id, x, y]) => point({ id }, x, y)) });

  await touch('touchStart', [1, 200, 300]);
  for (let i = 1; i <= 5; i++) await touch('touchMove', [1, 200 + 30 * i, 300]);
  await touch('touchEnd');
  await expect(marks(maya)).toHaveText(['Drawing, yours']);

  await touch('touchStart', [1, 300, 500]);
  await touch('touchStart', [1, 300, 500], [2, 400, 500]);
  for (let i = 1; i <= 5; i++) await touch('touchMove', [1, 300 - 20 * i, 500], [2, 400 + 20 * i, 500]);
  await touch('touchEnd');
  await expect(maya.locator('.zoom')).toContainText('300 %');
  await expect(marks(maya)).toHaveCount(1);

  const pen = (type, x, y, buttons) =>
    cdp.send('Input.dispatchMouseEvent', { type, ...point({}, x, y), button: buttons || type === 'mouseReleased' ? 'left' : 'none', buttons, pointerType: 'pen', force: 0.7, clickCount: 1 });
  await pen('mousePressed', 200, 700, 1);
  await touch('touchStart', [1, 500, 900]);
  for (let i = 1; i <= 4; i++) await pen('mouseMoved', 200 + 20 * i, 700, 1);
  await touch('touchMove', [1, 560, 900]);
  await touch('touchEnd');
  await pen('mouseReleased', 280, 700, 0);
  await expect(marks(maya)).toHaveText(['Drawing, yours', 'Drawing, yours']);
  await kept(maya);
});
