// Draws a page and its marks on a canvas whose unit is 1/100 mm.

import { outlinePath } from '../ink/outline';
import { remaining } from '../ink/stroke';
import { type BoxBody, type Mark, Grip, type Page } from '../room/marks';
import { PRINT, inkColour, noteColour } from './palette';

export const FONT = "'Atkinson Hyperlegible Next Variable', sans-serif";

/** Room round the words of a note, and of a text (none), 1/100 mm. */
export const NOTE_PADDING = 300;

/** Distance from line to line, in heights of the type. */
export const LINE_HEIGHT = 1.25;

/** Where the first baseline lies below the top of a text, in heights of the type. */
const ASCENT = 0.95;

const PAPER_LINE = '#cddcdf';

export function drawPaper(ctx: CanvasRenderingContext2D, page: Page): void {
  ctx.fillStyle = '#ffffff';
  ctx.fillRect(0, 0, page.width, page.height);
  ctx.strokeStyle = PAPER_LINE;
  ctx.lineWidth = 18;
  ctx.beginPath();
  if (page.paper === 1) {
    for (let x = 500; x < page.width; x += 500) ctx.rect(x, 0, 0, page.height);
    for (let y = 500; y < page.height; y += 500) ctx.rect(0, y, page.width, 0);
  } else if (page.paper === 2) {
    for (let y = 2000; y < page.height; y += 800) ctx.rect(0, y, page.width, 0);
  }
  ctx.stroke();
}

const paths = new WeakMap<Mark, { path: Path2D; width: number }>();

function inkPath(mark: Mark, width: number): Path2D {
  const known = paths.get(mark);
  if (known?.width === width) return known.path;
  const path = new Path2D();
  if (mark.body.kind === 'ink')
    for (const part of remaining(mark.body.points, mark.cuts)) outlinePath(part, width, path);
  paths.set(mark, { path, width });
  return path;
}

/** @param thinnest ink is drawn at least this wide (1/100 mm): in a small picture, thin lines would fade away. */
export function drawMark(ctx: CanvasRenderingContext2D, mark: Mark, thinnest = 0): void {
  const { body, place } = mark;
  ctx.save();
  ctx.translate(place.x, place.y);
  if (body.kind === 'ink') {
    ctx.fillStyle = colourOf(mark);
    ctx.fill(inkPath(mark, Math.max(thinnest, mark.style.width)));
  } else {
    if (body.kind === 'note') {
      ctx.fillStyle = noteColour(mark.style.colour);
      ctx.fillRect(body.x, body.y, body.width, body.height);
    }
    drawWords(ctx, mark, body);
  }
  ctx.restore();
}

function colourOf(mark: Mark): string {
  return mark.grip === Grip.Printed ? PRINT : inkColour(mark.style.colour, mark.byStaff);
}

function drawWords(ctx: CanvasRenderingContext2D, mark: Mark, body: BoxBody): void {
  const { lines, size } = body.words;
  const inset = body.kind === 'note' ? NOTE_PADDING : 0;
  ctx.fillStyle = body.kind === 'note' ? PRINT : colourOf(mark);
  ctx.font = `${size}px ${FONT}`;
  lines.forEach((line, i) => ctx.fillText(line, body.x + inset, body.y + inset + (ASCENT + i * LINE_HEIGHT) * size));
}

/** The box that a mark takes on the page, 1/100 mm. */
export function bounds(mark: Mark): { x: number; y: number; width: number; height: number } {
  const { body, place } = mark;
  if (body.kind !== 'ink') return { x: body.x + place.x, y: body.y + place.y, width: body.width, height: body.height };
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < body.points.length; i += 4) {
    left = Math.min(left, body.points[i]!);
    right = Math.max(right, body.points[i]!);
    top = Math.min(top, body.points[i + 1]!);
    bottom = Math.max(bottom, body.points[i + 1]!);
  }
  const r = mark.style.width;
  return { x: left - r + place.x, y: top - r + place.y, width: right - left + 2 * r, height: bottom - top + 2 * r };
}

/** The mark in front at a point, as far as somebody may pick it. */
export function markAt(
  marks: readonly Mark[],
  x: number,
  y: number,
  reach: number,
  may: (m: Mark) => boolean,
): Mark | null {
  for (let i = marks.length - 1; i >= 0; i--) {
    const mark = marks[i]!;
    if (!may(mark)) continue;
    const box = bounds(mark);
    if (x < box.x - reach || y < box.y - reach || x > box.x + box.width + reach || y > box.y + box.height + reach)
      continue;
    if (mark.body.kind !== 'ink' || nearInk(mark, x, y, reach)) return mark;
  }
  return null;
}

function nearInk(mark: Mark, x: number, y: number, reach: number): boolean {
  if (mark.body.kind !== 'ink') return false;
  const limit = reach + mark.style.width;
  for (const part of remaining(mark.body.points, mark.cuts)) {
    for (let i = 0; i < part.length; i += 4) {
      const ax = part[Math.max(0, i - 4)]! + mark.place.x;
      const ay = part[Math.max(1, i - 3)]! + mark.place.y;
      if (distance(x, y, ax, ay, part[i]! + mark.place.x, part[i + 1]! + mark.place.y) <= limit) return true;
    }
  }
  return false;
}

function distance(x: number, y: number, ax: number, ay: number, bx: number, by: number): number {
  const dx = bx - ax;
  const dy = by - ay;
  const square = dx * dx + dy * dy;
  const t = square === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / square));
  return Math.hypot(x - ax - t * dx, y - ay - t * dy);
}
