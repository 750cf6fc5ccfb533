import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';

/** Version of the browser store's own layout; documents carry versions of their own. */
export const STORE_VERSION = 1;

export interface TerroirDb extends DBSchema {
  rooms: { key: string; value: Room };
  designs: { key: string; value: StoredDesign; indexes: { byRoom: string } };
  notes: { key: string; value: string };
}

export interface StoredDesign {
  id: string;
  roomId: string;
  savedAt: string;
  /** Kept beside the document, so that a list of tanks opens without reading every document's judgement again. */
  worst: string | null;
  design: Design;
}

let opened: Promise<IDBPDatabase<TerroirDb>> | null = null;

/** @throws what the browser says when it refuses storage (private windows, blocked site data) */
export function database(): Promise<IDBPDatabase<TerroirDb>> {
  opened ??= openDB<TerroirDb>('terroir', STORE_VERSION, {
    upgrade(db) {
      db.createObjectStore('rooms', { keyPath: 'id' });
      db.createObjectStore('designs', { keyPath: 'id' }).createIndex('byRoom', 'roomId');
      db.createObjectStore('notes');
    },
    terminated() {
      opened = null;
    },
  }).catch((error: unknown) => {
    opened = null;
    throw error;
  });
  return opened;
}

/** Writes so that "saved" means on the disk, not in a buffer. */
export async function putDesign(record: StoredDesign): Promise<void> {
  const tx = (await database()).transaction('designs', 'readwrite', { durability: 'strict' });
  await Promise.all([tx.store.put(record), tx.done]);
}

export async function putRoom(room: Room): Promise<void> {
  const tx = (await database()).transaction('rooms', 'readwrite', { durability: 'strict' });
  await Promise.all([tx.store.put(room), tx.done]);
}
