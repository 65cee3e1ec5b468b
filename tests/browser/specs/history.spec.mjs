// How a board came to be: played, stepped through, compared, and put back while the class writes on.
import { expect, test } from '@playwright/test';
import { design, designWall, draw, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';
import { noBarrier } from './barriers.mjs';

const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const steps = (page) => page.locator('[data-steps] .step');
const now = (page) => page.locator('[data-steps] .step[data-now="true"]');

const mine = (page) => marks(page).filter({ hasText: 'yours' });

async function rubOutMine(page) {
  await page.getByRole('button', { name: 'Choose', exact: true }).click();
  for (let left = await mine(page).count(); left > 0; left--) {
    await mine(page).first().focus();
    await page.keyboard.press('Delete');
    await expect(mine(page)).toHaveCount(left - 1);
  }
  await kept(page);
}

async function openHistory(page, name) {
  await page.getByRole('link', { name: new RegExp(`^${name}`) }).first().click();
  await page.getByRole('link', { name: 'How it came to be' }).first().click();
  await expect(page.getByText('Everything that was done here is being fetched')).toBeHidden();
}

test('a teacher steps through what was done on a board, compares two moments, and brings back what was rubbed out while the student writes on', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await draw(maya);
  await writeNote(maya, 'The arch carries it');
  await kept(maya);
  await openHistory(varga, 'Maya');
  await expect(varga.getByRole('heading', { level: 1 })).toHaveText('Maya');
  await expect(steps(varga)).toHaveCount(2);
  await expect(now(varga)).toContainText('Maya wrote');
  await picture(varga, 'history');

  // What the class does meanwhile is there at once for who looks at the end.
  await rubOutMine(maya);
  await expect(now(varga)).toContainText('Maya erased');
  await writeNote(maya, 'A second thought');
  await kept(maya);
  await expect(now(varga)).toContainText('A second thought');

  // Step by step, also by keyboard; the slider says where one is.
  const slider = varga.getByLabel('Moment');
  await varga.getByRole('button', { name: 'Step back' }).click();
  await expect(now(varga)).toContainText('erased');
  await varga.keyboard.press('ArrowLeft');
  await expect(now(varga)).toContainText('The arch carries it');
  await expect(slider).toHaveAttribute('aria-valuetext', /Maya wrote: The arch carries it/);
  await varga.getByRole('button', { name: 'What has gone' }).click();
  await varga.keyboard.press('Home');
  await expect(slider).toHaveAttribute('aria-valuetext', /In the beginning/);
  await varga.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(now(varga)).toContainText('A second thought', { timeout: 20_000 });
  await expect(varga.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
  await picture(varga, 'history-ghosts');

  // Between two moments.
  await steps(varga).filter({ hasText: 'The arch carries it' }).first().click();
  await varga.getByRole('button', { name: 'Compare from here' }).click();
  await varga.getByRole('button', { name: 'Now', exact: true }).click();
  await expect(varga.locator('.history-said').first()).toContainText('1 came (ringed). 2 went (dotted).');
  await picture(varga, 'history-between');
  await varga.getByRole('button', { name: 'Compare no more' }).click();

  // Only what was written tells fewer steps.
  await varga.getByLabel('What kind of thing').selectOption({ label: 'What went' });
  await expect(steps(varga)).toHaveCount(1);
  await varga.getByLabel('What kind of thing').selectOption({ label: 'Everything' });

  // As it was then: said beforehand, done while Maya goes on, and undone.
  await steps(varga).filter({ hasText: 'The arch carries it' }).first().click();
  await varga.getByRole('button', { name: 'As it was then…' }).click();
  const dialog = varga.getByRole('dialog');
  await expect(dialog).toContainText('2 come back.');
  await dialog.getByLabel('It goes: everything is exactly as it was then.').check();
  await expect(dialog).toContainText('2 come back. 1 that came since goes.');
  await picture(varga, 'history-restore');
  await noBarrier(varga);
  await dialog.getByLabel('It stays. Only what has gone since comes back.').check();
  await expect(dialog.getByRole('status')).toHaveText('2 come back.');
  await dialog.getByRole('button', { name: 'Have it so' }).click();
  await expect(varga.getByText('It is as it was then.')).toBeVisible();
  await expect(mine(maya)).toHaveCount(3);
  await expect(maya.getByRole('button', { name: /The arch carries it/ })).toHaveCount(1);
  await varga.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(mine(maya)).toHaveCount(1);
  await expect(varga.getByText('It is undone.')).toBeVisible();
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

test('on a shared board each has their own line, one person’s work alone is brought back, and a mark tells its own story', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  const [maya, ben] = [await student(browser, code, 'Maya Lindqvist'), await student(browser, code, 'Ben')];
  await writeNote(maya, 'Cables hang from towers');
  await kept(maya);
  await writeNote(ben, 'Beams rest on piers');
  await kept(ben);
  await expect(marks(maya).filter({ hasText: 'Beams' })).toHaveCount(1);
  await rubOutMine(maya);
  await rubOutMine(ben);

  await varga.locator('.tile').first().click();
  await varga.getByRole('link', { name: 'How it came to be' }).first().click();
  await expect(steps(varga)).toHaveCount(4);
  await varga.getByRole('button', { name: 'Whose is whose' }).click();
  await varga.getByRole('button', { name: /^Ben/ }).click();
  await expect(steps(varga)).toHaveCount(2);
  await steps(varga).first().click();
  await picture(varga, 'history-people');
  await varga.getByRole('button', { name: 'As it was then…' }).click();
  const dialog = varga.getByRole('dialog');
  await expect(dialog.getByLabel('On all pages, only what is by Ben')).toBeChecked();
  await expect(dialog.getByRole('status')).toHaveText('1 comes back.');
  await dialog.getByRole('button', { name: 'Have it so' }).click();
  await expect(mine(ben)).toHaveText([/Beams rest on piers/]);
  await expect(mine(maya)).toHaveCount(0);

  // On the page, a press on a mark tells only what was done to it.
  await varga.getByRole('button', { name: /^Ben/ }).click();
  await varga.getByRole('button', { name: 'Now', exact: true }).click();
  const { x, y, width, height } = await varga.locator('[data-past]').boundingBox();
  const only = varga.locator('.history-only');
  // The note stands beside the text in the middle.
  await expect(async () => {
    for (const beside of [-0.2, -0.15, 0.15, 0.2]) {
      await varga.mouse.click(x + width / 2, y + height * (0.5 + beside));
      if ((await only.isVisible()) && (await only.textContent()).includes('Only what was done to this: Note: ')) return;
    }
    throw new Error('The note was not found on the page.');
  }).toPass();
  await expect(steps(varga)).toHaveCount(3);
  await varga.getByRole('button', { name: 'Show everything' }).click();
  await expect(steps(varga)).toHaveCount(5);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('on a wall what a vandal took down and moved is put back as it was, in one go, while a classmate writes on; and it can be undone', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga, 'What do we know about bridges?', ['Materials', 'Forces']);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const [maya, ben] = [await student(browser, code, 'Maya'), await student(browser, code, 'Ben')];
  const slot = (page, topic) => page.getByLabel(`Write here, under ${topic}`, { exact: true });
  const up = (page, words) => page.locator('.slip:not(.taken-down .slip)').filter({ hasText: words });
  const putUp = async (page, topic, words) => {
    await slot(page, topic).fill(words);
    await slot(page, topic).press('Control+Enter');
    await expect(up(page, words)).toHaveCount(1);
    await kept(page);
  };
  await putUp(ben, 'Materials', 'Steel is strong');
  await putUp(ben, 'Forces', 'Cables pull');
  await putUp(maya, 'Forces', 'Piers press');
  // Ben has had enough of it.
  for (const words of ['Steel is strong', 'Cables pull']) {
    await up(ben, words).getByRole('button', { name: `Change the card: ${words}` }).click();
    await ben.getByRole('button', { name: 'Take it down' }).click();
    await expect(up(ben, words)).toHaveCount(0);
  }
  await kept(ben);

  await varga.getByRole('link', { name: 'Open the wall' }).click();
  await varga.getByRole('link', { name: 'How it came to be' }).first().click();
  const past = varga.locator('[data-past]');
  await expect(steps(varga)).toHaveCount(5);
  await expect(past.locator('[data-card]')).toHaveCount(1);
  await varga.getByRole('button', { name: 'What has gone' }).click();
  await expect(past.locator('[data-card]')).toHaveCount(3);
  await varga.getByRole('button', { name: 'What has gone' }).click();
  await steps(varga).nth(2).click();
  await expect(past.locator('[data-card]')).toHaveCount(3);
  await varga.getByRole('button', { name: 'Compare from here' }).click();
  await varga.getByRole('button', { name: 'Now', exact: true }).click();
  await expect(varga.locator('.history-said').first()).toContainText('2 went (dotted).');
  await picture(varga, 'history-wall');
  await varga.getByRole('button', { name: 'Compare no more' }).click();
  await steps(varga).nth(2).click();
  await varga.getByRole('button', { name: 'Whose is whose' }).click();

  await varga.getByRole('button', { name: 'As it was then…' }).click();
  const dialog = varga.getByRole('dialog');
  await expect(dialog.getByLabel('The whole wall')).toBeChecked();
  await expect(dialog.getByRole('status')).toHaveText('2 come back.');
  await expect(dialog.locator('[data-picture="after"] [data-card]')).toHaveCount(3);
  await picture(varga, 'history-wall-restore');
  await noBarrier(varga);
  await putUp(maya, 'Materials', 'Stone is heavy');
  await dialog.getByRole('button', { name: 'Have it so' }).click();
  await expect(varga.getByText('It is as it was then.')).toBeVisible();
  for (const words of ['Steel is strong', 'Cables pull']) await expect(up(ben, words)).toHaveCount(1);
  await ben.getByRole('button', { name: 'Show 2 new cards', exact: true }).click();
  for (const words of ['Piers press', 'Stone is heavy']) await expect(up(ben, words)).toHaveCount(1);
  await varga.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(varga.getByText('It is undone.')).toBeVisible();
  for (const words of ['Steel is strong', 'Cables pull']) await expect(up(ben, words)).toHaveCount(0);
  await expect(up(maya, 'Stone is heavy')).toHaveCount(1);
  // It was he who took them down, so he may put them back, and is not told that a teacher did.
  await expect(ben.getByText('Your teacher has taken down')).toHaveCount(0);
  await ben.getByText('Taken down (2)').click();
  await ben.locator('.taken-down').getByRole('button', { name: /^Put it back/ }).first().click();
  await expect(ben.getByText('Taken down (1)')).toBeVisible();
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('chosen moments are taken along as a PDF, and a page as a moving picture that plays by itself', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await draw(maya);
  await writeNote(maya, 'The arch carries it');
  await kept(maya);
  await rubOutMine(maya);
  await writeNote(maya, 'A second thought');
  await kept(maya);
  await openHistory(varga, 'Maya');
  const menu = varga.locator('summary').filter({ hasText: 'Take along' });
  await menu.click();
  await varga.getByRole('button', { name: 'Choose this moment for a PDF' }).click();
  await expect(varga.getByText('Chosen for the PDF. So far: 1.')).toBeVisible();
  await varga.keyboard.press('Home');
  if (!(await varga.getByRole('button', { name: 'Choose this moment for a PDF' }).isVisible())) await menu.click();
  await varga.getByRole('button', { name: 'Choose this moment for a PDF' }).click();
  if (!(await varga.getByRole('link', { name: 'PDF of 2 chosen moments' }).isVisible())) await menu.click();
  await picture(varga, 'history-take');
  const pdf = varga.waitForEvent('download');
  await varga.getByRole('link', { name: 'PDF of 2 chosen moments' }).click();
  expect((await pdf).suggestedFilename()).toMatch(/Maya\.pdf$/);

  if (!(await varga.getByRole('link', { name: /moving picture/ }).isVisible())) await menu.click();
  const film = varga.waitForEvent('download');
  await varga.getByRole('link', { name: /moving picture/ }).click();
  const file = await (await film).path();
  const player = await browser.newPage();
  await player.setContent(`<body style="margin:0">${(await import('node:fs')).readFileSync(file, 'utf8')}</body>`);
  // Nothing but what was printed in the beginning; in the end what stands there, and not what was rubbed out.
  const seenAt = (seconds) =>
    player.evaluate((at) => {
      const svg = document.querySelector('svg');
      svg.pauseAnimations();
      svg.setCurrentTime(at);
      return [...svg.querySelectorAll(':scope > g')].filter((g) => getComputedStyle(g).visibility === 'visible').length;
    }, seconds);
  expect(await seenAt(0)).toBe(1);
  const length = await player.evaluate(() => parseFloat(document.querySelector('animate').getAttribute('dur')));
  expect(await seenAt(length - 1)).toBe(2);
  const seen = [];
  for (let at = 0; at < length; at += 0.1) seen.push(await seenAt(at));
  expect(Math.max(...seen)).toBe(3);
  if (process.env.PICTURES) await player.screenshot({ path: '/tmp/p/film.png' });
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});
