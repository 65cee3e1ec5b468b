// The outbox on this device: what was written and is not yet known to be kept by the server. Keyed by who wrote it.

import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Submission } from './wire';

interface Schema extends DBSchema {
  outbox: { key: [string, string, number, number]; value: Submission & { who: string; room: string } };
}

export interface OutboxStore {
  load(): Promise<Submission[]>;
  add(submission: Submission): void;
  /** Forgets a client's commands up to a counter. */
  settle(client: number, counter: number): void;
  remove(client: number, counter: number): void;
}

let database: Promise<IDBPDatabase<Schema>> | null = null;

function open(): Promise<IDBPDatabase<Schema>> {
  database ??= openDB<Schema>('yardang', 1, {
    upgrade: (db) => void db.createObjectStore('outbox', { keyPath: ['who', 'room', 'client', 'counter'] }),
  });
  return database;
}

/** The outbox of one person for one room. Without IndexedDB (a private window, say) work lives in memory only. */
export function deviceOutbox(who: string, room: string): OutboxStore {
  const later = (work: (db: IDBPDatabase<Schema>) => Promise<unknown>) =>
    void open()
      .then(work)
      .catch((e: unknown) => console.warn('The outbox on this device is not available.', e));
  return {
    async load() {
      try {
        const db = await open();
        return await db.getAll('outbox', IDBKeyRange.bound([who, room], [who, room, []]));
      } catch {
        return [];
      }
    },
    add: (submission) => later((db) => db.put('outbox', { ...submission, who, room })),
    settle: (client, counter) =>
      later((db) => db.delete('outbox', IDBKeyRange.bound([who, room, client, 0], [who, room, client, counter]))),
    remove: (client, counter) => later((db) => db.delete('outbox', [who, room, client, counter])),
  };
}
