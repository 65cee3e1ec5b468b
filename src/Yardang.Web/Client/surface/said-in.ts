// What the marks of a teacher say, and in which languages.

import { kindOf } from '../kinds';
import type { Mark } from '../room/marks';
import type { Sheets } from '../room/sheets';

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
