// A teacher's own board is laid beside the work of some, or of all: for that they have to be able to look at it.

import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import { SpotKind } from '../wire/forms';

interface Called {
  readonly part: number;
  readonly page: number;
  /** Everybody, if none are named. */
  readonly people: readonly number[];
}

export function callToOwnBoard(lesson: RoomClient<LessonState>, { part, page, people }: Called): void {
  const { seesTeachersBoard, seesOtherBoards: otherBoards, seesOwnPast: ownPast, takesAlong: takeAlong } = lesson.state;
  if (!seesTeachersBoard) lesson.submit({ kind: 'setSight', otherBoards, teachersBoard: true, ownPast, takeAlong });
  const to = { part, kind: SpotKind.TeachersBoard, id: page, x: 0, y: 0 };
  lesson.submit({ kind: 'callClass', people, words: '', to, stays: false });
}
