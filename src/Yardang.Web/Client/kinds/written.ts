// What words are written on: a text, a note, a bubble.

import { type BoxBody, Looks, type Mark, type Words } from '../room/marks';
import { wordsIn } from '../surface/in-language';
import { isRightToLeft } from '../surface/reading';
import { ASCENT, LINE_HEIGHT, fontOf } from '../surface/type';
import { ownBox } from './boxed';
import type { Kind } from './kind';

type Read = Pick<Kind<BoxBody>, 'box' | 'said' | 'saidIn' | 'languages'>;

/** What is the same for all of them. */
export const written: Read = {
  box: ownBox,
  said: (body, { languages }) => wordsIn(body.words, languages).text,
  saidIn: (body, languages) => wordsIn(body.words, languages).text,
  languages: ({ words }) => (words.also?.length ? [words.language, ...words.also.map((a) => a.language)] : []),
};

/** @param inset room round the words. */
export function drawWords(
  ctx: CanvasRenderingContext2D,
  mark: Mark,
  body: { x: number; y: number; width: number; words: Words },
  inset: number,
  colour: string,
  languages: readonly string[],
): void {
  const { text, lines, size } = wordsIn(body.words, languages);
  const { looks } = mark.style;
  const width = body.width - 2 * inset;
  ctx.fillStyle = colour;
  ctx.font = fontOf(size, looks);
  ctx.direction = isRightToLeft(text) ? 'rtl' : 'ltr';
  const right = ((looks & Looks.AlignedEnd) !== 0) !== (ctx.direction === 'rtl');
  ctx.textAlign = looks & Looks.Centred ? 'center' : right ? 'right' : 'left';
  const x = body.x + inset + (looks & Looks.Centred ? width / 2 : right ? width : 0);
  lines.forEach((line, i) => ctx.fillText(line, x, body.y + inset + (ASCENT + i * LINE_HEIGHT) * size));
}
