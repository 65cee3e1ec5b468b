import assert from 'node:assert/strict';
import { test } from 'node:test';
import { inOrder } from './views';

const boards = [
  { id: 'a', name: 'Zoë', came: 0, group: 1 },
  { id: 'b', name: 'ámbar', came: 1, group: 9 },
  { id: 'c', name: '10', came: 2, group: 0 },
  { id: 'd', name: '9', came: 3, group: 0 },
];
const ids = (view: Parameters<typeof inOrder>[1]) =>
  inOrder(boards, view, 'en')
    .map((b) => b.id)
    .join('');

test('boards stand as they came, by name as people sort names and numbers, or by group', () => {
  assert.equal(ids('came'), 'abcd');
  assert.equal(ids('page'), 'abcd');
  assert.equal(ids('name'), 'dcba');
  assert.equal(ids('group'), 'dcab');
});
