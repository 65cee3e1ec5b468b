// Places on a map.

import { html } from 'lit-html';
import type { PlaceAttachment } from '../wire/forms';
import type { AttachmentKind } from './kind';

/** Where a map ends, from its left and top edge. */
export const END = 10_000;
/** Of the longer side of the map. */
const PIN = 0.03;

export const place: AttachmentKind<PlaceAttachment> = {
  show: (attachment, view) => {
    const { map, x, y } = attachment;
    const radius = Math.max(map.width, map.height) * PIN;
    return html`<svg
      class="shown-place"
      viewBox="0 0 ${map.width} ${map.height}"
      role="img"
      aria-label=${place.said(attachment, view.texts)}
    >
      <image href=${view.address(map.media)} width=${map.width} height=${map.height} />
      <circle
        class="shown-pin"
        cx=${(x * map.width) / END}
        cy=${(y * map.height) / END}
        r=${radius}
        stroke-width=${radius / 2}
      />
    </svg>`;
  },
  said: ({ name }, texts) => name || texts.mapPlace,
  described: (attachment, name) => ({ ...attachment, name }),
  words: ({ name }) => name,
};
