// Cards as they are read: words, what they show, whose they are, what is said to them, and what may be done with them.

import { type TemplateResult, html, nothing } from 'lit-html';
import { guard } from 'lit-html/directives/guard.js';
import { kindOf, said, show } from '../attachments';
import { fill } from '../page-data';
import type { Card } from '../room/wall-state';
import type { Standing } from '../room/stacks';
import { isSealed } from '../room/letting-out';
import { mayPutUpAt } from '../room/visiting';
import { Purpose } from '../wire/forms';
import { CardChanging } from './card-changing';
import { Fetched } from '../fetched';
import { Growing } from './growing';
import type { Sealing } from './sealing';
import type { SaidOfCards } from './said-of-cards';
import type { Together } from './together';
import type { WaitingCards } from './waiting-cards';
import { tellOf } from './tell-of';
import { Threads } from '../threads/threads';
import { pairsOfCards, talkOfCards } from './card-talk';
import { type Band, type WallSide, ownColour, titleOf } from './wall-side';

export interface Around {
  readonly bands: readonly Band[];
  /** How cards stand in one another. */
  readonly standing: Standing;
  headingOf(topic: number): string;
  /** Brings a card into sight. */
  go(card: Card): void;
}

export class Slips {
  readonly threads: Threads<Card>;
  readonly changing: CardChanging;
  readonly growing: Growing;
  private readonly togetherFetched: Fetched<Together>;
  private readonly saidFetched: Fetched<SaidOfCards>;
  private readonly sealingFetched: Fetched<Sealing>;
  private readonly waitingFetched: Fetched<WaitingCards>;
  private looked: unknown = null;
  private common: readonly unknown[] = [];
  private hasTogether = false;

  /**
   * @param around what is around a card.
   * @param refresh draws the wall anew, and then puts the focus where it is wanted.
   */
  constructor(
    private readonly side: WallSide,
    private readonly around: Around,
    refresh: (focus?: string) => void,
  ) {
    this.threads = new Threads(talkOfCards(side), refresh);
    this.threads.besides = pairsOfCards(side, refresh);
    this.growing = new Growing(side, () => around.standing, refresh);
    this.changing = new CardChanging(side, around, refresh, (card) => this.words(card));
    this.togetherFetched = new Fetched(async () => {
      const { Together: Made } = await import('./together');
      const standing = () => around.standing;
      return new Made(
        side,
        standing,
        this.changing,
        (c) => this.author(c),
        (c) => around.go(c),
      );
    }, refresh);
    this.sealingFetched = new Fetched(async () => {
      const { Sealing: Made } = await import('./sealing');
      return new Made(side, refresh);
    }, refresh);
    this.waitingFetched = new Fetched(
      async () => new (await import('./waiting-cards')).WaitingCards(side.texts),
      refresh,
    );
    this.saidFetched = new Fetched(async () => {
      const { SaidOfCards: Made } = await import('./said-of-cards');
      return new Made(side, refresh);
    }, refresh);
  }

  /** Null where names are for somebody, or what shows it is on its way. */
  private get sealing(): Sealing | null {
    return isSealed(this.side.state.plan) ? this.sealingFetched.get() : null;
  }

  /** Before cards are drawn: once for all of them, as a wall may hold hundreds. */
  lookAround(): void {
    const { state, me, read } = this.side;
    const common = [
      state.plan,
      state.trip,
      state.fullTopics(me.number),
      state.hasAnsweredAll(me.number),
      this.side.mayWrite(),
      this.side.mayAnswer(),
      this.side.mayMove(),
      this.side.mayChoose(),
      read.join(),
      this.together,
      this.sealing,
      state.concerns,
      this.side.isAdmitted,
      ...(this.saidOfCards?.commonKeys() ?? []),
    ];
    const isOther = common.length !== this.common.length || common.some((key, at) => key !== this.common[at]);
    if (isOther) this.common = common;
  }

  /** Null as long as no card stands in another or grew from one, or what shows it is on its way. */
  get together(): Together | null {
    const { cards } = this.side.state;
    if (this.looked !== cards) {
      this.looked = cards;
      this.hasTogether ||= [...cards.values()].some((c) => c.joined !== 0 || c.from.length > 0);
    }
    return this.hasTogether ? this.togetherFetched.get() : null;
  }

  /** How a card of mine waits for the teacher. */
  private waiting(card: Card): TemplateResult | typeof nothing {
    const { waiting } = this.side.state;
    return (waiting.length > 0 && this.waitingFetched.get()?.of(card, waiting)) || nothing;
  }

  /** Null as long as nothing is said of cards by a press, or what is needed for it is on its way. */
  get saidOfCards(): SaidOfCards | null {
    const { plan, judgements } = this.side.state;
    const { judging, responses } = plan.rules;
    return judging || responses.length > 0 || judgements.results.length > 0 ? this.saidFetched.get() : null;
  }

  /** A card, drawn anew only when something of it changes; `keys` say what else it depends on. */
  kept(card: Card, keys: readonly unknown[], draw: () => TemplateResult): unknown {
    if (this.changing.card === card.id) return this.changing.slip(card);
    const isOpen =
      this.threads.isOpen(card.id) ||
      this.saidOfCards?.isOpen(card) ||
      this.around.standing.of(card).some((c) => c.id === this.changing.card);
    const { waiting } = this.side.state;
    return isOpen || (waiting.length > 0 && this.isMine(card)) || (this.side.me.isStaff && this.sealing)
      ? draw()
      : guard([card, ...this.keysOf(card), ...keys], draw);
  }

