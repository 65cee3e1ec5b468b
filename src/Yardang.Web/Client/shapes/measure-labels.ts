// The measures that a shape shows, and where: Core's MeasureLabels, held equal by golden vectors.

import { Looks, type Scale, ShapeKind, type ShapeBody } from '../room/marks';
import { type Spot, corners, scaledAbout } from './geometry';
import { middleOf } from './placed';
import { measure } from './measures';

export interface MeasureLabel {
  readonly x: number;
  readonly y: number;
  readonly text: string;
}

/** Height of the type, 1/100 mm. */
export const MEASURE_SIZE = 380;

/** Room that a label takes beside a line: a gap, and half its width or height. */
const GAP = 130;
const HALF_WIDTH = 560;
const HALF_HEIGHT = 190;
const FROM_CORNER = 800;
const LINE_STEP = 480;
const MM_PER_INCH = 25.4;
const MM_PER_CM = 10;
const ANY = Looks.ShowsSides | Looks.ShowsAngles | Looks.ShowsPerimeter | Looks.ShowsArea;

/** @param unit 0 for centimetres, 1 for inches. */
export function measureLabels(shape: ShapeBody, scale: Scale | null, looks: number, unit: number): MeasureLabel[] {
  if ((looks & ANY) === 0) return [];
  const labels: MeasureLabel[] = [];
  const measures = measure(shape, scale);
  const middle = middleOf(shape);
  const p = corners(shape).map((c) => scaledAbout(c, middle, { scale }));
  const centre = { x: average(p.map((s) => s.x)), y: average(p.map((s) => s.y)) };
  if (looks & Looks.ShowsSides)
    measures.sides.forEach((side, i) =>
      labels.push(besideSide(p[i]!, p[(i + 1) % p.length]!, centre, length(side, unit))),
    );
  if (looks & Looks.ShowsAngles)
    measures.angles.forEach((degrees, i) =>
      labels.push(inCorner(p, shape.shape === ShapeKind.Polygon ? i : i + 1, degrees)),
    );
  const lines = [];
  if (looks & Looks.ShowsPerimeter) lines.push(`P ${length(measures.perimeter, unit)}`);
  if (looks & Looks.ShowsArea && measures.area > 0) lines.push(`A ${area(measures.area, unit)}`);
  lines.forEach((text, i) =>
    labels.push({ x: middle.x, y: middle.y + (i - (lines.length - 1) / 2) * LINE_STEP, text }),
  );
  return labels;
}

function besideSide(a: Spot, b: Spot, centre: Spot, text: string): MeasureLabel {
  const [x, y, dx, dy] = [(a.x + b.x) / 2, (a.y + b.y) / 2, b.x - a.x, b.y - a.y];
  const long = Math.max(1e-9, Math.hypot(dx, dy));
  const [nx, ny] = [-dy / long, dx / long];
  const outwards = (x - centre.x) * nx + (y - centre.y) * ny < 0 ? -1 : 1;
  const far = outwards * (GAP + HALF_WIDTH * Math.abs(nx) + HALF_HEIGHT * Math.abs(ny));
  return { x: x + nx * far, y: y + ny * far, text };
}

// Along the line that halves the angle; on the other side where the corner points inwards.
function inCorner(p: readonly Spot[], at: number, degrees: number): MeasureLabel {
  const n = p.length;
  const corner = p[at]!;
  const before = unitVector(corner, p[(at + n - 1) % n]!);
  const after = unitVector(corner, p[(at + 1) % n]!);
  const [x, y] = [before.x + after.x, before.y + after.y];
  const far = (FROM_CORNER * (degrees > 180 ? -1 : 1)) / Math.max(1e-9, Math.hypot(x, y));
  return { x: corner.x + x * far, y: corner.y + y * far, text: `${Math.floor(degrees + 0.5)}°` };
}

function unitVector(from: Spot, to: Spot): Spot {
  const long = Math.max(1e-9, Math.hypot(to.x - from.x, to.y - from.y));
  return { x: (to.x - from.x) / long, y: (to.y - from.y) / long };
}

function length(mm: number, unit: number): string {
  return unit === 1 ? `${rounded(mm / MM_PER_INCH, 2)} in` : `${rounded(mm / MM_PER_CM, 1)} cm`;
}

function area(mm2: number, unit: number): string {
  return unit === 1 ? `${rounded(mm2 / MM_PER_INCH ** 2, 2)} in²` : `${rounded(mm2 / MM_PER_CM ** 2, 1)} cm²`;
}

function rounded(value: number, digits: number): string {
  const parts = 10 ** digits;
  return (Math.floor(value * parts + 0.5) / parts).toFixed(digits);
}

function average(values: readonly number[]): number {
  return values.reduce((a, b) => a + b, 0) / values.length;
}
