// Between which positions students say where they stand, in the form of a wall's plan.

import type { Texts } from '../room/marks';
import { textIn } from '../surface/in-language';

/** Core's Stances. */
const MOST = 5;
const LEAST = 2;

interface Position {
  /** Its place in the plan before; -1 if it is new. */
  readonly was: number;
  says: string;
}

/** @param changed something was typed or pressed: `typed` is still going on. */
export function stancesFormOf(language: string, changed: (typed: boolean) => void) {
  return {
    /** In order; none where students do not say it. */
    all: [] as Position[],

    show(positions: readonly Texts[]): void {
      this.all = positions.map((says, was) => ({ was, says: textIn(says, [language], language) }));
    },

    plan(before: readonly Texts[], said: (all: Texts | undefined, text: string) => Texts): Texts[] {
      return this.all.map(({ was, says }) => said(before[was], says));
    },

    get isOn(): boolean {
      return this.all.length > 0;
    },

    get isFull(): boolean {
      return this.all.length >= MOST;
    },

    get mayRemove(): boolean {
      return this.all.length > LEAST;
    },

    /** @param words of the positions to begin with. */
    turn(on: boolean, words: string): void {
      this.all = on ? words.split('|').map((says) => ({ was: -1, says })) : [];
      changed(false);
    },

    add(): void {
      if (!this.isFull) this.all.push({ was: -1, says: '' });
      changed(false);
    },

    remove(at: number): void {
      if (this.mayRemove) this.all.splice(at, 1);
      changed(false);
    },

    typed(): void {
      changed(true);
    },
  };
}
