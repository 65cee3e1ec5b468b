// Everything on the page as a list: for screen readers, and for moving, changing and rubbing out by keyboard.

import { type Mark, isBox } from '../room/marks';
import { type Figure, figureOf } from '../shapes/measures';
import type { SheetSession } from './sheet-session';

export interface MarkListTexts {
  readonly ink: string;
  readonly text: string;
  readonly note: string;
  readonly picture: string;
  readonly figures: Record<Figure, string>;
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
  private scheduled = false;

  constructor(
    private readonly list: HTMLElement,
    private readonly session: SheetSession,
    private readonly texts: MarkListTexts,
  ) {
    this.nothing.textContent = texts.empty;
    list.append(this.nothing);
    list.addEventListener('keydown', (e) => this.key(e));
    list.addEventListener('focusin', (e) => this.session.choose(this.markOf(e.target)));
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
    const left = new Set(this.buttons.keys());
    let next: Element | null = this.list.firstElementChild;
    for (const mark of marks) {
      left.delete(mark.id);
      const button = this.buttons.get(mark.id) ?? this.add(mark);
      const words = this.label(mark);
      if (button.textContent !== words) button.textContent = words;
      const item = button.parentElement!;
      if (item === next) next = next.nextElementSibling;
      else this.list.insertBefore(item, next ?? this.nothing);
    }
    for (const id of left) this.remove(id);
    this.nothing.hidden = marks.length > 0;
  }

  private add(mark: Mark): HTMLButtonElement {
    const item = document.createElement('li');
    const button = document.createElement('button');
    button.type = 'button';
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
    const { body } = mark;
    const words = isBox(body) ? `: ${body.words.text}` : body.kind === 'picture' ? `: ${body.description}` : '';
    return `${this.kind(mark)}, ${whose[mark.grip] ?? whose[0]}${words}`;
  }

  private kind(mark: Mark): string {
    const { body, scale } = mark;
    return body.kind === 'shape' ? this.texts.figures[figureOf(body, scale)] : this.texts[body.kind];
  }

  private markOf(target: EventTarget | null): Mark | null {
    const id = (target as HTMLElement | null)?.dataset?.['mark'];
    return (id && this.session.sheets.mark(Number(id))) || null;
  }

  private key(e: KeyboardEvent): void {
    const mark = this.markOf(e.target);
    if (!mark) return;
    if (e.key === 'Enter') this.session.edit(mark);
    else return;
    e.preventDefault();
  }
}
