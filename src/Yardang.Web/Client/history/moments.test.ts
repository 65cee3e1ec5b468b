import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Envelope } from '../room/wire';
import { Moments } from './moments';

/** A room that remembers which events it was given. */
class Sum {
  number = 0;
  constructor(readonly given: number[] = []) {}
  copy(): Sum {
    return new Sum([...this.given]);
  }
  apply({ number }: Envelope): void {
    this.given.push(number);
  }
}

const event = (number: number) => ({ number, event: { kind: 'other' } }) as Envelope;

test('any moment is what the events up to it add up to, in whatever order moments are asked for', () => {
  const moments = new Moments(new Sum());
  for (let n = 1; n <= 1_203; n++) moments.add(event(n));
  for (const count of [1_203, 0, 250, 249, 251, 1_000, 999, 1, 1_203, 1_202]) {
    const { given } = moments.at(count);
    assert.equal(given.length, count);
    assert.ok(given.every((number, i) => number === i + 1));
  }
  assert.equal(moments.now.given.length, 1_203);
});

test('it knows the number of the last event of a moment, also where it began with one', () => {
  const begun = new Sum();
  begun.number = 1;
  const moments = new Moments(begun);
  moments.add(event(2));
  assert.deepEqual([moments.numberAt(0), moments.numberAt(1)], [1, 2]);
});
