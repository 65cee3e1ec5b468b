// Handing in, and by when.

import { fill } from '../page-data';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import { showMoment } from '../show-moment';

interface Texts {
  readonly handIn: string;
  readonly handedIn: string;
  readonly dueAt: string;
  readonly lateSince: string;
  readonly changedSince: string;
}

export function handingIn(
  lesson: () => RoomClient<LessonState> | null,
  lastActivity: () => number | null,
  me: number,
  zone: string,
  texts: Texts,
) {
  return {
    isAsked: false,
    isDone: false,
    isAllowed: true,
    words: texts.handIn,
    dueWords: '',

    refresh(): void {
      const { state } = lesson()!;
      const { dueAt } = state.times;
      const at = state.people.get(me)?.handedInAt ?? null;
      this.isAsked = state.times.handsIn;
      this.isDone = at !== null;
      this.isAllowed = !this.isDone || !state.isOverdue;
      this.words = this.isDone ? texts.handedIn : texts.handIn;
      const isChanged = at !== null && (lastActivity() ?? 0) > at;
      const due = dueAt === null ? '' : fill(state.isOverdue ? texts.lateSince : texts.dueAt, showMoment(dueAt, zone));
      this.dueWords = isChanged ? texts.changedSince : due;
    },

    toggle(): void {
      const room = lesson();
      if (room?.client) room.submit({ kind: this.isDone ? 'takeWorkBack' : 'handIn' });
    },
  };
}
