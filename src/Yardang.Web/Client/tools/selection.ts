// What is chosen, and all that can be done with it. Each of these is one gesture, so that one undo takes it back.

import { hangs } from '../kinds';
import { described, wordsOf } from '../kinds/shown';
import {
  type Body,
  type Change,
  Grip,
  Looks,
  type Mark,
  type NewMark,
  Property,
  type Style,
  belongsToPage,
  isBox,
  stands,
} from '../room/marks';
import { boundsOfAll } from '../shapes/placed';
import {
  type May,
  type Side,
  aligned,
  distributed,
  middleOfAll,
  movedBy,
  reworded,
  scaledBy,
  turnedBy,
} from './arranging';
import { connect } from './connecting';
import { copied, copiesOf } from './copying';
import { actOf } from '../room/student-acts';
import type { TakenDown } from '../wire/forms';
import type { SheetContext } from './sheet-context';

const SHIFT_OF_COPY = 600;
const LABEL_SIZE = 500;

export class Selection {
  private chosen = new Set<number>();
  /** Told whose marks a teacher took down just now. */
  onTakenDown: (people: readonly number[]) => void = () => undefined;

  constructor(
    private readonly sheet: SheetContext,
    private readonly changed: () => void,
  ) {}

  /** As they stand now, back to front; what was rubbed out or is on another page is not among them. */
  get marks(): Mark[] {
    if (this.chosen.size === 0) return [];
    return this.sheet.sheets.visible(this.sheet.page).filter((m) => this.chosen.has(m.id));
  }

  has(id: number): boolean {
    return this.chosen.has(id);
  }

  clear(): void {
    this.choose([]);
  }

  /** Chooses marks, and whatever is tied to them. */
  choose(marks: readonly Mark[], add = false): void {
    const ties = new Set(marks.map((m) => m.tie).filter((tie) => tie !== 0));
    const ids = new Set(marks.map((m) => m.id));
    const all = this.sheet.sheets
      .visible(this.sheet.page)
      .filter((m) => ids.has(m.id) || (ties.has(m.tie) && this.mayChoose(m)));
    this.chosen = new Set([...(add ? this.chosen : []), ...all.map((m) => m.id)]);
    this.show();
  }

  drop(marks: readonly Mark[]): void {
    for (const mark of marks) this.chosen.delete(mark.id);
    this.show();
  }

  chooseAllMine(): void {
    const { me, sheets, page, design } = this.sheet;
    // On a board, what came with the activity is nobody's.
    const isMine = (m: Mark) => m.author === me.number && (design || m.grip === Grip.Own);
    this.choose(sheets.visible(page).filter((m) => isMine(m) && this.mayChoose(m)));
  }

  /** All on the page that whoever wrote what is chosen put there. */
  chooseAllByAuthor(): void {
    const [first] = this.marks;
    const { sheets, page } = this.sheet;
    if (first)
      this.choose(sheets.visible(page).filter((m) => m.author === first.author && m.byStaff === first.byStaff));
  }

  mayChoose(mark: Mark): boolean {
    return this.may(mark, Property.Place) || this.may(mark, Property.Pinned);
  }

  readonly may: May = (mark, property) =>
    this.sheet.sheets.mayChange(this.sheet.me, { target: mark.id, property }, this.sheet.design);

  /** Whether all that is chosen may be changed in this way. */
  mayAll(property: Property): boolean {
    const { marks } = this;
    return marks.length > 0 && marks.every((m) => this.may(m, property));
  }

  /** Done at once, as one gesture. */
  make(changes: readonly Change[]): void {
    if (changes.length === 0 || !this.sheet.may(actOf(changes))) return;
    this.sheet.submit({ kind: 'makeChanges', changes }, this.sheet.newId());
  }

  moveBy(dx: number, dy: number): void {
    this.make(movedBy(this.marks, dx, dy, this.may));
  }

  turnBy(degrees: number): void {
    const { marks } = this;
    if (marks.length > 0) this.make(turnedBy(marks, middleOfAll(marks), degrees, this.may));
  }

  grow(factor: number): void {
    const { marks } = this;
    if (marks.length > 0) this.make(scaledBy(marks, middleOfAll(marks), factor, factor, this.may));
  }

  rubOut(): void {
    const mine = this.marks.filter((m) => this.may(m, Property.Erased));
    this.make(mine.map((m) => ({ property: Property.Erased, target: m.id, value: true })));
  }

