// Text and notes: a field on the page in the type and place that the words will have.

import { type BoxBody, type Mark, Property, isBox } from '../room/marks';
import { LINE_HEIGHT, NOTE_PADDING } from '../surface/type';
import { markAt } from '../surface/hit';
import { inkColour, noteColour } from '../surface/palette';
import type { Point, Tool } from '../surface/page-surface';
import type { Spot } from '../shapes/geometry';
import { type Fitted, fitNoteOn, fitTextOn } from '../surface/text-fit';
import type { Command } from '../room/wire';
import type { Change } from '../wire/forms';
import { freePlace, stay } from './free-place';
import type { SheetContext } from './sheet-context';

const TEXT_SIZE = 700;
const NOTE_SIDE = 5200;
const BUBBLE_HEIGHT = 3000;
/** Where the tail of a new bubble points: this far below it, and this share along it. */
const TAIL_DOWN = 2000;
const TAIL_ALONG = 0.2;
const MIN_TEXT_WIDTH = 3000;
const MOST_LETTERS = 4000;
const NEW_TEXT = { width: MIN_TEXT_WIDTH, height: TEXT_SIZE * LINE_HEIGHT };
/** What is left free beside a text, 1/100 mm. */
const TEXT_MARGIN = 500;

interface Editing {
  readonly mark: Mark | null;
  readonly kind: BoxBody['kind'];
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
    // A page that goes away takes along what was being written.
    window.addEventListener('pagehide', () => current()?.finish());
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

  /** Begins a new text or note; without a place, where there is room in sight. */
  begin(x?: number, y?: number, beginning = ''): void {
    if (!this.sheet.mayWrite()) return;
    const page = this.sheet.sheets.page(this.sheet.page)!;
    const kind = this.newKind;
    const half = kind === 'text' ? 0 : NOTE_SIDE / 2;
    // A tap beside the page is meant for its edge.
    const onPage = (n: number, size: number, half: number) =>
      Math.min(Math.max(n, half), size - Math.max(half, TEXT_SIZE)) - half;
    const halfHeight = kind === 'bubble' ? BUBBLE_HEIGHT / 2 : half;
    const at =
      x === undefined || y === undefined
        ? freePlace(this.sheet, kind === 'text' ? NEW_TEXT : { width: NOTE_SIDE, height: 2 * halfHeight })
        : { x: onPage(x, page.size.width, half), y: onPage(y, page.size.height, halfHeight) };
    this.open({ mark: null, kind, ...at, size: TEXT_SIZE }, beginning);
  }

  /** Words that were not taken are there again, to be put otherwise. */
  giveBack(command: Command): void {
    if (this.editing) return;
    if (command.kind === 'addMark' && isBox(command.body)) {
      const { kind, x, y, words } = command.body;
      if (command.page === this.sheet.page) this.open({ mark: null, kind, x, y, size: words.size }, words.text);
      else this.begin(undefined, undefined, words.text);
    }
    if (command.kind !== 'makeChanges') return;
    const wording = command.changes.find((change) => change.property === Property.Words);
    if (!wording) return;
    const { text } = (wording.value as { words: { text: string } }).words;
    const mark = this.sheet.sheets.visible(this.sheet.page).find((m) => m.id === wording.target);
    if (!mark || !this.mayEdit(mark)) return this.begin(undefined, undefined, text);
    this.edit(mark);
    this.field.value = text;
    this.layOut();
  }

  /** Puts words down without a field: pasted. */
  put(words: string): void {
    const { size } = this.sheet.sheets.page(this.sheet.page)!;
    const text = words.slice(0, MOST_LETTERS);
    const editing = { mark: null, kind: this.newKind, x: size.width / 4, y: 0, size: TEXT_SIZE };
    this.keep({ ...editing, ...freePlace(this.sheet, this.fit(text, editing)) }, text);
  }

