// What is looked for in what students write, and what is done where it is found, while it is changed.

import { fill } from '../page-data';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import type { WordScreening } from '../wire/forms';

export interface WordScreenTexts {
  readonly wordScreenTooMany: string;
  /** What is done where something is found, by its number. */
  readonly wordScreenThen: Record<string, string>;
}

/** As in Core's WordScreening. */
const MOST_WORDS = 300;
const LONGEST_WORD = 40;

const wordsIn = (lines: string): string[] => [
  ...new Set(
    lines
      .split('\n')
      .map((word) => word.trim())
      .filter((word) => word !== ''),
  ),
];

const areWords = (words: readonly string[]): boolean =>
  words.length <= MOST_WORDS && words.every((word) => word.length <= LONGEST_WORD);

/** @param dialog in which it is changed. */
export function wordScreenOf(
  lesson: () => RoomClient<LessonState>,
  dialog: () => HTMLDialogElement,
  texts: WordScreenTexts,
) {
  return {
    then: 0,
    forYoung: false,
    details: false,
    own: '',
    allowed: '',
    fault: '',
    /** What the server does now. */
    now: '',

    refresh(): void {
      this.now = texts.wordScreenThen[lesson().state.screening.then] ?? '';
    },

    open(): void {
      const { then, forYoung, details, own, allowed } = lesson().state.screening;
      Object.assign(this, { then, forYoung, details, own: own.join('\n'), allowed: allowed.join('\n'), fault: '' });
      dialog().showModal();
    },

    keep(): void {
      const [own, allowed] = [wordsIn(this.own), wordsIn(this.allowed)];
      if (![own, allowed].every(areWords)) {
        this.fault = fill(texts.wordScreenTooMany, MOST_WORDS, LONGEST_WORD);
        return;
      }
      const { then, forYoung, details } = this;
      const screening: WordScreening = { then, forYoung, details, own, allowed };
      lesson().submit({ kind: 'setWordScreen', screening });
      this.close();
    },

    close(): void {
      dialog().close();
    },
  };
}
