import { Injectable, signal } from '@angular/core';
import { BehaviorSubject, firstValueFrom, from, fromEvent, map, shareReplay } from 'rxjs';
import { indexCatalogue, type Catalogue } from '../../core/catalogue/catalogue';
import { Design, emptyDesign } from '../../core/design/design';
import type { Read } from '../../core/design/document';
import { newerThan } from '../../core/design/version';
import { applyEdit, refusalsOf } from '../../core/design/edit';
import { migrateDesign, migrateRoom } from '../../core/design/migrate';
import { emptyRoom, Room, ROOM_SCHEMA } from '../../core/design/room';
import { DESIGN_SCHEMA } from '../../core/design/design';
import type { Operation } from 'rfc6902';
import type { UnitChoice } from '../../core/quantity/format';
import {
  database,
  putDesign,
  putRoom,
  putSnapshot,
  putWhole,
  removeWhole,
  type Snapshot,
  type StoredDesign,
  type StoredTank,
} from './database';
import { usedIds, usedOf } from './used-ids';
import { withOwn } from '../../core/design/own-catalogue';
import { judgedBy, notJudged, type TankSummary } from './summary';

/** All that is in the browser's store: rooms and their designs; and the catalogue. */
@Injectable({ providedIn: 'root' })
export class Library {
  /** Set when the browser refuses to store anything: loud, and the work can still be exported. */
  readonly refused$ = new BehaviorSubject<string | null>(null);
  /** What there is to know of the file that was opened last; empty when nothing. */
  readonly said = signal<string | null>(null);
  /** Tells other tabs what has been written, by id. */
  private readonly channel = new BroadcastChannel('terroir:saved');
  /** Ids of rooms and designs that another tab has written. */
  readonly writtenElsewhere$ = fromEvent<MessageEvent<unknown>>(this.channel, 'message').pipe(map(({ data }) => String(data)));
  /** What could not be written: kept in this window, and read before what is stored. */
  private readonly unwritten = {
    rooms: new Map<string, Room>(),
    designs: new Map<string, { record: StoredDesign; summary: TankSummary }>(),
  };

  readonly catalogue$ = from(import('../../catalogue').then(({ catalogueData }) => indexCatalogue(catalogueData))).pipe(shareReplay(1));

  catalogue(): Promise<Catalogue> {
    return firstValueFrom(this.catalogue$);
  }

  async rooms(): Promise<Room[]> {
    const stored = await this.attempt(async () => (await database()).getAll('rooms'), []);
    return merged(stored, this.unwritten.rooms.values())
      .map((room) => migrateRoom(room) as Room)
      .sort((a, b) => a.name.localeCompare(b.name));
  }

  /** What the list of tanks shows; a design without a summary gets one that is still to be judged. */
  async summaries(roomId: string): Promise<TankSummary[]> {
    const stored = await this.attempt(async () => {
      const db = await database();
      const [summaries, keys] = await Promise.all([
        db.getAllFromIndex('summaries', 'byRoom', roomId),
        db.getAllKeysFromIndex('designs', 'byRoom', roomId),
      ]);
      const known = new Set(summaries.map(({ id }) => id));
      const missing = await Promise.all(keys.filter((key) => !known.has(key)).map((key) => db.get('designs', key)));
      return [...summaries, ...missing.flatMap((record) => (record ? [notJudged(record.design, record.savedAt)] : []))];
    }, []);
    const unwritten = [...this.unwritten.designs.values()].filter(({ record }) => record.roomId === roomId);
    return merged(
      stored,
      unwritten.map(({ summary }) => summary),
    ).sort((a, b) => a.name.localeCompare(b.name));
  }

  /** Judges again, for their cards, the tanks whose verdict rests on another state of the room or the catalogue. */
  async judgeAgain(room: Room, summaries: readonly TankSummary[], units: UnitChoice): Promise<TankSummary[]> {
    const catalogue = await this.catalogue();
    const { judgeForCard } = await import('./judge-card');
    const by = judgedBy(room, catalogue.edition, units);
    const fresh: TankSummary[] = [];
    for (const summary of summaries) {
      if (summary.judged?.by === by) continue;
      const stored = await this.design(summary.id).catch(() => null);
      if (!stored) continue;
      const renewed = { ...summary, judged: judgeForCard(stored.design, room, catalogue, units) };
      fresh.push(renewed);
      await this.attempt(async () => {
        // only while nobody has written a newer state meanwhile
        const tx = (await database()).transaction('summaries', 'readwrite');
        const now = await tx.store.get(summary.id);
        if (!now || now.savedAt === summary.savedAt) await tx.store.put(renewed);
        await tx.done;
      }, undefined);
    }
    return fresh;
  }