  edit(mark: Mark): void {
    if (!this.sheet.mayWrite() || !this.mayEdit(mark)) return;
    const body = mark.body as BoxBody;
    const kind = body.kind;
    this.sheet.surface.hide(new Set([mark.id]));
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
    const at = this.placed(editing, fitted);
    const place = surface.toScreen(at.x, at.y);
    const padding = editing.kind === 'text' ? 0 : NOTE_PADDING * surface.scale;
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
    sheet.surface.hide(new Set());
    const text = field.value.trimEnd();
    if (text !== (editing.mark?.body as BoxBody | undefined)?.words.text) this.keep(editing, text);
    sheet.surface.invalidate();
    this.done();
  }

  private open(editing: Editing, text: string): void {
    this.editing = editing;
    const { field, sheet } = this;
    const isNote = editing.kind !== 'text';
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
    const fitted = this.fit(text, editing);
    const { lines, size, width, height } = fitted;
    const at = this.placed(editing, fitted);
    // What is there in other languages is a translation of the words as they were first written.
    const before = mark && isBox(mark.body) && mark.body.words.also ? mark.body.words : null;
    const words = {
      text,
      language: sheet.language,
      lines,
      size,
      ...(before && { language: before.language, also: before.also! }),
    };
    if (mark) {
      const changes: Change[] = [{ property: Property.Words, target: mark.id, value: { words, width, height } }];
      if (at.x !== editing.x || at.y !== editing.y) {
        const { x, y, turn } = mark.place;
        const value = { x: x + at.x - editing.x, y: y + at.y - editing.y, turn };
        changes.push({ property: Property.Place, target: mark.id, value });
      }
      sheet.submit({ kind: 'makeChanges', changes }, id);
      return;
    }
    const isNote = editing.kind !== 'text';
    const box = { x: Math.round(at.x), y: Math.round(at.y), width, height, words };
    const tip = { tipX: Math.round(box.x + width * TAIL_ALONG), tipY: box.y + height + TAIL_DOWN };
    const body: BoxBody =
      editing.kind === 'bubble' ? { kind: 'bubble', ...box, ...tip } : { kind: editing.kind, ...box };
    const style = { colour: isNote ? sheet.note.colour : sheet.ink.colour, width: 0, fill: 0, looks: 0 };
    sheet.submit(
      { kind: 'addMark', id, page: sheet.page, grip: sheet.grip, body, style, for: sheet.takeSpeaker() },
      id,
    );
  }

  private fit(text: string, editing = this.editing!) {
    const looks = editing.mark?.style.looks ?? 0;
    const page = this.sheet.sheets.page(this.sheet.page)!;
    const body = editing.mark?.body;
    if (editing.kind !== 'text') {
      const width = body && isBox(body) ? body.width : NOTE_SIDE;
      return fitNoteOn(page.size, text, width, editing.kind === 'note' ? width : BUBBLE_HEIGHT, looks);
    }
    return fitTextOn(
      page.size,
      text,
      editing.size,
      Math.max(MIN_TEXT_WIDTH, page.size.width - editing.x - TEXT_MARGIN),
      looks,
    );
  }

  /** What grows beyond the foot of the page moves up; what is turned or stretched stays where it was put. */
  private placed({ mark, x, y }: Editing, { width, height }: Fitted): Spot {
    const page = this.sheet.sheets.page(this.sheet.page)!;
    if (mark && (mark.place.turn !== 0 || mark.scale)) return { x, y };
    return { x: stay(x, width, page.size.width), y: stay(y, height, page.size.height) };
  }

  private get newKind(): BoxBody['kind'] {
    return this.kind === 'note' && this.sheet.note.bubble ? 'bubble' : this.kind;
  }

  private mayEdit(mark: Mark): boolean {
    return (
      isBox(mark.body) &&
      this.sheet.sheets.mayChange(this.sheet.me, { target: mark.id, property: Property.Words }, this.sheet.design)
    );
  }
}
