// What the lesson says: Core's Lesson, as far as this reader is told.

import {
  Door,
  type AnsweredNeed,
  type ApprovalIn,
  ApprovalWhen,
  type Call,
  type Group,
  HandReason,
  type LastVisit,
  type LateChange,
  type LessonTimes,
  Moment,
  type OnScreen,
  ScreenKind,
  NeedKind,
  type NeedsSettings,
  type WordScreening,
  type Person,
  type Phase,
  type PhasePlan,
  type QuickQuestion,
  Report,
  type RoomSnapshot,
  type ShowingSnapshot,
  Signal,
  Standing,
  type WorkWaits,
} from '../wire/forms';
import { callsAfter } from './calls';
import { phasesAfter } from './phases';
import { regrouped, showingAfter } from './showing';
import { questionsAfter } from './quick-questions';
import type { Command, Envelope, RoomEvent } from './wire';

export { type Group, HandReason, type LateChange, type LessonTimes, NeedKind, type Person, Report, Signal, Standing };

const REMEMBERED = 30;
const MINUTE = 60_000;
const HAND_DOWN = { handUpAt: null, reason: HandReason.None, words: '' };
const NOTHING_SAID = { report: Report.None, reportAt: null };

/** Nothing is left that somebody waited for: no hand, no look, neither stuck nor unsure. */
function seenTo({ report, reportAt }: Person): Partial<Person> {
  return { ...HAND_DOWN, readyAt: null, ...(report === Report.GoesOn ? { report, reportAt } : NOTHING_SAID) };
}

export class LessonState {
  number = 0;
  door = Door.Open;
  pensDown = false;
  pensConfirmedOn: number | null = null;
  closed = false;
  people: ReadonlyMap<number, Person> = new Map();
  namesMasked = false;
  seesOtherBoards = false;
  seesTeachersBoard = false;
  /** Whether students may look at how their own board came to be. */
  seesOwnPast = false;
  takesAlong = false;
  groups: readonly Group[] = [];
  /** The highest group number that ever was. */
  groupsUsed = 0;
  groupingVersion = 0;
  /** The event up to which everybody's place is as this says. */
  seatsThrough = 0;
  /** Earlier and taken back arrangements, the next to be brought back last. Students are not told of them. */
  past: readonly (readonly Group[])[] = [];
  future: readonly (readonly Group[])[] = [];

  /** The parts of the activity by their numbers, in order; which are open, and which was opened last (0: none was). */
  parts: readonly number[] = [1];
  openParts: readonly number[] = [1];
  openedLast = 0;
  /** On the walls of which parts each sees only their own because of the lesson; 0 for all. */
  ownFirstIn: readonly number[] = [];
  /** Since when everybody is asked how it is going; null if they are not. */
  checkInAt: number | null = null;
  /** What teachers said to the class or to some of it, and what it was asked lately, by number. */
  calls: ReadonlyMap<number, Call> = new Map();
  questions: ReadonlyMap<number, QuickQuestion> = new Map();
  /** The phase that goes on, and those before it. */
  phase: Phase | null = null;
  phasesBefore: readonly PhasePlan[] = [];
  /** Which boards are private until they are shown, and which are shown. */
  showing: ShowingSnapshot = { privacies: [], up: [], shown: [] };
  /** The last event that changed it. */
  #showingFrom = 0;
  /** What the big screen shows, and since when. Students are not told. */
  screen: OnScreen = { kind: ScreenKind.Nothing, rooms: [], page: 0, withClock: false, frozen: false, card: 0 };
  screenSetAt = 0;
  /** When a teacher last opened whose work; students know of their own. */
  visits: readonly LastVisit[] = [];
  /** What became of needs, and what is listed by itself. Students are not told. */
  answered: readonly AnsweredNeed[] = [];
  /** What is looked for in what students write. Students are not told. */
  /** Whose work a teacher looks at before others see it, by part. Students are not told. */
  approvals: readonly ApprovalIn[] = [];
  /** After how many concerns what they are about hides itself until a teacher has looked; 0: it never does. */
  hidesAfter = 0;
  screening: WordScreening = { then: 0, forYoung: false, details: false, own: [], allowed: [] };
  needs: NeedsSettings = {
    notStartedAfter: 0,
    stoppedAfter: 0,
    inCirclesAfter: 0,
    otherPageAfter: 0,
    offlineAfter: 0,
    withoutAlerts: false,
  };

