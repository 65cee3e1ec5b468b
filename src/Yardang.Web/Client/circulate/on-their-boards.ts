// What the teacher does on the boards of those who are picked, all at once: clears them, or puts a stamp on them; and takes it back.

import { plural } from '../page-data';
import type { Tile } from './tile';

export interface OnTheirBoardsTexts {
  readonly cleared: string;
  readonly clearedOne: string;
  readonly clearedNothing: string;
  readonly stamped: string;
  readonly stampedOne: string;
}

/**
 * @param picked the boards of those who are picked.
 * @param pageShown the page that is looked at.
 */
export function onTheirBoards(picked: () => Tile[], pageShown: () => number, texts: OnTheirBoardsTexts) {
  let done: Tile[] = [];

  return {
    /** Whether whole boards are cleared. */
    clearsAll: false,
    /** What was done last, in words. */
    words: '',
    mayPutBack: false,

    setClearsAll(value: string): void {
      this.clearsAll = value === 'all';
    },

    /** What students wrote on the page that is looked at, or on all. */
    async clear(): Promise<void> {
      const page = this.clearsAll ? 0 : pageShown();
      const all = picked();
      await Promise.all(all.map((tile) => tile.wake()));
      const touched = all.filter((tile) => !tile.isUntouched(page));
      await Promise.all(touched.map((tile) => tile.clear(page)));
      this.note(touched, touched.length > 0 ? plural(texts, 'cleared', touched.length) : texts.clearedNothing);
    },

    /** A stamp of mine on the page that is looked at. */
    async stamp(stamp: string): Promise<void> {
      const page = pageShown();
      const all = picked();
      const given = await Promise.all(all.map((tile) => tile.stamp(stamp, page)));
      const stamped = all.filter((_, i) => given[i]);
      this.note(stamped, plural(texts, 'stamped', stamped.length));
    },

    async putBack(): Promise<void> {
      await Promise.all(done.map((tile) => tile.putBack()));
      this.note([], '');
    },

    dismiss(): void {
      this.words = '';
    },

    note(tiles: Tile[], words: string): void {
      done = tiles;
      this.mayPutBack = tiles.length > 0;
      this.words = words;
    },
  };
}
