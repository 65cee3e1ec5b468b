// Reading lists, in a teacher's hand: dealing the cards out to who is here, and how far they are read.

import { fill, plural } from '../page-data';
import { isSealed } from '../room/letting-out';
import { readingOf } from '../room/reading';
import type { WallState } from '../room/wall-state';

interface Texts {
  readonly readingNone: string;
  readonly readingDone: string;
  readonly readingUnread: string;
  readonly readingNobody: string;
  readonly networkAway: string;
}

/** Core's ReadingLists. */
const MOST_EACH = 20;
const USUAL_EACH = 3;

/**
 * @param address where cards are dealt.
 * @param token against requests from elsewhere.
 * @param say says something in passing.
 */
export function readingSteered(
  wall: () => WallState,
  address: string,
  token: () => string,
  say: (words: string) => void,
  texts: Texts,
) {
  return {
    isPossible: false,
    isDealt: false,
    each: USUAL_EACH,
    words: '',
    isDealing: false,

    refresh(): void {
      const state = wall();
      const lists = [...state.reading.keys()].flatMap((person) => readingOf(state, person) ?? []);
      this.isPossible = !state.plan.rules.ownFirst && !isSealed(state.plan);
      this.isDealt = lists.length > 0;
      const done = lists.filter((l) => l.unread.length === 0).length;
      const read = new Set([...state.reading.values()].flatMap((l) => l.read));
      const unread = [...state.cards.values()].filter(
        (c) => c.downBy === 0 && c.joined === 0 && !read.has(c.id),
      ).length;
      this.words = this.isDealt
        ? `${fill(texts.readingDone, done, lists.length)} ${plural(texts, 'readingUnread', unread)}`
        : texts.readingNone;
    },

    setEach(value: string): void {
      const typed = Math.floor(Number(value));
      if (Number.isFinite(typed)) this.each = Math.min(MOST_EACH, Math.max(1, typed));
    },

    async deal(): Promise<void> {
      this.isDealing = true;
      const answer = await fetch(address, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', RequestVerificationToken: token() },
        body: JSON.stringify({ each: this.each }),
      }).catch(() => null);
      this.isDealing = false;
      if (!answer?.ok) return say(texts.networkAway);
      const { people } = (await answer.json()) as { people: number };
      if (people === 0) say(texts.readingNobody);
    },
  };
}
