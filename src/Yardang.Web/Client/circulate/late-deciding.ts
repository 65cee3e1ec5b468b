// Work that arrived too late is looked at, and then added or left.

import { decode } from '@msgpack/msgpack';
import { fill } from '../page-data';
import { readRoomSnapshot } from '../wire/kinds';
import { type WaitingWork, describe } from '../lesson/waiting-work';
import type { LatePage, LateTexts } from './late-work';
import type { Need } from './needs-me';
import { keptSentences, keepSentence } from './kept-sentences';
import type { Decided, Tile } from './tile';

/** Whether a room is a wall: work may wait in another part. */
async function isWall(room: string): Promise<boolean> {
  const answer = await fetch(`/rooms/${room}/snapshot`);
  const [, kind, , , state] = decode(new Uint8Array(await answer.arrayBuffer())) as any[];
  return readRoomSnapshot(kind, state)?.kind === 'wall';
}

/**
 * @param tiles those on the screen.
 * @param tileOf brings another room here.
 * @param dialog in which it is looked at.
 */
export function lateDecidingOf(
  tiles: ReadonlyMap<string, Tile>,
  tileOf: (room: string, changed: () => void, wall: boolean) => Tile,
  dialog: () => HTMLDialogElement,
  texts: LateTexts,
) {
  /** The board whose late work is looked at, if it is none of those on the screen. */
  let beside: Tile | null = null;
  /** What was decided last, which can be taken back. */
  let last: { room: string; person: number; numbers: readonly number[] } | null = null;

  return {
    /** Whose late work is looked at. */
    need: null as Need | null,
    pages: [] as readonly LatePage[],
    /** What it is, thing by thing, so that some can be added and others not. */
    things: [] as readonly WaitingWork[],
    /** What is with its author, who was told what to mend. */
    withAuthor: [] as readonly WaitingWork[],
    /** What they are told, and what was said before. */
    words: '',
    sentences: [] as readonly string[],
    /** Another teacher, or its author, was quicker. */
    isDecided: false,
    /** Whether there is a picture of it: walls have none. */
    isDrawn: true,
    /** What was decided last, or that it was taken back, in words; empty for nothing. */
    said: '',
    mayUndo: false,

    /** Shows what waits before it is decided. */
    async look(need: Need): Promise<void> {
      let tile = tiles.get(need.board);
      if (!tile) {
        beside?.close();
        tile = beside = tileOf(need.board, () => this.draw(), await isWall(need.board));
        await tile.enter();
      }
      this.need = need;
      this.isDecided = false;
      this.words = '';
      this.sentences = keptSentences();
      this.draw();
      dialog().showModal();
    },

    /** The work may grow while it is looked at, or be decided elsewhere. */
    draw(): void {
      const need = this.need as Need | null;
      const tile = need && (tiles.get(need.board) ?? beside);
      if (!need || !tile) return;
      this.pages = tile.describeLate(need.number, texts);
      const all = describe(tile.lateWorkOf(need.number));
      this.things = all.filter(({ returned }) => returned === '');
      this.withAuthor = all.filter(({ returned }) => returned !== '');
      this.isDecided = this.things.length === 0;
      this.isDrawn = tile.isDrawn;
      requestAnimationFrame(() => {
        for (const { id } of this.pages as LatePage[]) {
          const canvas = dialog().querySelector<HTMLCanvasElement>(`[data-late="${id}"]`);
          if (canvas) tile.drawLate(need.number, id, canvas);
        }
      });
    },

    /** @param things all that is left closes what is looked at. */
    async decide(kind: Decided, things: readonly WaitingWork[]): Promise<void> {
      const need = this.need as Need | null;
      const tile = need && (tiles.get(need.board) ?? beside);
      const words = this.words.trim();
      if (kind !== 'acceptLateWork' && words !== '') keepSentence(words);
      this.words = '';
      if (things.length === this.things.length) this.close();
      const numbers = things.flatMap(({ numbers }) => numbers);
      await tile?.decideLateWork(numbers, kind, words);
      if (!need) return;
      last = { room: need.board, person: need.number, numbers };
      this.said = fill(texts.lateDone[kind], need.name);
      this.mayUndo = true;
    },

    /** What was decided last waits again; what was added goes down: by the server, which knows what it was. */
    async undo(): Promise<void> {
      if (!last) return;
      const things = [{ key: 'last', ...last, why: '' }];
      this.mayUndo = false;
      const answer = await fetch('/tray/undo', {
        method: 'POST',
        headers: {
          'Content-Type': 'application/json',
          RequestVerificationToken: document.querySelector<HTMLElement>('[data-token]')!.dataset['token'] ?? '',
        },
        body: JSON.stringify({ what: 'add', words: '', things }),
      }).catch(() => null);
      this.mayUndo = !answer;
      const isDone = answer?.ok && (await answer.json()).last === 'done';
      this.said = isDone ? texts.lateUndone : texts.lateNotUndone;
    },

    add(thing: WaitingWork | null): void {
      void this.decide('acceptLateWork', thing ? [thing] : this.things);
    },

    /** Whether there is something to say to who wrote it. */
    get mayReturn(): boolean {
      return this.words.trim() !== '';
    },

    giveBack(thing: WaitingWork | null): void {
      void this.decide('returnWork', thing ? [thing] : this.things);
    },

    leave(thing: WaitingWork | null): void {
      void this.decide('discardLateWork', thing ? [thing] : this.things);
    },

    close(): void {
      dialog().close();
      this.need = null;
    },
  };
}
