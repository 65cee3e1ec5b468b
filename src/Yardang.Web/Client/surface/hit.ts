// Which mark is under a finger.

import { remaining } from '../ink/stroke';
import { type ConnectorBody, type Mark, ShapeKind, type ShapeBody, type ZoneBody } from '../room/marks';
import {
  type Box,
  type Spot,
  arcSpots,
  boundsOf,
  boxOf,
  boxRound,
  corners,
  distanceToLine,
  isInside,
  middleOf,
  offPage,
  scaledAbout,
} from '../shapes/geometry';
import { asLooked } from './draw';

/** How far down from the top of a zone its name reaches. */
const NAME_HEIGHT = 1100;

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
  if (body.kind === 'shape' || body.kind === 'zone') return isAtShape(mark, body, local, limit);
  if (body.kind === 'connector') return isNearPath(corners(body), local, limit) || isAtLabel(body, spot);
  const own = boxOf(body);
  return (
    local.x >= own.x - reach &&
    local.y >= own.y - reach &&
    local.x <= own.x + own.width + reach &&
    local.y <= own.y + own.height + reach
  );
}

// A shape without filling is only its line: what it rings stays within reach.
function isAtShape(mark: Mark, body: ShapeBody | ZoneBody, local: Spot, limit: number): boolean {
  const { shape } = body;
  const middle = middleOf(body);
  const p = corners(body).map((c) => scaledAbout(c, middle, mark));
  // A zone is gripped by its edge or by its name: what lies in it stays within reach.
  const isFilled = body.kind === 'shape' && mark.style.fill > 0;
  if (body.kind === 'zone' && isAtZoneName(local, boxRound(p))) return true;
  if (shape === ShapeKind.Arc) return isNearPath(arcSpots(p), local, limit);
  if (shape === ShapeKind.Ellipse) {
    const round = ellipseSpots(p);
    return isNearPath([...round, round[0]!], local, limit) || (isFilled && isInside(local, round));
  }
  const path = shape === ShapeKind.Polygon ? [...p, p[0]!] : p;
  return isNearPath(path, local, limit) || (shape === ShapeKind.Polygon && isFilled && isInside(local, p));
}

function isAtZoneName(spot: Spot, box: Box): boolean {
  const isAcross = Math.abs(spot.x - box.x - box.width / 2) < box.width / 2;
  return isAcross && spot.y > box.y && spot.y < box.y + NAME_HEIGHT;
}

function isAtLabel({ label, points }: ConnectorBody, spot: Spot): boolean {
  if (!label) return false;
  const middle = { x: (points[0]! + points[2]!) / 2, y: (points[1]! + points[3]!) / 2 };
  return Math.hypot(spot.x - middle.x, spot.y - middle.y) < label.size * 1.5;
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
