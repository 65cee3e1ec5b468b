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

const DUE = 2;

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

  static read(number: number, state: any[]): LessonState {
    const lesson = new LessonState();
    const [door, pensDown, confirmed, closed, people] = state;
    Object.assign(lesson, { number, door, pensDown, closed, pensConfirmedOn: confirmed < 0 ? null : confirmed });
    lesson.people = new Map(people.map((p: number[]) => [p[0], readPerson(p)]));
    const [masked, others, teachers, groups, used, [past, future], [changes, , through]] = state.slice(5);
    Object.assign(lesson, { namesMasked: masked, seesOtherBoards: others, seesTeachersBoard: teachers });
    Object.assign(lesson, {
      groups: readGroups(groups),
      groupsUsed: used,
      groupChanges: changes,
      seatsThrough: through,
    });
    Object.assign(lesson, { past: (past ?? []).map(readGroups), future: (future ?? []).map(readGroups) });
    const [late, times] = state.slice(12);
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
        for (let n = event.first; n < event.first + event.count; n++) this.stand(n, Standing.Expected, 0);
        break;
      case 'personJoined':
      case 'personAdmitted':
        this.stand(event.person, Standing.In, time);
        break;
      case 'personAsked':
        this.stand(event.person, Standing.Waiting, time);
        break;
      case 'personTurnedAway':
        this.stand(event.person, Standing.TurnedAway, this.people.get(event.person)?.joinedAt ?? time);
        break;
      case 'personRemoved':
        this.stand(event.person, Standing.Removed, this.people.get(event.person)?.joinedAt ?? time);
        this.leaveGroups(event.person);
        break;
      case 'groupsSet':
        this.past = [...this.past, this.groups].slice(-REMEMBERED);
        this.future = [];
        this.setGroups(event.groups);
        break;
      case 'groupsUndone':
        this.future = [...this.future, this.groups];
        this.setGroups(this.past.at(-1) ?? []);
        this.past = this.past.slice(0, -1);
        break;
      case 'groupsRedone':
        this.past = [...this.past, this.groups];
        this.setGroups(this.future.at(-1) ?? []);
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
        return this.past.length > 0 ? { kind: 'groupsUndone' } : null;
      case 'redoGroups':
        return this.future.length > 0 ? { kind: 'groupsRedone' } : null;
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

  private stand(number: number, standing: Standing, joinedAt: number): void {
    this.setPerson({ number, joinedAt, handUpAt: null, readyAt: null, standing, handedInAt: null });
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

export function readGroups(raw: any[]): Group[] {
  return raw.map(([number, name, people, helper]) => ({ number, name, people, helper: helper ?? 0 }));
}

function readPerson(p: number[]): Person {
  const orNull = (n: number) => (n < 0 ? null : n);
  const [number, joinedAt, handUpAt, readyAt, standing, handedInAt] = p as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  return {
    number,
    joinedAt,
    handUpAt: orNull(handUpAt),
    readyAt: orNull(readyAt),
    standing,
    handedInAt: orNull(handedInAt),
  };
}

export function readTimes([opens, due, closes, handsIn]: any[]): LessonTimes {
  const orNull = (n: number) => (n < 0 ? null : n);
  return { opensAt: orNull(opens), dueAt: orNull(due), closesAt: orNull(closes), handsIn };
}
