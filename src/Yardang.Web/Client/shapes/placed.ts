// Where a mark is: Core's MarkGeometry, held equal by golden vectors. Units 1/100 mm; the page's y points down.

import { kindOf } from '../kinds';
import type { Body, Mark } from '../room/marks';
import { type Box, type Spot, boxCorners, boxRound, centreOf, scaledAbout, turned } from './geometry';

/** What says where a mark is. */
export type Placed = Pick<Mark, 'body' | 'place' | 'scale'>;

const boxes = new WeakMap<Body, Box>();

/** The box of a body as it was drawn, without the width of its lines. */
export function boxOf(body: Body): Box {
  const known = boxes.get(body);
  if (known) return known;
  const box = kindOf(body).box(body);
  boxes.set(body, box);
  return box;
}

export function middleOf(body: Body): Spot {
  return centreOf(boxOf(body));
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

/** The upright box that a mark takes on the page, without the width of its lines. */
export function boundsOf(mark: Placed): Box {
  let box = placedBoxes.get(mark);
  if (!box) placedBoxes.set(mark, (box = boxRound(cornersOf(mark.body).map((spot) => onPage(mark, spot)))));
  return box;
}

// Marks are never changed in place.
const placedBoxes = new WeakMap<Placed, Box>();

/** The box of several marks together. */
export function boundsOfAll(marks: readonly Placed[]): Box {
  return boxRound(marks.flatMap((mark) => boxCorners(boundsOf(mark))));
}

/** The corners as drawn that tell how far a body reaches when it is turned. */
function cornersOf(body: Body): readonly Spot[] {
  return kindOf(body).corners?.(body) ?? boxCorners(boxOf(body));
}
