// Lengths, angles, perimeter, area and the name of a shape: Core's ShapeMeasures and Figures, held equal by golden vectors.

import { type Scale, ShapeKind, type ShapeBody } from '../room/marks';
import { type Spot, arcThrough, corners } from './geometry';

/** mm, square mm, degrees. */
export interface Measures {
  readonly sides: number[];
  readonly angles: number[];
  readonly perimeter: number;
  readonly area: number;
}

export type Figure =
  | 'Line'
  | 'Polyline'
  | 'ScaleneTriangle'
  | 'IsoscelesTriangle'
  | 'EquilateralTriangle'
  | 'RightTriangle'
  | 'Square'
  | 'Rectangle'
  | 'Rhombus'
  | 'Parallelogram'
  | 'Trapezium'
  | 'Kite'
  | 'Quadrilateral'
  | 'RegularPolygon'
  | 'Polygon'
  | 'Circle'
  | 'Ellipse'
  | 'Arc';

const LENGTH_SLACK = 0.01;
const ANGLE_SLACK = 1;

export function measure(shape: ShapeBody, scale: Scale | null): Measures {
  const [sx, sy] = [(scale?.x ?? 1000) / 100_000, (scale?.y ?? 1000) / 100_000];
  const p = corners(shape).map(({ x, y }) => ({ x: x * sx, y: y * sy }));
  switch (shape.shape) {
    case ShapeKind.Line:
      return ofPath(p, false);
    case ShapeKind.Polygon:
      return ofPath(p, true);
    case ShapeKind.Ellipse:
      return ofEllipse(Math.abs(p[1]!.x - p[0]!.x) / 2, Math.abs(p[1]!.y - p[0]!.y) / 2);
    case ShapeKind.Arc:
      return ofArc(p);
  }
}

export function figureOf(shape: ShapeBody, scale: Scale | null): Figure {
  if (shape.shape === ShapeKind.Line) return shape.points.length === 4 ? 'Line' : 'Polyline';
  if (shape.shape === ShapeKind.Arc) return 'Arc';
  if (shape.shape === ShapeKind.Ellipse) {
    const [x0, y0, x1, y1] = shape.points as [number, number, number, number];
    return same(Math.abs(x1 - x0) * (scale?.x ?? 1000), Math.abs(y1 - y0) * (scale?.y ?? 1000)) ? 'Circle' : 'Ellipse';
  }
  const m = measure(shape, scale);
  if (m.sides.length === 3) return triangle(m);
  if (m.sides.length === 4) return quadrilateral(m);
  return allSame(m.sides) && m.angles.every((a) => near(a, m.angles[0]!)) ? 'RegularPolygon' : 'Polygon';
}

function triangle({ sides, angles }: Measures): Figure {
  const equal = [0, 1, 2].filter((i) => same(sides[i]!, sides[(i + 1) % 3]!)).length;
  if (equal === 3) return 'EquilateralTriangle';
  if (equal > 0) return 'IsoscelesTriangle';
  return angles.some((a) => near(a, 90)) ? 'RightTriangle' : 'ScaleneTriangle';
}

function quadrilateral({ sides, angles }: Measures): Figure {
  if (angles.every((a) => near(a, 90))) return allSame(sides) ? 'Square' : 'Rectangle';
  if (allSame(sides)) return 'Rhombus';
  const first = near(angles[0]! + angles[1]!, 180);
  const second = near(angles[1]! + angles[2]!, 180);
  if (first && second) return 'Parallelogram';
  if (first || second) return 'Trapezium';
  const pairs = (i: number) => same(sides[i]!, sides[i + 1]!) && same(sides[i + 2]!, sides[(i + 3) % 4]!);
  return pairs(0) || pairs(1) ? 'Kite' : 'Quadrilateral';
}

function ofPath(p: readonly Spot[], closed: boolean): Measures {
  const n = p.length;
  const at = (i: number) => p[(i + n) % n]!;
  const sides = Array.from({ length: closed ? n : n - 1 }, (_, i) =>
    Math.hypot(at(i + 1).x - at(i).x, at(i + 1).y - at(i).y),
  );
  let doubled = 0;
  if (closed) for (let i = 0; i < n; i++) doubled += at(i).x * at(i + 1).y - at(i + 1).x * at(i).y;
  const angles = [];
  for (let i = closed ? 0 : 1; i < (closed ? n : n - 1); i++)
    angles.push(angle(at(i - 1), at(i), at(i + 1), closed ? Math.sign(doubled) : 0));
  return { sides, angles, perimeter: sides.reduce((a, b) => a + b, 0), area: Math.abs(doubled) / 2 };
}

function ofEllipse(a: number, b: number): Measures {
  if (a + b === 0) return { sides: [], angles: [], perimeter: 0, area: 0 };
  const h = ((a - b) * (a - b)) / ((a + b) * (a + b));
  const perimeter = Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
  return { sides: [], angles: [], perimeter, area: Math.PI * a * b };
}

function ofArc([from, over, to]: readonly Spot[]): Measures {
  const circle = arcThrough(from!, over!, to!);
  const length = circle
    ? circle.radius * Math.abs(circle.sweep)
    : Math.hypot(over!.x - from!.x, over!.y - from!.y) + Math.hypot(to!.x - over!.x, to!.y - over!.y);
  return { sides: [], angles: [], perimeter: length, area: 0 };
}

function angle(before: Spot, at: Spot, after: Spot, direction: number): number {
  const [ax, ay, bx, by] = [before.x - at.x, before.y - at.y, after.x - at.x, after.y - at.y];
  const degrees = (Math.atan2(bx * ay - by * ax, ax * bx + ay * by) * 180) / Math.PI;
  if (direction === 0) return Math.abs(degrees);
  return degrees * direction < 0 ? degrees * direction + 360 : degrees * direction;
}

function allSame(lengths: readonly number[]): boolean {
  return lengths.every((l) => same(l, lengths[0]!));
}

function same(a: number, b: number): boolean {
  return Math.abs(a - b) <= LENGTH_SLACK * Math.max(a, b);
}

function near(a: number, b: number): boolean {
  return Math.abs(a - b) <= ANGLE_SLACK;
}
