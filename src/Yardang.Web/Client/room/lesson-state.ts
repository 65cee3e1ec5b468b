// What the lesson says: Core's Lesson, as far as this reader is told.

import type { Command, Envelope, RoomEvent } from './wire';

export const enum Signal {
  HandUp = 1,
  ReadyForALook = 2,
}

export interface Person {
  readonly number: number;
  readonly joinedAt: number;
  readonly handUpAt: number | null;
  readonly readyAt: number | null;
}

export class LessonState {
  number = 0;
  door = 0;
  pensDown = false;
  pensConfirmedOn: number | null = null;
  closed = false;
  people: ReadonlyMap<number, Person> = new Map();

  static read(number: number, state: any[]): LessonState {
    const lesson = new LessonState();
    const [door, pensDown, confirmed, closed, people] = state;
    Object.assign(lesson, { number, door, pensDown, closed, pensConfirmedOn: confirmed < 0 ? null : confirmed });
    lesson.people = new Map(people.map((p: number[]) => [p[0], readPerson(p)]));
    return lesson;
  }

  copy(): LessonState {
    return Object.assign(new LessonState(), this);
  }

  get studentsMayWrite(): boolean {
    return !this.pensDown && !this.closed;
  }

  apply({ event, time }: Envelope): void {
    switch (event.kind) {
      case 'personJoined':
        this.setPerson({ number: event.person, joinedAt: time, handUpAt: null, readyAt: null });
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
      default:
        // Pens and closing are shown only when they hold.
        return null;
    }
  }

  private setPerson(person: Person): void {
    this.people = new Map(this.people).set(person.number, person);
  }
}

function readPerson(p: number[]): Person {
  const orNull = (n: number) => (n < 0 ? null : n);
  return { number: p[0]!, joinedAt: p[1]!, handUpAt: orNull(p[2]!), readyAt: orNull(p[3]!) };
}
