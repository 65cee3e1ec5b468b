// Commands out, events in: docs/protocol.md.

import { encode } from '@msgpack/msgpack';
import { type Command, type RoomEvent as KnownEvent, readRoomEvent, writeCommand } from '../wire/forms';

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
export const SNAPSHOT_FORMAT = 15;

export function encodeSubmission(s: Submission, after: number): Uint8Array {
  return encode([COMMAND_VERSION, s.client, s.counter, after, s.gesture, ...writeCommand(s.command)]);
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
