import AxeBuilder from '@axe-core/playwright';
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const dist = '../../src/Yardang.Web/wwwroot/dist';

for (const colorScheme of ['light', 'dark']) {
  test(`no barrier that axe can find, ${colorScheme}`, async ({ browser }) => {
    test.slow();
    const check = async (page, where) => {
      const { violations } = await new AxeBuilder({ page }).analyze();
      const found = violations.map((v) => `${where}: ${v.id} at ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
      expect.soft(found).toEqual([]);
    };
    const varga = await teacher(browser, { colorScheme });
    await check(varga, 'desk, empty');
    await design(varga);
    await check(varga, 'workshop');
    await varga.getByRole('link', { name: 'Hand out' }).click();
    await check(varga, 'hand out');
    await varga.goBack();
    const code = await handOut(varga);
    await check(varga, 'circulate, empty');
    const maya = await student(browser, code, 'Maya', { colorScheme });
    await writeNote(maya, 'An arch squeezes');
    await maya.getByRole('button', { name: 'Hand up' }).click();
    await maya.getByRole('button', { name: 'Directions' }).click();
    await check(maya, 'board');
    await expect(varga.locator('.needs li')).toHaveCount(1);
    await check(varga, 'circulate');
    const lesson = varga.url();
    await varga.goto(`${lesson}/code`);
    await check(varga, 'code');
    for (const [place, where] of [['late', 'hand out more'], ['times', 'times']]) {
      await varga.goto(`${lesson}/${place}`);
      await check(varga, where);
    }
    await varga.goto(lesson.replace('/lesson/', '/helpers/'));
    await check(varga, 'other teachers');
    await varga.goto('/account');
    await check(varga, 'account');
    await varga.goto('/start');
    await check(varga, 'start at once');
    await varga.goto(`${lesson}/people`);
    await varga.locator('.person').click();
    await check(varga, 'people');
    await varga.getByRole('button', { name: 'Make them a group' }).click();
    await expect(varga.locator('.group')).toHaveCount(2);
    await varga.getByLabel('They may look at my own board').check();
    await check(varga, 'groups');
    await expect(maya.getByRole('heading', { name: /Group 1/ })).toBeVisible();
    await kept(maya);
    await maya.getByRole('button', { name: 'My key' }).click();
    await check(maya, 'key');
    await maya.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await maya.getByRole('link', { name: 'Other boards' }).click();
    await check(maya, 'other boards');
    await maya.getByRole('link', { name: "Your teacher's board" }).click();
    await expect(maya.locator('.kept')).toContainText('You are looking');
    await check(maya, 'looking');
    await varga.locator('.person').first().click();
    await varga.getByRole('button', { name: 'Take out of the lesson' }).first().click();
    await check(varga, 'taking somebody out');
    await varga.getByRole('dialog').getByRole('button', { name: 'Take out of the lesson' }).click();
    await expect(maya.getByRole('button', { name: 'Ask to come in' })).toBeVisible();
    await check(maya, 'taken out');
    await maya.getByRole('button', { name: 'Ask to come in' }).click();
    await expect(maya.getByText('This page goes on by itself.')).toBeVisible();
    await check(maya, 'at the door');
    await varga.goto('/desk');
    await check(varga, 'desk');
    await varga.goto('/classes');
    await varga.getByLabel('Name of the class').fill('7 Amber');
    await varga.getByLabel('People, a line for each').fill('7, Amara Nwosu\n8');
    await check(varga, 'class lists');
    await varga.getByRole('button', { name: 'Keep the list' }).click();
    await expect(varga.getByRole('heading', { name: '2 people' })).toBeVisible();
    await check(varga, 'class list');
    await varga.goto('/dev/parts');
    await check(varga, 'parts');
    await varga.goto('/nowhere');
    await check(varga, 'not here');
    const visitor = await (await browser.newContext({ colorScheme })).newPage();
    for (const [path, name] of [['/', 'front door'], [`/join/${code}`, 'join'], ['/sign-in', 'sign in'], ['/sign-up', 'sign up']]) {
      await visitor.goto(path);
      await check(visitor, name);
    }
  });
}

for (const colorScheme of ['light', 'dark']) {
  test(`no barrier in drawers, dialogs and on the shelf, ${colorScheme}`, async ({ browser }) => {
    test.slow();
    const varga = await teacher(browser, { colorScheme });
    const check = async (where) => {
      const { violations } = await new AxeBuilder({ page: varga }).analyze();
      const found = violations.map((v) => `${where}: ${v.id} at ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
      expect.soft(found).toEqual([]);
    };
    await varga.goto('/new');
    await check('templates');
    await varga.getByRole('button', { name: 'Begin with Compare two things' }).click();
    await kept(varga);
    await varga.getByRole('button', { name: /^Fill in \(/ }).click();
    await check('places to fill in');
    await varga.getByRole('dialog').getByRole('button', { name: 'Leave it' }).click();
    await varga.getByRole('button', { name: 'Organizers' }).click();
    await varga.getByRole('button', { name: 'Timeline' }).click();
    await check('organizers');
    await varga.getByRole('dialog').getByRole('button', { name: 'Leave it' }).click();
    await varga.locator('.ledge-tools').getByRole('button', { name: 'Picture', exact: true }).click();
    await check('stamps');
    await varga.getByRole('button', { name: 'Find a drawing' }).click();
    await expect(varga.getByRole('button', { name: /^Keystone/ })).toBeVisible();
    await check('drawings');
    await varga.getByRole('dialog').getByRole('button', { name: 'Leave it' }).click();
    await varga.locator('.ledge-tools').getByRole('button', { name: 'Text', exact: true }).click();
    await varga.getByRole('button', { name: 'Formula' }).click();
    await check('formula');
    await varga.getByRole('dialog').getByRole('button', { name: 'Leave it' }).click();
    await varga.keyboard.press('c');
    await marks(varga).filter({ hasText: 'Zone' }).first().focus();
    await varga.getByRole('button', { name: 'Position and size' }).click();
    await check('zone');
    await varga.getByRole('link', { name: 'Versions' }).click();
    await check('versions');
    await varga.goto('/desk');
    await varga.getByText('More', { exact: true }).click();
    await check('desk with its menu');
    await varga.goto('/desk?bin=true');
    await check('bin');
  });
}

test('a student writes, moves, changes and rubs out by keyboard alone', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await writeNote(maya, 'first');
  const note = marks(maya).last();
  await expect(note).toHaveText('Note, yours: first');
  await note.focus();
  await expect(maya.locator('[data-marks]')).toBeVisible();
  await note.press('ArrowRight');
  await note.press('Enter');
  await maya.keyboard.press('Control+A');
  await maya.keyboard.type('second');
  await maya.keyboard.press('Escape');
  await expect(marks(maya).last()).toHaveText('Note, yours: second');
  await marks(maya).first().focus();
  await marks(maya).first().press('Delete');
  await expect(marks(maya)).toHaveCount(2);
  await marks(maya).last().focus();
  await marks(maya).last().press('Delete');
  await expect(marks(maya)).toHaveCount(1);
  await maya.keyboard.press('Control+Z');
  await expect(marks(maya)).toHaveCount(2);
  await maya.getByRole('button', { name: 'Hand up' }).press('Enter');
  await expect(varga.locator('.needs li strong')).toHaveText(['Maya']);
});

/** Bytes, gzipped, of what a page loads before anything is pressed: its script with all that it needs, and the styles. */
function weightOf(entry, styles) {
  const needed = new Set();
  const need = (file) => {
    if (needed.has(file)) return;
    needed.add(file);
    const found = readFileSync(`${dist}/${file}`, 'utf8').matchAll(/(?:from|import)\s*"\.\/([^"]+)"/g);
    for (const [, other] of found) need(other);
  };
  need(entry);
  // Where a script's map is found is said in builds for developers only.
  const shipped = (file) => readFileSync(`${dist}/${file}`, 'utf8').replace(/\n\/\/# sourceMappingURL=.*\n?$/, '');
  return [...needed, 'app.css', ...styles].reduce((sum, file) => sum + gzipSync(shipped(file)).length, 0);
}

test('a student’s board, and circulate, load at most 145 kB of script and style, a wall at most 117 kB', async () => {
  for (const [entry, most, ...styles] of [['board.js', 145_000, 'chosen.css'], ['wall.js', 117_000], ['circulate.js', 145_000, 'circulate.css']]) {
    expect(weightOf(entry, styles)).toBeLessThan(most);
    expect(weightOf(entry, styles)).toBeGreaterThan(10_000);
  }
});

test('two fingers zoom and write nothing; one finger writes', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya', { viewport: { width: 820, height: 1180 }, hasTouch: true, isMobile: true });
  await maya.getByRole('button', { name: 'Pen', exact: true }).tap();
  const touch = await maya.context().newCDPSession(maya);
  const send = (type, ...points) =>
    touch.send('Input.dispatchTouchEvent', { type, touchPoints: points.map(([x, y], id) => ({ x, y, id, force: 0.5 })) });
  await send('touchStart', [300, 500]);
  for (let i = 1; i <= 10; i++) await send('touchMove', [300 + 10 * i, 500]);
  await send('touchEnd');
  await expect(marks(maya)).toHaveCount(2);
  await send('touchStart', [300, 500], [400, 500]);
  for (let i = 1; i <= 10; i++) await send('touchMove', [300 - 8 * i, 500], [400 + 8 * i, 500]);
  await send('touchEnd');
  await expect(maya.locator('.zoom')).toContainText(/(1[1-9]\d|[2-8]\d\d) %/);
  await expect(marks(maya)).toHaveCount(2);
});