  lateChanges: ReadonlyMap<number, LateChange> = new Map();
  times: LessonTimes = { opensAt: null, dueAt: null, closesAt: null, handsIn: false };
  waits = false;
  isOverdue = false;
  /** What waits on boards for a teacher's decision, also where nobody is any more. Students are not told. */
  waiting: readonly WorkWaits[] = [];

  static of(number: number, state: RoomSnapshot): LessonState {
    if (state.kind !== 'lesson') throw new Error('This is no lesson.');
    // As of which event places have to be is between Core and the seating.
    const { kind: _, placesAsOf: __, people, lateChanges, calls, questions, ...rest } = state;
    return Object.assign(new LessonState(), rest, {
      number,
      people: new Map(people.map((p) => [p.number, p])),
      lateChanges: new Map(lateChanges.map((c) => [c.number, c])),
      calls: new Map(calls.map((c) => [c.number, c])),
      questions: new Map(questions.map((q) => [q.number, q])),
    });
  }

  copy(): LessonState {
    const copy = Object.assign(new LessonState(), this);
    copy.#showingFrom = this.#showingFrom;
    return copy;
  }

  /** Whether access follows what is said of showing: it does so a moment later. */
  get showingHolds(): boolean {
    return this.seatsThrough >= this.#showingFrom;
  }

  get studentsMayWrite(): boolean {
    return !this.pensDown && !this.closed && !this.waits;
  }

