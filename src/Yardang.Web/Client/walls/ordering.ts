// A wall to order: the line is the screen. Cards lie over their places on it, nobody hides anybody; below lie those that are still to be placed.

import css from '../../Pages/Student/order.css';
import { type TemplateResult, html, nothing } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { fill, plural } from '../page-data';
import { classOrder } from '../room/class-order';
import { BLANK_LINE, lineOf, mayPlace, spotOf } from '../room/placing';
import { type Card, NOWHERE } from '../room/wall-state';
import { useStyles } from '../styles/with-script';
import { textIn } from '../surface/in-language';
import { type ClassOrder, type ClassPlace, LineKind, type LinePlan, type LineSpot } from '../wire/forms';
import { dragCards } from './dragging-cards';
import { called, placeAt, shareOf, ticksOf } from './line-measure';
import { NewCards } from './new-cards';
import { layOut, layOutField } from './on-line';
import { PlacingControl } from './placing-control';
import type { Slips } from './slips';
import { type Arrangement, type Band, type WallSide, endsBelowSight, ownColour, titleOf } from './wall-side';
import type { WallView } from './wall-view';

useStyles(css);

/** Whose placement is looked at: mine or the one that all share, the class's, or that of somebody who was chosen. */
type Looked = 'own' | 'class' | 'chosen';

export class Ordering implements Arrangement {
  private readonly newCards: NewCards;
  private readonly control: PlacingControl;
  /** Whether a student looks at their own placement while the order of the class is shown. */
  private looksAtOwn = false;
  private computed: { readonly key: readonly unknown[]; readonly order: ClassOrder } | null = null;
  readonly places = [];

  constructor(
    private readonly side: WallSide,
    private readonly view: WallView,
    private readonly slips: Slips,
    private readonly refresh: (focus?: string) => void,
  ) {
    this.newCards = new NewCards(side, refresh);
    this.control = new PlacingControl(side, (card, spot) => this.place(card, spot), refresh);
    dragCards(
      view.root,
      (id) => this.mayMove(id) && (this.isAlong || this.line.kind === LineKind.Ladder),
      (where) => this.mark(where && this.spotAt(where)),
      (where) => this.drop(where),
    );
    new ResizeObserver(() => this.measure()).observe(view.root);
  }

  get bands(): Band[] {
    const cards = this.view.seen();
    const at = new Map(cards.map((c) => [c.id, this.at(c)]));
    const byPlace = (a: Card, b: Card) => (at.get(a.id) ?? Infinity) - (at.get(b.id) ?? Infinity) || 0;
    return [
      { id: NOWHERE, plan: null, cards: cards.sort((a, b) => byPlace(a, b) || a.order - b.order || a.id - b.id) },
    ];
  }

  /** What comes is to be placed yet, below the line. */
  nothingJumps(): boolean {
    return endsBelowSight(this.view.root.querySelector('.off-line .slips'));
  }

  draw(): unknown {
    const { line, looked } = this;
    const cards = this.bands[0]!.cards.filter((c) => this.side.arrivals.has(c) && this.side.isWanted(c));
    const isPlaced = (c: Card) => this.at(c) !== null && this.slips.changing.card !== c.id;
    const placed = cards.filter(isPlaced);
    const rest = cards.filter((c) => !isPlaced(c));
    return html`<div class="ordering" data-kind=${line.kind} data-looked=${looked}>
      ${this.head(looked)} ${this.placedOn(line, placed)} ${this.said(cards)} ${this.below(rest, looked)}
    </div>`;
  }

  measure(): void {
    const list = this.view.root.querySelector<HTMLElement>('.on-line');
    if (!list) return;
    const marks = this.view.root.querySelector<SVGElement>('.field-marks');
    if (this.isAlong && marks) layOutField(list, marks);
    else if (this.isAlong) layOut(list);
    else list.style.removeProperty('height');
    for (const tick of this.view.root.querySelectorAll<HTMLElement>('[data-tick]'))
      tick.style.setProperty('inset-inline-start', `${Number(tick.dataset['tick']) * 100}%`);
  }

  /** Whether there is room for cards to lie along the line: on a phone they lie below one another. */
  private get isAlong(): boolean {
    const list = this.view.root.querySelector('.on-line');
    return list !== null && getComputedStyle(list).position === 'relative';
  }

  private get line(): LinePlan {
    return lineOf(this.side.state.plan) ?? BLANK_LINE;
  }

  private get looked(): Looked {
    const { state, me } = this.side;
    if (this.line.together) return 'own';
    if (me.isStaff) return this.side.lookedAt === 0 ? 'class' : 'chosen';
    return state.orderShown && !this.looksAtOwn ? 'class' : 'own';
  }

