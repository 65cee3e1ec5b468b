// Which of a teacher's texts somebody reads: the first of their languages in which it is there, else as it was written.
// In which language a text without an author was written, its page says.

import { kindOf } from '../kinds';
import type { Mark, Texts, Words } from '../room/marks';
import type { Sheets } from '../room/sheets';

export function textIn(texts: Texts, languages: readonly string[], written: string): string {
  for (const language of languages) if (texts[language]) return texts[language];
  return texts[written] ?? Object.values(texts)[0] ?? '';
}

export function wordsIn(words: Words, languages: readonly string[]): Words {
  for (const language of languages) {
    if (words.language === language) return words;
    const other = words.also?.find((a) => a.language === language);
    if (other) return { ...other, also: [] };
  }
  return words;
}

/** What a teacher's mark says to those who read these languages; empty if it says nothing. */
export function saidBy({ body }: Mark, languages: readonly string[], written: string): string {
  return kindOf(body).saidIn?.(body, languages, written) ?? '';
}

/** The languages in which a teacher has written, in order. What students write is one text in one language. */
export function languagesOf(sheets: Sheets): string[] {
  const found = new Set<string>([...Object.keys(sheets.name), ...Object.keys(sheets.directions)]);
  for (const page of sheets.pages) {
    for (const texts of [page.name, page.directions, ...page.starters]) Object.keys(texts).forEach((l) => found.add(l));
  }
  for (const { body, byStaff, erased } of sheets.allMarks) {
    if (byStaff && !erased) for (const language of kindOf(body).languages?.(body) ?? []) found.add(language);
  }
  return [...found].sort();
}

/** A language in its own words: "español". */
export function nameOfLanguage(code: string): string {
  try {
    return new Intl.DisplayNames([code], { type: 'language' }).of(code) ?? code;
  } catch {
    return code;
  }
}
