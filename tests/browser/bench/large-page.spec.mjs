// A page with 3,000 strokes: panning and zooming, beside an empty page; rubbing through 500; moving 1,000 at once.
import { expect, test } from '@playwright/test';
import { kept, marks, teacher } from '../specs/people.mjs';

const STROKES = 3_000;
const COLUMNS = 60;
const RUNS = 3;
const STEPS = 30;
const FRAME_MS = 16;
const LONGEST_MS = 100;

/** Wavy strokes of 12 points over the whole page, 297 by 210 mm. */
const inkMl = () => {
  const stroke = (i) => {
    const [x, y] = [6 + (i % COLUMNS) * 4.8, 6 + Math.floor(i / COLUMNS) * 4];
    return Array.from({ length: 12 }, (_, k) => `${(x + k * 0.3).toFixed(2)} ${(y + Math.sin(k)).toFixed(2)}`).join(', ');
  };
  const traces = Array.from({ length: STROKES }, (_, i) => `<trace>${stroke(i)}</trace>`);
  return `<ink xmlns="http://www.w3.org/2003/InkML"><traceFormat><channel name="X" units="mm"/><channel name="Y" units="mm"/></traceFormat>${traces.join('')}</ink>`;
};

const median = (numbers) => numbers.toSorted((a, b) => a - b)[Math.floor(numbers.length / 2)];

/** Main-thread time for each frame of a movement, ms: everything that the page's thread did, painting included. */
async function workPerFrame(page, cdp, move) {
  const frames = [];
  for (let step = 0; step < STEPS; step++) {
    const before = await taskSeconds(cdp);
    await move(step);
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
    frames.push(1000 * ((await taskSeconds(cdp)) - before));
  }
  return frames;
}

async function taskSeconds(cdp) {
  const { metrics } = await cdp.send('Performance.getMetrics');
  return metrics.find((m) => m.name === 'TaskDuration').value;
}

/** The longest that the thread was busy in one go while something was done, ms. */
async function longestTask(page, act) {
  await page.evaluate(() => {
    window.longest = 0;
    window.watcher = new PerformanceObserver((list) => list.getEntries().forEach((e) => (window.longest = Math.max(window.longest, e.duration))));
    window.watcher.observe({ type: 'longtask' });
  });
  await act();
  await page.evaluate(() => new Promise((done) => requestIdleCallback(done)));
  return page.evaluate(() => {
    window.watcher.disconnect();
    return window.longest;
  });
}

test('a page with 3,000 strokes', async ({ browser }) => {
  test.setTimeout(400_000);
  const varga = await teacher(browser);
  await varga.getByRole('button', { name: 'New activity' }).click();
  await kept(varga);
  await varga.getByRole('button', { name: 'New page' }).click();
  await varga.locator('.page-line').first().click();
  await varga.locator('input[type=file][accept*="inkml"]').first().setInputFiles({ name: 'ink.inkml', mimeType: 'application/inkml+xml', buffer: Buffer.from(inkMl()) });
  await expect(marks(varga)).toHaveCount(STROKES, { timeout: 60_000 });
  await kept(varga);

  const cdp = await varga.context().newCDPSession(varga);
  await cdp.send('Performance.enable');
  const box = await varga.locator('[data-surface]').boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const open = async (page) => {
    await varga.locator('.page-line').nth(page).click();
    await varga.getByRole('button', { name: /%$/ }).click();
    await varga.mouse.move(x, y);
    await varga.evaluate(() => new Promise((done) => requestIdleCallback(done)));
  };
  const pan = (step) => varga.mouse.wheel(step % 2 ? 40 : -40, step % 3 ? 25 : -25);
  const zoom = (step) => varga.mouse.wheel(0, step < STEPS / 2 ? -60 : 60);
  for (const [name, move] of Object.entries({ pan, zoom })) {
    const work = [[], []];
    for (let run = 0; run < RUNS; run++) {
      for (const page of [0, 1]) {
        await open(page);
        if (move === zoom) await varga.keyboard.down('Control');
        work[page].push(...(await workPerFrame(varga, cdp, move)));
        await varga.keyboard.up('Control');
      }
    }
    const [full, empty] = work.map(median);
    console.log(`\n${name}: ${full.toFixed(1)} ms of main-thread work a frame, empty page ${empty.toFixed(1)} ms, ratio ${(full / empty).toFixed(1)} (limit ${FRAME_MS} ms)`);
    expect.soft(full).toBeLessThan(FRAME_MS);
  }

  await open(0);
  await varga.getByRole('button', { name: 'Erase' }).click();
  await varga.getByRole('button', { name: 'All of it' }).click();
  const rubbed = await longestTask(varga, async () => {
    await varga.mouse.move(box.x + 60, y - 60);
    await varga.mouse.down();
    for (let row = 0; row < 11; row++) await varga.mouse.move(row % 2 ? box.x + 60 : box.x + box.width - 60, y - 60 + 8 * row, { steps: 20 });
    await varga.mouse.up();
    await kept(varga);
  });
  const left = await marks(varga).count();
  console.log(`\nrubbed out ${STROKES - left} strokes: longest task ${rubbed.toFixed(0)} ms (limit ${LONGEST_MS} ms)`);
  expect(STROKES - left).toBeGreaterThanOrEqual(500);
  expect.soft(rubbed).toBeLessThan(LONGEST_MS);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(marks(varga)).toHaveCount(STROKES);

  await varga.getByRole('button', { name: 'Choose', exact: true }).click();
  const lasso = await longestTask(varga, async () => {
    await varga.mouse.move(box.x + 5, box.y + 5);
    await varga.mouse.down();
    await varga.mouse.move(box.x + box.width - 5, box.y + 5, { steps: 10 });
    await varga.mouse.move(box.x + box.width - 5, box.y + box.height * 0.4, { steps: 10 });
    await varga.mouse.move(box.x + 5, box.y + box.height * 0.4, { steps: 10 });
    await varga.mouse.up();
  });
  const moved = await longestTask(varga, async () => {
    await varga.mouse.move(x, box.y + box.height * 0.25);
    await varga.mouse.down();
    await varga.mouse.move(x + 60, box.y + box.height * 0.3, { steps: 20 });
    await varga.mouse.up();
    await kept(varga);
  });
  await varga.keyboard.press('Delete');
  await kept(varga);
  await expect.poll(() => marks(varga).count()).toBeLessThan(STROKES);
  const chosen = STROKES - (await marks(varga).count());
  console.log(`\nchose ${chosen} strokes: longest task ${lasso.toFixed(0)} ms; moved them: ${moved.toFixed(0)} ms (limit ${LONGEST_MS} ms)`);
  expect(chosen).toBeGreaterThanOrEqual(1_000);
  expect(Math.max(lasso, moved)).toBeLessThan(LONGEST_MS);
});
