// The next free place under each topic: one writes where the card will stand.

import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { fill } from '../page-data';
import { countsPerTopic } from '../room/stacks';
import { isPlaceLockedFor } from '../room/locking';
import { isFor } from '../room/visiting';
import { LONGEST_TEXT } from '../room/wall-state';
import { type FieldSpot, Purpose } from '../wire/forms';
import { textIn } from '../surface/in-language';
import { Drafts } from '../threads/drafts';
import type { Growing } from './growing';
import type { WallSide } from './wall-side';

/** What stands at a place to write. */
interface SlotWords {
  readonly placeholder: string;
  readonly label: string;
  /** On the button that puts up what was written. */
  readonly done: string;
  /** To what a card belongs that is put up here. */
  readonly about: string;
}

/** On a field: where a new card is wanted, and what follows once it is put up. */
interface OnField {
  where(): { spot?: FieldSpot | undefined; beside?: number };
  putUp(id: number): void;
}

export class NewCards {
  /** Whose words a teacher is writing, by the place where; the teacher's own where nobody is. */
  private readonly whose = new Map<number, number>();

  /** @param refresh draws the wall anew, and then puts the focus where it is wanted. */
  constructor(
    private readonly side: WallSide,
    private readonly refresh: (focus?: string) => void,
    private readonly field: OnField | null = null,
    private readonly growing: Growing | null = null,
  ) {
    growing?.writtenBy((topic, onto) => this.putUp(topic, onto));
  }

  slot(topic: number, words: SlotWords): TemplateResult | typeof nothing {
    const { state, me, texts, drafts, making, looksOnly } = this.side;
    if (looksOnly) return nothing;
    if (!me.isStaff && state.plan.rules.onlyGiven) return nothing;
    if (!me.isStaff && !isFor(state.plan, me.number, topic))
      return html`<li class="slot slot-full">${texts.notForYou}</li>`;
    if (!me.isStaff && state.isFull(me.number, topic)) {
      const said = countsPerTopic(state.plan) ? texts.fullHere : texts.full;
      return html`<li class="slot slot-full">${fill(said, state.plan.rules.most)}</li>`;
    }
    const place = Drafts.under(topic);
    const isBegun = drafts.isBegun(place);
    const mayWrite = this.mayWrite(topic);
    if (!isBegun && isPlaceLockedFor(state, topic, me)) return nothing;
    return html`<li
      class="slot"
      ?data-begun=${isBegun}
      @dragover=${(e: DragEvent) => e.dataTransfer?.types.includes('Files') && e.preventDefault()}
      @drop=${(e: DragEvent) => this.take(topic, e, e.dataTransfer)}
    >
      <textarea
        class="slip-field"
        data-slot=${topic}
        rows="1"
        maxlength=${LONGEST_TEXT}
        dir="auto"
        lang=${this.side.read[0] || nothing}
        placeholder=${words.placeholder}
        aria-label=${words.label}
        .value=${live(drafts.get(place))}
        ?readonly=${!mayWrite}
        @input=${(e: Event) => this.typed(topic, (e.target as HTMLTextAreaElement).value)}
        @paste=${(e: ClipboardEvent) => this.take(topic, e, e.clipboardData)}
        @keydown=${(e: KeyboardEvent) => this.key(e, topic)}
      ></textarea>
      ${this.starters(topic, words.about)} ${making.list(place)} ${this.growing?.below(topic) ?? nothing}
      ${isBegun ? this.inNameOf(topic, words.about) : nothing}
      <div class="slot-do">
        ${
          isBegun
            ? html`<button
                type="button"
                class="button button-small button-main"
                ?disabled=${!this.mayPutUp(topic)}
                @click=${() => this.putUp(topic)}
              >
                ${words.done}
              </button>`
            : nothing
        }
        ${mayWrite ? making.menu(place, words.about) : nothing}
      </div>
    </li>`;
  }

  /** How a sentence may begin; in sight while somebody writes here. */
  private starters(topic: number, about: string): TemplateResult | typeof nothing {
    const { state, me, texts, read, written } = this.side;
    const starters = [...state.plan.rules.starters, ...(me.isStaff ? [] : (state.starters.get(me.number) ?? []))];
    if (starters.length === 0 || !this.mayWrite(topic)) return nothing;
    return html`<select
      class="select-small slot-starters"
      aria-label=${`${texts.starters} ${about}`}
      @change=${(e: Event) => this.begin(topic, e.target as HTMLSelectElement)}
    >
      <option value="">${texts.starters}</option>
      ${starters.map((s) => html`<option dir="auto">${textIn(s, [read[0]], written)}</option>`)}
    </select>`;
  }

  private begin(topic: number, select: HTMLSelectElement): void {
    const place = Drafts.under(topic);
    const before = this.side.drafts.get(place).trimEnd();
    const text = `${before ? `${before}\n` : ''}${select.value} `;
    if (!select.value || text.length > LONGEST_TEXT) return;
    select.value = '';
    this.side.drafts.set(place, text);
    this.refresh(`[data-slot="${topic}"]`);
  }

  /** A teacher puts up what a student said aloud. */
  private inNameOf(topic: number, about: string): TemplateResult | typeof nothing {
    const { here, texts } = this.side;
    if (here.length === 0) return nothing;
    return html`<label class="slip-where"
      >${texts.inNameOf}
      <select
        aria-label=${`${texts.inNameOf} ${about}`}
        @change=${(e: Event) => this.whose.set(topic, Number((e.target as HTMLSelectElement).value))}
      >
        <option value="0" ?selected=${!this.whose.get(topic)}>${texts.inOwnName}</option>
        ${here.map(
          ({ number, name }) =>
            html`<option value=${number} ?selected=${this.whose.get(topic) === number}>${name}</option>`,
        )}
      </select></label
    >`;
  }

  /** A wall of hundreds of cards is not drawn anew with each letter: only as something is begun, or where like questions are looked for. */
  private typed(topic: number, text: string): void {
    const { drafts, state } = this.side;
    const place = Drafts.under(topic);
    const wasBegun = drafts.isBegun(place);
    drafts.set(place, text);
    this.growing?.typed(topic);
    if (drafts.isBegun(place) !== wasBegun || state.plan.purpose === Purpose.Ask) this.refresh();
  }

  private take(topic: number, e: Event, data: DataTransfer | null): void {
    if (this.mayWrite(topic) && this.side.making.take(Drafts.under(topic), data)) e.preventDefault();
  }

  private mayWrite(topic: number): boolean {
    const { state, me } = this.side;
    return this.side.mayWrite() && !isPlaceLockedFor(state, topic, me);
  }

  private mayPutUp(topic: number): boolean {
    const { drafts, making } = this.side;
    const place = Drafts.under(topic);
    return this.mayWrite(topic) && drafts.isBegun(place) && making.isReady(place);
  }

  private key(e: KeyboardEvent, topic: number): void {
    if (e.key !== 'Enter' || !(e.ctrlKey || e.metaKey)) return;
    e.preventDefault();
    this.putUp(topic);
  }

  private putUp(topic: number, onto = 0): void {
    const { drafts } = this.side;
    const place = Drafts.under(topic);
    if (!this.mayPutUp(topic)) return;
    const where = this.field?.where() ?? { onto, from: onto ? [] : (this.growing?.take(topic) ?? []) };
    const id = this.side.putUp(topic, drafts.get(place).trim(), drafts.shown(place), this.whose.get(topic), where);
    this.field?.putUp(id);
    this.whose.delete(topic);
    drafts.clear(place);
    this.refresh(`[data-slot="${topic}"]`);
  }
}
