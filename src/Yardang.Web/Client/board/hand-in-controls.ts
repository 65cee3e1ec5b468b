// Handing in, and by when.

import { fill } from '../page-data';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import type { Sheets } from '../room/sheets';
import { showMoment } from '../show-moment';

interface Texts {
  readonly handIn: string;
  readonly handedIn: string;
  readonly dueAt: string;
  readonly lateSince: string;
  readonly changedSince: string;
}

export function handInControls(
  lesson: () => RoomClient<LessonState> | null,
  sheets: () => Sheets,
  me: number,
  zone: string,
  texts: Texts,
) {
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
      this.mayHandIn = !this.handedIn || !state.isOverdue;
      this.handInText = this.handedIn ? texts.handedIn : texts.handIn;
      const handedInAt = state.people.get(me)?.handedInAt ?? null;
      const isChanged = handedInAt !== null && (sheets().lastActivity ?? 0) > handedInAt;
      const due = dueAt === null ? '' : fill(state.isOverdue ? texts.lateSince : texts.dueAt, showMoment(dueAt, zone));
      this.dueText = isChanged ? texts.changedSince : due;
    },

    toggleHandIn(): void {
      const room = lesson();
      if (room?.client) room.submit({ kind: this.handedIn ? 'takeWorkBack' : 'handIn' });
    },
  };
}
