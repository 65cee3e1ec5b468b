import assert from 'node:assert/strict';
import { test } from 'node:test';
import { byTheSame, chosenAfter, inOrder, inTheSamePlace, type TrayThing } from './tray-things';

const thing = (key: string, since: number, person: number, more: Partial<TrayThing> = {}) =>
  ({ key, since, person, lesson: 'one', room: 'wall', where: 'Materials', kind: 'card', ...more }) as TrayThing;
const keys = (things: readonly TrayThing[]) => things.map(({ key }) => key).join('');

test('what waits longest comes first, and by person who has waited longest', () => {
  const things = [thing('c', 3, 2), thing('a', 1, 3), thing('b', 2, 2), thing('d', 4, 3)];
  assert.equal(keys(inOrder(things, false)), 'abcd');
  assert.equal(keys(inOrder(things, true)), 'adbc');
});

test('all by one, and all in one topic', () => {
  const other = thing('o', 5, 2, { lesson: 'two', room: 'board', where: 'Page 1' });
  const things = [thing('a', 1, 2), thing('b', 2, 3), thing('c', 3, 2, { where: 'Forces' }), other];
  assert.equal(keys(byTheSame(things, things[0]!)), 'ac');
  assert.equal(keys(inTheSamePlace(things, things[0]!)), 'ab');
});

test('after a decision the next is looked at, and at the end the last', () => {
  const [a, b, c] = [thing('a', 1, 2), thing('b', 2, 2), thing('c', 3, 2)];
  assert.equal(chosenAfter([a, b, c], [a, c], 'b'), 'c');
  assert.equal(chosenAfter([a, b, c], [a, b], 'c'), 'b');
  assert.equal(chosenAfter([a, b, c], [a, b, c], 'b'), 'b');
  assert.equal(chosenAfter([], [a], ''), 'a');
  assert.equal(chosenAfter([a], [], 'a'), '');
});
