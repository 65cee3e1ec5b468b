// The phase of the lesson as a student reads it: what is done now, and how long.

import type { LessonState } from '../room/lesson-state';
import { endsFor } from '../room/phases';
import type { RoomClient } from '../room/room-client';
import { serverNow } from '../room/server-clock';
import { timeLeft } from './time-left';

const TICK_MS = 1000;

export function phaseLine(lesson: () => RoomClient<LessonState> | null, me: number) {
  let ticking: ReturnType<typeof setInterval> | undefined;

  return {
    /** Which; -1 for none. */
    kind: -1,
    words: '',
    /** The time that is left; empty if it has no end. */
    left: '',
    isOver: false,

    refresh(): void {
      const phase = lesson()?.state.phase ?? null;
      this.kind = phase?.plan.kind ?? -1;
      this.words = phase?.plan.words ?? '';
      const end = phase && endsFor(phase, me);
      this.left = timeLeft(end, serverNow());
      this.isOver = end !== null && end <= serverNow();
      clearInterval(ticking);
      if (end !== null && !this.isOver) ticking = setInterval(() => this.refresh(), TICK_MS);
    },
  };
}
