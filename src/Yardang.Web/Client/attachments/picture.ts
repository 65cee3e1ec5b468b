// Pictures. Their place is kept before they are there, so that nothing jumps.

import { html } from 'lit-html';
import type { PictureAttachment } from '../wire/forms';
import type { AttachmentKind } from './kind';

export const picture: AttachmentKind<PictureAttachment> = {
  show: ({ media, width, height, description }, { address, texts }) =>
    html`<img
      class="shown-picture"
      src=${address(media)}
      alt=${description || texts.picture}
      width=${width}
      height=${height}
      loading="lazy"
    />`,
  said: ({ description }, texts) => description || texts.picture,
  described: (attachment, description) => ({ ...attachment, description }),
  words: ({ description }) => description,
};
