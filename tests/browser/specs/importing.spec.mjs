// Files brought into the workshop.
import { expect, test } from '@playwright/test';
import { design, kept, marks, teacher } from './people.mjs';

const SQUARE = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60">
  <script>document.title = 'run by a picture'</script>
  <g transform="translate(10 10)"><rect width="40" height="20" fill="#cfe3f2"/><circle cx="60" cy="10" r="8" fill="none" stroke="black"/></g>
  <path d="M10 50 Q50 20 90 50" fill="none" stroke="black" stroke-width="2"/><text x="20" y="45" font-size="6" onclick="alert(1)">keystone</text></svg>`;

const file = (name, mimeType, content) => ({ name, mimeType, buffer: Buffer.from(content) });

async function bringIn(page, ...files) {
  await page.locator('[data-pictures]').setInputFiles(files);
}

async function pdf(browser, pages) {
  const page = await (await browser.newContext()).newPage();
  const sheet = (n) => `<h1 style="break-after: page">Load test ${n}</h1>`;
  await page.setContent(Array.from({ length: pages }, (_, i) => sheet(i + 1)).join(''));
  return file('load-tests.pdf', 'application/pdf', await page.pdf({ format: 'A4' }));
}

/** Once the file is open, with what is proposed. */
async function which(page, proposed) {
  const field = page.getByLabel(/^Which pages, of/);
  await expect(field).toHaveValue(proposed, { timeout: 20_000 });
  return field;
}

test('a PDF becomes pages that students write on, with its text for those who cannot see it, and one undo takes it back', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await bringIn(varga, await pdf(browser, 3));
  await (await which(varga, '1-3')).press('Enter');
  const lines = varga.locator('.page-order .page-line');
  await expect(lines).toHaveCount(4, { timeout: 20_000 });
  await expect(marks(varga)).toHaveText([/^Picture, printed: load-tests.pdf 1. Load test 1/]);
  await expect(varga.getByLabel('Size of the page')).toHaveValue('a4');
  await kept(varga);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(lines).toHaveCount(1);
  expect(varga.problems).toEqual([]);
});

test('of a PDF of many pages those that are wanted are chosen', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await bringIn(varga, await pdf(browser, 6));
  await (await which(varga, '1-6')).fill('5, 2-3');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/pdf-which.png' });
  await varga.getByRole('button', { name: 'Bring them in' }).click();
  await expect(varga.locator('.page-order .page-line')).toHaveCount(4, { timeout: 20_000 });
  await expect(marks(varga)).toHaveText([/Load test 5/]);
  await varga.locator('.page-order .page-line').nth(3).click();
  await expect(marks(varga)).toHaveText([/Load test 3/]);
  await kept(varga);
  // Tried out, it is the page in hand that the sample student sees first.
  await varga.getByRole('button', { name: 'Try it' }).click();
  const seat = varga.frameLocator('[data-try-seat="1"]');
  await expect(seat.locator('[data-marks] button')).toHaveText([/Load test 3/]);
  expect(varga.problems).toEqual([]);
});

test('bringing a PDF in can be stopped, and then nothing has changed', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await bringIn(varga, await pdf(browser, 40));
  await (await which(varga, '1-40')).press('Enter');
  await expect(varga.getByText(/^Page \d+ of 40$/)).toBeVisible({ timeout: 20_000 });
  await varga.getByRole('dialog').getByRole('button', { name: 'Leave it' }).click();
  await expect(varga.getByRole('dialog')).toBeHidden();
  await kept(varga);
  await expect(varga.locator('.page-order .page-line')).toHaveCount(1);
  await varga.reload();
  await kept(varga);
  await expect(varga.locator('.page-order .page-line')).toHaveCount(1);
});

test('files that are damaged or something else are refused in a sentence', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const dialog = varga.getByRole('dialog');
  const alert = dialog.getByRole('alert');
  await bringIn(varga, await pdf(browser, 51));
  const pages = await which(varga, '1-50');
  await pages.fill('1-51');
  await pages.press('Enter');
  await expect(alert).toContainText('At most 50 pages at once');
  await pages.fill('52');
  await pages.press('Enter');
  await expect(alert).toContainText('between 1 and 51');
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  await bringIn(varga, file('report.pdf', 'application/pdf', 'This is no PDF at all.'));
  await expect(alert).toContainText('not a PDF file, or it is damaged');
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  await bringIn(varga, file('photo.png', 'image/png', '<html>not a picture</html>'));
  await expect(varga.locator('.workshop-side').getByRole('alert')).toBeVisible();
  await expect(varga.locator('.page-order .page-line')).toHaveCount(1);
  await expect(marks(varga)).toHaveCount(1);
});

test('an SVG is put down as a picture, or taken apart into marks; nothing in it runs', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await bringIn(varga, file('arch.svg', 'image/svg+xml', SQUARE));
  await varga.getByRole('button', { name: 'As one picture' }).click();
  await expect(marks(varga)).toHaveText([/^Text/, 'Picture, printed: arch']);
  await bringIn(varga, file('arch.svg', 'image/svg+xml', SQUARE));
  await varga.getByRole('button', { name: 'Taken apart into marks' }).click();
  await expect(marks(varga)).toHaveText([/^Text/, /^Picture/, /^Rectangle, printed/, /^Circle, printed/, /^Bent line, printed/, 'Text, printed: keystone']);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(marks(varga)).toHaveCount(2);
  await bringIn(varga, file('empty.svg', 'image/svg+xml', '<svg xmlns="http://www.w3.org/2000/svg"></svg>'));
  await varga.getByRole('button', { name: 'Taken apart into marks' }).click();
  await expect(varga.getByRole('dialog').getByRole('alert')).toContainText('nothing in this file');
  expect(await varga.title()).not.toContain('run by');
  expect(varga.problems).toEqual([]);
});

test('several pictures get a page each, or all of them this one', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const two = ['pier', 'deck'].map((name) => file(`${name}.svg`, 'image/svg+xml', SQUARE));
  await bringIn(varga, ...two);
  await varga.getByRole('button', { name: 'One page each' }).click();
  await expect(varga.locator('.page-order .page-line')).toHaveText([/^1\./, '2. pier', '3. deck']);
  await bringIn(varga, ...two);
  await varga.getByRole('button', { name: 'All on this page' }).click();
  await expect(marks(varga)).toHaveText(['Picture, printed: pier', 'Picture, printed: pier', 'Picture, printed: deck']);
});
