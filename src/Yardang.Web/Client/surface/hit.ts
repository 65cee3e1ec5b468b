// Which mark is under a finger.

import { remaining } from '../ink/stroke';
import { type Mark, Shape } from '../room/marks';
import {
  type Box,
  type Spot,
  arcSpots,
  boundsOf,
  boxOf,
  corners,
  distanceToLine,
  isInside,
  middleOf,
  offPage,
  scaledAbout,
} from '../shapes/geometry';
import { asLooked } from './draw';

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
  const limit = reach + mark.style.width;
  if (body.kind === 'ink')
    return remaining(body.points, mark.cuts).some((part) => isNearPath(inkSpots(asLooked(part, mark)), local, limit));
  if (body.kind === 'shape') return isAtShape(mark, local, limit);
  const own = boxOf(body);
  return (
    local.x >= own.x - reach &&
    local.y >= own.y - reach &&
    local.x <= own.x + own.width + reach &&
    local.y <= own.y + own.height + reach
  );
}

// A shape without filling is only its line: what it rings stays within reach.
function isAtShape(mark: Mark, local: Spot, limit: number): boolean {
  if (mark.body.kind !== 'shape') return false;
  const { shape } = mark.body;
  const middle = middleOf(mark.body);
  const p = corners(mark.body).map((c) => scaledAbout(c, middle, mark));
  if (shape === Shape.Arc) return isNearPath(arcSpots(p), local, limit);
  if (shape === Shape.Ellipse) {
    const round = ellipseSpots(p);
    return isNearPath([...round, round[0]!], local, limit) || (mark.style.fill > 0 && isInside(local, round));
  }
  const path = shape === Shape.Polygon ? [...p, p[0]!] : p;
  return isNearPath(path, local, limit) || (shape === Shape.Polygon && mark.style.fill > 0 && isInside(local, p));
}

function ellipseSpots([a, b]: readonly Spot[]): Spot[] {
  const steps = 48;
  return Array.from({ length: steps }, (_, i) => ({
    x: (a!.x + b!.x) / 2 + (Math.abs(b!.x - a!.x) / 2) * Math.cos((2 * Math.PI * i) / steps),
    y: (a!.y + b!.y) / 2 + (Math.abs(b!.y - a!.y) / 2) * Math.sin((2 * Math.PI * i) / steps),
  }));
}

function inkSpots(points: readonly number[]): Spot[] {
  const spots: Spot[] = [];
  for (let i = 0; i < points.length; i += 4) spots.push({ x: points[i]!, y: points[i + 1]! });
  return spots;
}

function isNearPath(path: readonly Spot[], spot: Spot, limit: number): boolean {
  if (path.length === 1) return Math.hypot(spot.x - path[0]!.x, spot.y - path[0]!.y) <= limit;
  for (let i = 1; i < path.length; i++) if (distanceToLine(spot, path[i - 1]!, path[i]!) <= limit) return true;
  return false;
}
