// Places, boxes, arcs: units 1/100 mm, angles in degrees where nothing else is said; the page's y points down.

import type { Mark, ShapeBody } from '../room/marks';

export interface Spot {
  readonly x: number;
  readonly y: number;
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const ARC_STEPS = 24;

export function boxRound(spots: readonly Spot[]): Box {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of spots) {
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}

export function centreOf(box: Box): Spot {
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

export function corners(shape: Pick<ShapeBody, 'points'>): Spot[] {
  const spots: Spot[] = [];
  for (let i = 0; i + 1 < shape.points.length; i += 2) spots.push({ x: shape.points[i]!, y: shape.points[i + 1]! });
  return spots;
}

export function boxCorners(box: Box): Spot[] {
  const { x, y, width, height } = box;
  return [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ];
}

export function turned(spot: Spot, about: Spot, degrees: number): Spot {
  const angle = (degrees * Math.PI) / 180;
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const [x, y] = [spot.x - about.x, spot.y - about.y];
  return { x: about.x + x * cos - y * sin, y: about.y + x * sin + y * cos };
}

export function scaledAbout(spot: Spot, middle: Spot, { scale }: Pick<Mark, 'scale'>): Spot {
  if (!scale) return spot;
  return {
    x: middle.x + ((spot.x - middle.x) * scale.x) / 1000,
    y: middle.y + ((spot.y - middle.y) * scale.y) / 1000,
  };
}

export interface ArcCircle {
  readonly middle: Spot;
  readonly radius: number;
  /** Radians, clockwise on the page. */
  readonly start: number;
  readonly sweep: number;
}

/** The circle through three places, and the part from the first over the second to the third; null if they lie in a row. */
export function arcThrough(from: Spot, over: Spot, to: Spot): ArcCircle | null {
  const d = 2 * (from.x * (over.y - to.y) + over.x * (to.y - from.y) + to.x * (from.y - over.y));
  if (Math.abs(d) < 1e-9) return null;
  const square = (s: Spot) => s.x * s.x + s.y * s.y;
  const [f, o, t] = [square(from), square(over), square(to)];
  const middle = {
    x: (f * (over.y - to.y) + o * (to.y - from.y) + t * (from.y - over.y)) / d,
    y: (f * (to.x - over.x) + o * (from.x - to.x) + t * (over.x - from.x)) / d,
  };
  const angle = (s: Spot) => Math.atan2(s.y - middle.y, s.x - middle.x);
  const forward = (a: number, b: number) => (b < a ? b - a + 2 * Math.PI : b - a);
  const start = angle(from);
  const end = forward(start, angle(to));
  const sweep = forward(start, angle(over)) <= end ? end : end - 2 * Math.PI;
  return { middle, radius: Math.hypot(from.x - middle.x, from.y - middle.y), start, sweep };
}

/** Places along an arc, close together. */
export function arcSpots([from, over, to]: readonly Spot[]): Spot[] {
  const circle = arcThrough(from!, over!, to!);
  if (!circle) return [from!, over!, to!];
  return Array.from({ length: ARC_STEPS + 1 }, (_, i) => {
    const angle = circle.start + (circle.sweep * i) / ARC_STEPS;
    return {
      x: circle.middle.x + circle.radius * Math.cos(angle),
      y: circle.middle.y + circle.radius * Math.sin(angle),
    };
  });
}

/** Distance from a place to a line between two others. */
export function distanceToLine(spot: Spot, a: Spot, b: Spot): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const square = dx * dx + dy * dy;
  const t = square === 0 ? 0 : Math.max(0, Math.min(1, ((spot.x - a.x) * dx + (spot.y - a.y) * dy) / square));
  return Math.hypot(spot.x - a.x - t * dx, spot.y - a.y - t * dy);
}

/** Whether a place is inside a polygon (even-odd rule). */
export function isInside(spot: Spot, polygon: readonly Spot[]): boolean {
  let inside = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [a, b] = [polygon[i]!, polygon[j]!];
    if (a.y > spot.y !== b.y > spot.y && spot.x < ((b.x - a.x) * (spot.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}
