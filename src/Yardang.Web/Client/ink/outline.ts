// The shape that a stroke of ink covers: the same algorithm as Core's InkOutline, held equal by golden vectors.

import type { Points } from './stroke';

const CAP_STEPS = 6;

/** Half the drawn width at a pressure (0 to 255): 0.4 to 1.6 of the nominal half width. */
export function radius(width: number, pressure: number): number {
  return (width / 2) * (0.4 + (1.2 * pressure) / 255);
}

/** Polygons, each flat: x, y, x, y ... Fill them together by the non-zero rule. */
export function outline(points: Points, width: number): number[][] {
  const line = distinct(points);
  const count = line.length / 4;
  if (count === 1) return [dot(line, width)];
  const polygons: number[][] = [];
  let start = 0;
  for (let i = 1; i < count; i++) {
    if (i < count - 1 && !isSharp(line, i)) continue;
    polygons.push(piece(line, start, i, width));
    start = i;
  }
  return polygons;
}

/** The outline as a path for a canvas: smooth through the middles of the polygons' sides. */
export function outlinePath(points: Points, width: number, path = new Path2D()): Path2D {
  return outlineInto(points, width, path);
}

/** What takes a path down. */
type PathSink = Pick<Path2D, 'moveTo' | 'quadraticCurveTo' | 'closePath'>;

/** The same into whatever takes a path down. */
export function outlineInto<P extends PathSink>(points: Points, width: number, path: P): P {
  for (const polygon of outline(points, width)) addSmooth(path, polygon);
  return path;
}

function addSmooth(path: PathSink, p: number[]): void {
  const n = p.length;
  path.moveTo((p[n - 2]! + p[0]!) / 2, (p[n - 1]! + p[1]!) / 2);
  for (let i = 0; i < n; i += 2) {
    const nextX = p[(i + 2) % n]!;
    const nextY = p[(i + 3) % n]!;
    path.quadraticCurveTo(p[i]!, p[i + 1]!, (p[i]! + nextX) / 2, (p[i + 1]! + nextY) / 2);
  }
  path.closePath();
}

function distinct(points: Points): number[] {
  const line: number[] = [];
  for (let i = 0; i < points.length; i += 4) {
    const n = line.length;
    if (n === 0 || points[i] !== line[n - 4] || points[i + 1] !== line[n - 3])
      line.push(points[i]!, points[i + 1]!, points[i + 2]!, points[i + 3]!);
  }
  return line;
}

function isSharp(line: number[], i: number): boolean {
  const k = 4 * i;
  return (
    (line[k]! - line[k - 4]!) * (line[k + 4]! - line[k]!) +
      (line[k + 1]! - line[k - 3]!) * (line[k + 5]! - line[k + 1]!) <
    0
  );
}

function dot(line: number[], width: number): number[] {
  const out: number[] = [];
  arc(out, line, 0, radius(width, line[2]!), 0, 2 * CAP_STEPS);
  return out;
}

function piece(line: number[], first: number, last: number, width: number): number[] {
  const out: number[] = [];
  for (let i = first; i <= last; i++) side(out, line, i, first, last, width, 1);
  arc(out, line, last, radius(width, line[4 * last + 2]!), angle(line, last - 1, last) + Math.PI / 2, CAP_STEPS);
  for (let i = last; i >= first; i--) side(out, line, i, first, last, width, -1);
  arc(out, line, first, radius(width, line[4 * first + 2]!), angle(line, first, first + 1) - Math.PI / 2, CAP_STEPS);
  return out;
}

function angle(line: number[], a: number, b: number): number {
  return Math.atan2(line[4 * b + 1]! - line[4 * a + 1]!, line[4 * b]! - line[4 * a]!);
}

function side(out: number[], line: number[], i: number, first: number, last: number, width: number, sign: number) {
  const a = 4 * Math.max(first, i - 1);
  const b = 4 * Math.min(last, i + 1);
  const dx = line[b]! - line[a]!;
  const dy = line[b + 1]! - line[a + 1]!;
  const length = Math.sqrt(dx * dx + dy * dy);
  const r = length === 0 ? 0 : (sign * radius(width, line[4 * i + 2]!)) / length;
  out.push(line[4 * i]! - dy * r, line[4 * i + 1]! + dx * r);
}

function arc(out: number[], line: number[], i: number, r: number, from: number, steps: number): void {
  const x = line[4 * i]!;
  const y = line[4 * i + 1]!;
  for (let k = 1; k < steps; k++) {
    const a = from - (Math.PI * k) / CAP_STEPS;
    out.push(x + r * Math.cos(a), y + r * Math.sin(a));
  }
  if (steps !== CAP_STEPS) out.push(x + r, y);
}
