// The eraser: rubs out parts of my own ink, or whole marks of mine. Others' marks and printed ones do not notice.

import { underEraser, union } from '../ink/stroke';
import { type Mark, Property } from '../room/marks';
import { middleOf, offPage } from '../shapes/placed';
import { bounds, markAt } from '../surface/hit';
import type { Point, Tool } from '../surface/page-surface';
import type { SheetContext } from './sheet-context';

const RADIUS = 350;

export class Eraser implements Tool {
  readonly cursor = 'cell';
  whole = false;
  private gesture = 0;
  private last: Point | null = null;

  constructor(private readonly sheet: SheetContext) {}

  down(point: Point): void {
    if (!this.sheet.mayWrite()) return;
    this.gesture = 0;
    this.last = point;
    this.rub([point]);
  }

  move(points: Point[]): void {
    if (this.last) this.rub(points);
  }

  up(): void {
    this.last = null;
  }

  cancel(): void {
    this.last = null;
  }

  private rub(points: Point[]): void {
    const path = points.flatMap((p) => this.stepsTo(p));
    const { sheet } = this;
    const mine = sheet.sheets
      .visible(sheet.page)
      .filter((m) => sheet.sheets.mayChange(sheet.me, { target: m.id, property: Property.Erased }));
    const changes = this.whole ? this.wholeMarks(mine, path) : this.parts(mine, path);
    if (changes.length === 0) return;
    this.gesture ||= sheet.newId();
    sheet.submit({ kind: 'makeChanges', changes }, this.gesture);
  }

  private wholeMarks(mine: readonly Mark[], path: Spot[]) {
    const hit = new Set<number>();
    for (const { x, y } of path) {
      const mark = markAt(mine, x, y, RADIUS, (m) => !hit.has(m.id));
      if (mark) hit.add(mark.id);
    }
    return [...hit].map((target) => ({ property: Property.Erased, target, value: true }));
  }

  private parts(mine: readonly Mark[], path: Spot[]) {
    const changes = [];
    for (const mark of mine) {
      if (mark.body.kind !== 'ink') continue;
      const box = bounds(mark);
      let cuts: number[] = [];
      for (const { x, y } of path) {
        const outside =
          x < box.x - RADIUS || y < box.y - RADIUS || x > box.x + box.width + RADIUS || y > box.y + box.height + RADIUS;
        if (!outside) cuts = union(cuts, this.cutsAt(mark, mark.body.points, x, y));
      }
      const already = union(mark.cuts, []);
      if (cuts.length > 0 && union(already, cuts).join() !== already.join())
        changes.push({ property: Property.Cuts, target: mark.id, value: cuts });
    }
    return changes;
  }

  // Cuts are lengths along the stroke as it was drawn, so the eraser goes back to where that was.
  private cutsAt(mark: Mark, points: readonly number[], x: number, y: number): number[] {
    const spot = unscaled(mark, offPage(mark, { x, y }));
    const factor = mark.scale ? (mark.scale.x + mark.scale.y) / 2000 : 1;
    return underEraser(points, spot.x, spot.y, RADIUS / factor);
  }

  // Close enough together that nothing between two pointer positions is jumped over.
  private stepsTo(point: Point): Spot[] {
    const from = this.last!;
    this.last = point;
    const steps = Math.max(1, Math.ceil(Math.hypot(point.x - from.x, point.y - from.y) / (RADIUS / 2)));
    return Array.from({ length: steps }, (_, i) => ({
      x: from.x + ((point.x - from.x) * (i + 1)) / steps,
      y: from.y + ((point.y - from.y) * (i + 1)) / steps,
    }));
  }
}

function unscaled(mark: Mark, spot: Spot): Spot {
  if (!mark.scale) return spot;
  const middle = middleOf(mark.body);
  return {
    x: middle.x + ((spot.x - middle.x) * 1000) / mark.scale.x,
    y: middle.y + ((spot.y - middle.y) * 1000) / mark.scale.y,
  };
}

interface Spot {
  readonly x: number;
  readonly y: number;
}
