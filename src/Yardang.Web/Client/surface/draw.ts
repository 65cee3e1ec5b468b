// Draws a page and its marks on a canvas whose unit is 1/100 mm.

import { kindOf } from '../kinds';
import type { DrawOptions } from '../kinds/kind';
import { Grip, type Mark, marksThatWait, type Page } from '../room/marks';
import { TakenDown } from '../wire/forms';
import type { Box } from '../shapes/geometry';
import { boxOf, middleOf } from '../shapes/placed';
import { asRead } from './numbers';
import { TEACHER_INK } from './palette';
import type { Pictures } from './pictures';
import { LABEL_SIZE, type Ruling, ruling } from './ruling';
import { FONT } from './type';

export type { DrawOptions };

const PAPER_LINE = '#cddcdf';
const PAPER_STRONG = '#8fa3a9';
const PAPER_WORDS = '#56676e';
const THIN = 18;
const STRONG = 30;
const DOT = 35;
const KEY_DASH = [120, 90];
/** How far the sign of what was said aloud reaches from its middle. */
export const VOICE = 300;
const VOICE_LINE = 52;
const VOICE_STEP = 98;
const VOICE_HEIGHTS = [52, 143, 91, 39];

/** How strong what waits for the teacher is drawn. */
const WAITING = 0.6;
/** How strong what a teacher took down is drawn, for those who still see it. */
const DOWN = 0.35;

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

export function drawMark(ctx: CanvasRenderingContext2D, mark: Mark, options: DrawOptions = {}): void {
  const { body, place } = mark;
  ctx.save();
  ctx.translate(place.x, place.y);
  if (marksThatWait.has(mark)) ctx.globalAlpha *= WAITING;
  if (mark.down !== TakenDown.No) ctx.globalAlpha *= DOWN;
  if (place.turn !== 0) {
    const middle = middleOf(body);
    ctx.translate(middle.x, middle.y);
    ctx.rotate((place.turn / 18_000) * Math.PI);
    ctx.translate(-middle.x, -middle.y);
  }
  kindOf(body).draw(ctx, mark, body, options);
  if (mark.grip === Grip.Key) drawKeyFrame(ctx, mark);
  if (mark.putBy) drawSaidAloud(ctx, boxOf(mark.body));
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

// Over the corner of what a teacher wrote down for somebody who said it aloud: a voice, in lines. As in the server's SaidAloud.
function drawSaidAloud(ctx: CanvasRenderingContext2D, box: Box): void {
  const [x, y] = [box.x + box.width, box.y];
  ctx.fillStyle = '#ffffff';
  ctx.strokeStyle = TEACHER_INK;
  ctx.lineWidth = STRONG;
  ctx.beginPath();
  ctx.arc(x, y, VOICE, 0, 2 * Math.PI);
  ctx.fill();
  ctx.stroke();
  ctx.lineCap = 'round';
  ctx.lineWidth = VOICE_LINE;
  ctx.beginPath();
  VOICE_HEIGHTS.forEach((height, i) => {
    const at = x + (i - (VOICE_HEIGHTS.length - 1) / 2) * VOICE_STEP;
    ctx.moveTo(at, y - height);
    ctx.lineTo(at, y + height);
  });
  ctx.stroke();
}
