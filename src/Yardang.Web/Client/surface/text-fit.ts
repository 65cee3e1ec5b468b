// Breaks words into lines and finds the size at which they fit. The result is stored with the mark, so that every screen agrees.

import { type BoxBody, Looks } from '../room/marks';
import { LINE_HEIGHT, NOTE_PADDING, fontOf } from './type';

interface Size {
  readonly width: number;
  readonly height: number;
}

export interface Fitted {
  readonly lines: string[];
  readonly size: number;
  readonly width: number;
  readonly height: number;
}

const NOTE_SIZES = [700, 600, 520, 450, 400, 350];
const MEASURE_AT = 100;
const WIDER = 1.5;
const SMALLER = 0.85;
/** Smaller than this nobody reads, 1/100 mm. */
const LEAST_SIZE = 150;
const SHARES = [1, 0.92, 0.84, 0.76, 0.68, 0.6];

let context: CanvasRenderingContext2D | null = null;

function widthOf(text: string, size: number, looks: number): number {
  context ??= document.createElement('canvas').getContext('2d')!;
  context.font = fontOf(MEASURE_AT, looks & Looks.Bold);
  return (context.measureText(text).width * size) / MEASURE_AT;
}

export function breakLines(text: string, size: number, width: number, looks: number): string[] {
  const lines: string[] = [];
  for (const paragraph of text.split('\n')) {
    let line = '';
    for (const word of paragraph.split(/(?<=\s)/)) {
      if (line && widthOf((line + word).trimEnd(), size, looks) > width) {
        lines.push(line.trimEnd());
        line = '';
      }
      line += word;
      while (widthOf(line.trimEnd(), size, looks) > width && line.length > 1) {
        const fits = Math.max(1, longestStart(line, size, width, looks));
        lines.push(line.slice(0, fits));
        line = line.slice(fits);
      }
    }
    lines.push(line.trimEnd());
  }
  return lines;
}

function longestStart(line: string, size: number, width: number, looks: number): number {
  let fits = 0;
  while (fits < line.length && widthOf(line.slice(0, fits + 1), size, looks) <= width) fits++;
  return fits;
}

/** Text straight on the page: as wide as it is, up to a limit. */
export function fitText(text: string, size: number, maxWidth: number, looks: number): Fitted {
  const lines = breakLines(text, size, maxWidth, looks);
  const width = Math.ceil(Math.max(size, ...lines.map((l) => widthOf(l, size, looks))));
  return { lines, size, width, height: Math.ceil(lines.length * LINE_HEIGHT * size) };
}

/** A note keeps its width; its type gets smaller until the words fit, and then it grows downwards. */
export function fitNote(text: string, width: number, height: number, looks: number): Fitted {
  for (const size of NOTE_SIZES) {
    const lines = breakLines(text, size, width - 2 * NOTE_PADDING, looks);
    const needed = Math.ceil(lines.length * LINE_HEIGHT * size) + 2 * NOTE_PADDING;
    if (needed <= height || size === NOTE_SIZES.at(-1)) return { lines, size, width, height: Math.max(height, needed) };
  }
  throw new Error('There is always a smallest size.');
}

/** A note that is to stay on its page: one of very many words gets wider, and in the end its type still smaller. */
export function fitNoteOn(page: Size, text: string, width: number, height: number, looks: number): Fitted {
  let fitted = fitNote(text, width, height, looks);
  for (let wide = width * WIDER; fitted.height > page.height && wide < page.width; wide *= WIDER)
    fitted = fitNote(text, Math.round(wide), height, looks);
  for (let size = fitted.size * SMALLER; fitted.height > page.height && size >= LEAST_SIZE; size *= SMALLER) {
    const [high, across] = [Math.round(size), Math.round(page.width)];
    const lines = breakLines(text, high, across - 2 * NOTE_PADDING, looks);
    const needed = Math.ceil(lines.length * LINE_HEIGHT * high) + 2 * NOTE_PADDING;
    fitted = { lines, size: high, width: across, height: needed };
  }
  return fitted;
}

/** Text that is to stay on its page: as wide as there is room for, and in smaller type if it would be too high. */
export function fitTextOn(page: Size, text: string, size: number, maxWidth: number, looks: number): Fitted {
  let fitted = fitText(text, size, maxWidth, looks);
  for (let small = size * SMALLER; fitted.height > page.height && small >= LEAST_SIZE; small *= SMALLER)
    fitted = fitText(text, Math.round(small), page.width, looks);
  return fitted;
}

/** The same in another language, in the place of what is there: the type gets smaller until it fits. */
export function fitTranslation(text: string, body: BoxBody, looks: number): Pick<Fitted, 'lines' | 'size'> {
  if (body.kind !== 'text') {
    const { lines, size } = fitNote(text, body.width, body.height, looks);
    return { lines, size };
  }
  for (const share of SHARES) {
    const size = Math.round(body.words.size * share);
    const lines = breakLines(text, size, body.width, looks);
    if (lines.length * LINE_HEIGHT * size <= body.height || share === SHARES.at(-1)) return { lines, size };
  }
  throw new Error('There is always a smallest size.');
}