  /** What students put there is hidden from their classmates, removed, or put back. */
  takeDown(down: TakenDown): void {
    const theirs = this.marks.filter((m) => this.may(m, Property.Down) && m.down !== down);
    this.make(theirs.map((m) => ({ property: Property.Down, target: m.id, value: down })));
    if (down) this.onTakenDown([...new Set(theirs.filter((m) => !m.byStaff).map((m) => m.author))]);
  }

  toFront(): void {
    const { sheets } = this.sheet;
    let order = Math.floor(sheets.frontOrder);
    this.order(this.marks, () => ++order);
  }

  toBack(): void {
    const behind = Math.min(0, ...this.sheet.sheets.visible(this.sheet.page).map((m) => m.order));
    const marks = this.marks;
    this.order(marks, (i) => Math.ceil(behind) - marks.length + i);
  }

  private order(marks: readonly Mark[], at: (i: number) => number): void {
    const mine = marks.filter((m) => this.may(m, Property.Order));
    this.make(mine.map((m, i) => ({ property: Property.Order, target: m.id, value: at(i) })));
  }

  get areTied(): boolean {
    const { marks } = this;
    return marks.length > 1 && marks[0]!.tie !== 0 && marks.every((m) => m.tie === marks[0]!.tie);
  }

  toggleTie(): void {
    const tie = this.areTied ? 0 : this.sheet.newId();
    const mine = this.marks.filter((m) => this.may(m, Property.Tie));
    if (mine.length > 1) this.make(mine.map((m) => ({ property: Property.Tie, target: m.id, value: tie })));
  }

  get arePinned(): boolean {
    const { marks } = this;
    return marks.length > 0 && marks.every((m) => m.pinned);
  }

  togglePin(): void {
    const value = !this.arePinned;
    const mine = this.marks.filter((m) => this.may(m, Property.Pinned));
    this.make(mine.map((m) => ({ property: Property.Pinned, target: m.id, value })));
  }

  /** Printed, loose or key: for teachers. */
  grip(grip: Grip): void {
    const mine = this.marks.filter((m) => this.may(m, Property.Grip));
    this.make(mine.map((m) => ({ property: Property.Grip, target: m.id, value: grip })));
  }

  get commonGrip(): Grip | null {
    const { marks } = this;
    return marks.length > 0 && marks.every((m) => m.grip === marks[0]!.grip) ? marks[0]!.grip : null;
  }

  restyle(style: (mark: Mark) => Partial<Style>): void {
    const mine = this.marks.filter((m) => this.may(m, Property.Style));
    this.make(mine.map((m) => ({ property: Property.Style, target: m.id, value: { ...m.style, ...style(m) } })));
  }

  /** The one mark that is chosen; null if there are none or several. */
  get only(): Mark | null {
    const { marks } = this;
    return marks.length === 1 ? marks[0]! : null;
  }

  /** Whether exactly two marks are chosen, between which a line can run. */
  get canConnect(): boolean {
    const { marks } = this;
    return marks.length === 2 && marks.every((m) => !hangs(m.body));
  }

  connect(): void {
    const [from, to] = this.marks;
    if (from && to && this.canConnect) connect(this.sheet, from, to);
  }

  /** Makes the one chosen mark of something else of the same kind. */
  remake(body: Body): void {
    const { only } = this;
    if (only && this.may(only, Property.Body)) this.make([{ property: Property.Body, target: only.id, value: body }]);
  }

  /** What stands at the middle of a connector. */
  label(text: string): void {
    const body = this.only?.body;
    if (body?.kind !== 'connector' || (body.label?.text ?? '') === text.trim()) return;
    const words = text.trim();
    const { language } = this.sheet;
    this.remake({ ...body, label: words ? { text: words, language, lines: [words], size: LABEL_SIZE } : null });
  }

  /** What a picture shows, for those who cannot see it; what is said in a recording. */
  describe(description: string): void {
    const body = this.only?.body;
    if (body?.kind === 'picture' && body.description !== description) this.remake({ ...body, description });
    if (body?.kind === 'shown' && wordsOf(body.shown) !== description)
      this.remake({ ...body, shown: described(body.shown, description) });
  }

  toggleLooks(looks: number): void {
    const on = !this.hasLooks(looks);
    const mine = this.marks.filter((m) => this.may(m, Property.Style));
    const changes = mine.flatMap((m): Change[] => {
      const style = { ...m.style, looks: on ? m.style.looks | looks : m.style.looks & ~looks };
      const change = { property: Property.Style, target: m.id, value: style };
      // Heavier letters are wider: the lines break anew.
      const refit = looks === Looks.Bold && isBox(m.body) && this.may(m, Property.Words);
      return refit ? [change, ...reworded({ ...m, style }, (words) => words)] : [change];
    });
    this.make(changes);
  }

