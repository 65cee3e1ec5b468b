// A PDF of 20 pages is brought into the workshop: how long it takes, and how long the page is deaf at the longest meanwhile.
import { expect, test } from '@playwright/test';
import { design, kept, teacher } from '../specs/people.mjs';

const PAGES = 20;
const LIMIT_MS = 20_000;
const DEAF_MS = 500;

test('a PDF of 20 pages', async ({ browser }) => {
  test.setTimeout(120_000);
  const writer = await (await browser.newContext()).newPage();
  const sheet = (n) => `<h1 style="break-after: page">Load test ${n}</h1><p>${'The deck bends before it breaks. '.repeat(60)}</p>`;
  await writer.setContent(Array.from({ length: PAGES }, (_, i) => sheet(i + 1)).join(''));
  const buffer = await writer.pdf({ format: 'A4', pageRanges: `1-${PAGES}` });
  await writer.context().close();

  const varga = await teacher(browser);
  await design(varga);
  await varga.evaluate(() => {
    window.deaf = 0;
    let last = performance.now();
    setInterval(() => {
      window.deaf = Math.max(window.deaf, performance.now() - last);
      last = performance.now();
    }, 10);
  });
  const started = Date.now();
  await varga.locator('[data-pictures]').setInputFiles({ name: 'load-tests.pdf', mimeType: 'application/pdf', buffer });
  await expect(varga.locator('.page-order .page-line')).toHaveCount(PAGES + 1, { timeout: 60_000 });
  await kept(varga);
  const took = Date.now() - started;
  const deaf = await varga.evaluate(() => window.deaf);
  console.log(`\n${PAGES} pages of PDF: ${(took / 1000).toFixed(1)} s (limit ${LIMIT_MS / 1000} s), deaf at the longest for ${deaf.toFixed(0)} ms (limit ${DEAF_MS} ms)`);
  expect(took).toBeLessThan(LIMIT_MS);
  expect(deaf).toBeLessThan(DEAF_MS);
});
