// Lines, polygons, ellipses and arcs.

import { Looks, type Mark, type ShapeBody, ShapeKind, type ZoneBody } from '../room/marks';
import { drawShape } from '../shapes/draw-shape';
import {
  type Spot,
  arcSpots,
  boxCorners,
  boxRound,
  centreOf,
  corners,
  isInside,
  scaledAbout,
} from '../shapes/geometry';
import { MEASURE_SIZE, measureLabels } from '../shapes/measure-labels';
import { figureOf } from '../shapes/measures';
import { asRead } from '../surface/numbers';
import { lineColour, noteColour } from '../surface/palette';
import { FONT } from '../surface/type';
import type { Kind } from './kind';
import { isNearPath } from './near';

const AROUND_MEASURES = 1400;
const MEASURES = Looks.ShowsSides | Looks.ShowsAngles | Looks.ShowsPerimeter | Looks.ShowsArea;

export const shape: Kind<ShapeBody> = {
  box: (body) => boxRound(corners(body)),
  corners: cornersOf,
  draw(ctx, mark, body, { thinnest = 0, unit = 0 }) {
    const { style, scale } = mark;
    const line = lineColour(mark);
    drawShape(ctx, body, mark, { line, fill: style.fill > 0 ? noteColour(style.fill - 1) : null }, thinnest);
    ctx.fillStyle = line;
    ctx.font = `${MEASURE_SIZE}px ${FONT}`;
    ctx.textAlign = 'center';
    for (const { x, y, text } of measureLabels(body, scale, style.looks, unit))
      ctx.fillText(asRead(text), x, y + MEASURE_SIZE / 3);
  },
  around: ({ style }) => (style.looks & MEASURES ? AROUND_MEASURES : 0),
  isAt: (mark, body, local, limit) => isAtShape(mark, body, mark.style.fill > 0, local, limit),
  name: (mark, body, texts) => texts.figures[figureOf(body, mark.scale)],
  said: () => '',
};

/** More than its corners where it is round. */
export function cornersOf(body: ShapeBody | ZoneBody): readonly Spot[] {
  const drawn = corners(body);
  if (body.shape === ShapeKind.Arc) return arcSpots(drawn);
  return body.shape === ShapeKind.Ellipse ? boxCorners(boxRound(drawn)) : drawn;
}

/** Its corners where they are when it was made larger. */
export function scaledCorners(body: ShapeBody | ZoneBody, scale: Mark['scale']): Spot[] {
  const drawn = corners(body);
  const middle = centreOf(boxRound(drawn));
  return drawn.map((c) => scaledAbout(c, middle, { scale }));
}

/** A shape without filling is only its line: what it rings stays within reach. */
export function isAtShape(
  mark: Mark,
  body: ShapeBody | ZoneBody,
  isFilled: boolean,
  local: Spot,
  limit: number,
): boolean {
  const { shape } = body;
  const p = scaledCorners(body, mark.scale);
  if (shape === ShapeKind.Arc) return isNearPath(arcSpots(p), local, limit);
  if (shape === ShapeKind.Ellipse) {
    const round = ellipseSpots(p);
    return isNearPath([...round, round[0]!], local, limit) || (isFilled && isInside(local, round));
  }
  const path = shape === ShapeKind.Polygon ? [...p, p[0]!] : p;
  return isNearPath(path, local, limit) || (shape === ShapeKind.Polygon && isFilled && isInside(local, p));
}

function ellipseSpots([a, b]: readonly Spot[]): Spot[] {
  const steps = 48;
  return Array.from({ length: steps }, (_, i) => ({
    x: (a!.x + b!.x) / 2 + (Math.abs(b!.x - a!.x) / 2) * Math.cos((2 * Math.PI * i) / steps),
    y: (a!.y + b!.y) / 2 + (Math.abs(b!.y - a!.y) / 2) * Math.sin((2 * Math.PI * i) / steps),
  }));
}
