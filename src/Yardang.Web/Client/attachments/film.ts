// Films: seen where they stand, with what is said and to be seen for those who cannot hear or see it.

import { html } from 'lit-html';
import type { FilmAttachment } from '../wire/forms';
import { clock } from './clock';
import type { AttachmentKind, AttachmentTexts } from './kind';

export const film: AttachmentKind<FilmAttachment> = {
  show: (attachment, { texts, address }) => {
    // Where nobody films it costs nothing.
    void import('./film-player').catch(() => undefined);
    const { media, still, width, height, duration, words } = attachment;
    return html`<span class="shown-film">
      <film-player
        src=${address(media)}
        still=${still ? address(still) : ''}
        width=${width}
        height=${height}
        duration=${duration}
        label=${[name(attachment, texts), texts.filmPlay, texts.voicePause, texts.filmLarge].join('|')}
      ></film-player>
      ${words ? html`<span class="voice-words" dir="auto">${words}</span>` : html`<small class="voice-no-words">${texts.voiceNoWords}</small>`}
    </span>`;
  },
  said: (attachment, texts) =>
    attachment.words ? `${name(attachment, texts)}: ${attachment.words}` : name(attachment, texts),
  described: (attachment, words) => ({ ...attachment, words }),
  words: ({ words }) => words,
  standsAlone: true,
};

function name({ duration }: FilmAttachment, texts: AttachmentTexts): string {
  return `${texts.film}, ${clock(duration)}`;
}
