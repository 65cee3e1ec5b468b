// Cards as questions: who asks the same, and what answers them. Core's Questions.

import { Purpose } from '../wire/forms';
import { isLockedFor } from './locking';
import type { Me } from './sheets';
import type { Card, WallState } from './wall-state';

/** Whether a question is answered: by an answer that is up. */
export function isAnswered(card: Card): boolean {
  return card.answeredBy !== 0 && card.answers.some((a) => a.id === card.answeredBy && a.downBy === 0);
}

/** Whether I may say that I ask the same, or that I do not any more. */
export function mayAskToo(state: WallState, id: number, on: boolean, me: Me): boolean {
  const card = state.cards.get(id);
  if (!card || card.downBy !== 0 || me.isStaff || state.isMine(card, me) || !state.isSeen(card, me)) return false;
  const { purpose, rules } = state.plan;
  return purpose === Purpose.Ask && !(rules.ownFirst && card.byStaff) && card.askedToo.includes(me.number) !== on;
}

/** Whether I may say that an answer answers a question, or with 0 that nothing does: my own; teachers, all. */
export function mayFile(state: WallState, id: number, answer: number, me: Me): boolean {
  const card = state.cards.get(id);
  if (!card || card.downBy !== 0 || state.plan.purpose !== Purpose.Ask) return false;
  if (!me.isStaff && (!state.isMine(card, me) || isLockedFor(state, id, me))) return false;
  if (answer === 0) return isAnswered(card);
  return card.answeredBy !== answer && card.answers.some((a) => a.id === answer && a.downBy === 0);
}

/** Who asks a question, with somebody more or less. */
export function askedBy(card: Card, person: number, on: boolean): number[] {
  const rest = card.askedToo.filter((p) => p !== person);
  return on ? [...rest, person].sort((a, b) => a - b) : rest;
}
