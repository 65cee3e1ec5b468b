import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Standing } from '../room/lesson-state';
import { floodAmong } from '../room/flood';
import { type NeedsTexts, needsMe } from './needs-me';

const texts: NeedsTexts = {
  needDoor: 'door',
  needHand: 'hand',
  needReady: 'ready',
  needLate: 'late {0}',
  needLateEarlier: 'earlier {0}',
  needIdle: 'stopped',
  needNotStarted: 'not started',
  waiting: 'now',
  waitingMinutes: '{0} min',
};
const MINUTE = 60_000;

const person = (number: number, more = {}) => ({
  number,
  joinedAt: 0,
  handUpAt: null,
  readyAt: null,
  standing: Standing.In,
  handedInAt: null,
  isListed: false,
  ...more,
});

const worker = (number: number, lastActivity: number | null, more = {}) => ({
  number,
  name: `student ${number}`,
  board: `board ${number}`,
  person: person(number, more),
  lastActivity,
});

test('hands come before work that waits, and that before who has stopped', () => {
  const late = [{ board: 'old board', person: 4, count: 3, name: 'student 4', isEarlier: true }];
  const found = needsMe(
    [worker(2, 0), worker(3, 9 * MINUTE, { handUpAt: 8 * MINUTE }), worker(4, 9 * MINUTE)],
    late,
    10 * MINUTE,
    true,
    texts,
  );
  assert.deepEqual(
    found.map((n) => [n.name, n.why, n.board]),
    [
      ['student 3', 'hand', 'board 3'],
      ['student 4', 'earlier 3', 'old board'],
      ['student 2', 'stopped', 'board 2'],
    ],
  );
});

test('who has only come in has not started', () => {
  const [need] = needsMe([worker(2, null)], [], 10 * MINUTE, true, texts);
  assert.equal(need?.why, 'not started');
});

test('newcomers one right after the other are a flood, those on the class list and a class are none', () => {
  const many = (count: number, more = {}) =>
    Array.from({ length: count }, (_, i) => person(i + 2, { joinedAt: i * 1000, ...more }));
  assert.equal(floodAmong(many(60)), null);
  assert.equal(floodAmong(many(200, { isListed: true })), null);
  assert.equal(floodAmong(many(61))?.people.length, 61);
  // A class that came before, and then a pause.
  const later = many(61).map((p) => ({ ...p, number: p.number + 100, joinedAt: p.joinedAt + 10 * MINUTE }));
  assert.equal(floodAmong([...many(24), ...later])?.since, 10 * MINUTE);
});
