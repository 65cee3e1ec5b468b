// Cards that somebody takes from a wall to a page of theirs: they wait on this device until they are put there.

import type { Attachment } from '../wire/forms';

export interface BroughtCard {
  readonly text: string;
  readonly language: string;
  readonly attachments: readonly Attachment[];
  /** Whose it is, as names are shown on the wall; empty for one's own, and where nobody is named. */
  readonly by: string;
}

const MOST = 12;

/** @param who as whom this tab acts, so that a shared device keeps people apart. */
export function broughtCards(who: string, lesson: string) {
  const key = `yardang.brought.${who}.${lesson}`;

  return {
    all(): readonly BroughtCard[] {
      try {
        const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
        return Array.isArray(kept) ? (kept as BroughtCard[]) : [];
      } catch {
        return [];
      }
    },

    /** False if there are too many already, or the device has no room. */
    take(card: BroughtCard): boolean {
      const before = this.all();
      if (before.length >= MOST) return false;
      try {
        localStorage.setItem(key, JSON.stringify([...before, card]));
        return true;
      } catch {
        return false;
      }
    },

    clear(): void {
      localStorage.removeItem(key);
    },

    /** Calls back when another tab takes one along. */
    watch(changed: () => void): void {
      window.addEventListener('storage', (e) => e.key === key && changed());
    },
  };
}
