// Voices: heard where they stand, with what is said for those who cannot hear it.

import { html } from 'lit-html';
import type { VoiceAttachment } from '../wire/forms';
import type { AttachmentKind, AttachmentTexts } from './kind';
import { clock } from './clock';

export const voice: AttachmentKind<VoiceAttachment> = {
  show: (attachment, { texts, address }) => {
    // Where nobody speaks it costs nothing.
    void import('./voice-player').catch(() => undefined);
    const { media, duration, loudness, words } = attachment;
    return html`<span class="shown-voice">
      <voice-player
        src=${address(media)}
        duration=${duration}
        loudness=${loudness}
        label=${`${name(attachment, texts)}|${texts.voicePlay}|${texts.voicePause}`}
      ></voice-player>
      ${words ? html`<span class="voice-words" dir="auto">${words}</span>` : html`<small class="voice-no-words">${texts.voiceNoWords}</small>`}
    </span>`;
  },
  said: (attachment, texts) =>
    attachment.words ? `${name(attachment, texts)}: ${attachment.words}` : name(attachment, texts),
  described: (attachment, words) => ({ ...attachment, words }),
  words: ({ words }) => words,
  standsAlone: true,
};

function name({ duration }: VoiceAttachment, texts: AttachmentTexts): string {
  return `${texts.voice}, ${clock(duration)}`;
}
