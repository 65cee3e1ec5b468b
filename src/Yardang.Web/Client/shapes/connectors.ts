// Where connectors run: Core's ConnectorPath, held equal by golden vectors.

import { type ConnectorBody, type Mark, stands } from '../room/marks';
import { type Box } from './geometry';
import { boundsOf } from './placed';

/** Free room between a box and the line's end, 1/100 mm. */
const GAP = 120;

/** x, y of the beginning and the end of a line between two boxes. */
export function between(from: Box, to: Box): number[] {
  const [ax, ay] = [from.x + from.width / 2, from.y + from.height / 2];
  const [bx, by] = [to.x + to.width / 2, to.y + to.height / 2];
  const [dx, dy] = [bx - ax, by - ay];
  let [start, end] = [shareInside(from, dx, dy), shareInside(to, dx, dy)];
  if (start + end >= 1) [start, end] = [0, 0];
  const round = (value: number) => Math.floor(value + 0.5);
  return [round(ax + dx * start), round(ay + dy * start), round(bx - dx * end), round(by - dy * end)];
}

// How much of the way from its middle lies inside a box.
function shareInside(box: Box, dx: number, dy: number): number {
  const across = dx === 0 ? Infinity : (box.width / 2 + GAP) / Math.abs(dx);
  const down = dy === 0 ? Infinity : (box.height / 2 + GAP) / Math.abs(dy);
  return Math.min(1, across, down);
}

interface Followed {
  readonly from: Mark;
  readonly to: Mark;
  readonly shown: Mark;
}

// The same mark again as long as nothing has moved, so that what was computed for it stays known.
const followed = new WeakMap<Mark, Followed>();

/** A connector as it runs now; null if it has lost an end. */
export function following(mark: Mark, body: ConnectorBody, find: (id: number) => Mark | undefined): Mark | null {
  const [from, to] = [find(body.from), find(body.to)];
  if (!from || !to || !stands(from) || !stands(to) || from.page !== mark.page || to.page !== mark.page) return null;
  const known = followed.get(mark);
  if (known?.from === from && known.to === to) return known.shown;
  const shown = { ...mark, body: { ...body, points: between(boundsOf(from), boundsOf(to)) } };
  followed.set(mark, { from, to, shown });
  return shown;
}
