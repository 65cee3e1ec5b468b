// Points at something: a trail that everybody who looks can see, and that is gone in a moment. It marks nothing.

import { PRINT, TEACHER_INK } from '../surface/palette';
import type { Point, Tool } from '../surface/page-surface';
import { POINT } from '../surface/pointers';
import type { SheetContext } from './sheet-context';

const SEND_EVERY_MS = 40;

export class Pointing implements Tool {
  readonly cursor = 'pointer';
  private pointing = false;
  private sentAt = 0;

  constructor(private readonly sheet: SheetContext) {}

  down(point: Point): void {
    this.pointing = true;
    this.show(point);
  }

  move(points: Point[]): void {
    if (this.pointing) for (const point of points) this.show(point);
  }

  up(): void {
    this.pointing = false;
  }

  cancel(): void {
    this.pointing = false;
  }

  private show({ x, y }: Point): void {
    const { sheet } = this;
    sheet.pointers.point(sheet.me.number, sheet.me.isStaff ? TEACHER_INK : PRINT, x, y);
    sheet.surface.invalidateDrawing();
    const now = performance.now();
    if (now - this.sentAt < SEND_EVERY_MS) return;
    this.sentAt = now;
    sheet.preview([POINT, sheet.page, Math.round(x), Math.round(y)]);
  }
}
