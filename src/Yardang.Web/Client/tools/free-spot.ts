// Where something new goes: as near to the middle as it covers nothing.

import type { Box, Spot } from '../shapes/geometry';

/** From one place that is tried to the next, and least between two things, 1/100 mm. */
const STEP = 700;
const GAP = 200;

/**
 * The top left corner; in the middle if there is no room without covering anything.
 * @param within in which part of the page.
 * @param taken what stands there.
 */
export function freeSpot(within: Box, { width, height }: Pick<Box, 'width' | 'height'>, taken: readonly Box[]): Spot {
  const [right, bottom] = [within.x + within.width - width, within.y + within.height - height];
  const middle = { x: Math.round((within.x + right) / 2), y: Math.round((within.y + bottom) / 2) };
  const spots: Spot[] = [];
  for (let x = middle.x - steps(middle.x - within.x); x <= right; x += STEP)
    for (let y = middle.y - steps(middle.y - within.y); y <= bottom; y += STEP) spots.push({ x, y });
  spots.sort((a, b) => distance(a, middle) - distance(b, middle));
  return spots.find(({ x, y }) => !taken.some((box) => overlaps(box, { x, y, width, height }))) ?? middle;
}

function steps(room: number): number {
  return Math.max(0, Math.floor(room / STEP)) * STEP;
}

function distance(a: Spot, b: Spot): number {
  return Math.hypot(a.x - b.x, a.y - b.y);
}

function overlaps(a: Box, b: Box): boolean {
  return (
    a.x < b.x + b.width + GAP && b.x < a.x + a.width + GAP && a.y < b.y + b.height + GAP && b.y < a.y + a.height + GAP
  );
}
