// The free field: cards where they lie, links between them, what lies beneath. Lengths are units of the field but where px is said.

import { type TemplateResult, html, nothing, svg } from 'lit-html';
import { guard } from 'lit-html/directives/guard.js';
import { repeat } from 'lit-html/directives/repeat.js';
import { show } from '../attachments';
import { plural } from '../page-data';
import { CARD_HEIGHT, CARD_WIDTH, beginning, freeNear, sizeOf, spotsOf } from '../room/free-spots';
import { mayLay } from '../room/field-foresight';
import { fieldOf } from '../room/linking';
import type { Card } from '../room/wall-state';
import type { FieldSpot, Link } from '../wire/forms';
import { dragCards } from './dragging-cards';
import { type Bounds, FieldSight, setPx } from './field-sight';
import { type Box, type Line, bendsOf, lineOf, placeWords } from './link-lines';
import { wordsOf } from './link-sentences';
import type { Slips } from './slips';
import { type WallSide, ownColour, titleOf } from './wall-side';

const AROUND = 110;
const STEP = 20;
const LARGE_STEP = 100;

const ARROWS: Record<string, FieldSpot> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

export class FieldView {
  /** Where the next card is wanted, after a place was pressed twice; null if nowhere. */
  wanted: FieldSpot | null = null;
  private readonly sight: FieldSight;
  private cards: readonly Card[] = [];
  private links: readonly Link[] = [];
  /** On what depends where things lie and how large they are: as drawn, and as last measured. */
  private drawn: readonly unknown[] = [];
  private measured: readonly unknown[] = [];
  /** Being moved by keys, not yet told. */
  private moving: { card: number; spot: FieldSpot } | null = null;

  /** @param choose a card was pressed; 0: none is chosen any more. */
  constructor(
    private readonly side: WallSide,
    root: HTMLElement,
    private readonly slips: Slips,
    private readonly choose: (card: number) => void,
    private readonly refresh: (focus?: string) => void,
  ) {
    dragCards(
      root,
      (id) => this.mayMove(id),
      (where) => this.drawLinks(where && { card: where.card, spot: this.moved(where.card, where.by) }),
      (where) => this.drop(where.card, this.moved(where.card, where.by)),
      () => this.sight.length / this.sight.unit,
    );
    this.sight = new FieldSight(
      () => root.querySelector<HTMLElement>('.field-scroll'),
      () => this.measure(),
      () => refresh(),
    );
    new ResizeObserver(() => this.measure()).observe(root);
  }

  /** Drawn anew only when something of it changes: somebody may be writing beside it. */
  draw(all: readonly Card[], between: readonly Link[], chosen: number): unknown {
    // What was never put there has no place on it.
    const cards = all.filter((c) => c.spot);
    const laid = new Set(cards.map((c) => c.id));
    const links = between.filter((l) => laid.has(l.from) && laid.has(l.to));
    [this.cards, this.links] = [cards, links];
    const { state, read } = this.side;
    const authors = cards.map((c) => this.slips.author(c));
    const shown = cards.map((c) => c.id).join();
    this.drawn = [state.cards, state.links, state.plan, shown, links.length, read.join(), authors.join()];
    return guard([...this.drawn, chosen, this.wanted, this.side.mayWrite(), this.side.mayMove()], () =>
      this.field(cards, links, chosen, authors),
    );
  }

  private field(
    cards: readonly Card[],
    links: readonly Link[],
    chosen: number,
    authors: readonly string[],
  ): TemplateResult {
    const { state, texts } = this.side;
    const field = fieldOf(state.plan)!;
    const linked = new Map<number, number>();
    for (const { from, to } of links) for (const id of [from, to]) linked.set(id, (linked.get(id) ?? 0) + 1);
    const touched = new Set(links.filter((l) => l.from === chosen || l.to === chosen).map((l) => l.id));
    return html`<div
      class="field-scroll"
      role="group"
      aria-label=${texts.field}
      @wheel=${(e: WheelEvent) => this.sight.wheel(e)}
      @pointerdown=${(e: PointerEvent) => this.pan(e)}
      @dblclick=${(e: MouseEvent) => this.want(e)}
    >
      <div class="field-sized">
        <div class="field-canvas" data-paper=${field.paper} ?data-choosing=${chosen !== 0}>
          ${
            field.picture
              ? html`<img
                  class="field-picture"
                  src=${this.side.address(field.picture.media)}
                  alt=${field.picture.description}
                  draggable="false"
                />`
              : nothing
          }
          <svg class="field-links" aria-hidden="true">
            ${repeat(
              links,
              (l) => l.id,
              (l) =>
                svg`<g data-link=${l.id} ?data-touched=${touched.has(l.id)}>
                  <path class="link-line"></path>
                  <path class="link-head"></path>
                </g>`,
            )}
          </svg>
          <div class="link-labels" aria-hidden="true">
            ${repeat(
              links,
              (l) => l.id,
              (l) =>
                html`<span
                  data-label=${l.id}
                  dir="auto"
                  ?data-touched=${touched.has(l.id)}
                  @click=${() => this.choose(l.from)}
                  >${wordsOf(l, this.side)}</span
                >`,
            )}
          </div>
          <div class="field-wanted" ?hidden=${!this.wanted} aria-hidden="true">${texts.newHere}</div>
          <ol class="field-cards" aria-label=${texts.field}>
            ${repeat(
              cards,
              (c) => c.id,
              (c, at) => {
                const [isChosen, count, author] = [c.id === chosen, linked.get(c.id) ?? 0, authors[at]!];
                const keys = [
                  c,
                  isChosen,
                  count,
                  author,
                  this.mayMove(c.id),
                  this.side.read.join(),
                  state.plan.givenCards,
                ];
                return guard(keys, () => this.card(c, isChosen, count, author));
              },
            )}
          </ol>
        </div>
      </div>
    </div>`;
  }

