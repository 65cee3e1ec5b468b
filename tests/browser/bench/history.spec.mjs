// How a board of 20,000 events came to be: opening it, any moment of it, and playing it where the computer is four times as slow.
import { spawn } from 'node:child_process';
import { resolve } from 'node:path';
import { createInterface } from 'node:readline';
import { expect, test } from '@playwright/test';
import { design, handOut, teacher } from '../specs/people.mjs';
import { framesFor } from './frames.mjs';

const PEOPLE = 10;
const STROKES = 300;
const MOVES = 1_700;
const EVENTS = PEOPLE * (STROKES + MOVES);
const TIMES = 5;
const OPENING_MS = 1_500;
const MOMENT_MS = 300;
const FRAME_MS = 17;
const SLOWER = 4;
const PLAYED_MS = 5_000;

const p95 = (numbers) => numbers.toSorted((a, b) => a - b)[Math.floor(numbers.length * 0.95)];
const median = (numbers) => numbers.toSorted((a, b) => a - b)[Math.floor(numbers.length / 2)];
const say = (name, measured, limit, unit = 'ms') =>
  console.log(`${name} | ${measured.toFixed(1)} ${unit} | ${limit} ${unit} | ${measured <= limit ? 'holds' : 'falls short'}`);

async function fill(baseURL, code) {
  const NODE_PATH = resolve('../../src/Yardang.Web/node_modules');
  const script = ['bench/write-class.cjs', baseURL, code, String(PEOPLE), String(STROKES)];
  const child = spawn('node', script, { env: { ...process.env, NODE_PATH }, stdio: ['pipe', 'pipe', 'inherit'] });
  child.stdin.write(`moves ${MOVES}\n`);
  for await (const line of createInterface({ input: child.stdout })) if (line === 'moves') break;
  child.stdin.write('end\n');
}

test('the history of a board of 20,000 events', async ({ browser, baseURL }) => {
  test.setTimeout(600_000);
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  await fill(baseURL, code);
  await varga.locator('.tile').first().click();
  const path = `${new URL(varga.url()).pathname}/history`;
  const loading = varga.getByText('Everything that was done here is being fetched');
  const opened = [];
  for (let i = 0; i < TIMES; i++) {
    await varga.goto('/desk');
    const begun = Date.now();
    await varga.goto(path);
    await expect(loading).toBeHidden({ timeout: 30_000 });
    await varga.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
    opened.push(Date.now() - begun);
  }
  const slider = varga.getByLabel('Moment');
  const length = Number(await slider.getAttribute('max'));
  expect(length).toBeGreaterThanOrEqual(EVENTS);
  say('opening 20,000 events', median(opened), OPENING_MS);

  const cost = await varga.evaluate(() => (performance.memory ? performance.memory.usedJSHeapSize / 2 ** 20 : 0));
  console.log(`memory with key frames: ${cost.toFixed(0)} MB`);

  // To the frame in which it is painted.
  const moments = await slider.evaluate(async (input, most) => {
    const taken = [];
    for (let i = 0; i < 40; i++) {
      input.value = String(Math.floor((most * ((i * 7919) % 1000)) / 1000));
      const begun = performance.now();
      input.dispatchEvent(new Event('input', { bubbles: true }));
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
      taken.push(performance.now() - begun);
    }
    return taken;
  }, length);
  say('any moment, p95', p95(moments), MOMENT_MS);

  const cdp = await varga.context().newCDPSession(varga);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await slider.evaluate((input, most) => {
    input.value = String(Math.floor(most * 0.6));
    input.dispatchEvent(new Event('input', { bubbles: true }));
  }, length);
  await varga.getByLabel('How fast it is played').selectOption('60');
  await varga.getByRole('button', { name: 'Play', exact: true }).click();
  const frames = await framesFor(varga, PLAYED_MS);
  say(`a frame while it is played, ${SLOWER} times slower, median`, median(frames), FRAME_MS);
  console.log(`frames p95: ${p95(frames).toFixed(1)} ms`);
});
