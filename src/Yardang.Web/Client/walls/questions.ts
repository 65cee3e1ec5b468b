// A wall to ask: open questions in large type as they came; answered ones, each with its answer, found by their words.

import css from '../../Pages/Student/questions.css';
import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { repeat } from 'lit-html/directives/repeat.js';
import { agoIn } from '../ago';
import { fill, plural } from '../page-data';
import { isAnswered, mayAskToo, mayFile } from '../room/questions';
import { serverNow } from '../room/server-clock';
import { type Answer, type Card, NOWHERE } from '../room/wall-state';
import { useStyles } from '../styles/with-script';
import { answerLine, answerWords } from '../threads/answer-words';
import { Drafts } from '../threads/drafts';
import { Purpose } from '../wire/forms';
import { NewCards } from './new-cards';
import { QuestionIndex } from './question-index';
import type { Slips } from './slips';
import { type Arrangement, type Band, type WallSide, ownColour, titleOf } from './wall-side';
import type { WallView } from './wall-view';

useStyles(css);

const OPEN = 0;
const ANSWERED = 1;

/** So many are drawn at first, and so many more when asked for. */
const DRAWN = 50;
const MINUTE_MS = 60_000;

export class Questions implements Arrangement {
  private readonly newCards: NewCards;
  private readonly index: QuestionIndex;
  private readonly drawn = [DRAWN, DRAWN];
  /** Those that were answered while somebody read them: they stay where they are until asked away, or out of sight. */
  private readonly staying = new Set<number>();
  private wasOpen: ReadonlySet<number> = new Set();
  /** What was filed here was seen. */
  private readonly filedHere = new Set<number>();
  private find = '';
  private apart: { readonly key: readonly unknown[]; readonly bands: readonly [Band, Band] } | null = null;
  private followed: unknown = null;

  constructor(
    private readonly side: WallSide,
    private readonly view: WallView,
    private readonly slips: Slips,
    private readonly refresh: (focus?: string) => void,
  ) {
    this.newCards = new NewCards(side, refresh);
    this.index = new QuestionIndex(side.indexAddress, () => refresh());
    const asks = () => side.state.plan.purpose === Purpose.Ask;
    slips.threads.besides.besideAnswer = (card, answer) => (asks() ? this.besideAnswer(card, answer) : nothing);
    slips.threads.besides.belowField = (card, isSayable, say) =>
      asks() ? this.belowField(card, isSayable, say) : null;
    setInterval(() => refresh(), MINUTE_MS);
  }

  /** As they came. Told apart again only when something has changed: a year has thousands. */
  get bands(): readonly [Band, Band] {
    const { cards, plan } = this.side.state;
    const key = [cards, plan.rules.ownFirst, [...this.staying].join()] as const;
    if (this.apart && key.every((k, i) => k === this.apart!.key[i])) return this.apart.bands;
    const all = this.view.seen().sort((a, b) => a.putUpAt - b.putUpAt || a.id - b.id);
    const isOpen = (card: Card) => !isAnswered(card) || this.staying.has(card.id);
    const bands = [
      { id: OPEN, plan: null, cards: all.filter(isOpen) },
      { id: ANSWERED, plan: null, cards: all.filter((c) => !isOpen(c)).reverse() },
    ] as const;
    this.apart = { key, bands };
    return bands;
  }

  readonly places = [];

  follow(): void {
    // What stays is looked at where it is read; of the others only when something has changed.
    const { cards } = this.side.state;
    if (this.followed === cards && this.staying.size === 0) return;
    this.followed = cards;
    this.letStay();
    this.wasOpen = new Set(this.bands[OPEN].cards.map((c) => c.id));
  }

  /** What comes stands behind the open ones; only the answered ones below them would move. */
  nothingJumps(): boolean {
    return !isInSight(this.view.root.querySelector('.answered-questions'));
  }

  draw(): unknown {
    const [open, answered] = this.bands;
    return html`<div class="questions">
      ${this.asking()} ${this.open(open.cards)} ${this.answered(answered.cards)}
    </div>`;
  }