  /** The order of the class: as it was shown, or as it is now for teachers. */
  private get order(): ClassOrder {
    const { state, me } = this.side;
    if (state.orderShown) return state.orderShown;
    const { kind } = this.line;
    const key = [state.places, state.cards, kind] as const;
    if (!this.computed?.key.every((k, i) => k === key[i])) {
      const up = new Set(me.isStaff ? [...state.cards.values()].filter((c) => c.downBy === 0).map((c) => c.id) : []);
      this.computed = { key, order: classOrder(kind, state.places, up) };
    }
    return this.computed!.order;
  }

  private ofClass(card: Card): ClassPlace | undefined {
    return this.order.places.find((p) => p.card === card.id);
  }

  /** Where a card stands in what is looked at; null if it does not. */
  private spot(card: Card): LineSpot | null {
    const { state, me, lookedAt } = this.side;
    if (this.looked !== 'class') return spotOf(state, card, this.looked === 'chosen' ? lookedAt : me.number);
    const place = this.ofClass(card);
    return place ? { on: this.line.kind, at: place.middle, up: place.up?.middle ?? 0 } : null;
  }

  private at(card: Card): number | null {
    return this.spot(card)?.at ?? null;
  }

  private mayMove(id: number): boolean {
    const { state, me, looksOnly } = this.side;
    const card = state.cards.get(id);
    return (
      !looksOnly && this.looked === 'own' && card !== undefined && this.side.mayMove() && mayPlace(state, card, me)
    );
  }

  private head(looked: Looked): TemplateResult {
    const { state, me, texts, looksOnly } = this.side;
    const words = this.wordsOf(looked);
    const isChoice = !me.isStaff && !looksOnly && state.orderShown !== null && !this.line.together;
    return html`<p class="order-head" role="status">
      <span>${words}</span>
      ${
        isChoice
          ? html`<button
              type="button"
              class="button button-small"
              aria-pressed=${this.looksAtOwn}
              @click=${() => {
                this.looksAtOwn = !this.looksAtOwn;
                this.refresh();
              }}
            >
              ${texts.seeOwn}
            </button>`
          : nothing
      }
    </p>`;
  }

  private wordsOf(looked: Looked): string {
    const { state, texts, lookedAt, looksOnly } = this.side;
    if (looked === 'chosen') return fill(texts.placementOf, this.side.nameOf(lookedAt));
    if (looked === 'class') return plural(texts, 'orderOfClass', this.order.people);
    if (this.line.together) return texts.placeTogether;
    if (looksOnly) return texts.orderNotShown;
    return state.orderShown ? texts.yourPlacement : texts.placeForYourself;
  }

  private placedOn(line: LinePlan, placed: readonly Card[]): TemplateResult {
    if (line.kind === LineKind.Ladder) return this.ladder(line, placed);
    return line.kind === LineKind.Field ? this.field(line, placed) : this.along(line, placed);
  }

  /** Two lines that cross in the middle, and the names of their ends at the edges. */
  private field(line: LinePlan, placed: readonly Card[]): TemplateResult {
    const { texts, read, written } = this.side;
    const name = (of: 'start' | 'end' | 'low' | 'high') => textIn(line[of] ?? {}, [read[0]], written);
    return html`<section class="line field-of-two" aria-label=${texts.onLine} data-line>
      <p class="field-words">
        <span>${fill(texts.fieldAcross, name('start'), name('end'))}</span>
        <span>${fill(texts.fieldUp, name('low'), name('high'))}</span>
      </p>
      <p class="axis-end field-high" dir="auto"><b>${name('high')}</b></p>
      <p class="axis-end field-start" dir="auto"><b>${name('start')}</b></p>
      <div class="field-area">
        <svg class="field-marks" aria-hidden="true"></svg>
        <p class="axis-mark" aria-hidden="true" hidden></p>
        ${this.cardsOn(line, placed)}
      </div>
      <p class="axis-end field-end" dir="auto"><b>${name('end')}</b></p>
      <p class="axis-end field-low" dir="auto"><b>${name('low')}</b></p>
    </section>`;
  }

  private along(line: LinePlan, placed: readonly Card[]): TemplateResult {
    const { texts, read, written } = this.side;
    const end = (of: 'start' | 'end') => textIn(line[of], [read[0]], written);
    const bound = (at: number) => (line.kind === LineKind.Ends ? '' : called(line.kind, at, texts));
    return html`<section class="line" aria-label=${texts.onLine} data-line>
      ${this.cardsOn(line, placed)}
      <div class="axis">
        <svg class="axis-drawn" aria-hidden="true" preserveAspectRatio="none" viewBox="0 0 1000 10">
          <line class="axis-line" x1="0" y1="2" x2="1000" y2="2"></line>
        </svg>
        <p class="axis-mark" aria-hidden="true" hidden></p>
        <div class="axis-ticks" aria-hidden="true">
          ${ticksOf(line).map((at) => html`<span data-tick=${shareOf(line, at)}>${called(line.kind, at, texts)}</span>`)}
        </div>
        <p class="axis-end" dir="auto"><b>${end('start')}</b> <small>${bound(line.from)}</small></p>
        <p class="axis-end axis-far" dir="auto"><b>${end('end')}</b> <small>${bound(line.to)}</small></p>
      </div>
    </section>`;
  }