  /** The type of texts becomes larger or smaller; notes choose their own. */
  resizeWords(factor: number): void {
    const texts = this.marks.filter((m) => m.body.kind === 'text' && this.may(m, Property.Words));
    this.make(texts.flatMap((m) => reworded(m, (words) => words, factor)));
  }

  /** Each line with a dot or a number before it, or without. */
  toggleList(numbered: boolean): void {
    const boxes = this.marks.filter((m) => isBox(m.body) && this.may(m, Property.Words));
    const begins = numbered ? /^\d+\. / : /^• /;
    const all = (m: Mark) => isBox(m.body) && m.body.words.text.split('\n').every((line) => begins.test(line));
    const off = boxes.length > 0 && boxes.every(all);
    const line = (words: string, i: number) => {
      const bare = words.replace(/^(• |\d+\. )/, '');
      return off ? bare : `${numbered ? `${i + 1}. ` : '• '}${bare}`;
    };
    this.make(boxes.flatMap((m) => reworded(m, (text) => text.split('\n').map(line).join('\n'))));
  }

  hasLooks(looks: number): boolean {
    const { marks } = this;
    return marks.length > 0 && marks.every((m) => (m.style.looks & looks) === looks);
  }

  align(side: Side): void {
    this.make(aligned(this.marks, side, this.may));
  }

  distribute(across: boolean): void {
    this.make(distributed(this.marks, across, this.may));
  }

  /** What is chosen, to be put down elsewhere. */
  copy(): NewMark[] {
    return this.marks.filter(stands).map(copied);
  }

  /** Puts copies down on the page in sight, as my own, and chooses them. */
  paste(pasted: readonly NewMark[], shift = SHIFT_OF_COPY): void {
    const { sheet } = this;
    // Zones and answer fields are part of the design: what a board takes of them is nothing. A field has one answer.
    const list = pasted.filter((m) => m.body.kind !== 'fieldAnswer' && (sheet.design || !belongsToPage(m.body)));
    if (list.length === 0 || !sheet.mayWrite()) return;
    const gesture = sheet.newId();
    const marks = copiesOf(list, () => sheet.newId(), gesture).map((mark) => {
      const place = { ...mark.place, x: mark.place.x + shift, y: mark.place.y + shift };
      const grip = sheet.design ? mark.grip : sheet.grip;
      return hangs(mark.body) ? { ...mark, grip } : { ...mark, grip, place };
    });
    if (marks.length === 0) return;
    sheet.submit({ kind: 'addMarks', page: sheet.page, marks }, gesture);
    this.chosen = new Set(marks.map((m) => m.id));
    this.show();
  }

  duplicate(): void {
    this.paste(this.copy());
  }

  /** Where all that is chosen stands, in mm from the page's corner, its size, and its turn if it is one mark. */
  get exact(): { x: number; y: number; width: number; height: number; turn: number } {
    const { marks } = this;
    const box = marks.length > 0 ? boundsOfAll(marks) : { x: 0, y: 0, width: 0, height: 0 };
    const mm = (n: number) => Math.round(n / 10) / 10;
    const turn = marks.length === 1 ? marks[0]!.place.turn / 100 : 0;
    return { x: mm(box.x), y: mm(box.y), width: mm(box.width), height: mm(box.height), turn };
  }

  setExact(field: 'x' | 'y' | 'width' | 'height' | 'turn', value: number): void {
    const { marks, exact } = this;
    if (marks.length === 0 || !Number.isFinite(value)) return;
    const fixed = { x: exact.x * 100, y: exact.y * 100 };
    if (field === 'x') this.moveBy((value - exact.x) * 100, 0);
    else if (field === 'y') this.moveBy(0, (value - exact.y) * 100);
    else if (field === 'turn') this.turnBy(value - exact.turn);
    else if (value > 0 && exact[field] > 0) {
      const factor = value / exact[field];
      this.make(scaledBy(marks, fixed, field === 'width' ? factor : 1, field === 'height' ? factor : 1, this.may));
    }
  }

  private show(): void {
    this.sheet.surface.chosen = this.chosen;
    this.sheet.surface.invalidateDrawing();
    this.changed();
  }
}
