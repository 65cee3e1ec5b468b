// Which of a teacher's texts somebody reads: the first of their languages in which it is there, else as it was written.
// In which language a text without an author was written, its page says.

import type { Texts, Words } from '../room/marks';

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

/** A language in its own words: "español". */
export function nameOfLanguage(code: string): string {
  try {
    return new Intl.DisplayNames([code], { type: 'language' }).of(code) ?? code;
  } catch {
    return code;
  }
}
