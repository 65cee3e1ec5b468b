// Chooses marks by tapping, with a lasso or a box, and moves, resizes and turns what is chosen.

import { type Change, Grip, type Mark, Property } from '../room/marks';
import { type Box, type Spot, boxCorners, isInside, turned } from '../shapes/geometry';
import { boundsOf, boundsOfAll, offPage, onPage } from '../shapes/placed';
import { changed } from '../room/properties';
import { drawMark } from '../surface/draw';
import { markAt } from '../surface/hit';
import type { Point, Tool } from '../surface/page-surface';
import { type Frame, frameOf, middleOfAll, movedBy, scaledBy, turnedBy } from './arranging';
import type { Selection } from './selection';
import type { SheetContext } from './sheet-context';
import { type Guides, sideDirections, snapBox, snapTurn } from './snapping';
import { StudentActs } from '../wire/forms';

const REACH = 250;
const SUBMIT_EVERY_MS = 90;
const FEW = 60;
const HANDLE_PX = 9;
const HANDLE_REACH_PX = 20;
const TURN_HANDLE_PX = 34;
const TAP_PX = 5;
const ACCENT = '#0c5c69';

type Drag =
  | { readonly kind: 'move' | 'turn' | 'tip'; readonly marks: readonly Mark[]; readonly from: Point }
  | {
      readonly kind: 'size';
      readonly marks: readonly Mark[];
      readonly from: Point;
      readonly fixed: Spot;
      readonly frame: Frame;
    }
  | { readonly kind: 'lasso'; readonly path: Spot[]; readonly add: boolean };

export class Chooser implements Tool {
  readonly cursor = 'grab';
  /** Whether an area is chosen by a box instead of a line drawn round it. */
  byBox = false;
  private drag: Drag | null = null;
  private gesture = 0;
  private submittedAt = 0;
  private changes: Change[] = [];
  private guides: Guides = { x: null, y: null };
  private movedFar = false;

  constructor(
    private readonly sheet: SheetContext,
    private readonly selection: Selection,
  ) {}

  down(point: Point): void {
    const { sheet, selection } = this;
    this.gesture = 0;
    this.changes = [];
    this.movedFar = false;
    const marks = selection.marks;
    const tip = this.tip(marks);
    if (tip && this.isNear(tip, point)) {
      this.drag = { kind: 'tip', marks, from: point };
      return;
    }
    const handle = this.areMovable(marks) ? this.handleAt(point, frameOf(marks)) : null;
    if (handle) {
      this.drag =
        handle === 'turn' ? { kind: 'turn', marks, from: point } : { kind: 'size', marks, from: point, ...handle };
      return;
    }
    const hit = markAt(sheet.sheets.visible(sheet.page), point.x, point.y, REACH, (m) => selection.mayChoose(m));
    if (!hit) {
      this.drag = { kind: 'lasso', path: [point], add: point.shift };
      return;
    }
    if (point.shift && selection.has(hit.id)) selection.drop([hit]);
    else if (!selection.has(hit.id)) selection.choose([hit], point.shift);
    this.drag = { kind: 'move', marks: selection.marks, from: point };
  }

  move(points: Point[]): void {
    const point = points.at(-1)!;
    const { drag } = this;
    if (!drag) return;
    if (drag.kind === 'lasso') {
      drag.path.push(...points);
    } else {
      const far = Math.hypot(point.x - drag.from.x, point.y - drag.from.y) * this.sheet.surface.scale;
      this.movedFar ||= far > TAP_PX;
      if (!this.movedFar || !this.sheet.may(drag.kind === 'size' ? StudentActs.Write : StudentActs.Move)) return;
      this.changes = this.changesTo(drag, point);
      this.sheet.surface.hide(new Set(drag.marks.map((m) => m.id)));
      // Others follow a few marks on their way; of many they see where they go.
      const isFew = drag.marks.length <= FEW;
      if (isFew && performance.now() - this.submittedAt > SUBMIT_EVERY_MS) this.submit();
    }
    this.sheet.surface.invalidateDrawing();
  }

  up(): void {
    const { drag } = this;
    this.drag = null;
    if (drag?.kind === 'lasso') this.chooseIn(drag.path, drag.add);
    else if (this.movedFar) this.submit();
    this.end();
  }

  cancel(): void {
    this.drag = null;
    this.end();
  }

  draw(ctx: CanvasRenderingContext2D): void {
    const pixel = 1 / this.sheet.surface.scale;
    const { drag } = this;
    ctx.strokeStyle = ctx.fillStyle = ACCENT;
    if (drag?.kind === 'lasso') return this.drawLasso(ctx, drag.path, pixel);
    let marks: readonly Mark[] = this.selection.marks;
    if (drag && this.movedFar) {
      marks = this.moved(drag.marks);
      for (const mark of marks) drawMark(ctx, mark, this.sheet.surface.options);
      this.drawGuides(ctx, pixel);
    }
    if (marks.length > 0) this.drawFrame(ctx, marks, pixel);
  }

