// Draws lines, polygons, ellipses and arcs. Place and turn are the canvas's already; scale is applied here, so that lines keep their width.

import { Looks, type Mark, ShapeKind, type ShapeBody } from '../room/marks';
import { type Spot, arcThrough, boxRound, corners, scaledAbout } from './geometry';

const DASH = 5;
// Of a fine line that goes a long way there would be millions (Dashes.cs).
const MOST_DASHES = 180;
const HEAD_LENGTH = 5;
const HEAD_HALF = 2;
const LEAST_HEAD = 200;

export interface ShapeColours {
  readonly line: string;
  readonly fill: string | null;
}

export function drawShape(
  ctx: CanvasRenderingContext2D,
  body: Pick<ShapeBody, 'shape' | 'points'>,
  { style, scale }: Pick<Mark, 'style' | 'scale'>,
  colours: ShapeColours,
  thinnest = 0,
): void {
  const box = boxRound(corners(body));
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const p = corners(body).map((c) => scaledAbout(c, middle, { scale }));
  const path = shapePath(body.shape, p);
  if (colours.fill && (body.shape === ShapeKind.Polygon || body.shape === ShapeKind.Ellipse)) {
    ctx.fillStyle = colours.fill;
    ctx.fill(path);
  }
  const width = Math.max(style.width, thinnest);
  ctx.strokeStyle = ctx.fillStyle = colours.line;
  ctx.lineWidth = width;
  ctx.lineCap = 'round';
  ctx.lineJoin = 'round';
  const dash = Math.max(DASH * width, shapeLength(body.shape, p) / (1.5 * MOST_DASHES));
  ctx.setLineDash(style.looks & Looks.Dashed ? [dash, dash / 2] : []);
  // Fewer and longer ones than usual have plain ends, as in print.
  if (style.looks & Looks.Dashed && dash > DASH * width) ctx.lineCap = 'butt';
  ctx.stroke(path);
  ctx.setLineDash([]);
  if (body.shape !== ShapeKind.Line) return;
  if (style.looks & Looks.ArrowAtEnd) ctx.fill(head(p.at(-2)!, p.at(-1)!, width));
  if (style.looks & Looks.ArrowAtStart) ctx.fill(head(p[1]!, p[0]!, width));
}

/** How long its line is; of an ellipse a little more. */
function shapeLength(shape: ShapeKind, p: readonly Spot[]): number {
  const circle = shape === ShapeKind.Arc ? arcThrough(p[0]!, p[1]!, p[2]!) : null;
  if (circle) return Math.abs(circle.radius * circle.sweep);
  if (shape === ShapeKind.Ellipse) return 2 * (Math.abs(p[1]!.x - p[0]!.x) + Math.abs(p[1]!.y - p[0]!.y));
  const ends = shape === ShapeKind.Polygon ? [...p, p[0]!] : p;
  return ends.slice(1).reduce((sum, end, i) => sum + Math.hypot(end.x - ends[i]!.x, end.y - ends[i]!.y), 0);
}

function shapePath(shape: ShapeKind, p: readonly Spot[]): Path2D {
  const path = new Path2D();
  if (shape === ShapeKind.Ellipse) {
    const [a, b] = [p[0]!, p[1]!];
    const [rx, ry] = [Math.abs(b.x - a.x) / 2, Math.abs(b.y - a.y) / 2];
    path.ellipse((a.x + b.x) / 2, (a.y + b.y) / 2, rx, ry, 0, 0, 2 * Math.PI);
    return path;
  }
  const circle = shape === ShapeKind.Arc ? arcThrough(p[0]!, p[1]!, p[2]!) : null;
  if (circle) {
    const { middle, radius, start, sweep } = circle;
    path.arc(middle.x, middle.y, radius, start, start + sweep, sweep < 0);
    return path;
  }
  p.forEach((s, i) => (i === 0 ? path.moveTo(s.x, s.y) : path.lineTo(s.x, s.y)));
  if (shape === ShapeKind.Polygon) path.closePath();
  return path;
}

function head(from: Spot, tip: Spot, width: number): Path2D {
  const path = new Path2D();
  const length = Math.hypot(tip.x - from.x, tip.y - from.y);
  if (length === 0) return path;
  const [dx, dy] = [(tip.x - from.x) / length, (tip.y - from.y) / length];
  const long = Math.max(LEAST_HEAD, HEAD_LENGTH * width);
  const half = Math.max((LEAST_HEAD * HEAD_HALF) / HEAD_LENGTH, HEAD_HALF * width);
  path.moveTo(tip.x + dx * width, tip.y + dy * width);
  path.lineTo(tip.x - dx * long - dy * half, tip.y - dy * long + dx * half);
  path.lineTo(tip.x - dx * long + dy * half, tip.y - dy * long - dx * half);
  path.closePath();
  return path;
}
