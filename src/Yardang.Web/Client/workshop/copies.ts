// The page in sight many times over: a number of copies, or one for each name.

import { fill } from '../page-data';
import type { Pages } from './pages';

const MOST = 40;

/** @param doText "Make {0} copies" in the language of the interface. */
export function copiesOfPage(pages: () => Pages, close: () => void, doText: string) {
  return {
    /** A number gives so many copies; anything else is a list of names, one in a line. */
    names: '',

    get count(): number {
      return namesIn(this.names).length;
    },

    get doText(): string {
      return fill(doText, this.count);
    },

    get isTooMany(): boolean {
      return this.count > MOST;
    },

    make(): void {
      const names = namesIn(this.names);
      if (names.length === 0 || names.length > MOST) return;
      pages().copies(names);
      this.names = '';
      close();
    },
  };
}

function namesIn(text: string): string[] {
  const lines = text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
  const [only] = lines;
  if (lines.length !== 1 || !/^\d+$/.test(only!)) return lines;
  return Array.from({ length: Math.min(Number(only), 1000) }, () => '');
}
