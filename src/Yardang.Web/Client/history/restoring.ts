// Making a board what it was: said beforehand in a sentence and two pictures, done as one gesture, and undone like any other.

import { decode } from '@msgpack/msgpack';
import { plural } from '../page-data';
import type { Change } from '../room/marks';
import type { RoomClient } from '../room/room-client';
import type { Sheets } from '../room/sheets';
import type { Command } from '../room/wire';
import type { PageSurface } from '../surface/page-surface';
import { SmallPicture } from '../surface/small-picture';
import { readChange } from '../wire/pages-codec';
import type { HistoryTexts } from './history-data';

/** What is restored: of a page, of everybody's pages, one person's, or one mark. */
export type Scope = 'page' | 'all' | 'person' | 'mark';

const PICTURE_WIDTH = 420;

export interface Desk {
  readonly room: RoomClient<Sheets>;
  readonly surface: PageSurface;
  readonly texts: HistoryTexts;
  /** As it is now. */
  readonly now: Sheets;
  /** Number of the last event of the moment. */
  readonly moment: number;
  readonly page: number;
  readonly person: number;
  readonly mark: number;
  say(words: string): void;
  openDialog(isOpen: boolean): void;
  picture(which: 'before' | 'after'): HTMLCanvasElement;
}

export function restoringOf(desk: () => Desk) {
  let asked = 0;
  return {
    scope: 'page' as Scope,
    depth: '0',
    /** What will change, in words; empty as long as that is not known. */
    summary: '',
    commands: [] as Command[],
    isAway: false,
    /** The gesture on its way; 0 for none. */
    pending: 0,
    /** The last one that is done: it can be undone. */
    done: 0,

    open(): void {
      const { person, mark } = desk();
      this.scope = mark ? 'mark' : person ? 'person' : 'page';
      this.depth = mark ? '1' : '0';
      desk().openDialog(true);
      void this.ask();
    },

    setScope(scope: Scope): void {
      this.scope = scope;
      void this.ask();
    },

    setDepth(depth: string): void {
      this.depth = depth;
      void this.ask();
    },

    async ask(): Promise<void> {
      const { room, moment, page, person, mark } = desk();
      const turn = ++asked;
      this.summary = '';
      this.commands = [];
      const query = new URLSearchParams({ at: String(moment), depth: this.depth });
      if (this.scope === 'page') query.set('page', String(page));
      if (this.scope === 'person') query.set('person', String(person));
      if (this.scope === 'mark') query.set('mark', String(mark));
      const answer = await fetch(`/rooms/${room.room}/restoring?${query}`).catch(() => null);
      if (turn !== asked) return;
      this.isAway = !answer?.ok;
      if (!answer?.ok) return;
      const [commands, back, changed, away, down] = decode(new Uint8Array(await answer.arrayBuffer())) as any[];
      if (turn !== asked) return;
      this.commands = commands.map((raw: any[]) => ({ kind: 'restoreMarks', changes: raw[6][0].map(readChange) }));
      this.summary = this.tell(back, changed, away, down);
      this.paint();
    },

    tell(back: number, changed: number, away: number, down: number): string {
      const { texts } = desk();
      const parts = [
        back && plural(texts.will, 'back', back),
        changed && plural(texts.will, 'changed', changed),
        away && plural(texts.will, 'away', away),
      ].filter((part) => part !== 0);
      const what = parts.length > 0 ? parts.join(' ') : texts.nothing;
      return down > 0 ? `${what} ${plural(texts.will, 'down', down)}` : what;
    },

    /** The page as it is, and as it will be. */
    paint(): void {
      const { now, page, surface, picture } = desk();
      const found = now.page(page);
      if (!found) return;
      const after = now.copy();
      after.forgetSteps();
      for (const command of this.commands) {
        const { changes } = command as { changes: readonly Change[] };
        after.happen({ kind: 'changesMade', changes, back: [] }, 0, 0);
      }
      for (const [which, sheets] of [
        ['before', now],
        ['after', after],
      ] as const)
        new SmallPicture(picture(which)).show(found, sheets.visible(page), PICTURE_WIDTH, surface.options);
    },

    restore(): void {
      const { room, openDialog } = desk();
      if (this.commands.length === 0 || !room.client) return;
      this.pending = room.newId();
      for (const command of this.commands) room.submit(command, this.pending);
      openDialog(false);
      desk().say(desk().texts.beingRestored);
    },

    close(): void {
      desk().openDialog(false);
    },

    undo(): void {
      const { room } = desk();
      if (this.done && room.client) room.submit({ kind: 'undoGesture', gesture: this.done }, 0);
      this.done = 0;
    },

    /** An event of the log is here. */
    applied(gesture: number, isLast: boolean): void {
      if (gesture === 0 || gesture !== this.pending || !isLast) return;
      this.done = this.pending;
      this.pending = 0;
      desk().say(desk().texts.restored);
    },

    refused(): void {
      this.pending = 0;
      desk().say(desk().texts.refused);
    },
  };
}
