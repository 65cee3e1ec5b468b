// What a student reads of a board in the languages of their choice.

import type { Editor } from '../editor/editor';
import { LanguagesRead, choicesAmong } from '../lesson/languages-read';
import type { Mark } from '../room/marks';
import { textIn } from '../surface/in-language';
import { languagesOf, saidBy } from '../surface/said-in';

export function readingOf(editor: () => Editor, who: string, home: string, written: string) {
  const read = new LanguagesRead(who, home, written);

  return {
    choices: [] as { code: string; name: string }[],
    first: '',
    second: '',
    /** The directions of the activity and of the page in sight, in the second language. */
    otherDirections: '',
    otherPageDirections: '',
    starters: [] as string[],
    /** What stands on the page, in both languages. */
    glossary: [] as { key: number; first: string; second: string }[],

    /** Brings what is read up to date with what the board says and what was chosen. */
    refresh(): void {
      const { sheets } = editor();
      const there = languagesOf(sheets);
      if (there.join() !== this.choices.map((c) => c.code).join()) this.choices = choicesAmong(there);
      const [first, second] = read.among(there);
      if (first !== this.first || second !== this.second) editor().readIn(first ? [first] : []);
      [this.first, this.second] = [first, second];
      const page = sheets.page(editor().page);
      this.otherDirections = second ? (sheets.directions[second] ?? '') : '';
      this.otherPageDirections = second ? (page?.directions[second] ?? '') : '';
      this.starters = (page?.starters ?? []).map((texts) => textIn(texts, [first], written));
      this.glossary = second && page ? inBoth(sheets.visible(page.id), first, second) : [];
    },

    choose(first: string, second: string): void {
      read.choose(first, second);
      editor().changed();
    },
  };

  function inBoth(marks: readonly Mark[], first: string, second: string) {
    return marks
      .filter((m) => m.byStaff)
      .map((m) => ({ key: m.id, first: saidBy(m, [first], written), second: saidBy(m, [second], written) }))
      .filter((line) => line.first && line.first !== line.second);
  }
}
