// Work that arrived too late is looked at, and then added or left.

import { decode } from '@msgpack/msgpack';
import { readRoomSnapshot } from '../wire/kinds';
import { type WaitingWork, describe } from '../lesson/waiting-work';
import type { LatePage, LateTexts } from './late-work';
import type { Need } from './needs-me';
import type { Tile } from './tile';

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

  return {
    /** Whose late work is looked at. */
    need: null as Need | null,
    pages: [] as readonly LatePage[],
    /** What it is, thing by thing, so that some can be added and others not. */
    things: [] as readonly WaitingWork[],
    /** Another teacher, or its author, was quicker. */
    isDecided: false,
    /** Whether there is a picture of it: walls have none. */
    isDrawn: true,

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
      this.draw();
      dialog().showModal();
    },

    /** The work may grow while it is looked at, or be decided elsewhere. */
    draw(): void {
      const need = this.need as Need | null;
      const tile = need && (tiles.get(need.board) ?? beside);
      if (!need || !tile) return;
      this.pages = tile.describeLate(need.number, texts);
      this.things = describe(tile.lateWorkOf(need.number));
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
    async decide(kind: 'acceptLateWork' | 'discardLateWork', things: readonly WaitingWork[]): Promise<void> {
      const need = this.need as Need | null;
      const tile = need && (tiles.get(need.board) ?? beside);
      if (things.length === this.things.length) this.close();
      await tile?.decideLateWork(
        things.flatMap(({ numbers }) => numbers),
        kind,
      );
    },

    add(thing: WaitingWork | null): void {
      void this.decide('acceptLateWork', thing ? [thing] : this.things);
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
