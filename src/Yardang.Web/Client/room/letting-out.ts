// Where names are hidden from students: what comes out together, and who has done what is not out yet. Core's LetOut.

import { NamesTo, type WallPlan } from '../wire/forms';
import type { Envelope } from './wire';

interface Thing {
  readonly id: number;
  readonly author: number;
  readonly byStaff: boolean;
  readonly downBy: number;
}

/** Whether students are not told who wrote what. */
export function hidesNames({ rules }: WallPlan): boolean {
  return rules.names !== 0;
}

/** Whether teachers are not told either. */
export function isSealed({ rules }: WallPlan): boolean {
  return rules.names === NamesTo.Nobody;
}

/** Whether it is a classmate's of whom nobody may know that it is theirs. */
export function isNobodys({ author, byStaff }: Pick<Thing, 'author' | 'byStaff'>): boolean {
  return author === 0 && !byStaff;
}

/** Cards or links after what is new came out; of what is gone, nothing is known here any more. */
export function letOut<T extends Thing>(known: ReadonlyMap<number, T>, told: readonly T[], gone: readonly number[]) {
  const after = new Map(known);
  for (const thing of told) after.set(thing.id, thing);
  for (const id of gone) {
    const thing = after.get(id);
    if (thing && thing.downBy === 0 && isNobodys(thing)) after.delete(id);
  }
  return after as ReadonlyMap<number, T>;
}

const HELD = new Set<string>([
  ...['cardPutUp', 'cardPutBack', 'cardReworded', 'cardMoved', 'cardTakenDown', 'answerGiven', 'answerPutBack'],
  ...[
    'answerReworded',
    'answerTakenDown',
    'askedToo',
    'cardRespondedTo',
    'cardJoined',
    'cardColoured',
    'cardLocked',
    'questionFiled',
    'cardPlaced',
    'cardLaid',
    'cardsLinked',
  ],
  ...['linkReworded', 'linkReversed', 'linkTakenDown', 'linkPutBack'],
]);
const OUT = new Set<string>(['cardsLetOut', 'cardsShown', 'cardsBrought']);
const NONE: ReadonlySet<number> = new Set();

/** Who has done what is not out yet, after something happened. */
export function heldAfter(
  { event, actor, byStaff }: Envelope,
  held: ReadonlySet<number>,
  plan: WallPlan,
): ReadonlySet<number> {
  if (!hidesNames(plan) || OUT.has(event.kind)) return NONE;
  if (event.kind === 'lateWorkAccepted') return event.outcome ? new Set(held).add(event.person) : held;
  return !byStaff && HELD.has(event.kind) ? new Set(held).add(actor) : held;
}
