// What is said to a card or a mark: read in the order of who answers whom, at most three steps deep. An answer that comes while somebody
// reads is counted, and shown when they ask for it.

import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { repeat } from 'lit-html/directives/repeat.js';
import { fill, plural } from '../page-data';
import type { Answer } from '../wire/forms';
import { canSay, inTime, isMine, LONGEST_TEXT } from '../room/threads';
import { answerLine, answerWords } from './answer-words';
import { Drafts } from './drafts';
import { says } from './said';
import { Spoken } from './speaking';
import type { About, TalkSide } from './talk';
import type { Threads } from './threads';

const DEEPEST = 2;
const FIRST_LETTERS = 60;

interface Line {
  readonly answer: Answer;
  readonly depth: number;
}

export class Thread<A extends About> {
  /** Where a teacher answers by voice. */
  private readonly spoken: Spoken | null;
  private changing: { readonly about: number; readonly answer: number } | null = null;

  /**
   * @param side where it is talked.
   * @param threads which are open, and what is answered in them.
   * @param refresh draws it all anew, and then puts the focus where it is wanted.
   */
  constructor(
    private readonly side: TalkSide<A>,
    private readonly threads: Threads<A>,
    private readonly refresh: (focus?: string) => void,
  ) {
    const { speaking, drafts, view, texts } = side;
    this.spoken = speaking && new Spoken(speaking, drafts, view, texts, refresh);
  }

  /** @param shown the answers that are shown; what I say myself comes to them. */
  draw(about: A, shown: Set<number>): TemplateResult {
    const { me, texts, looksOnly } = this.side;
    for (const answer of about.answers) if (isMine(answer, me)) shown.add(answer.id);
    const fresh = inTime(about.answers).filter((a) => !shown.has(a.id));
    const mayAnswer = !looksOnly && this.side.mayAnswer(about);
    return html`<section class="thread" aria-label=${fill(texts.answersTo, this.side.titleOf(about))}>
      <ol>
        ${repeat(
          this.linesOf(about).filter((l) => shown.has(l.answer.id)),
          (l) => l.answer.id,
          (l) => this.line(about, l, mayAnswer),
        )}
      </ol>
      ${
        fresh.length > 0
          ? html`<button type="button" class="button button-small" @click=${() => this.show(shown, fresh)}>
              ${plural(texts, 'freshAnswers', fresh.length)}
            </button>`
          : nothing
      }
      ${mayAnswer || this.threads.begun(about) ? this.answering(about, mayAnswer) : nothing}
    </section>`;
  }

  /** Each behind what it answers; what answered something that is gone stands by itself. */
  private linesOf(about: A): Line[] {
    // Strengths together, and questions together.
    const all = about.answers
      .filter((a) => this.threads.isSeen(a))
      .sort((a, b) => a.says - b.says || a.saidAt - b.saidAt || a.id - b.id);
    const known = new Set(all.map((a) => a.id));
    const under = (to: number, depth: number): Line[] =>
      all
        .filter((a) => (known.has(a.to) ? a.to : 0) === to)
        .flatMap((answer) => [{ answer, depth: Math.min(depth, DEEPEST) }, ...under(answer.id, depth + 1)]);
    return under(0, 0);
  }

