// Which card is being changed where it stands.

import { type TemplateResult, html } from 'lit-html';
import type { Card } from '../room/wall-state';
import type { CardForm } from './card-form';
import { Drafts } from '../threads/drafts';
import { Fetched } from '../fetched';
import type { Around } from './slips';
import type { WallSide } from './wall-side';

export class CardChanging {
  /** Which is being changed. */
  card: number | null = null;
  private readonly form: Fetched<CardForm>;

  /**
   * @param refresh draws the wall anew, and then puts the focus where it is wanted.
   * @param words what a card says, drawn.
   */
  constructor(
    private readonly side: WallSide,
    around: Around,
    private readonly refresh: (focus?: string) => void,
    private readonly words: (card: Card) => TemplateResult,
  ) {
    this.form = new Fetched(
      async () => {
        const { CardForm: Made } = await import('./card-form');
        return new Made(side, around, refresh, words, (card) => this.close(card));
      },
      () => this.focusForm(),
    );
  }

  /** What is needed for it is fetched. */
  fetch(): void {
    this.form.get();
  }

  open(card: Card): void {
    const { drafts } = this.side;
    const place = Drafts.of(card.id);
    // Perhaps there are words from before a reload.
    if (!drafts.isBegun(place)) {
      drafts.set(place, card.text);
      drafts.show(place, card.attachments);
    }
    this.card = card.id;
    this.focusForm();
  }

  /** Ends it, if it is this card; what was typed stays on the device. */
  stop(id: number): boolean {
    if (this.card !== id) return false;
    this.card = null;
    this.refresh();
    return true;
  }

  /** Its words, as long as the form is on its way. */
  slip(card: Card): TemplateResult {
    return this.form.get()?.slip(card) ?? html`<li class="slip" data-card=${card.id}>${this.words(card)}</li>`;
  }

  private focusForm(): void {
    this.refresh(this.card === null ? undefined : `[data-card="${this.card}"] :is(textarea, select)`);
  }

  private close(card: Card): void {
    this.side.drafts.clear(Drafts.of(card.id));
    this.card = null;
    this.refresh(`[data-card="${card.id}"] .slip-change`);
  }
}
