// Fetches how a board or wall came to be, a piece at a time, and goes on with what has happened since.

import { decode } from '@msgpack/msgpack';
import { type Envelope, readEnvelope, SNAPSHOT_FORMAT } from '../room/wire';
import { known } from '../wire/by-hand';
import type { RoomSnapshot } from '../wire/forms';
import { readRoomSnapshot } from '../wire/kinds';

interface Piece {
  /** As it was in the beginning; with the first piece. */
  readonly beginning: { readonly number: number; readonly state: RoomSnapshot } | null;
  /** Number of its last event. */
  readonly last: number;
  readonly events: readonly Envelope[];
  /** Number of the last event of which it is said here what is told of it. */
  readonly through: number;
}

/** Null if it cannot be fetched now. */
export async function fetchPiece(room: string, query: string, after: number | null): Promise<Piece | null> {
  const since = after === null ? '' : `${query ? '&' : '?'}after=${after}`;
  const answer = await fetch(`/rooms/${room}/history${query}${since}`).catch(() => null);
  if (!answer?.ok) return null;
  const [beginning, last, events, through] = decode(new Uint8Array(await answer.arrayBuffer())) as any[];
  return { beginning: beginning && readBeginning(beginning), last, events: events.map(readEnvelope), through };
}

function readBeginning(bytes: Uint8Array): { number: number; state: RoomSnapshot } {
  const [format, kind, number, , state] = decode(bytes) as any[];
  if (format !== SNAPSHOT_FORMAT) throw new Error(`A snapshot of format ${format} cannot be read here.`);
  return { number, state: known(readRoomSnapshot(kind, state)) };
}