  /** Beside an answer: that it answers the question, or that it does not. */
  besideAnswer(card: Card, answer: Answer): TemplateResult | typeof nothing {
    const { state, me, texts, looksOnly } = this.side;
    if (looksOnly || !this.side.mayWrite()) return nothing;
    const isIt = isAnswered(card) && card.answeredBy === answer.id;
    if (!mayFile(state, card.id, isIt ? 0 : answer.id, me)) return nothing;
    return html`<button
      type="button"
      class="button button-quiet slip-change"
      aria-label=${`${isIt ? texts.answersNot : texts.answersIt}: ${answerLine(answer, texts).slice(0, 60)}`}
      @click=${() => this.file(card, isIt ? 0 : answer.id)}
    >
      ${isIt ? texts.answersNot : texts.answersIt}
    </button>`;
  }

  /** Below what a teacher says to a question: whether it answers it. */
  belowField(card: Card, isSayable: boolean, say: (aloud: boolean) => number): TemplateResult | null {
    const { me, texts } = this.side;
    if (!me.isStaff || isAnswered(card)) return null;
    const answers = (aloud: boolean) => {
      const id = say(aloud);
      if (id !== 0) this.file(card, id);
    };
    const isOff = !this.side.mayChoose();
    return html`<div class="slip-do">
      <button
        type="button"
        class="button button-small button-main"
        ?disabled=${isOff || !isSayable}
        @click=${() => answers(false)}
      >
        ${texts.answerIt}
      </button>
      <button type="button" class="button button-small" ?disabled=${isOff} @click=${() => answers(true)}>
        ${texts.answeredAloud}
      </button>
      <button
        type="button"
        class="button button-small button-quiet"
        ?disabled=${isOff || !isSayable}
        @click=${() => say(false)}
      >
        ${texts.askBack}
      </button>
    </div>`;
  }

  private file(card: Card, answer: number): void {
    this.filedHere.add(card.id);
    this.side.file(card, answer);
    this.refresh();
  }

  /** One that somebody else answered goes to the answered ones only when nobody reads it here. */
  private letStay(): void {
    const { cards } = this.side.state;
    // What somebody may not see any more is not there.
    const answered = (id: number) => cards.has(id) && isAnswered(cards.get(id)!);
    for (const id of this.filedHere) if (!answered(id)) this.filedHere.delete(id);
    for (const id of this.wasOpen) {
      const stays = answered(id) && !this.filedHere.has(id) && isInSight(this.drawnOpen(id));
      if (stays) this.staying.add(id);
      else this.staying.delete(id);
    }
  }

  private drawnOpen(id: number): Element | null {
    return this.view.root.querySelector(`[data-open-questions] > [data-card="${id}"]`);
  }

  private asking(): TemplateResult | typeof nothing {
    const { texts, drafts, likeAsked } = this.side;
    if (this.side.looksOnly) return nothing;
    likeAsked.look(drafts.get(Drafts.under(NOWHERE)));
    const slot = this.newCards.slot(NOWHERE, {
      placeholder: texts.askHere,
      label: texts.askHere,
      done: texts.ask,
      about: texts.askHere,
    });
    return html`<ul class="asking">
        ${slot}
      </ul>
      <div class="like-asked" role="status">${this.like()}</div>`;
  }

  /** What was asked before, while somebody types. */
  private like(): TemplateResult | typeof nothing {
    const { state, texts, likeAsked } = this.side;
    const found = likeAsked.found.map((id) => state.cards.get(id)).filter((c) => c?.downBy === 0) as Card[];
    if (found.length === 0) return nothing;
    return html`<p class="like-heading">${texts.askedBefore}</p>
      <ul>
        ${repeat(
          found,
          (c) => c.id,
          (c) =>
            html`<li>
              <p dir="auto" lang=${c.language || nothing}>
                ${titleOf(c, texts)}
                <span class="like-state">${isAnswered(c) ? texts.isAnswered : texts.isOpen}</span>
              </p>
              <span class="slip-actions">
                ${this.askTooButton(c)}
                <button type="button" class="button button-small button-quiet" @click=${() => this.goTo(c)}>
                  ${isAnswered(c) ? texts.readAnswer : texts.goThere}
                </button>
              </span>
            </li>`,
        )}
      </ul>`;
  }

