// Measures and parts of a stroke, as in Core's Stroke and CutIntervals; golden vectors hold the two equal.
// Points are flat: x, y, pressure, ms, x, y, pressure, ms ... Lengths in 1/100 mm.

export type Points = readonly number[];
export type Cuts = readonly number[];

export function lengths(points: Points): number[] {
  const sums = [0];
  for (let i = 4; i < points.length; i += 4) {
    const dx = points[i]! - points[i - 4]!;
    const dy = points[i + 1]! - points[i - 3]!;
    sums.push(sums[sums.length - 1]! + Math.sqrt(dx * dx + dy * dy));
  }
  return sums;
}

export function union(a: Cuts, b: Cuts): number[] {
  const pairs: [number, number][] = [];
  for (const cuts of [a, b])
    for (let i = 0; i + 1 < cuts.length; i += 2) if (cuts[i + 1]! > cuts[i]!) pairs.push([cuts[i]!, cuts[i + 1]!]);
  pairs.sort((p, q) => p[0] - q[0] || p[1] - q[1]);
  const all: number[] = [];
  for (const [from, to] of pairs) {
    if (all.length > 0 && from <= all[all.length - 1]!) all[all.length - 1] = Math.max(all[all.length - 1]!, to);
    else all.push(from, to);
  }
  return all;
}

export function remainingIntervals(cuts: Cuts, length: number): number[] {
  const left: number[] = [];
  let at = 0;
  for (let i = 0; i + 1 < cuts.length; i += 2) {
    const from = cuts[i]!;
    if (from > at && at < length) left.push(at, Math.min(from, length));
    at = Math.max(at, cuts[i + 1]!);
  }
  if (at < length || (length === 0 && cuts.length === 0)) left.push(at, length);
  return left;
}

/** The pieces of a stroke that its cuts leave. */
export function remaining(points: Points, cuts: Cuts): Points[] {
  if (cuts.length === 0) return [points];
  const sums = lengths(points);
  const left = remainingIntervals(cuts, Math.ceil(sums[sums.length - 1]!));
  const parts: Points[] = [];
  for (let i = 0; i < left.length; i += 2) parts.push(between(points, sums, left[i]!, left[i + 1]!));
  return parts;
}

/** The part of a stroke under a round eraser. */
export function underEraser(points: Points, x: number, y: number, radius: number): number[] {
  const sums = lengths(points);
  if (sums.length === 1) {
    const dx = points[0]! - x;
    const dy = points[1]! - y;
    return dx * dx + dy * dy <= radius * radius ? [0, 1] : [];
  }
  let cuts: number[] = [];
  for (let i = 0; i + 1 < sums.length; i++) {
    const ax = points[4 * i]! - x;
    const ay = points[4 * i + 1]! - y;
    const dx = points[4 * i + 4]! - points[4 * i]!;
    const dy = points[4 * i + 5]! - points[4 * i + 1]!;
    const a = dx * dx + dy * dy;
    if (a === 0) continue;
    const b = ax * dx + ay * dy;
    const c = ax * ax + ay * ay - radius * radius;
    const root = b * b - a * c;
    if (root <= 0) continue;
    const from = Math.max(0, (-b - Math.sqrt(root)) / a);
    const to = Math.min(1, (-b + Math.sqrt(root)) / a);
    if (from >= to) continue;
    const span = sums[i + 1]! - sums[i]!;
    cuts = union(cuts, [Math.floor(sums[i]! + from * span), Math.ceil(sums[i]! + to * span)]);
  }
  return cuts;
}

function between(points: Points, sums: number[], from: number, to: number): number[] {
  const part = at(points, sums, from);
  for (let i = 0; i < sums.length; i++)
    if (sums[i]! > from && sums[i]! < to) part.push(...points.slice(4 * i, 4 * i + 4));
  part.push(...at(points, sums, to));
  return part;
}

function at(points: Points, sums: number[], length: number): number[] {
  for (let i = 1; i < sums.length; i++) {
    if (sums[i]! < length) continue;
    const span = sums[i]! - sums[i - 1]!;
    const t = span === 0 ? 0 : (length - sums[i - 1]!) / span;
    return [0, 1, 2, 3].map((k) => mix(points[4 * i - 4 + k]!, points[4 * i + k]!, t));
  }
  return points.slice(-4);
}

function mix(a: number, b: number, t: number): number {
  return Math.floor(a + (b - a) * t + 0.5);
}