  /** A stored room, checked; null when there is none. @throws Error when it cannot be read by this version */
  async room(id: string): Promise<Room | null> {
    const stored: unknown =
      this.unwritten.rooms.get(id) ?? (await this.attempt(async () => (await database()).get('rooms', id), undefined));
    return stored === undefined ? null : trusted(migrateRoom(stored), Room, 'room', ROOM_SCHEMA);
  }

  async design(id: string): Promise<{ design: Design; savedAt: Date } | null> {
    const stored =
      this.unwritten.designs.get(id)?.record ?? (await this.attempt(async () => (await database()).get('designs', id), undefined));
    return stored
      ? { design: trusted(migrateDesign(stored.design), Design, 'design', DESIGN_SCHEMA), savedAt: new Date(stored.savedAt) }
      : null;
  }

  /** Every design of a room, archived ones too. @throws Error when one cannot be read by this version */
  async designs(roomId: string): Promise<Design[]> {
    const designs: Design[] = [];
    for (const { id } of await this.summaries(roomId)) {
      const stored = await this.design(id);
      if (stored) designs.push(stored.design);
    }
    return designs;
  }

  /** Keeps a state that is about to be written: whoever opens the tank meanwhile gets this one. */
  hold(design: Design): void {
    const savedAt = new Date().toISOString();
    const record: StoredDesign = { id: design.id, roomId: design.roomId, savedAt, design };
    this.unwritten.designs.set(design.id, { record, summary: notJudged(design, savedAt) });
  }

  /** @param judged the verdict for the tank's card; without it the card is judged when the room is next looked at */
  async saveDesign(design: Design, judged: TankSummary['judged'] = null): Promise<void> {
    const savedAt = new Date().toISOString();
    const record: StoredDesign = { id: design.id, roomId: design.roomId, savedAt, design };
    const summary = { ...notJudged(design, savedAt), judged };
    this.unwritten.designs.set(design.id, { record, summary });
    await putDesign(record, summary);
    // a newer state may be waiting by now
    if (this.unwritten.designs.get(design.id)?.record === record) this.unwritten.designs.delete(design.id);
    this.channel.postMessage(design.id);
  }

  async saveRoom(room: Room): Promise<void> {
    this.unwritten.rooms.set(room.id, room);
    await putRoom(room);
    this.unwritten.rooms.delete(room.id);
    this.channel.postMessage(room.id);
  }

  /** Deletes a tank and what hangs on it, one that cannot be read here too. @returns it as it was stored, to be put back */
  async deleteDesign(id: string): Promise<StoredTank | null> {
    const waiting = this.unwritten.designs.get(id);
    this.unwritten.designs.delete(id);
    const [taken] = await removeWhole(null, [id]);
    return taken || waiting ? { snapshots: taken?.snapshots ?? [], ...(waiting ?? taken!) } : null;
  }

  async putBackDesign(tank: StoredTank): Promise<void> {
    await this.keep(() => putWhole(null, [tank]));
    this.channel.postMessage(tank.record.id);
  }

  /** Deletes a room with its tanks, all or nothing. @returns them, to be put back */
  async deleteRoom(id: string): Promise<{ room: Room; tanks: StoredTank[] } | null> {
    const room = await this.room(id);
    if (!room) return null;
    const ids = (await this.summaries(id)).map((summary) => summary.id);
    const waiting = ids.flatMap((one) => this.unwritten.designs.get(one) ?? []);
    for (const one of ids) this.unwritten.designs.delete(one);
    this.unwritten.rooms.delete(id);
    const stored = await removeWhole(id, ids);
    const newer = new Map(waiting.map((tank) => [tank.record.id, tank]));
    return { room, tanks: stored.map((tank) => ({ ...tank, ...newer.get(tank.record.id) })) };
  }

  async putBackRoom({ room, tanks }: { room: Room; tanks: readonly StoredTank[] }): Promise<void> {
    await this.keep(() => putWhole(room, tanks));
    this.channel.postMessage(room.id);
  }

  /** Changes a design that nobody has open; refused edits change nothing. */
  async editDesign(id: string, patch: readonly Operation[]): Promise<void> {
    const stored = await this.design(id);
    const applied = stored && applyEdit(stored.design, patch, Design);
    if (applied?.ok) await this.keep(() => this.saveDesign(applied.document));
  }

  /** Another tank of the same plan. */
  async duplicateDesign(id: string): Promise<Design | null> {
    const stored = await this.design(id);
    if (!stored) return null;
    const { design } = stored;
    const copy: Design = { ...design, id: crypto.randomUUID(), rev: 0, archived: false, name: `${design.name.slice(0, 70)} (copy)` };
    await this.keep(() => this.saveDesign(copy));
    return copy;
  }

  async snapshots(designId: string): Promise<Snapshot[]> {
    const stored = await this.attempt(async () => (await database()).getAllFromIndex('snapshots', 'byDesign', designId), []);
    // an older state climbs as its document does; what cannot be read is refused when it is gone back to
    return stored.reverse().map((snapshot) => ({ ...snapshot, design: migrateDesign(snapshot.design) as Design }));
  }