  /** Nearer, farther, all. */
  controls(): TemplateResult {
    return this.sight.controls(this.side.texts);
  }

  /** Where a new card is wanted: where somebody pressed twice, else in the middle of what is seen. */
  get spotForNew(): FieldSpot | undefined {
    return this.wanted ?? (this.cards.length > 0 ? (this.sight.middle ?? undefined) : undefined);
  }

  /** Puts a card there that has no place yet. */
  layNew(card: Card): void {
    const wanted = this.spotForNew ?? beginning(fieldOf(this.side.state.plan)!);
    this.side.lay(card, freeNear(wanted, spotsOf(this.cards)) ?? wanted);
  }

  /** Moves a card by so many large steps. */
  push(card: Card, x: number, y: number): void {
    if (!this.mayMove(card.id) || !card.spot) return;
    this.side.lay(card, { x: card.spot.x + x * LARGE_STEP, y: card.spot.y + y * LARGE_STEP });
  }

  mayMove(id: number): boolean {
    const { state, me, looksOnly } = this.side;
    const card = state.cards.get(id);
    return !looksOnly && this.side.mayMove() && card !== undefined && mayLay(state, card, me);
  }

  /** After something was drawn: only where it lies elsewhere, or is of another size. */
  measureIfOther(): void {
    const now = [...this.drawn, this.sight.zoom, this.wanted, this.sight.scroll];
    if (now.length === this.measured.length && now.every((v, i) => v === this.measured[i])) return;
    this.measured = now;
    this.measure();
  }

  /** Everything is where it lies. */
  measure(): void {
    const { scroll, unit, origin: before } = this.sight;
    if (!scroll) return;
    const bounds = this.bounds();
    this.sight.fit(scroll, bounds, this.cards.length > 0);
    const { left, top } = bounds;
    const { picture } = fieldOf(this.side.state.plan) ?? {};
    if (picture) {
      const size = sizeOf(picture);
      setPx(scroll.querySelector('.field-picture'), {
        left: (-size.width / 2 - left) * unit,
        top: (-size.height / 2 - top) * unit,
        width: size.width * unit,
        height: size.height * unit,
      });
    }
    const at = ({ x, y }: FieldSpot) => ({ left: (x - left) * unit, top: (y - top) * unit });
    for (const element of scroll.querySelectorAll<HTMLElement>('.field-card')) {
      const spot = this.spotOf(Number(element.dataset['card']));
      if (spot) setPx(element, at(spot));
    }
    if (this.wanted) setPx(scroll.querySelector('.field-wanted'), at(this.wanted));
    this.drawLinks(null);
    if (before) return;
    const spots = spotsOf(this.cards);
    if (spots.length > 0) this.sight.beginAt(scroll, spots);
    else this.sight.origin = null;
  }

  private spotOf(id: number): FieldSpot | null {
    if (this.moving?.card === id) return this.moving.spot;
    return this.cards.find((c) => c.id === id)?.spot ?? null;
  }

  private bounds(): Bounds {
    const { picture } = fieldOf(this.side.state.plan) ?? {};
    const spots = this.cards.map((c) => this.spotOf(c.id)).filter((s) => s !== null);
    const boxes = [...spots, ...(this.wanted ? [this.wanted] : [])].map(({ x, y }) => ({
      left: x - CARD_WIDTH / 2,
      top: y - CARD_HEIGHT / 2,
      right: x + CARD_WIDTH / 2,
      bottom: y + CARD_HEIGHT / 2,
    }));
    if (picture) {
      const { width, height } = sizeOf(picture);
      boxes.push({ left: -width / 2, top: -height / 2, right: width / 2, bottom: height / 2 });
    }
    if (boxes.length === 0)
      boxes.push({ left: -CARD_WIDTH, top: -CARD_HEIGHT, right: CARD_WIDTH, bottom: CARD_HEIGHT });
    const left = Math.min(...boxes.map((b) => b.left)) - AROUND;
    const top = Math.min(...boxes.map((b) => b.top)) - AROUND;
    return {
      left,
      top,
      width: Math.max(...boxes.map((b) => b.right)) + AROUND - left,
      height: Math.max(...boxes.map((b) => b.bottom)) + AROUND - top,
    };
  }

