// Where a card can lie on the field so that it lies on no other: Core's FreeSpots.

import type { MapPicture } from '../wire/forms';
import type { Card, CardSpot, FieldPlan, FieldSpot } from '../wire/forms';

/** How large the place of a card is, in units of the field: Core's FieldPlan. */
export const CARD_WIDTH = 192;
export const CARD_HEIGHT = 112;

const PICTURE_SIDE = 1400;
const FARTHEST = 20_000;
const STEP_X = 140;
const STEP_Y = 84;
const RINGS = 40;
const NEAREST = 400;

/** From the nearest on: first beside, then below. */
let around: readonly FieldSpot[] | null = null;

function steps(): readonly FieldSpot[] {
  if (around) return around;
  const all: FieldSpot[] = [];
  for (let y = -RINGS; y <= RINGS; y++) for (let x = -RINGS; x <= RINGS; x++) all.push({ x, y });
  const far = ({ x, y }: FieldSpot) => x * x + y * y;
  all.sort((a, b) => far(a) - far(b) || b.x - a.x || b.y - a.y);
  return (around = all.map(({ x, y }) => ({ x: x * STEP_X, y: y * STEP_Y })));
}

/** Whether a card can lie there. */
export function holds({ x, y }: FieldSpot): boolean {
  return Math.abs(x) <= FARTHEST && Math.abs(y) <= FARTHEST;
}

/** How wide and high a picture beneath is. */
export function sizeOf({ width, height }: MapPicture): { width: number; height: number } {
  return height > width
    ? { width: Math.floor((PICTURE_SIDE * width) / height), height: PICTURE_SIDE }
    : { width: PICTURE_SIDE, height: Math.floor((PICTURE_SIDE * height) / width) };
}

/** Where cards begin to be laid that nobody has placed: in the middle, or under the picture. */
export function beginning({ picture }: FieldPlan): FieldSpot {
  return { x: 0, y: picture ? Math.floor(sizeOf(picture).height / 2) + CARD_HEIGHT : 0 };
}

function touch(one: FieldSpot, other: FieldSpot): boolean {
  return Math.abs(one.x - other.x) < CARD_WIDTH && Math.abs(one.y - other.y) < CARD_HEIGHT;
}

/** The nearest place to a wanted one on which no card lies, not higher than `top`; null if there is none anywhere near. */
export function freeNear(wanted: FieldSpot, taken: readonly FieldSpot[], top = -Infinity): FieldSpot | null {
  for (const step of steps()) {
    const spot = { x: wanted.x + step.x, y: wanted.y + step.y };
    if (holds(spot) && spot.y >= top && !taken.some((t) => touch(spot, t))) return spot;
  }
  return null;
}

/** The nearest place beside a card on which none lies, which lies on no link, and to which a link from that card lies under none. */
export function freeBeside(
  card: FieldSpot,
  taken: readonly FieldSpot[],
  lines: readonly (readonly [FieldSpot, FieldSpot])[],
): FieldSpot | null {
  for (const step of steps().slice(0, NEAREST)) {
    const spot = { x: card.x + step.x, y: card.y + step.y };
    const isFree = holds(spot) && !taken.some((t) => touch(spot, t)) && !lines.some(([a, b]) => isUnder(a, b, spot));
    if (isFree && !taken.some((t) => (t.x !== card.x || t.y !== card.y) && isUnder(card, spot, t))) return spot;
  }
  return freeNear(card, taken);
}

function isUnder(from: FieldSpot, to: FieldSpot, { x, y }: FieldSpot): boolean {
  const [left, right, top, bottom] = [x - CARD_WIDTH / 2, x + CARD_WIDTH / 2, y - CARD_HEIGHT / 2, y + CARD_HEIGHT / 2];
  if (Math.max(from.x, to.x) < left || Math.min(from.x, to.x) > right) return false;
  if (Math.max(from.y, to.y) < top || Math.min(from.y, to.y) > bottom) return false;
  const side = (px: number, py: number) => Math.sign((to.x - from.x) * (py - from.y) - (to.y - from.y) * (px - from.x));
  const first = side(left, top);
  return first === 0 || side(right, top) !== first || side(left, bottom) !== first || side(right, bottom) !== first;
}

/** A place for a card that nobody has placed. */
export function freeOn(field: FieldPlan, taken: readonly FieldSpot[]): FieldSpot | null {
  const from = beginning(field);
  return freeNear(from, taken, field.picture ? from.y : -Infinity);
}

/** Places for cards that have none, by id. */
export function forThoseWithout(cards: readonly Card[], field: FieldPlan): CardSpot[] {
  const taken = spotsOf(cards);
  const found: CardSpot[] = [];
  const without = cards.filter((c) => !c.spot).sort((a, b) => a.id - b.id);
  const columns = Math.ceil(Math.sqrt(without.length));
  const from = beginning(field);
  for (const [i, card] of without.entries()) {
    // Row by row, the middle of the first row where cards begin.
    const x = from.x + STEP_X * (2 * (i % columns) - columns + 1);
    const y = from.y + 2 * STEP_Y * Math.floor(i / columns);
    const spot = freeNear({ x, y }, taken, field.picture ? from.y : -Infinity);
    if (!spot) break;
    taken.push(spot);
    found.push({ card: card.id, spot });
  }
  return found;
}

/** Cards that lie on one another lie beside one another: each that came later goes to the nearest free place. */
export function apart(cards: readonly Card[]): Card[] {
  const taken: FieldSpot[] = [];
  const moved = new Map<number, FieldSpot>();
  for (const card of cards.filter((c) => c.spot).sort((a, b) => a.putUpAt - b.putUpAt || a.id - b.id)) {
    const spot = freeNear(card.spot!, taken) ?? card.spot!;
    taken.push(spot);
    moved.set(card.id, spot);
  }
  return cards.map((c) => (moved.has(c.id) ? { ...c, spot: moved.get(c.id)! } : c));
}

export function spotsOf(cards: readonly Card[]): FieldSpot[] {
  return cards.map((c) => c.spot).filter((s) => s !== null);
}
