// Sets something to look at or to listen to beside a page: a file, or a link.

import type { Editor } from '../editor/editor';
import { LONGEST_TITLE, sendStimulus } from '../media/send-stimulus';
import { addressIn } from '../media/web-address';
import { Property, type Stimulus, StimulusKind } from '../room/marks';

export interface StimulusTexts {
  readonly stimulusBadLink: string;
  readonly pictureAway: string;
}

export function stimulusSetting(editor: () => Editor, room: string, token: string, texts: StimulusTexts) {
  const set = (value: Stimulus | null) => {
    const { page } = editor();
    editor().change({ property: Property.Stimulus, target: page, value });
  };

  return {
    link: '',
    fault: '',
    isSending: false,

    async take(event: Event): Promise<void> {
      const input = event.target as HTMLInputElement;
      const file = input.files?.[0];
      if (file) await this.send(file);
      input.value = '';
    },

    /** Gives whether it is there. @param title instead of the name of the file. */
    async send(file: File, title?: string): Promise<boolean> {
      if (!editor().mayWrite()) return false;
      this.fault = '';
      this.isSending = true;
      const sent = await sendStimulus(`/rooms/${room}/stimulus`, token, file, texts.pictureAway);
      const { stimulus } = sent;
      if (stimulus) set(title === undefined ? stimulus : { ...stimulus, title: title.slice(0, LONGEST_TITLE) });
      this.fault = sent.fault;
      this.isSending = false;
      return stimulus !== null;
    },

    setLink(): void {
      const address = addressIn(this.link);
      this.fault = address ? '' : texts.stimulusBadLink;
      if (!address || !editor().mayWrite()) return;
      set({ kind: StimulusKind.Link, source: address.href, title: address.hostname.slice(0, LONGEST_TITLE) });
      this.link = '';
    },

    retitle(title: string): void {
      const stimulus = editor().sheets.page(editor().page)?.stimulus;
      if (stimulus && title !== stimulus.title) set({ ...stimulus, title: title.slice(0, LONGEST_TITLE) });
    },

    drop: () => set(null),
  };
}
