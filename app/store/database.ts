import { BehaviorSubject } from 'rxjs';
import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction } from 'idb';
import type { Photo } from '../../core/build/photo';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import type { Entry } from '../../core/log/model';
import { ChangedElsewhere } from './document-store';
import { notJudged, type TankSummary } from './summary';

/** Version of the browser store's own layout; documents carry versions of their own. */
export const STORE_VERSION = 4;

export interface TerroirDb extends DBSchema {
  rooms: { key: string; value: Room };
  designs: { key: string; value: StoredDesign; indexes: { byRoom: string } };
  /** What a list of tanks shows, so that it opens without reading and judging every document. */
  summaries: { key: string; value: TankSummary; indexes: { byRoom: string } };
  snapshots: { key: number; value: Snapshot; indexes: { byDesign: string } };
  /** Pictures of the building. */
  photos: { key: [designId: string, id: string]; value: StoredPhoto; indexes: { byDesign: string } };
  /** What happened in each tank; an entry is put in once and never changed. */
  log: { key: [designId: string, id: string]; value: StoredEntry; indexes: { byKind: [designId: string, kind: string] } };
  /** Small things by name: words, and the folder that copies go to. */
  notes: { key: string; value: string | FileSystemDirectoryHandle };
}

export interface StoredDesign {
  id: string;
  roomId: string;
  savedAt: string;
  design: Design;
}

/** An entry, and the tank whose log it stands in. */
export type StoredEntry = Entry & { designId: string };

export interface StoredPhoto extends Photo {
  takenAt: string;
}

/** An earlier state of a design, kept to go back to. */
export interface Snapshot {
  id?: number;
  designId: string;
  at: string;
  why: 'opened' | 'kept' | 'before-restore';
  design: Design;
}

/** Set while an older Terroir in another tab keeps this one from its store. */
export const storeBlocked$ = new BehaviorSubject(false);

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
      if (before < 3) db.createObjectStore('photos', { keyPath: ['designId', 'id'] }).createIndex('byDesign', 'designId');
      if (before < 4) db.createObjectStore('log', { keyPath: ['designId', 'id'] }).createIndex('byKind', ['designId', 'kind']);
    },
    blocked() {
      storeBlocked$.next(true);
    },
    blocking(_current, _blocked, event) {
      // a newer version in another tab may go ahead
      (event.target as IDBDatabase).close();
      opened = null;
    },
    terminated() {
      opened = null;
    },
  })
    .then((db) => {
      storeBlocked$.next(false);
      return db;
    })
    .catch((error: unknown) => {
      opened = null;
      throw error;
    });
  return opened;
}

/**
 * Writes so that "saved" means on the disk, not in a buffer; the summary goes with its document or not at all.
 *
 * @param after the stored revision that this one follows, null for none, undefined for whatever is there
 * @throws ChangedElsewhere when another is stored by now: nothing is written then
 */
export async function putDesign(record: StoredDesign, summary: TankSummary, after: number | null | undefined): Promise<void> {
  const tx = (await database()).transaction(['designs', 'summaries'], 'readwrite', { durability: 'strict' });
  const designs = tx.objectStore('designs');
  if (after !== undefined) await follows(tx, (await designs.get(record.id))?.design, after);
  await Promise.all([designs.put(record), tx.objectStore('summaries').put(summary), tx.done]);
}

/** @param after and @throws as in putDesign */
export async function putRoom(room: Room, after: number | null | undefined): Promise<void> {
  const tx = (await database()).transaction('rooms', 'readwrite', { durability: 'strict' });
  if (after !== undefined) await follows(tx, await tx.store.get(room.id), after);
  await Promise.all([tx.store.put(room), tx.done]);
}

async function follows(
  tx: { abort(): void; done: Promise<void> },
  stored: { rev: number } | undefined,
  after: number | null,
): Promise<void> {
  if ((stored?.rev ?? null) === after) return;
  const ended = tx.done.catch(() => undefined);
  tx.abort();
  await ended;
  throw new ChangedElsewhere(stored === undefined);
}

/** A tank as it is stored, with the earlier states, the pictures and the log that hang on it. */
export interface StoredTank {
  record: StoredDesign;
  summary: TankSummary;
  snapshots: readonly Snapshot[];
  photos: readonly StoredPhoto[];
  log: readonly StoredEntry[];
}

const WHOLE = ['rooms', 'designs', 'summaries', 'snapshots', 'photos', 'log'] as const;

/** A room with its tanks as they are stored. */
export interface TakenRoom {
  room: Room;
  tanks: readonly StoredTank[];
}