  private cardsOn(line: LinePlan, placed: readonly Card[]): TemplateResult {
    const { texts } = this.side;
    return html`<ol class="on-line" aria-label=${texts.onLine}>
      ${repeat(
        placed,
        (c) => c.id,
        (c) => this.slip(c, line),
      )}
      ${placed.length === 0 ? html`<li class="line-empty">${texts.lineEmpty}</li>` : nothing}
    </ol>`;
  }

  private ladder(line: LinePlan, placed: readonly Card[]): TemplateResult {
    const { texts, read, written } = this.side;
    const rungOf = (card: Card) => Math.min(line.to, Math.max(1, Math.round(this.at(card)!)));
    const name = (rung: number) =>
      rung === 1
        ? textIn(line.start, [read[0]], written)
        : rung === line.to
          ? textIn(line.end, [read[0]], written)
          : '';
    return html`<ol class="ladder" aria-label=${texts.onLine} data-line>
      ${Array.from({ length: line.to }, (_, i) => i + 1).map(
        (rung) =>
          html`<li class="rung" data-rung=${rung}>
            <p class="rung-name"><b>${called(line.kind, rung, texts)}</b> <span dir="auto">${name(rung)}</span></p>
            <ol class="slips" aria-label=${called(line.kind, rung, texts)}>
              ${repeat(
                placed.filter((c) => rungOf(c) === rung),
                (c) => c.id,
                (c) => this.slip(c, line),
              )}
            </ol>
          </li>`,
      )}
    </ol>`;
  }

  private slip(card: Card, line: LinePlan): unknown {
    const { texts } = this.side;
    const spot = this.spot(card);
    const at = spot?.at ?? null;
    const isPlacing = this.control.card === card.id && this.mayMove(card.id);
    return html`<li
      class="slip order-slip"
      data-colour=${ownColour(card) ?? nothing}
      data-card=${card.id}
      data-share=${at === null ? nothing : shareOf(line, at)}
      data-up=${spot ? spot.up / 100 : nothing}
      ?data-grip=${this.mayMove(card.id)}
      ?data-mine=${this.slips.isMine(card)}
      tabindex="-1"
    >
      ${this.slips.words(card)} ${this.slips.said(card)}
      ${at === null || line.kind === LineKind.Field ? nothing : this.spread(card, line, at)}
      ${isPlacing ? this.control.control(card, line, at !== null) : nothing}
      <footer class="slip-foot">
        <span class="order-place"
          >${at === null ? nothing : this.placeOf(card, line, spot!)}${this.authorOf(card)}</span
        >
        <span class="slip-actions">
          ${this.slips.threads.toggle(card)} ${this.slips.changeButton(card)} ${this.slips.tellButton(card)}
          ${
            this.mayMove(card.id) && !isPlacing
              ? html`<button
                  type="button"
                  class="button button-small order-handle"
                  data-handle
                  aria-label=${`${at === null ? texts.placeIt : texts.moveIt}: ${titleOf(card, texts)}`}
                  @click=${() => this.control.open(card, line, spot)}
                >
                  ${at === null ? texts.placeIt : texts.moveIt}
                </button>`
              : nothing
          }
        </span>
      </footer>
    </li>`;
  }

  private authorOf(card: Card): unknown {
    return card.byStaff ? nothing : html`<span>${this.slips.author(card)}</span>`;
  }

  /** Where it stands, drawn: of the class where half of them have it; by itself where it does not lie over its place. */
  private spread(card: Card, line: LinePlan, at: number): TemplateResult {
    const isOfClass = this.looked === 'class';
    const { low, high } = (isOfClass ? this.ofClass(card) : null) ?? { low: at, high: at };
    const [from, to, middle] = [low, high, at].map((place) => shareOf(line, place) * 100) as [number, number, number];
    return html`<svg
      class="order-spread"
      ?data-alone=${!isOfClass}
      viewBox="0 0 100 8"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <line class="spread-line" x1="0" x2="100" y1="4" y2="4"></line>
      <rect class="spread-half" x=${from} y="1.5" width=${to - from} height="5"></rect>
      <rect class="spread-middle" x=${Math.min(98.5, Math.max(0, middle - 0.75))} y="0" width="1.5" height="8"></rect>
    </svg>`;
  }

