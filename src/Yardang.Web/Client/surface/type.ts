// How words are set, on screens as in prints.

import { Looks } from '../room/marks';

export const FONT = "'Atkinson Hyperlegible Next Variable', 'Noto Sans Variable', sans-serif";

/** Room round the words of a note, and of a text (none), 1/100 mm. */
export const NOTE_PADDING = 300;

/** Room round the words in an answer field, 1/100 mm. */
export const ANSWER_PADDING = 150;

/** Distance from line to line, in heights of the type. */
export const LINE_HEIGHT = 1.25;

/** Where the first baseline lies below the top of a text, in heights of the type. */
export const ASCENT = 0.95;

export function fontOf(size: number, looks: number): string {
  return `${looks & Looks.Bold ? 'bold ' : ''}${size}px ${FONT}`;
}
