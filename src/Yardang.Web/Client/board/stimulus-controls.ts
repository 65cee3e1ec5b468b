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
export function stimulusControls(room: string, query: string) {
  return {
    stimulusKind: '' as Kind,
    stimulusTitle: '',
    stimulusSource: '',
    stimulusOpen: false,

    showStimulus(stimulus: Stimulus | null): void {
      this.stimulusKind = stimulus ? KINDS[stimulus.kind] : '';
      this.stimulusTitle = stimulus?.title ?? '';
      const isLink = this.stimulusKind === 'link';
      const source = !stimulus ? '' : isLink ? stimulus.source : `/rooms/${room}/media/${stimulus.source}${query}`;
      if (source !== this.stimulusSource) this.stimulusOpen = false;
      this.stimulusSource = source;
    },

    openStimulus(): void {
      this.stimulusOpen = true;
      dialog().showModal();
    },

    /** Nothing goes on playing in a closed dialog. */
    closeStimulus(): void {
      this.stimulusOpen = false;
      dialog().close();
    },

    enlargeStimulus(): void {
      void dialog().querySelector<HTMLElement>('[data-stage]')?.requestFullscreen();
    },
  };
}

function dialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-stimulus]')!;
}
