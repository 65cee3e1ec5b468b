// What was recorded or attached, on a slip of its own: Rendering's AttachmentMarks draws the same.

import { clock } from '../attachments/clock';
import type { Mark, ShownBody } from '../room/marks';
import { type Box, type Spot, centreOf } from '../shapes/geometry';
import { lineColour } from '../surface/palette';
import { ASCENT, FONT, LINE_HEIGHT } from '../surface/type';
import type { Attachment } from '../wire/forms';
import { ownBox, scaledBox } from './boxed';
import type { DrawOptions, Kind } from './kind';

// As in AttachmentMarks, 1/100 mm of a slip that is so wide.
const SLIP = 5300;
const EDGE = 150;
const INSIDE = SLIP - 2 * EDGE;
const SIGN = 800;
const BARS = 800;
const VOICE = 1500;
const LINES = 900;
const CAPTION = 500;
const SIZE = 300;
const THIN = 25;
const PICTURE = 700;
const SIGN_LINE = 45;
const BAR = 55;
const SILENT = 40;
const PLAY: readonly Spot[] = [spot(180, 100), spot(640, 400), spot(180, 700)];
const STILL_PLAY: readonly Spot[] = [spot(-350, -350), spot(350, 0), spot(-350, 350)];
const LEAF: readonly Spot[] = [spot(150, 100), spot(450, 100), spot(600, 250), spot(600, 750), spot(150, 750)];

/** More than there is room for in a line. */
const MOST_LETTERS = 100;

/** How wide a new one is, 1/100 mm. */
const NEW_WIDTH = 9500;

export const shown: Kind<ShownBody> = {
  box: ownBox,
  draw(ctx, mark, body, options) {
    const box = scaledBox(body, mark.scale);
    ctx.translate(box.x, box.y);
    const scale = box.width / SLIP;
    ctx.scale(scale, scale);
    ctx.fillStyle = '#ffffff';
    ctx.strokeStyle = lineColour(mark);
    ctx.lineWidth = THIN;
    ctx.beginPath();
    ctx.rect(0, 0, SLIP, box.height / scale);
    ctx.fill();
    ctx.stroke();
    // Nothing of it lies beyond its slip.
    ctx.clip();
    ctx.translate(EDGE, EDGE);
    drawInside(ctx, mark, body.shown, options);
  },
  name: (_, body, texts) => texts.kinds[body.shown.kind] ?? texts.kinds['shown']!,
  said: ({ shown }) => [lasting(shown), wordsOf(shown) || titleOf(shown)].filter(Boolean).join(' '),
};

/** How large it is when it is put on a page. */
export function sizeOf(attachment: Attachment): { width: number; height: number } {
  const height = attachment.kind === 'voice' ? VOICE : hasStill(attachment) ? stillHeight(attachment) + CAPTION : LINES;
  return { width: NEW_WIDTH, height: Math.round((NEW_WIDTH * (height + 2 * EDGE)) / SLIP) };
}

/** Where its sign is: what plays or opens it. In its body's coordinates. */
export function signOf(body: ShownBody): Spot {
  const scale = body.width / SLIP;
  const inside = hasStill(body.shown)
    ? spot(INSIDE / 2, Math.min(stillHeight(body.shown), body.height / scale) / 2)
    : centreOf({ x: 0, y: 0, width: SIGN, height: SIGN });
  return spot(body.x + scale * (EDGE + inside.x), body.y + scale * (EDGE + inside.y));
}

/** What its author says of it, or what it is called. */
export function wordsOf(attachment: Attachment): string {
  if (attachment.kind === 'voice' || attachment.kind === 'film') return attachment.words;
  if (attachment.kind === 'file') return attachment.description;
  return attachment.kind === 'link' ? attachment.title : '';
}

/** The same with other words of its author to it. */
export function described(attachment: Attachment, words: string): Attachment {
  if (attachment.kind === 'voice' || attachment.kind === 'film') return { ...attachment, words };
  if (attachment.kind === 'file') return { ...attachment, description: words };
  return attachment.kind === 'link' ? { ...attachment, title: words } : attachment;
}

/** What it is called by itself: files, and pages elsewhere. */
export function titleOf(attachment: Attachment): string {
  if (attachment.kind === 'file') return attachment.name;
  return attachment.kind === 'link' ? attachment.site || attachment.address : '';
}

