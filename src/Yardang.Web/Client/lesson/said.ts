// What a teacher says and asks while the lesson runs, on the page of a student. Fetched when something is said for the first time.

import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import { askedOf } from './asked';
import { calledOf, type CalledPage, type CalledTexts } from './called';
import { phaseLine } from './phase-line';
import { showingLine } from './showing-line';
import type { WorkData } from './work-data';

export function saidOf(
  lesson: () => RoomClient<LessonState> | null,
  me: number,
  data: Pick<WorkData, 'zone' | 'part' | 'together' | 'shows'>,
  page: () => CalledPage,
  texts: CalledTexts,
) {
  return {
    called: calledOf(lesson, me, data, page, texts),
    asked: askedOf(lesson, me),
    phase: phaseLine(lesson, me),
    showing: showingLine(lesson, me, data),

    refresh(): void {
      this.asked.refresh();
      this.called.refresh();
      this.phase.refresh();
      this.showing.refresh();
    },
  };
}

export type Said = ReturnType<typeof saidOf>;