  private open(cards: readonly Card[]): TemplateResult {
    const { texts, arrivals } = this.side;
    const fresh = arrivals.waiting(cards);
    const shown = cards.filter((c) => arrivals.has(c) && this.side.isWanted(c));
    const away = shown.filter((c) => this.staying.has(c.id)).length;
    return html`<section class="open-questions" aria-labelledby="open-questions">
      <header class="questions-head">
        <h2 id="open-questions">${fill(texts.openQuestions, cards.length - away)}</h2>
        ${
          fresh.length > 0
            ? html`<button type="button" class="button button-small" @click=${() => this.view.showFresh(fresh)}>
                ${plural(texts, 'fresh', fresh.length)}
              </button>`
            : nothing
        }
        ${
          away > 0
            ? html`<button type="button" class="button button-small" @click=${() => this.putAway()}>
                ${plural(texts, 'putAway', away)}
              </button>`
            : nothing
        }
      </header>
      ${cards.length === 0 ? html`<p class="questions-none">${texts.noneOpen}</p>` : nothing}
      <ol class="question-list" data-open-questions aria-label=${texts.openOnes}>
        ${repeat(
          shown.slice(0, this.drawn[OPEN]),
          (c) => c.id,
          (c) => this.question(c),
        )}
      </ol>
      ${this.more(OPEN, shown.length)}
    </section>`;
  }

  private answered(cards: readonly Card[]): TemplateResult | typeof nothing {
    const { texts, arrivals } = this.side;
    this.index.follow(cards);
    if (cards.length === 0) return nothing;
    const wanted = this.find.trim().toLocaleLowerCase();
    const shown = cards.filter(
      (c) => arrivals.has(c) && this.side.isWanted(c) && this.index.isUnderWord(c) && says(c, wanted),
    );
    return html`<section class="answered-questions" aria-labelledby="answered-questions">
      <header class="questions-head">
        <h2 id="answered-questions">${fill(texts.answeredQuestions, cards.length)}</h2>
        ${
          this.index.isNeeded
            ? html`<input
                type="search"
                class="questions-find"
                maxlength="80"
                aria-label=${texts.findAnswered}
                placeholder=${texts.findAnswered}
                .value=${live(this.find)}
                @input=${(e: Event) => {
                  this.find = (e.target as HTMLInputElement).value;
                  this.refresh();
                }}
              />`
            : nothing
        }
      </header>
      ${this.words()}
      <ol class="question-list" data-answered aria-label=${texts.answeredOnes}>
        ${repeat(
          shown.slice(0, this.drawn[ANSWERED]),
          (c) => c.id,
          (c) => this.question(c),
        )}
      </ol>
      ${shown.length === 0 ? html`<p class="questions-none">${texts.noneFound}</p>` : nothing}
      ${this.more(ANSWERED, shown.length)}
    </section>`;
  }

  /** The words under which answered questions are found. */
  private words(): TemplateResult | typeof nothing {
    if (!this.index.isNeeded || this.index.words.length === 0) return nothing;
    return html`<ul class="question-words" aria-label=${this.side.texts.byWord}>
      ${this.index.words.map(
        ({ word, cards }) =>
          html`<li>
            <button
              type="button"
              aria-pressed=${this.index.chosen === word}
              @click=${() => {
                this.index.choose(word);
                this.refresh();
              }}
            >
              ${word} <small>${cards.length}</small>
            </button>
          </li>`,
      )}
    </ul>`;
  }

  private more(band: number, count: number): TemplateResult | typeof nothing {
    const rest = count - this.drawn[band]!;
    if (rest <= 0) return nothing;
    return html`<button
      type="button"
      class="button"
      @click=${() => {
        this.drawn[band]! += DRAWN;
        this.refresh();
      }}
    >
      ${fill(this.side.texts.showMore, Math.min(rest, DRAWN))}
    </button>`;
  }

