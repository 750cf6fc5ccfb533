import { Injectable } from '@angular/core';
import { BehaviorSubject, firstValueFrom, from, fromEvent, map, shareReplay } from 'rxjs';
import { indexCatalogue, type Catalogue } from '../../core/catalogue/catalogue';
import { Design, emptyDesign } from '../../core/design/design';
import { readDesignFile, type Read, newerThan } from '../../core/design/document';
import { refusalsOf } from '../../core/design/edit';
import { emptyRoom, Room, ROOM_SCHEMA } from '../../core/design/room';
import { DESIGN_SCHEMA } from '../../core/design/design';
import { database, putDesign, putRoom, type StoredDesign } from './database';

/** All that is in the browser's store: rooms and their designs; and the catalogue. */
@Injectable({ providedIn: 'root' })
export class Library {
  /** Set when the browser refuses to store anything: loud, and the work can still be exported. */
  readonly refused$ = new BehaviorSubject<string | null>(null);
  /** Tells other tabs what has been written, by id. */
  private readonly channel = new BroadcastChannel('terroir:saved');
  /** Ids of rooms and designs that another tab has written. */
  readonly writtenElsewhere$ = fromEvent<MessageEvent<unknown>>(this.channel, 'message').pipe(map(({ data }) => String(data)));
  /** What could not be written: kept in this window, and read before what is stored. */
  private readonly unwritten = { rooms: new Map<string, Room>(), designs: new Map<string, StoredDesign>() };

  readonly catalogue$ = from(import('../../catalogue').then(({ catalogueData }) => indexCatalogue(catalogueData))).pipe(shareReplay(1));

  catalogue(): Promise<Catalogue> {
    return firstValueFrom(this.catalogue$);
  }

  async rooms(): Promise<Room[]> {
    const stored = await this.attempt(async () => (await database()).getAll('rooms'), []);
    return merged(stored, this.unwritten.rooms.values()).sort((a, b) => a.name.localeCompare(b.name));
  }

  async designs(roomId: string): Promise<StoredDesign[]> {
    const stored = await this.attempt(async () => (await database()).getAllFromIndex('designs', 'byRoom', roomId), []);
    const unwritten = [...this.unwritten.designs.values()].filter((record) => record.roomId === roomId);
    return merged(stored, unwritten).sort((a, b) => a.design.name.localeCompare(b.design.name));
  }

  /** A stored room, checked; null when there is none. @throws Error when it cannot be read by this version */
  async room(id: string): Promise<Room | null> {
    const stored: unknown =
      this.unwritten.rooms.get(id) ?? (await this.attempt(async () => (await database()).get('rooms', id), undefined));
    return stored === undefined ? null : trusted(stored, Room, 'room', ROOM_SCHEMA);
  }

  async design(id: string): Promise<{ design: Design; savedAt: Date } | null> {
    const stored = this.unwritten.designs.get(id) ?? (await this.attempt(async () => (await database()).get('designs', id), undefined));
    return stored ? { design: trusted(stored.design, Design, 'design', DESIGN_SCHEMA), savedAt: new Date(stored.savedAt) } : null;
  }

  async saveDesign(design: Design, worst: string | null): Promise<void> {
    const record: StoredDesign = { id: design.id, roomId: design.roomId, savedAt: new Date().toISOString(), worst, design };
    this.unwritten.designs.set(design.id, record);
    await putDesign(record);
    this.unwritten.designs.delete(design.id);
    this.channel.postMessage(design.id);
  }

  async saveRoom(room: Room): Promise<void> {
    this.unwritten.rooms.set(room.id, room);
    await putRoom(room);
    this.unwritten.rooms.delete(room.id);
    this.channel.postMessage(room.id);
  }

  async deleteDesign(id: string): Promise<void> {
    this.unwritten.designs.delete(id);
    await (await database()).delete('designs', id);
  }

  /** Another tank of the same plan. */
  async duplicateDesign(design: Design): Promise<Design> {
    const copy: Design = { ...design, id: crypto.randomUUID(), rev: 0, name: `${design.name.slice(0, 70)} (copy)` };
    await this.keep(() => this.saveDesign(copy, null));
    return copy;
  }

  async addRoom(name: string): Promise<Room> {
    const room = emptyRoom(crypto.randomUUID(), name);
    await this.keep(() => this.saveRoom(room));
    return room;
  }

  async addDesign(roomId: string, name: string): Promise<Design> {
    const design = emptyDesign(crypto.randomUUID(), roomId, name);
    await this.keep(() => this.saveDesign(design, 'unknown'));
    return design;
  }

  /** Puts a file's design in as a new one beside those that are here; its room comes along if this store has none of that id. */
  async importDesign(text: string): Promise<Read<Design>> {
    const read = readDesignFile(text);
    if (!read.ok) return read;
    const { design, room } = read.document;
    const taken = await this.design(design.id).catch(() => null);
    const document: Design = taken ? { ...design, id: crypto.randomUUID(), name: `${design.name.slice(0, 70)} (copy)` } : design;
    if (!(await this.room(room.id).catch(() => room))) await this.keep(() => this.saveRoom(room));
    await this.keep(() => this.saveDesign(document, null));
    return { ok: true, document };
  }

  /** Lays out the demo room once, at the first visit. */
  async layDemoOnce(): Promise<void> {
    const laid = await this.attempt(async () => (await database()).get('notes', 'demo-laid'), undefined);
    const done = laid ?? (this.unwritten.rooms.size > 0 ? 'in this window' : undefined);
    if (done) return;
    await this.layDemo();
    await this.keep(async () => void (await (await database()).put('notes', new Date().toISOString(), 'demo-laid')));
  }

  /** Puts the demo room back as it was at the start. */
  async layDemo(): Promise<void> {
    const { default: demo } = await import('../../catalogue/demo/low-barn.json');
    await this.keep(() => this.saveRoom(Room.parse(demo.room)));
    for (const raw of demo.designs) {
      const design = Design.parse(raw);
      await this.keep(() => this.saveDesign(design, null));
    }
  }

  private async attempt<T, F>(stored: () => Promise<T>, fallback: F): Promise<T | F> {
    try {
      return await stored();
    } catch (error) {
      this.refused$.next(error instanceof Error ? error.message : String(error));
      return fallback;
    }
  }

  private async keep(write: () => Promise<void>): Promise<void> {
    try {
      await write();
    } catch (error) {
      this.refused$.next(error instanceof Error ? error.message : String(error));
    }
  }
}

function trusted<T>(
  stored: unknown,
  schema: { safeParse(value: unknown): { success: true; data: T } | { success: false; error: import('zod').ZodError } },
  name: string,
  version: number,
): T {
  const newer = newerThan(stored, name, version);
  if (newer) throw new Error(`${newer.path}: ${newer.reason}`);
  const parsed = schema.safeParse(stored);
  if (parsed.success) return parsed.data;
  throw new Error(
    refusalsOf(parsed.error)
      .map(({ path, reason }) => `${path}: ${reason}`)
      .join('; '),
  );
}

/** Entries by id; the later ones stand in place of the earlier. */
function merged<T extends { id: string }>(stored: readonly T[], newer: Iterable<T>): T[] {
  return [...new Map([...stored, ...newer].map((entry) => [entry.id, entry])).values()];
}
