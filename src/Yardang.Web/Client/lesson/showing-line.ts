// My work is private until I show it: what holds now, and the way to show it.

import type { LessonState } from '../room/lesson-state';
import { PhaseKind } from '../wire/forms';
import type { RoomClient } from '../room/room-client';
import { isShown, Privacy, privacyIn } from '../room/showing';
import type { WorkData } from './work-data';

export function showingLine(
  lesson: () => RoomClient<LessonState> | null,
  me: number,
  data: Pick<WorkData, 'part' | 'together' | 'shows'>,
) {
  const part = data.part ?? 0;
  return {
    privacy: Privacy.None as Privacy,
    /** Whether a group works here. */
    isGroup: false,
    isShown: false,
    /** Whether all boards are up, or a teacher had this one shown. */
    isCalled: false,
    /** Whether the class will see it only when all have thought on their own. */
    isLater: false,
    /** Whether I have shown it myself. */
    isMine: false,
    isOver: false,

    refresh(): void {
      const state = lesson()?.state;
      // Nothing is said to be private, or to be seen, before it is.
      if (!state?.showingHolds || !data.shows) return;
      const { showing, groups, phase, closed } = state;
      const group = data.together ? groups.find((g) => g.people.includes(me)) : undefined;
      const mine = showing.shown.find((s) => s.part === part && s.person === me);
      this.privacy = privacyIn(showing, part);
      this.isGroup = group !== undefined;
      this.isShown = isShown(showing, part, group?.people ?? [me]);
      this.isMine = mine?.called === false;
      this.isCalled = this.isShown && !this.isMine;
      this.isLater = this.isShown && phase?.plan.kind === PhaseKind.Think;
      this.isOver = closed;
    },

    show(on: boolean): void {
      const room = lesson();
      if (room && room.client !== 0) room.submit({ kind: 'showWork', part, on });
    },
  };
}
