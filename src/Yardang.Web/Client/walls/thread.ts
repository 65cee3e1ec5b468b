// What is said to a card: read in the order of who answers whom, at most three steps deep. An answer that comes while somebody
// reads is counted, and shown when they ask for it.

import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { repeat } from 'lit-html/directives/repeat.js';
import { fill, plural } from '../page-data';
import { type Answer, type Card, LONGEST_TEXT } from '../room/wall-state';
import type { AnswerPairs } from './answer-pairs';
import { Drafts } from './drafts';
import type { Filing, Threads } from './threads';
import { AnswerKind, Purpose } from '../wire/forms';
import { type WallSide, titleOf } from './wall-side';

const DEEPEST = 2;

interface Line {
  readonly answer: Answer;
  readonly depth: number;
}

export class Thread {
  private pairs: AnswerPairs | null = null;
  private changing: { readonly card: number; readonly answer: number } | null = null;

  /**
   * @param side what the wall's page knows and does.
   * @param threads which are open, and what is answered in them.
   * @param refresh draws the wall anew, and then puts the focus where it is wanted.
   */
  constructor(
    private readonly side: WallSide,
    private readonly threads: Threads,
    private readonly refresh: (focus?: string) => void,
  ) {}

  /** @param shown the answers that are shown; what I say myself comes to them. */
  draw(card: Card, shown: Set<number>): TemplateResult {
    const { state, me, texts, looksOnly } = this.side;
    for (const answer of card.answers) if (state.isMyAnswer(answer, me)) shown.add(answer.id);
    const fresh = state.saidTo(card).filter((a) => !shown.has(a.id));
    const mayAnswer = !looksOnly && state.mayAnswer(card, me);
    return html`<section class="thread" aria-label=${fill(texts.answersTo, titleOf(card, texts))}>
      <ol>
        ${repeat(
          this.linesOf(card).filter((l) => shown.has(l.answer.id)),
          (l) => l.answer.id,
          (l) => this.line(card, l, mayAnswer),
        )}
      </ol>
      ${
        fresh.length > 0
          ? html`<button type="button" class="button button-small" @click=${() => this.show(shown, fresh)}>
              ${plural(texts, 'freshAnswers', fresh.length)}
            </button>`
          : nothing
      }
      ${mayAnswer || this.threads.begun(card) ? this.field(card, mayAnswer) : nothing}
    </section>`;
  }

  /** Each behind what it answers; what answered something that is gone stands by itself. */
  private linesOf(card: Card): Line[] {
    // Strengths together, and questions together.
    const all = card.answers
      .filter((a) => this.threads.isSeen(a))
      .sort((a, b) => a.says - b.says || a.saidAt - b.saidAt || a.id - b.id);
    const known = new Set(all.map((a) => a.id));
    const under = (to: number, depth: number): Line[] =>
      all
        .filter((a) => (known.has(a.to) ? a.to : 0) === to)
        .flatMap((answer) => [{ answer, depth: Math.min(depth, DEEPEST) }, ...under(answer.id, depth + 1)]);
    return under(0, 0);
  }

  private line(card: Card, { answer, depth }: Line, mayAnswer: boolean): TemplateResult {
    const { state, me, texts } = this.side;
    if (answer.downBy !== 0) return this.lineDown(card, answer, depth);
    if (this.changing?.card === card.id && this.changing.answer === answer.id)
      return this.lineBeingChanged(card, answer, depth);
    const about = card.answers.find((a) => a.id === answer.to);
    const mayWrite = this.side.mayWrite();
    const said = [this.label(answer), answer.text || texts.saidAloud];
    return html`<li data-answer=${answer.id} data-depth=${depth} tabindex="-1">
      <p class="answer-words" dir="auto" lang=${answer.language || nothing}>${said}</p>
      <footer class="slip-foot">
        <span
          >${this.threads.authorOf(answer)}${answer.aloud ? html` · ${texts.saidAloud}` : nothing}${about ? html` · ${fill(texts.answerTo, this.threads.authorOf(about))}` : nothing}</span
        >
        <span class="slip-actions">
          ${this.asksFor?.besideAnswer(card, answer) ?? nothing}
          ${
            mayAnswer && mayWrite
              ? html`<button
                  type="button"
                  class="button button-quiet slip-change"
                  aria-label=${`${texts.answer}: ${answer.text.slice(0, 60)}`}
                  @click=${() => this.answerTo(card, answer.id)}
                >
                  ${texts.answer}
                </button>`
              : nothing
          }
          ${
            mayWrite && !this.side.looksOnly && state.mayChangeAnswer(card.id, answer.id, me)
              ? html`<button
                  type="button"
                  class="button button-quiet slip-change"
                  aria-label=${fill(texts.changeAnswer, answer.text.slice(0, 60))}
                  @click=${() => this.change(card, answer)}
                >
                  ${texts.change}
                </button>`
              : nothing
          }
        </span>
      </footer>
    </li>`;
  }

