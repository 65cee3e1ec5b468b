// Cards along a line so that nobody hides anybody: each over its place, in rows above the line, as low as there is room.

/** A card to be laid over its place on the line. All lengths in px. */
export interface Standing {
  /** The middle of its place, from the beginning of the line. */
  readonly at: number;
  readonly width: number;
  readonly height: number;
}

export interface Laid {
  /** Where the card begins, and how high over the line. */
  readonly start: number;
  readonly bottom: number;
}

/**
 * From the beginning of the line on, each card into the lowest row in which it touches no other. Rows are as high as their highest card.
 * @param cards in the order of their places.
 * @param length of the line.
 * @param gap between cards.
 */
export function layAlong(cards: readonly Standing[], length: number, gap: number): { laid: Laid[]; height: number } {
  const ends: number[] = [];
  const heights: number[] = [];
  const found = cards.map(({ at, width, height }) => {
    const start = Math.max(0, Math.min(length - width, at - width / 2));
    let row = ends.findIndex((end) => end + gap <= start);
    if (row < 0) row = ends.length;
    ends[row] = start + width;
    heights[row] = Math.max(heights[row] ?? 0, height);
    return { start, row };
  });
  const bottoms = heights.map((_, row) => heights.slice(0, row).reduce((sum, h) => sum + h + gap, 0));
  const height = heights.reduce((sum, h) => sum + h + gap, 0);
  return { laid: found.map(({ start, row }) => ({ start, bottom: bottoms[row]! })), height };
}

/** A card to be laid near its place in a field; from its upper beginning. All lengths in px. */
export interface Lying {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

const RINGS = 80;
const SPOKES = 32;
const DOT = 6;

/**
 * Each card as near over its place as it touches no other, tried in rings round it; where there is no room left, below all.
 * @param cards the first lie nearest to their places.
 * @param width of the field.
 * @param height of the field.
 */
export function layInField(cards: readonly Lying[], width: number, height: number, gap: number) {
  const laid: Box[] = [];
  // Places are seen, too.
  const dots = cards.map(({ x, y }) => ({ left: x - DOT, top: y - DOT, width: 2 * DOT, height: 2 * DOT }));
  const isFree = (left: number, top: number, card: Lying) => {
    const touches = (o: Box, by: number) =>
      left + card.width + by > o.left &&
      o.left + o.width + by > left &&
      top + card.height + by > o.top &&
      o.top + o.height + by > top;
    return !laid.some((o) => touches(o, gap)) && !dots.some((o) => touches(o, 0));
  };
  for (const card of cards) {
    const [most, lowest] = [Math.max(0, width - card.width), Math.max(0, height - card.height)];
    const at = (dx: number, dy: number) => ({
      left: Math.min(most, Math.max(0, card.x - card.width / 2 + dx)),
      top: Math.min(lowest, Math.max(0, card.y - card.height - gap + dy)),
    });
    let found = at(0, 0);
    for (let ring = 1; ring <= RINGS && !isFree(found.left, found.top, card); ring++)
      for (let spoke = 0; spoke < SPOKES; spoke++) {
        const [angle, far] = [(2 * Math.PI * spoke) / SPOKES, (ring * Math.max(width, height)) / RINGS];
        found = at(far * Math.sin(angle), -far * Math.cos(angle));
        if (isFree(found.left, found.top, card)) break;
      }
    if (!isFree(found.left, found.top, card))
      found = { left: found.left, top: Math.max(height + DOT, ...laid.map((o) => o.top + o.height + gap)) };
    laid.push({ ...found, width: card.width, height: card.height });
  }
  return { laid, height: Math.max(height, ...laid.map((o) => o.top + o.height)) };
}

const GAP = 8;
/** So much more room than cards cover, so that they lie near their places. */
const ROOMY = 3.6;
const LEAST_FIELD = 460;
const MOST_TRIES = 5;
const SVG = 'http://www.w3.org/2000/svg';

/** Lays the cards of a list along its line, each with a stem down to its exact place. */
export function layOut(list: HTMLElement): void {
  const cards = [...list.querySelectorAll<HTMLElement>(':scope > [data-share]')];
  const { clientWidth } = list;
  const standing = cards.map((card) => ({
    at: Number(card.dataset['share']) * clientWidth,
    width: card.offsetWidth,
    height: card.offsetHeight,
  }));
  const { laid, height } = layAlong(standing, clientWidth, GAP);
  list.style.setProperty('height', `${height}px`);
  cards.forEach((card, i) => {
    const { start, bottom } = laid[i]!;
    card.style.setProperty('inset-inline-start', `${start}px`);
    card.style.setProperty('bottom', `${bottom + GAP}px`);
    card.style.setProperty('--stem-at', `${standing[i]!.at - start}px`);
    card.style.setProperty('--stem', `${bottom + GAP}px`);
  });
}

/** Lays the cards of a field near their places, each with a line to its exact place. */
export function layOutField(list: HTMLElement, marks: SVGElement): void {
  const cards = [...list.querySelectorAll<HTMLElement>(':scope > [data-share]')];
  const { clientWidth } = list;
  const covered = cards.reduce((sum, c) => sum + c.offsetWidth * c.offsetHeight, 0);
  const lyingIn = (high: number) =>
    cards.map((card) => ({
      x: Number(card.dataset['share']) * clientWidth,
      y: (1 - Number(card.dataset['up'])) * high,
      width: card.offsetWidth,
      height: card.offsetHeight,
    }));
  let height = Math.max(LEAST_FIELD, (covered * ROOMY) / Math.max(1, clientWidth));
  let lying = lyingIn(height);
  let found = layInField(lying, clientWidth, height, GAP);
  // Where there is no room left, the whole field is higher: places stay exact.
  for (let tries = 0; found.height > height && tries < MOST_TRIES; tries++) {
    height = found.height;
    lying = lyingIn(height);
    found = layInField(lying, clientWidth, height, GAP);
  }
  const { laid } = found;
  list.style.setProperty('height', `${height}px`);
  const isRtl = getComputedStyle(list).direction === 'rtl';
  const across = (x: number) => String(isRtl ? clientWidth - x : x);
  marks.replaceChildren(
    ...cards.flatMap((card, i) => {
      const { left, top } = laid[i]!;
      const { x, y, width } = lying[i]!;
      card.style.setProperty('inset-inline-start', `${left}px`);
      card.style.setProperty('top', `${top}px`);
      return [
        drawn('line', {
          x1: across(x),
          y1: String(y),
          x2: across(left + width / 2),
          y2: String(top + card.offsetHeight / 2),
        }),
        drawn('circle', { cx: across(x), cy: String(y), r: '5' }),
      ];
    }),
  );
}

function drawn(name: string, attributes: Record<string, string>): SVGElement {
  const element = document.createElementNS(SVG, name);
  for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, value);
  return element;
}
