// Boards that are private until they are shown, in the teacher's hand: from whom, who has shown, boards up and down.

import { fill } from '../page-data';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import { isShown, Privacy, privacyIn } from '../room/showing';
import type { Pickable } from './picking';

export interface ShowingTexts {
  readonly showingCount: string;
  readonly showingUp: string;
}

const WHOLE_LESSON = 0;

export function showingOf(
  lesson: () => RoomClient<LessonState>,
  page: { readonly part: number; here(): readonly Pickable[]; whom(): number[] },
  texts: ShowingTexts,
) {
  const { part } = page;
  return {
    privacy: Privacy.None as Privacy,
    areUp: false,
    /** Whether a teacher has any shown. */
    mayGoDown: false,
    words: '',
    /** What is chosen in the dialog, and whether it is for the whole lesson. */
    chosen: Privacy.None as Privacy,
    everywhere: false,

    refresh(): void {
      const { showing } = lesson().state;
      const people = page.here();
      const shown = people.filter((p) => isShown(showing, part, [p.number])).length;
      this.privacy = privacyIn(showing, part);
      this.areUp = showing.up.includes(part);
      this.mayGoDown = this.areUp || showing.shown.some((s) => s.part === part && s.called);
      this.words = this.areUp ? texts.showingUp : fill(texts.showingCount, shown, people.length);
    },

    /** Whether the board of these is shown. */
    isShown(people: readonly number[]): boolean {
      return isShown(lesson().state.showing, part, people);
    },

    /** Whether not even this teacher sees it. */
    isKept(people: readonly number[]): boolean {
      return this.privacy === Privacy.AlsoFromTeachers && !this.isShown(people);
    },

    /** The dialog begins with what holds. */
    begin(): void {
      const { privacies } = lesson().state.showing;
      this.everywhere = privacies.some((p) => p.part === WHOLE_LESSON);
      this.chosen = this.privacy;
    },

    choose(value: string): void {
      this.chosen = Number(value);
    },

    setEverywhere(on: boolean): void {
      this.everywhere = on;
    },

    /** What was chosen holds, here or everywhere; what said something else before says it no longer. */
    set(): void {
      const { privacies } = lesson().state.showing;
      const wanted = (which: number) => ((which === WHOLE_LESSON) === this.everywhere ? this.chosen : Privacy.None);
      for (const which of [part, WHOLE_LESSON]) {
        const before = privacies.find((p) => p.part === which)?.privacy ?? Privacy.None;
        if (before !== wanted(which)) lesson().submit({ kind: 'setPrivacy', part: which, privacy: wanted(which) });
      }
    },

    /** Everybody's boards, or of those who are picked. */
    boardsUp(): void {
      lesson().submit({ kind: 'callBoardsUp', part, people: page.whom(), up: true });
    },

    boardsDown(): void {
      lesson().submit({ kind: 'callBoardsUp', part, people: [], up: false });
    },
  };
}
