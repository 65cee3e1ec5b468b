// A wall as it is read: the question's topics like strata, cards along each, and at its end the place to write. By lit-html: a wall may hold
// hundreds of cards, and what is being typed must not be touched.

import { type TemplateResult, html, nothing, render } from 'lit-html';
import { guard } from 'lit-html/directives/guard.js';
import { live } from 'lit-html/directives/live.js';
import { repeat } from 'lit-html/directives/repeat.js';
import { fill, plural } from '../page-data';
import type { Me } from '../room/sheets';
import { type Answer, type Card, LONGEST_TEXT, NOWHERE, type Topic, type WallState } from '../room/wall-state';
import { textIn } from '../surface/in-language';
import type { Arrivals } from './arrivals';
import { Drafts } from './drafts';
import { Threads } from './threads';
import type { WallTexts } from './wall-texts';

/** What a wall's page does with what is pressed, and what it knows. */
export interface WallSide {
  readonly state: WallState;
  readonly me: Me;
  readonly texts: WallTexts;
  readonly written: string;
  readonly arrivals: Arrivals;
  readonly drafts: Drafts;
  /** In which languages the teacher's words are read; the second may be empty. */
  readonly read: readonly [string, string];
  /** Whether anything is written here at all. */
  readonly looksOnly: boolean;
  /** The topic that is in sight where there is room for one only. */
  readonly topicInSight: number;
  nameOf(actor: number): string;
  mayWrite(): boolean;
  /** Whether a card is among those that are looked for. */
  isWanted(card: Card): boolean;
  putUp(topic: number, text: string): void;
  reword(card: Card, text: string): void;
  move(card: Card, topic: number, order: number): void;
  takeDown(card: Card): void;
  putBack(card: Card): void;
  answer(card: Card, to: number, text: string): void;
  rewordAnswer(card: Card, answer: Answer, text: string): void;
  takeAnswerDown(card: Card, answer: Answer): void;
  putAnswerBack(card: Card, answer: Answer): void;
}

interface Band {
  readonly topic: number;
  readonly plan: Topic | null;
  readonly cards: readonly Card[];
}

export class WallView {
  private editing: number | null = null;
  private scheduled = false;
  private focusNext: string | null = null;
  private readonly threads: Threads;

  constructor(
    private readonly root: HTMLElement,
    private readonly side: WallSide,
  ) {
    this.threads = new Threads(side, (focus) => {
      if (focus) this.focusNext = focus;
      this.refresh();
    });
  }

  /** At the next frame, however often it is asked for. */
  refresh(): void {
    if (this.scheduled) return;
    this.scheduled = true;
    requestAnimationFrame(() => this.render());
  }

  /** Topics in order; behind them what fits nowhere, where there is anything to fit. */
  get bands(): Band[] {
    const { state, me } = this.side;
    const cards = new Map<number, Card[]>();
    for (const card of state.cards.values())
      if (card.downBy === 0 && state.isSeen(card, me)) {
        const under = cards.get(card.topic);
        if (under) under.push(card);
        else cards.set(card.topic, [card]);
      }
    const band = (topic: number, plan: Topic | null): Band => ({
      topic,
      plan,
      cards: (cards.get(topic) ?? []).sort((a, b) => a.order - b.order || a.id - b.id),
    });
    return [...state.plan.topics.map((t) => band(t.id, t)), band(NOWHERE, null)];
  }

  headingOf(topic: number): string {
    const { state, texts, read, written } = this.side;
    const plan = state.plan.topics.find((t) => t.id === topic);
    if (plan) return textIn(plan.heading, [read[0]], written);
    return state.plan.topics.length > 0 ? texts.nowhere : texts.everything;
  }

  /** Whether a new card under a topic moves nothing that is in sight. */
  nothingJumps(topic: number): boolean {
    const end = this.root.querySelector<HTMLElement>(`[data-topic="${topic}"] .slips`)?.lastElementChild;
    if (!end) return true;
    const { top, height } = end.getBoundingClientRect();
    return height === 0 || top > window.innerHeight;
  }

  /** Whether somebody is in the middle of writing on it. */
  get isTyping(): boolean {
    const { activeElement } = document;
    return activeElement instanceof HTMLTextAreaElement && this.root.contains(activeElement);
  }

