// Circulate before a class that writes, on a computer a quarter as fast: how smooth it is, what it takes, and how soon it is there.
import { spawn } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { createInterface } from 'node:readline';
import { expect, test } from '@playwright/test';
import { design, handOut, teacher } from '../specs/people.mjs';
import { framesFor } from './frames.mjs';

const SLOWER = 4;
const CLASS = { people: 35, marks: 300 };
const YEAR = { people: 100, marks: 100 };
const WATCHED_S = 15;
/** Half an hour of writing, a stroke in three seconds. */
const HALF_AN_HOUR = 600;
const CUT_S = 60;
/** A lesson that runs has been opened before: neither server nor browser does all of it for the first time. */
const WARM = 4;
const TIMES = 5;

const p95 = (numbers) => numbers.toSorted((a, b) => a - b)[Math.floor(numbers.length * 0.95)];
const median = (numbers) => numbers.toSorted((a, b) => a - b)[Math.floor(numbers.length / 2)];
const say = (name, measured, limit, unit) =>
  console.log(`${name} | ${measured.toFixed(0)} ${unit} | ${limit} ${unit} | ${measured <= limit ? 'holds' : 'falls short'}`);

/** A class of its own process, told what to do. */
async function classOf(baseURL, code, { people, marks }) {
  const NODE_PATH = resolve('../../src/Yardang.Web/node_modules');
  const script = ['bench/write-class.cjs', baseURL, code, String(people), String(marks)];
  const child = spawn('node', script, { env: { ...process.env, NODE_PATH }, stdio: ['pipe', 'pipe', 'inherit'] });
  const lines = createInterface({ input: child.stdout })[Symbol.asyncIterator]();
  const until = async (word) => {
    for (;;) {
      const { value, done } = await lines.next();
      if (done) throw new Error(`The class ended before it said ${word}.`);
      if (value === word) return;
    }
  };
  await until('filled');
  return {
    tell: async (line) => {
      child.stdin.write(`${line}\n`);
      await until(line.split(' ')[0]);
    },
    end: () => child.stdin.write('end\n'),
  };
}

/** Frames while the class writes, ms, and what comes in, bytes a second. */
async function watch(page, cdp, seconds) {
  let bytes = 0;
  const count = ({ response }) => (bytes += response.payloadData.length * (response.opcode === 2 ? 0.75 : 1));
  cdp.on('Network.webSocketFrameReceived', count);
  const frames = await framesFor(page, seconds * 1000);
  cdp.off('Network.webSocketFrameReceived', count);
  return { frames, inbound: bytes / seconds };
}

/** What is seen of every board. */
const pictures = (page) => page.evaluate(() => [...document.querySelectorAll('.tile canvas')].map((c) => c.toDataURL()));

/** What the process of a page holds for itself, MB. */
function memoryOf(pid) {
  const [, kB] = /^RssAnon:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'));
  return kB / 1024;
}

/** The processes of pages; that of the teacher holds most. */
function renderers() {
  return readdirSync('/proc').filter((name) => {
    if (!/^\d+$/.test(name)) return false;
    try {
      return readFileSync(`/proc/${name}/cmdline`, 'utf8').includes('--type=renderer');
    } catch {
      return false;
    }
  });
}

async function prepared(browser) {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  return { varga, code };
}

/** When the first board, and all of them, are painted, counted from the beginning of the page. */
async function opened(page, many) {
  await page.reload();
  const painted = (least) =>
    page.waitForFunction(
      (n) => document.querySelectorAll('[data-painted]').length >= n && performance.now(),
      least,
      { polling: 'raf' },
    );
  const first = await (await painted(1)).jsonValue();
  const all = await (await painted(many)).jsonValue();
  return { first, all };
}

test('a class of 35 @circulate', async ({ browser, baseURL }) => {
  test.setTimeout(900_000);
  const { varga, code } = await prepared(browser);
  const them = await classOf(baseURL, code, CLASS);
  await expect(varga.locator('.tile')).toHaveCount(CLASS.people);
  const cdp = await varga.context().newCDPSession(varga);
  await cdp.send('Network.enable');
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });

  const times = [];
  for (let i = 0; i < WARM + TIMES; i++) times.push(await opened(varga, CLASS.people));
  times.splice(0, WARM);
  await them.tell('write');
  const { frames, inbound } = await watch(varga, cdp, WATCHED_S);
  await them.tell('rest');
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  await them.tell(`strokes ${HALF_AN_HOUR}`);
  await expect.poll(() => varga.evaluate(() => document.querySelectorAll('[data-painted]').length)).toBe(CLASS.people);
  await cdp.send('HeapProfiler.collectGarbage');
  const memory = Math.max(...renderers().map(memoryOf));

  console.log();
  say(`opening circulate, ${CLASS.people} boards of ${CLASS.marks} marks, ${SLOWER}x slower, first board`, median(times.map((t) => t.first)), 1000, 'ms');
  say('all of them', median(times.map((t) => t.all)), 2500, 'ms');
  say(`${CLASS.people} live boards, p95 frame, ${SLOWER}x slower`, p95(frames), 33, 'ms');
  say('what comes in while all write', inbound / 1000, 60, 'kB/s');
  say(`the page after half an hour (${HALF_AN_HOUR + CLASS.marks} marks each)`, memory, 350, 'MB');
  them.end();
});

test('a year of 100 @circulate', async ({ browser, baseURL }) => {
  test.setTimeout(900_000);
  const { varga, code } = await prepared(browser);
  const them = await classOf(baseURL, code, YEAR);
  await expect(varga.locator('.tile')).toHaveCount(YEAR.people);
  const cdp = await varga.context().newCDPSession(varga);
  await cdp.send('Network.enable');
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await opened(varga, YEAR.people);
  await them.tell('write');
  const { frames } = await watch(varga, cdp, WATCHED_S);
  await them.tell('rest');
  console.log();
  say(`${YEAR.people} live boards, p95 frame, ${SLOWER}x slower`, p95(frames), 66, 'ms');
  them.end();
});

test('a cut of a minute @circulate', async ({ browser, baseURL }) => {
  test.setTimeout(900_000);
  const { varga, code } = await prepared(browser);
  const them = await classOf(baseURL, code, { people: 12, marks: 20 });
  await expect(varga.locator('.tile')).toHaveCount(12);
  // The same teacher in a browser that is not cut off.
  const context = await browser.newContext({ storageState: await varga.context().storageState() });
  const beside = await context.newPage();
  await beside.goto(varga.url());
  await expect(beside.locator('[data-painted]')).toHaveCount(12);
  const before = await pictures(varga);

  await them.tell('write');
  await varga.context().setOffline(true);
  await expect(varga.getByText('No connection')).toBeVisible();
  await new Promise((done) => setTimeout(done, CUT_S * 1000));
  await them.tell('rest');
  await varga.context().setOffline(false);
  const begun = Date.now();
  let same = 0;
  await expect
    .poll(async () => {
      await expect(varga.getByText('No connection')).toBeHidden();
      const [here, there] = await Promise.all([pictures(varga), pictures(beside)]);
      same = here.filter((picture, i) => picture === there[i] && picture !== before[i]).length;
      return same;
    }, { timeout: 30_000 })
    .toBe(12);
  console.log();
  console.log(`boards as without it after a cut of ${CUT_S} s | ${same} of 12 | 12 of 12 | holds`);
  say('until they are', Date.now() - begun, 10_000, 'ms');
  them.end();
});
