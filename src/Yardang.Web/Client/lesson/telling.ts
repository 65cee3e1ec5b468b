// What I tell my teacher, and what the teacher tells all: hand up and why, ready for a look, how it is going; pens down, the lesson is over.

import { HandReason, type LessonState, Report, Signal } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';

interface Texts {
  readonly closed: string;
  readonly pensDown: string;
}

/** Most letters of a reason in own words. */
const LONGEST_WORDS = 80;

/**
 * @param isStudent whether what the teacher tells all concerns me.
 * @param menu opens what can be said of a hand, or of how it is going.
 */
export function tellingOf(
  lesson: () => RoomClient<LessonState> | null,
  me: number,
  isStudent: boolean,
  texts: Texts,
  menu: (name: 'why' | 'going', open: boolean) => void,
) {
  let askedAt: number | null = null;

  const submit = (command: Parameters<RoomClient<LessonState>['submit']>[0]) => {
    const room = lesson();
    if (room?.client) room.submit(command);
  };
  const give = (signal: Signal, on: boolean, reason = HandReason.None, words = '') =>
    submit({ kind: 'giveSignal', person: me, signal, on, reason, words });

  return {
    handUp: false,
    /** Why, as the teacher reads it. */
    reason: HandReason.None as HandReason,
    words: '',
    /** What is being typed of it. */
    typed: '',
    ready: false,
    /** How I said that it is going. */
    report: Report.None as Report,
    /** Whether the teacher asks, and I have not said. */
    isAsked: false,
    pensDown: false,
    closed: false,

    refresh(): void {
      const { state } = lesson()!;
      this.pensDown = state.pensDown;
      this.closed = state.closed;
      const person = state.people.get(me);
      this.handUp = person?.handUpAt != null;
      this.reason = person?.reason ?? HandReason.None;
      this.words = person?.words ?? '';
      this.ready = person?.readyAt != null;
      this.report = person?.report ?? Report.None;
      this.isAsked = isStudent && state.checkInAt !== null && this.report === Report.None;
      // Once for each time that it is asked; nobody is interrupted who does not want to say.
      if (this.isAsked && askedAt !== state.checkInAt) menu('going', true);
      if (this.isAsked) askedAt = state.checkInAt;
    },

    /** Why nobody writes now, in words; empty if they may. */
    get held(): string {
      return !isStudent ? '' : this.closed ? texts.closed : this.pensDown ? texts.pensDown : '';
    },

    /** The hand is up at once; why can be said afterwards. */
    toggleHand(): void {
      give(Signal.HandUp, !this.handUp);
      this.typed = '';
      menu('why', this.handUp);
    },

    sayWhy(reason: HandReason): void {
      give(Signal.HandUp, true, reason);
      menu('why', false);
    },

    sayOwn(): void {
      const words = this.typed.trim().slice(0, LONGEST_WORDS);
      if (words === '') return;
      give(Signal.HandUp, true, HandReason.None, words);
      menu('why', false);
    },

    toggleReady(): void {
      give(Signal.ReadyForALook, !this.ready);
    },

    /** Said twice, it is taken back. */
    sayGoing(report: Report): void {
      submit({ kind: 'giveReport', report: this.report === report ? Report.None : report });
      menu('going', false);
    },
  };
}
