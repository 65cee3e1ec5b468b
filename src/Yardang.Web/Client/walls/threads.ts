// Which threads are open, and the button that opens one. What is said in it is drawn by what is fetched when the first is opened.

import { type TemplateResult, html, nothing } from 'lit-html';
import { plural } from '../page-data';
import type { Answer, Card } from '../room/wall-state';
import { AnswerKind } from '../wire/forms';
import { Drafts } from './drafts';
import { Fetched } from './fetched';
import type { Thread } from './thread';
import { type WallSide, titleOf } from './wall-side';

/** On a wall to ask: what answers the question. */
export interface Filing {
  besideAnswer(card: Card, answer: Answer): TemplateResult | typeof nothing;
  /** In place of the button that says it; null for that button. */
  belowField(card: Card, text: string, say: (aloud: boolean) => number): TemplateResult | null;
}

export class Threads {
  filing: Filing | null = null;
  /** The answers that are shown, of each card whose thread is open. */
  private readonly open = new Map<number, Set<number>>();
  /** Which answer of a card is being answered. */
  private readonly to = new Map<number, number>();
  private readonly fetched: Fetched<Thread>;
  /** What is to be answered as soon as it can be. */
  private focusNext: number | null = null;

  /**
   * @param side what the wall's page knows and does.
   * @param refresh draws the wall anew, and then puts the focus where it is wanted.
   */
  constructor(
    private readonly side: WallSide,
    private readonly refresh: (focus?: string) => void,
  ) {
    this.fetched = new Fetched(
      async () => {
        const { Thread: Made } = await import('./thread');
        return new Made(side, this, refresh);
      },
      () => this.refreshOpened(),
    );
  }

  /** What is needed for it is fetched. */
  fetch(): void {
    this.fetched.get();
  }

  isOpen(card: number): boolean {
    return this.open.has(card);
  }

  /** The button that opens and closes a thread; none where nothing is said and nothing may be. */
  toggle(card: Card): TemplateResult | typeof nothing {
    const { state, me, texts, looksOnly } = this.side;
    const count = state.saidTo(card).length;
    const mayAnswer = !looksOnly && state.mayAnswer(card, me);
    if (count === 0 && !mayAnswer && !this.hasDown(card) && !this.begun(card)) return nothing;
    const first = titleOf(card, texts);
    const words = count > 0 ? plural(texts, 'answers', count) : texts.answer;
    return html`<button
      type="button"
      class="button button-quiet slip-change slip-answers"
      aria-expanded=${this.isOpen(card.id)}
      aria-label=${`${words}: ${first}`}
      @click=${() => this.press(card)}
    >
      ${words}
    </button>`;
  }

  /** The thread of a card, if it is open. */
  thread(card: Card): TemplateResult | typeof nothing {
    const shown = this.open.get(card.id);
    return shown ? (this.fetched.get()?.draw(card, shown) ?? nothing) : nothing;
  }

  /** What was typed here and may not be said any more: it can still be read and taken elsewhere. */
  begun(card: Card): string {
    const { drafts, looksOnly } = this.side;
    const kinds = [0, AnswerKind.Strength, AnswerKind.Question];
    return looksOnly ? '' : kinds.map((k) => drafts.get(Drafts.answering(card.id, this.toOf(card), k))).join('');
  }

  private hasDown(card: Card): boolean {
    return card.answers.some((a) => a.downBy !== 0 && this.isSeen(a));
  }

  /** What was taken down is seen by its author and teachers, also where it was read before. */
  isSeen(answer: Answer): boolean {
    const { state, me } = this.side;
    return answer.downBy === 0 || me.isStaff || state.isMyAnswer(answer, me);
  }

  authorOf(answer: Answer): string {
    const { texts, me, state } = this.side;
    if (answer.byStaff) return texts.teacher;
    return state.isMyAnswer(answer, me) ? texts.you : this.side.nameOf(answer.author);
  }

  /** What is being answered, as long as it is there. */
  toOf(card: Card): number {
    const to = this.to.get(card.id) ?? 0;
    return card.answers.some((a) => a.id === to && a.downBy === 0) ? to : 0;
  }

  /** From now on, with 0 the card itself is. */
  answerTo(card: Card, to: number): void {
    this.to.set(card.id, to);
  }

  private press(card: Card): void {
    const isClosed = this.open.delete(card.id);
    this.focusNext = isClosed || card.answers.length > 0 ? null : card.id;
    if (isClosed) return this.refresh(`[data-card="${card.id}"] .slip-answers`);
    this.open.set(card.id, new Set(card.answers.map((a) => a.id)));
    this.refreshOpened();
  }

  private refreshOpened(): void {
    this.refresh(this.focusNext === null ? undefined : `[data-answering="${this.focusNext}"]`);
  }
}
