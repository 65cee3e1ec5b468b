// On a phone, upright and sideways: the page is the largest thing on the screen, everything is in reach of a finger, and what is written can be read.
import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { design, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const surface = (page) => page.locator('[data-surface]').boundingBox();
const tool = (page, name) => page.getByRole('button', { name, exact: true });

/** With what is held already. */
async function stroke(page) {
  const { x, y, width, height } = await surface(page);
  await page.mouse.move(x + 0.4 * width, y + 0.45 * height);
  await page.mouse.down();
  await page.mouse.move(x + 0.55 * width, y + 0.5 * height, { steps: 6 });
  await page.mouse.up();
}

/** Every button of the ledge that is seen: inside the screen, and as large as a finger needs. */
async function inReach(page, { width, height }) {
  const small = await page.locator('.ledge button:visible, .ledge summary:visible, .sight button:visible').evaluateAll(
    (all, [width, height]) =>
      all
        .filter((b) => b.checkVisibility({ visibilityProperty: true }))
        .map((b) => [b.getAttribute('aria-label') || b.textContent.trim(), b.getBoundingClientRect()])
        .filter(([, r]) => r.width < 43.5 || r.height < 43.5 || r.left < 0 || r.right > width + 0.5 || r.bottom > height + 0.5)
        .map(([name, r]) => `${name}: ${r.width}x${r.height} at ${r.x},${r.y}`),
    [width, height],
  );
  expect(small).toEqual([]);
}

const upright = { width: 390, height: 844 };
const sideways = { width: 844, height: 390 };

for (const [held, viewport] of Object.entries({ upright, sideways })) {
  test(`a phone held ${held}: the page is largest, all pens and colours are in reach, the tools fold away and come back`, async ({ browser }) => {
    const varga = await teacher(browser);
    await design(varga, 'How the arch carries');
    const code = await handOut(varga, { way: 'Everybody together on one board' });
    const maya = await student(browser, code, 'Maya', { viewport, hasTouch: true, isMobile: true });
    await kept(maya);
    await picture(maya, `phone-${held}`);
    expect((await surface(maya)).height).toBeGreaterThan(0.6 * viewport.height);
    await inReach(maya, viewport);
    for (const pen of ['Fine pen', 'Felt tip', 'Highlighter', 'Thin line', 'Middle line', 'Thick line']) await expect(tool(maya, pen)).toBeInViewport({ ratio: 1 });
    for (const colour of await maya.locator('.ledge-colours .swatch').all()) await expect(colour).toBeInViewport({ ratio: 1 });
    await noBarrier(maya);

    await tool(maya, 'Felt tip').tap();
    await tool(maya, 'Fold the tools away').tap();
    await picture(maya, `phone-${held}-away`);
    await inReach(maya, viewport);
    expect((await surface(maya)).height).toBeGreaterThan(0.75 * viewport.height);
    await expect(maya.locator('.ledge-tools')).toBeHidden();
    // What was held is held still.
    await stroke(maya);
    await expect(marks(maya)).toHaveCount(2);
    await expect(tool(maya, 'Hand up')).toBeVisible();
    await maya.getByRole('button', { name: /bring the tools back/ }).tap();
    await expect(tool(maya, 'Felt tip')).toHaveAttribute('aria-pressed', 'true');
    await kept(maya);
    for (const page of [varga, maya]) expect(page.problems).toEqual([]);
  });
}

test('on a phone what is on the page is read as a list, in large letters; what is pressed there is come near to; the page is moved with one finger', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga, 'How the arch carries');
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya', { viewport: upright, hasTouch: true, isMobile: true });
  await writeNote(maya, 'The deck carries it');
  await kept(maya);
  const percent = () => maya.locator('.zoom').evaluate((zoom) => Number(/\d+/.exec(zoom.textContent)[0]));
  await tool(maya, 'Nearer, to read').tap();
  await expect.poll(percent).toBeGreaterThan(150);
  await tool(maya, 'Show the whole page').tap();
  await expect.poll(percent).toBe(100);
  await tool(maya, 'Read what is on the page').tap();
  const list = maya.locator('[data-marks]');
  await expect(list).toBeInViewport({ ratio: 1 });
  expect(await list.evaluate((l) => parseFloat(getComputedStyle(l).fontSize))).toBeGreaterThanOrEqual(18);
  await picture(maya, 'phone-read');
  await noBarrier(maya);
  await marks(maya).filter({ hasText: 'The deck carries it' }).tap();
  await expect.poll(percent).toBeGreaterThan(200);
  await expect(maya.locator('[data-marks][data-open]')).toHaveCount(0);
  await picture(maya, 'phone-near');

  // A finger moves the page and writes nothing, until a tool is taken up.
  await tool(maya, 'Pen').tap();
  await tool(maya, 'Move the page').tap();
  await expect(tool(maya, 'Move the page')).toHaveAttribute('aria-pressed', 'true');
  await stroke(maya);
  await expect(marks(maya)).toHaveCount(2);
  await tool(maya, 'Pen').tap();
  await expect(tool(maya, 'Move the page')).toHaveAttribute('aria-pressed', 'false');
  await stroke(maya);
  await expect(marks(maya)).toHaveCount(3);
  await kept(maya);
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

for (const viewport of [upright, sideways, { width: 1280, height: 800 }]) {
  test(`the bar for what is chosen does not cover it, ${viewport.width} wide`, async ({ browser }) => {
    const varga = await teacher(browser);
    await design(varga);
    const code = await handOut(varga);
    const maya = await student(browser, code, 'Maya', { viewport });
    await writeNote(maya, 'At the foot');
    await kept(maya);
    if (viewport === upright) await tool(maya, 'Nearer, to read').click();
    await expect(marks(maya)).toHaveCount(2);
    await marks(maya).last().focus();
    await picture(maya, `bar-before-${viewport.width}`);
    // Down to the foot of the page, where the bar would be.
    await maya.getByRole('button', { name: 'Position and size' }).click();
    const down = maya.getByLabel('From the top, mm');
    await down.fill('150');
    await down.press('Enter');
    await maya.getByRole('button', { name: 'Position and size' }).click();
    await maya.keyboard.press('Escape');
    await marks(maya).last().focus();
    const bar = maya.locator('.chosen.on-foot');
    await expect(bar).toBeVisible();
    await expect(bar).toHaveAttribute('data-head');
    await picture(maya, `bar-${viewport.width}`);
    await expect(tool(maya, 'Erase').last()).toBeInViewport({ ratio: 1 });
    expect(maya.problems).toEqual([]);
  });
}
