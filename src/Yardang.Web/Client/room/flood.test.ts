import assert from 'node:assert/strict';
import { test } from 'node:test';
import { floodAmong } from './flood';
import { HandReason, Report, Standing } from './lesson-state';

const MINUTE = 60_000;

const person = (number: number, more = {}) => ({
  number,
  joinedAt: 0,
  handUpAt: null,
  readyAt: null,
  standing: Standing.In,
  handedInAt: null,
  isListed: false,
  reason: HandReason.None,
  words: '',
  report: Report.None,
  reportAt: null,
  pensDownUntil: null,
  heldWhy: '',
  ...more,
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
