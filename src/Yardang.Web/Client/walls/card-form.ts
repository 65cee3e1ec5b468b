// A card that is being changed where it stands: its words, what it shows, where it is, or that it goes. Fetched once a wall has been read for a moment.

import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { fill } from '../page-data';
import { mayJoin } from '../room/stacks';
import { mayPutUpAt } from '../room/visiting';
import { type Card, LONGEST_TEXT } from '../room/wall-state';
import { Drafts } from '../threads/drafts';
import { Purpose } from '../wire/forms';
import type { Around } from './slips';
import { type WallSide, ownColour, titleOf } from './wall-side';

export class CardForm {
  /**
   * @param refresh draws the wall anew, and then puts the focus where it is wanted.
   * @param words what a card says, drawn.
   * @param close ends that a card is being changed.
   */
  constructor(
    private readonly side: WallSide,
    private readonly around: Around,
    private readonly refresh: (focus?: string) => void,
    private readonly words: (card: Card) => TemplateResult,
    private readonly close: (card: Card) => void,
  ) {}

  slip(card: Card): TemplateResult {
    const onlyMoves = this.side.mayMove() && !this.side.mayWrite();
    if (onlyMoves || !this.side.state.mayChange(card.id, this.side.me)) return this.moved(card);
    const { texts, drafts, making } = this.side;
    const place = Drafts.of(card.id);
    return html`<li
      class="slip slip-changing"
      data-card=${card.id}
      data-colour=${ownColour(card) ?? nothing}
      @dragover=${(e: DragEvent) => e.dataTransfer?.types.includes('Files') && e.preventDefault()}
      @drop=${(e: DragEvent) => this.take(place, e, e.dataTransfer)}
    >
      <textarea
        class="slip-field"
        maxlength=${LONGEST_TEXT}
        dir="auto"
        lang=${card.language || this.side.read[0] || nothing}
        aria-label=${texts.cardWords}
        .value=${live(drafts.get(place))}
        @input=${(e: Event) => {
          drafts.set(place, (e.target as HTMLTextAreaElement).value);
          this.refresh();
        }}
        @paste=${(e: ClipboardEvent) => this.take(place, e, e.clipboardData)}
        @keydown=${(e: KeyboardEvent) => this.key(e, card)}
      ></textarea>
      ${making.list(place, card.attachments)} ${making.menu(place, titleOf(card, texts))} ${this.where(card)}
      ${this.colour(card)} ${this.sameAs(card)}
      <div class="slip-do">
        <button
          type="button"
          class="button button-small button-main"
          ?disabled=${!this.mayKeep(card)}
          @click=${() => this.keep(card)}
        >
          ${texts.keep}
        </button>
        <button type="button" class="button button-small button-refuse" @click=${() => this.takeDown(card)}>
          ${texts.takeDown}
        </button>
        ${this.lock(card)}
        <button type="button" class="button button-small button-quiet" @click=${() => this.close(card)}>
          ${texts.cancel}
        </button>
      </div>
    </li>`;
  }

  /** Of somebody else's: where it is, and no more. */
  private moved(card: Card): TemplateResult {
    const { texts } = this.side;
    return html`<li class="slip slip-changing" data-card=${card.id}>
      ${this.words(card)} ${this.where(card)}
      <div class="slip-do">
        <button type="button" class="button button-small button-main" @click=${() => this.close(card)}>
          ${texts.moveDone}
        </button>
      </div>
    </li>`;
  }

  /** Which card says the same, if it is to stand in it. */
  private sameAs(card: Card): TemplateResult | typeof nothing {
    const { state, me, texts } = this.side;
    const { standing, bands } = this.around;
    const root = standing.rootOf(card);
    const around = bands.find((b) => b.id === root.topic)?.cards ?? [];
    const others = around.filter((c) => c.id === root.id || mayJoin(state, card.id, c.id, me));
    const mayJoinAny = others.some((c) => c.id !== card.id);
    if (!mayJoinAny || this.onlyWrites) return nothing;
    return html`<label class="slip-where"
      >${texts.sameAs}
      <select @change=${(e: Event) => this.side.join(card, Number((e.target as HTMLSelectElement).value))}>
        <option value="0" .selected=${live(root === card)}>${texts.standsAlone}</option>
        ${others
          .filter((c) => c.id !== card.id)
          .map((c) => html`<option value=${c.id} .selected=${live(c === root)}>${titleOf(c, texts)}</option>`)}
      </select></label
    >`;
  }

