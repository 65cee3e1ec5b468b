// What the class sees on the big screen: put there and taken away by the teacher, and by nobody else.

import { fill } from '../page-data';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import { ScreenKind } from '../wire/forms';

export interface ScreeningTexts {
  readonly screen: Record<string, string>;
  readonly screenShows: string;
  readonly screenTooMany: string;
}

const MOST_WORKS = 6;

export interface Screened {
  /** The boards of those who are picked; on a wall for all, that wall. */
  works(): string[];
  ownBoard(): string | null;
  /** Whose a room is, in words. */
  nameOf(room: string): string;
  /** The page that is looked at; 0 for none. */
  pageShown(): number;
}

export function screeningOf(lesson: () => RoomClient<LessonState>, id: string, page: Screened, texts: ScreeningTexts) {
  let numbers: Promise<Record<string, number>> | null = null;

  return {
    withClock: true,
    frozen: false,
    now: '',
    /** Why nothing was put there. */
    fault: '',
    code: '',
    /** Whose works are shown under which numbers: for the teacher's eyes alone. */
    whose: [] as { readonly mask: number; readonly name: string }[],

    refresh(): void {
      const { kind, rooms } = lesson().state.screen;
      void this.askWhose(kind === ScreenKind.Works ? rooms : []);
      this.now = fill(texts.screenShows, texts.screen[lesson().state.screen.kind] ?? '');
    },

    async askWhose(rooms: readonly string[]): Promise<void> {
      if (rooms.length === 0) numbers = null;
      else
        numbers ??= fetch(`/lesson/${id}/screen-numbers`).then(
          (answer) => (answer.ok ? (answer.json() as Promise<Record<string, number>>) : {}),
          () => ({}),
        );
      const known = (await numbers) ?? {};
      this.whose = rooms
        .flatMap((room) => (known[room] ? [{ mask: known[room], name: page.nameOf(room) }] : []))
        .sort((a, b) => a.mask - b.mask);
    },

    show(kind: ScreenKind, rooms: readonly string[] = []): void {
      this.fault = '';
      const { withClock, frozen } = this;
      const shown = { kind, rooms, page: rooms.length > 0 ? page.pageShown() : 0, withClock, frozen, card: 0 };
      lesson().submit({ kind: 'showOnScreen', shown });
    },

    showWorks(): void {
      const works = page.works();
      if (works.length === 0 || works.length > MOST_WORKS) this.fault = fill(texts.screenTooMany, MOST_WORKS);
      else this.show(ScreenKind.Works, works);
    },

    showOwn(): void {
      const own = page.ownBoard();
      if (own) this.show(ScreenKind.Works, [own]);
    },

    setClock(on: boolean): void {
      this.withClock = on;
    },

    setFrozen(on: boolean): void {
      this.frozen = on;
    },

    /** Another device becomes the big screen. */
    async pair(): Promise<void> {
      const answer = await fetch(`/lesson/${id}/pairing`).catch(() => null);
      this.code = answer?.ok ? ((await answer.json()) as { code: string }).code : '';
    },
  };
}
