import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type Mark, type Page, PLAIN } from '../room/marks';
import { sideDirections, snapBox, snapTurn } from './snapping';

const page: Page = {
  id: 1,
  name: {},
  size: { width: 29_700, height: 21_000 },
  paper: PLAIN,
  directions: {},
  withheld: 0,
  locked: false,
  order: 1,
  erased: false,
  stimulus: null,
  starters: [],
  part: null,
  shows: null,
};
const other = { x: 10_000, y: 5000, width: 2000, height: 1000 };
const by = { x: 500, y: 500 };

test('an edge near the edge of another mark catches on it', () => {
  const snapped = snapBox({ x: 10_080, y: 15_000, width: 700, height: 333 }, by, [other], page, 120);
  assert.deepEqual(snapped, { x: 420, y: 500, guides: { x: 10_000, y: null } });
});

test('a middle near the middle of the page catches on it, in both directions at once', () => {
  const snapped = snapBox({ x: 14_850 - 500 + 60, y: 10_500 - 300 - 50, width: 1000, height: 600 }, by, [], page, 100);
  assert.deepEqual(snapped, { x: 440, y: 550, guides: { x: 14_850, y: 10_500 } });
});

test('what is near nothing goes where the hand puts it', () => {
  const snapped = snapBox({ x: 6123, y: 3457, width: 700, height: 333 }, by, [other], page, 50);
  assert.deepEqual(snapped, { ...by, guides: { x: null, y: null } });
});

test('on squared paper the corner catches on the lines', () => {
  const squared = { ...page, paper: { ...PLAIN, kind: 1, spacing: 1000 } };
  const snapped = snapBox({ x: 6040, y: 3970, width: 333, height: 333 }, by, [], squared, 100);
  assert.deepEqual(snapped, { x: 460, y: 530, guides: { x: 6000, y: 4000 } });
});

test('a side that is nearly parallel to a side of another gets parallel to it', () => {
  assert.equal(snapTurn(21, 0, [0, 90], [22.5]), 22.5);
  assert.equal(snapTurn(-67, 0, [0, 90], [22.5]), -67.5);
  assert.equal(snapTurn(179, 0, [0], [178.5]), 178.5);
});

test('near nothing of others a mark catches on whole steps of 15 degrees, counted from upright', () => {
  assert.equal(snapTurn(13.5, 0, [0], []), 15);
  assert.equal(snapTurn(9.4, 4, [4], []), 11);
  assert.equal(snapTurn(8, 0, [0], []), 8);
});

test('a triangle has the directions of its sides, turned with it', () => {
  const mark = {
    body: { kind: 'shape', shape: 2, points: [0, 0, 1000, 0, 1000, 1000] },
    place: { x: 40, y: 7, turn: 1000 },
    scale: null,
  } as unknown as Mark;
  assert.deepEqual(sideDirections(mark).map(Math.round), [10, 100, 55]);
});
