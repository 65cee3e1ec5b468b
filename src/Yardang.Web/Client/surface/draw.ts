// Draws a page and its marks on a canvas whose unit is 1/100 mm.

import { wordsIn } from './in-language';
import { outlinePath } from '../ink/outline';
import { remaining } from '../ink/stroke';
import { type BoxBody, Grip, type InkBody, Looks, type Mark, type Page } from '../room/marks';
import { drawShape } from '../shapes/draw-shape';
import { boxOf, middleOf } from '../shapes/geometry';
import { MEASURE_SIZE, measureLabels } from '../shapes/measure-labels';
import { PRINT, TEACHER_INK, highlighterColour, inkColour, noteColour } from './palette';
import type { Pictures } from './pictures';
import { drawBubble, drawConnector, drawFormula, drawPicture, drawStamp, drawZone } from './draw-objects';
import { isRightToLeft } from './reading';
import { asRead } from './numbers';
import { LABEL_SIZE, type Ruling, ruling } from './ruling';

export const FONT = "'Atkinson Hyperlegible Next Variable', 'Noto Sans Variable', sans-serif";

/** Room round the words of a note, and of a text (none), 1/100 mm. */
export const NOTE_PADDING = 300;

/** Distance from line to line, in heights of the type. */
export const LINE_HEIGHT = 1.25;

/** Where the first baseline lies below the top of a text, in heights of the type. */
const ASCENT = 0.95;

const PAPER_LINE = '#cddcdf';
const PAPER_STRONG = '#8fa3a9';
const PAPER_WORDS = '#56676e';
const THIN = 18;
const STRONG = 30;
const DOT = 35;
const EVEN_PRESSURE = 128;
const KEY_DASH = [120, 90];

export interface DrawOptions {
  /** Ink and lines are drawn at least this wide (1/100 mm): in a small picture, thin ones would fade away. */
  readonly thinnest?: number;
  /** In which lengths are shown: 0 centimetres, 1 inches. */
  readonly unit?: number;
  readonly pictures?: Pictures;
  /** In which languages a teacher's words are read, the first where they are there. */
  readonly languages?: readonly string[];
  /** In which language they were written. */
  readonly written?: string;
}

const rulings = new WeakMap<Page, Ruling>();

export function drawPaper(ctx: CanvasRenderingContext2D, page: Page, pictures?: Pictures | null): void {
  ctx.fillStyle = '#ffffff';
  ctx.fillRect(0, 0, page.size.width, page.size.height);
  const picture = page.paper.media && pictures?.find(page.paper.media);
  if (picture) {
    const scale = Math.min(page.size.width / picture.naturalWidth, page.size.height / picture.naturalHeight);
    const [width, height] = [picture.naturalWidth * scale, picture.naturalHeight * scale];
    ctx.drawImage(picture, (page.size.width - width) / 2, (page.size.height - height) / 2, width, height);
  }
  let ruled = rulings.get(page);
  if (!ruled) rulings.set(page, (ruled = ruling(page.paper, page.size.width, page.size.height)));
  drawLines(ctx, ruled.lines, PAPER_LINE, THIN);
  drawLines(ctx, ruled.strong, PAPER_STRONG, STRONG);
  ctx.fillStyle = PAPER_STRONG;
  for (let i = 0; i < ruled.dots.length; i += 2)
    ctx.fillRect(ruled.dots[i]! - DOT, ruled.dots[i + 1]! - DOT, 2 * DOT, 2 * DOT);
  ctx.fillStyle = PAPER_WORDS;
  ctx.font = `${LABEL_SIZE}px ${FONT}`;
  ctx.textAlign = 'center';
  for (const [x, y, text] of ruled.labels) ctx.fillText(asRead(text), x, y);
  ctx.textAlign = 'start';
}

function drawLines(ctx: CanvasRenderingContext2D, lines: readonly number[], colour: string, width: number): void {
  ctx.strokeStyle = colour;
  ctx.lineWidth = width;
  ctx.beginPath();
  for (let i = 0; i < lines.length; i += 4) {
    ctx.moveTo(lines[i]!, lines[i + 1]!);
    ctx.lineTo(lines[i + 2]!, lines[i + 3]!);
  }
  ctx.stroke();
}

interface InkPath {
  readonly path: Path2D;
  readonly width: number;
  readonly cuts: Mark['cuts'];
  readonly scale: Mark['scale'];
  readonly looks: number;
}

// By body: a mark that is moved or recoloured keeps its outline.
const paths = new WeakMap<InkBody, InkPath>();

function inkPath({ body, cuts, scale, style: { looks } }: Mark & { body: InkBody }, width: number): Path2D {
  const known = paths.get(body);
  const isSame = known?.cuts === cuts && known.scale === scale && known.looks === looks;
  if (known && isSame && known.width === width) return known.path;
  const path = new Path2D();
  for (const part of remaining(body.points, cuts))
    outlinePath(asLooked(part, { body, scale, style: { looks } }), width, path);
  paths.set(body, { path, width, cuts, scale, looks });
  return path;
}

