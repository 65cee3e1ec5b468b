// Draws what is neither ink, words nor a plain shape: pictures, formulas, stamps, bubbles, connectors and zones. Core's painter does the same.

import type { BubbleBody, ConnectorBody, FormulaBody, Mark, PictureBody, StampBody, ZoneBody } from '../room/marks';
import { ShapeKind } from '../room/marks';
import { drawShape } from '../shapes/draw-shape';
import { type Box, boxRound, corners, middleOf, scaledAbout } from '../shapes/geometry';
import { STAMP_BOX, STAMP_PEN, stampPaths } from '../shapes/stamps';
import { FONT, LINE_HEIGHT, NOTE_PADDING } from './draw';
import { PRINT, noteColour } from './palette';
import { textIn } from './in-language';
import type { Pictures } from './pictures';
import { isRightToLeft } from './reading';
import { LABEL_SIZE } from './ruling';

export const ZONE_NAME_SIZE = 550;
const ZONE_LINE = 40;
const ZONE_TINT = '77';
const PAPER_STRONG = '#8fa3a9';
const PAPER_LINE = '#cddcdf';
const PAPER_WORDS = '#56676e';
const BUBBLE_LINE = 30;
const BUBBLE_ROUND = 300;
/** The tail's base, as a share of the bubble's shorter side. */
const TAIL = 0.32;
const ASCENT = 0.95;

type Sized = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };

/** The box of a body that was made larger. */
function scaledBox(body: Sized, scale: Mark['scale']): Box {
  const [width, height] = [(body.width * (scale?.x ?? 1000)) / 1000, (body.height * (scale?.y ?? 1000)) / 1000];
  return {
    x: body.x + (body.width - width) / 2,
    y: body.y + (body.height - height) / 2,
    width,
    height,
  };
}

// Until it is here, a picture is its place with its description.
export function drawPicture(
  ctx: CanvasRenderingContext2D,
  { scale }: Pick<Mark, 'scale'>,
  body: PictureBody,
  pictures?: Pictures,
): void {
  const { x, y, width, height } = scaledBox(body, scale);
  const image = pictures?.find(body.media);
  if (image) return ctx.drawImage(image, x, y, width, height);
  ctx.fillStyle = PAPER_LINE;
  ctx.fillRect(x, y, width, height);
  ctx.fillStyle = PAPER_WORDS;
  ctx.font = `${LABEL_SIZE}px ${FONT}`;
  const [left, top] = [x + NOTE_PADDING, y + NOTE_PADDING + LABEL_SIZE];
  ctx.fillText(body.description, left, top, Math.max(1, width - 2 * NOTE_PADDING));
}

export function drawFormula(ctx: CanvasRenderingContext2D, body: FormulaBody, mark: Mark, colour: string): void {
  const box = scaledBox(body, mark.scale);
  ctx.translate(box.x, box.y);
  ctx.scale(box.width / body.width, box.height / body.height);
  ctx.fillStyle = colour;
  ctx.fill(new Path2D(body.outline));
}

export function drawStamp(ctx: CanvasRenderingContext2D, body: StampBody, mark: Mark, colour: string): void {
  const paths = stampPaths(body.stamp);
  if (!paths) return;
  const box = scaledBox(body, mark.scale);
  ctx.translate(box.x, box.y);
  ctx.scale(box.width / STAMP_BOX, box.height / STAMP_BOX);
  ctx.strokeStyle = ctx.fillStyle = colour;
  ctx.lineWidth = STAMP_PEN;
  ctx.lineCap = ctx.lineJoin = 'round';
  ctx.stroke(paths.line);
  ctx.fill(paths.fill);
}

// Line first and filling over it, so that only what lies outside of both box and tail is seen of the line.
export function drawBubble(ctx: CanvasRenderingContext2D, body: BubbleBody, colour: string): void {
  const { x, y, width, height, tipX, tipY } = body;
  const middle = middleOf(body);
  const [dx, dy] = [tipX - middle.x, tipY - middle.y];
  const length = Math.max(1, Math.hypot(dx, dy));
  const half = (Math.min(width, height) * TAIL) / 2;
  const [nx, ny] = [(-dy / length) * half, (dx / length) * half];
  const path = new Path2D();
  path.roundRect(x, y, width, height, BUBBLE_ROUND);
  const tail = new Path2D();
  tail.moveTo(middle.x + nx, middle.y + ny);
  tail.lineTo(tipX, tipY);
  tail.lineTo(middle.x - nx, middle.y - ny);
  tail.closePath();
  ctx.strokeStyle = PRINT;
  ctx.lineWidth = 2 * BUBBLE_LINE;
  ctx.lineJoin = 'round';
  ctx.stroke(path);
  ctx.stroke(tail);
  ctx.fillStyle = colour;
  ctx.fill(path);
  ctx.fill(tail);
}

export function drawConnector(
  ctx: CanvasRenderingContext2D,
  body: ConnectorBody,
  mark: Mark,
  colour: string,
  thinnest: number,
): void {
  const line = { shape: ShapeKind.Line, points: body.points } as const;
  drawShape(ctx, line, { style: mark.style, scale: null }, { line: colour, fill: null }, thinnest);
  if (!body.label) return;
  const { text, lines, size } = body.label;
  const middle = middleOf(body);
  ctx.direction = isRightToLeft(text) ? 'rtl' : 'ltr';
  ctx.font = `${size}px ${FONT}`;
  ctx.textAlign = 'center';
  const width = Math.max(...lines.map((l) => ctx.measureText(l).width)) + size;
  const height = lines.length * LINE_HEIGHT * size;
  ctx.fillStyle = '#ffffff';
  ctx.fillRect(middle.x - width / 2, middle.y - height / 2, width, height);
  ctx.fillStyle = PRINT;
  lines.forEach((l, i) => ctx.fillText(l, middle.x, middle.y - height / 2 + (ASCENT + i * LINE_HEIGHT) * size));
}

export function drawZone(
  ctx: CanvasRenderingContext2D,
  body: ZoneBody,
  mark: Mark,
  languages: readonly string[],
  written: string,
): void {
  const colour = noteColour(Math.max(0, mark.style.fill - 1));
  const style = { ...mark.style, width: ZONE_LINE };
  drawShape(ctx, body, { style, scale: mark.scale }, { line: PAPER_STRONG, fill: `${colour}${ZONE_TINT}` });
  const name = textIn(body.name, languages, written);
  if (!name) return;
  const box = zoneNameBox(body, mark.scale);
  ctx.fillStyle = PRINT;
  ctx.font = `bold ${ZONE_NAME_SIZE}px ${FONT}`;
  ctx.direction = isRightToLeft(name) ? 'rtl' : 'ltr';
  ctx.textAlign = body.shape === ShapeKind.Ellipse ? 'center' : 'left';
  ctx.fillText(name, box.x, box.y, box.width);
}

/** Where the name of a zone begins (round ones: its middle), and how much room it has. */
function zoneNameBox(body: ZoneBody, scale: Mark['scale']): { x: number; y: number; width: number } {
  const middle = middleOf(body);
  const { x, y, width, height } = boxRound(corners(body).map((c) => scaledAbout(c, middle, { scale })));
  return body.shape === ShapeKind.Ellipse
    ? { x: middle.x, y: y + Math.max(height * 0.08, ZONE_NAME_SIZE) + ZONE_NAME_SIZE * 0.7, width: width * 0.5 }
    : { x: x + NOTE_PADDING, y: y + NOTE_PADDING + ZONE_NAME_SIZE * 0.8, width: Math.max(1, width - 2 * NOTE_PADDING) };
}
