// What the lesson says: Core's Lesson, as far as this reader is told.

import type { Command, Envelope, RoomEvent } from './wire';

export const enum Signal {
  HandUp = 1,
  ReadyForALook = 2,
}

export const enum Standing {
  In = 0,
  Waiting = 1,
  TurnedAway = 2,
  Removed = 3,
  Expected = 4,
}

export interface Person {
  readonly number: number;
  readonly joinedAt: number;
  readonly handUpAt: number | null;
  readonly readyAt: number | null;
  readonly standing: Standing;
  readonly handedInAt: number | null;
  /** Whether they are on the class list of the lesson. */
  readonly listed: boolean;
}

/** What was handed out while the lesson ran. A student knows of those that have arrived on their own screen. */
export interface LateChange {
  readonly number: number;
  readonly groups: readonly number[];
  readonly people: readonly number[];
  readonly received: ReadonlySet<number>;
  readonly takenBack: boolean;
}

/** Server time in ms; null where nothing is said. */
export interface LessonTimes {
  readonly opensAt: number | null;
  readonly dueAt: number | null;
  readonly closesAt: number | null;
  readonly handsIn: boolean;
}

/** So much work of somebody waits on a board. */
export interface Waiting {
  readonly board: string;
  readonly person: number;
  readonly count: number;
}

const DUE = 2;
const DOOR_CLOSED = 2;

export interface Group {
  readonly number: number;
  readonly name: string;
  readonly people: readonly number[];
  /** The teacher who looks after them; 0 for nobody in particular. */
  readonly helper: number;
}

const REMEMBERED = 30;

export class LessonState {
  number = 0;
  door = 0;
  pensDown = false;
  pensConfirmedOn: number | null = null;
  closed = false;
  people: ReadonlyMap<number, Person> = new Map();
  namesMasked = false;
  seesOtherBoards = false;
  seesTeachersBoard = false;
  groups: readonly Group[] = [];
  /** The highest group number that ever was. */
  groupsUsed = 0;
  groupChanges = 0;
  /** The event up to which everybody's place is as this says. */
  seatsThrough = 0;
  /** Earlier and taken back arrangements, the next to be brought back last. Students are not told of them. */
  past: readonly (readonly Group[])[] = [];
  future: readonly (readonly Group[])[] = [];

  changes: ReadonlyMap<number, LateChange> = new Map();
  times: LessonTimes = { opensAt: null, dueAt: null, closesAt: null, handsIn: false };
  waits = false;
  overdue = false;
  /** What waits on boards for a teacher's decision, also where nobody is any more. Students are not told. */
  waiting: readonly Waiting[] = [];

  static read(number: number, state: any[]): LessonState {
    const lesson = new LessonState();
    const [door, pensDown, confirmed, closed, people] = state;
    Object.assign(lesson, { number, door, pensDown, closed, pensConfirmedOn: confirmed < 0 ? null : confirmed });
    lesson.people = new Map(people.map((p: any[]) => [p[0], readPerson(p)]));
    const [masked, others, teachers, groups, used, [past, future], [changes, , through]] = state.slice(5);
    Object.assign(lesson, { namesMasked: masked, seesOtherBoards: others, seesTeachersBoard: teachers });
    Object.assign(lesson, {
      groups: readGroups(groups),
      groupsUsed: used,
      groupChanges: changes,
      seatsThrough: through,
    });
    Object.assign(lesson, { past: (past ?? []).map(readGroups), future: (future ?? []).map(readGroups) });
    const [late, times, waiting] = state.slice(12);
    lesson.waiting = waiting.map(([board, person, count]: any[]) => ({ board, person, count }));
    lesson.changes = new Map(
      late.map(([n, , , groups, people, received, takenBack]: any[]) => [
        n,
        { number: n, groups, people, received: new Set(received), takenBack },
      ]),
    );
    Object.assign(lesson, { times: readTimes(times), waits: times[4], overdue: times[5] });
    return lesson;
  }

  copy(): LessonState {
    return Object.assign(new LessonState(), this);
  }

  get studentsMayWrite(): boolean {
    return !this.pensDown && !this.closed && !this.waits;
  }

