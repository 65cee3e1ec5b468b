// My own work that the teacher looks at before others see it: how much it is, what it is, and how I take it back to put it otherwise.

import type { RoomClient } from '../room/room-client';
import type { Command } from '../room/wire';
import type { LateWork } from '../wire/forms';
import type { WaitingWork } from './waiting-work';

export interface WaitingPage {
  readonly work: RoomClient<any>;
  readonly setAside: readonly LateWork[];
  /** Words that were not taken can be put otherwise. */
  giveBack(command: Command): void;
  openDialog(name: string): void;
  closeDialog(name: string): void;
}

export function waitingOf(page: () => WaitingPage) {
  return {
    count: 0,
    /** Something of it is to be mended. */
    isReturned: false,
    items: [] as readonly WaitingWork[],

    refresh(): void {
      this.count = page().setAside.length;
      this.isReturned = page().setAside.some(({ returned }) => returned !== '');
      if (this.items.length > 0) void this.list();
    },

    async open(): Promise<void> {
      await this.list();
      page().openDialog('waiting');
    },

    async list(): Promise<void> {
      const { describe } = await import('./waiting-work');
      this.items = describe(page().setAside);
      if (this.items.length === 0) page().closeDialog('waiting');
    },

    takeBack(item: WaitingWork): void {
      const { work, giveBack } = page();
      for (const number of item.numbers) work.submit({ kind: 'discardLateWork', number, words: '' });
      page().closeDialog('waiting');
      if (item.command) giveBack(item.command);
    },

    close(): void {
      this.items = [];
      page().closeDialog('waiting');
    },
  };
}
