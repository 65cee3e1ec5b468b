// Everything on the page as a list: for screen readers, and for moving, changing and rubbing out by keyboard.

import { html, render } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { kindOf } from '../kinds';
import { authorOf } from './author';
import type { KindTexts } from '../kinds/kind';
import { type Mark, marksThatWait } from '../room/marks';
import { TakenDown } from '../wire/forms';
import type { Editor } from './editor';

export interface MarkListTexts extends KindTexts {
  readonly loose: string;
  readonly key: string;
  readonly printed: string;
  readonly mine: string;
  readonly teacher: string;
  readonly other: string;
  /** "by {0}" */
  readonly by: string;
  /** Of what a teacher put for a student. */
  readonly saidAloud: string;
  /** Of what waits for the teacher. */
  readonly waits: string;
  /** Of what a teacher took down. */
  readonly down: string;
  readonly empty: string;
}

const LATEST_MS = 300;
const TITLE_LENGTH = 80;

export class MarkList {
  private readonly kept = new Set<number>();
  private scheduled = false;

  constructor(
    private readonly list: HTMLElement,
    private readonly editor: Editor,
    private readonly texts: MarkListTexts,
  ) {
    this.render();
    list.addEventListener('keydown', (e) => this.key(e));
    list.addEventListener('focusin', (e) => this.choose(this.markOf(e.target)));
  }

  /** When the hand is at rest: nobody reads the list between two frames of a stroke. */
  refresh(): void {
    if (this.scheduled) return;
    this.scheduled = true;
    requestIdleCallback(() => this.render(), { timeout: LATEST_MS });
  }

  // By lit-html: a page may hold thousands of marks.
  private render(): void {
    this.scheduled = false;
    const marks = [...this.editor.sheets.visible(this.editor.page)].sort((a, b) => a.order - b.order || a.id - b.id);
    const after = this.afterTheFocused(new Set(marks.map((m) => m.id)));
    const line = (mark: Mark) =>
      html`<li>
        <button
          type="button"
          dir="auto"
          data-mark=${mark.id}
          aria-pressed=${this.kept.has(mark.id)}
          .textContent=${this.label(mark)}
        ></button>
      </li>`;
    const lines = repeat(marks, (mark) => mark.id, line);
    render(marks.length > 0 ? lines : html`<li>${this.texts.empty}</li>`, this.list);
    if (after !== null) this.button(after)?.focus();
  }

  /** The focus goes on to a neighbour when what has it is rubbed out. */
  private afterTheFocused(standing: ReadonlySet<number>): number | null {
    const focused = this.markIdOf(document.activeElement);
    if (focused === null || standing.has(focused)) return null;
    const listed = [...this.list.querySelectorAll('[data-mark]')].map((b) => this.markIdOf(b)!);
    const at = listed.indexOf(focused);
    return (
      listed.slice(at + 1).find((id) => standing.has(id)) ??
      listed.slice(0, at).findLast((id) => standing.has(id)) ??
      null
    );
  }

  private button(mark: number): HTMLButtonElement | null {
    return this.list.querySelector<HTMLButtonElement>(`[data-mark="${mark}"]`);
  }

  /** What a mark says, or else what it is and whose. */
  titleOf(mark: Mark): string {
    const words = this.words(mark).split('\n')[0]!;
    return words.slice(0, TITLE_LENGTH) || this.label(mark);
  }

  private label(mark: Mark): string {
    const { texts, editor } = this;
    const mine = mark.author === editor.me.number && mark.byStaff === editor.me.isStaff;
    const whose = [
      mine ? texts.mine : mark.byStaff ? texts.teacher : authorOf(mark, editor, texts.by) || texts.other,
      texts.loose,
      texts.printed,
      texts.key,
    ];
    const words = this.words(mark);
    const aloud = mark.putBy ? `, ${texts.saidAloud}` : '';
    const waits = marksThatWait.has(mark) ? `, ${texts.waits}` : '';
    const down = mark.down === TakenDown.No ? '' : `, ${texts.down}`;
    return `${this.kind(mark)}, ${whose[mark.grip] ?? whose[0]}${aloud}${waits}${down}${words ? `: ${words}` : ''}`;
  }

  private words({ body }: Mark): string {
    const { sheets, surface } = this.editor;
    const mark = (id: number) => {
      const other = sheets.mark(id);
      return other ? this.words(other) || this.kind(other) : '';
    };
    return kindOf(body).said(body, { languages: surface.languages, written: surface.written, mark, texts: this.texts });
  }

  private kind(mark: Mark): string {
    return kindOf(mark.body).name?.(mark, mark.body, this.texts) ?? this.texts.kinds[mark.body.kind]!;
  }

  private choose(mark: Mark | null): void {
    const kept = [...this.kept].flatMap((id) => this.editor.sheets.mark(id) ?? []);
    if (mark) this.editor.selection.choose([...kept, mark]);
    else this.editor.choose(null);
  }

  // By keyboard several are chosen one after the other: what is kept stays chosen while the focus goes on.
  private keep(mark: Mark): void {
    if (!this.kept.delete(mark.id)) this.kept.add(mark.id);
    this.render();
  }

  private letGo(): void {
    this.kept.clear();
    this.render();
  }

  private markIdOf(target: EventTarget | null): number | null {
    const id = (target as HTMLElement | null)?.dataset?.['mark'];
    return id === undefined ? null : Number(id);
  }

  private markOf(target: EventTarget | null): Mark | null {
    const id = this.markIdOf(target);
    return (id !== null && this.editor.sheets.mark(id)) || null;
  }

  private key(e: KeyboardEvent): void {
    const mark = this.markOf(e.target);
    if (!mark) return;
    if (e.key === 'Enter') this.editor.edit(mark);
    else if (e.key === ' ') this.keep(mark);
    else if (e.key === 'Escape') this.letGo();
    else return;
    e.preventDefault();
  }
}
