// Changing a wall while it runs: the same form as in the workshop, and before it is done, what it does to what is there.

import { plural } from '../page-data';
import type { RoomClient } from '../room/room-client';
import type { WallState } from '../room/wall-state';
import { type MapDesk, planFormOf } from './plan-form';

interface Texts {
  readonly toNowhere: string;
}

export function planningOf(client: () => RoomClient<WallState>, language: string, maps: () => MapDesk, texts: Texts) {
  const form = planFormOf(
    language,
    () => client().newId(),
    maps,
    () => undefined,
  );

  return {
    form,

    open(): void {
      this.form.show(client().state.plan);
    },

    /** What becomes of cards whose topic is gone, in words; empty if there are none. */
    get consequence(): string {
      const left = new Set(this.form.topics.map((t) => t.id));
      const cards = client()
        .state.plan.topics.filter((t) => !left.has(t.id))
        .flatMap((t) => client().state.under(t.id));
      return cards.length > 0 ? plural(texts, 'toNowhere', cards.length) : '';
    },

    /** Changes the wall; false if the form says what cannot be. */
    take(): boolean {
      if (this.form.owesTooMuch) return false;
      client().submit({ kind: 'setPlan', plan: this.form.plan }, client().newId());
      return true;
    },
  };
}