/** The points of a piece of ink as they are to be outlined: scaled, and of even pressure where the pen is one of even width. */
export function asLooked(
  points: readonly number[],
  { body, scale, style }: Pick<Mark, 'body' | 'scale'> & { style: Pick<Mark['style'], 'looks'> },
): readonly number[] {
  const even = (style.looks & (Looks.FeltTip | Looks.Highlighter)) !== 0;
  if (!even && !scale) return points;
  const middle = middleOf(body);
  const [sx, sy] = [(scale?.x ?? 1000) / 1000, (scale?.y ?? 1000) / 1000];
  return points.map((v, i) => {
    if (i % 4 === 0) return Math.floor(middle.x + (v - middle.x) * sx + 0.5);
    if (i % 4 === 1) return Math.floor(middle.y + (v - middle.y) * sy + 0.5);
    return i % 4 === 2 && even ? EVEN_PRESSURE : v;
  });
}

export function drawMark(ctx: CanvasRenderingContext2D, mark: Mark, options: DrawOptions = {}): void {
  const { body, place, style } = mark;
  const thinnest = options.thinnest ?? 0;
  ctx.save();
  ctx.translate(place.x, place.y);
  if (place.turn !== 0) {
    const middle = middleOf(body);
    ctx.translate(middle.x, middle.y);
    ctx.rotate((place.turn / 18_000) * Math.PI);
    ctx.translate(-middle.x, -middle.y);
  }
  const colour = colourOf(mark);
  if (body.kind === 'ink') {
    if (style.looks & Looks.Highlighter) ctx.globalCompositeOperation = 'multiply';
    ctx.fillStyle = colour;
    ctx.fill(inkPath({ ...mark, body }, Math.max(thinnest, style.width)));
  } else if (body.kind === 'shape') {
    const fill = style.fill > 0 ? noteColour(style.fill - 1) : null;
    drawShape(ctx, body, mark, { line: colour, fill }, thinnest);
    ctx.fillStyle = colour;
    ctx.font = `${MEASURE_SIZE}px ${FONT}`;
    ctx.textAlign = 'center';
    for (const { x, y, text } of measureLabels(body, mark.scale, style.looks, options.unit ?? 0))
      ctx.fillText(asRead(text), x, y + MEASURE_SIZE / 3);
  } else if (body.kind === 'connector') drawConnector(ctx, body, mark, colour, thinnest);
  else if (body.kind === 'zone') drawZone(ctx, body, mark, options.languages ?? [], options.written ?? '');
  else if (body.kind === 'picture') drawPicture(ctx, mark, body, options.pictures);
  else if (body.kind === 'formula') drawFormula(ctx, body, mark, colour);
  else if (body.kind === 'stamp') drawStamp(ctx, body, mark, colour);
  else {
    if (body.kind === 'bubble') drawBubble(ctx, body, noteColour(style.colour));
    if (body.kind === 'note') {
      ctx.fillStyle = noteColour(style.colour);
      ctx.fillRect(body.x, body.y, body.width, body.height);
    }
    drawWords(ctx, mark, body, options.languages ?? []);
  }
  if (mark.grip === Grip.Key) drawKeyFrame(ctx, mark);
  ctx.restore();
}

// What only teachers see says so, wherever it is seen.
function drawKeyFrame(ctx: CanvasRenderingContext2D, mark: Mark): void {
  const box = boxOf(mark.body);
  ctx.strokeStyle = TEACHER_INK;
  ctx.lineWidth = STRONG;
  ctx.setLineDash(KEY_DASH);
  ctx.strokeRect(box.x - 100, box.y - 100, box.width + 200, box.height + 200);
}

export function colourOf(mark: Pick<Mark, 'grip' | 'style' | 'byStaff' | 'body'>): string {
  const { style } = mark;
  if (mark.body.kind === 'ink' && style.looks & Looks.Highlighter) return highlighterColour(style.colour);
  if (mark.grip === Grip.Key) return TEACHER_INK;
  return mark.grip === Grip.Printed || mark.grip === Grip.Loose ? PRINT : inkColour(style.colour, mark.byStaff);
}

function drawWords(ctx: CanvasRenderingContext2D, mark: Mark, body: BoxBody, languages: readonly string[]): void {
  const { text, lines, size } = wordsIn(body.words, languages);
  const { looks } = mark.style;
  const inset = body.kind === 'text' ? 0 : NOTE_PADDING;
  const width = body.width - 2 * inset;
  ctx.fillStyle = body.kind === 'text' ? colourOf(mark) : PRINT;
  ctx.font = fontOf(size, looks);
  ctx.direction = isRightToLeft(text) ? 'rtl' : 'ltr';
  const right = ((looks & Looks.AlignedEnd) !== 0) !== (ctx.direction === 'rtl');
  ctx.textAlign = looks & Looks.Centred ? 'center' : right ? 'right' : 'left';
  const x = body.x + inset + (looks & Looks.Centred ? width / 2 : right ? width : 0);
  lines.forEach((line, i) => ctx.fillText(line, x, body.y + inset + (ASCENT + i * LINE_HEIGHT) * size));
}

export function fontOf(size: number, looks: number): string {
  return `${looks & Looks.Bold ? 'bold ' : ''}${size}px ${FONT}`;
}
