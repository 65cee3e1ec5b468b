// What a teacher is pointed to on a wall: cards that hardly say anything, that say the same, that seem to stand elsewhere; and the ideas that went farthest.

import type { WallState } from '../room/wall-state';
import type { Command } from '../room/wire';

interface Noticed {
  readonly says: string;
  readonly card: number;
  /** Which says nearly the same; 0 for none. */
  readonly same: number;
}

interface Texts {
  readonly nothingNoticed: string;
  readonly networkAway: string;
}

/** @param address where it is told. */
export function noticedOn(wall: () => WallState, submit: (command: Command) => void, address: string, texts: Texts) {
  return {
    /** Null as long as nobody asked. */
    lines: null as readonly Noticed[] | null,
    words: '',

    /** Asked for: it may be on the wall for all to see. */
    async look(): Promise<void> {
      try {
        const answer = await fetch(address);
        if (!answer.ok) throw new Error(`${answer.status}`);
        this.lines = (await answer.json()) as Noticed[];
        this.words = this.lines.length === 0 ? texts.nothingNoticed : '';
      } catch {
        this.lines = [];
        this.words = texts.networkAway;
      }
    },

    lookAway(): void {
      this.lines = null;
      this.words = '';
    },

    /** Lets a card join the one that says the same, with all that has joined it. */
    join({ card, same }: Noticed): void {
      const up = [...wall().cards.values()].filter((c) => c.downBy === 0);
      for (const c of up.filter((other) => other.joined === card)) submit({ kind: 'joinCard', card: c.id, onto: same });
      submit({ kind: 'joinCard', card, onto: same });
      this.lines = (this.lines ?? []).filter((l) => l.card !== card);
    },
  };
}
