// Stamps of the set.

import type { StampBody } from '../room/marks';
import { STAMP_BOX, STAMP_PEN, stampPaths } from '../shapes/stamps';
import { lineColour } from '../surface/palette';
import { ownBox, scaledBox } from './boxed';
import type { Kind } from './kind';

export const stamp: Kind<StampBody> = {
  box: ownBox,
  draw(ctx, mark, body) {
    const paths = stampPaths(body.stamp);
    if (!paths) return;
    const box = scaledBox(body, mark.scale);
    ctx.translate(box.x, box.y);
    ctx.scale(box.width / STAMP_BOX, box.height / STAMP_BOX);
    ctx.strokeStyle = ctx.fillStyle = lineColour(mark);
    ctx.lineWidth = STAMP_PEN;
    ctx.lineCap = ctx.lineJoin = 'round';
    ctx.stroke(paths.line);
    ctx.fill(paths.fill);
  },
  said: (body, { texts }) => texts.stamps[body.stamp] ?? body.stamp,
};
