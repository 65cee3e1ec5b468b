// Where a mark is: Core's MarkGeometry, held equal by golden vectors. Units 1/100 mm; the page's y points down.

import { type Body, type Mark, ShapeKind, type ShapeBody } from '../room/marks';

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

/** What says where a mark is. */
export type Placed = Pick<Mark, 'body' | 'place' | 'scale'>;

const ARC_STEPS = 24;
const boxes = new WeakMap<Body, Box>();

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

/** The box of a body as it was drawn, without the width of its lines. */
export function boxOf(body: Body): Box {
  const known = boxes.get(body);
  if (known) return known;
  const box = computeBox(body);
  boxes.set(body, box);
  return box;
}

function computeBox(body: Body): Box {
  if ('points' in body && body.kind !== 'ink') return boxRound(corners(body));
  if (body.kind !== 'ink') return body;
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < body.points.length; i += 4) {
    left = Math.min(left, body.points[i]!);
    right = Math.max(right, body.points[i]!);
    top = Math.min(top, body.points[i + 1]!);
    bottom = Math.max(bottom, body.points[i + 1]!);
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}

export function middleOf(body: Body): Spot {
  const box = boxOf(body);
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

export function corners(shape: Pick<ShapeBody, 'points'>): Spot[] {
  const spots: Spot[] = [];
  for (let i = 0; i + 1 < shape.points.length; i += 2) spots.push({ x: shape.points[i]!, y: shape.points[i + 1]! });
  return spots;
}

/** The points of a body that tell how far it reaches: more than its corners where it is round. */
function outlineSpots(body: Body): Spot[] {
  const isRound = body.kind === 'ink' || !('shape' in body) || body.shape === ShapeKind.Ellipse;
  if (!isRound && body.shape !== ShapeKind.Arc) return corners(body);
  if (body.kind === 'shape' && body.shape === ShapeKind.Arc) return arcSpots(corners(body));
  const box = boxOf(body);
  return boxCorners(box);
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

/** Where a place of the body as drawn is on the page. */
export function onPage(mark: Placed, drawn: Spot): Spot {
  const middle = middleOf(mark.body);
  const scaled = scaledAbout(drawn, middle, mark);
  const spot = turned(scaled, middle, mark.place.turn / 100);
  return { x: spot.x + mark.place.x, y: spot.y + mark.place.y };
}

/** Where a place on the page was on the body, scaled but neither turned nor moved: for hits. */
export function offPage(mark: Placed, spot: Spot): Spot {
  const back = { x: spot.x - mark.place.x, y: spot.y - mark.place.y };
  return turned(back, middleOf(mark.body), -mark.place.turn / 100);
}

export function scaledAbout(spot: Spot, middle: Spot, { scale }: Pick<Mark, 'scale'>): Spot {
  if (!scale) return spot;
  return {
    x: middle.x + ((spot.x - middle.x) * scale.x) / 1000,
    y: middle.y + ((spot.y - middle.y) * scale.y) / 1000,
  };
}

/** The upright box that a mark takes on the page, without the width of its lines. */
export function boundsOf(mark: Placed): Box {
  let box = placedBoxes.get(mark);
  if (!box) placedBoxes.set(mark, (box = boxRound(outlineSpots(mark.body).map((spot) => onPage(mark, spot)))));
  return box;
}

// Marks are never changed in place.
const placedBoxes = new WeakMap<Placed, Box>();

/** The box of several marks together. */
export function boundsOfAll(marks: readonly Placed[]): Box {
  return boxRound(marks.flatMap((mark) => boxCorners(boundsOf(mark))));
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
