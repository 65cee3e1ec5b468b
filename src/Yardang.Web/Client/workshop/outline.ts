// Pages from an outline that was written or pasted: the server says which it makes, then they are put in at once.

import { fill } from '../page-data';
import type { Pages } from './pages';

interface OutlinePage {
  readonly title: string;
  readonly directions: string;
}

/** @param doText "Make {0} pages" in the language of the interface. */
export function outlineOf(pages: () => Pages, close: () => void, doText: string, token: string) {
  return {
    text: '',
    pages: [] as OutlinePage[],

    get doText(): string {
      return fill(doText, this.pages.length);
    },

    async read(): Promise<void> {
      const body = new FormData();
      body.set('outline', this.text);
      body.set('__RequestVerificationToken', token);
      const answer = await fetch('?handler=Outline', { method: 'POST', body }).catch(() => null);
      this.pages = answer?.ok ? ((await answer.json()) as OutlinePage[]) : [];
    },

    take(): void {
      pages().addAll(this.pages);
      this.text = '';
      this.pages = [];
      close();
    },
  };
}
