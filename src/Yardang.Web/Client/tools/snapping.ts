// What is being moved catches on the edges and middles of other marks, of the page, and on the lines of its paper.

import type { Page } from '../room/marks';
import type { Box } from '../shapes/geometry';

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
      page.width,
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
      page.height,
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
