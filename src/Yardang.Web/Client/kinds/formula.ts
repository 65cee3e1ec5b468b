// Formulas, as their author's screen drew them.

import type { FormulaBody } from '../room/marks';
import { lineColour } from '../surface/palette';
import { ownBox, scaledBox } from './boxed';
import type { Kind } from './kind';

export const formula: Kind<FormulaBody> = {
  box: ownBox,
  draw(ctx, mark, body) {
    const box = scaledBox(body, mark.scale);
    ctx.translate(box.x, box.y);
    ctx.scale(box.width / body.width, box.height / body.height);
    ctx.fillStyle = lineColour(mark);
    ctx.fill(new Path2D(body.outline));
  },
  said: ({ source }) => source,
};
