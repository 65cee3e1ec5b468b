// Whose is whose on a page: a ring and initials round what somebody put there, in a colour of theirs.

import type { Mark } from '../room/marks';
import { bounds } from './hit';
import { FONT } from './type';

/** How somebody is told from the others. */
export interface Owner {
  readonly colour: string;
  readonly initials: string;
}

const LINE_PX = 2.5;
const AROUND_PX = 4;
const INITIALS_PX = 12;
/** Of more, initials would cover what they are of. */
const MOST_INITIALS = 300;

export function drawOwners(
  ctx: CanvasRenderingContext2D,
  marks: readonly Mark[],
  owners: ReadonlyMap<number, Owner>,
  pixel: number,
): void {
  const owned = marks.filter((m) => !m.byStaff && owners.has(m.author));
  for (const [number, { colour }] of owners)
    drawRings(
      ctx,
      owned.filter((m) => m.author === number),
      colour,
      [],
      pixel,
    );
  if (owned.length > MOST_INITIALS) return;
  ctx.font = `bold ${INITIALS_PX * pixel}px ${FONT}`;
  ctx.textBaseline = 'middle';
  ctx.textAlign = 'left';
  for (const mark of owned) {
    const { colour, initials } = owners.get(mark.author)!;
    const box = bounds(mark);
    const width = ctx.measureText(initials).width + 6 * pixel;
    const [x, y] = [box.x - AROUND_PX * pixel, box.y - (AROUND_PX + INITIALS_PX) * pixel];
    ctx.fillStyle = colour;
    ctx.fillRect(x, y, width, (INITIALS_PX + 3) * pixel);
    ctx.fillStyle = '#ffffff';
    ctx.fillText(initials, x + 3 * pixel, y + (INITIALS_PX / 2 + 2) * pixel);
  }
}

export function drawRings(
  ctx: CanvasRenderingContext2D,
  marks: readonly Mark[],
  colour: string,
  dash: number[],
  pixel: number,
): void {
  ctx.strokeStyle = colour;
  ctx.lineWidth = LINE_PX * pixel;
  ctx.setLineDash(dash.map((n) => n * pixel));
  const around = AROUND_PX * pixel;
  for (const mark of marks) {
    const box = bounds(mark);
    ctx.strokeRect(box.x - around, box.y - around, box.width + 2 * around, box.height + 2 * around);
  }
  ctx.setLineDash([]);
}
