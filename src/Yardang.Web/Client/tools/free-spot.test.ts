import assert from 'node:assert/strict';
import { test } from 'node:test';
import { freeSpot } from './free-spot';

const PAGE = { x: 0, y: 0, width: 20_000, height: 10_000 };
const SIZE = { width: 4000, height: 2000 };

test('what is new goes to the middle of an empty page', () => {
  assert.deepEqual(freeSpot(PAGE, SIZE, []), { x: 8000, y: 4000 });
});

test('what is new covers nothing, stays in sight, and is as near to the middle as it can be', () => {
  const title = { x: 7000, y: 4500, width: 6000, height: 800 };
  const spot = freeSpot(PAGE, SIZE, [title]);
  assert.ok(spot.y + SIZE.height <= title.y - 200 || spot.y >= title.y + title.height + 200);
  assert.ok(spot.y >= 0 && spot.y + SIZE.height <= PAGE.height);
  assert.equal(spot.x, 8000);
  const taken = [title];
  for (let i = 0; i < 5; i++) {
    const next = freeSpot(PAGE, SIZE, taken);
    const covers = taken.some(
      (b) =>
        b.x < next.x + SIZE.width && next.x < b.x + b.width && b.y < next.y + SIZE.height && next.y < b.y + b.height,
    );
    assert.ok(!covers, `covers something as number ${i}`);
    taken.push({ ...next, ...SIZE });
  }
});

test('where there is no room it goes to the middle, also where it is larger than what is in sight', () => {
  assert.deepEqual(freeSpot(PAGE, SIZE, [PAGE]), { x: 8000, y: 4000 });
  assert.deepEqual(freeSpot({ x: 0, y: 0, width: 1000, height: 1000 }, SIZE, []), { x: -1500, y: -500 });
});
