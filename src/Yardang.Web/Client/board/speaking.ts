// A teacher writes down what a student said aloud: it is theirs, and marked so.

import type { Editor } from '../editor/editor';

export interface Speaker {
  readonly number: number;
  readonly name: string;
}

export function speakingOf(editor: () => Editor, people: readonly Speaker[]) {
  return {
    people,
    /** For whom the next words are; 0: for nobody. */
    person: 0,

    /** Words that were written down are followed by the teacher's own, unless she says otherwise. */
    refresh(): void {
      this.person = editor().speaksFor;
    },

    choose(person: string): void {
      editor().speaksFor = Number(person);
      this.refresh();
    },
  };
}