  /** Where it stands, in words; of the class also how widely, and where I have it. */
  private placeOf(card: Card, line: LinePlan, spot: LineSpot): unknown {
    const { state, me, texts } = this.side;
    const say = (at: number, up = 0) => called(line.kind, at, texts, up);
    const said = say(spot.at, spot.up);
    if (this.looked !== 'class') return html`<b>${said}</b>`;
    const { people, low, high, up } = this.ofClass(card)!;
    const own = me.isStaff ? null : spotOf(state, card, me.number);
    const isWide = low !== high || (up && up.low !== up.high);
    const half = isWide ? fill(texts.halfBetween, say(low, up?.low), say(high, up?.high)) : '';
    const all = people * 2 > this.order.people ? '' : plural(texts, 'fromPeople', people);
    const widely = [all, half].filter(Boolean).join(', ');
    return html`<b>${said}</b> ${widely ? html`<span>${widely}</span>` : nothing}
      ${own ? html`<span>${fill(texts.yoursAt, say(own.at, own.up))}</span>` : nothing}`;
  }

  /** What is said to cards stands below the line: there is room for it. */
  private said(cards: readonly Card[]): unknown {
    return cards
      .filter((c) => this.slips.threads.isOpen(c.id))
      .map(
        (c) =>
          html`<section class="order-said slip" data-open aria-label=${titleOf(c, this.side.texts)}>
            <h3 dir="auto">${titleOf(c, this.side.texts)}</h3>
            ${this.slips.threads.thread(c)}
          </section>`,
      );
  }

  private below(rest: readonly Card[], looked: Looked): TemplateResult {
    const { state, texts } = this.side;
    const heading =
      looked === 'own' && !state.orderShown
        ? fill(texts.stillToPlace, rest.length)
        : fill(texts.notPlaced, rest.length);
    const slot = { placeholder: texts.writeHere, label: texts.writeNew, done: texts.putUp, about: heading };
    return html`<section class="off-line" data-off>
      ${rest.length > 0 ? html`<h2>${heading}</h2>` : nothing}
      <ol class="slips" aria-label=${heading}>
        ${repeat(
          rest,
          (c) => c.id,
          (c) => (this.slips.changing.card === c.id ? this.slips.changing.slip(c) : this.slip(c, this.line)),
        )}
        ${this.newCards.slot(NOWHERE, slot)}
      </ol>
    </section>`;
  }

  /** The place on the line at which a pointer is; null where it is not over it. */
  private spotAt({ x, y }: { x: number; y: number }): LineSpot | null {
    const { line } = this;
    const element = this.view.root.querySelector<HTMLElement>('[data-line]');
    const box = element?.getBoundingClientRect();
    if (!element || !box || y < box.top || y > box.bottom) return null;
    if (line.kind === LineKind.Ladder) {
      const rungs = [...element.querySelectorAll<HTMLElement>('[data-rung]')];
      const rung = rungs.findIndex((r) => y <= r.getBoundingClientRect().bottom);
      return rung < 0 ? null : { on: line.kind, at: rung + 1, up: 0 };
    }
    const along = element.querySelector('.on-line')!.getBoundingClientRect();
    const share = (x - along.left) / along.width;
    const at = placeAt(line, getComputedStyle(element).direction === 'rtl' ? 1 - share : share);
    const up = line.kind === LineKind.Field ? placeAt(line, 1 - (y - along.top) / along.height) : 0;
    return { on: line.kind, at, up };
  }

  /** While a card is dragged: what the place under it is called. */
  private mark(spot: LineSpot | null): void {
    const mark = this.view.root.querySelector<HTMLElement>('.axis-mark');
    if (!mark) return;
    mark.hidden = spot === null;
    if (!spot) return;
    mark.textContent = called(spot.on, spot.at, this.side.texts, spot.up);
    mark.style.setProperty('inset-inline-start', `${shareOf(this.line, spot.at) * 100}%`);
  }

  private drop(where: { card: number; x: number; y: number }): void {
    const card = this.side.state.cards.get(where.card);
    if (!card || !this.mayMove(card.id)) return;
    const spot = this.spotAt(where);
    if (spot || this.isBelow(where.y)) this.place(card, spot);
    this.refresh();
  }

  /** Where it is already, nothing is done. */
  private place(card: Card, to: LineSpot | null): void {
    const from = this.spot(card);
    if (from?.at !== to?.at || from?.up !== to?.up) this.side.place(card, to);
  }

  private isBelow(y: number): boolean {
    const box = this.view.root.querySelector('[data-off]')?.getBoundingClientRect();
    return box !== undefined && y >= box.top;
  }
}
