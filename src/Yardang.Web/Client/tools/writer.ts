// Text and notes: a field on the page in the type and place that the words will have.

import { type BoxBody, type Mark, Property } from '../room/marks';
import { LINE_HEIGHT, NOTE_PADDING, markAt } from '../surface/draw';
import { inkColour, noteColour } from '../surface/palette';
import type { Point, Tool } from '../surface/page-surface';
import { fitNote, fitText } from '../surface/text-fit';
import type { SheetContext } from './sheet-context';

const TEXT_SIZE = 700;
const NOTE_SIDE = 5200;
const MIN_TEXT_WIDTH = 3000;

interface Editing {
  readonly mark: Mark | null;
  readonly kind: 'text' | 'note';
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

export class Writer implements Tool {
  readonly cursor = 'text';
  private editing: Editing | null = null;
  private at: Point | null = null;

  constructor(
    private readonly sheet: SheetContext,
    private readonly kind: 'text' | 'note',
    private readonly field: HTMLTextAreaElement,
    private readonly done: () => void,
  ) {}

  /** Connects the field once for all writers of a page. */
  static listen(field: HTMLTextAreaElement, current: () => Writer | null): void {
    field.addEventListener('blur', () => current()?.finish());
    field.addEventListener('input', () => current()?.layOut());
    field.addEventListener('keydown', (e) => {
      if (e.key !== 'Escape') return;
      e.stopPropagation();
      current()?.finish();
    });
  }

  down(point: Point): void {
    this.at = point;
  }

  move(): void {}

  cancel(): void {
    this.at = null;
  }

  up(): void {
    if (this.editing) return this.finish();
    if (!this.at || !this.sheet.mayWrite()) return;
    const { x, y } = this.at;
    const mark = markAt(this.sheet.sheets.visible(this.sheet.page), x, y, 0, (m) => this.mayEdit(m));
    if (mark) this.edit(mark);
    else this.begin(Math.round(x), Math.round(y));
  }

  /** Begins a new text or note; without a place, in the middle of what is in sight. */
  begin(x?: number, y?: number): void {
    if (!this.sheet.mayWrite()) return;
    const middle = this.sheet.surface.middle();
    const half = this.kind === 'note' ? NOTE_SIDE / 2 : 0;
    this.open(
      { mark: null, kind: this.kind, x: (x ?? middle.x) - half, y: (y ?? middle.y) - half, size: TEXT_SIZE },
      '',
    );
  }

  edit(mark: Mark): void {
    if (!this.sheet.mayWrite() || !this.mayEdit(mark)) return;
    const body = mark.body as BoxBody;
    const kind = body.kind;
    this.sheet.live.hide(new Set([mark.id]));
    this.sheet.surface.invalidate();
    this.open(
      { mark, kind, x: body.x + mark.place.x, y: body.y + mark.place.y, size: body.words.size },
      body.words.text,
    );
  }

  /** Puts the field where the words will stand. */
  layOut(): void {
    const { editing, field } = this;
    if (!editing) return;
    const { surface } = this.sheet;
    const fitted = this.fit(field.value);
    const place = surface.toScreen(editing.x, editing.y);
    const padding = editing.kind === 'note' ? NOTE_PADDING * surface.scale : 0;
    Object.assign(field.style, {
      left: `${place.x}px`,
      top: `${place.y}px`,
      width: `${Math.max(fitted.width, MIN_TEXT_WIDTH) * surface.scale + 4}px`,
      height: `${fitted.height * surface.scale + 4}px`,
      fontSize: `${fitted.size * surface.scale}px`,
      lineHeight: String(LINE_HEIGHT),
      padding: `${padding}px`,
    });
  }

  finish(): void {
    const { editing, field, sheet } = this;
    if (!editing) return;
    this.editing = null;
    field.hidden = true;
    sheet.live.hide(new Set());
    const text = field.value.trimEnd();
    if (text !== (editing.mark?.body as BoxBody | undefined)?.words.text) this.keep(editing, text);
    sheet.surface.invalidate();
    this.done();
  }

  private open(editing: Editing, text: string): void {
    this.editing = editing;
    const { field, sheet } = this;
    const isNote = editing.kind === 'note';
    const colour = editing.mark?.style.colour ?? (isNote ? sheet.note.colour : sheet.ink.colour);
    field.value = text;
    field.hidden = false;
    field.style.background = isNote ? noteColour(colour) : 'transparent';
    field.style.color = isNote ? inkColour(0, false) : inkColour(colour, sheet.me.isStaff);
    this.layOut();
    field.focus();
  }

  private keep(editing: Editing, text: string): void {
    const { sheet } = this;
    const { mark } = editing;
    const id = sheet.newId();
    if (mark && text === '') {
      sheet.submit({ kind: 'makeChanges', changes: [{ property: Property.Erased, target: mark.id, value: true }] }, id);
      return;
    }
    if (text === '') return;
    const { lines, size, width, height } = this.fit(text, editing);
    const words = { text, language: sheet.language, lines, size };
    if (mark) {
      const value = { words, width, height };
      sheet.submit({ kind: 'makeChanges', changes: [{ property: Property.Words, target: mark.id, value }] }, id);
      return;
    }
    const isNote = editing.kind === 'note';
    const body = { kind: editing.kind, x: Math.round(editing.x), y: Math.round(editing.y), width, height, words };
    const style = { colour: isNote ? sheet.note.colour : sheet.ink.colour, width: 0 };
    sheet.submit({ kind: 'addMark', id, page: sheet.page, grip: sheet.grip, body, style }, id);
  }

  private fit(text: string, editing = this.editing!) {
    if (editing.kind === 'note') return fitNote(text, NOTE_SIDE, NOTE_SIDE);
    const page = this.sheet.sheets.pages.find((p) => p.id === this.sheet.page)!;
    return fitText(text, editing.size, Math.max(MIN_TEXT_WIDTH, page.width - editing.x - 500));
  }

  private mayEdit(mark: Mark): boolean {
    return (
      mark.body.kind !== 'ink' &&
      this.sheet.sheets.mayChange(this.sheet.me, { target: mark.id, property: Property.Words })
    );
  }
}
