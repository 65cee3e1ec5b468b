// Pages or topics from an outline that was written or pasted: the server says which it makes, then they are put in at once.

import { fill } from '../page-data';
export interface OutlinePage {
  readonly title: string;
  readonly directions: string;
}

/**
 * @param make makes pages of it, or topics of a wall.
 * @param doText "Make {0} pages" in the language of the interface.
 */
export function outlineOf(
  make: (found: readonly OutlinePage[]) => void,
  close: () => void,
  doText: string,
  token: string,
) {
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
      const part = new URLSearchParams(location.search).get('part');
      const here = part ? `part=${part}&` : '';
      const answer = await fetch(`?${here}handler=Outline`, { method: 'POST', body }).catch(() => null);
      this.pages = answer?.ok ? ((await answer.json()) as OutlinePage[]) : [];
    },

    take(): void {
      make(this.pages);
      this.text = '';
      this.pages = [];
      close();
    },
  };
}
