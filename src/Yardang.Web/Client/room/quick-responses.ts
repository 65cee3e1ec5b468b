// Stamps on cards: Core's QuickResponses.

import type { Response } from '../wire/forms';
import type { Me } from './sheets';
import type { Card, WallState } from './wall-state';

/** Who responded to a card with a stamp; nobody, as long as none did. */
export function respondedWith(card: Card, stamp: string): Response {
  return card.responses.find((r) => r.stamp === stamp) ?? { stamp, people: [], byStaff: false };
}

export function responds(card: Card, stamp: string, me: Me): boolean {
  const { people, byStaff } = respondedWith(card, stamp);
  return me.isStaff ? byStaff : people.includes(me.number);
}

/** Whether I may respond to a card at all. Nobody responds to their own; while each sees only their own, all would see it on a teacher's card. */
export function mayRespond(state: WallState, card: Card, me: Me): boolean {
  const isOwn = card.byStaff === me.isStaff && (me.isStaff || card.author === me.number);
  return card.downBy === 0 && !isOwn && state.isSeen(card, me) && !(state.plan.rules.ownFirst && card.byStaff);
}

/** A card to which somebody responds, or does not any more. */
export function respondedTo(card: Card, stamp: string, by: Me, on: boolean): Response[] {
  const before = respondedWith(card, stamp);
  const others = before.people.filter((p) => p !== by.number);
  const after = by.isStaff
    ? { ...before, byStaff: on }
    : { ...before, people: on ? [...others, by.number].sort((a, b) => a - b) : others };
  const rest = card.responses.filter((r) => r.stamp !== stamp);
  const all = after.byStaff || after.people.length > 0 ? [...rest, after] : rest;
  return all.sort((a, b) => (a.stamp < b.stamp ? -1 : 1));
}
