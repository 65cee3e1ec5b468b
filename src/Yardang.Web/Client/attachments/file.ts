// Files: taken along under their name, and opened elsewhere.

import { html } from 'lit-html';
import type { FileAttachment } from '../wire/forms';
import type { AttachmentKind } from './kind';

const KILO = 1024;

export const file: AttachmentKind<FileAttachment> = {
  show: ({ media, name, size, picture, description }, { texts, address }) => {
    const whole = new URL(address(media), document.baseURI);
    if (whole.protocol !== 'blob:') whole.searchParams.set('called', name);
    return html`<a class="shown-file" href=${whole.href} download=${name} @click=${(e: Event) => e.stopPropagation()}>
      ${picture ? html`<img src=${address(picture)} alt="" loading="lazy" />` : ''}
      <span class="sr-only">${texts.fileSave}: </span><span class="shown-file-name" dir="auto">${name}</span>
      <small>${sizeOf(size)}</small>
      ${description ? html`<span dir="auto">${description}</span>` : ''}
    </a>`;
  },
  said: ({ name, description }) => (description ? `${name}: ${description}` : name),
  described: (attachment, description) => ({ ...attachment, description }),
  words: ({ description }) => description,
  standsAlone: true,
};

function sizeOf(bytes: number): string {
  const isLarge = bytes >= KILO * KILO;
  const [amount, unit] = isLarge ? [bytes / KILO / KILO, 'megabyte'] : [Math.max(1, bytes / KILO), 'kilobyte'];
  const digits = isLarge ? 1 : 0;
  return new Intl.NumberFormat(document.documentElement.lang, {
    style: 'unit',
    unit,
    maximumFractionDigits: digits,
  }).format(amount);
}
