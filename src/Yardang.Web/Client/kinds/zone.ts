// Named regions of a page.

import { type Mark, ShapeKind, type ZoneBody } from '../room/marks';
import { drawShape } from '../shapes/draw-shape';
import { type Box, type Spot, boxRound, centreOf, corners } from '../shapes/geometry';
import { textIn } from '../surface/in-language';
import { PRINT, noteColour } from '../surface/palette';
import { isRightToLeft } from '../surface/reading';
import { FONT, NOTE_PADDING } from '../surface/type';
import type { Kind } from './kind';
import { cornersOf, isAtShape, scaledCorners } from './shape';

const NAME_SIZE = 550;
/** How far down from the top of a zone its name reaches. */
const NAME_HEIGHT = 1100;
const LINE = 40;
const LINE_COLOUR = '#8fa3a9';
const TINT = '77';

export const zone: Kind<ZoneBody> = {
  box: (body) => boxRound(corners(body)),
  corners: cornersOf,
  draw(ctx, mark, body, { languages = [], written = '' }) {
    const colour = noteColour(Math.max(0, mark.style.fill - 1));
    const style = { ...mark.style, width: LINE };
    drawShape(ctx, body, { style, scale: mark.scale }, { line: LINE_COLOUR, fill: `${colour}${TINT}` });
    const name = textIn(body.name, languages, written);
    if (!name) return;
    const box = nameBox(body, mark.scale);
    ctx.fillStyle = PRINT;
    ctx.font = `bold ${NAME_SIZE}px ${FONT}`;
    ctx.direction = isRightToLeft(name) ? 'rtl' : 'ltr';
    ctx.textAlign = body.shape === ShapeKind.Ellipse ? 'center' : 'left';
    ctx.fillText(name, box.x, box.y, box.width);
  },
  // A zone is gripped by its edge or by its name: what lies in it stays within reach.
  isAt: (mark, body, local, limit) =>
    isAtName(local, boxRound(scaledCorners(body, mark.scale))) || isAtShape(mark, body, false, local, limit),
  said: (body, { languages, written }) => textIn(body.name, languages, written),
  saidIn: (body, languages, written) => textIn(body.name, languages, written),
  languages: ({ name }) => Object.keys(name),
  renamed(body, ids) {
    if (!body.expected) return body;
    const marks = body.expected.marks.flatMap((id) => ids.get(id) ?? []);
    return { ...body, expected: { ...body.expected, marks } };
  },
};

function isAtName(spot: Spot, box: Box): boolean {
  const isAcross = Math.abs(spot.x - box.x - box.width / 2) < box.width / 2;
  return isAcross && spot.y > box.y && spot.y < box.y + NAME_HEIGHT;
}

/** Where the name of a zone begins (round ones: its middle), and how much room it has. */
function nameBox(body: ZoneBody, scale: Mark['scale']): { x: number; y: number; width: number } {
  const { x, y, width, height } = boxRound(scaledCorners(body, scale));
  return body.shape === ShapeKind.Ellipse
    ? {
        x: centreOf({ x, y, width, height }).x,
        y: y + Math.max(height * 0.08, NAME_SIZE) + NAME_SIZE * 0.7,
        width: width * 0.5,
      }
    : { x: x + NOTE_PADDING, y: y + NOTE_PADDING + NAME_SIZE * 0.8, width: Math.max(1, width - 2 * NOTE_PADDING) };
}
