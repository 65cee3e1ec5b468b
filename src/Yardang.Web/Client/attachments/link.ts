// Links: opened elsewhere, and told nothing of where they were pressed.

import { html } from 'lit-html';
import type { LinkAttachment } from '../wire/forms';
import type { AttachmentKind } from './kind';

export const link: AttachmentKind<LinkAttachment> = {
  show: ({ address, title, site, picture }, view) =>
    html`<a
      class="shown-link"
      href=${address}
      target="_blank"
      rel="noopener noreferrer nofollow"
      referrerpolicy="no-referrer"
      @click=${(e: Event) => e.stopPropagation()}
    >
      ${picture ? html`<img src=${view.address(picture)} alt="" width="48" height="48" loading="lazy" />` : ''}
      <span dir="auto">${title || site || address}</span>
      ${title && site ? html`<small dir="auto">${site}</small>` : ''}
    </a>`,
  said: ({ title, site, address }) => title || site || address,
  described: (attachment, title) => ({ ...attachment, title }),
  words: ({ title }) => title,
  standsAlone: true,
};