function drawInside(ctx: CanvasRenderingContext2D, mark: Mark, attachment: Attachment, options: DrawOptions): void {
  ctx.lineWidth = SIGN_LINE;
  const said = [lasting(attachment), wordsOf(attachment).replace(/\s+/g, ' ')].filter(Boolean).join('  ');
  if (attachment.kind === 'voice') {
    drawSign(ctx, PLAY);
    drawBars(ctx, attachment.loudness);
    drawLine(ctx, mark, said, 0, BARS, INSIDE);
  } else if (hasStill(attachment)) {
    const height = stillHeight(attachment);
    drawStill(ctx, { x: 0, y: 0, width: INSIDE, height }, options.pictures?.find(attachment.still) ?? null);
    ctx.translate(INSIDE / 2, height / 2);
    drawSign(ctx, STILL_PLAY);
    ctx.translate(-INSIDE / 2, -height / 2);
    drawLine(ctx, mark, said, 0, height, INSIDE);
  } else {
    if (attachment.kind === 'link' && attachment.picture)
      drawStill(
        ctx,
        { x: 0, y: 0, width: PICTURE, height: PICTURE },
        options.pictures?.find(attachment.picture) ?? null,
      );
    else if (attachment.kind === 'link') drawArrow(ctx);
    else drawSign(ctx, attachment.kind === 'film' ? PLAY : LEAF);
    const lines = attachment.kind === 'film' ? [said] : linesOf(attachment);
    const top = lines.length > 1 ? 0 : (SIGN - SIZE * LINE_HEIGHT) / 2;
    lines.forEach((line, i) => drawLine(ctx, mark, line, SIGN, top + i * SIZE * LINE_HEIGHT, INSIDE - SIGN));
  }
}

function linesOf(attachment: Attachment): string[] {
  if (attachment.kind === 'link')
    return attachment.title ? [attachment.title, hostOf(attachment.address)] : [attachment.address];
  return [titleOf(attachment), wordsOf(attachment)].filter(Boolean);
}

function hostOf(address: string): string {
  return /^https?:\/\/([^/?#]*)/.exec(address)?.[1] ?? address;
}

function drawSign(ctx: CanvasRenderingContext2D, spots: readonly Spot[]): void {
  ctx.beginPath();
  for (const { x, y } of spots) ctx.lineTo(x, y);
  ctx.closePath();
  ctx.fillStyle = '#ffffff';
  ctx.fill();
  ctx.stroke();
}

function drawArrow(ctx: CanvasRenderingContext2D): void {
  ctx.stroke(new Path2D('M150 650L600 200M280 200L600 200L600 520'));
}

function drawBars(ctx: CanvasRenderingContext2D, loudness: string): void {
  ctx.lineWidth = BAR;
  ctx.beginPath();
  for (let i = 0; i < loudness.length; i++) {
    const half = Math.max(SILENT, (Number(loudness[i]) * BARS) / 18);
    const x = SIGN + ((INSIDE - SIGN) * (i + 0.5)) / loudness.length;
    ctx.moveTo(x, BARS / 2 - half);
    ctx.lineTo(x, BARS / 2 + half);
  }
  ctx.stroke();
}

function drawStill(ctx: CanvasRenderingContext2D, box: Box, image: HTMLImageElement | null): void {
  ctx.fillStyle = '#cddcdf';
  if (image) ctx.drawImage(image, box.x, box.y, box.width, box.height);
  else ctx.fillRect(box.x, box.y, box.width, box.height);
}

/** As much of a line as there is room for. */
function drawLine(ctx: CanvasRenderingContext2D, mark: Mark, text: string, x: number, y: number, width: number): void {
  ctx.font = `${SIZE}px ${FONT}`;
  ctx.fillStyle = lineColour(mark);
  let line = text.slice(0, MOST_LETTERS);
  while (line.length > 1 && ctx.measureText(line).width > width) line = `${line.slice(0, -2).trimEnd()}…`;
  ctx.fillText(line, x, y + SIZE * ASCENT + (y > 0 && x === 0 ? (CAPTION - SIZE * LINE_HEIGHT) / 2 : 0));
}

function hasStill(attachment: Attachment): attachment is Attachment & { kind: 'film' } {
  return attachment.kind === 'film' && attachment.still !== '';
}

function stillHeight({ width, height }: { width: number; height: number }): number {
  return Math.max(1, Math.round(((SLIP - 2 * EDGE) * height) / width));
}

function lasting(attachment: Attachment): string {
  return attachment.kind === 'voice' || attachment.kind === 'film' ? clock(attachment.duration) : '';
}

function spot(x: number, y: number): Spot {
  return { x, y };
}
