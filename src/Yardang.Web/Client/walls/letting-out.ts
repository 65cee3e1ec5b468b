// Where names are hidden from students: that it is so, and a teacher's hand on what classmates do not see yet.

import { plural } from '../page-data';
import { hidesNames, isSealed } from '../room/letting-out';
import type { WallState } from '../room/wall-state';
import type { Command } from '../room/wire';

interface Texts {
  readonly held: string;
  readonly heldOne: string;
  readonly heldSealed: string;
}

/** @param isShared whether there are classmates on this wall. */
export function lettingOut(wall: () => WallState, submit: (command: Command) => void, isShared: boolean, texts: Texts) {
  return {
    /** Whether students do not see whose a card is. */
    areNamesHidden: false,
    /** Whether teachers do not see it either. */
    isSealed: false,
    /** Who has done what classmates do not see yet, in words; empty for nobody. */
    words: '',

    refresh(): void {
      const { plan, held } = wall();
      this.areNamesHidden = isShared && hidesNames(plan);
      this.isSealed = this.areNamesHidden && isSealed(plan);
      const isHeld = isShared && held.size > 0 && !plan.rules.ownFirst;
      this.words = isHeld ? plural(texts, 'held', held.size) : this.isSealed ? texts.heldSealed : '';
    },

    now(): void {
      submit({ kind: 'letCardsOut' });
    },
  };
}
