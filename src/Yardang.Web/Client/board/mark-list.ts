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

export class MarkList {
  private shown = '';

  constructor(
    private readonly list: HTMLElement,
    private readonly session: SheetSession,
    private readonly texts: MarkListTexts,
  ) {
    list.addEventListener('keydown', (e) => this.key(e));
    list.addEventListener('focusin', (e) => this.session.choose(this.markOf(e.target)?.id ?? null));
  }

  refresh(): void {
    const { sheets, page } = this.session;
    const marks = sheets.visible(page);
    const labels = marks.map((m) => this.label(m));
    const now = marks.map((m, i) => `${m.id} ${labels[i]}`).join('\n') || 'none';
    if (now === this.shown) return;
    this.shown = now;
    const focused = (document.activeElement as HTMLElement | null)?.dataset['mark'];
    this.list.replaceChildren(
      ...marks.map((mark, i) => {
        const item = document.createElement('li');
        const button = document.createElement('button');
        button.type = 'button';
        button.dataset['mark'] = String(mark.id);
        button.textContent = labels[i]!;
        item.append(button);
        return item;
      }),
    );
    if (marks.length === 0) {
      const item = document.createElement('li');
      item.textContent = this.texts.empty;
      this.list.append(item);
    }
    if (focused) this.list.querySelector<HTMLElement>(`[data-mark="${focused}"]`)?.focus();
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
