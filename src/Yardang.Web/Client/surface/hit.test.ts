import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Body, Mark, Style } from '../room/marks';
import { isAt, markAt } from './hit';

function mark(id: number, body: Body, style: Partial<Style> = {}, more: Partial<Mark> = {}): Mark {
  return {
    id,
    page: 1,
    author: 2,
    putBy: 0,
    byStaff: false,
    grip: 0,
    order: id,
    body,
    style: { colour: 0, width: 60, fill: 0, looks: 0, ...style },
    place: { x: 0, y: 0, turn: 0 },
    cuts: [],
    erased: false,
    scale: null,
    pinned: false,
    tie: 0,
    down: 0,
    ...more,
  };
}

const ring: Body = { kind: 'shape', shape: 3, points: [0, 0, 4000, 4000] };
const square: Body = { kind: 'shape', shape: 2, points: [0, 0, 4000, 0, 4000, 4000, 0, 4000] };
const stroke: Body = { kind: 'ink', points: [0, 0, 128, 0, 4000, 0, 128, 40] };
const middle = { x: 2000, y: 2000 };

test('a ring round an idea does not catch what it rings, a filled one does', () => {
  assert.equal(isAt(mark(1, ring), middle, 200), false);
  assert.equal(isAt(mark(1, ring), { x: 4000, y: 2000 }, 200), true);
  assert.equal(isAt(mark(1, ring, { fill: 2 }), middle, 200), true);
  assert.equal(isAt(mark(1, square), middle, 200), false);
  assert.equal(isAt(mark(1, square, { fill: 1 }), middle, 200), true);
});

test('the corner of the box round a ring is outside it, also when it is filled', () => {
  assert.equal(isAt(mark(1, ring, { fill: 1 }), { x: 150, y: 150 }, 100), false);
});

test('what was turned, moved and made larger is found where it is and not where it was', () => {
  const turned = mark(1, stroke, {}, { place: { x: 0, y: 0, turn: 9000 } });
  assert.equal(isAt(turned, { x: 2000, y: 1900 }, 100), true);
  assert.equal(isAt(turned, { x: 300, y: 0 }, 100), false);
  const moved = mark(1, stroke, {}, { place: { x: 0, y: 5000, turn: 0 } });
  assert.equal(isAt(moved, { x: 1000, y: 5000 }, 100), true);
  const larger = mark(1, stroke, {}, { scale: { x: 2000, y: 1000 } });
  assert.equal(isAt(larger, { x: -1900, y: 0 }, 100), true);
});

test('a part that was rubbed out is not found', () => {
  const cut = mark(1, stroke, {}, { cuts: [1000, 3000] });
  assert.equal(isAt(cut, { x: 2000, y: 0 }, 200), false);
  assert.equal(isAt(cut, { x: 500, y: 0 }, 200), true);
});

test('the mark in front is found first, unless it may not be picked', () => {
  const marks = [mark(1, square, { fill: 1 }), mark(2, square, { fill: 2 })];
  assert.equal(markAt(marks, 2000, 2000, 100, () => true)?.id, 2);
  assert.equal(markAt(marks, 2000, 2000, 100, (m) => m.id === 1)?.id, 1);
  assert.equal(
    markAt(marks, 9000, 9000, 100, () => true),
    null,
  );
});
