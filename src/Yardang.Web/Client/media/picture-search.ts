// The drawer in which pictures are searched. Each comes with its credit, which stays in its description.

/** Who takes what is chosen. */
export interface PictureTaker {
  mayWrite(): boolean;
  putFrom(address: string, description: string): Promise<void>;
}

interface Found {
  readonly id: string;
  readonly title: string;
  readonly credit: string;
}

const PAUSE_MS = 200;

export function pictureSearch(taker: () => PictureTaker, room: string, query: string) {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let asked = 0;
  const address = (path: string) => `/rooms/${room}/pictures${path}${query}`;

  return {
    words: '',
    found: [] as Found[],
    isAnswered: false,

    open(): void {
      if (!taker().mayWrite()) return;
      drawer().showModal();
      void this.search();
    },

    typed(): void {
      clearTimeout(timer);
      timer = setTimeout(() => void this.search(), PAUSE_MS);
    },

    async search(): Promise<void> {
      const turn = ++asked;
      const words = `${query ? '&' : '?'}words=${encodeURIComponent(this.words)}`;
      const answer = await fetch(`${address('')}${words}`).catch(() => null);
      const found = answer?.ok ? ((await answer.json()) as Found[]) : [];
      // An answer to an earlier question says nothing any more.
      if (turn !== asked) return;
      this.found = found;
      this.isAnswered = true;
    },

    thumbnail(id: string): string {
      return address(`/${id}`);
    },

    async put(found: Found): Promise<void> {
      this.close();
      await taker().putFrom(address(`/${found.id}`), `${found.title} (${found.credit})`);
    },

    close(): void {
      drawer().close();
    },
  };
}

function drawer(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-picture-search]')!;
}

export type PictureSearch = ReturnType<typeof pictureSearch>;
