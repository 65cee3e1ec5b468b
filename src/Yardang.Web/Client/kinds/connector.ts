// Lines from one mark to another, which follow them.

import { type ConnectorBody, ShapeKind } from '../room/marks';
import { drawShape } from '../shapes/draw-shape';
import { type Box, boxRound, centreOf, corners } from '../shapes/geometry';
import { PRINT, lineColour } from '../surface/palette';
import { isRightToLeft } from '../surface/reading';
import { ASCENT, FONT, LINE_HEIGHT } from '../surface/type';
import type { Kind } from './kind';
import { isNearPath } from './near';

const box = (body: ConnectorBody): Box => boxRound(corners(body));

export const connector: Kind<ConnectorBody> = {
  box,
  draw(ctx, mark, body, { thinnest = 0 }) {
    const line = { shape: ShapeKind.Line, points: body.points } as const;
    drawShape(ctx, line, { style: mark.style, scale: null }, { line: lineColour(mark), fill: null }, thinnest);
    if (!body.label) return;
    const { text, lines, size } = body.label;
    const middle = centreOf(box(body));
    ctx.direction = isRightToLeft(text) ? 'rtl' : 'ltr';
    ctx.font = `${size}px ${FONT}`;
    ctx.textAlign = 'center';
    const width = Math.max(...lines.map((l) => ctx.measureText(l).width)) + size;
    const height = lines.length * LINE_HEIGHT * size;
    ctx.fillStyle = '#ffffff';
    ctx.fillRect(middle.x - width / 2, middle.y - height / 2, width, height);
    ctx.fillStyle = PRINT;
    lines.forEach((l, i) => ctx.fillText(l, middle.x, middle.y - height / 2 + (ASCENT + i * LINE_HEIGHT) * size));
  },
  around: (_, { label }) => (label ? label.size * label.text.length : 0),
  isAt(_, body, local, limit) {
    if (isNearPath(corners(body), local, limit)) return true;
    const middle = centreOf(box(body));
    return body.label !== null && Math.hypot(local.x - middle.x, local.y - middle.y) < body.label.size * 1.5;
  },
  said: ({ from, to, label }, reader) => `${reader.mark(from)} → ${reader.mark(to)}${label ? ` (${label.text})` : ''}`,
  ends: ({ from, to }) => [from, to],
  renamed: (body, ids) => ({ ...body, from: ids.get(body.from)!, to: ids.get(body.to)! }),
};
