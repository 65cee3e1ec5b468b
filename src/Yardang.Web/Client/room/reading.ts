// Who is to read which cards: Core's ReadingLists.

import type { ReadingList } from '../wire/forms';
import type { Me } from './sheets';
import type { Card, WallState } from './wall-state';
import type { RoomEvent } from './wire';

type Lists = ReadonlyMap<number, ReadingList>;

const MOST_EACH = 20;

/** After somebody was given cards to read, or has read one. */
export function readingAfter(
  lists: Lists,
  event: Extract<RoomEvent, { kind: 'readingGiven' | 'cardRead' }>,
  actor: number,
): Lists {
  if (event.kind === 'readingGiven') {
    const read = lists.get(event.person)?.read ?? [];
    const cards = [...new Set([...read, ...event.cards])].sort((a, b) => a - b);
    return new Map(lists).set(event.person, { person: event.person, cards, read });
  }
  const list = lists.get(actor);
  return list ? new Map(lists).set(actor, { ...list, read: [...list.read, event.card] }) : lists;
}

export function mayGiveReading(state: WallState, person: number, cards: readonly number[], me: Me): boolean {
  if (!me.isStaff || state.plan.rules.ownFirst || person <= 0 || cards.length > MOST_EACH) return false;
  if (new Set(cards).size < cards.length) return false;
  return cards.every((id) => {
    const card = state.cards.get(id);
    return card !== undefined && card.downBy === 0 && (card.byStaff || card.author !== person);
  });
}

/** Whether a card is on my list, and I have not read it. */
export function isToRead(state: WallState, card: number, me: Me): boolean {
  const list = me.isStaff ? undefined : state.reading.get(me.number);
  return list !== undefined && list.cards.includes(card) && !list.read.includes(card);
}

/** A student's list: those that are up, that they see and that stand by themselves, and which of them they have not read; null for none. */
export function readingOf(state: WallState, person: number): { cards: Card[]; unread: Card[] } | null {
  const list = state.reading.get(person);
  const reader = { number: person, isStaff: false };
  const cards = (list?.cards ?? [])
    .flatMap((id) => state.cards.get(id) ?? [])
    .filter((c) => c.downBy === 0 && state.isSeen(c, reader) && !state.isUp(c.joined));
  return cards.length > 0 ? { cards, unread: cards.filter((c) => !list!.read.includes(c.id)) } : null;
}