  /** Ends that a card is being changed, if it is; what was typed stays on the device. */
  stopChanging(id: number): boolean {
    if (this.editing !== id) return false;
    this.editing = null;
    this.refresh();
    return true;
  }

  focusCard(id: number): void {
    this.focusNext = `[data-card="${id}"]`;
    this.refresh();
  }

  private render(): void {
    this.scheduled = false;
    const bands = this.bands;
    render(
      html`${repeat(
        bands,
        (b) => b.topic,
        (b) => this.band(b),
      )}${this.takenDown()}`,
      this.root,
    );
    if (!this.focusNext) return;
    this.root.querySelector<HTMLElement>(this.focusNext)?.focus();
    this.focusNext = null;
  }

  private band({ topic, plan, cards }: Band): TemplateResult {
    const { texts, arrivals, topicInSight, read, written } = this.side;
    const shown = cards.filter((c) => arrivals.has(c) && this.side.isWanted(c));
    const fresh = arrivals.waiting(cards);
    const heading = this.headingOf(topic);
    const prompt = plan ? textIn(plan.prompt, [read[0]], written) : '';
    const second = (all: Record<string, string> | undefined, first: string) => {
      const words = read[1] ? (all?.[read[1]] ?? '') : '';
      return words && words !== first
        ? html`<p class="second-language" dir="auto" lang=${read[1]}>${words}</p>`
        : nothing;
    };
    return html`<section
      class="stratum"
      data-topic=${topic}
      data-colour=${plan?.colour ?? 'none'}
      ?data-in-sight=${topic === topicInSight}
      aria-labelledby="topic-${topic}"
    >
      <header class="stratum-near">
        <h2 id="topic-${topic}" dir="auto" lang=${read[0] || nothing}>${heading}</h2>
        ${second(plan?.heading, heading)}
        ${prompt ? html`<p class="stratum-prompt" dir="auto" lang=${read[0] || nothing}>${prompt}</p>` : nothing}
        ${second(plan?.prompt, prompt)}
        <p class="stratum-count">
          <span>${plural(texts, 'cards', cards.length)}</span>
          ${
            fresh.length > 0
              ? html`<button
                  type="button"
                  class="button button-small"
                  aria-label=${`${plural(texts, 'fresh', fresh.length)}: ${heading}`}
                  @click=${() => this.showFresh(fresh)}
                >
                  ${fill(texts.freshHere, fresh.length)}
                </button>`
              : nothing
          }
        </p>
      </header>
      <ol class="slips" aria-label=${heading}>
        ${repeat(
          shown,
          (c) => c.id,
          (c) => this.slipOf(c),
        )}
        ${this.slot(topic, heading)}
      </ol>
    </section>`;
  }

  private slipOf(card: Card): unknown {
    if (this.editing === card.id) return this.slipBeingChanged(card);
    return this.threads.isOpen(card.id) ? this.slip(card) : guard([card, ...this.guardOf(card)], () => this.slip(card));
  }

  // What a card's picture depends on besides the card.
  private guardOf(card: Card): unknown[] {
    const { side } = this;
    return [
      side.nameOf(card.author),
      side.mayWrite(),
      side.read.join(),
      side.state.mayAnswer(card, side.me),
      card.putUnder === card.topic || this.headingOf(card.putUnder),
    ];
  }

  private slip(card: Card): TemplateResult {
    const { state, me, texts } = this.side;
    const isMine = state.isMine(card, me);
    const mayChange = !this.side.looksOnly && this.side.mayWrite() && state.mayChange(card.id, me);
    const [first, ...rest] = card.text.split('\n');
    // Where a topic is gone, nobody moved the card.
    const isMoved = card.putUnder !== card.topic && state.has(card.putUnder);
    const moved = isMoved ? fill(texts.movedFrom, this.headingOf(card.putUnder)) : '';
    return html`<li
      class="slip"
      data-card=${card.id}
      ?data-mine=${isMine && !me.isStaff}
      ?data-open=${this.threads.isOpen(card.id)}
      tabindex="-1"
    >
      <div class="slip-words" dir="auto" lang=${card.language || nothing}>
        ${
          rest.length > 0
            ? html`<p class="slip-first">${first}</p>
                <p>${rest.join('\n')}</p>`
            : html`<p>${first}</p>`
        }
      </div>
      <footer class="slip-foot">
        <span>${this.author(card, isMine)}${moved ? html` · <span>${moved}</span>` : nothing}</span>
        <span class="slip-actions">
          ${this.threads.toggle(card)}
          ${
            mayChange
              ? html`<button
                  type="button"
                  class="button button-quiet slip-change"
                  aria-label=${fill(texts.changeOf, first!)}
                  @click=${() => this.open(card)}
                >
                  ${texts.change}
                </button>`
              : nothing
          }
        </span>
      </footer>
      ${this.threads.thread(card)}
    </li>`;
  }

