// How links are drawn between cards: from edge to edge, with a head at the end; those that join the same cards are bent apart.

export interface Box {
  /** The middle. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Line {
  readonly path: string;
  readonly head: string;
  /** Where its words may stand: a share of the way from its beginning, from 0 to 1. */
  at(share: number): Point;
}

const HEAD = 11;
const HEAD_HALF = 5.5;
const GAP = 3;
/** How far those that join the same cards are bent from a straight line. */
export const BEND = 26;

/** How each link is bent that joins the same two cards as another: to its own right hand, so that two opposite ones part. */
export function bendsOf(links: readonly { readonly id: number; readonly from: number; readonly to: number }[]) {
  const bends = new Map<number, number>();
  const between = new Map<string, typeof links>();
  for (const link of links) {
    const key = link.from < link.to ? `${link.from} ${link.to}` : `${link.to} ${link.from}`;
    between.set(key, [...(between.get(key) ?? []), link]);
  }
  for (const same of between.values()) {
    if (same.length === 1) continue;
    const forth = same.filter((l) => l.from === same[0]!.from);
    const back = same.filter((l) => l.from !== same[0]!.from);
    for (const side of [forth, back]) side.forEach((l, i) => bends.set(l.id, BEND * (i + 1)));
  }
  return bends;
}

export function lineOf(from: Box, to: Box, bend: number): Line {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy) || 1;
  const across = { x: -dy / length, y: dx / length };
  const centre = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  const control = { x: centre.x + across.x * bend * 2, y: centre.y + across.y * bend * 2 };
  const start = edgeTowards(from, control);
  const end = edgeTowards(to, control);
  const back = unit(control.x - end.x, control.y - end.y);
  const neck = { x: end.x + back.x * HEAD, y: end.y + back.y * HEAD };
  const side = { x: -back.y * HEAD_HALF, y: back.x * HEAD_HALF };
  const along = (t: number) => {
    if (bend === 0) return { x: start.x + (end.x - start.x) * t, y: start.y + (end.y - start.y) * t };
    const [a, b, c] = [(1 - t) * (1 - t), 2 * t * (1 - t), t * t];
    return { x: a * start.x + b * control.x + c * end.x, y: a * start.y + b * control.y + c * end.y };
  };
  const at = ({ x, y }: Point) => `${round(x)} ${round(y)}`;
  return {
    path: bend === 0 ? `M${at(start)} L${at(neck)}` : `M${at(start)} Q${at(control)} ${at(neck)}`,
    head: `M${at(end)} L${at({ x: neck.x + side.x, y: neck.y + side.y })} L${at({ x: neck.x - side.x, y: neck.y - side.y })} Z`,
    at: along,
  };
}

/** First in the middle, then as near to it as there is room. */
const SHARES = [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8];

/** Where the words of links stand so that none hides another, or lies on a card; in the middle where there is no room. */
export function placeWords(
  words: readonly { readonly line: Line; readonly width: number; readonly height: number }[],
  cards: readonly Box[],
): Point[] {
  const taken = [...cards];
  return words.map(({ line, width, height }) => {
    const isFree = ({ x, y }: Point) =>
      !taken.some((t) => Math.abs(t.x - x) < (t.width + width) / 2 && Math.abs(t.y - y) < (t.height + height) / 2);
    const found = SHARES.map((share) => line.at(share)).find(isFree) ?? line.at(0.5);
    if (width > 0) taken.push({ ...found, width, height });
    return found;
  });
}

/** Where a line from the middle of a card leaves it on its way to a point. */
function edgeTowards(box: Box, to: Point): Point {
  const [dx, dy] = [to.x - box.x, to.y - box.y];
  if (dx === 0 && dy === 0) return { x: box.x, y: box.y };
  const [halfWidth, halfHeight] = [box.width / 2 + GAP, box.height / 2 + GAP];
  const share = Math.min(
    dx === 0 ? Infinity : halfWidth / Math.abs(dx),
    dy === 0 ? Infinity : halfHeight / Math.abs(dy),
    1,
  );
  return { x: box.x + dx * share, y: box.y + dy * share };
}

function unit(x: number, y: number): Point {
  const length = Math.hypot(x, y) || 1;
  return { x: x / length, y: y / length };
}

function round(v: number): number {
  return Math.round(v * 10) / 10;
}