  private end(): void {
    this.changes = [];
    this.guides = { x: null, y: null };
    this.sheet.surface.hide(new Set());
    this.sheet.surface.invalidateDrawing();
  }

  private moved(marks: readonly Mark[]): Mark[] {
    const moved = new Map(marks.map((m) => [m.id, m]));
    for (const change of this.changes) {
      const mark = moved.get(change.target);
      if (mark) moved.set(mark.id, changed(mark, change));
    }
    return [...moved.values()];
  }

  private changesTo(drag: Exclude<Drag, { kind: 'lasso' }>, point: Point): Change[] {
    const { selection, sheet } = this;
    if (drag.kind === 'turn') {
      const about = middleOfAll(drag.marks);
      const degrees = angle(about, point) - angle(about, drag.from);
      return turnedBy(drag.marks, about, point.alt ? degrees : this.snappedTurn(drag.marks, degrees), selection.may);
    }
    if (drag.kind === 'tip') return tipChanges(drag.marks[0]!, point);
    if (drag.kind === 'size') {
      return scaledBy(drag.marks, drag.fixed, ...this.factors(drag, point), selection.may, drag.frame.turn);
    }
    const by = { x: point.x - drag.from.x, y: point.y - drag.from.y };
    const box = boundsOfAll(drag.marks);
    const others = this.othersThan(drag.marks);
    const page = sheet.sheets.page(sheet.page)!;
    const snapped = point.alt
      ? { ...by, guides: { x: null, y: null } }
      : snapBox({ ...box, x: box.x + by.x, y: box.y + by.y }, by, others.map(boundsOf), page, 6 / sheet.surface.scale);
    this.guides = snapped.guides;
    return movedBy(drag.marks, snapped.x, snapped.y, selection.may);
  }

  private othersThan(marks: readonly Mark[]): Mark[] {
    const these = new Set(marks.map((m) => m.id));
    return this.sheet.sheets.visible(this.sheet.page).filter((m) => !these.has(m.id));
  }

  private snappedTurn(marks: readonly Mark[], degrees: number): number {
    const [only] = marks;
    if (marks.length !== 1) return snapTurn(degrees, 0, [], []);
    const others = this.othersThan(marks).flatMap(sideDirections);
    return snapTurn(degrees, only!.place.turn / 100, sideDirections(only!), others);
  }

  private factors({ fixed, frame, marks }: Extract<Drag, { kind: 'size' }>, point: Point): [number, number] {
    const [to, middle] = [point, middleOf(frame)].map((spot) => turned(spot, fixed, -frame.turn));
    const across = Math.max(0.02, (to!.x - fixed.x) / (middle!.x - fixed.x) / 2);
    const down = Math.max(0.02, (to!.y - fixed.y) / (middle!.y - fixed.y) / 2);
    const sound = (factor: number) => (Number.isFinite(factor) ? factor : 1);
    // Several together, or with Shift, keep their proportions.
    if (marks.length === 1 && !point.shift) return [sound(across), sound(down)];
    const both = Math.max(sound(across), sound(down));
    return [both, both];
  }

  private submit(): void {
    if (this.changes.length === 0) return;
    this.submittedAt = performance.now();
    this.gesture ||= this.sheet.newId();
    this.sheet.submit({ kind: 'makeChanges', changes: this.changes }, this.gesture);
  }

  private chooseIn(path: readonly Spot[], add: boolean): void {
    const { selection, sheet } = this;
    const [first, last] = [path[0]!, path.at(-1)!];
    const isTap = path.every((s) => Math.hypot(s.x - first.x, s.y - first.y) * sheet.surface.scale < TAP_PX);
    if (isTap && !add) return this.chooseToTalk(first);
    const area = this.byBox ? boxCorners(boxFrom(first, last)) : path;
    const inside = sheet.sheets.visible(sheet.page).filter((m) => {
      const box = boundsOf(m);
      return selection.mayChoose(m) && isInside({ x: box.x + box.width / 2, y: box.y + box.height / 2 }, area);
    });
    selection.choose(inside, add);
  }

  /** What somebody else wrote cannot be moved, but talked about. */
  private chooseToTalk(spot: Spot): void {
    const { selection, sheet } = this;
    const at = sheet.talks ? markAt(sheet.sheets.visible(sheet.page), spot.x, spot.y, REACH, isTalkedAbout) : null;
    selection.choose(at ? [at] : []);
  }

  private areMovable(marks: readonly Mark[]): boolean {
    return marks.length > 0 && marks.every((m) => this.selection.mayChoose(m));
  }

  /** A corner gives the corner opposite to it, which stays. */
  private handleAt(point: Spot, frame: Frame): 'turn' | { fixed: Spot; frame: Frame } | null {
    if (mayTurn(this.selection.marks) && this.isNear(turnHandle(frame, this.sheet.surface.scale), point)) return 'turn';
    const all = cornersOf(frame);
    const at = all.findIndex((corner) => this.isNear(corner, point));
    return at < 0 ? null : { fixed: all[(at + 2) % 4]!, frame };
  }

