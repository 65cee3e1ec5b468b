// What I tell my teacher, and what the teacher tells all: hand up and why, ready for a look, how it is going; pens down, the lesson is over.

import { fill } from '../page-data';
import { HandReason, type LessonState, Report, Signal } from '../room/lesson-state';
import { CHOOSING, closes, endsFor } from '../room/phases';
import type { RoomClient } from '../room/room-client';
import { serverNow } from '../room/server-clock';
import { showTime } from '../show-moment';
import { StudentActs } from '../wire/forms';

interface Texts {
  readonly closed: string;
  readonly pensDown: string;
  readonly penDownMine: string;
  readonly pausedUntil: string;
  readonly heldWhy: string;
  readonly choosing: string;
  readonly notInPhase: string;
  readonly actWrite: string;
  readonly actAnswer: string;
  readonly actMove: string;
  readonly actJudge: string;
  readonly timeOver: string;
}

/** Stands for a time that does not end by itself. */
const UNTIL_SAID = 0;

/** Most letters of a reason in own words. */
const LONGEST_WORDS = 80;

/**
 * @param isStudent whether what the teacher tells all concerns me.
 * @param zone the time zone of the school.
 * @param menu opens what can be said of a hand, or of how it is going.
 */
export function tellingOf(
  lesson: () => RoomClient<LessonState> | null,
  me: number,
  isStudent: boolean,
  zone: string,
  texts: Texts,
  menu: (name: 'why' | 'going', open: boolean) => void,
) {
  let askedAt: number | null = null;
  let phaseEnds: ReturnType<typeof setTimeout> | undefined;
  let pauseEnds: ReturnType<typeof setTimeout> | undefined;

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
    /** That my own pen is down, in words; empty if it is not. */
    mineDown: '',
    closed: false,
    /** What the phase closes, while all else is open. */
    closes: StudentActs.None as StudentActs,
    /** Whether the time of a phase is over that ends by itself. */
    isOver: false,

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
      this.followPhase(state);
      this.holdMine(person?.pensDownUntil ?? null, person?.heldWhy ?? '');
      this.isAsked = isStudent && state.checkInAt !== null && this.report === Report.None;
      // Once for each time that it is asked; nobody is interrupted who does not want to say.
      if (this.isAsked && askedAt !== state.checkInAt) menu('going', true);
      if (this.isAsked) askedAt = state.checkInAt;
    },

    /** Why nothing at all is possible now, in words; empty if something is. */
    get stopped(): string {
      if (this.closed) return texts.closed;
      if (this.pensDown) return texts.pensDown;
      return this.mineDown || (this.isOver ? texts.timeOver : '');
    },

    /** The same, where it concerns me. */
    get held(): string {
      return isStudent ? this.stopped : '';
    },

    /** What the phase closes while all else is open, in words; empty if nothing. */
    get without(): string {
      if (this.held || !this.closes) return '';
      if (this.closes === CHOOSING) return texts.choosing;
      const { actWrite, actAnswer, actMove, actJudge } = texts;
      const closed = [actWrite, actAnswer, actMove, actJudge].filter((_, at) => this.closes & (1 << at));
      return fill(texts.notInPhase, closed.join(', '));
    },

    /** Whether I may do this now. */
    lets(act: StudentActs): boolean {
      return !isStudent || !(this.stopped || this.closes & act);
    },

    followPhase(state: LessonState): void {
      const { phase } = state;
      clearTimeout(phaseEnds);
      this.closes = phase ? closes(phase.plan) : StudentActs.None;
      const end = phase?.plan.endsItself ? endsFor(phase, me) : null;
      const left = (end ?? 0) - serverNow();
      this.isOver = end !== null && left <= 0;
      if (end !== null && left > 0) phaseEnds = setTimeout(() => this.followPhase(lesson()!.state), left + 50);
    },

    /** A pause ends by itself. */
    holdMine(until: number | null, why: string): void {
      clearTimeout(pauseEnds);
      const left = (until ?? 0) - serverNow();
      const isUntilSaid = until === UNTIL_SAID;
      if (!isUntilSaid && left <= 0) return void (this.mineDown = '');
      this.mineDown = isUntilSaid ? texts.penDownMine : fill(texts.pausedUntil, showTime(until!, zone));
      if (why) this.mineDown += ` ${fill(texts.heldWhy, why)}`;
      if (!isUntilSaid) pauseEnds = setTimeout(() => this.holdMine(until, why), left + 50);
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
