import assert from 'node:assert/strict';
import { test } from 'node:test';
import { columnsFor, mostColumns } from './arranging';

const room = { width: 908, height: 650 };
const heightOf = (count: number, columns: number) => {
  const width = (room.width - 10 * (columns - 1)) / columns;
  return Math.ceil(count / columns) * (width / 1.414 + (width < 100 ? 28 : 52) + 10) - 10;
};

test('boards are as large as the room allows, up to a hundred: all are in sight, and one column fewer would cut some', () => {
  for (let count = 1; count <= 100; count++) {
    const columns = columnsFor(count, room);
    assert.ok(heightOf(count, columns) <= room.height, `${count} in ${columns}`);
    if (columns > 1) assert.ok(heightOf(count, columns - 1) > room.height, `${count} in ${columns - 1}`);
  }
});

test('more than fit are shown as small as can be recognized', () => {
  assert.equal(columnsFor(500, room), mostColumns(room));
  assert.equal(columnsFor(1, { width: 40, height: 50 }), 1);
});
