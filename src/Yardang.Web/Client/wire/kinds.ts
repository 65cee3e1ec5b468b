// What commands, events and snapshots are read and written as, by kind. Each room says what is its own as soon as a page needs that room, so that a page
// of another loads nothing of it.

import type { Command, RoomEvent, RoomSnapshot } from './forms';

type Raw = any[]; // What the MessagePack reader gives.
type Readers<T> = Record<number, (raw: Raw) => T>;

interface Known {
  readonly readCommand?: Readers<Command>;
  readonly readRoomEvent?: Readers<RoomEvent>;
  readonly readRoomSnapshot?: Readers<RoomSnapshot>;
  readonly writeCommand?: Record<string, readonly [number, (v: any) => Raw]>;
}

const all = { readCommand: {}, readRoomEvent: {}, readRoomSnapshot: {}, writeCommand: {} } as Required<Known>;

export function know(more: Known): void {
  for (const [table, members] of Object.entries(more)) Object.assign(all[table as keyof Known], members);
}

/** Null if it is of a kind that came later. */
export function readCommand(kind: number, raw: Raw): Command | null {
  return all.readCommand[kind]?.(raw) ?? null;
}

/** Null if it is of a kind that came later. */
export function readRoomEvent(kind: number, raw: Raw): RoomEvent | null {
  return all.readRoomEvent[kind]?.(raw) ?? null;
}

/** Null if it is of a kind that came later. */
export function readRoomSnapshot(kind: number, raw: Raw): RoomSnapshot | null {
  return all.readRoomSnapshot[kind]?.(raw) ?? null;
}

export function writeCommand(command: Command): [number, Raw] {
  const [kind, write] = all.writeCommand[command.kind]!;
  return [kind, write(command)];
}
