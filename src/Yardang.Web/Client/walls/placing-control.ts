// A card that is being placed without dragging: a slider, a year, a date or a rung, and what it is called.

import { type TemplateResult, html, nothing } from 'lit-html';
import type { Card } from '../room/wall-state';
import { LineKind, type LinePlan, type LineSpot } from '../wire/forms';
import { textIn } from '../surface/in-language';
import { called, dateOf, dayOf } from './line-measure';
import { type WallSide, titleOf } from './wall-side';

export class PlacingControl {
  /** Which card is being placed; 0 for none. */
  card = 0;
  private at = 0;
  private up = 0;
  /** Where it stood when it was opened: a field is filled once, so that nothing that happens meanwhile changes what is being typed. */
  private first = { at: 0, up: 0 };

  /**
   * @param place does it.
   * @param refresh draws the wall anew, and then puts the focus where it is wanted.
   */
  constructor(
    private readonly side: WallSide,
    private readonly place: (card: Card, spot: LineSpot | null) => void,
    private readonly refresh: (focus?: string) => void,
  ) {}

  /** @param at where it stands; null if nowhere. */
  open(card: Card, line: LinePlan, spot: LineSpot | null): void {
    this.card = card.id;
    const middle = Math.round((line.from + line.to) / 2);
    this.at = spot?.at ?? middle;
    this.up = line.kind === LineKind.Field ? (spot?.up ?? middle) : 0;
    this.first = { at: this.at, up: this.up };
    this.refresh('[data-placing]');
  }

  control(card: Card, line: LinePlan, isPlaced: boolean): TemplateResult {
    const { texts } = this.side;
    return html`<div class="placing" @keydown=${(e: KeyboardEvent) => this.key(e, card, line)}>
      <label class="slip-where">${texts.placeOf} ${this.field(card, line)}</label>
      ${line.kind !== LineKind.Days && line.kind !== LineKind.Ladder ? html`<output>${called(line.kind, this.at, texts, this.up)}</output>` : nothing}
      <div class="slip-do">
        <button
          type="button"
          class="button button-small button-main"
          ?disabled=${!this.side.mayMove()}
          @click=${() => this.put(card, line)}
        >
          ${texts.placeHere}
        </button>
        ${
          isPlaced
            ? html`<button
                type="button"
                class="button button-small"
                ?disabled=${!this.side.mayMove()}
                @click=${() => this.takeOff(card)}
              >
                ${texts.offLine}
              </button>`
            : nothing
        }
        <button type="button" class="button button-small button-quiet" @click=${() => this.close(card)}>
          ${texts.cancel}
        </button>
      </div>
    </div>`;
  }

  private field(card: Card, line: LinePlan): TemplateResult {
    const about = titleOf(card, this.side.texts);
    switch (line.kind) {
      case LineKind.Ends:
        return this.slider(`${this.side.texts.placeOf} ${about}`, this.first.at, true, (at) => this.set(at));
      case LineKind.Field:
        return html`${this.slider(this.axisName(line, 'start', 'end', about), this.first.at, true, (at) => this.set(at))}
        ${this.slider(this.axisName(line, 'low', 'high', about), this.first.up, false, (up) => {
          this.up = up;
          this.refresh();
        })}`;
      case LineKind.Years:
        return html`<input
          type="number"
          data-placing
          inputmode="numeric"
          min=${line.from}
          max=${line.to}
          step="1"
          aria-label=${`${this.side.texts.placeOf} ${about}`}
          .value=${String(this.first.at)}
          @input=${(e: Event) => this.set(within(line, Number((e.target as HTMLInputElement).value)))}
          @change=${(e: Event) => ((e.target as HTMLInputElement).value = String(this.at))}
        />`;
      case LineKind.Days:
        return html`<input
          type="date"
          data-placing
          min=${dateOf(line.from)}
          max=${dateOf(line.to)}
          aria-label=${`${this.side.texts.placeOf} ${about}`}
          .value=${dateOf(this.first.at)}
          @input=${(e: Event) => this.set(within(line, dayOf((e.target as HTMLInputElement).value) ?? this.at))}
        />`;
      case LineKind.Ladder:
        return html`<select
          data-placing
          aria-label=${`${this.side.texts.placeOf} ${about}`}
          @change=${(e: Event) => this.set(Number((e.target as HTMLSelectElement).value))}
        >
          ${Array.from({ length: line.to }, (_, i) => i + 1).map(
            (rung) =>
              html`<option value=${rung} ?selected=${rung === this.at}>
                ${called(line.kind, rung, this.side.texts)}
              </option>`,
          )}
        </select>`;
    }
  }

  private slider(name: string, at: number, isFirst: boolean, set: (at: number) => void): TemplateResult {
    return html`<input
      type="range"
      ?data-placing=${isFirst}
      data-place-field
      min="0"
      max="100"
      step="1"
      aria-label=${name}
      .value=${String(at)}
      @input=${(e: Event) => set(Number((e.target as HTMLInputElement).value))}
    />`;
  }

  /** From what to what a slider goes. */
  private axisName(line: LinePlan, from: 'start' | 'low', to: 'end' | 'high', about: string): string {
    const { read, written } = this.side;
    const [first, last] = [line[from], line[to]].map((end) => textIn(end ?? {}, [read[0]], written));
    return `${this.side.texts.placeOf} ${about}: ${first} – ${last}`;
  }

  private set(at: number): void {
    this.at = at;
    this.refresh();
  }

  private key(e: KeyboardEvent, card: Card, line: LinePlan): void {
    const isField = (e.target as Element).matches('[data-placing], [data-place-field]');
    if (e.key === 'Escape') this.close(card);
    else if (e.key === 'Enter' && isField) {
      this.put(card, line);
    } else return;
    e.preventDefault();
  }

  private put(card: Card, line: LinePlan): void {
    if (!this.side.mayMove()) return;
    this.place(card, { on: line.kind, at: this.at, up: this.up });
    this.close(card);
  }

  private takeOff(card: Card): void {
    if (!this.side.mayMove()) return;
    this.place(card, null);
    this.close(card);
  }

  private close(card: Card): void {
    this.card = 0;
    this.refresh(`[data-card="${card.id}"] [data-handle]`);
  }
}

function within({ from, to }: LinePlan, at: number): number {
  return Number.isFinite(at) ? Math.round(Math.min(to, Math.max(from, at))) : from;
}
