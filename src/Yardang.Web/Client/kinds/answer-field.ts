// Places where students type an answer, and what they typed there: Rendering's AnswerPainter draws the same.

import type { AnswerFieldBody, FieldAnswerBody } from '../room/marks';
import { spaceOf } from '../shapes/answer-place';
import { textIn } from '../surface/in-language';
import { PRINT, lineColour } from '../surface/palette';
import { isRightToLeft } from '../surface/reading';
import { ANSWER_PADDING, FONT } from '../surface/type';
import { ownBox } from './boxed';
import type { Kind } from './kind';
import { drawWords } from './written';

const NAME_SIZE = 480;
/** How far the name stands over what is typed, by its baseline. */
const NAME_OVER = 210;
const LINE = 30;
const FOOT = 90;
const LINE_COLOUR = '#8fa3a9';

export const answerField: Kind<AnswerFieldBody> = {
  box: ownBox,
  draw(ctx, mark, body, { languages = [], written = '' }) {
    const space = spaceOf({ ...mark, place: { x: 0, y: 0, turn: 0 } }, body);
    drawFrame(ctx, space);
    const name = textIn(body.name, languages, written);
    if (!name) return;
    const rtl = isRightToLeft(name);
    ctx.fillStyle = PRINT;
    ctx.font = `bold ${NAME_SIZE}px ${FONT}`;
    ctx.direction = rtl ? 'rtl' : 'ltr';
    ctx.textAlign = rtl ? 'right' : 'left';
    ctx.fillText(name, rtl ? space.x + space.width : space.x, space.y - NAME_OVER, space.width);
  },
  said: (body, { languages, written }) => textIn(body.name, languages, written),
  saidIn: (body, languages, written) => textIn(body.name, languages, written),
  languages: ({ name }) => Object.keys(name),
};

export const fieldAnswer: Kind<FieldAnswerBody> = {
  box: ownBox,
  // It covers the frame of its field: so the field has grown with it.
  draw(ctx, mark, body) {
    drawFrame(ctx, body);
    drawWords(ctx, mark, body, ANSWER_PADDING, lineColour(mark), []);
  },
  said: ({ words }) => words.text,
  ends: ({ field }) => [field],
  renamed: (body, ids) => ({ ...body, field: ids.get(body.field) ?? body.field }),
};

function drawFrame(
  ctx: CanvasRenderingContext2D,
  { x, y, width, height }: { x: number; y: number; width: number; height: number },
): void {
  ctx.fillStyle = '#ffffff';
  ctx.fillRect(x, y, width, height);
  ctx.strokeStyle = LINE_COLOUR;
  ctx.lineWidth = LINE;
  ctx.strokeRect(x, y, width, height);
  ctx.fillStyle = PRINT;
  ctx.fillRect(x, y + height - FOOT, width, FOOT);
}
