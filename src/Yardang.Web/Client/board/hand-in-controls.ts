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
}

export function handInControls(lesson: () => RoomClient<LessonState> | null, me: number, zone: string, texts: Texts) {
  return {
    handsIn: false,
    handedIn: false,
    mayHandIn: true,
    handInText: texts.handIn,
    dueText: '',

    refreshHandIn(): void {
      const { state } = lesson()!;
      const { dueAt } = state.times;
      this.handsIn = state.times.handsIn;
      this.handedIn = state.people.get(me)?.handedInAt != null;
      this.mayHandIn = !this.handedIn || !state.overdue;
      this.handInText = this.handedIn ? texts.handedIn : texts.handIn;
      this.dueText = dueAt === null ? '' : fill(state.overdue ? texts.lateSince : texts.dueAt, showMoment(dueAt, zone));
    },

    toggleHandIn(): void {
      const room = lesson();
      if (room?.client) room.submit({ kind: this.handedIn ? 'takeWorkBack' : 'handIn' });
    },
  };
}
