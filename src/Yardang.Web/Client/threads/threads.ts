// Which threads are open, and the button that opens one. What is said in it is drawn by what is fetched when the first is opened.

import { type TemplateResult, html, nothing } from 'lit-html';
import { Fetched } from '../fetched';
import { plural } from '../page-data';
import { inTime, isMine } from '../room/threads';
import { type Answer, AnswerKind } from '../wire/forms';
import { Drafts } from './drafts';
import type { About, Besides, TalkSide } from './talk';
import type { Thread } from './thread';

export class Threads<A extends About> {
  besides: Besides<A> = {};
  /** The answers that are shown, of each thing whose thread is open. */
  private readonly open = new Map<number, Set<number>>();
  /** Which answer is being answered, of those about one thing. */
  private readonly to = new Map<number, number>();
  private readonly fetched: Fetched<Thread<A>>;
  /** What is to be answered as soon as it can be. */
  private focusNext: number | null = null;

  /**
   * @param side where it is talked.
   * @param refresh draws it all anew, and then puts the focus where it is wanted.
   */
  constructor(
    private readonly side: TalkSide<A>,
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

  /** From now on it is shown; where nothing was said it is to be answered. */
  show(about: A): void {
    if (!this.isOpen(about.id)) this.open.set(about.id, new Set(about.answers.map((a) => a.id)));
  }

  isOpen(about: number): boolean {
    return this.open.has(about);
  }

  /** The button that opens and closes a thread; none where nothing is said and nothing may be. */
  toggle(about: A): TemplateResult | typeof nothing {
    const { texts, looksOnly } = this.side;
    const count = inTime(about.answers).length;
    const mayAnswer = !looksOnly && this.side.mayAnswer(about);
    if (count === 0 && !mayAnswer && !this.hasDown(about) && !this.begun(about)) return nothing;
    const first = this.side.titleOf(about);
    const words = count > 0 ? plural(texts, 'answers', count) : texts.answer;
    return html`<button
      type="button"
      class="button button-quiet slip-change slip-answers"
      data-thread=${about.id}
      aria-expanded=${this.isOpen(about.id)}
      aria-label=${`${words}: ${first}`}
      @click=${() => this.press(about)}
    >
      ${words}
    </button>`;
  }

  /** What is said about something, if it is open. */
  thread(about: A): TemplateResult | typeof nothing {
    const shown = this.open.get(about.id);
    return shown ? (this.fetched.get()?.draw(about, shown) ?? nothing) : nothing;
  }

  /** What was typed here and may not be said any more: it can still be read and taken elsewhere. */
  begun(about: A): boolean {
    const { drafts, looksOnly } = this.side;
    const kinds = [0, AnswerKind.Strength, AnswerKind.Question];
    if (looksOnly) return false;
    return kinds.some((k) => drafts.isBegun(Drafts.answering(about.id, this.toOf(about), k)));
  }

  private hasDown(about: A): boolean {
    return about.answers.some((a) => a.downBy !== 0 && this.isSeen(a));
  }

  /** What was taken down is seen by its author and teachers, also where it was read before. */
  isSeen(answer: Answer): boolean {
    const { me } = this.side;
    return answer.downBy === 0 || me.isStaff || isMine(answer, me);
  }

  authorOf(answer: Answer): string {
    const { texts, me } = this.side;
    if (answer.byStaff) return texts.teacher;
    return isMine(answer, me) ? texts.you : this.side.nameOf(answer.author);
  }

  /** What is being answered, as long as it is there. */
  toOf(about: A): number {
    const to = this.to.get(about.id) ?? 0;
    return about.answers.some((a) => a.id === to && a.downBy === 0) ? to : 0;
  }

  /** From now on, with 0 the thing itself is. */
  answerTo(about: A, to: number): void {
    this.to.set(about.id, to);
  }

  private press(about: A): void {
    const isClosed = this.open.delete(about.id);
    this.focusNext = isClosed || about.answers.length > 0 ? null : about.id;
    if (isClosed) return this.refresh(`[data-thread="${about.id}"]`);
    this.open.set(about.id, new Set(about.answers.map((a) => a.id)));
    this.refreshOpened();
  }

  private refreshOpened(): void {
    this.refresh(this.focusNext === null ? undefined : `[data-answering="${this.focusNext}"]`);
  }
}