  apply(envelope: Envelope): void {
    const { event, time } = envelope;
    this.calls = callsAfter(this.calls, envelope);
    this.questions = questionsAfter(this.questions, envelope);
    Object.assign(this, phasesAfter(this, envelope));
    const showing = showingAfter(this.showing, event);
    if (showing !== this.showing) this.#showingFrom = envelope.number;
    this.showing = showing;
    switch (event.kind) {
      case 'peopleExpected':
        for (let n = event.first; n < event.first + event.count; n++) this.come(n, Standing.Expected, 0, true);
        break;
      case 'personJoined':
      case 'personAdmitted':
        this.come(event.person, Standing.In, time);
        break;
      case 'personAsked':
        this.come(event.person, Standing.Waiting, time);
        break;
      case 'personBrought':
        this.come(event.person, Standing.In, event.joinedAt);
        this.setPerson({ ...this.people.get(event.person)!, handedInAt: event.handedInAt });
        break;
      case 'personTurnedAway':
        this.stand(event.person, Standing.TurnedAway);
        break;
      case 'personRemoved':
        this.leave(event.person);
        break;
      case 'sentAway':
        this.door = Door.Closed;
        for (const number of event.people) this.leave(number);
        break;
      case 'groupsSet':
        this.past = [...this.past, this.groups].slice(-REMEMBERED);
        this.future = [];
        this.setGroups(event.groups);
        break;
      case 'groupsUndone':
        this.future = [...this.future, this.groups];
        this.setGroups(event.groups ?? this.past.at(-1) ?? []);
        this.past = this.past.slice(0, -1);
        break;
      case 'groupsRedone':
        this.past = [...this.past, this.groups];
        this.setGroups(event.groups ?? this.future.at(-1) ?? []);
        this.future = this.future.slice(0, -1);
        break;
      case 'seatsConfirmed':
        this.seatsThrough = event.through;
        break;
      case 'namesMasked':
        this.namesMasked = event.masked;
        break;
      case 'sightSet':
        this.seesOtherBoards = event.otherBoards;
        this.seesTeachersBoard = event.teachersBoard;
        this.seesOwnPast = event.ownPast;
        this.takesAlong = event.takeAlong;
        break;
      case 'lateChangeHandedOut': {
        const { number, content, groups, people } = event;
        this.setChange({ number, content, at: time, groups, people, received: [], takenBack: false });
        break;
      }
      case 'lateChangeTakenBack':
        this.setChange({ ...this.changeOf(event.number), takenBack: true });
        break;
      case 'lateChangeReceived': {
        const change = this.changeOf(event.number);
        this.setChange({ ...change, received: [...change.received, event.person].sort((a, b) => a - b) });
        break;
      }
      case 'timesSet':
        this.times = event.times;
        this.waits = (event.times.opensAt ?? 0) > time;
        this.isOverdue = event.times.dueAt !== null && event.times.dueAt <= time;
        break;
      case 'momentCame':
        if (event.moment === Moment.Due) this.isOverdue = true;
        else this.waits = false;
        break;
      case 'workHandedIn':
      case 'workTakenBack':
        for (const number of event.people) {
          const person = this.people.get(number);
          if (person) this.setPerson({ ...person, handedInAt: event.kind === 'workHandedIn' ? time : null });
        }
        break;
      case 'workWaits': {
        const { board, person } = event;
        const others = this.waiting.filter((w) => w.board !== board || w.person !== person);
        this.waiting = event.count > 0 ? [...others, event].sort(byBoard) : others;
        break;
      }
      case 'partsPlanned':
        this.parts = event.parts;
        this.openParts = event.open;
        break;
      case 'phaseBegun':
      case 'phaseResumed': {
        const { part } = event.plan;
        if (part === 0) break;
        this.openParts = [...new Set([...this.openParts, part])].sort((a, b) => a - b);
        this.openedLast = part;
        break;
      }
      case 'partSet': {
        const others = this.openParts.filter((part) => part !== event.part);
        this.openParts = event.open ? [...others, event.part].sort((a, b) => a - b) : others;
        if (event.open) this.openedLast = event.part;
        break;
      }
      case 'ownFirstSet': {
        const others = this.ownFirstIn.filter((part) => part !== event.part);
        this.ownFirstIn = event.on ? [...others, event.part].sort((a, b) => a - b) : others;
        break;
      }
      case 'doorSet':
        this.door = event.door;
        break;
      case 'pensSet':
        this.pensDown = event.down;
        this.pensConfirmedOn = null;
        break;
      case 'pensConfirmed':
        this.pensConfirmedOn = event.boards;
        break;
      case 'lessonClosed':
        this.closed = true;
        break;
      case 'lessonReopened':
        this.closed = false;
        if ((this.times.closesAt ?? Infinity) <= time) this.times = { ...this.times, closesAt: null };
        break;
      case 'signalGiven': {
        const { person, signal, on, reason, words } = event;
        if (signal === Signal.ReadyForALook) this.change(person, () => ({ readyAt: on ? time : null }));
        // A hand that is up keeps its place.
        else if (on) this.change(person, ({ handUpAt }) => ({ handUpAt: handUpAt ?? time, reason, words }));
        else this.change(person, () => HAND_DOWN);
        break;
      }
      case 'handsLowered':
        for (const number of this.people.keys()) this.change(number, () => HAND_DOWN);
        break;
      case 'reportGiven':
        this.change(event.person, () => ({
          report: event.report,
          reportAt: event.report === Report.None ? null : time,
        }));
        break;
      case 'screenSet':
        this.screen = event.shown;
        this.screenSetAt = time;
        break;
      case 'pensHeld':
        for (const number of event.people)
          this.change(number, () =>
            event.down ? { pensDownUntil: event.until, heldWhy: event.words } : { pensDownUntil: null, heldWhy: '' },
          );
        break;
      case 'checkInAsked':
        this.checkInAt = event.on ? time : null;
        if (event.on) for (const number of this.people.keys()) this.change(number, () => NOTHING_SAID);
        break;
      case 'workVisited':
        this.change(event.person, seenTo);
        this.visits = [
          ...this.visits.filter((v) => v.person !== event.person),
          { person: event.person, at: time },
        ].sort((a, b) => a.person - b.person);
        break;
      case 'hidingSet':
        this.hidesAfter = event.after;
        break;
      case 'approvalSet':
        this.approvals = approvalsAfter(this.approvals, event);
        break;
      case 'wordScreenSet':
        this.screening = event.screening;
        break;
      case 'needsSet':
        this.needs = event.settings;
        break;
      case 'needAnswered': {
        const { person, need, minutes } = event;
        const others = this.answered.filter((a) => a.person !== person || a.kind !== need);
        const answer = { person, kind: need, at: time, until: minutes === 0 ? null : time + minutes * MINUTE };
        this.answered = [...others, answer].sort((a, b) => a.person - b.person || a.kind - b.kind);
        break;
      }
    }
  }

