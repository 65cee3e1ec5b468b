import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Command } from '../room/wire';
import type { LateWork } from '../wire/forms';
import { describe } from './waiting-work';

const late = (number: number, command: object, why = 1) => ({ number, command: command as Command, why }) as LateWork;
const put = { kind: 'putUpCard', id: 7, topic: 11, text: 'Stone is sh1t', attachments: [], from: [] };

test('what was done to one card that waits is one thing, with the words that were written last', () => {
  const [card, ...others] = describe([
    late(3, put),
    late(4, { kind: 'moveCard', id: 7, topic: 12, order: 1 }, 2),
    late(5, { kind: 'rewordCard', id: 7, text: 'Stone lasts', attachments: [] }, 2),
  ]);
  assert.equal(others.length, 0);
  assert.deepEqual(card!.numbers, [3, 4, 5]);
  assert.equal(card!.words, 'Stone lasts');
  assert.equal(card!.wasFound, true);
  assert.deepEqual(card!.command, { ...put, text: 'Stone lasts' });
});

test('what has words is listed each by itself, and what has none together', () => {
  const things = describe([
    late(3, put),
    late(6, { kind: 'giveAnswer', about: 1, id: 9, to: 0, text: 'Why?' }),
    late(8, { kind: 'makeChanges', changes: [{ target: 4, property: 1, value: { x: 1, y: 2, turn: 0 } }] }, 0),
    late(9, { kind: 'undoGesture', gesture: 12 }, 0),
  ]);
  assert.deepEqual(
    things.map(({ words, numbers, wasFound, command }) => [words, numbers, wasFound, command === null]),
    [
      ['Stone is sh1t', [3], true, false],
      ['Why?', [6], true, false],
      ['', [8, 9], false, true],
    ],
  );
});
