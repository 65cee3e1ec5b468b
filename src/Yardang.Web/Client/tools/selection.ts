// What is chosen, and all that can be done with it. Each of these is one gesture, so that one undo takes it back.

import { type Change, Grip, type Mark, type NewMark, Property, type Style, isBox } from '../room/marks';
import { type Spot, boundsOf, boundsOfAll, middleOf, turned } from '../shapes/geometry';
import { fitNote, fitText } from '../surface/text-fit';
import type { SheetContext } from './sheet-context';

const FULL_TURN = 36_000;
const LEAST_SCALE = 10;
const MOST_SCALE = 100_000;
const SHIFT_OF_COPY = 600;

export type Side = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

export class Selection {
  private chosen = new Set<number>();

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
    const all = this.sheet.sheets
      .visible(this.sheet.page)
      .filter((m) => marks.some((c) => c.id === m.id) || (ties.has(m.tie) && this.mayChoose(m)));
    this.chosen = new Set([...(add ? this.chosen : []), ...all.map((m) => m.id)]);
    this.show();
  }

  drop(marks: readonly Mark[]): void {
    for (const mark of marks) this.chosen.delete(mark.id);
    this.show();
  }

  chooseAllMine(): void {
    const { me, sheets, page } = this.sheet;
    this.choose(sheets.visible(page).filter((m) => m.author === me.number && this.mayChoose(m)));
  }

  mayChoose(mark: Mark): boolean {
    return this.may(mark, Property.Place) || this.may(mark, Property.Pinned);
  }

  may(mark: Mark, property: Property): boolean {
    return this.sheet.sheets.mayChange(this.sheet.me, { target: mark.id, property }, this.sheet.design);
  }

  /** Whether all that is chosen may be changed in this way. */
  mayAll(property: Property): boolean {
    const { marks } = this;
    return marks.length > 0 && marks.every((m) => this.may(m, property));
  }

  // Changes that move, as they are followed by the hand: see Chooser.

  movedBy(marks: readonly Mark[], dx: number, dy: number): Change[] {
    return marks
      .filter((m) => this.may(m, Property.Place))
      .map((m) => placing(m, { x: m.place.x + dx, y: m.place.y + dy, turn: m.place.turn }));
  }

  /** Turned about a place, degrees. */
  turnedBy(marks: readonly Mark[], about: Spot, degrees: number): Change[] {
    return marks
      .filter((m) => this.may(m, Property.Place))
      .map((m) => {
        const middle = middleOf(m.body);
        const at = { x: middle.x + m.place.x, y: middle.y + m.place.y };
        const to = turned(at, about, degrees);
        const turn = (((Math.round(m.place.turn + degrees * 100) % FULL_TURN) + FULL_TURN) % FULL_TURN) as number;
        return placing(m, { x: to.x - middle.x, y: to.y - middle.y, turn });
      });
  }

  /** Made larger by factors, a place staying where it is. A text alone keeps its type and takes another width. */
  scaledBy(marks: readonly Mark[], fixed: Spot, fx: number, fy: number): Change[] {
    const free = marks.filter((m) => this.may(m, isBox(m.body) ? Property.Words : Property.Scale));
    const only = free.length === 1 && isBox(free[0]!.body);
    return free.flatMap((m) => {
      const middle = middleOf(m.body);
      const at = { x: middle.x + m.place.x, y: middle.y + m.place.y };
      const to = { x: fixed.x + (at.x - fixed.x) * fx, y: fixed.y + (at.y - fixed.y) * fy };
      if (isBox(m.body)) return this.boxScaled(m, to, fx, only ? fy : fx, only);
      const turnedAcross = Math.abs(Math.sin((m.place.turn / 18_000) * Math.PI)) > 0.5;
      const [sx, sy] = turnedAcross ? [fy, fx] : [fx, fy];
      const scale = { x: within((m.scale?.x ?? 1000) * sx), y: within((m.scale?.y ?? 1000) * sy) };
      const place = { x: to.x - middle.x, y: to.y - middle.y, turn: m.place.turn };
      return [{ property: Property.Scale, target: m.id, value: scale }, placing(m, place)];
    });
  }

  private boxScaled(mark: Mark, to: Spot, fx: number, fy: number, refit: boolean): Change[] {
    if (!isBox(mark.body)) return [];
    const { body } = mark;
    const width = Math.max(1000, Math.round(body.width * fx));
    const height = Math.max(1000, Math.round(body.height * fy));
    const { words } = body;
    const { looks } = mark.style;
    const size = Math.round(words.size * fx);
    const fitted = !refit
      ? { lines: words.lines, size: Math.min(20_000, Math.max(100, size)), width, height }
      : body.kind === 'note'
        ? fitNote(words.text, width, height, looks)
        : { ...fitText(words.text, words.size, width, looks), width };
    const value = {
      words: { ...words, lines: fitted.lines, size: fitted.size },
      width: fitted.width,
      height: fitted.height,
    };
    const place = {
      x: to.x - fitted.width / 2 - body.x,
      y: to.y - fitted.height / 2 - body.y,
      turn: mark.place.turn,
    };
    return [{ property: Property.Words, target: mark.id, value }, placing(mark, place)];
  }

  /** Done at once, as one gesture. */
  make(changes: readonly Change[]): void {
    if (changes.length === 0 || !this.sheet.mayWrite()) return;
    this.sheet.submit({ kind: 'makeChanges', changes }, this.sheet.newId());
  }

  moveBy(dx: number, dy: number): void {
    this.make(this.movedBy(this.marks, dx, dy));
  }

  turnBy(degrees: number): void {
    const { marks } = this;
    if (marks.length > 0) this.make(this.turnedBy(marks, middleOfAll(marks), degrees));
  }

  grow(factor: number): void {
    const { marks } = this;
    if (marks.length > 0) this.make(this.scaledBy(marks, middleOfAll(marks), factor, factor));
  }

  rubOut(): void {
    const mine = this.marks.filter((m) => this.may(m, Property.Erased));
    this.make(mine.map((m) => ({ property: Property.Erased, target: m.id, value: true })));
  }

  toFront(): void {
    const { sheets } = this.sheet;
    let order = Math.floor(sheets.frontOrder);
    this.order(this.marks, () => ++order);
  }

  toBack(): void {
    const behind = this.sheet.sheets.visible(this.sheet.page)[0]?.order ?? 0;
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

  /** What a picture shows, for those who cannot see it. */
  describe(description: string): void {
    const [mark] = this.marks;
    if (mark?.body.kind !== 'picture' || mark.body.description === description) return;
    this.make([{ property: Property.Body, target: mark.id, value: { ...mark.body, description } }]);
  }

  toggleLooks(looks: number): void {
    const on = !this.hasLooks(looks);
    this.restyle((m) => ({ looks: on ? m.style.looks | looks : m.style.looks & ~looks }));
  }

  hasLooks(looks: number): boolean {
    const { marks } = this;
    return marks.length > 0 && marks.every((m) => (m.style.looks & looks) === looks);
  }

  align(side: Side): void {
    const { marks } = this;
    if (marks.length < 2) return;
    const all = boundsOfAll(marks);
    const changes = marks.flatMap((m) => {
      const box = boundsOf(m);
      const by: Record<Side, [number, number]> = {
        left: [all.x - box.x, 0],
        centre: [all.x + all.width / 2 - box.x - box.width / 2, 0],
        right: [all.x + all.width - box.x - box.width, 0],
        top: [0, all.y - box.y],
        middle: [0, all.y + all.height / 2 - box.y - box.height / 2],
        bottom: [0, all.y + all.height - box.y - box.height],
      };
      return this.movedBy([m], ...by[side]);
    });
    this.make(changes);
  }

  /** The gaps between them become equal; the outermost stay. */
  distribute(across: boolean): void {
    const boxes = this.marks.map((mark) => ({ mark, box: boundsOf(mark) }));
    if (boxes.length < 3) return;
    const start = (b: (typeof boxes)[0]) => (across ? b.box.x : b.box.y);
    const size = (b: (typeof boxes)[0]) => (across ? b.box.width : b.box.height);
    boxes.sort((a, b) => start(a) - start(b));
    const first = boxes[0]!;
    const last = boxes.at(-1)!;
    const room = start(last) + size(last) - start(first);
    const gap = (room - boxes.reduce((sum, b) => sum + size(b), 0)) / (boxes.length - 1);
    let at = start(first);
    const changes = boxes.flatMap((b) => {
      const by = at - start(b);
      at += size(b) + gap;
      return this.movedBy([b.mark], across ? by : 0, across ? 0 : by);
    });
    this.make(changes);
  }

  /** What is chosen, to be put down elsewhere. */
  copy(): NewMark[] {
    return this.marks.map(({ id, grip, body, style, place, scale, cuts, tie }) => ({
      id,
      grip,
      body,
      style,
      place,
      scale,
      cuts,
      tie,
    }));
  }

  /** Puts copies down on the page in sight, as my own, and chooses them. */
  paste(copied: readonly NewMark[], shift = SHIFT_OF_COPY): void {
    const { sheet } = this;
    if (copied.length === 0 || !sheet.mayWrite()) return;
    const ties = new Map<number, number>();
    const gesture = sheet.newId();
    const marks = copied.map((mark, i) => {
      if (mark.tie !== 0 && !ties.has(mark.tie)) ties.set(mark.tie, sheet.newId());
      const place = { ...mark.place, x: mark.place.x + shift, y: mark.place.y + shift };
      const grip = sheet.design ? mark.grip : sheet.grip;
      return { ...mark, id: i === 0 ? gesture : sheet.newId(), grip, place, tie: ties.get(mark.tie) ?? 0 };
    });
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
      this.make(this.scaledBy(marks, fixed, field === 'width' ? factor : 1, field === 'height' ? factor : 1));
    }
  }

  private show(): void {
    this.sheet.surface.chosen = this.chosen;
    this.sheet.surface.invalidateDrawing();
    this.changed();
  }
}

export function middleOfAll(marks: readonly Mark[]): Spot {
  const box = boundsOfAll(marks);
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

function placing(mark: Mark, { x, y, turn }: { x: number; y: number; turn: number }): Change {
  return { property: Property.Place, target: mark.id, value: { x: Math.round(x), y: Math.round(y), turn } };
}

function within(scale: number): number {
  return Math.min(MOST_SCALE, Math.max(LEAST_SCALE, Math.round(scale)));
}