  private colour(card: Card): TemplateResult {
    const { texts } = this.side;
    return html`<label class="slip-where"
      >${texts.cardColour}
      <select
        aria-label=${texts.cardColour}
        @change=${(e: Event) => this.side.colour(card, Number((e.target as HTMLSelectElement).value))}
      >
        <option value="0" .selected=${live(card.colour === 0)}>${texts.colourOfTopic}</option>
        ${texts.colours.map((name, i) => html`<option value=${i + 1} .selected=${live(card.colour === i + 1)}>${name}</option>`)}
      </select></label
    >`;
  }

  private lock(card: Card): TemplateResult | typeof nothing {
    const { me, texts } = this.side;
    if (!me.isStaff) return nothing;
    return html`<button
      type="button"
      class="button button-small"
      @click=${() => this.side.lockCard(card, !card.locked)}
    >
      ${card.locked ? texts.unlockCard : texts.lockCard}
    </button>`;
  }

  private get onlyWrites(): boolean {
    return this.side.mayWrite() && !this.side.mayMove();
  }

  private where(card: Card): unknown {
    const { state, texts } = this.side;
    // Only where there are topics cards stand under them; questions stand as they came, and what is ordered or connected is placed.
    if (state.plan.purpose !== Purpose.Sort && state.plan.purpose !== Purpose.Visit) return nothing;
    if (this.onlyWrites) return nothing;
    const { bands } = this.around;
    // What has joined another card is where that is.
    if (this.around.standing.rootOf(card) !== card) return nothing;
    const all = bands.find((b) => b.id === card.topic)!.cards;
    const others = all.filter((c) => c.id !== card.id);
    const at = all.findIndex((c) => c.id === card.id);
    return [
      state.plan.topics.length > 0
        ? html`<label class="slip-where"
            >${texts.topic}
            <select
              aria-label=${texts.topic}
              @change=${(e: Event) => this.moveTo(card, Number((e.target as HTMLSelectElement).value))}
            >
              ${bands
                .filter((b) => b.id === card.topic || mayPutUpAt(state, b.id, this.side.me))
                .map(
                  (b) =>
                    html`<option value=${b.id} .selected=${live(b.id === card.topic)}>
                      ${this.around.headingOf(b.id)}
                    </option>`,
                )}
            </select></label
          >`
        : nothing,
      others.length > 0
        ? html`<label class="slip-where"
            >${texts.place}
            <select
              aria-label=${texts.place}
              data-place
              @change=${(e: Event) => this.moveBehind(card, Number((e.target as HTMLSelectElement).value))}
            >
              <option value="0" .selected=${live(at === 0)}>${texts.placeFirst}</option>
              ${others.map(
                (c, i) =>
                  html`<option value=${i + 1} .selected=${live(at === i + 1)}>
                    ${fill(texts.placeAfter, titleOf(c, texts).slice(0, 40))}
                  </option>`,
              )}
            </select></label
          >`
        : nothing,
    ];
  }

  private take(place: string, e: Event, data: DataTransfer | null): void {
    if (this.side.mayWrite() && this.side.making.take(place, data)) e.preventDefault();
  }

  private key(e: KeyboardEvent, card: Card): void {
    if (e.key === 'Escape') this.close(card);
    else if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) this.keep(card);
    else return;
    e.preventDefault();
  }

  private mayKeep(card: Card): boolean {
    const { drafts, making } = this.side;
    const place = Drafts.of(card.id);
    return drafts.isBegun(place) && making.isReady(place, card.attachments);
  }

  private keep(card: Card): void {
    const { drafts } = this.side;
    const place = Drafts.of(card.id);
    if (!this.mayKeep(card) || !this.side.mayWrite()) return;
    const [text, shown] = [drafts.get(place).trim(), drafts.shown(place)];
    const isOther = text !== card.text || JSON.stringify(shown) !== JSON.stringify(card.attachments);
    if (isOther) this.side.reword(card, text, shown);
    this.close(card);
  }

  private takeDown(card: Card): void {
    if (!this.side.mayWrite()) return;
    this.side.takeDown(card);
    this.close(card);
  }

  private moveTo(card: Card, topic: number): void {
    const { state, me } = this.side;
    if (this.side.mayMove()) this.side.move(card, topic, state.orderAt(topic, Infinity, card.id, me));
    this.refresh(`[data-card="${card.id}"] select`);
  }

  private moveBehind(card: Card, place: number): void {
    const { state, me } = this.side;
    if (this.side.mayMove()) this.side.move(card, card.topic, state.orderAt(card.topic, place, card.id, me));
    this.refresh(`[data-card="${card.id}"] select[data-place]`);
  }
}
