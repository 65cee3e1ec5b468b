// What teachers said to the class, or to some of it: Core's Calls.

import type { Call } from '../wire/forms';
import type { Envelope } from './wire';

/** How long somebody who was away is still called to a place when they come back, ms. */
export const CALL_HOLDS_MS = 60 * 60_000;

/** Whether it is said to somebody. */
export function isFor(call: Call, person: number): boolean {
  return call.people.length === 0 || call.people.includes(person);
}

const joined = (some: readonly number[], person: number) =>
  some.includes(person) ? some : [...some, person].sort((a, b) => a - b);

/** The calls after an event; the same if it is about none. */
export function callsAfter(
  calls: ReadonlyMap<number, Call>,
  { event, actor, time }: Envelope,
): ReadonlyMap<number, Call> {
  const change = (number: number, values: (call: Call) => Partial<Call>) => {
    const call = calls.get(number);
    return call ? new Map(calls).set(number, { ...call, ...values(call) }) : calls;
  };
  switch (event.kind) {
    case 'classCalled': {
      const { number, people, words, to, stays } = event;
      const call = {
        number,
        at: time,
        by: actor,
        people,
        words,
        to,
        stays,
        endedAt: null,
        reached: [],
        read: [],
        answers: [],
      };
      return new Map(calls).set(number, call);
    }
    case 'ledOn':
      return change(event.number, () => ({ to: event.to }));
    case 'callEnded':
      return change(event.number, () => ({ endedAt: time }));
    case 'callConfirmed': {
      const { person, number, read, words: answer } = event;
      return change(number, (call) => ({
        reached: joined(call.reached, person),
        read: read ? joined(call.read, person) : call.read,
        answers: answer === '' ? call.answers : [...call.answers, { person, at: time, words: answer }],
      }));
    }
    default:
      return calls;
  }
}

/** The call by which some of the class are led now. */
export function leadingOf(calls: ReadonlyMap<number, Call>): Call | null {
  return [...calls.values()].filter((c) => c.stays && c.endedAt === null).at(-1) ?? null;
}
