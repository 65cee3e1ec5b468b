// Sets something to look at or to listen to beside a page: a file, or a link.

import type { SheetSession } from '../board/sheet-session';
import { Property, type Stimulus, StimulusKind } from '../room/marks';

const LONGEST_TITLE = 120;

export interface StimulusTexts {
  readonly stimulusBadLink: string;
  readonly pictureAway: string;
}

export function stimulusMaking(session: () => SheetSession, room: string, token: string, texts: StimulusTexts) {
  const set = (value: Stimulus | null) => {
    const { page } = session();
    const changes = [{ property: Property.Stimulus, target: page, value }];
    session().submit({ kind: 'makeChanges', changes }, session().newId());
  };

  return {
    stimulusLink: '',
    stimulusFault: '',
    stimulusSending: false,

    async takeStimulus(event: Event): Promise<void> {
      const input = event.target as HTMLInputElement;
      const file = input.files?.[0];
      if (!file || !session().mayWrite()) return;
      const body = new FormData();
      body.set('file', file);
      this.stimulusFault = '';
      this.stimulusSending = true;
      try {
        const headers = { RequestVerificationToken: token };
        const answer = await fetch(`/rooms/${room}/stimulus`, { method: 'POST', body, headers });
        const told = (await answer.json()) as { media: string; kind: StimulusKind; fault?: string };
        const title = file.name.replace(/\.[^.]*$/, '').slice(0, LONGEST_TITLE);
        if (answer.ok) set({ kind: told.kind, source: told.media, title });
        else this.stimulusFault = told.fault ?? '';
      } catch {
        this.stimulusFault = texts.pictureAway;
      }
      this.stimulusSending = false;
      input.value = '';
    },

    linkStimulus(): void {
      const typed = this.stimulusLink.trim();
      const address = URL.parse(/^https?:/i.test(typed) ? typed : `https://${typed}`);
      const isSound = address !== null && !address.username && address.hostname.includes('.');
      this.stimulusFault = isSound ? '' : texts.stimulusBadLink;
      if (!isSound || !session().mayWrite()) return;
      set({ kind: StimulusKind.Link, source: address.href, title: address.hostname.slice(0, LONGEST_TITLE) });
      this.stimulusLink = '';
    },

    titleStimulus(title: string): void {
      const stimulus = session().sheets.page(session().page)?.stimulus;
      if (stimulus && title !== stimulus.title) set({ ...stimulus, title: title.slice(0, LONGEST_TITLE) });
    },

    dropStimulus: () => set(null),
  };
}
