// Commands out, events in: docs/protocol.md.

import { encode } from '@msgpack/msgpack';
import {
  readBody,
  readChange,
  readKey,
  readMark,
  readNewMark,
  readPage,
  readStyle,
  writeBody,
  writeChange,
  writeNewMark,
  writePage,
  writeStyle,
} from './mark-wire';
import { type Group, type LessonTimes, readGroups, readTimes } from './lesson-state';
import type { AnswerKey, Body, Change, Mark, NewMark, Page, Style } from './marks';

export type Command =
  | {
      readonly kind: 'addMark';
      readonly id: number;
      readonly page: number;
      readonly grip: number;
      readonly body: Body;
      readonly style: Style;
    }
  | { readonly kind: 'addMarks'; readonly page: number; readonly marks: readonly NewMark[] }
  | { readonly kind: 'addPage'; readonly page: Page; readonly order: number }
  | { readonly kind: 'makeChanges'; readonly changes: readonly Change[] }
  | { readonly kind: 'undo'; readonly gesture: number }
  | { readonly kind: 'redo'; readonly gesture: number }
  | { readonly kind: 'acceptLateWork'; readonly number: number }
  | { readonly kind: 'discardLateWork'; readonly number: number }
  | { readonly kind: 'setDoor'; readonly door: number }
  | { readonly kind: 'giveSignal'; readonly person: number; readonly signal: number; readonly on: boolean }
  | { readonly kind: 'setPens'; readonly down: boolean }
  | { readonly kind: 'admitPerson' | 'turnAway' | 'removePerson'; readonly person: number }
  | { readonly kind: 'setGroups'; readonly groups: readonly Group[]; readonly change: number }
  | { readonly kind: 'undoGroups' | 'redoGroups' }
  | { readonly kind: 'maskNames'; readonly masked: boolean }
  | { readonly kind: 'setSight'; readonly otherBoards: boolean; readonly teachersBoard: boolean }
  | { readonly kind: 'confirmChange'; readonly number: number }
  | { readonly kind: 'handIn' | 'takeWorkBack' }
  | { readonly kind: 'closeLesson' }
  | { readonly kind: 'reopenLesson' };

/** A command with its counters: what the outbox keeps. */
export interface Submission {
  readonly client: number;
  readonly counter: number;
  readonly gesture: number;
  readonly command: Command;
}

export type RoomEvent =
  | { readonly kind: 'clientAdmitted' | 'other' }
  | { readonly kind: 'markAdded'; readonly mark: Mark }
  | { readonly kind: 'marksAdded'; readonly marks: readonly Mark[] }
  | { readonly kind: 'pageAdded'; readonly page: Page; readonly order: number }
  | {
      readonly kind: 'changesMade';
      readonly changes: readonly Change[];
      /** Marks that are back with it, whole: for those who never saw them. */
      readonly back: readonly Mark[];
    }
  | {
      readonly kind: 'undone' | 'redone';
      readonly gesture: number;
      readonly changes: readonly Change[];
      readonly skipped: readonly number[];
      readonly back: readonly Mark[];
    }
  | {
      readonly kind: 'changeAdopted';
      readonly number: number;
      /** Where to look for it; 0 for nowhere. */
      readonly page: number;
      readonly pages: readonly Page[];
      readonly marks: readonly Mark[];
      readonly changes: readonly Change[];
    }
  | { readonly kind: 'keySet'; readonly key: AnswerKey }
  | { readonly kind: 'setAside'; readonly command: Command }
  | {
      readonly kind: 'lateWorkAccepted';
      readonly number: number;
      readonly outcome: RoomEvent | null;
      /** Whose work it is; 0 in old logs. */
      readonly person: number;
      readonly gesture: number;
    }
  | { readonly kind: 'lateWorkDiscarded'; readonly number: number }
  | { readonly kind: 'peopleExpected'; readonly first: number; readonly count: number }
  | {
      readonly kind: 'personJoined' | 'personAsked' | 'personAdmitted' | 'personTurnedAway' | 'personRemoved';
      readonly person: number;
    }
  | { readonly kind: 'groupsSet'; readonly groups: readonly Group[] }
  | {
      readonly kind: 'groupsUndone' | 'groupsRedone';
      /** The groups now; null in old logs. */
      readonly groups: readonly Group[] | null;
    }
  | {
      readonly kind: 'personBrought';
      readonly person: number;
      readonly joinedAt: number;
      readonly handedInAt: number | null;
    }
  | { readonly kind: 'workWaits'; readonly board: string; readonly person: number; readonly count: number }
  | { readonly kind: 'sentAway'; readonly people: readonly number[] }
  | { readonly kind: 'seatsConfirmed'; readonly through: number }
  | { readonly kind: 'namesMasked'; readonly masked: boolean }
  | { readonly kind: 'sightSet'; readonly otherBoards: boolean; readonly teachersBoard: boolean }
  | { readonly kind: 'doorSet'; readonly door: number }
  | { readonly kind: 'signalGiven'; readonly person: number; readonly signal: number; readonly on: boolean }
  | { readonly kind: 'pensSet'; readonly down: boolean }
  | { readonly kind: 'pensConfirmed'; readonly down: boolean; readonly boards: number }
  | {
      readonly kind: 'changeHandedOut';
      readonly number: number;
      readonly groups: readonly number[];
      readonly people: readonly number[];
    }
  | { readonly kind: 'changeTakenBack'; readonly number: number }
  | { readonly kind: 'changeReceived'; readonly person: number; readonly number: number }
  | { readonly kind: 'timesSet'; readonly times: LessonTimes }
  | { readonly kind: 'momentCame'; readonly moment: number }
  | { readonly kind: 'workHandedIn' | 'workTakenBack'; readonly people: readonly number[] }
  | { readonly kind: 'lessonClosed' | 'lessonReopened' };