  private label(answer: Answer): TemplateResult | typeof nothing {
    return answer.says ? html`<b class="answer-says">${this.saysWords(answer.says)}</b> ` : nothing;
  }

  private saysWords(says: AnswerKind): string {
    return says === AnswerKind.Strength ? this.side.texts.strength : this.side.texts.openQuestion;
  }

  private lineDown(card: Card, answer: Answer, depth: number): TemplateResult {
    const { me, texts } = this.side;
    const mayPutBack = this.side.mayWrite() && (me.isStaff || answer.downBy === me.number);
    return html`<li data-answer=${answer.id} data-depth=${depth} class="answer-down">
      <p class="answer-words" dir="auto" lang=${answer.language || nothing}>${answer.text}</p>
      <footer class="slip-foot">
        <span>${answer.downBy === me.number ? texts.answerDown : texts.answerDownByTeacher}</span>
        ${
          mayPutBack
            ? html`<button
                type="button"
                class="button button-quiet slip-change"
                @click=${() => this.side.putAnswerBack(card, answer)}
              >
                ${texts.putBack}
              </button>`
            : nothing
        }
      </footer>
    </li>`;
  }

  private lineBeingChanged(card: Card, answer: Answer, depth: number): TemplateResult {
    const { texts, drafts } = this.side;
    const place = Drafts.ofAnswer(card.id, answer.id);
    const text = drafts.get(place);
    return html`<li data-answer=${answer.id} data-depth=${depth}>
      <textarea
        class="slip-field"
        maxlength=${LONGEST_TEXT}
        dir="auto"
        aria-label=${texts.answerWords}
        .value=${live(text)}
        @input=${(e: Event) => this.typed(place, e)}
        @keydown=${(e: KeyboardEvent) => {
          if (e.key === 'Escape') this.stop(card, answer);
          else if (isDone(e)) this.keep(card, answer);
        }}
      ></textarea>
      <div class="slip-do">
        <button
          type="button"
          class="button button-small button-main"
          ?disabled=${!text.trim() && !answer.aloud}
          @click=${() => this.keep(card, answer)}
        >
          ${texts.keep}
        </button>
        <button
          type="button"
          class="button button-small button-refuse"
          @click=${() => {
            this.side.takeAnswerDown(card, answer);
            this.stop(card, answer);
          }}
        >
          ${texts.takeDown}
        </button>
        <button type="button" class="button button-small button-quiet" @click=${() => this.stop(card, answer)}>
          ${texts.cancel}
        </button>
      </div>
    </li>`;
  }

