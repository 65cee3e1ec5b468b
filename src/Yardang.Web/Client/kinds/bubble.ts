// Words in a bubble whose tail points at who says them.

import type { BubbleBody } from '../room/marks';
import { centreOf } from '../shapes/geometry';
import { PRINT, noteColour } from '../surface/palette';
import { NOTE_PADDING } from '../surface/type';
import type { Kind } from './kind';
import { drawWords, written } from './written';

const BUBBLE_LINE = 30;
const BUBBLE_ROUND = 300;
/** The tail's base, as a share of the bubble's shorter side. */
const TAIL = 0.32;

export const bubble: Kind<BubbleBody> = {
  ...written,
  draw(ctx, mark, body, { languages = [] }) {
    drawBubble(ctx, body, noteColour(mark.style.colour));
    drawWords(ctx, mark, body, NOTE_PADDING, PRINT, languages);
  },
};

// Line first and filling over it, so that only what lies outside of both box and tail is seen of the line.
function drawBubble(ctx: CanvasRenderingContext2D, body: BubbleBody, colour: string): void {
  const { x, y, width, height, tipX, tipY } = body;
  const middle = centreOf(body);
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
