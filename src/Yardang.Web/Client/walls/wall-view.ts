// A wall as it is read: the question's topics like strata, cards along each, and at its end the place to write. By lit-html: a wall may hold
// hundreds of cards, and what is being typed must not be touched.

import { type TemplateResult, html, nothing, render } from 'lit-html';
import { guard } from 'lit-html/directives/guard.js';
import { repeat } from 'lit-html/directives/repeat.js';
import { fill, plural } from '../page-data';
import type { Me } from '../room/sheets';
import { type AttachmentView, said, show } from '../attachments';
import type { Making } from '../attachments/making';
import { type Answer, type Attachment, type Card, NOWHERE, type Topic, type WallState } from '../room/wall-state';
import { textIn } from '../surface/in-language';
import type { Arrivals } from './arrivals';
import { CardChanging } from './card-changing';
import type { Drafts } from './drafts';
import type { LargeCard } from './large-card';
import { JudgingView } from './judging';
import { NewCards } from './new-cards';
import { Threads } from './threads';
import type { WallTexts } from './wall-texts';

/** What a wall's page does with what is pressed, and what it knows. */
export interface WallSide extends AttachmentView {
  readonly state: WallState;
  readonly me: Me;
  readonly texts: WallTexts;
  readonly written: string;
  readonly arrivals: Arrivals;
  readonly drafts: Drafts;
  readonly making: Making;
  readonly large: LargeCard;
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
  putUp(topic: number, text: string, shown: readonly Attachment[]): void;
  reword(card: Card, text: string, shown: readonly Attachment[]): void;
  move(card: Card, topic: number, order: number): void;
  takeDown(card: Card): void;
  putBack(card: Card): void;
  answer(card: Card, to: number, text: string): void;
  rewordAnswer(card: Card, answer: Answer, text: string): void;
  takeAnswerDown(card: Card, answer: Answer): void;
  putAnswerBack(card: Card, answer: Answer): void;
  judge(card: Card, value: number): void;
}

export interface Band {
  readonly topic: number;
  readonly plan: Topic | null;
  readonly cards: readonly Card[];
}

export class WallView {
  private scheduled = false;
  private focusNext: string | null = null;
  private readonly threads: Threads;
  private readonly changing: CardChanging;
  private readonly newCards: NewCards;
  private readonly judging: JudgingView;

  constructor(
    private readonly root: HTMLElement,
    private readonly side: WallSide,
  ) {
    const refresh = (focus?: string) => {
      if (focus) this.focusNext = focus;
      this.refresh();
    };
    this.threads = new Threads(side, refresh);
    this.changing = new CardChanging(side, this, refresh);
    this.newCards = new NewCards(side, refresh);
    this.judging = new JudgingView(() => side);
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
    return this.changing.stop(id);
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
    this.side.large.refresh();
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
        ${this.newCards.slot(topic, heading)}
      </ol>
    </section>`;
  }

  private slipOf(card: Card): unknown {
    if (this.changing.card === card.id) return this.changing.slip(card);
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
      this.judging.keyOf(card),
      card.putUnder === card.topic || this.headingOf(card.putUnder),
    ];
  }

  private slip(card: Card): TemplateResult {
    const { state, me, texts } = this.side;
    const isMine = state.isMine(card, me);
    const mayChange = !this.side.looksOnly && this.side.mayWrite() && state.mayChange(card.id, me);
    const [first = '', ...rest] = card.text.split('\n');
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
        ${this.attached(card)}
      </div>
      ${this.judging.of(card)}
      <footer class="slip-foot">
        <span>${this.author(card, isMine)}${moved ? html` · <span>${moved}</span>` : nothing}</span>
        <span class="slip-actions">
          ${this.threads.toggle(card)}
          ${
            mayChange
              ? html`<button
                  type="button"
                  class="button button-quiet slip-change"
                  aria-label=${fill(texts.changeOf, titleOf(card, texts))}
                  @click=${() => this.changing.open(card)}
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

  private attached(card: Card): TemplateResult | typeof nothing {
    const { side } = this;
    if (card.attachments.length === 0) return nothing;
    return html`<div class="shown" data-count=${card.attachments.length}>
      ${card.attachments.map(
        (attachment) =>
          html`<button
            type="button"
            aria-label=${fill(side.texts.seeLarge, said(attachment, side.texts))}
            @click=${() => side.large.open(card)}
          >
            ${show(attachment, side)}
          </button>`,
      )}
    </div>`;
  }

  /** The cards that are shown, as they are read. */
  get shown(): Card[] {
    const { arrivals } = this.side;
    return this.bands.flatMap((b) => b.cards.filter((c) => arrivals.has(c) && this.side.isWanted(c)));
  }

  authorOf(card: Card): string {
    return this.author(card, this.side.state.isMine(card, this.side.me));
  }

  private author(card: Card, isMine: boolean): string {
    const { texts, me } = this.side;
    if (card.byStaff) return texts.teacher;
    return isMine && !me.isStaff ? texts.yours : this.side.nameOf(card.author);
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
              <div class="slip-words" dir="auto" lang=${c.language || nothing}>
                <p>${c.text}</p>
                ${c.attachments.map((a) => show(a, this.side))}
              </div>
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
}

/** What a card is called: its first line; what it shows, if it has no words. */
export function titleOf(card: Card, texts: WallTexts): string {
  const first = card.text.split('\n')[0]!;
  const [shown] = card.attachments;
  return first || !shown ? first : said(shown, texts);
}
