import assert from 'node:assert/strict';
import { test } from 'node:test';
import { PhaseKind } from '../wire/forms';
import { isOver, timeLeft } from './time-left';

test('time is counted down to the second, and never below nothing', () => {
  assert.equal(timeLeft(185_000, 0), '3:05');
  assert.equal(timeLeft(185_000, 184_001), '0:01');
  assert.equal(timeLeft(185_000, 185_000), '0:00');
  assert.equal(timeLeft(185_000, 999_000), '0:00');
  assert.equal(timeLeft(null, 5), '');
});

test('who has more time is done later than the others', () => {
  const plan = { kind: PhaseKind.Work, words: '', minutes: 5, endsItself: true, part: 0, withheld: 0, planned: 0 };
  const phase = { plan, begunAt: 0, endsAt: 300_000, longer: [{ person: 2, until: 400_000 }] };
  assert.equal(isOver(phase, 3, 300_000), true);
  assert.equal(isOver(phase, 2, 300_000), false);
  assert.equal(isOver(phase, 2, 400_000), true);
  assert.equal(isOver(null, 2, 400_000), false);
});