  private card(card: Card, isChosen: boolean, linked: number, author: string): TemplateResult {
    const { texts } = this.side;
    const [first] = card.attachments;
    const isMovable = this.mayMove(card.id);
    const words = this.slips.textOf(card);
    return html`<li
      class="slip field-card"
      data-colour=${ownColour(card) ?? nothing}
      data-card=${card.id}
      ?data-grip=${isMovable}
      ?data-mine=${this.slips.isMine(card)}
      ?data-chosen=${isChosen}
      tabindex="-1"
    >
      ${first ? html`<span class="field-shown">${show(first, this.side)}</span>` : nothing}
      ${words.text ? html`<p class="field-words" dir="auto" lang=${words.language || nothing}>${words.text}</p>` : nothing}
      <span class="field-author">${card.byStaff ? nothing : author}</span>
      <button
        type="button"
        class="field-open"
        data-handle
        aria-pressed=${isChosen}
        aria-label=${`${titleOf({ ...card, text: words.text }, texts)}, ${plural(texts, 'links', linked)}`}
        @click=${() => this.choose(card.id)}
        @keydown=${(e: KeyboardEvent) => this.key(e, card)}
        @keyup=${() => this.settle()}
        @blur=${() => this.settle()}
      ></button>
    </li>`;
  }

  private key(e: KeyboardEvent, card: Card): void {
    const arrow = ARROWS[e.key];
    if (e.key === 'Escape') this.choose(0);
    if (!arrow || !this.mayMove(card.id) || e.altKey || e.ctrlKey || e.metaKey) return;
    e.preventDefault();
    const from = this.spotOf(card.id);
    if (!from) return;
    const by = e.shiftKey ? LARGE_STEP : STEP;
    this.moving = { card: card.id, spot: { x: from.x + arrow.x * by, y: from.y + arrow.y * by } };
    this.measure();
  }

  /** What was moved by keys is told once they are let go. */
  private settle(): void {
    const { moving } = this;
    this.moving = null;
    if (moving) this.measure();
    const card = moving && this.side.state.cards.get(moving.card);
    if (card && this.mayMove(card.id)) this.side.lay(card, moving.spot);
  }

  private moved(id: number, by: { x: number; y: number }): FieldSpot {
    const from = this.spotOf(id) ?? { x: 0, y: 0 };
    const { length } = this.sight;
    return { x: Math.round(from.x + by.x / length), y: Math.round(from.y + by.y / length) };
  }

  /** Where another card lies, beside it. */
  private drop(id: number, spot: FieldSpot): void {
    const card = this.side.state.cards.get(id);
    if (!card || !this.mayMove(id)) return this.refresh();
    const others = spotsOf(this.cards.filter((c) => c.id !== id));
    this.side.lay(card, freeNear(spot, others) ?? spot);
    this.refresh();
  }

  private drawLinks(dragged: { card: number; spot: FieldSpot } | null): void {
    const { scroll, origin, unit } = this.sight;
    if (!scroll || !origin) return;
    const boxes = new Map<number, Box>();
    for (const element of scroll.querySelectorAll<HTMLElement>('.field-card')) {
      const id = Number(element.dataset['card']);
      const spot = dragged?.card === id ? dragged.spot : this.spotOf(id);
      if (!spot) continue;
      const { offsetWidth: width, offsetHeight: height } = element;
      boxes.set(id, { x: (spot.x - origin.x) * unit, y: (spot.y - origin.y) * unit, width, height });
    }
    const bends = bendsOf(this.links);
    const words: { label: HTMLElement; line: Line; width: number; height: number }[] = [];
    const groups = new Map([...scroll.querySelectorAll<SVGElement>('[data-link]')].map((g) => [g.dataset['link'], g]));
    const labels = new Map(
      [...scroll.querySelectorAll<HTMLElement>('[data-label]')].map((l) => [l.dataset['label'], l]),
    );
    for (const link of this.links) {
      const [group, label] = [groups.get(String(link.id)), labels.get(String(link.id))];
      const [from, to] = [boxes.get(link.from), boxes.get(link.to)];
      if (!group || !label || !from || !to) continue;
      const line = lineOf(from, to, (bends.get(link.id) ?? 0) * unit);
      group.querySelector('.link-line')!.setAttribute('d', line.path);
      group.querySelector('.link-head')!.setAttribute('d', line.head);
      words.push({ label, line, width: label.offsetWidth, height: label.offsetHeight });
    }
    for (const [i, { x, y }] of placeWords(words, [...boxes.values()]).entries()) {
      words[i]!.label.style.setProperty('left', `${x}px`);
      words[i]!.label.style.setProperty('top', `${y}px`);
    }
  }

  private want(e: MouseEvent): void {
    if ((e.target as Element).closest('.field-card, [data-label]') || !this.side.mayWrite()) return;
    if (!this.side.me.isStaff && this.side.state.plan.rules.onlyGiven) return;
    this.wanted = this.sight.spotAt(e.clientX, e.clientY);
    this.choose(0);
    this.refresh('[data-slot="0"]');
  }

  private pan(e: PointerEvent): void {
    if (!(e.target as Element).closest('.field-card, [data-label]')) this.sight.pan(e);
  }
}
