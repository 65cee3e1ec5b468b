// What students told their teacher is not all right: each knows what they told themselves, teachers know all.

import type { Answer, Concern } from '../wire/forms';
import type { Me } from './sheets';
import type { Command, Envelope, RoomEvent } from './wire';

export function concernsAfter(concerns: readonly Concern[], { event, number, actor, time }: Envelope) {
  if (event.kind === 'concernRaised') {
    const { about, answer, reason, words } = event;
    return [...concerns, { number, person: actor, about, answer, reason, words, at: time }];
  }
  if (event.kind !== 'concernsSettled') return concerns;
  return concerns.filter((c) => c.about !== event.about || c.answer !== event.answer);
}

export function isTold(concerns: readonly Concern[], about: number, answer: number): boolean {
  return concerns.some((c) => c.about === about && c.answer === answer);
}

/** Of a classmate's work that is there, once. */
export function mayTell(
  concerns: readonly Concern[],
  thing: Pick<Answer, 'author' | 'byStaff'> | undefined,
  me: Me,
  about: number,
  answer: number,
): boolean {
  return !!thing && !me.isStaff && !thing.byStaff && thing.author !== me.number && !isTold(concerns, about, answer);
}

export function foreseeConcern(command: Command, may: (about: number, answer: number) => boolean): RoomEvent | null {
  if (command.kind !== 'raiseConcern' || !may(command.about, command.answer)) return null;
  return { ...command, kind: 'concernRaised' };
}