  /** A card under its topic. */
  slip(card: Card): unknown {
    return this.kept(card, [], () => {
      const isMine = this.isMine(card);
      return html`<li
        class="slip"
        data-card=${card.id}
        data-colour=${ownColour(card) ?? nothing}
        ?data-mine=${isMine}
        ?data-grip=${this.mayMove(card)}
        ?data-open=${this.threads.isOpen(card.id)}
        tabindex="-1"
      >
        ${this.words(card)} ${this.together?.of(card) ?? nothing} ${this.said(card)}
        <footer class="slip-foot">
          <span>${this.author(card)}${this.moved(card)}</span>
          <span class="slip-actions"
            >${this.buildOnButton(card)} ${this.threads.toggle(card)} ${this.changeButton(card)}
            ${this.tellButton(card)}</span
          >
        </footer>
        ${this.threads.thread(card)}
      </li>`;
    });
  }

  words(card: Card): TemplateResult {
    const { text, language } = this.textOf(card);
    const [first = '', ...rest] = text.split('\n');
    return html`<div class="slip-words" dir="auto" lang=${language || nothing}>
        ${
          rest.length > 0
            ? html`<p class="slip-first">${first}</p>
                <p>${rest.join('\n')}</p>`
            : html`<p>${first}</p>`
        }
        ${this.attached(card)}
      </div>
      ${this.sealing?.of(card) ?? nothing} ${this.waiting(card)}`;
  }

  /** What is said of it by a press. */
  said(card: Card): TemplateResult | typeof nothing {
    return this.saidOfCards?.of(card) ?? nothing;
  }

  /** What it says, and in which language: one that is as the teacher gave it, in that in which the teacher's words are read. */
  textOf(card: Card): { text: string; language: string } {
    const given = card.byStaff ? this.side.state.plan.givenCards.find((g) => g.id === card.id)?.text : undefined;
    const language = this.side.read[0];
    return given?.[language] && given[card.language] === card.text ? { text: given[language], language } : card;
  }

  author(card: Card): string {
    const { texts } = this.side;
    const name = this.isMine(card) ? texts.yours : this.side.nameOf(card.author);
    const teacher = card.poured ? texts.poured : texts.teacher;
    const more = [card.putUpBy !== 0 && texts.saidAloud, card.locked && texts.locked];
    return [card.byStaff ? teacher : name, ...more.filter((words) => words !== false)].join(', ');
  }

  isMine(card: Card): boolean {
    const { state, me } = this.side;
    return !me.isStaff && state.isMine(card, me);
  }

  changeButton(card: Card): TemplateResult | typeof nothing {
    const { state, me, texts } = this.side;
    const mayChange = this.side.mayWrite() && state.mayChange(card.id, me);
    if (this.side.looksOnly || !(mayChange || (this.side.mayMove() && state.mayMove(card.id, me)))) return nothing;
    const [words, label] = mayChange ? [texts.change, texts.changeOf] : [texts.moveCard, texts.moveOf];
    return html`<button
      type="button"
      class="button button-quiet slip-change"
      aria-label=${fill(label, titleOf(card, texts))}
      @click=${() => this.changing.open(card)}
    >
      ${words}
    </button>`;
  }

  /** Of a classmate's card. */
  tellButton(card: Card): TemplateResult | typeof nothing {
    return tellOf(this.side, card);
  }

  private buildOnButton(card: Card): TemplateResult | typeof nothing {
    const { texts } = this.side;
    if (!this.mayBuildOn(card)) return nothing;
    return html`<button
      type="button"
      class="button button-quiet slip-change"
      aria-label=${fill(texts.buildOnOf, titleOf(card, texts))}
      @click=${() => this.growing.buildOn(card)}
    >
      ${texts.buildOn}
    </button>`;
  }

  /** Where a new card can be written beside it. */
  private mayBuildOn(card: Card): boolean {
    const { state, me, looksOnly } = this.side;
    const { buildsOn, onlyGiven } = state.plan.rules;
    if (!buildsOn || looksOnly || !this.side.mayWrite() || !mayPutUpAt(state, card.topic, me)) return false;
    return me.isStaff || !(onlyGiven || state.isFull(me.number, card.topic));
  }

  private mayMove(card: Card): boolean {
    const { state, me, looksOnly } = this.side;
    return !looksOnly && state.plan.purpose === Purpose.Sort && this.side.mayMove() && state.mayMove(card.id, me);
  }

  // What a card's picture depends on besides the card.
  private keysOf(card: Card): unknown[] {
    const { standing } = this.around;
    return [
      this.common,
      this.side.nameOf(card.author),
      this.saidOfCards?.keyOf(card),
      standing.of(card),
      standing.usesOf(card),
      card.from.length > 0 && this.side.state.cards,
    ];
  }

  // Where a topic is gone, nobody moved the card; what was poured out is there to be moved.
  private moved(card: Card): TemplateResult | typeof nothing {
    const isMoved = card.putUnder !== card.topic && !card.poured && this.side.state.has(card.putUnder);
    return isMoved
      ? html` · <span>${fill(this.side.texts.movedFrom, this.around.headingOf(card.putUnder))}</span>`
      : nothing;
  }

  private attached(card: Card): TemplateResult | typeof nothing {
    const { side } = this;
    if (card.attachments.length === 0) return nothing;
    return html`<div class="shown" data-count=${card.attachments.length}>
      ${card.attachments.map((attachment) =>
        kindOf(attachment).standsAlone
          ? show(attachment, side)
          : html`<button
              type="button"
              aria-label=${fill(side.texts.seeLarge, said(attachment, side.texts))}
              @click=${() => side.large.open(card)}
            >
              ${show(attachment, side)}
            </button>`,
      )}
    </div>`;
  }
}
