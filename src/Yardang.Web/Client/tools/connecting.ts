// Connectors: drawn from one mark to another.

import { hangs } from '../kinds';
import { Looks, type Mark } from '../room/marks';
import { drawShape } from '../shapes/draw-shape';
import { between } from '../shapes/connectors';
import { boundsOf } from '../shapes/placed';
import { markAt } from '../surface/hit';
import { inkColour } from '../surface/palette';
import type { Point, Tool } from '../surface/page-surface';
import type { SheetContext } from './sheet-context';

const REACH = 300;
const LINE = 1;

export class Connecting implements Tool {
  readonly cursor = 'crosshair';
  private from: Mark | null = null;
  private to: Point | null = null;

  constructor(private readonly sheet: SheetContext) {}

  down(point: Point): void {
    if (this.sheet.mayWrite()) this.from = this.markAt(point);
  }

  move(points: Point[]): void {
    this.to = points.at(-1)!;
    this.sheet.surface.invalidateDrawing();
  }

  up(): void {
    const target = this.to && this.markAt(this.to);
    if (this.from && target) connect(this.sheet, this.from, target);
    this.cancel();
  }

  cancel(): void {
    this.from = this.to = null;
    this.sheet.surface.invalidateDrawing();
  }

  draw(ctx: CanvasRenderingContext2D): void {
    const { from, to, sheet } = this;
    if (!from || !to) return;
    const target = this.markAt(to);
    const end = target && target.id !== from.id ? boundsOf(target) : { x: to.x, y: to.y, width: 0, height: 0 };
    const style = { colour: 0, width: sheet.outline.width, fill: 0, looks: Looks.ArrowAtEnd };
    const line = inkColour(sheet.ink.colour, sheet.me.isStaff);
    const points = between(boundsOf(from), end);
    drawShape(ctx, { shape: LINE, points }, { style, scale: null }, { line, fill: null });
  }

  private markAt({ x, y }: Point): Mark | null {
    const marks = this.sheet.sheets.visible(this.sheet.page);
    return markAt(marks, x, y, REACH, (m) => !hangs(m.body));
  }
}

/** Puts a connector between two marks. */
export function connect(sheet: SheetContext, from: Mark, to: Mark): void {
  if (from.id === to.id || !sheet.mayWrite()) return;
  const id = sheet.newId();
  const points = between(boundsOf(from), boundsOf(to));
  const body = { kind: 'connector' as const, from: from.id, to: to.id, points, label: null };
  const style = { colour: sheet.ink.colour, width: sheet.outline.width, fill: 0, looks: Looks.ArrowAtEnd };
  sheet.submit({ kind: 'addMark', id, page: sheet.page, grip: sheet.grip, body, style, for: 0 }, id);
}