  private author(card: Card, isMine: boolean): string {
    const { texts, me } = this.side;
    if (card.byStaff) return texts.teacher;
    return isMine && !me.isStaff ? texts.yours : this.side.nameOf(card.author);
  }

  private slipBeingChanged(card: Card): TemplateResult {
    const { state, texts, drafts } = this.side;
    const place = Drafts.of(card.id);
    const text = drafts.get(place);
    const all = this.bands.find((b) => b.topic === card.topic)!.cards;
    const others = all.filter((c) => c.id !== card.id);
    const at = all.findIndex((c) => c.id === card.id);
    return html`<li class="slip slip-changing" data-card=${card.id}>
      <textarea
        class="slip-field"
        maxlength=${LONGEST_TEXT}
        dir="auto"
        aria-label=${texts.cardWords}
        .value=${live(text)}
        @input=${(e: Event) => {
          drafts.set(place, (e.target as HTMLTextAreaElement).value);
          this.refresh();
        }}
        @keydown=${(e: KeyboardEvent) => this.keyWhileChanging(e, card)}
      ></textarea>
      ${
        state.plan.topics.length > 0
          ? html`<label class="slip-where"
              >${texts.topic}
              <select
                aria-label=${texts.topic}
                @change=${(e: Event) => this.moveTo(card, Number((e.target as HTMLSelectElement).value))}
              >
                ${this.bands.map(
                  (b) =>
                    html`<option value=${b.topic} ?selected=${b.topic === card.topic}>
                      ${this.headingOf(b.topic)}
                    </option>`,
                )}
              </select></label
            >`
          : nothing
      }
      ${
        others.length > 0
          ? html`<label class="slip-where"
              >${texts.place}
              <select
                aria-label=${texts.place}
                @change=${(e: Event) => this.moveBehind(card, Number((e.target as HTMLSelectElement).value))}
              >
                <option value="0" ?selected=${at === 0}>${texts.placeFirst}</option>
                ${others.map(
                  (c, i) =>
                    html`<option value=${i + 1} ?selected=${at === i + 1}>
                      ${fill(texts.placeAfter, c.text.split('\n')[0]!.slice(0, 40))}
                    </option>`,
                )}
              </select></label
            >`
          : nothing
      }
      <div class="slip-do">
        <button
          type="button"
          class="button button-small button-main"
          ?disabled=${!text.trim()}
          @click=${() => this.keep(card)}
        >
          ${texts.keep}
        </button>
        <button type="button" class="button button-small button-refuse" @click=${() => this.takeDown(card)}>
          ${texts.takeDown}
        </button>
        <button type="button" class="button button-small button-quiet" @click=${() => this.close(card)}>
          ${texts.cancel}
        </button>
      </div>
    </li>`;
  }

  /** The next free place under a topic: one types where the card will stand. */
  private slot(topic: number, heading: string): TemplateResult | typeof nothing {
    const { state, me, texts, drafts, looksOnly } = this.side;
    if (looksOnly) return nothing;
    if (!me.isStaff && state.isFull(me.number))
      return html`<li class="slot slot-full">${fill(texts.full, state.plan.rules.most)}</li>`;
    const place = Drafts.under(topic);
    const text = drafts.get(place);
    return html`<li class="slot" ?data-begun=${text !== ''}>
      <textarea
        class="slip-field"
        data-slot=${topic}
        rows="1"
        maxlength=${LONGEST_TEXT}
        dir="auto"
        placeholder=${texts.writeHere}
        aria-label=${fill(texts.writeUnder, heading)}
        .value=${live(text)}
        ?readonly=${!this.side.mayWrite()}
        @input=${(e: Event) => {
          drafts.set(place, (e.target as HTMLTextAreaElement).value);
          this.refresh();
        }}
        @keydown=${(e: KeyboardEvent) => this.keyInSlot(e, topic)}
      ></textarea>
      ${
        text.trim()
          ? html`<button
              type="button"
              class="button button-small button-main"
              ?disabled=${!this.side.mayWrite()}
              @click=${() => this.putUp(topic)}
            >
              ${texts.putUp}
            </button>`
          : nothing
      }
    </li>`;
  }

