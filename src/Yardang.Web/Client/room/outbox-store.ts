// The outbox on this device: what was written and is not yet known to be kept by the server. Keyed by who wrote it.

import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { known } from '../wire/by-hand';
import type { Command } from '../wire/forms';
import { readCommand, writeCommand } from '../wire/kinds';
import type { Submission, Written } from './wire';

/** As on the wire, which later programs can read: an outbox outlives a deployment. What was put by before that is as it was in hand then. */
interface Kept extends Omit<Written, 'command'> {
  readonly who: string;
  readonly room: string;
  readonly command: Written['command'] | Command;
}

interface Schema extends DBSchema {
  outbox: { key: [string, string, number, number]; value: Kept };
  spares: { key: [string, string, number]; value: { who: string; room: string; client: number } };
}

export interface OutboxStore {
  load(): Promise<Submission[]>;
  /** Done once the device holds it; fails where nothing can be held. */
  add(submission: Submission): Promise<void>;
  /** Forgets a client's commands up to a counter. */
  settle(client: number, counter: number): void;
  remove(client: number, counter: number): void;
  /** How many client numbers are put by for pages that open without a network. */
  spares(): Promise<number>;
  putBy(client: number): Promise<void>;
  /** Takes one of them; 0 if there is none. */
  takeSpare(): Promise<number>;
}

let database: Promise<IDBPDatabase<Schema>> | null = null;

function open(): Promise<IDBPDatabase<Schema>> {
  database ??= openDB<Schema>('yardang', 1, {
    upgrade: (db) => {
      db.createObjectStore('outbox', { keyPath: ['who', 'room', 'client', 'counter'] });
      db.createObjectStore('spares', { keyPath: ['who', 'room', 'client'] });
    },
  });
  return database;
}

function inHand({ client, counter, gesture, command }: Kept): Submission {
  return {
    client,
    counter,
    gesture,
    command: 'kind' in command ? command : known(readCommand(command[0], command[1])),
  };
}

/** What markup has had in hand is wrapped, also deep inside, and so cannot be put by. */
function plain<T>(value: T): T {
  if (Array.isArray(value)) return value.map(plain) as T;
  if (value === null || typeof value !== 'object' || ArrayBuffer.isView(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, plain(one)])) as T;
}

/** The outbox of one person for one room. Without IndexedDB (a private window, say) work lives in memory only. */
export function deviceOutbox(who: string, room: string): OutboxStore {
  const mine = IDBKeyRange.bound([who, room], [who, room, []]);
  const later = (work: (db: IDBPDatabase<Schema>) => Promise<unknown>) =>
    void open()
      .then(work)
      .catch((e: unknown) => console.warn('The outbox on this device is not available.', e));
  return {
    async load() {
      try {
        const db = await open();
        return (await db.getAll('outbox', mine)).map(inHand);
      } catch {
        return [];
      }
    },
    async add(submission) {
      const putting = (await open()).transaction('outbox', 'readwrite');
      const put = putting.store.put({ ...submission, command: plain(writeCommand(submission.command)), who, room });
      // Without this the browser waits for an answer before it commits, and a page that goes away meanwhile loses it.
      putting.commit();
      await Promise.all([put, putting.done]);
    },
    settle: (client, counter) =>
      later((db) => db.delete('outbox', IDBKeyRange.bound([who, room, client, 0], [who, room, client, counter]))),
    remove: (client, counter) => later((db) => db.delete('outbox', [who, room, client, counter])),
    spares: async () => (await open()).count('spares', mine),
    putBy: async (client) => void (await (await open()).put('spares', { who, room, client })),
    async takeSpare() {
      const taking = (await open()).transaction('spares', 'readwrite');
      const cursor = await taking.store.openCursor(mine);
      if (!cursor) return 0;
      const { client } = cursor.value;
      await cursor.delete();
      await taking.done;
      return client;
    },
  };
}

/** Of rooms that are not open here, whatever they are: so it stays as it is on the wire. */
async function onWire(kept: Kept): Promise<Kept & Written> {
  const { command } = kept;
  if (!('kind' in command)) return { ...kept, command };
  await import('../wire/pages-codec');
  return { ...kept, command: writeCommand(command) };
}

export interface Left {
  readonly room: string;
  readonly submissions: readonly Written[];
  /** Forgets some of those that are given here. */
  settle(some: readonly Written[]): Promise<void>;
}

/** What somebody has in all their outboxes on this device, room by room and in order. */
export async function leftRooms(who: string): Promise<Left[]> {
  const db = await open();
  const all = await Promise.all((await db.getAll('outbox', IDBKeyRange.bound([who], [who, []]))).map(onWire));
  return [...new Set(all.map((s) => s.room))].map((room) => ({
    room,
    submissions: all.filter((s) => s.room === room),
    settle: async (some) => {
      const removing = db.transaction('outbox', 'readwrite');
      for (const s of some) void removing.store.delete([who, room, s.client, s.counter]);
      await removing.done;
    },
  }));
}
