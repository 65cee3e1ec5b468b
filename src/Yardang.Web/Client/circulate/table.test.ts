import assert from 'node:assert/strict';
import { test } from 'node:test';
import { lineOf, stateOf, STEP_MS, STEPS } from './table';

const NOW = 3_600_000;
const seen = (marks: number, ...ago: number[]) => ({ page: 1, marks, acts: ago.map((ms) => NOW - ms) });

test('a page is untouched, begun, going on, quiet or handed in', () => {
  assert.equal(stateOf(seen(0), true, false, NOW), 'untouched');
  assert.equal(stateOf(seen(0), true, true, NOW), 'untouched');
  assert.equal(stateOf(seen(3), false, false, NOW), 'begun');
  assert.equal(stateOf(seen(3, 300_000, 20_000), false, false, NOW), 'going');
  // Who is on another page has not gone quiet on this one.
  assert.equal(stateOf(seen(3, 300_000), true, false, NOW), 'quiet');
  assert.equal(stateOf(seen(3, 300_000), false, false, NOW), 'begun');
  assert.equal(stateOf(seen(3, 10_000), true, true, NOW), 'handed');
});

test('the line shows the last ten minutes, the newest at its end, and nothing where nothing was done', () => {
  assert.equal(lineOf([], NOW), '');
  assert.equal(lineOf([NOW - STEPS * STEP_MS], NOW), '');
  const path = lineOf([NOW - 1, NOW - 2, NOW - 3], NOW);
  assert.ok(path.endsWith(`${STEPS - 1} 5`), path);
  assert.ok(
    lineOf(
      Array.from({ length: 99 }, () => NOW),
      NOW,
    ).endsWith(`${STEPS - 1} 0`),
  );
});
