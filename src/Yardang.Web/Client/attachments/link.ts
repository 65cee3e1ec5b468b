// Links: opened elsewhere, and told nothing of where they were pressed. Pages of sites that the school names can be shown inside, once somebody wishes it.

import { type TemplateResult, html } from 'lit-html';
import type { LinkAttachment } from '../wire/forms';
import type { AttachmentKind } from './kind';

export const link: AttachmentKind<LinkAttachment> = {
  show: (attachment, { address, texts }) => {
    const opens = leading(attachment, address);
    if (!mayBeFramed(attachment)) return opens;
    void import('./framed-page').catch(() => undefined);
    return html`<span class="shown-framed">
      ${opens}<framed-page src=${attachment.address} label=${texts.linkHere}></framed-page>
    </span>`;
  },
  said: ({ title, site, address }) => title || site || address,
  described: (attachment, title) => ({ ...attachment, title }),
  words: ({ title }) => title,
  standsAlone: true,
};

function leading(
  { address, title, site, picture }: LinkAttachment,
  addressOf: (media: string) => string,
): TemplateResult {
  return html`<a
    class="shown-link"
    href=${address}
    target="_blank"
    rel="noopener noreferrer nofollow"
    referrerpolicy="no-referrer"
    @click=${(e: Event) => e.stopPropagation()}
  >
    ${picture ? html`<img src=${addressOf(picture)} alt="" width="48" height="48" loading="lazy" />` : ''}
    <span dir="auto">${title || site || address}</span>
    ${title && site ? html`<small dir="auto">${site}</small>` : ''}
  </a>`;
}

function mayBeFramed({ address }: LinkAttachment): boolean {
  const hosts = document.body.dataset['frames']?.split(' ') ?? [];
  const [, host] = /^https:\/\/([^/?#]+)/.exec(address) ?? [];
  return host !== undefined && hosts.includes(host);
}
