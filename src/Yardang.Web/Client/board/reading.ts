// In which languages a student reads what the teacher wrote: one, or two at once. Remembered on this device for each of its people.

import type { Editor } from '../editor/editor';
import type { Mark } from '../room/marks';
import { languagesOf, nameOfLanguage, saidBy, textIn } from '../surface/in-language';

const primary = (tag: string) => tag.split('-')[0]!;

export function readingOf(editor: () => Editor, who: string, home: string, written: string) {
  const key = `yardang-languages-${who}`;
  let chosen: string[] | null = null;

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
      if (there.join() !== this.choices.map((c) => c.code).join())
        this.choices = there.map((code) => ({ code, name: nameOfLanguage(code) }));
      chosen ??= JSON.parse(localStorage.getItem(key) ?? 'null') as string[] | null;
      const wished = [...(chosen ?? [home, ...navigator.languages.map(primary)]), written];
      const first = wished.find((code) => there.includes(code)) ?? there[0] ?? '';
      const second = chosen?.[1] && there.includes(chosen[1]) ? chosen[1] : '';
      if (first !== this.first || second !== this.second) editor().readIn(first ? [first] : []);
      [this.first, this.second] = [first, second];
      const page = sheets.page(editor().page);
      this.otherDirections = second ? (sheets.directions[second] ?? '') : '';
      this.otherPageDirections = second ? (page?.directions[second] ?? '') : '';
      this.starters = (page?.starters ?? []).map((texts) => textIn(texts, [first], written));
      this.glossary = second && page ? inBoth(sheets.visible(page.id), first, second) : [];
    },

    choose(first: string, second: string): void {
      chosen = second && second !== first ? [first, second] : [first];
      localStorage.setItem(key, JSON.stringify(chosen));
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
