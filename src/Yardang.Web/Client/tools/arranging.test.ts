import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Change, Mark, Place, Scale } from '../room/marks';
import { changed } from '../room/properties';
import { boxCorners, corners, turned } from '../shapes/geometry';
import { boundsOf, boundsOfAll, onPage } from '../shapes/placed';
import { aligned, distributed, frameOf, middleOfAll, movedBy, scaledBy, turnedBy } from './arranging';

const anybody = () => true;

function box(id: number, x: number, y: number, width: number, height: number): Mark {
  return {
    id,
    page: 1,
    author: 2,
    putBy: 0,
    byStaff: false,
    grip: 0,
    order: id,
    body: { kind: 'shape', shape: 2, points: [x, y, x + width, y, x + width, y + height, x, y + height] },
    style: { colour: 0, width: 60, fill: 0, looks: 0 },
    place: { x: 0, y: 0, turn: 0 },
    cuts: [],
    erased: false,
    scale: null,
    pinned: false,
    tie: 0,
    down: 0,
  };
}

const after = (marks: readonly Mark[], changes: readonly Change[]) =>
  marks.map((m) => changes.filter((c) => c.target === m.id).reduce((now, c) => changed(now, c), m));

const marks = [box(1, 0, 0, 1000, 600), box(2, 3000, 500, 400, 400), box(3, 1500, 4000, 2000, 100)];

test('what is moved there and back is where it was', () => {
  const there = after(marks, movedBy(marks, 700, -300, anybody));
  assert.deepEqual(after(there, movedBy(there, -700, 300, anybody)), marks);
});

test('twenty-four turns by 15 degrees come back to where they began, to a hundredth of a millimetre for each', () => {
  let now: readonly Mark[] = marks;
  const middle = middleOfAll(marks);
  for (let i = 0; i < 24; i++) now = after(now, turnedBy(now, middle, 15, anybody));
  now.forEach((m, i) => {
    assert.equal(m.place.turn, 0);
    assert.ok(Math.hypot(m.place.x - marks[i]!.place.x, m.place.y - marks[i]!.place.y) < 24);
  });
});

test('made twice as large about a corner, the corner stays and the box doubles', () => {
  const before = boundsOfAll(marks);
  const now = boundsOfAll(after(marks, scaledBy(marks, before, 2, 2, anybody)));
  for (const [a, b] of [
    [now.x, before.x],
    [now.y, before.y],
    [now.width, 2 * before.width],
    [now.height, 2 * before.height],
  ])
    assert.ok(Math.abs(a! - b!) <= 2, `${a} and ${b}`);
});

test('a turned mark grows along its own sides, and the corner held still stays', () => {
  const [mark] = after([marks[0]!], turnedBy([marks[0]!], middleOfAll([marks[0]!]), 30, anybody));
  const frame = frameOf([mark!]);
  const fixed = onPage(mark!, { x: 0, y: 0 });
  assert.equal(frame.turn, 30);
  const framed = boxCorners(frame.box).map((c) => turned(c, { x: 500, y: 300 }, 30));
  assert.ok(Math.hypot(framed[0]!.x - fixed.x, framed[0]!.y - fixed.y) < 2);

  const [now] = after([mark!], scaledBy([mark!], fixed, 3, 1, anybody, frame.turn));
  const [a, b, , d] = corners(now!.body as never).map((c) => onPage(now!, c));
  const length = (from: typeof a, to: typeof a) => Math.hypot(to!.x - from!.x, to!.y - from!.y);
  assert.ok(length(a, fixed) < 2);
  assert.ok(Math.abs(length(a, b) - 3000) < 2);
  assert.ok(Math.abs(length(a, d) - 600) < 2);
  assert.equal(now!.place.turn, 3000);
});

test('aligned marks share an edge, and nothing else moves', () => {
  const now = after(marks, aligned(marks, 'right', anybody));
  const edges = now.map((m) => boundsOf(m).x + boundsOf(m).width);
  assert.deepEqual(new Set(edges.map(Math.round)).size, 1);
  now.forEach((m, i) => assert.equal(boundsOf(m).y, boundsOf(marks[i]!).y));
});

test('spread marks have equal gaps, and the outermost stay', () => {
  const now = after(marks, distributed(marks, false, anybody)).map(boundsOf);
  now.sort((a, b) => a.y - b.y);
  const gaps = [now[1]!.y - now[0]!.y - now[0]!.height, now[2]!.y - now[1]!.y - now[1]!.height];
  assert.ok(Math.abs(gaps[0]! - gaps[1]!) <= 1);
  assert.equal(now[0]!.y, 0);
  assert.equal(now[2]!.y, 4000);
});

test('what may not be changed stays as it is', () => {
  const notTwo = (m: Mark) => m.id !== 2;
  for (const changes of [
    movedBy(marks, 5, 5, notTwo),
    turnedBy(marks, { x: 0, y: 0 }, 10, notTwo),
    scaledBy(marks, { x: 0, y: 0 }, 2, 2, notTwo),
    aligned(marks, 'left', notTwo),
  ])
    assert.ok(changes.every((c) => c.target !== 2));
});

test('a scale never leaves its range, however often it is doubled', () => {
  let now: readonly Mark[] = [marks[0]!];
  for (let i = 0; i < 40; i++) now = after(now, scaledBy(now, { x: 0, y: 0 }, 2, 2, anybody));
  const scale = now[0]!.scale as Scale;
  assert.deepEqual(scale, { x: 100_000, y: 100_000 });
  assert.ok(Number.isInteger((now[0]!.place as Place).x));
});
