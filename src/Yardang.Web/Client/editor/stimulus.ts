// What stands beside a page to look at or to listen to: shown to students and teachers alike.

import { type Stimulus, StimulusKind } from '../room/marks';

type Kind = 'video' | 'audio' | 'picture' | 'link' | '';

const KINDS: Readonly<Record<StimulusKind, Kind>> = {
  [StimulusKind.Video]: 'video',
  [StimulusKind.Audio]: 'audio',
  [StimulusKind.Picture]: 'picture',
  [StimulusKind.Link]: 'link',
};

/** @param query who asks, as the hub is told: "?as=..." or nothing. */
export function stimulusBeside(room: string, query: string) {
  return {
    kind: '' as Kind,
    title: '',
    source: '',
    isOpen: false,

    show(stimulus: Stimulus | null): void {
      this.kind = stimulus ? KINDS[stimulus.kind] : '';
      this.title = stimulus?.title ?? '';
      const isLink = this.kind === 'link';
      const source = !stimulus ? '' : isLink ? stimulus.source : `/rooms/${room}/media/${stimulus.source}${query}`;
      if (source !== this.source) this.isOpen = false;
      this.source = source;
    },

    open(): void {
      this.isOpen = true;
      dialog().showModal();
    },

    /** Nothing goes on playing in a closed dialog. */
    close(): void {
      this.isOpen = false;
      dialog().close();
    },

    enlarge(): void {
      void dialog().querySelector<HTMLElement>('[data-stage]')?.requestFullscreen();
    },
  };
}

function dialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-stimulus]')!;
}
