// Where my place is in the lesson: when it is another one, the page goes there, and nothing stays behind.

import type { Watched } from '../room/connection';
import type { HandedIn } from '../room/leftovers';

/** Says to the next page of this tab that its student was moved there. */
const MOVED = 'yardang-moved';
const LONGEST_PAUSE_MS = 5000;

/** What the next page says to whoever was moved to it. */
export interface Moved {
  readonly carried: HandedIn;
  /** The part in which they were is closed; else it is another board of the same part. */
  readonly isOtherPart: boolean;
}

interface Board {
  /** Takes along what is being written: it belongs to the board on which it was begun. */
  finish(): void;
  refresh(): void;
  /** Hands in what would otherwise stay behind on this page. */
  handIn(): Promise<void>;
  /** It is still my place: my rights in these rooms are fetched anew. */
  stay(rooms: readonly Watched[]): Promise<void>;
}

export class MyPlace {
  isMoving = false;
  /** What became of what I wrote elsewhere: who is being moved reads it on the next page. */
  carried: HandedIn = { kept: 0, waiting: 0, lost: 0 };
  private readonly recalls: Watched[] = [];

  /**
   * @param as as whom this tab acts, and in which room it is.
   * @param part of which part that is.
   */
  constructor(
    private readonly as: string,
    private readonly part: number,
    private readonly board: Board,
  ) {}

  /** My rights in a room have changed. Several rooms may say so at once. */
  recalled(watched: Watched): void {
    this.recalls.push(watched);
    void this.go();
  }

  async go(): Promise<void> {
    if (this.isMoving) return;
    this.board.finish();
    this.isMoving = true;
    this.board.refresh();
    for (let attempt = 0; ; attempt++) {
      try {
        const heard = this.recalls.length;
        const answer = await fetch(`/my-place${this.as}`);
        const { address, part } = answer.ok
          ? ((await answer.json()) as { address: string; part: number })
          : { address: '/?gone=true', part: this.part };
        const isHere = address === location.pathname + location.search;
        // What cannot be handed in now, the next page hands in.
        if (!isHere) await this.board.handIn();
        // What was said meanwhile may be newer than this answer.
        if (this.recalls.length > heard) continue;
        if (isHere) {
          this.isMoving = false;
          return await this.board.stay(this.recalls.splice(0));
        }
        const moved: Moved = { carried: this.carried, isOtherPart: part !== this.part };
        if (address.startsWith('/board/')) sessionStorage.setItem(MOVED, JSON.stringify(moved));
        return location.assign(address);
      } catch {
        await new Promise((done) => setTimeout(done, Math.min(LONGEST_PAUSE_MS, 500 * 2 ** attempt)));
      }
    }
  }

  /** Who was moved here is told so once, and where their work is; null for who was not. */
  static arrived(): Moved | null {
    const moved = sessionStorage.getItem(MOVED);
    sessionStorage.removeItem(MOVED);
    return moved === null ? null : (JSON.parse(moved) as Moved);
  }
}
