// Everything on the page as a list: for screen readers, and for moving, changing and rubbing out by keyboard.

import { type Mark, Grip, Property } from '../room/marks';
import type { SheetSession } from './sheet-session';

export interface MarkListTexts {
  readonly ink: string;
  readonly text: string;
  readonly note: string;
  readonly printed: string;
  readonly mine: string;
  readonly teacher: string;
  readonly other: string;
  readonly empty: string;
}

const STEP = 500;
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
    list.addEventListener('focusin', (e) => this.session.choose(this.markOf(e.target)?.id ?? null));
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
    const kind = texts[mark.body.kind];
    const mine = mark.author === session.me.number && mark.byStaff === session.me.isStaff;
    const whose =
      mark.grip === Grip.Printed ? texts.printed : mine ? texts.mine : mark.byStaff ? texts.teacher : texts.other;
    const words = mark.body.kind === 'ink' ? '' : `: ${mark.body.words.text}`;
    return `${kind}, ${whose}${words}`;
  }

  private markOf(target: EventTarget | null): Mark | null {
    const id = (target as HTMLElement | null)?.dataset?.['mark'];
    return (id && this.session.sheets.mark(Number(id))) || null;
  }

  private key(e: KeyboardEvent): void {
    const mark = this.markOf(e.target);
    if (!mark) return;
    const step = e.shiftKey ? STEP / 5 : STEP;
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const move = moves[e.key];
    if (move) this.session.move(mark, ...move);
    else if (e.key === 'Delete' || e.key === 'Backspace') this.session.erase(mark);
    else if (
      e.key === 'Enter' &&
      this.session.sheets.mayChange(this.session.me, { target: mark.id, property: Property.Words })
    )
      this.session.edit(mark);
    else return;
    e.preventDefault();
  }
}
