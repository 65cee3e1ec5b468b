// Linking a card with another: the words between them, which card, and in which direction; read as a sentence before it is done.

import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { LONGEST_WORDS, mayLink } from '../room/field-foresight';
import { fieldOf } from '../room/linking';
import type { Card } from '../room/wall-state';
import { textIn } from '../surface/in-language';
import { nameOf, sentenceOf } from './link-sentences';
import type { WallSide } from './wall-side';

/** In place of a number of the teacher's words: no words, or one's own. */
const NONE = 0;
const OWN = -1;

/** What a link is to say. */
export class LinkWords {
  chosen = NONE;
  own = '';

  constructor(
    private readonly side: WallSide,
    private readonly refresh: () => void,
  ) {}

  set(word: number, text: string): void {
    this.chosen = word !== 0 ? word : text ? OWN : NONE;
    this.own = text;
  }

  get said(): { word: number; text: string } {
    const words = fieldOf(this.side.state.plan)?.words ?? [];
    if (this.chosen > 0 && words.some((w) => w.id === this.chosen)) return { word: this.chosen, text: '' };
    return { word: 0, text: this.chosen === OWN || words.length === 0 ? this.own.trim() : '' };
  }

  /** @param about of which link they are, for those who do not see where the field stands. */
  fields(about: string): TemplateResult {
    const { state, me, texts, read, written } = this.side;
    const { words = [], onlyThese = false } = fieldOf(state.plan) ?? {};
    const mayOwn = me.isStaff || !onlyThese || words.length === 0;
    const own = () =>
      html`<input
        class="link-own"
        maxlength=${LONGEST_WORDS}
        dir="auto"
        placeholder=${texts.linkWordsExample}
        aria-label=${`${texts.linkOwnWords}: ${about}`}
        .value=${live(this.own)}
        @input=${(e: Event) => {
          this.own = (e.target as HTMLInputElement).value;
          this.refresh();
        }}
      />`;
    if (words.length === 0) return own();
    const option = (value: number, name: string) =>
      html`<option value=${value} ?selected=${this.chosen === value}>${name}</option>`;
    return html`<select
        class="link-word"
        aria-label=${`${texts.linkWords}: ${about}`}
        @change=${(e: Event) => {
          this.chosen = Number((e.target as HTMLSelectElement).value);
          this.refresh();
        }}
      >
        ${option(NONE, texts.linkNoWords)} ${words.map((w) => option(w.id, textIn(w.text, [read[0]], written)))}
        ${mayOwn ? option(OWN, texts.linkOwnWords) : nothing}
      </select>
      ${this.chosen === OWN && mayOwn ? own() : nothing}`;
  }
}

export class LinkForm {
  /** From which card; 0 while nothing is linked. */
  card = 0;
  private other = 0;
  private isTurned = false;
  private readonly words: LinkWords;

  constructor(
    private readonly side: WallSide,
    private readonly refresh: (focus?: string) => void,
  ) {
    this.words = new LinkWords(side, () => refresh());
  }

  open(card: Card): void {
    [this.card, this.other, this.isTurned] = [card.id, 0, false];
    this.words.own = '';
    this.refresh('.link-other');
  }

  close(): void {
    const { card } = this;
    this.card = 0;
    this.refresh(`[data-link-from="${card}"]`);
  }

  /** A card was pressed on the field while something is being linked. True if it is taken as the other. */
  take(id: number): boolean {
    if (this.card === 0 || id === this.card) return false;
    this.other = id;
    this.refresh();
    return true;
  }

  draw(card: Card, cards: readonly Card[]): TemplateResult {
    const { texts } = this.side;
    const others = cards.filter((c) => c.id !== card.id);
    const about = nameOf(card, this.side);
    return html`<form
      class="link-form"
      aria-label=${`${texts.linkIt}: ${about}`}
      @submit=${(e: Event) => {
        e.preventDefault();
        this.put();
      }}
      @keydown=${(e: KeyboardEvent) => {
        if (e.key !== 'Escape') return;
        e.stopPropagation();
        this.close();
      }}
    >
      <p class="link-hint">${texts.linkHint}</p>
      ${this.words.fields(about)}
      <select
        class="link-other"
        aria-label=${texts.linkOther}
        @change=${(e: Event) => {
          this.other = Number((e.target as HTMLSelectElement).value);
          this.refresh();
        }}
      >
        <option value="0" ?selected=${this.other === 0}>${texts.linkOther}</option>
        ${others.map((c) => html`<option value=${c.id} ?selected=${this.other === c.id}>${nameOf(c, this.side)}</option>`)}
      </select>
      <p class="link-sentence" role="status">
        ${this.other !== 0 ? sentenceOf(this.link, this.side) : nothing}
        ${this.other !== 0 && !this.isPossible ? html`<span class="link-not">${texts.linkNotPossible}</span>` : nothing}
      </p>
      <div class="link-do">
        <button type="submit" class="button button-small button-main" ?disabled=${!this.isPossible}>
          ${texts.linkIt}
        </button>
        <button
          type="button"
          class="button button-small"
          ?disabled=${this.other === 0}
          @click=${() => {
            this.isTurned = !this.isTurned;
            this.refresh();
          }}
        >
          ${texts.linkTurn}
        </button>
        <button type="button" class="button button-small button-quiet" @click=${() => this.close()}>
          ${texts.cancel}
        </button>
      </div>
    </form>`;
  }

  private get link() {
    const [from, to] = this.isTurned ? [this.other, this.card] : [this.card, this.other];
    return { from, to, ...this.words.said };
  }

  private get isPossible(): boolean {
    const { state, me } = this.side;
    return this.other !== 0 && this.side.mayWrite() && mayLink(state, this.link.from, this.link.to, me);
  }

  private put(): void {
    if (!this.isPossible) return;
    const { from, to, word, text } = this.link;
    this.side.link(from, to, word, text);
    this.words.own = '';
    this.close();
  }
}