/** What is stored of a room and of some tanks; null when the room is not. */
export async function stored(roomId: string, ids: readonly string[]): Promise<TakenRoom | null> {
  const tx = (await database()).transaction(WHOLE);
  const room = await tx.objectStore('rooms').get(roomId);
  const tanks: StoredTank[] = [];
  for (const id of ids) {
    const [record, summary] = await Promise.all([tx.objectStore('designs').get(id), tx.objectStore('summaries').get(id)]);
    if (!record) continue;
    tanks.push({ record, summary: summary ?? notJudged(record.design, record.savedAt), snapshots: [], photos: [], log: [] });
  }
  await tx.done;
  return room ? { room, tanks } : null;
}

type WholeWrite = IDBPTransaction<TerroirDb, typeof WHOLE, 'readwrite'>;

/** All that a tank is written by. */
const writesOf = (tx: WholeWrite, { record, summary, snapshots, photos, log }: StoredTank): Promise<unknown>[] => [
  tx.objectStore('designs').put(record),
  tx.objectStore('summaries').put(summary),
  ...snapshots.map((snapshot) => tx.objectStore('snapshots').put(snapshot)),
  ...photos.map((photo) => tx.objectStore('photos').put(photo)),
  ...log.map((entry) => tx.objectStore('log').put(entry)),
];

/**
 * Writes a room with its tanks, or tanks alone: all of it or nothing, whatever becomes of the browser meanwhile.
 *
 * @param only 'what is missing' leaves alone what is stored by now
 */
export async function putWhole(room: Room | null, tanks: readonly StoredTank[], only?: 'what is missing'): Promise<void> {
  const tx = (await database()).transaction(WHOLE, 'readwrite', { durability: 'strict' });
  const [rooms, designs] = [tx.objectStore('rooms'), tx.objectStore('designs')];
  const wanted = async (here: Promise<string | undefined>) => only === undefined || (await here) === undefined;
  if (room && (await wanted(rooms.getKey(room.id)))) await rooms.put(room);
  for (const tank of tanks) {
    if (!(await wanted(designs.getKey(tank.record.id)))) continue;
    await Promise.all(writesOf(tx, tank));
  }
  await tx.done;
}

/**
 * Takes tanks out, with what hangs on them, and their room with them: all or nothing.
 *
 * @param instead what is put in their place in the same stroke
 * @returns what was stored, to be put back
 */
export async function removeWhole(roomId: string | null, ids: readonly string[], instead?: TakenRoom): Promise<StoredTank[]> {
  const tx = (await database()).transaction(WHOLE, 'readwrite', { durability: 'strict' });
  const [designs, summaries] = [tx.objectStore('designs'), tx.objectStore('summaries')];
  const [snapshots, photos, log] = [tx.objectStore('snapshots'), tx.objectStore('photos'), tx.objectStore('log')];
  const taken: StoredTank[] = [];
  for (const id of ids) {
    const [record, summary, earlier, pictures, entries] = await Promise.all([
      designs.get(id),
      summaries.get(id),
      snapshots.index('byDesign').getAll(id),
      photos.index('byDesign').getAll(id),
      log.getAll(ofTank(id)),
    ]);
    if (record) {
      const summed = summary ?? notJudged(record.design, record.savedAt);
      taken.push({ record, summary: summed, snapshots: earlier, photos: pictures, log: entries });
    }
    await Promise.all([
      designs.delete(id),
      summaries.delete(id),
      ...earlier.map((one) => snapshots.delete(one.id!)),
      ...pictures.map((one) => photos.delete([one.designId, one.id])),
      log.delete(ofTank(id)),
    ]);
  }
  if (roomId !== null) await tx.objectStore('rooms').delete(roomId);
  if (instead) {
    await tx.objectStore('rooms').put(instead.room);
    for (const tank of instead.tanks) await Promise.all(writesOf(tx, tank));
  }
  await tx.done;
  return taken;
}

/** All keys of one tank, where keys begin with it. */
export const ofTank = (id: string): IDBKeyRange => IDBKeyRange.bound([id], [id, []]);

/** Most earlier states that are kept of one design, beside those that were kept by hand. */
const SNAPSHOTS = 20;

export async function putSnapshot(snapshot: Snapshot): Promise<void> {
  const tx = (await database()).transaction('snapshots', 'readwrite', { durability: 'strict' });
  await tx.store.put(snapshot);
  const all = await tx.store.index('byDesign').getAll(snapshot.designId);
  const passing = all.filter(({ why }) => why !== 'kept');
  await Promise.all([...passing.slice(0, Math.max(0, passing.length - SNAPSHOTS)).map(({ id }) => tx.store.delete(id!)), tx.done]);
}
