// Pictures.

import type { PictureBody } from '../room/marks';
import { LABEL_SIZE } from '../surface/ruling';
import { FONT, NOTE_PADDING } from '../surface/type';
import { ownBox, scaledBox } from './boxed';
import type { Kind } from './kind';

const PLACE = '#cddcdf';
const PLACE_WORDS = '#56676e';

export const picture: Kind<PictureBody> = {
  box: ownBox,
  // Until it is here, a picture is its place with its description.
  draw(ctx, mark, body, { pictures }) {
    const { x, y, width, height } = scaledBox(body, mark.scale);
    const image = pictures?.find(body.media);
    if (image) return ctx.drawImage(image, x, y, width, height);
    ctx.fillStyle = PLACE;
    ctx.fillRect(x, y, width, height);
    ctx.fillStyle = PLACE_WORDS;
    ctx.font = `${LABEL_SIZE}px ${FONT}`;
    const [left, top] = [x + NOTE_PADDING, y + NOTE_PADDING + LABEL_SIZE];
    ctx.fillText(body.description, left, top, Math.max(1, width - 2 * NOTE_PADDING));
  },
  said: ({ description, text }) => (text ? `${description}. ${text}` : description),
};
