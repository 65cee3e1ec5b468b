// Stamps: one tap each.

import type { Point, Tool } from '../surface/page-surface';
import { STAMPS } from '../shapes/stamps';
import { freePlace } from './free-place';
import type { SheetContext } from './sheet-context';

/** Side of a new stamp, 1/100 mm. */
const SIDE = 1800;

export class Stamper implements Tool {
  readonly cursor = 'copy';
  stamp = STAMPS[0]!.name;
  private at: Point | null = null;

  constructor(private readonly sheet: SheetContext) {}

  down(point: Point): void {
    this.at = point;
  }

  move(): void {}

  cancel(): void {
    this.at = null;
  }

  up(): void {
    if (this.at) this.put(this.at.x, this.at.y);
    this.at = null;
  }

  /** Without a place, where there is room in sight. */
  put(x?: number, y?: number): void {
    const { sheet } = this;
    if (!sheet.mayWrite()) return;
    const free = freePlace(sheet, { width: SIDE, height: SIDE });
    const id = sheet.newId();
    const body = {
      kind: 'stamp' as const,
      x: x === undefined ? free.x : Math.round(x - SIDE / 2),
      y: y === undefined ? free.y : Math.round(y - SIDE / 2),
      width: SIDE,
      height: SIDE,
      stamp: this.stamp,
    };
    const style = { colour: sheet.ink.colour, width: 0, fill: 0, looks: 0 };
    sheet.submit({ kind: 'addMark', id, page: sheet.page, grip: sheet.grip, body, style, for: 0 }, id);
  }
}