  private line(about: A, { answer, depth }: Line, mayAnswer: boolean): TemplateResult {
    const { texts } = this.side;
    if (answer.downBy !== 0) return this.lineDown(about, answer, depth);
    if (this.changing?.about === about.id && this.changing.answer === answer.id)
      return this.lineBeingChanged(about, answer, depth);
    const before = about.answers.find((a) => a.id === answer.to);
    const mayWrite = this.side.mayWrite();
    const { me } = this.side;
    const isAnswered = about.answers.some((a) => a.to === answer.id && isMine(a, me));
    const mayBeDone = answer.byStaff && !me.isStaff && mayAnswer && mayWrite && !isAnswered;
    return html`<li data-answer=${answer.id} data-depth=${depth} tabindex="-1">
      ${answerWords(answer, this.side.view, texts, this.label(answer))}
      <footer class="slip-foot">
        <span
          >${this.threads.authorOf(answer)}${answer.aloud ? html` · ${texts.saidAloud}` : nothing}${before ? html` · ${fill(texts.answerTo, this.threads.authorOf(before))}` : nothing}</span
        >
        <span class="slip-actions">
          ${this.threads.besides.besideAnswer?.(about, answer) ?? nothing}
          ${
            mayBeDone
              ? html`<button type="button" class="button button-small" @click=${() => this.done(about, answer)}>
                  ${texts.done}
                </button>`
              : nothing
          }
          ${
            mayAnswer && mayWrite
              ? html`<button
                  type="button"
                  class="button button-quiet slip-change"
                  aria-label=${`${texts.answer}: ${this.beginning(answer)}`}
                  @click=${() => this.answerTo(about, answer.id)}
                >
                  ${texts.answer}
                </button>`
              : nothing
          }
          ${
            mayWrite && !this.side.looksOnly && this.side.mayChangeAnswer(about, answer)
              ? html`<button
                  type="button"
                  class="button button-quiet slip-change"
                  aria-label=${fill(texts.changeAnswer, this.beginning(answer))}
                  @click=${() => this.change(about, answer)}
                >
                  ${texts.change}
                </button>`
              : nothing
          }
          ${this.side.looksOnly || me.isStaff || isMine(answer, me) ? nothing : this.side.besideUp(about, answer)}
        </span>
      </footer>
    </li>`;
  }

  private beginning(answer: Answer): string {
    return answerLine(answer, this.side.texts).slice(0, FIRST_LETTERS);
  }

  private label(answer: Answer): TemplateResult | typeof nothing {
    return answer.says ? html`<b class="answer-says">${says(answer.says, this.side.texts)}</b> ` : nothing;
  }

  private lineDown(about: A, answer: Answer, depth: number): TemplateResult {
    const { me, texts } = this.side;
    const mayPutBack = this.side.mayWrite() && (me.isStaff || answer.downBy === me.number);
    return html`<li data-answer=${answer.id} data-depth=${depth} class="answer-down">
      ${
        answer.removed && !me.isStaff
          ? html`<p class="answer-words"><i>${this.side.notShown}</i></p>`
          : answerWords(answer, this.side.view, texts)
      }
      ${answer.downWhy ? html`<p class="slip-why" dir="auto">${answer.downWhy}</p>` : nothing}
      <footer class="slip-foot">
        <span>${answer.downBy === me.number ? texts.answerDown : texts.answerDownByTeacher}</span>
        ${me.isStaff && !answer.byStaff && mayPutBack ? this.side.besideDown(about, answer) : nothing}
        ${
          mayPutBack
            ? html`<button
                type="button"
                class="button button-quiet slip-change"
                @click=${() => this.side.putAnswerBack(about, answer)}
              >
                ${texts.putBack}
              </button>`
            : nothing
        }
      </footer>
    </li>`;
  }