  private takenDown(): TemplateResult | typeof nothing {
    const { state, me, texts, looksOnly } = this.side;
    const down = state.down(me);
    if (looksOnly || down.length === 0) return nothing;
    const mayPutBack = (card: Card) =>
      this.side.mayWrite() && (me.isStaff || (card.downBy === me.number && !state.isFull(me.number)));
    return html`<details class="taken-down">
      <summary>${fill(texts.takenDown, down.length)}</summary>
      <ul class="slips">
        ${repeat(
          down,
          (c) => c.id,
          (c) =>
            html`<li class="slip" data-card=${c.id}>
              <p class="slip-words" dir="auto" lang=${c.language || nothing}>${c.text}</p>
              <footer class="slip-foot">
                <span
                  >${me.isStaff ? this.author(c, false) : c.downBy === me.number ? texts.yours : texts.takenDownByTeacher}</span
                >
                ${
                  mayPutBack(c)
                    ? html`<button
                        type="button"
                        class="button button-quiet slip-change"
                        @click=${() => this.side.putBack(c)}
                      >
                        ${texts.putBack}
                      </button>`
                    : nothing
                }
              </footer>
            </li>`,
        )}
      </ul>
    </details>`;
  }

  private showFresh(fresh: readonly Card[]): void {
    this.side.arrivals.show(fresh);
    this.focusCard(fresh[0]!.id);
  }

  private keyInSlot(e: KeyboardEvent, topic: number): void {
    if (e.key !== 'Enter' || !(e.ctrlKey || e.metaKey)) return;
    e.preventDefault();
    this.putUp(topic);
  }

  private keyWhileChanging(e: KeyboardEvent, card: Card): void {
    if (e.key === 'Escape') this.close(card);
    else if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) this.keep(card);
    else return;
    e.preventDefault();
  }

  private putUp(topic: number): void {
    const { drafts } = this.side;
    const text = drafts.get(Drafts.under(topic)).trim();
    if (!text || !this.side.mayWrite()) return;
    this.side.putUp(topic, text);
    drafts.set(Drafts.under(topic), '');
    this.focusNext = `[data-slot="${topic}"]`;
    this.refresh();
  }

  private open(card: Card): void {
    const { drafts } = this.side;
    const place = Drafts.of(card.id);
    // Perhaps there are words from before a reload.
    if (!drafts.get(place)) drafts.set(place, card.text);
    this.editing = card.id;
    this.focusNext = `[data-card="${card.id}"] textarea`;
    this.refresh();
  }

  private close(card: Card): void {
    this.side.drafts.set(Drafts.of(card.id), '');
    this.editing = null;
    this.focusNext = `[data-card="${card.id}"] .slip-change`;
    this.refresh();
  }

  private keep(card: Card): void {
    const text = this.side.drafts.get(Drafts.of(card.id)).trim();
    if (!text || !this.side.mayWrite()) return;
    if (text !== card.text) this.side.reword(card, text);
    this.close(card);
  }

  private takeDown(card: Card): void {
    if (!this.side.mayWrite()) return;
    this.side.takeDown(card);
    this.close(card);
  }

  private moveTo(card: Card, topic: number): void {
    const { state, me } = this.side;
    if (this.side.mayWrite()) this.side.move(card, topic, state.orderAt(topic, Infinity, card.id, me));
    this.focusNext = `[data-card="${card.id}"] select`;
  }

  private moveBehind(card: Card, place: number): void {
    const { state, me } = this.side;
    if (this.side.mayWrite()) this.side.move(card, card.topic, state.orderAt(card.topic, place, card.id, me));
    this.focusNext = `[data-card="${card.id}"] select:last-of-type`;
  }
}