test('rubbing out a part leaves the rest of the stroke', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await draw(maya, [0.3, 0.3], [0.7, 0.3]);
  const box = await maya.locator('[data-surface]').boundingBox();
  const dark = (x) =>
    maya.locator('.surface-layer').first().evaluate((canvas, at) => {
      const ratio = canvas.width / canvas.clientWidth;
      const { data } = canvas.getContext('2d').getImageData(at[0] * ratio, at[1] * ratio - 6, 1, 12);
      return data.some((v, i) => i % 4 === 0 && v < 170);
    }, [x * box.width, 0.3 * box.height]);
  await expect.poll(() => dark(0.5)).toBe(true);
  await maya.getByRole('button', { name: 'Erase' }).click();
  await maya.mouse.move(box.x + 0.5 * box.width, box.y + 0.25 * box.height);
  await maya.mouse.down();
  await maya.mouse.move(box.x + 0.5 * box.width, box.y + 0.35 * box.height, { steps: 6 });
  await maya.mouse.up();
  await expect.poll(() => dark(0.5)).toBe(false);
  expect(await dark(0.4)).toBe(true);
  await maya.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => dark(0.5)).toBe(true);
  await kept(maya);
});

for (const viewport of [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
]) {
  test(`the page does not jump when another tool is taken up, ${viewport.width} wide`, async ({ browser }) => {
    const varga = await teacher(browser);
    await design(varga);
    const code = await handOut(varga);
    const maya = await student(browser, code, 'Maya', { viewport });
    const before = await maya.locator('[data-surface]').boundingBox();
    expect(before.width).toBe(viewport.width);
    for (const tool of ['Text', 'Note', 'Choose', 'Erase', 'Pen']) {
      await maya.getByRole('button', { name: tool, exact: true }).click();
      expect(await maya.locator('[data-surface]').boundingBox()).toEqual(before);
      const options = maya.locator('.ledge-options');
      await expect.poll(() => options.evaluate((row) => row.scrollLeft)).toBe(0);
      await options.evaluate((row) => row.scrollTo(row.scrollWidth, 0));
    }
  });
}

test('a menu closes on Escape, on a press elsewhere and when the focus goes on, and Escape does nothing else', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await handOut(varga);
  const menu = varga.locator('footer details[data-menu]');
  const more = varga.locator('summary', { hasText: 'More' });
  await more.click();
  await expect(menu).toHaveAttribute('open');
  await varga.keyboard.press('Escape');
  await expect(menu).not.toHaveAttribute('open');
  await expect(more).toBeFocused();
  await more.click();
  await varga.getByRole('heading', { name: 'Who needs me' }).click();
  await expect(menu).not.toHaveAttribute('open');
  await more.click();
  await varga.getByRole('link', { name: 'Groups' }).focus();
  await expect(menu).not.toHaveAttribute('open');
  await more.click();
  await menu.getByRole('link', { name: 'Times' }).click();
  await expect(varga).toHaveURL(/times$/);
});
