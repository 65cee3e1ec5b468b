import assert from 'node:assert/strict';
import { test } from 'node:test';
import { fewAtOnce } from './few-at-once';

test('never more than so many go on at once, in the order in which they were asked for, and one that fails holds up nobody', async () => {
  const inTurn = fewAtOnce(3);
  const begun: number[] = [];
  let [going, most] = [0, 0];
  const all = Array.from({ length: 20 }, (_, i) =>
    inTurn(async () => {
      begun.push(i);
      most = Math.max(most, ++going);
      await new Promise((done) => setTimeout(done, i % 4));
      going--;
      if (i % 5 === 0) throw new Error('lost');
      return i;
    }),
  );
  const ended = await Promise.allSettled(all);
  assert.equal(most, 3);
  assert.deepEqual(begun, [...begun.keys()]);
  assert.equal(ended.filter((e) => e.status === 'rejected').length, 4);
});