  private field(card: Card, mayAnswer: boolean): TemplateResult | typeof nothing {
    const { texts, drafts, state, me } = this.side;
    const to = this.threads.toOf(card);
    if (to === 0 && state.plan.rules.inPairs && !me.isStaff) return this.pair(card, mayAnswer);
    const about = card.answers.find((a) => a.id === to);
    const place = Drafts.answering(card.id, to);
    const text = drafts.get(place);
    const label = about ? fill(texts.answering, this.threads.authorOf(about)) : texts.writeAnswer;
    return html`<div class="answering">
      ${
        about
          ? html`<p class="answering-to">
              <span>${label}: ${about.text.slice(0, 80)}</span>
              <button type="button" class="button button-quiet slip-change" @click=${() => this.answerTo(card, 0)}>
                ${texts.answerCard}
              </button>
            </p>`
          : nothing
      }
      <textarea
        class="slip-field"
        data-answering=${card.id}
        rows="1"
        maxlength=${LONGEST_TEXT}
        dir="auto"
        lang=${this.side.read[0] || nothing}
        placeholder=${texts.writeAnswer}
        aria-label=${label}
        .value=${live(text)}
        ?readonly=${!mayAnswer || !this.side.mayWrite()}
        @input=${(e: Event) => this.typed(place, e)}
        @keydown=${(e: KeyboardEvent) => isDone(e) && mayAnswer && this.say(card)}
      ></textarea>
      ${mayAnswer ? nothing : html`<p class="answering-to">${texts.answersEnded}</p>`}
      ${mayAnswer ? (this.asksFor?.belowField(card, text, (aloud) => this.say(card, aloud)) ?? this.sayButton(card, text)) : nothing}
    </div>`;
  }

  /** Fetched where cards are answered so. */
  private pair(card: Card, mayAnswer: boolean): TemplateResult | typeof nothing {
    if (this.pairs) return this.pairs.form(card, mayAnswer);
    void import('./answer-pairs')
      .then(({ AnswerPairs }) => {
        this.pairs ??= new AnswerPairs(this.side, (says) => this.saysWords(says), this.refresh);
        this.refresh(`[data-answering="${card.id}"]`);
      })
      .catch(() => this.side.say(this.side.texts.networkAway));
    return nothing;
  }

  private sayButton(card: Card, text: string): TemplateResult | typeof nothing {
    if (!text.trim()) return nothing;
    return html`<button
      type="button"
      class="button button-small button-main"
      ?disabled=${!this.side.mayWrite()}
      @click=${() => this.say(card)}
    >
      ${this.side.texts.say}
    </button>`;
  }

  private get asksFor(): Filing | null {
    return this.side.state.plan.purpose === Purpose.Ask ? this.threads.filing : null;
  }

  private show(shown: Set<number>, fresh: readonly Answer[]): void {
    for (const { id } of fresh) shown.add(id);
    this.refresh(`[data-answer="${fresh[0]!.id}"]`);
  }

  private answerTo(card: Card, to: number): void {
    this.threads.answerTo(card, to);
    this.refresh(`[data-answering="${card.id}"]`);
  }

  private change(card: Card, answer: Answer): void {
    const place = Drafts.ofAnswer(card.id, answer.id);
    if (!this.side.drafts.get(place)) this.side.drafts.set(place, answer.text);
    this.changing = { card: card.id, answer: answer.id };
    this.refresh(`[data-answer="${answer.id}"] textarea`);
  }

  private keep(card: Card, answer: Answer): void {
    const text = this.side.drafts.get(Drafts.ofAnswer(card.id, answer.id)).trim();
    if (!(text || answer.aloud) || !this.side.mayWrite()) return;
    if (text !== answer.text) this.side.rewordAnswer(card, answer, text);
    this.stop(card, answer);
  }

  private stop(card: Card, answer: Answer): void {
    this.side.drafts.set(Drafts.ofAnswer(card.id, answer.id), '');
    this.changing = null;
    this.refresh(`[data-answer="${answer.id}"]`);
  }

  /** Says what is typed; gives the id of the answer, 0 if nothing was said. */
  private say(card: Card, aloud = false): number {
    const to = this.threads.toOf(card);
    const place = Drafts.answering(card.id, to);
    const text = this.side.drafts.get(place).trim();
    if (!(text || aloud) || !this.side.mayWrite()) return 0;
    const id = this.side.answer(card, to, text, aloud);
    this.side.drafts.set(place, '');
    this.threads.answerTo(card, 0);
    this.refresh(`[data-answering="${card.id}"]`);
    return id;
  }

  private typed(place: string, e: Event): void {
    this.side.drafts.set(place, (e.target as HTMLTextAreaElement).value);
    this.refresh();
  }
}

function isDone(e: KeyboardEvent): boolean {
  const done = e.key === 'Enter' && (e.ctrlKey || e.metaKey);
  if (done) e.preventDefault();
  return done;
}
