// A page or a card of earlier work, shown at a station: as a picture and in words, and without whose it is.

import { decode } from '@msgpack/msgpack';
import { WallState } from '../room/wall-state';
import { known } from '../wire/by-hand';
import type { Attachment } from '../wire/forms';
import { readRoomSnapshot } from '../wire/kinds';
import type { PictureUploads } from '../media/picture-uploads';
import { Sheets } from '../room/sheets';
import { textIn } from '../surface/in-language';

interface Lesson {
  readonly id: string;
  readonly name: string;
}

interface Board {
  readonly id: string;
  readonly title: string;
  readonly isWall: boolean;
}

/** A page or a card. */
interface Item {
  readonly key: number;
  readonly words: string;
  /** Address of its picture; empty for a card. */
  readonly picture: string;
  readonly attachments: readonly Attachment[];
}

export interface Shown {
  readonly words: string;
  readonly shown: readonly Attachment[];
}

const MOST_SHOWN = 4;
const DESCRIPTION_LENGTH = 200;

/** @param put shows it at a station. */
export function earlierWork(
  uploads: () => PictureUploads,
  dialog: () => HTMLDialogElement,
  put: (topic: number, what: Shown) => void,
  language: string,
  texts: { readonly earlierAway: string; readonly earlierPage: string },
) {
  async function jsonOf<T>(address: string): Promise<T> {
    const answer = await fetch(address);
    if (!answer.ok) throw new Error(`${answer.status}`);
    return (await answer.json()) as T;
  }

  async function stateOf(board: string): Promise<[number, ReturnType<typeof readRoomSnapshot>]> {
    const answer = await fetch(`/rooms/${board}/snapshot`);
    if (!answer.ok) throw new Error(`${answer.status}`);
    const [, kind, number, , state] = decode(new Uint8Array(await answer.arrayBuffer())) as any[];
    return [number, readRoomSnapshot(kind, state)];
  }

  async function pictureFrom(address: string, description: string): Promise<Attachment | null> {
    const answer = await fetch(address);
    if (!answer.ok) throw new Error(`${answer.status}`);
    const taken = await uploads().take(new File([await answer.blob()], 'earlier.png', { type: 'image/png' }));
    const { media, width, height } = taken ?? { media: '', width: 0, height: 0 };
    const words = description.slice(0, DESCRIPTION_LENGTH);
    return taken && { kind: 'picture', media, width, height, description: words };
  }

  return {
    lessons: [] as readonly Lesson[],
    boards: [] as readonly Board[],
    items: [] as readonly Item[],
    lesson: '',
    board: '',
    topic: 0,
    isBusy: false,
    fault: '',

    async open(topic: number): Promise<void> {
      Object.assign(this, { topic, boards: [], items: [], lesson: '', board: '', fault: '' });
      dialog().showModal();
      await this.with(async () => (this.lessons = await jsonOf<Lesson[]>('?handler=Earlier')));
    },

    close(): void {
      dialog().close();
    },

    async look(lesson: string): Promise<void> {
      Object.assign(this, { lesson, boards: [], items: [], board: '' });
      if (!lesson) return;
      await this.with(async () => (this.boards = await jsonOf<Board[]>(`?handler=EarlierBoards&lesson=${lesson}`)));
    },

    async lookAt(id: string): Promise<void> {
      Object.assign(this, { board: id, items: [] });
      const board = this.boards.find((b) => b.id === id);
      if (board)
        await this.with(async () => (this.items = await (board.isWall ? cardsOf(id) : pagesOf(this.lesson, id))));
    },

    async take({ words, picture, attachments }: Item): Promise<void> {
      await this.with(async () => {
        if (picture) {
          const page = await pictureFrom(picture.replace('.svg', '.png'), words);
          if (!page) return;
          put(this.topic, { words: '', shown: [page] });
        } else {
          const shown = await Promise.all(attachments.slice(0, MOST_SHOWN).map((a) => this.copyOf(a)));
          put(this.topic, { words, shown: shown.filter((a) => a !== null) });
        }
        dialog().close();
      });
    },

    /** What is shown beside a card, as it can be shown elsewhere: a place is on its own map. */
    async copyOf(shown: Attachment): Promise<Attachment | null> {
      if (shown.kind === 'place') return null;
      if (shown.kind !== 'picture') return shown;
      return pictureFrom(`/rooms/${this.board}/media/${shown.media}`, shown.description);
    },

    async with(act: () => Promise<unknown>): Promise<void> {
      this.isBusy = true;
      this.fault = '';
      try {
        await act();
      } catch {
        this.fault = texts.earlierAway;
      } finally {
        this.isBusy = false;
      }
    },
  };

  async function pagesOf(lesson: string, board: string): Promise<Item[]> {
    const [number, state] = await stateOf(board);
    return Sheets.of(number, known(state)).pages.map((p, i) => ({
      key: i + 1,
      words: [texts.earlierPage.replace('{0}', String(i + 1)), textIn(p.name, [language], language)]
        .filter(Boolean)
        .join(': '),
      picture: `/lesson/${lesson}/board/${board}.svg?page=${i + 1}&names=none`,
      attachments: [],
    }));
  }

  async function cardsOf(board: string): Promise<Item[]> {
    const [number, state] = await stateOf(board);
    return [...WallState.of(number, known(state)).cards.values()]
      .filter((c) => c.downBy === 0)
      .map((c) => ({ key: c.id, words: c.text, picture: '', attachments: c.attachments }));
  }
}
