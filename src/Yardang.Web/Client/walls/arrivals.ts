// Which cards are shown. A classmate's new card never moves what somebody reads or types: it is announced and comes when asked, or where
// nothing jumps.

import type { Card } from '../room/wall-state';

export class Arrivals {
  private readonly shown = new Set<number>();

  has(card: Card): boolean {
    return this.shown.has(card.id);
  }

  show(cards: Iterable<Card>): void {
    for (const { id } of cards) this.shown.add(id);
  }

  /** Of some cards, those that wait to be shown. */
  waiting(cards: readonly Card[]): Card[] {
    return cards.filter((c) => !this.shown.has(c.id));
  }
}
