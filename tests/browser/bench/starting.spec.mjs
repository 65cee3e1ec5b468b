// How long a student waits for their board, on a computer four times slower: from pressing "Go on" to a page that takes a stroke.
// With YARDANG_PROFILE=file the time that scripts take is written there, for the profiler of a browser.
import { writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { design, handOut, student, teacher } from '../specs/people.mjs';

const SLOWER = 4;
const TIMES = 7;
const LIMIT_MS = 1200;

const middle = (numbers) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)];

async function starts(page, cdp) {
  const before = (await cdp.send('Performance.getMetrics')).metrics;
  await page.reload({ waitUntil: 'commit' });
  const opened = await page.waitForFunction(() => document.querySelector('.kept')?.textContent === 'Kept' && performance.now(), null, { polling: 'raf' });
  const ms = await opened.jsonValue();
  const after = (await cdp.send('Performance.getMetrics')).metrics;
  const of = (name, all) => all.find((m) => m.name === name)?.value ?? 0;
  const spent = Object.fromEntries(['ScriptDuration', 'LayoutDuration', 'RecalcStyleDuration', 'TaskDuration'].map((name) => [name, Math.round(1000 * (of(name, after) - of(name, before)))]));
  return { ms, spent };
}

test('a board starts on a slow computer', async ({ browser }) => {
  const amara = await teacher(browser);
  await design(amara);
  const code = await handOut(amara);
  const bela = await student(browser, code, 'Bela');
  const cdp = await bela.context().newCDPSession(bela);
  await cdp.send('Performance.enable');
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: Number(process.env.SLOWER ?? SLOWER) });
  if (process.env.YARDANG_PROFILE) {
    await cdp.send('Profiler.enable');
    await cdp.send('Profiler.setSamplingInterval', { interval: 200 });
    await cdp.send('Profiler.start');
  }
  const all = [];
  for (let i = 0; i < TIMES; i++) all.push(await starts(bela, cdp));
  if (process.env.YARDANG_PROFILE) writeFileSync(process.env.YARDANG_PROFILE, JSON.stringify((await cdp.send('Profiler.stop')).profile));
  for (const { ms, spent } of all) console.log(Math.round(ms), JSON.stringify(spent));
  const ms = Math.round(middle(all.map((one) => one.ms)));
  console.log(`start of a board, CPU ${SLOWER}x slower (ms) | ${ms} | ${LIMIT_MS} | ${ms <= LIMIT_MS ? 'holds' : 'falls short'}`);
  expect(ms).toBeGreaterThan(0);
});
