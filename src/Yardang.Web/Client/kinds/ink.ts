// Ink: strokes of pens, felt tips and highlighters.

import { outlinePath } from '../ink/outline';
import { remaining } from '../ink/stroke';
import { type InkBody, Looks, type Mark } from '../room/marks';
import { type Box, type Spot, centreOf } from '../shapes/geometry';
import { highlighterColour, lineColour } from '../surface/palette';
import type { Kind } from './kind';
import { isNearPath } from './near';

const EVEN_PRESSURE = 128;

export const ink: Kind<InkBody> = {
  box: boxOfInk,
  draw(ctx, mark, body, { thinnest = 0 }) {
    const { style } = mark;
    const isMarker = (style.looks & Looks.Highlighter) !== 0;
    if (isMarker) ctx.globalCompositeOperation = 'multiply';
    ctx.fillStyle = isMarker ? highlighterColour(style.colour) : lineColour(mark);
    if (style.width < thinnest) drawThin(ctx, { ...mark, body }, thinnest);
    else ctx.fill(inkPath({ ...mark, body }, style.width));
  },
  isAt: (mark, body, local, limit) =>
    remaining(body.points, mark.cuts).some((part) =>
      isNearPath(spots(asLooked(part, { ...mark, body })), local, limit),
    ),
  said: () => '',
};

function boxOfInk({ points }: InkBody): Box {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < points.length; i += 4) {
    left = Math.min(left, points[i]!);
    right = Math.max(right, points[i]!);
    top = Math.min(top, points[i + 1]!);
    bottom = Math.max(bottom, points[i + 1]!);
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}

function spots(points: readonly number[]): Spot[] {
  const spots: Spot[] = [];
  for (let i = 0; i < points.length; i += 4) spots.push({ x: points[i]!, y: points[i + 1]! });
  return spots;
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

// Ink too thin for its outline to be seen is a line of even width; nothing is remembered of it.
function drawThin(ctx: CanvasRenderingContext2D, mark: Mark & { body: InkBody }, width: number): void {
  ctx.strokeStyle = ctx.fillStyle;
  ctx.lineWidth = width;
  ctx.lineCap = 'round';
  ctx.lineJoin = 'round';
  ctx.beginPath();
  for (const part of remaining(mark.body.points, mark.cuts)) {
    const points = asLooked(part, mark);
    ctx.moveTo(points[0]!, points[1]!);
    let [x, y] = [points[0]!, points[1]!];
    for (let i = 4; i < points.length; i += 4) {
      // Nearer than half its width nothing is seen of a bend.
      const isLast = i + 4 >= points.length;
      if (!isLast && Math.abs(points[i]! - x) + Math.abs(points[i + 1]! - y) < width / 2) continue;
      [x, y] = [points[i]!, points[i + 1]!];
      ctx.lineTo(x, y);
    }
    // Of a dot, too, something is seen.
    ctx.lineTo(x + 1, y);
  }
  ctx.stroke();
}

/** The points of a piece of ink as they are to be outlined: scaled, and of even pressure where the pen is one of even width. */
function asLooked(
  points: readonly number[],
  { body, scale, style }: { body: InkBody } & Pick<Mark, 'scale'> & { style: Pick<Mark['style'], 'looks'> },
): readonly number[] {
  const even = (style.looks & (Looks.FeltTip | Looks.Highlighter)) !== 0;
  if (!even && !scale) return points;
  const middle = centreOf(boxOfInk(body));
  const [sx, sy] = [(scale?.x ?? 1000) / 1000, (scale?.y ?? 1000) / 1000];
  return points.map((v, i) => {
    if (i % 4 === 0) return Math.floor(middle.x + (v - middle.x) * sx + 0.5);
    if (i % 4 === 1) return Math.floor(middle.y + (v - middle.y) * sy + 0.5);
    return i % 4 === 2 && even ? EVEN_PRESSURE : v;
  });
}
