// An answer in its field: as large as the field allows, growing downwards with what is typed, and smaller before it would cover what stands below.

import type { Box } from '../shapes/geometry';
import { breakLines, type Fitted } from './text-fit';
import { ANSWER_PADDING, LINE_HEIGHT } from './type';

const SIZES = [600, 520, 450, 400, 350];
/** Only what would not fit on the page at all is written smaller than that. */
const SMALLER = [300, 250, 200, 150];

/** @param room how high it may be: before its type gets smaller, and at all. */
export function fitAnswer(text: string, space: Box, room: { wished: number; most: number }): Fitted {
  const ofOneLine = (space.height - 2 * ANSWER_PADDING) / LINE_HEIGHT;
  const largest = SIZES.find((size) => size <= ofOneLine) ?? SIZES.at(-1)!;
  const sizes = SIZES.filter((size) => size <= largest);
  const at = (size: number): Fitted => {
    const lines = breakLines(text, size, Math.max(size, space.width - 2 * ANSWER_PADDING), 0);
    const needed = Math.ceil(lines.length * LINE_HEIGHT * size) + 2 * ANSWER_PADDING;
    return { lines, size, width: space.width, height: Math.round(Math.max(space.height, needed)) };
  };
  return (
    sizes.map(at).find(({ height }) => height <= Math.max(space.height, room.wished)) ??
    [...sizes.slice(-1), ...SMALLER].map(at).find(({ height }) => height <= room.most) ??
    at(SMALLER.at(-1)!)
  );
}
