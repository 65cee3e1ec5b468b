// Everything on the page as a list: for screen readers, and for moving, changing and rubbing out by keyboard.

import { kindOf } from '../kinds';
import type { KindTexts } from '../kinds/kind';
import type { Mark } from '../room/marks';
import type { SheetSession } from './sheet-session';

export interface MarkListTexts extends KindTexts {
  readonly loose: string;
  readonly key: string;
  readonly printed: string;
  readonly mine: string;
  readonly teacher: string;
  readonly other: string;
  readonly empty: string;
}

const LATEST_MS = 300;

export class MarkList {
  private readonly buttons = new Map<number, HTMLButtonElement>();
  private readonly nothing = document.createElement('li');
  private readonly kept = new Set<number>();
  private scheduled = false;

  constructor(
    private readonly list: HTMLElement,
    private readonly session: SheetSession,
    private readonly texts: MarkListTexts,
  ) {
    this.nothing.textContent = texts.empty;
    list.append(this.nothing);
    list.addEventListener('keydown', (e) => this.key(e));
    list.addEventListener('focusin', (e) => this.choose(this.markOf(e.target)));
  }

  /** When the hand is at rest: nobody reads the list between two frames of a stroke. */
  refresh(): void {
    if (this.scheduled) return;
    this.scheduled = true;
    requestIdleCallback(() => this.render(), { timeout: LATEST_MS });
  }

  private render(): void {
    this.scheduled = false;
    const { sheets, page } = this.session;
    const marks = sheets.visible(page);
    // Those that are gone first, so that the others need not change places.
    const standing = new Set(marks.map((m) => m.id));
    for (const id of this.buttons.keys()) if (!standing.has(id)) this.remove(id);
    let next: Element | null = this.list.firstElementChild;
    for (const mark of marks) {
      const button = this.buttons.get(mark.id) ?? this.add(mark);
      const words = this.label(mark);
      if (button.textContent !== words) button.textContent = words;
      const item = button.parentElement!;
      if (item === next) next = next.nextElementSibling;
      else this.list.insertBefore(item, next ?? this.nothing);
    }
    this.nothing.hidden = marks.length > 0;
  }

  private add(mark: Mark): HTMLButtonElement {
    const item = document.createElement('li');
    const button = document.createElement('button');
    button.type = 'button';
    button.dir = 'auto';
    button.dataset['mark'] = String(mark.id);
    item.append(button);
    this.buttons.set(mark.id, button);
    return button;
  }

  private remove(id: number): void {
    const item = this.buttons.get(id)!.parentElement!;
    const neighbour = item.nextElementSibling ?? item.previousElementSibling;
    if (item.contains(document.activeElement)) neighbour?.querySelector('button')?.focus();
    item.remove();
    this.buttons.delete(id);
  }

  private label(mark: Mark): string {
    const { texts, session } = this;
    const mine = mark.author === session.me.number && mark.byStaff === session.me.isStaff;
    const whose = [
      mine ? texts.mine : mark.byStaff ? texts.teacher : texts.other,
      texts.loose,
      texts.printed,
      texts.key,
    ];
    const words = this.words(mark);
    return `${this.kind(mark)}, ${whose[mark.grip] ?? whose[0]}${words ? `: ${words}` : ''}`;
  }

  private words({ body }: Mark): string {
    const { sheets, surface } = this.session;
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
    const kept = [...this.kept].flatMap((id) => this.session.sheets.mark(id) ?? []);
    if (mark) this.session.selection.choose([...kept, mark]);
    else this.session.choose(null);
  }

  // By keyboard several are chosen one after the other: what is kept stays chosen while the focus goes on.
  private keep(mark: Mark): void {
    if (!this.kept.delete(mark.id)) this.kept.add(mark.id);
    this.buttons.get(mark.id)?.setAttribute('aria-pressed', String(this.kept.has(mark.id)));
  }

  private markOf(target: EventTarget | null): Mark | null {
    const id = (target as HTMLElement | null)?.dataset?.['mark'];
    return (id && this.session.sheets.mark(Number(id))) || null;
  }

  private key(e: KeyboardEvent): void {
    const mark = this.markOf(e.target);
    if (!mark) return;
    if (e.key === 'Enter') this.session.edit(mark);
    else if (e.key === ' ') this.keep(mark);
    else if (e.key === 'Escape') this.kept.clear();
    else return;
    e.preventDefault();
  }
}
