// What is put on a page stays on it, and in sight: long words, strokes beyond the edge, and what goes where there is room.
import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher } from './people.mjs';

const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const tool = (page, name) => page.getByRole('button', { name, exact: true });

async function board(browser) {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await kept(maya);
  return maya;
}

/** Where the one mark that is chosen stands, and how large it is, mm. */
async function exactly(page) {
  await tool(page, 'Position and size').click();
  const [x, y, width, height] = await Promise.all(
    ['From the left, mm', 'From the top, mm', 'Width, mm', 'Height, mm'].map(async (label) => Number(await page.getByLabel(label).inputValue())),
  );
  await tool(page, 'Position and size').click();
  return { x, y, width, height };
}

test('a long note at the foot of the page grows upwards, a very long one gets wider, and neither leaves the page', async ({ browser }) => {
  const maya = await board(browser);
  const box = await maya.locator('[data-surface]').boundingBox();
  for (const [words, across] of [['The deck carries the road. '.repeat(12), 0.5], ['The deck carries the road. '.repeat(120), 0.28]]) {
    const count = await marks(maya).count();
    await tool(maya, 'Note').click();
    await maya.mouse.click(box.x + across * box.width, box.y + box.height - 30);
    await maya.keyboard.insertText(words);
    await picture(maya, `note-writing-${count}`);
    // While it is written it is seen whole, too.
    const field = await maya.locator('[data-field]').boundingBox();
    expect(field.y).toBeGreaterThan(box.y);
    expect(field.y + field.height).toBeLessThan(box.y + box.height);
    await maya.keyboard.press('Escape');
    await expect(marks(maya)).toHaveCount(count + 1);
    await marks(maya).last().focus();
    const { x, y, width, height } = await exactly(maya);
    expect(Math.min(x, y)).toBeGreaterThanOrEqual(0);
    expect(x + width).toBeLessThanOrEqual(297.2);
    expect(y + height).toBeLessThanOrEqual(210.2);
    await maya.keyboard.press('Escape');
  }
  await kept(maya);
  await picture(maya, 'note-long');
  expect(maya.problems).toEqual([]);
});

test('a stroke is cut at the edge of the page; what is drawn beside the page alone is not kept', async ({ browser }) => {
  const maya = await board(browser);
  const { x, y, width, height } = await maya.locator('[data-surface]').boundingBox();
  const line = async (from, to) => {
    await maya.mouse.move(x + from[0] * width, y + from[1] * height);
    await maya.mouse.down();
    await maya.mouse.move(x + to[0] * width, y + to[1] * height, { steps: 12 });
    await maya.mouse.up();
  };
  await tool(maya, 'Pen').click();
  await line([0.02, 0.2], [0.02, 0.8]);
  await line([0.03, 0.5], [0.4, 0.5]);
  await expect(marks(maya)).toHaveCount(2);
  await line([0.5, 0.7], [0.99, 0.7]);
  await expect(marks(maya)).toHaveCount(3);
  await kept(maya);
  await tool(maya, 'Choose').click();
  for (const nth of [1, 2]) {
    await marks(maya).nth(nth).focus();
    const mark = await exactly(maya);
    expect(mark.x).toBeGreaterThanOrEqual(-1);
    expect(mark.x + mark.width).toBeLessThanOrEqual(298);
  }
  // Out and in again is one stroke for undo.
  await maya.keyboard.press('Escape');
  await tool(maya, 'Pen').click();
  await maya.mouse.move(x + 0.4 * width, y + 0.3 * height);
  await maya.mouse.down();
  await maya.mouse.move(x + 0.02 * width, y + 0.35 * height, { steps: 12 });
  await maya.mouse.move(x + 0.4 * width, y + 0.4 * height, { steps: 12 });
  await maya.mouse.up();
  await expect(marks(maya)).toHaveCount(5);
  await tool(maya, 'Undo').click();
  await expect(marks(maya)).toHaveCount(3);
  await kept(maya);
  expect(maya.problems).toEqual([]);
});

test('what is written by pressing Write here goes where there is room, and covers nothing', async ({ browser }) => {
  const maya = await board(browser);
  const places = [];
  for (const words of ['One', 'Two', 'Three']) {
    await tool(maya, 'Note').click();
    await tool(maya, 'Write here').press('Enter');
    await maya.keyboard.type(words);
    await maya.keyboard.press('Escape');
    await expect(marks(maya).last()).toContainText(words);
    await marks(maya).last().focus();
    places.push(await exactly(maya));
    await maya.keyboard.press('Escape');
  }
  for (const [i, a] of places.entries())
    for (const b of places.slice(i + 1)) expect(a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y).toBe(true);
  await kept(maya);
  await picture(maya, 'write-here');
  expect(maya.problems).toEqual([]);
});