  private isNear(spot: Spot, point: Spot): boolean {
    return Math.hypot(spot.x - point.x, spot.y - point.y) * this.sheet.surface.scale < HANDLE_REACH_PX;
  }

  /** Where the tail of a bubble points that is chosen alone and may be changed. */
  private tip(marks: readonly Mark[]): Spot | null {
    const [mark] = marks;
    if (marks.length !== 1 || mark!.body.kind !== 'bubble' || !this.selection.may(mark!, Property.Body)) return null;
    const { tipX: x, tipY: y } = mark!.body;
    return onPage(mark!, { x, y });
  }

  private drawFrame(ctx: CanvasRenderingContext2D, marks: readonly Mark[], pixel: number): void {
    const frame = frameOf(marks);
    const all = cornersOf(frame);
    ctx.strokeStyle = ACCENT;
    ctx.lineWidth = 1.5 * pixel;
    ctx.setLineDash([6 * pixel, 4 * pixel]);
    ctx.beginPath();
    all.forEach((s, i) => (i === 0 ? ctx.moveTo(s.x, s.y) : ctx.lineTo(s.x, s.y)));
    ctx.closePath();
    ctx.stroke();
    ctx.setLineDash([]);
    if (!this.areMovable(marks)) return;
    const turn = mayTurn(marks) ? turnHandle(frame, 1 / pixel) : null;
    if (turn) {
      ctx.beginPath();
      ctx.moveTo((all[0]!.x + all[1]!.x) / 2, (all[0]!.y + all[1]!.y) / 2);
      ctx.lineTo(turn.x, turn.y);
      ctx.stroke();
    }
    for (const { x, y } of all) {
      ctx.fillStyle = '#ffffff';
      const r = HANDLE_PX * pixel;
      ctx.fillRect(x - r, y - r, 2 * r, 2 * r);
      ctx.strokeRect(x - r, y - r, 2 * r, 2 * r);
    }
    ctx.fillStyle = ACCENT;
    for (const spot of [turn, this.tip(marks)]) {
      if (!spot) continue;
      ctx.beginPath();
      ctx.arc(spot.x, spot.y, HANDLE_PX * pixel, 0, 2 * Math.PI);
      ctx.fill();
    }
  }

  private drawGuides(ctx: CanvasRenderingContext2D, pixel: number): void {
    const page = this.sheet.sheets.page(this.sheet.page)!;
    ctx.lineWidth = pixel;
    ctx.beginPath();
    if (this.guides.x !== null) {
      ctx.moveTo(this.guides.x, 0);
      ctx.lineTo(this.guides.x, page.size.height);
    }
    if (this.guides.y !== null) {
      ctx.moveTo(0, this.guides.y);
      ctx.lineTo(page.size.width, this.guides.y);
    }
    ctx.stroke();
  }

  private drawLasso(ctx: CanvasRenderingContext2D, path: readonly Spot[], pixel: number): void {
    ctx.lineWidth = 1.5 * pixel;
    ctx.setLineDash([5 * pixel, 4 * pixel]);
    ctx.beginPath();
    const line = this.byBox ? boxCorners(boxFrom(path[0]!, path.at(-1)!)) : path;
    line.forEach((s, i) => (i === 0 ? ctx.moveTo(s.x, s.y) : ctx.lineTo(s.x, s.y)));
    if (this.byBox) ctx.closePath();
    ctx.stroke();
    ctx.setLineDash([]);
  }
}

function isTalkedAbout(mark: Mark): boolean {
  return mark.grip !== Grip.Key;
}

function tipChanges(mark: Mark, point: Spot): Change[] {
  if (mark.body.kind !== 'bubble') return [];
  const { x, y } = offPage(mark, point);
  const value = { ...mark.body, tipX: Math.round(x), tipY: Math.round(y) };
  return [{ property: Property.Body, target: mark.id, value }];
}

/** Whether any of them can be turned: answer fields cannot. */
function mayTurn(marks: readonly Mark[]): boolean {
  return marks.some((m) => m.body.kind !== 'answerField');
}

function middleOf({ box }: Frame): Spot {
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

function cornersOf(frame: Frame): Spot[] {
  return boxCorners(frame.box).map((corner) => turned(corner, middleOf(frame), frame.turn));
}

function turnHandle(frame: Frame, scale: number): Spot {
  const above = { x: middleOf(frame).x, y: frame.box.y - TURN_HANDLE_PX / scale };
  return turned(above, middleOf(frame), frame.turn);
}

function angle(about: Spot, spot: Spot): number {
  return (Math.atan2(spot.y - about.y, spot.x - about.x) * 180) / Math.PI;
}

function boxFrom(a: Spot, b: Spot): Box {
  return { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), width: Math.abs(a.x - b.x), height: Math.abs(a.y - b.y) };
}
