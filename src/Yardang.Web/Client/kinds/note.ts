// Words on a coloured slip.

import type { NoteBody } from '../room/marks';
import { PRINT, noteColour } from '../surface/palette';
import { NOTE_PADDING } from '../surface/type';
import type { Kind } from './kind';
import { drawWords, written } from './written';

export const note: Kind<NoteBody> = {
  ...written,
  draw(ctx, mark, body, { languages = [] }) {
    ctx.fillStyle = noteColour(mark.style.colour);
    ctx.fillRect(body.x, body.y, body.width, body.height);
    drawWords(ctx, mark, body, NOTE_PADDING, PRINT, languages);
  },
};