  private lineBeingChanged(about: A, answer: Answer, depth: number): TemplateResult {
    const { texts, drafts } = this.side;
    const place = Drafts.ofAnswer(about.id, answer.id);
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
          if (e.key === 'Escape') this.stop(about, answer);
          else if (isDone(e)) this.keep(about, answer);
        }}
      ></textarea>
      <div class="slip-do">
        <button
          type="button"
          class="button button-small button-main"
          ?disabled=${!canSay(text, answer)}
          @click=${() => this.keep(about, answer)}
        >
          ${texts.keep}
        </button>
        <button
          type="button"
          class="button button-small button-refuse"
          @click=${() => {
            this.side.takeAnswerDown(about, answer);
            this.stop(about, answer);
          }}
        >
          ${texts.takeDown}
        </button>
        <button type="button" class="button button-small button-quiet" @click=${() => this.stop(about, answer)}>
          ${texts.cancel}
        </button>
      </div>
    </li>`;
  }

  private answering(about: A, mayAnswer: boolean): unknown {
    const own = this.threads.toOf(about) === 0 ? this.threads.besides.field?.(about, mayAnswer) : null;
    return own ?? this.field(about, mayAnswer);
  }

  private field(about: A, mayAnswer: boolean): TemplateResult {
    const { texts, drafts } = this.side;
    const to = this.threads.toOf(about);
    const before = about.answers.find((a) => a.id === to);
    const place = Drafts.answering(about.id, to);
    const text = drafts.get(place);
    const label = before ? fill(texts.answering, this.threads.authorOf(before)) : texts.writeAnswer;
    return html`<div class="answering">
      ${
        before
          ? html`<p class="answering-to">
              <span>${label}: ${answerLine(before, texts).slice(0, 80)}</span>
              <button type="button" class="button button-quiet slip-change" @click=${() => this.answerTo(about, 0)}>
                ${texts.answerCard}
              </button>
            </p>`
          : nothing
      }
      <textarea
        class="slip-field"
        data-answering=${about.id}
        rows="1"
        maxlength=${LONGEST_TEXT}
        dir="auto"
        lang=${this.side.read[0] || nothing}
        placeholder=${this.spoken?.of(place) ? texts.voiceSays : texts.writeAnswer}
        aria-label=${label}
        .value=${live(text)}
        ?readonly=${!mayAnswer || !this.side.mayWrite()}
        @input=${(e: Event) => this.typed(Drafts.answering(about.id, this.threads.toOf(about)), e)}
        @keydown=${(e: KeyboardEvent) => isDone(e) && mayAnswer && this.say(about)}
      ></textarea>
      ${this.spoken?.draw(place, !mayAnswer || !this.side.mayWrite()) ?? nothing}
      ${mayAnswer ? nothing : html`<p class="answering-to">${texts.answersEnded}</p>`}
      ${mayAnswer ? (this.threads.besides.belowField?.(about, this.isSayable(place, text), (aloud) => this.say(about, aloud)) ?? this.sayButton(about, text)) : nothing}
    </div>`;
  }

  private sayButton(about: A, text: string): TemplateResult | typeof nothing {
    const place = Drafts.answering(about.id, this.threads.toOf(about));
    if (!text.trim() && !this.spoken?.of(place)) return nothing;
    return html`<button
      type="button"
      class="button button-small button-main"
      ?disabled=${!this.side.mayWrite() || !this.isSayable(place, text)}
      @click=${() => this.say(about)}
    >
      ${this.side.texts.say}
    </button>`;
  }

  /** Whether there is something to say, and all of it. */
  private isSayable(place: string, text: string): boolean {
    const shown = this.spoken?.of(place) ?? null;
    return canSay(text, { aloud: false, shown }) && this.spoken?.isReady(place) !== false;
  }

  private show(shown: Set<number>, fresh: readonly Answer[]): void {
    for (const { id } of fresh) shown.add(id);
    this.refresh(`[data-answer="${fresh[0]!.id}"]`);
  }

  private answerTo(about: A, to: number): void {
    this.threads.answerTo(about, to);
    this.refresh(`[data-answering="${about.id}"]`);
  }

  private change(about: A, answer: Answer): void {
    const place = Drafts.ofAnswer(about.id, answer.id);
    if (!this.side.drafts.get(place)) this.side.drafts.set(place, answer.text);
    this.changing = { about: about.id, answer: answer.id };
    this.refresh(`[data-answer="${answer.id}"] textarea`);
  }

  private keep(about: A, answer: Answer): void {
    const text = this.side.drafts.get(Drafts.ofAnswer(about.id, answer.id)).trim();
    if (!canSay(text, answer) || !this.side.mayWrite()) return;
    if (text !== answer.text) this.side.rewordAnswer(about, answer, text);
    this.stop(about, answer);
  }

  private stop(about: A, answer: Answer): void {
    this.side.drafts.set(Drafts.ofAnswer(about.id, answer.id), '');
    this.changing = null;
    this.refresh(`[data-answer="${answer.id}"]`);
  }

  /** What a teacher said is seen to. */
  private done(about: A, answer: Answer): void {
    this.side.answer(about, answer.id, this.side.texts.done);
    this.refresh();
  }

  /** Says what is typed; gives the id of the answer, 0 if nothing was said. */
  private say(about: A, aloud = false): number {
    const to = this.threads.toOf(about);
    const place = Drafts.answering(about.id, to);
    const text = this.side.drafts.get(place).trim();
    const shown = this.spoken?.of(place) ?? null;
    if (!canSay(text, { aloud, shown }) || !this.side.mayWrite() || this.spoken?.isReady(place) === false) return 0;
    const id = this.side.answer(about, to, text, { aloud, shown });
    this.side.drafts.clear(place);
    this.threads.answerTo(about, 0);
    this.refresh(`[data-answering="${about.id}"]`);
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
