// Moves a mark that one may move.

import { type Mark, Property } from '../room/marks';
import { markAt } from '../surface/draw';
import type { Point, Tool } from '../surface/page-surface';
import type { SheetContext } from './sheet-context';

const REACH = 250;
const SUBMIT_EVERY_MS = 60;

export class Mover implements Tool {
  readonly cursor = 'grab';
  private mark: Mark | null = null;
  private from: Point | null = null;
  private gesture = 0;
  private submittedAt = 0;
  private last: Point | null = null;

  constructor(
    private readonly sheet: SheetContext,
    private readonly choose: (id: number | null) => void,
  ) {}

  down(point: Point): void {
    const { sheet } = this;
    this.mark = markAt(sheet.sheets.visible(sheet.page), point.x, point.y, REACH, (m) =>
      sheet.sheets.mayChange(sheet.me, { target: m.id, property: Property.Place }),
    );
    this.choose(this.mark?.id ?? null);
    if (!this.mark || !sheet.mayWrite()) {
      this.mark = null;
      return;
    }
    this.from = this.last = point;
    this.gesture = 0;
  }

  move(points: Point[]): void {
    this.last = points.at(-1)!;
    const now = performance.now();
    if (this.mark && now - this.submittedAt > SUBMIT_EVERY_MS) {
      this.submittedAt = now;
      this.submit();
    }
  }

  up(): void {
    this.submit();
    this.mark = null;
  }

  cancel(): void {
    this.mark = null;
  }

  private submit(): void {
    if (!this.mark || !this.from || !this.last) return;
    const { place, id } = this.mark;
    const x = Math.round(place.x + this.last.x - this.from.x);
    const y = Math.round(place.y + this.last.y - this.from.y);
    const now = this.sheet.sheets.mark(id)?.place;
    if (!now || (now.x === x && now.y === y)) return;
    this.gesture ||= this.sheet.newId();
    const value = { ...place, x, y };
    this.sheet.submit(
      { kind: 'makeChanges', changes: [{ property: Property.Place, target: id, value }] },
      this.gesture,
    );
  }
}
