import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import { notJudged, type TankSummary } from './summary';

/** Version of the browser store's own layout; documents carry versions of their own. */
export const STORE_VERSION = 2;

export interface TerroirDb extends DBSchema {
  rooms: { key: string; value: Room };
  designs: { key: string; value: StoredDesign; indexes: { byRoom: string } };
  /** What a list of tanks shows, so that it opens without reading and judging every document. */
  summaries: { key: string; value: TankSummary; indexes: { byRoom: string } };
  snapshots: { key: number; value: Snapshot; indexes: { byDesign: string } };
  notes: { key: string; value: string };
}

export interface StoredDesign {
  id: string;
  roomId: string;
  savedAt: string;
  design: Design;
}

/** An earlier state of a design, kept to go back to. */
export interface Snapshot {
  id?: number;
  designId: string;
  at: string;
  why: 'opened' | 'kept' | 'before-restore';
  design: Design;
}

let opened: Promise<IDBPDatabase<TerroirDb>> | null = null;

/** @throws what the browser says when it refuses storage (private windows, blocked site data) */
export function database(): Promise<IDBPDatabase<TerroirDb>> {
  opened ??= openDB<TerroirDb>('terroir', STORE_VERSION, {
    upgrade(db, before) {
      if (before < 1) {
        db.createObjectStore('rooms', { keyPath: 'id' });
        db.createObjectStore('designs', { keyPath: 'id' }).createIndex('byRoom', 'roomId');
        db.createObjectStore('notes');
      }
      if (before < 2) {
        db.createObjectStore('summaries', { keyPath: 'id' }).createIndex('byRoom', 'roomId');
        db.createObjectStore('snapshots', { keyPath: 'id', autoIncrement: true }).createIndex('byDesign', 'designId');
      }
    },
    blocking(_current, _blocked, event) {
      // a newer version in another tab may go ahead
      (event.target as IDBDatabase).close();
      opened = null;
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

/** Writes so that "saved" means on the disk, not in a buffer; the summary goes with its document or not at all. */
export async function putDesign(record: StoredDesign, summary: TankSummary): Promise<void> {
  const tx = (await database()).transaction(['designs', 'summaries'], 'readwrite', { durability: 'strict' });
  await Promise.all([tx.objectStore('designs').put(record), tx.objectStore('summaries').put(summary), tx.done]);
}

export async function putRoom(room: Room): Promise<void> {
  const tx = (await database()).transaction('rooms', 'readwrite', { durability: 'strict' });
  await Promise.all([tx.store.put(room), tx.done]);
}

/** A tank as it is stored, with the earlier states that hang on it. */
export interface StoredTank {
  record: StoredDesign;
  summary: TankSummary;
  snapshots: readonly Snapshot[];
}

const WHOLE = ['rooms', 'designs', 'summaries', 'snapshots'] as const;

/** Writes a room with its tanks, or tanks alone: all of it or nothing, whatever becomes of the browser meanwhile. */
export async function putWhole(room: Room | null, tanks: readonly StoredTank[]): Promise<void> {
  const tx = (await database()).transaction(WHOLE, 'readwrite', { durability: 'strict' });
  const writes = tanks.flatMap(({ record, summary, snapshots }) => [
    tx.objectStore('designs').put(record),
    tx.objectStore('summaries').put(summary),
    ...snapshots.map((snapshot) => tx.objectStore('snapshots').put(snapshot)),
  ]);
  await Promise.all([...(room ? [tx.objectStore('rooms').put(room)] : []), ...writes, tx.done]);
}

/** Takes tanks out, with what hangs on them, and their room with them: all or nothing. @returns what was stored, to be put back */
export async function removeWhole(roomId: string | null, ids: readonly string[]): Promise<StoredTank[]> {
  const tx = (await database()).transaction(WHOLE, 'readwrite', { durability: 'strict' });
  const [designs, summaries, snapshots] = [tx.objectStore('designs'), tx.objectStore('summaries'), tx.objectStore('snapshots')];
  const taken: StoredTank[] = [];
  for (const id of ids) {
    const [record, summary, earlier] = await Promise.all([designs.get(id), summaries.get(id), snapshots.index('byDesign').getAll(id)]);
    if (record) taken.push({ record, summary: summary ?? notJudged(record.design, record.savedAt), snapshots: earlier });
    await Promise.all([designs.delete(id), summaries.delete(id), ...earlier.map((one) => snapshots.delete(one.id!))]);
  }
  if (roomId !== null) await tx.objectStore('rooms').delete(roomId);
  await tx.done;
  return taken;
}

/** Most earlier states that are kept of one design. */
const SNAPSHOTS = 20;

export async function putSnapshot(snapshot: Snapshot): Promise<void> {
  const tx = (await database()).transaction('snapshots', 'readwrite', { durability: 'strict' });
  await tx.store.put(snapshot);
  const keys = await tx.store.index('byDesign').getAllKeys(snapshot.designId);
  await Promise.all([...keys.slice(0, Math.max(0, keys.length - SNAPSHOTS)).map((key) => tx.store.delete(key)), tx.done]);
}
