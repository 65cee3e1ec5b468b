// A student joins: from the code page to a board that takes ink, under 3 s on this machine.
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, teacher } from '../specs/people.mjs';

const LIMIT_MS = 3000;
const TIMES = 5;

test('joining', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const took = [];
  for (let i = 0; i < TIMES; i++) {
    const page = await (await browser.newContext()).newPage();
    await page.goto('/');
    await page.getByLabel('Code or address from your teacher').fill(code);
    const started = Date.now();
    await page.getByRole('button', { name: 'Go on' }).click();
    await page.getByLabel('Your name').fill(`Student ${i}`);
    await page.getByRole('button', { name: 'Go to my board' }).click();
    await kept(page);
    await draw(page);
    await expect(marks(page)).toHaveCount(2);
    took.push(Date.now() - started);
    await page.context().close();
  }
  took.sort((a, b) => a - b);
  console.log(`\njoining: median ${took[Math.floor(TIMES / 2)]} ms, longest ${took.at(-1)} ms (limit ${LIMIT_MS} ms)`);
  expect(took[Math.floor(TIMES / 2)]).toBeLessThan(LIMIT_MS);
});