  apply({ event, time }: Envelope): void {
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
        this.door = DOOR_CLOSED;
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
        break;
      case 'changeHandedOut': {
        const { number, groups, people } = event;
        this.setChange({ number, groups, people, received: new Set(), takenBack: false });
        break;
      }
      case 'changeTakenBack':
        this.setChange({ ...this.changeOf(event.number), takenBack: true });
        break;
      case 'changeReceived': {
        const change = this.changeOf(event.number);
        this.setChange({ ...change, received: new Set([...change.received, event.person]) });
        break;
      }
      case 'timesSet':
        this.times = event.times;
        this.waits = (event.times.opensAt ?? 0) > time;
        this.overdue = event.times.dueAt !== null && event.times.dueAt <= time;
        break;
      case 'momentCame':
        if (event.moment === DUE) this.overdue = true;
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
        const { board, person, count } = event;
        const others = this.waiting.filter((w) => w.board !== board || w.person !== person);
        this.waiting = count > 0 ? [...others, { board, person, count }].sort(byBoard) : others;
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
        const person = this.people.get(event.person);
        const at = event.on ? time : null;
        if (person) this.setPerson({ ...person, [event.signal === Signal.HandUp ? 'handUpAt' : 'readyAt']: at });
        break;
      }
    }
  }

  predict(command: Command): RoomEvent | null {
    switch (command.kind) {
      case 'giveSignal':
        return { kind: 'signalGiven', person: command.person, signal: command.signal, on: command.on };
      case 'setDoor':
        return { kind: 'doorSet', door: command.door };
      case 'maskNames':
        return { kind: 'namesMasked', masked: command.masked };
      case 'setSight':
        return { kind: 'sightSet', otherBoards: command.otherBoards, teachersBoard: command.teachersBoard };
      case 'setGroups':
        return command.change === this.groupChanges ? { kind: 'groupsSet', groups: command.groups } : null;
      case 'undoGroups':
        return this.past.length > 0 ? { kind: 'groupsUndone', groups: this.past.at(-1)! } : null;
      case 'redoGroups':
        return this.future.length > 0 ? { kind: 'groupsRedone', groups: this.future.at(-1)! } : null;
      default:
        // Pens and closing are shown only when they hold.
        return null;
    }
  }

  private changeOf(number: number): LateChange {
    return this.changes.get(number) ?? { number, groups: [], people: [], received: new Set(), takenBack: false };
  }

  private setChange(change: LateChange): void {
    this.changes = new Map(this.changes).set(change.number, change);
  }

  private setPerson(person: Person): void {
    this.people = new Map(this.people).set(person.number, person);
  }

  private come(
    number: number,
    standing: Standing,
    joinedAt: number,
    listed = this.people.get(number)?.listed ?? false,
  ): void {
    this.setPerson({ number, joinedAt, handUpAt: null, readyAt: null, standing, handedInAt: null, listed });
  }

  /** A student's copy knows of nobody but them. */
  private stand(number: number, standing: Standing): void {
    const person = this.people.get(number);
    if (person) this.setPerson({ ...person, standing, handUpAt: null, readyAt: null });
  }

  private leave(number: number): void {
    const waited = this.people.get(number)?.standing === Standing.Waiting;
    this.stand(number, waited ? Standing.TurnedAway : Standing.Removed);
    this.leaveGroups(number);
  }

  private setGroups(groups: readonly Group[]): void {
    this.groups = groups;
    this.groupsUsed = Math.max(this.groupsUsed, ...groups.map((g) => g.number));
    this.groupChanges++;
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
function byBoard(a: Waiting, b: Waiting): number {
  return a.board < b.board ? -1 : a.board > b.board ? 1 : a.person - b.person;
}

export function readGroups(raw: any[]): Group[] {
  return raw.map(([number, name, people, helper]) => ({ number, name, people, helper: helper ?? 0 }));
}

function readPerson([number, joinedAt, handUpAt, readyAt, standing, handedInAt, listed]: any[]): Person {
  const orNull = (n: number) => (n < 0 ? null : n);
  return {
    number,
    joinedAt,
    handUpAt: orNull(handUpAt),
    readyAt: orNull(readyAt),
    standing,
    handedInAt: orNull(handedInAt),
    listed,
  };
}

export function readTimes([opens, due, closes, handsIn]: any[]): LessonTimes {
  const orNull = (n: number) => (n < 0 ? null : n);
  return { opensAt: orNull(opens), dueAt: orNull(due), closesAt: orNull(closes), handsIn };
}
