// What a new card says that others say, and from what it grows: what is needed for it is fetched where a teacher asks for it.

import type { Standing } from '../room/stacks';
import type { Card } from '../room/wall-state';
import { Drafts } from '../threads/drafts';
import type { SaidAlready } from './said-already';
import type { WallSide } from './wall-side';

export class Growing {
  private made: SaidAlready | null = null;
  private isOnItsWay = false;
  private putUp: (topic: number, onto: number) => void = () => undefined;

  /** @param refresh draws the wall anew, and then puts the focus where it is wanted. */
  constructor(
    private readonly side: WallSide,
    private readonly standing: () => Standing,
    private readonly refresh: (focus?: string) => void,
  ) {}

  /** @param putUp puts up what is written under a topic, as another wording of a card. */
  writtenBy(putUp: (topic: number, onto: number) => void): void {
    this.putUp = putUp;
  }

  typed(topic: number): void {
    void this.fetch().then((made) => made?.typed(topic, this.side.drafts.get(Drafts.under(topic))));
  }

  below(topic: number): unknown {
    if (!this.made && this.side.drafts.get(Drafts.from(topic))) void this.fetch();
    return this.made?.below(topic);
  }

  buildOn(card: Card): void {
    void this.fetch().then((made) => made?.buildOn(card.topic, card));
  }

  /** The cards from which the one grows that is put up now. */
  take(topic: number): number[] {
    const sources = this.side.drafts.get(Drafts.from(topic)).split(',').filter(Boolean).map(Number);
    this.side.drafts.set(Drafts.from(topic), '');
    return sources;
  }

  private async fetch(): Promise<SaidAlready | null> {
    const { saidAlready, buildsOn } = this.side.state.plan.rules;
    if (this.made || this.isOnItsWay || !(saidAlready || buildsOn)) return this.made;
    this.isOnItsWay = true;
    const module = await import('./said-already').catch(() => null);
    this.isOnItsWay = false;
    if (!module) return null;
    this.made = new module.SaidAlready(
      this.side,
      this.standing,
      (topic, card) => this.putUp(topic, card.id),
      this.refresh,
    );
    this.refresh();
    return this.made;
  }
}