  private question(card: Card): unknown {
    const { state, me } = this.side;
    // Who reads a card that was there from the beginning need not know how old it is.
    const ago = isAnswered(card) || card.putUpAt === 0 ? '' : agoIn(this.side.texts, serverNow() - card.putUpAt);
    const keys = [ago, mayAskToo(state, card.id, true, me), mayAskToo(state, card.id, false, me), state.plan.rules];
    return this.slips.kept(card, keys, () => this.drawQuestion(card, ago));
  }

  private drawQuestion(card: Card, ago: string): TemplateResult {
    const { texts } = this.side;
    const answer = isAnswered(card) ? card.answers.find((a) => a.id === card.answeredBy)! : null;
    const asked = card.askedToo.length > 0 ? plural(texts, 'askToo', card.askedToo.length) : '';
    return html`<li
      class="slip question"
      data-colour=${ownColour(card) ?? nothing}
      data-card=${card.id}
      ?data-mine=${this.slips.isMine(card)}
      ?data-answered=${answer !== null}
      ?data-open=${this.slips.threads.isOpen(card.id)}
      tabindex="-1"
    >
      ${this.slips.words(card)} ${answer ? this.answer(answer) : nothing} ${this.slips.said(card)}
      <footer class="slip-foot">
        <span>${[this.slips.author(card), ago, asked].filter(Boolean).join(' · ')}</span>
        <span class="slip-actions">
          ${this.askTooButton(card)} ${this.slips.threads.toggle(card)} ${this.slips.changeButton(card)}
          ${this.slips.tellButton(card)}
        </span>
      </footer>
      ${this.slips.threads.thread(card)}
    </li>`;
  }

  private answer(answer: Answer): TemplateResult {
    const { texts } = this.side;
    const by = this.slips.threads.authorOf(answer);
    return html`<div class="question-answer">
      <p class="question-answer-by">${fill(answer.aloud ? texts.saidAloudBy : texts.answeredBy, by)}</p>
      ${answer.text || answer.shown ? answerWords(answer, this.side, texts) : nothing}
    </div>`;
  }

  private askTooButton(card: Card): TemplateResult | typeof nothing {
    const { state, me, texts, looksOnly } = this.side;
    if (looksOnly || !this.side.mayWrite()) return nothing;
    const asks = card.askedToo.includes(me.number) && !me.isStaff;
    if (!mayAskToo(state, card.id, !asks, me) || (isAnswered(card) && !asks)) return nothing;
    return html`<button
      type="button"
      class="button button-small ask-too"
      aria-pressed=${asks}
      aria-label=${`${texts.iAskToo}: ${titleOf(card, texts)}`}
      @click=${() => this.side.askToo(card, !asks)}
    >
      ${texts.iAskToo}
    </button>`;
  }

  private putAway(): void {
    for (const id of this.staying) this.filedHere.add(id);
    this.staying.clear();
    this.refresh();
  }

  /** Shows a question where it stands. */
  private goTo(card: Card): void {
    const { bands } = this;
    const band = bands.findIndex((b) => b.cards.includes(card));
    this.side.arrivals.show([card]);
    this.index.choose('');
    this.find = '';
    const at = bands[band]?.cards.indexOf(card) ?? 0;
    this.drawn[band] = Math.max(this.drawn[band] ?? DRAWN, at + 1);
    this.view.focusCard(card.id);
  }
}

function isInSight(shown: Element | null): boolean {
  const place = shown?.getBoundingClientRect();
  return place !== undefined && place.bottom > 0 && place.top < window.innerHeight;
}

/** Of each question the words that stand on it and in what is said to it, in small letters. */
const SAID = new WeakMap<Card, string>();

/** Whether words stand on a question, or in what is said to it. */
function says(card: Card, wanted: string): boolean {
  if (wanted === '') return true;
  let said = SAID.get(card);
  if (said === undefined) {
    said = [card.text, ...card.answers.filter((a) => a.downBy === 0).map((a) => a.text)].join('\n').toLocaleLowerCase();
    SAID.set(card, said);
  }
  return said.includes(wanted);
}
