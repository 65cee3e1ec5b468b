// The parts and pages of a lesson as one list, between which students go back and forth; and what the teacher has opened just now.

import { fill } from '../page-data';

export interface ContentsPart {
  readonly number: number;
  /** Empty as long as it is not open; so is the address. */
  readonly name: string;
  readonly address: string | null;
  readonly pages: readonly { readonly id: number; readonly name: string }[];
}

interface Line extends ContentsPart {
  readonly place: number;
  readonly isHere: boolean;
}

/**
 * @param here the part of this page; 0 of none.
 * @param opened "{0} is open now" in the language of the interface.
 */
export function contentsOf(given: readonly ContentsPart[], here: number, opened: string) {
  const lines = (parts: readonly ContentsPart[]): Line[] =>
    parts.map((part, i) => ({ ...part, place: i + 1, isHere: part.number === here }));

  return {
    parts: lines(given),
    /** The part that was opened while this page was looked at; null for none. */
    fresh: null as Line | null,

    get title(): string {
      const part = (this.parts as Line[]).find((p) => p.isHere);
      return part ? `${part.place}. ${part.name}` : '';
    },

    get freshText(): string {
      return this.fresh ? fill(opened, `${this.fresh.place}. ${this.fresh.name}`) : '';
    },

    take(parts: readonly ContentsPart[]): void {
      const before = this.parts as Line[];
      const now = lines(parts);
      if (before.length > 0) {
        const isNew = (p: Line) => p.address !== null && before.find((b) => b.number === p.number)?.address === null;
        this.fresh = now.find(isNew) ?? now.find((p) => p.number === this.fresh?.number && p.address) ?? null;
      }
      this.parts = now;
    },

    notNow(): void {
      this.fresh = null;
    },
  };
}
