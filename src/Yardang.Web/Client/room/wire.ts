// Commands out, events in: docs/protocol.md.

import { encode } from '@msgpack/msgpack';
import '../wire/codec';
import type { Command, RoomEvent as KnownEvent } from '../wire/forms';
import { readRoomEvent, writeCommand } from '../wire/kinds';

export type { Command };

/** What happened; a kind that came later is another. */
export type RoomEvent = KnownEvent | { readonly kind: 'other' };

/** A command with its counters: what the outbox keeps. */
export interface Submission {
  readonly client: number;
  readonly counter: number;
  readonly gesture: number;
  readonly command: Command;
}

/** The same as it is on the wire: what a device keeps, and what is handed in for a room that is not open here. */
export interface Written extends Omit<Submission, 'command'> {
  readonly command: readonly [number, any[]];
}

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

/** Of the server's snapshots: another is of another program. */
export const SNAPSHOT_FORMAT = 27;

export function encodeSubmission(s: Submission, after: number): Uint8Array {
  return encodeWritten({ ...s, command: writeCommand(s.command) }, after);
}

export function encodeWritten(w: Written, after: number): Uint8Array {
  return encode([COMMAND_VERSION, w.client, w.counter, after, w.gesture, ...w.command]);
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
    event: readRoomEvent(raw[8], raw[9]) ?? { kind: 'other' },
  };
}