  /** Keeps a state to go back to; one that is the newest already is not kept twice. */
  async keepSnapshot(design: Design, why: Snapshot['why']): Promise<void> {
    const [newest] = await this.snapshots(design.id);
    if (newest?.design.rev === design.rev && JSON.stringify(newest.design) === JSON.stringify(design)) return;
    await this.keep(() => putSnapshot({ designId: design.id, at: new Date().toISOString(), why, design }));
  }

  async addRoom(name: string): Promise<Room> {
    const room = emptyRoom(crypto.randomUUID(), name);
    await this.keep(() => this.saveRoom(room));
    return room;
  }

  async addDesign(roomId: string, name: string): Promise<Design> {
    const design = emptyDesign(crypto.randomUUID(), roomId, name);
    await this.keep(() => this.saveDesign(design));
    return design;
  }

  /** Puts a file's design in as a new one beside those that are here; its room comes along if this store has none of that id. */
  async importDesign(text: string): Promise<Read<Design>> {
    const [{ readDesignFile }, { citedDifferences, missingOwn }] = await Promise.all([
      import('../../core/design/document'),
      import('../../core/design/cited'),
    ]);
    const read = readDesignFile(text);
    if (!read.ok) return read;
    const { design, room } = read.document;
    // one that cannot be read here is there all the same
    const taken = await this.design(design.id).catch(() => true);
    const document: Design = taken ? { ...design, id: crypto.randomUUID(), name: `${design.name.slice(0, 70)} (copy)` } : design;
    const here = await this.room(room.id).catch(() => room);
    // the room that is here stays; what the design needs of its own catalogue comes along
    const own = here && missingOwn(here.own, room.own, usedOf(design));
    const stands = here ? (own ? { ...here, rev: here.rev + 1, own } : here) : room;
    if (!here || own) await this.keep(() => this.saveRoom(stands));
    await this.keep(() => this.saveDesign(document));
    const known = withOwn(await this.catalogue(), stands.own);
    this.said.set(wordDifferences(citedDifferences(read.document.cited.entries, known.organisms)));
    return { ok: true, document };
  }

  /** The room as a zip, with every catalogue entry its designs use. */
  async exportRoom(room: Room): Promise<Uint8Array> {
    const [designs, catalogue, { writeRoomArchive }] = await Promise.all([
      this.designs(room.id),
      this.catalogue(),
      import('../../core/design/archive'),
    ]);
    const used = new Set(designs.flatMap(usedIds));
    const known = withOwn(catalogue, room.own);
    const entries = [...used].flatMap((id) => {
      const entry = known.organisms.get(id);
      return entry ? [JSON.parse(JSON.stringify(entry)) as never] : [];
    });
    return writeRoomArchive({ room, designs, cited: { catalogue: catalogue.edition, entries } });
  }

  /** Puts a room's zip in. A room or designs of the same ids stay as they are: what comes in then gets ids of its own, so both are kept. */
  async importRoom(packed: Uint8Array): Promise<Read<Room>> {
    const { readRoomArchive } = await import('../../core/design/archive');
    const read = readRoomArchive(packed);
    if (!read.ok) return read;
    const { room, designs } = read.document;
    const roomTaken = (await this.room(room.id).catch(() => room)) !== null;
    const comes: Room = roomTaken ? { ...room, id: crypto.randomUUID(), name: `${room.name.slice(0, 70)} (copy)`, invented: false } : room;
    const savedAt = new Date().toISOString();
    const tanks: StoredTank[] = [];
    for (const design of designs) {
      const taken = roomTaken || (await this.design(design.id).catch(() => design)) !== null;
      const document: Design = { ...design, roomId: comes.id, id: taken ? crypto.randomUUID() : design.id };
      const record: StoredDesign = { id: document.id, roomId: comes.id, savedAt, design: document };
      tanks.push({ record, summary: notJudged(document, savedAt), snapshots: [] });
    }
    await this.keep(() => putWhole(comes, tanks));
    this.channel.postMessage(comes.id);
    return { ok: true, document: comes };
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
      await this.keep(() => this.saveDesign(design));
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

/** Facts that a file has otherwise than they are known here, in a sentence. */
function wordDifferences(differences: readonly { latin: string; path: string }[]): string | null {
  const [first] = differences;
  if (!first) return null;
  const kinds = [...new Set(differences.map(({ latin }) => latin))];
  const facts = differences.slice(0, 4).map(({ latin, path }) => `${latin}, ${path.split('.').slice(-2).join(' ')}`);
  const count = `${differences.length} fact${differences.length === 1 ? '' : 's'} of ${kinds.length} kind${kinds.length === 1 ? '' : 's'}`;
  return `The file has ${count} otherwise than they are known here (${facts.join('; ')}${differences.length > 4 ? '; …' : ''}). It is judged by what is known here.`;
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
