import assert from 'node:assert/strict';
import { test } from 'node:test';
import { layAlong } from './on-line';

const GAP = 8;

test('however cards stand along a line, none hides another, none leaves the line, and each is over its place', () => {
  let seed = 7;
  const random = (below: number) => (seed = (seed * 48_271) % 2_147_483_647) % below;
  for (let round = 0; round < 300; round++) {
    const length = 300 + random(1000);
    const cards = Array.from({ length: 1 + random(40) }, () => ({
      at: random(length + 1),
      width: 60 + random(200),
      height: 40 + random(160),
    })).sort((a, b) => a.at - b.at);
    const { laid, height } = layAlong(cards, length, GAP);
    const boxes = cards.map((c, i) => ({ ...laid[i]!, ...c }));
    for (const [i, a] of boxes.entries()) {
      assert.ok(a.start >= 0 && a.start + a.width <= length, 'on the line');
      assert.ok(a.start <= a.at && a.at <= a.start + a.width, 'over its place');
      assert.ok(a.bottom >= 0 && a.bottom + a.height <= height, 'within the height');
      for (const b of boxes.slice(i + 1)) {
        const beside = a.start + a.width <= b.start || b.start + b.width <= a.start;
        const above = a.bottom + a.height <= b.bottom || b.bottom + b.height <= a.bottom;
        assert.ok(beside || above, 'nothing is hidden');
      }
    }
  }
});

test('cards that do not meet stand all in the lowest row', () => {
  const cards = [50, 200, 350].map((at) => ({ at, width: 80, height: 60 }));
  assert.deepEqual(
    layAlong(cards, 400, GAP).laid.map((l) => l.bottom),
    [0, 0, 0],
  );
});