  /** @param me who asks. */
  predict(command: Command, me: number): RoomEvent | null {
    switch (command.kind) {
      case 'giveSignal': {
        const { person, signal, on, reason, words } = command;
        return { kind: 'signalGiven', person, signal, on, reason, words: words.trim() };
      }
      case 'giveReport': {
        const { report } = command;
        return this.people.get(me)?.report === report ? null : { kind: 'reportGiven', person: me, report };
      }
      case 'lowerHands':
        return { kind: 'handsLowered' };
      case 'visitWork':
        return { kind: 'workVisited', person: command.person };
      case 'askCheckIn':
        return command.on || this.checkInAt !== null ? { kind: 'checkInAsked', on: command.on } : null;
      case 'setDoor':
        return { kind: 'doorSet', door: command.door };
      case 'maskNames':
        return { kind: 'namesMasked', masked: command.masked };
      case 'setSight':
        return { ...command, kind: 'sightSet' };
      case 'setGroups':
        return command.version === this.groupingVersion ? { kind: 'groupsSet', groups: command.groups } : null;
      case 'undoGroups':
        return this.past.length > 0 ? { kind: 'groupsUndone', groups: this.past.at(-1)! } : null;
      case 'redoGroups':
        return this.future.length > 0 ? { kind: 'groupsRedone', groups: this.future.at(-1)! } : null;
      default:
        // Pens and closing are shown only when they hold.
        return null;
    }
  }

  /** A student's copy knows of no others than those that have arrived there. */
  private changeOf(number: number): LateChange {
    return (
      this.lateChanges.get(number) ?? {
        number,
        content: '',
        at: 0,
        groups: [],
        people: [],
        received: [],
        takenBack: false,
      }
    );
  }

  private setChange(change: LateChange): void {
    this.lateChanges = new Map(this.lateChanges).set(change.number, change);
  }

  private change(number: number, values: (person: Person) => Partial<Person>): void {
    const person = this.people.get(number);
    if (person) this.setPerson({ ...person, ...values(person) });
  }

  private setPerson(person: Person): void {
    this.people = new Map(this.people).set(person.number, person);
  }

  private come(
    number: number,
    standing: Standing,
    joinedAt: number,
    isListed = this.people.get(number)?.isListed ?? false,
  ): void {
    this.setPerson({
      number,
      joinedAt,
      readyAt: null,
      standing,
      handedInAt: null,
      pensDownUntil: null,
      heldWhy: '',
      isListed,
      ...HAND_DOWN,
      ...NOTHING_SAID,
    });
  }

  /** A student's copy knows of nobody but them. */
  private stand(number: number, standing: Standing): void {
    const person = this.people.get(number);
    if (person)
      this.setPerson({
        ...person,
        standing,
        readyAt: null,
        pensDownUntil: null,
        heldWhy: '',
        ...HAND_DOWN,
        ...NOTHING_SAID,
      });
  }

  private leave(number: number): void {
    const waited = this.people.get(number)?.standing === Standing.Waiting;
    this.stand(number, waited ? Standing.TurnedAway : Standing.Removed);
    this.leaveGroups(number);
  }

  private setGroups(groups: readonly Group[]): void {
    this.showing = regrouped(this.showing, this.groups, groups);
    this.groups = groups;
    this.groupsUsed = Math.max(this.groupsUsed, ...groups.map((g) => g.number));
    this.groupingVersion++;
  }

  private leaveGroups(person: number): void {
    const without = (groups: readonly Group[]) =>
      groups.map((g) => ({ ...g, people: g.people.filter((p) => p !== person) }));
    this.groups = without(this.groups);
    this.past = this.past.map(without);
    this.future = this.future.map(without);
  }
}

// As Core orders them; only to be the same everywhere.
function byBoard(a: WorkWaits, b: WorkWaits): number {
  return a.board < b.board ? -1 : a.board > b.board ? 1 : a.person - b.person;
}

function approvalsAfter(before: readonly ApprovalIn[], { part, approval }: ApprovalIn): readonly ApprovalIn[] {
  const others = before.filter((set) => set.part !== part);
  if (approval.when === ApprovalWhen.Never) return others;
  return [...others, { part, approval }].sort((a, b) => a.part - b.part);
}
