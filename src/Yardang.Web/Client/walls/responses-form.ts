// With which stamps everybody may respond to others' cards, in the form of a wall's plan, and what each is to say.

import type { Texts } from '../room/marks';
import { textIn } from '../surface/in-language';
import type { QuickResponse } from '../wire/forms';

/** Core's QuickResponse. */
const MOST = 6;

/** @param changed something was typed or pressed: `typed` is still going on. */
export function responsesFormOf(language: string, changed: (typed: boolean) => void) {
  return {
    /** Whether they are looked at. */
    isOpen: false,
    /** Those that are offered, in order. */
    offered: [] as { stamp: string; says: string }[],

    show(responses: readonly QuickResponse[]): void {
      this.isOpen ||= responses.length > 0;
      this.offered = responses.map(({ stamp, says }) => ({ stamp, says: textIn(says, [language], language) }));
    },

    plan(before: readonly QuickResponse[], said: (all: Texts | undefined, text: string) => Texts): QuickResponse[] {
      return this.offered.map(({ stamp, says }) => ({
        stamp,
        says: said(before.find((r) => r.stamp === stamp)?.says, says),
      }));
    },

    get isFull(): boolean {
      return this.offered.length >= MOST;
    },

    has(stamp: string): boolean {
      return this.offered.some((r) => r.stamp === stamp);
    },

    says(stamp: string): string {
      return this.offered.find((r) => r.stamp === stamp)?.says ?? '';
    },

    offer(stamp: string, on: boolean): void {
      if (on && !this.has(stamp) && !this.isFull) this.offered.push({ stamp, says: '' });
      if (!on) this.offered = this.offered.filter((r) => r.stamp !== stamp);
      changed(false);
    },

    say(stamp: string, words: string): void {
      const offered = this.offered.find((r) => r.stamp === stamp);
      if (offered) offered.says = words;
      changed(true);
    },

    open(on: boolean): void {
      this.isOpen = on;
      if (on) return;
      this.offered = [];
      changed(false);
    },
  };
}
