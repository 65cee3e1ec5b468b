// Golden vectors written by Core (tests/golden): the browser computes the same.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { outline } from './ink/outline';
import { lengths, remaining, remainingIntervals, underEraser, union } from './ink/stroke';
import { Sheets } from './room/sheets';
import { readEnvelope } from './room/wire';
import { INK, NOTE, PRINT, TEACHER_INK } from './surface/palette';
import { decode } from '@msgpack/msgpack';

const golden = (name: string) => JSON.parse(readFileSync(`../../tests/golden/${name}.json`, 'utf8'));
const bytes = (base64: string) => Uint8Array.from(Buffer.from(base64, 'base64'));

test('ink has the same outline as in Core', () => {
  for (const { points, width, polygons } of golden('ink')) {
    const drawn = outline(points, width);
    assert.equal(drawn.length, polygons.length);
    drawn.forEach((polygon, i) => {
      assert.equal(polygon.length, polygons[i].length);
      polygon.forEach((v, k) => assert.ok(Math.abs(v - polygons[i][k]) < 0.01, `${v} and ${polygons[i][k]}`));
    });
  }
});

test('rubbing out cuts the same parts as in Core', () => {
  for (const { points, x, y, radius, cuts, earlier, together, left, parts } of golden('cuts')) {
    assert.deepEqual(underEraser(points, x, y, radius), cuts);
    assert.deepEqual(union(cuts, earlier), together);
    const sums = lengths(points);
    assert.deepEqual(remainingIntervals(together, Math.ceil(sums[sums.length - 1]!)), left);
    if (together.length > 0) assert.deepEqual(remaining(points, together), parts);
  }
});

test('a log of events leaves the same marks, journal and late work as in Core', () => {
  for (const { start, events, end, undo, redo } of golden('boards')) {
    const read = (snapshot: string) => {
      const [, , number, , state] = decode(bytes(snapshot)) as any[];
      return Sheets.read(number, state);
    };
    const board = read(start);
    for (const event of events) {
      const envelope = readEnvelope(decode(bytes(event)) as any[]);
      board.number = envelope.number;
      board.apply(envelope);
    }
    assert.deepEqual(plain(board), plain(read(end)));
    for (const actor of Object.keys(undo)) assert.equal(board.nextUndo(Number(actor)), undo[actor]);
    for (const actor of Object.keys(redo)) assert.equal(board.nextRedo(Number(actor)), redo[actor]);
  }
});

test('a prediction of undo does what Core does', () => {
  for (const { before, actor, gesture, event } of golden('undo')) {
    const [, , number, , state] = decode(bytes(before)) as any[];
    const board = Sheets.read(number, state);
    const foreseen = board.predict({ kind: 'undo', gesture }, { number: actor, isStaff: actor === 1 }, false);
    assert.deepEqual(foreseen, readEnvelope(decode(bytes(event)) as any[]).event);
  }
});

test('colours are those of Core', () => {
  const hex = (n: number) => `#${n.toString(16).padStart(6, '0')}`;
  const palette = golden('palette');
  assert.deepEqual([...INK], palette.ink.map(hex));
  assert.deepEqual([...NOTE], palette.note.map(hex));
  assert.equal(TEACHER_INK, hex(palette.teacherInk));
  assert.equal(PRINT, hex(palette.print));
});

// What counts: marks as they stand, what can be undone and redone, and late work. Writers that no longer matter are left out of a snapshot.
function plain(board: Sheets) {
  const { gestures } = board as unknown as { gestures: Map<number, { steps: Map<string, unknown> }> };
  return {
    marks: [...board.allMarks].sort((a, b) => a.id - b.id),
    late: [...board.setAside],
    lastActivity: board.lastActivity,
    frontOrder: board.frontOrder,
    gestures: [...gestures.values()].map((g) => ({ ...g, steps: [...g.steps.entries()] })).sort(byActorThenOrder),
  };
}

function byActorThenOrder(a: any, b: any): number {
  return a.actor - b.actor;
}
