// The drawer in which pictures are searched. Each comes with its credit, which stays in its description.

import type { SheetSession } from './sheet-session';

interface Found {
  readonly id: string;
  readonly title: string;
  readonly credit: string;
}

const PAUSE_MS = 200;

export function pictureSearchControls(session: () => SheetSession, room: string, query: string) {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let asked = 0;
  const address = (path: string) => `/rooms/${room}/pictures${path}${query}`;

  return {
    pictureWords: '',
    picturesFound: [] as Found[],
    picturesAsked: false,

    openPictureSearch(): void {
      if (!session().mayWrite()) return;
      drawer().showModal();
      void this.searchPictures();
    },

    typedPictureWords(): void {
      clearTimeout(timer);
      timer = setTimeout(() => void this.searchPictures(), PAUSE_MS);
    },

    async searchPictures(): Promise<void> {
      const turn = ++asked;
      const words = `${query ? '&' : '?'}words=${encodeURIComponent(this.pictureWords)}`;
      const answer = await fetch(`${address('')}${words}`).catch(() => null);
      const found = answer?.ok ? ((await answer.json()) as Found[]) : [];
      // An answer to an earlier question says nothing any more.
      if (turn !== asked) return;
      this.picturesFound = found;
      this.picturesAsked = true;
    },

    thumbnail(id: string): string {
      return address(`/${id}`);
    },

    async putFound(found: Found): Promise<void> {
      this.closePictureSearch();
      await session().pictures.putFrom(address(`/${found.id}`), `${found.title} (${found.credit})`);
    },

    closePictureSearch(): void {
      drawer().close();
    },
  };
}

function drawer(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-picture-search]')!;
}
