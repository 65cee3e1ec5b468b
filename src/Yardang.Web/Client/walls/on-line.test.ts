import assert from 'node:assert/strict';
import { test } from 'node:test';
import { layAlong, layInField } from './on-line';

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

test('however cards lie in a field, none hides another or a place, and none leaves it sideways; alone, a card lies over its place', () => {
  let seed = 11;
  const random = (below: number) => (seed = (seed * 48_271) % 2_147_483_647) % below;
  for (let round = 0; round < 150; round++) {
    const [width, height] = [320 + random(900), 300 + random(500)];
    const cards = Array.from({ length: 1 + random(30) }, () => ({
      x: random(width + 1),
      y: random(height + 1),
      width: 60 + random(160),
      height: 40 + random(120),
    }));
    const { laid, height: high } = layInField(cards, width, height, GAP);
    for (const [i, a] of laid.entries()) {
      assert.ok(a.left >= 0 && a.left + a.width <= width && a.top >= 0 && a.top + a.height <= high, 'in the field');
      for (const b of laid.slice(i + 1)) {
        const beside = a.left + a.width <= b.left || b.left + b.width <= a.left;
        assert.ok(beside || a.top + a.height <= b.top || b.top + b.height <= a.top, 'nothing is hidden');
      }
      const covers = cards.some(({ x, y }) => x > a.left && x < a.left + a.width && y > a.top && y < a.top + a.height);
      assert.ok(!covers, 'no place is hidden');
    }
  }
  const [alone] = layInField([{ x: 200, y: 200, width: 100, height: 50 }], 400, 400, GAP).laid;
  assert.deepEqual([alone!.left, alone!.top], [150, 142]);
});
