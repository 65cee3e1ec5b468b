// What is being moved catches on the edges and middles of other marks, of the page, and on the lines of its paper. What is being turned
// catches on steps of 15 degrees and on the sides of others.

import { type Mark, type Page, ShapeKind } from '../room/marks';
import { type Box, corners } from '../shapes/geometry';
import { onPage } from '../shapes/placed';

/** Where something was caught; null where nothing was. */
export interface Guides {
  readonly x: number | null;
  readonly y: number | null;
}

const GRID_KINDS: Readonly<Record<number, number>> = { 1: 500, 4: 500 };

/** @param by how far the box has been moved; what is given back is how far it should be. */
export function snapBox(
  box: Box,
  by: { x: number; y: number },
  others: readonly Box[],
  page: Page,
  within: number,
): { x: number; y: number; guides: Guides } {
  const lines = (start: (b: Box) => number, size: (b: Box) => number, whole: number) => [
    0,
    whole / 2,
    whole,
    ...others.flatMap((b) => [start(b), start(b) + size(b) / 2, start(b) + size(b)]),
  ];
  const grid = GRID_KINDS[page.paper.kind] ? page.paper.spacing || GRID_KINDS[page.paper.kind]! : 0;
  const x = snap(
    box.x,
    box.width,
    lines(
      (b) => b.x,
      (b) => b.width,
      page.size.width,
    ),
    grid,
    within,
  );
  const y = snap(
    box.y,
    box.height,
    lines(
      (b) => b.y,
      (b) => b.height,
      page.size.height,
    ),
    grid,
    within,
  );
  return { x: by.x + x.by, y: by.y + y.by, guides: { x: x.at, y: y.at } };
}

function snap(start: number, size: number, lines: readonly number[], grid: number, within: number) {
  let best = { by: 0, at: null as number | null, far: within };
  for (const edge of [start, start + size / 2, start + size]) {
    for (const line of lines)
      if (Math.abs(line - edge) < best.far) best = { by: line - edge, at: line, far: Math.abs(line - edge) };
  }
  if (grid > 0) {
    const line = Math.round(start / grid) * grid;
    if (Math.abs(line - start) < best.far) best = { by: line - start, at: line, far: Math.abs(line - start) };
  }
  return best;
}

const TURN_STEP = 15;
const TURN_WITHIN = 3;
const HALF_TURN = 180;

/** In which directions the sides of a mark lie on the page, degrees from 0 to 180: those of a straight shape, else those of its box. */
export function sideDirections(mark: Mark): number[] {
  const { body } = mark;
  const upright = mark.place.turn / 100;
  const isStraight = body.kind === 'shape' && (body.shape === ShapeKind.Line || body.shape === ShapeKind.Polygon);
  if (!isStraight) return [modulo(upright), modulo(upright + 90)];
  const spots = corners(body).map((spot) => onPage(mark, spot));
  const ends = body.shape === ShapeKind.Polygon ? [...spots, spots[0]!] : spots;
  return ends.slice(1).map((to, i) => modulo((Math.atan2(to.y - ends[i]!.y, to.x - ends[i]!.x) * HALF_TURN) / Math.PI));
}

/**
 * By how much to turn instead, degrees, so that a side of what is turned gets parallel to one of another mark, or its own turn
 * a whole number of steps.
 * @param turn how it is turned before.
 * @param sides the directions of its sides before.
 */
export function snapTurn(degrees: number, turn: number, sides: readonly number[], others: readonly number[]): number {
  const step = Math.round((turn + degrees) / TURN_STEP) * TURN_STEP - turn;
  const parallels = sides.flatMap((side) =>
    others.map((other) => {
      const off = modulo(side + degrees - other);
      return degrees - (off > HALF_TURN / 2 ? off - HALF_TURN : off);
    }),
  );
  const nearest = [step, ...parallels].sort((a, b) => Math.abs(a - degrees) - Math.abs(b - degrees))[0]!;
  return Math.abs(nearest - degrees) < TURN_WITHIN ? nearest : degrees;
}

function modulo(degrees: number): number {
  return ((degrees % HALF_TURN) + HALF_TURN) % HALF_TURN;
}
