// Which mark is under a finger.

import { kindOf } from '../kinds';
import type { Mark } from '../room/marks';
import type { Box, Spot } from '../shapes/geometry';
import { boundsOf, boxOf, offPage } from '../shapes/placed';

/** The upright box that a mark takes on the page, 1/100 mm, with the width of its lines. */
export function bounds(mark: Mark): Box {
  const box = boundsOf(mark);
  const r = mark.style.width;
  return { x: box.x - r, y: box.y - r, width: box.width + 2 * r, height: box.height + 2 * r };
}

/** The mark in front at a point, as far as somebody may pick it. */
export function markAt(
  marks: readonly Mark[],
  x: number,
  y: number,
  reach: number,
  may: (m: Mark) => boolean,
): Mark | null {
  for (let i = marks.length - 1; i >= 0; i--) if (may(marks[i]!) && isAt(marks[i]!, { x, y }, reach)) return marks[i]!;
  return null;
}

export function isAt(mark: Mark, spot: Spot, reach: number): boolean {
  const box = bounds(mark);
  if (spot.x < box.x - reach || spot.y < box.y - reach) return false;
  if (spot.x > box.x + box.width + reach || spot.y > box.y + box.height + reach) return false;
  const { body } = mark;
  const local = offPage(mark, spot);
  const kind = kindOf(body);
  if (kind.isAt) return kind.isAt(mark, body, local, reach + mark.style.width);
  const own = boxOf(body);
  return (
    local.x >= own.x - reach &&
    local.y >= own.y - reach &&
    local.x <= own.x + own.width + reach &&
    local.y <= own.y + own.height + reach
  );
}
