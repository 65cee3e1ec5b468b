// In which languages somebody reads what the teacher wrote: one, or two at once. Remembered on this device for each of its people.

import { nameOfLanguage } from '../surface/in-language';

const primary = (tag: string) => tag.split('-')[0]!;

export class LanguagesRead {
  private readonly key: string;
  private chosen: string[] | null = null;
  private isLookedUp = false;

  /** @param home the language spoken at home, if it is known; before those of the browser. */
  constructor(
    who: string,
    private readonly home: string,
    private readonly written: string,
  ) {
    this.key = `yardang-languages-${who}`;
  }

  /** The first and the second, of those that are there; empty for none. */
  among(there: readonly string[]): readonly [string, string] {
    if (!this.isLookedUp) this.chosen = JSON.parse(localStorage.getItem(this.key) ?? 'null') as string[] | null;
    this.isLookedUp = true;
    const wished = [...(this.chosen ?? [this.home, ...navigator.languages.map(primary)]), this.written];
    const first = wished.find((code) => there.includes(code)) ?? there[0] ?? '';
    const second = this.chosen?.[1] && there.includes(this.chosen[1]) ? this.chosen[1] : '';
    return [first, second];
  }

  choose(first: string, second: string): void {
    this.chosen = second && second !== first ? [first, second] : [first];
    this.isLookedUp = true;
    localStorage.setItem(this.key, JSON.stringify(this.chosen));
  }
}

/** What can be chosen among, each by its own name. */
export const choicesAmong = (there: readonly string[]) => there.map((code) => ({ code, name: nameOfLanguage(code) }));
