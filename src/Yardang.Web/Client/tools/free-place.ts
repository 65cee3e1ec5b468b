// Where something new goes without a place being chosen for it: in sight, as near to the middle as it covers nothing.

import { hangs } from '../kinds';
import type { Sheets } from '../room/sheets';
import type { Box, Spot } from '../shapes/geometry';
import { boundsOf } from '../shapes/placed';
import type { PageSurface } from '../surface/page-surface';
import { freeSpot } from './free-spot';

type Size = Pick<Box, 'width' | 'height'>;

/** The top left corner of something of this size; on a page that is not in sight, anywhere on it. */
export function freePlace(
  { surface, sheets, page: inSight }: { surface: PageSurface; sheets: Sheets; page: number },
  size: Size,
  page = inSight,
): Spot {
  const whole = { x: 0, y: 0, ...sheets.page(page)!.size };
  const taken = sheets.visible(page).filter(({ body }) => body.kind !== 'zone' && !hangs(body));
  const { x, y } = freeSpot(page === inSight ? surface.inSight() : whole, size, taken.map(boundsOf));
  return { x: stay(x, size.width, whole.width), y: stay(y, size.height, whole.height) };
}

/** So far from the beginning that nothing of it is beyond the end, if there is room for it at all. */
export function stay(from: number, size: number, room: number): number {
  return Math.max(0, Math.min(from, room - size));
}
