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

const GAP = 8;

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
