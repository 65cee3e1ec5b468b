// What the teacher hands out while the lesson runs: students are told where to look, and the teacher on whose screen it is.

import type { Editor } from '../editor/editor';
import { fill } from '../page-data';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';

interface Texts {
  readonly fresh: string;
  readonly freshPage: string;
}

export function lateNews(editor: () => Editor, me: number, texts: Texts) {
  const told = new Set<number>();

  return {
    /** The page on which something new from the teacher stands; 0 for nowhere, null for nothing new. */
    page: null as number | null,
    words: '',

    /** What was handed out late is on this screen now. */
    receive(lesson: RoomClient<LessonState> | null): void {
      if (!lesson?.client) return;
      const { adopted, pages } = editor().sheets;
      for (const [number, page] of adopted) {
        if (told.has(number) || lesson.state.lateChanges.get(number)?.received.includes(me)) continue;
        told.add(number);
        this.page = page;
        const at = pages.findIndex((p) => p.id === page);
        this.words = at < 0 ? texts.fresh : fill(texts.freshPage, at + 1);
        lesson.submit({ kind: 'confirmLateChange', number });
      }
    },

    look(): void {
      const { page } = this;
      if (page !== null && editor().sheets.pages.some((p) => p.id === page)) editor().turnToPage(page);
      this.page = null;
    },
  };
}
