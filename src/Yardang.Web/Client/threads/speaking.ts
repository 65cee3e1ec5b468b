// The voice that is part of an answer that is being written: recorded, heard, on its way, and taken off again.

import { type TemplateResult, html, nothing } from 'lit-html';
import { type AttachmentView, said, show } from '../attachments';
import { madeOf } from '../attachments/made';
import type { Recording } from '../attachments/recording';
import type { Sending, Sent } from '../media/uploads';
import { fill } from '../page-data';
import { LONGEST_TEXT } from '../room/threads';
import type { Attachment } from '../wire/forms';
import type { Drafts } from './drafts';

/** Where voices are recorded, and sent. */
export interface Speaking {
  record(take: (recording: Recording) => Promise<boolean>): void;
  /** Null if it is not taken. */
  send(what: Sending): Promise<Sent | null>;
  /** How much of it has come to the server, from 0 to 1; null for all of it. */
  shareOf(media: string): number | null;
  cancel(media: string): void;
}

export interface SpeakingTexts {
  readonly speakAnswer: string;
  readonly sharesOnItsWay: string;
  readonly takeOff: string;
  /** What is written with a voice. */
  readonly voiceSays: string;
}

export class Spoken {
  constructor(
    private readonly speaking: Speaking,
    private readonly drafts: Drafts,
    private readonly view: AttachmentView,
    private readonly texts: SpeakingTexts,
    private readonly refresh: (focus?: string) => void,
  ) {}

  /** What is to be heard with the words; undefined for nothing. */
  of(place: string): Attachment | undefined {
    return this.drafts.shown(place)[0];
  }

  /** Whether what is to be heard, if anything, can be put up: when all of it is there. */
  isReady(place: string): boolean {
    const voice = this.of(place);
    return voice?.kind !== 'voice' || this.speaking.shareOf(voice.media) === null;
  }

  /** The voice, if there is one; else the button with which one is recorded. */
  draw(place: string, isOff: boolean): TemplateResult {
    const voice = this.of(place);
    if (voice?.kind === 'voice') return this.voice(place, voice);
    return html`<button
      type="button"
      class="button button-small button-quiet"
      ?disabled=${isOff}
      @click=${() => this.record(place)}
    >
      ${this.texts.speakAnswer}
    </button>`;
  }

  private voice(place: string, voice: Extract<Attachment, { kind: 'voice' }>): TemplateResult {
    const { texts, view, speaking } = this;
    const share = speaking.shareOf(voice.media);
    const words = this.drafts.get(place);
    return html`<div class="making">
      ${show({ ...voice, words }, view)}
      <span class="making-do">
        <button
          type="button"
          class="button button-quiet slip-change"
          aria-label=${`${texts.takeOff}: ${said(voice, view.texts)}`}
          @click=${() => {
            speaking.cancel(voice.media);
            this.drafts.show(place, []);
            this.refresh();
          }}
        >
          ${texts.takeOff}
        </button>
      </span>
      <p class="making-waits" role="status">
        ${share === null ? nothing : fill(texts.sharesOnItsWay, Math.floor(100 * share))}
      </p>
    </div>`;
  }

  private record(place: string): void {
    this.speaking.record(async (recording) => {
      const { sending, shown } = madeOf('voice', { ...recording, words: '' });
      const sent = await this.speaking.send(sending);
      if (!sent) return false;
      this.drafts.show(place, [shown(sent)]);
      // What is said in it are the words of the answer.
      const typed = this.drafts.get(place).trim();
      this.drafts.set(place, [typed, recording.words].filter(Boolean).join('\n').slice(0, LONGEST_TEXT));
      this.refresh();
      return true;
    });
  }
}
