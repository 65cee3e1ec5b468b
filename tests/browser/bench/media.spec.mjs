// A file of 20 MB over a network that is cut three times; a wall of 300 cards with pictures, voices and films; what of recording a first load holds.
import { execFile } from 'node:child_process';
import { readFileSync, readdirSync } from 'node:fs';
import { resolve } from 'node:path';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';
import { handOut, kept, student, teacher } from '../specs/people.mjs';

const run = promisify(execFile);
const MB = 1024 * 1024;
const CUTS = 3;
const MOST_TWICE = 10;
const CARDS = 300;
/** From how far away browsers fetch what is lazy, and a little for what moves while it comes, px. */
const NEAR = 3000;
const dist = resolve(import.meta.dirname, '../../../src/Yardang.Web/wwwroot/dist');

const say = (name, measured, limit, unit, holds) =>
  console.log(`${name} | ${Number(measured.toFixed(2))} ${unit} | ${limit} ${unit} | ${holds ? 'holds' : 'falls short'}`);

async function wall(browser, kinds) {
  const varga = await teacher(browser);
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New wall' }).click();
  await kept(varga);
  await varga.getByLabel('The question over the wall').fill('Show how it carries.');
  for (const kind of kinds) await varga.getByLabel(kind).check();
  await kept(varga);
  return { varga, code: await handOut(varga, { way: 'Everybody together on one wall' }) };
}

test('a file of 20 MB over a network that is cut three times', async ({ browser }) => {
  test.setTimeout(400_000);
  const { varga, code } = await wall(browser, ['files: documents, tables, slides']);
  const maya = await student(browser, code, 'Maya');
  const file = Buffer.alloc(20 * MB, 'a line of figures\n');
  let [sent, pieces, cuts] = [0, 0, 0];
  await maya.route('**/uploads/**', async (route) => {
    if (route.request().method() !== 'PUT') return cuts > 0 && pieces % 20 === 0 ? route.abort() : route.continue();
    const size = route.request().postDataBuffer()?.length ?? 0;
    sent += size;
    pieces += 1;
    // The piece has gone, and its answer is lost.
    if (pieces % 20 === 0 && cuts < CUTS) {
      cuts += 1;
      await route.fetch();
      return route.abort();
    }
    return route.continue();
  });
  await maya.getByLabel(/^Write here/).click();
  await maya.locator('.making-menu > summary').first().click();
  await maya.getByRole('button', { name: 'A file from this device' }).click();
  await maya.locator('[data-attach-file]').setInputFiles({ name: 'figures.txt', mimeType: 'text/plain', buffer: file });
  await expect(maya.locator('.making .shown-file')).toBeVisible({ timeout: 60_000 });
  await expect(maya.locator('.making-waits')).toHaveText('', { timeout: 300_000 });
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await kept(maya);
  await varga.getByRole('link', { name: 'Open the wall' }).click();
  const [download] = await Promise.all([varga.waitForEvent('download'), varga.getByRole('link', { name: /figures.txt/ }).click()]);
  const isWhole = readFileSync(await download.path()).equals(file);
  const twice = (100 * (sent - file.length)) / file.length;
  say(`20 MB over a network cut ${cuts} times, sent twice of it`, twice, MOST_TWICE, '%', cuts === CUTS && twice < MOST_TWICE && isWhole);
  expect(isWhole).toBe(true);
});

test('a wall of 300 cards with films loads none before it is near the screen', async ({ browser, baseURL }) => {
  test.setTimeout(400_000);
  const { varga, code } = await wall(browser, ['films, from a camera or a screen']);
  await varga.context().close();
  const NODE_PATH = resolve('../../src/Yardang.Web/node_modules');
  await run('node', ['bench/fill-wall.cjs', baseURL, code, '10', String(CARDS / 10), '0', '0', 'films'], { env: { ...process.env, NODE_PATH } });
  const ben = await student(browser, code, 'Ben');
  const [stills, films] = [new Set(), new Set()];
  ben.on('request', (r) => {
    const name = /\/media\/([0-9a-f]{64})/.exec(r.url())?.[1];
    if (name) (parseInt(name.slice(-6), 16) % 2 === 0 ? stills : films).add(name);
  });
  await ben.reload();
  await expect(ben.locator('.slip film-player')).toHaveCount(CARDS, { timeout: 60_000 });
  await ben.waitForLoadState('networkidle');
  const farthest = await ben.locator('.slip film-player').evaluateAll(
    (all, asked) =>
      Math.max(...all.filter((p) => asked.some((name) => p.getAttribute('still').includes(name))).map((p) => p.getBoundingClientRect().top - innerHeight)),
    [...stills],
  );
  say(`films asked for on a wall of ${CARDS} before one is played`, films.size, 0, '', films.size === 0);
  say(`how far below the screen the farthest still is of the ${stills.size} asked for`, farthest, NEAR, 'px', farthest <= NEAR);
  expect(films.size).toBe(0);
  expect(stills.size).toBeGreaterThan(0);
});

test('recording costs a first load nothing', () => {
  const needed = new Set();
  const need = (file) => {
    if (needed.has(file)) return;
    needed.add(file);
    for (const [, other] of readFileSync(`${dist}/${file}`, 'utf8').matchAll(/(?:from|import)\s*"\.\/([^"]+)"/g)) need(other);
  };
  for (const entry of ['wall.js', 'board.js']) need(entry);
  const scripts = readdirSync(dist).filter((file) => file.endsWith('.js'));
  const recording = scripts.filter((file) => readFileSync(`${dist}/${file}`, 'utf8').includes('MediaRecorder'));
  const bytes = recording.filter((file) => needed.has(file)).length;
  say('scripts with recording in them, among those of a first load', bytes, 0, '', bytes === 0 && recording.length > 0);
  expect([bytes, recording.length > 0]).toEqual([0, true]);
});
