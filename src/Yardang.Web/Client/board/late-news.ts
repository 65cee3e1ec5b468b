// What the teacher hands out while the lesson runs: students are told where to look, and the teacher on whose screen it is.

import { fill } from '../page-data';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import type { SheetSession } from './sheet-session';

interface Texts {
  readonly fresh: string;
  readonly freshPage: string;
}

export function lateNews(session: () => SheetSession, me: number, texts: Texts) {
  const told = new Set<number>();

  return {
    /** The page on which something new from the teacher stands; 0 for nowhere, null for nothing new. */
    fresh: null as number | null,
    freshText: '',

    /** What was handed out late is on this screen now. */
    receive(lesson: RoomClient<LessonState> | null): void {
      if (!lesson?.client) return;
      const { adopted, pages } = session().sheets;
      for (const [number, page] of adopted) {
        if (told.has(number) || lesson.state.lateChanges.get(number)?.received.includes(me)) continue;
        told.add(number);
        this.fresh = page;
        const at = pages.findIndex((p) => p.id === page);
        this.freshText = at < 0 ? texts.fresh : fill(texts.freshPage, at + 1);
        lesson.submit({ kind: 'confirmLateChange', number });
      }
    },

    lookAtFresh(this: { fresh: number | null; turnToPage(id: number): void }): void {
      const { fresh } = this;
      if (fresh !== null && session().sheets.pages.some((p) => p.id === fresh)) this.turnToPage(fresh);
      this.fresh = null;
    },
  };
}
