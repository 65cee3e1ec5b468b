// Text straight on the page.

import type { TextBody } from '../room/marks';
import { lineColour } from '../surface/palette';
import type { Kind } from './kind';
import { drawWords, written } from './written';

export const text: Kind<TextBody> = {
  ...written,
  draw: (ctx, mark, body, { languages = [] }) => drawWords(ctx, mark, body, 0, lineColour(mark), languages),
};