export interface Envelope {
  readonly number: number;
  readonly time: number;
  readonly actor: number;
  readonly byStaff: boolean;
  readonly client: number;
  readonly counter: number;
  readonly gesture: number;
  readonly event: RoomEvent;
}

const COMMAND_VERSION = 1;

export function encodeSubmission(s: Submission, after: number): Uint8Array {
  const [kind, body] = commandFields(s.command);
  return encode([COMMAND_VERSION, s.client, s.counter, after, s.gesture, kind, body]);
}

function commandFields(c: Command): [number, unknown[]] {
  switch (c.kind) {
    case 'addMark':
      return [1, [c.id, c.page, c.grip, writeBody(c.body), writeStyle(c.style)]];
    case 'addMarks':
      return [7, [c.page, c.marks.map(writeNewMark)]];
    case 'addPage':
      return [8, [writePage(c.page), c.order]];
    case 'makeChanges':
      return [2, [c.changes.map(writeChange)]];
    case 'undo':
      return [3, [c.gesture]];
    case 'redo':
      return [4, [c.gesture]];
    case 'acceptLateWork':
      return [5, [c.number]];
    case 'discardLateWork':
      return [6, [c.number]];
    case 'setDoor':
      return [20, [c.door]];
    case 'giveSignal':
      return [21, [c.person, c.signal, c.on]];
    case 'setPens':
      return [22, [c.down]];
    case 'confirmChange':
      return [33, [c.number]];
    case 'handIn':
      return [35, []];
    case 'takeWorkBack':
      return [36, []];
    case 'closeLesson':
      return [23, []];
    case 'reopenLesson':
      return [24, []];
    case 'admitPerson':
      return [25, [c.person]];
    case 'turnAway':
      return [26, [c.person]];
    case 'removePerson':
      return [27, [c.person]];
    case 'setGroups':
      return [28, [c.groups.map((g) => [g.number, g.name, g.people, g.helper]), c.change]];
    case 'undoGroups':
      return [29, []];
    case 'redoGroups':
      return [30, []];
    case 'maskNames':
      return [31, [c.masked]];
    case 'setSight':
      return [32, [c.otherBoards, c.teachersBoard]];
  }
}

/** A command about marks, as work that was set aside holds it. */
export function readWork(kind: number, body: any[]): Command {
  switch (kind) {
    case 1: {
      const [id, page, grip, mark, style] = body;
      return { kind: 'addMark', id, page, grip, body: readBody(mark), style: readStyle(style) };
    }
    case 7:
      return { kind: 'addMarks', page: body[0], marks: body[1].map(readNewMark) };
    case 2:
      return { kind: 'makeChanges', changes: body[0].map(readChange) };
    case 3:
      return { kind: 'undo', gesture: body[0] };
    case 4:
      return { kind: 'redo', gesture: body[0] };
    default:
      throw new Error(`Work of kind ${kind} cannot be set aside.`);
  }
}

