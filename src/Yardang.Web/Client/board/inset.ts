// The teacher's own board beside my work: live, small or large, where I like it, and never more than a press away from my own.

import { BoardTile } from '../circulate/board-tile';
import { fill } from '../page-data';
import { Connection } from '../room/connection';
import type { Me } from '../room/sheets';

interface Place {
  readonly x: number;
  readonly y: number;
}

/** A step of an arrow key, px. */
const STEP = 24;
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

/** @param gone it may be looked at no longer. */
export function insetOf(room: string, query: string, me: Me, written: string, pageOf: string, gone: () => void) {
  let tile: BoardTile | null = null;
  let connection: Connection | null = null;
  let host: HTMLElement | null = null;
  let grip: Place | null = null;
  let wanted = 0;

  return {
    isOpen: false,
    isLarge: false,
    pageNumber: 1,
    pageCount: 1,
    /** Where it was put; null where it is to begin with. */
    place: null as Place | null,

    get pageText(): string {
      return fill(pageOf, this.pageNumber, this.pageCount);
    },

    get style(): object {
      const place = this.place as Place | null;
      const isFree = place !== null && !this.isLarge;
      // Else what was said before would stay.
      return isFree
        ? { left: `${place.x}px`, top: `${place.y}px`, right: 'auto', bottom: 'auto' }
        : { left: '', top: '', right: '', bottom: '' };
    },

    /**
     * Shows it, at a page.
     * @param page the page by its id; it is looked for until the board is here.
     */
    open(element: HTMLElement, page: number, large = false): void {
      host = element;
      wanted = page;
      this.isOpen = true;
      this.isLarge = large;
      if (!tile) this.begin();
      this.turnToWanted();
    },

    begin(): void {
      connection = new Connection(
        `${query}&look=1`,
        () => undefined,
        () => this.lost(),
      );
      tile = new BoardTile({ room, connection, me, before: undefined, changed: () => this.changed() }, written);
      tile.show(host);
      void connection.start();
      void tile.enter();
    },

    changed(): void {
      this.pageCount = Math.max(1, tile?.pageCount ?? 1);
      this.turnToWanted();
    },

    turnToWanted(): void {
      const number = tile?.numberOf(wanted) ?? 0;
      if (number === 0) return;
      wanted = 0;
      this.turnTo(number);
    },

    turnTo(number: number): void {
      this.pageNumber = Math.min(this.pageCount, Math.max(1, number));
      tile?.showPage(this.pageNumber);
    },

    step(by: number): void {
      this.turnTo(this.pageNumber + by);
    },

    toggleSize(): void {
      this.isLarge = !this.isLarge;
    },

    close(): void {
      this.isOpen = false;
    },

    lost(): void {
      tile?.close();
      tile = null;
      this.isOpen = false;
      gone();
    },

    /** Begins to carry it. */
    take(e: PointerEvent): void {
      if (!host || this.isLarge || (e.target as HTMLElement).closest('button')) return;
      const box = host.getBoundingClientRect();
      grip = { x: e.clientX - box.left, y: e.clientY - box.top };
      (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
    },

    carry(e: PointerEvent): void {
      if (!grip || !host) return;
      const around = host.parentElement!.getBoundingClientRect();
      this.put({ x: e.clientX - around.left - grip.x, y: e.clientY - around.top - grip.y });
    },

    drop(): void {
      grip = null;
    },

    key(e: KeyboardEvent): void {
      const by = ARROWS[e.key];
      if (!by || !host || this.isLarge) return;
      e.preventDefault();
      e.stopPropagation();
      this.put({ x: host.offsetLeft + by[0], y: host.offsetTop + by[1] });
    },

    /** All of it stays in sight. */
    put({ x, y }: Place): void {
      const around = host!.parentElement!;
      const most = { x: around.clientWidth - host!.offsetWidth, y: around.clientHeight - host!.offsetHeight };
      this.place = { x: Math.max(0, Math.min(most.x, x)), y: Math.max(0, Math.min(most.y, y)) };
    },
  };
}

export type Inset = ReturnType<typeof insetOf>;