export function readEnvelope(raw: any[]): Envelope {
  return {
    number: raw[0],
    time: raw[1],
    actor: raw[2],
    byStaff: raw[3] !== 0,
    client: raw[4],
    counter: raw[5],
    gesture: raw[6],
    event: readEvent(raw[8], raw[9]),
  };
}

function readEvent(kind: number, body: any[]): RoomEvent {
  switch (kind) {
    case 1:
      return { kind: 'clientAdmitted' };
    case 10:
      return { kind: 'markAdded', mark: readMark(body[0]) };
    case 17:
      return { kind: 'marksAdded', marks: body[0].map(readMark) };
    case 18:
      return { kind: 'pageAdded', page: readPage(body[0]), order: body[1] };
    case 20:
      return {
        kind: 'changeAdopted',
        number: body[0],
        page: body[1],
        pages: body[2].map(readPage),
        marks: body[3].map(readMark),
        changes: body[4].map(readChange),
      };
    case 21:
      return { kind: 'keySet', key: readKey(body) };
    case 11:
      return { kind: 'changesMade', changes: body[0].map(readChange), back: (body[1] ?? []).map(readMark) };
    case 12:
    case 13:
      return {
        kind: kind === 12 ? 'undone' : 'redone',
        gesture: body[0],
        changes: body[1].map(readChange),
        skipped: body[2],
        back: (body[3] ?? []).map(readMark),
      };
    case 14:
      return { kind: 'setAside', command: readWork(body[0], body[1]) };
    case 15:
      return {
        kind: 'lateWorkAccepted',
        number: body[0],
        outcome: body[1] ? readEvent(body[1], body[2]) : null,
        person: body[3] ?? 0,
        gesture: body[4] ?? 0,
      };
    case 16:
      return { kind: 'lateWorkDiscarded', number: body[0] };
    case 31:
      return { kind: 'personJoined', person: body[0] };
    case 32:
      return { kind: 'doorSet', door: body[0] };
    case 33:
      return { kind: 'signalGiven', person: body[0], signal: body[1], on: body[2] };
    case 34:
      return { kind: 'pensSet', down: body[0] };
    case 35:
      return { kind: 'pensConfirmed', down: body[0], boards: body[1] };
    case 36:
      return { kind: 'lessonClosed' };
    case 37:
      return { kind: 'lessonReopened' };
    case 38:
      return { kind: 'peopleExpected', first: body[0], count: body[1] };
    case 39:
      return { kind: 'personAsked', person: body[0] };
    case 40:
      return { kind: 'personAdmitted', person: body[0] };
    case 41:
      return { kind: 'personTurnedAway', person: body[0] };
    case 42:
      return { kind: 'personRemoved', person: body[0] };
    case 43:
      return { kind: 'groupsSet', groups: readGroups(body[0]) };
    case 44:
      return { kind: 'groupsUndone', groups: body[0] ? readGroups(body[0]) : null };
    case 45:
      return { kind: 'groupsRedone', groups: body[0] ? readGroups(body[0]) : null };
    case 58:
      return { kind: 'personBrought', person: body[0], joinedAt: body[1], handedInAt: body[2] < 0 ? null : body[2] };
    case 57:
      return { kind: 'workWaits', board: body[0], person: body[1], count: body[2] };
    case 56:
      return { kind: 'sentAway', people: body[0] };
    case 46:
      return { kind: 'seatsConfirmed', through: body[0] };
    case 47:
      return { kind: 'namesMasked', masked: body[0] };
    case 48:
      return { kind: 'sightSet', otherBoards: body[0], teachersBoard: body[1] };
    case 49:
      return { kind: 'changeHandedOut', number: body[0], groups: body[2], people: body[3] };
    case 50:
      return { kind: 'changeTakenBack', number: body[0] };
    case 51:
      return { kind: 'changeReceived', person: body[0], number: body[1] };
    case 52:
      return { kind: 'timesSet', times: readTimes(body) };
    case 53:
      return { kind: 'momentCame', moment: body[0] };
    case 54:
      return { kind: 'workHandedIn', people: body[0] };
    case 55:
      return { kind: 'workTakenBack', people: body[0] };
    default:
      return { kind: 'other' };
  }
}
