import { Injectable, inject, signal } from '@angular/core';
import { BehaviorSubject, defer, firstValueFrom, fromEvent, map } from 'rxjs';
import type { Catalogue } from '../../core/catalogue/catalogue';
import { emptyBuild } from '../../core/build/model';
import { Design, emptyDesign } from '../../core/design/design';
import type { Read } from '../../core/design/document';
import { newerThan } from '../../core/design/version';
import { applyEdit, refusalsOf } from '../../core/design/edit';
import { migrateDesign, migrateRoom } from '../../core/design/migrate';
import { emptyRoom, Room, ROOM_SCHEMA } from '../../core/design/room';
import { DESIGN_SCHEMA } from '../../core/design/design';
import type { Operation } from 'rfc6902';
import * as z from 'zod';
import type { UnitChoice } from '../../core/quantity/format';
import {
  database,
  putDesign,
  putRoom,
  putSnapshot,
  putWhole,
  removeWhole,
  type Snapshot,
  stored,
  type StoredDesign,
  type StoredTank,
  type TakenRoom,
} from './database';
import { ChangedElsewhere, type Found } from './document-store';
import { JudgeFeed } from './judge-feed';
import { EDITION } from '../../catalogue/edition';
import { wholeCatalogue } from './shipped-catalogue';
import { photosOf } from './photos';
import { layDemoLogs } from './demo-logs';
import { readLog } from './tank-logs';
import { timelineOf } from '../../core/log/timeline';
import { withRecord } from '../../core/assessment/record';
import { usedIds, usedOf } from './used-ids';
import { withOwn } from '../../core/design/own-catalogue';
import { judgedBy, notJudged, TankSummary } from './summary';

/** A room in the list of rooms. */
export interface RoomName {
  id: string;
  name: string;
}
/** What was deleted or put away last, and how to have it back. */
export interface Gone {
  said: string;
  putBack: () => Promise<void>;
}
const RoomName = z.object({ id: z.string(), name: z.string() });

/** All that is in the browser's store: rooms and their designs; and the catalogue. */
@Injectable({ providedIn: 'root' })
export class Library {
  /** Set when the browser refuses to store anything: loud, and the work can still be exported. */
  readonly refused$ = new BehaviorSubject<string | null>(null);
  /** What there is to know of the file that was opened last; empty when nothing. */
  readonly said = signal<string | null>(null);
  /** What was deleted or put away last. */
  readonly gone = signal<Gone | null>(null);
  /** Tells other tabs what has been written, by id. */
  private readonly channel = new BroadcastChannel('terroir:saved');
  /** Ids of rooms and designs that another tab has written. */
  readonly writtenElsewhere$ = fromEvent<MessageEvent<unknown>>(this.channel, 'message').pipe(map(({ data }) => String(data)));
  /** What could not be written: kept in this window, and read before what is stored, with the stored revision it follows. */
  private readonly unwritten = {
    rooms: new Map<string, { room: Room; after: number | null }>(),
    designs: new Map<string, { record: StoredDesign; summary: TankSummary; after: number | null }>(),
  };

  /** All of the shipped catalogue. */
  readonly catalogue$ = defer(() => wholeCatalogue());
  private readonly feed = inject(JudgeFeed);

  catalogue(): Promise<Catalogue> {
    return wholeCatalogue();
  }

  /** The rooms by name; one that cannot be read is listed by its id. */
  async rooms(): Promise<RoomName[]> {
    const stored: unknown[] = await this.attempt(async () => (await database()).getAll('rooms'), []);
    const unwritten = [...this.unwritten.rooms.values()].map(({ room }) => room);
    return merged(stored.map(named), unwritten.map(named)).sort((a, b) => a.name.localeCompare(b.name));
  }

  /** What the list of tanks shows; a design without a summary gets one that is still to be judged. */
  async summaries(roomId: string): Promise<TankSummary[]> {
    const stored = await this.attempt(async () => {
      const db = await database();
      const [summaries, keys] = await Promise.all([
        db.getAllFromIndex('summaries', 'byRoom', roomId),
        db.getAllKeysFromIndex('designs', 'byRoom', roomId),
      ]);
      // one that is damaged harms no other: it is made anew from its design
      const sound = summaries.flatMap((summary) => {
        const read = TankSummary.safeParse(summary);
        return read.success ? [read.data] : [];
      });
      const known = new Set(sound.map(({ id }) => id));
      const missing = await Promise.all(keys.filter((key) => !known.has(key)).map((key) => db.get('designs', key)));
      return [...sound, ...missing.flatMap((record) => (record ? [summaryOf(record)] : []))];
    }, []);
    const unwritten = [...this.unwritten.designs.values()].filter(({ record }) => record.roomId === roomId);
    return merged(
      stored,
      unwritten.map(({ summary }) => summary),
    ).sort((a, b) => a.name.localeCompare(b.name));
  }

  /** Judges again, for their cards, the tanks whose verdict rests on another state of the room or the catalogue. */
  async judgeAgain(room: Room, summaries: readonly TankSummary[], units: UnitChoice): Promise<TankSummary[]> {
    const by = judgedBy(room, EDITION, units);
    const fresh: TankSummary[] = [];
    for (const summary of summaries) {
      // a verdict from before cards told of power is of an older program
      if (summary.judged?.by === by && summary.judged.power) continue;
      const stored = await this.design(summary.id).catch(() => null);
      if (!stored) continue;
      const recorded = withRecord(stored.document, timelineOf((await readLog(summary.id)).entries));
      const renewed = {
        ...summary,
        judged: await firstValueFrom(this.feed.ask('card', recorded, room, { units }, { whole: false })),
      };
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

  /** A room, checked; null when there is none. @throws Error when it cannot be read by this version */
  async room(id: string): Promise<Found<Room> | null> {
    const waiting = this.unwritten.rooms.get(id);
    const stored = waiting?.room ?? (await this.attempt(async () => (await database()).get('rooms', id), undefined));
    if (stored === undefined) return null;
    const document = trusted(migrateRoom(stored), Room, 'room', ROOM_SCHEMA);
    return { document, savedAt: null, storedRev: waiting ? waiting.after : stored.rev };
  }

  /** A design, checked; null when there is none. @throws Error when it cannot be read by this version */
  async design(id: string): Promise<Found<Design> | null> {
    const waiting = this.unwritten.designs.get(id);
    const stored = waiting?.record ?? (await this.attempt(async () => (await database()).get('designs', id), undefined));
    if (!stored) return null;
    const document = trusted(migrateDesign(stored.design), Design, 'design', DESIGN_SCHEMA);
    return { document, savedAt: new Date(stored.savedAt), storedRev: waiting ? waiting.after : stored.design.rev };
  }

  /** Every design of a room that can be read, archived ones too, and the names of the others. */
  async designs(roomId: string): Promise<{ designs: Design[]; unreadable: string[] }> {
    const designs: Design[] = [];
    const unreadable: string[] = [];
    for (const { id, name } of await this.summaries(roomId)) {
      try {
        const stored = await this.design(id);
        if (stored) designs.push(stored.document);
      } catch {
        unreadable.push(name);
      }
    }
    return { designs, unreadable };
  }

  /** Keeps a state that is about to be written: whoever opens the tank meanwhile gets this one. */
  hold(design: Design, after: number | null): void {
    const record = recordOf(design);
    this.unwritten.designs.set(design.id, { record, summary: notJudged(design, record.savedAt), after });
  }

  /**
   * @param judged the verdict for the tank's card; without it the card is judged when the room is next looked at
   * @param after the stored revision that this state was made from; left out, it takes the place of whatever is stored
   * @throws ChangedElsewhere when another revision is stored by now; nothing is written then
   */
  async saveDesign(design: Design, judged: TankSummary['judged'] = null, after?: number | null): Promise<void> {
    const record = recordOf(design);
    const summary = { ...notJudged(design, record.savedAt), judged };
    const entry = { record, summary, after: after ?? null };
    this.unwritten.designs.set(design.id, entry);
    const letGo = () => {
      // a newer state may be waiting by now
      if (this.unwritten.designs.get(design.id) === entry) this.unwritten.designs.delete(design.id);
    };
    try {
      await putDesign(record, summary, after);
    } catch (error) {
      if (error instanceof ChangedElsewhere) letGo();
      throw error;
    }
    letGo();
    this.tell(design.id);
  }

  /** @param after and @throws as in saveDesign */
  async saveRoom(room: Room, after?: number | null): Promise<void> {
    this.unwritten.rooms.set(room.id, { room, after: after ?? null });
    try {
      await putRoom(room, after);
    } catch (error) {
      if (error instanceof ChangedElsewhere) this.unwritten.rooms.delete(room.id);
      throw error;
    }
    this.unwritten.rooms.delete(room.id);
    this.tell(room.id);
  }

  private tell(...ids: readonly string[]): void {
    for (const id of ids) this.channel.postMessage(id);
    // asked once there is something worth keeping: the browser may clear what is not marked so
    void navigator.storage?.persist?.().catch(() => false);
  }

  /** Deletes a tank and what hangs on it, one that cannot be read here too. @returns it as it was stored, to be put back */
  async deleteDesign(id: string): Promise<StoredTank | null> {
    const waiting = this.unwritten.designs.get(id);
    this.unwritten.designs.delete(id);
    const [taken] = await removeWhole(null, [id]);
    this.tell(id);
    return taken || waiting
      ? { snapshots: taken?.snapshots ?? [], photos: taken?.photos ?? [], log: taken?.log ?? [], ...(waiting ?? taken!) }
      : null;
  }

  /** Puts a deleted tank back; one that stands in its place by now stays. */
  async putBackDesign(tank: StoredTank): Promise<void> {
    await this.keep(() => putWhole(null, [tank], 'what is missing'));
    this.tell(tank.record.id);
  }

  /** Deletes a room with its tanks, all or nothing, one that cannot be read here too. @returns them, to be put back */
  async deleteRoom(id: string): Promise<TakenRoom | null> {
    const ids = (await this.summaries(id)).map((summary) => summary.id);
    const waiting = ids.flatMap((one) => this.unwritten.designs.get(one) ?? []);
    const room = this.unwritten.rooms.get(id)?.room ?? (await this.attempt(async () => (await database()).get('rooms', id), undefined));
    if (!room) return null;
    for (const one of ids) this.unwritten.designs.delete(one);
    this.unwritten.rooms.delete(id);
    const stored = await removeWhole(id, ids);
    const newer = new Map(waiting.map((tank) => [tank.record.id, tank]));
    this.tell(id, ...ids);
    return { room, tanks: stored.map((tank) => ({ ...tank, ...newer.get(tank.record.id) })) };
  }

  async putBackRoom({ room, tanks }: TakenRoom): Promise<void> {
    await this.keep(() => putWhole(room, tanks, 'what is missing'));
    this.tell(room.id, ...tanks.map(({ record }) => record.id));
  }

  private editing: Promise<void> = Promise.resolve();

  /** Changes a design as it is stored, whoever has it open: that tab takes the change in. Refused edits change nothing. */
  editDesign(id: string, patch: readonly Operation[]): Promise<void> {
    // one after the other: two that are under way would each build on what the other has not written yet
    this.editing = this.editing.catch(() => undefined).then(() => this.editStored(id, patch));
    return this.editing;
  }

  private async editStored(id: string, patch: readonly Operation[]): Promise<void> {
    const stored = await this.design(id);
    const applied = stored && applyEdit(stored.document, patch, Design);
    if (!applied?.ok) return;
    try {
      await this.keep(() => this.saveDesign(applied.document, null, stored!.storedRev));
    } catch (error) {
      if (!(error instanceof ChangedElsewhere)) throw error;
      // another tab was faster: the change is made to what it wrote, or there is nothing left to change
      if (!error.gone) await this.editStored(id, patch);
    }
  }

  /** Another tank of the same plan; what was built of the first is not built of it. */
  async duplicateDesign(id: string): Promise<Design | null> {
    const stored = await this.design(id);
    return stored && this.keepCopy({ ...stored.document, build: emptyBuild() }, null);
  }

  /** Keeps a state as a tank of its own, beside the one it comes from; its room too where that is gone. */
  async keepCopy(design: Design, room: Room | null): Promise<Design> {
    const copy: Design = { ...design, id: crypto.randomUUID(), rev: 0, archived: false, name: copyName(design.name) };
    if (room && !(await this.room(room.id).catch(() => room))) await this.keep(() => this.saveRoom(room, null));
    await this.keep(() => this.saveDesign(copy, null, null));
    return copy;
  }

  /** Keeps a state of a room as a room of its own, without its tanks. */
  async keepRoomCopy(room: Room): Promise<Room> {
    const copy: Room = { ...room, id: crypto.randomUUID(), rev: 0, name: copyName(room.name), invented: false };
    await this.keep(() => this.saveRoom(copy, null));
    return copy;
  }

  /** Earlier states, newest first; one that cannot be read is left out of the list and stays in the store. */
  async snapshots(designId: string): Promise<Snapshot[]> {
    const stored = await this.attempt(async () => (await database()).getAllFromIndex('snapshots', 'byDesign', designId), []);
    return stored.reverse().flatMap((snapshot) => {
      // an older state climbs as its document does
      const read = Design.safeParse(migrateDesign(snapshot.design));
      return read.success ? [{ ...snapshot, design: read.data }] : [];
    });
  }

  /** Keeps a state to go back to; one that is the newest already is not kept twice. */
  async keepSnapshot(design: Design, why: Snapshot['why']): Promise<void> {
    const [newest] = await this.snapshots(design.id);
    const isNewest = newest?.design.rev === design.rev && JSON.stringify(newest.design) === JSON.stringify(design);
    // what is kept by hand is marked so, even where a state of the same is there
    if (isNewest && (why !== 'kept' || newest.why === 'kept')) return;
    await this.keep(() => putSnapshot({ ...(isNewest ? newest : {}), designId: design.id, at: new Date().toISOString(), why, design }));
  }

  async addRoom(name: string): Promise<Room> {
    const room = emptyRoom(crypto.randomUUID(), name);
    await this.keep(() => this.saveRoom(room, null));
    return room;
  }

  /** A new, empty tank of a room, numbered after those that are there. */
  async addDesign(roomId: string): Promise<Design> {
    const { length } = await this.summaries(roomId);
    const design = emptyDesign(crypto.randomUUID(), roomId, `Tank ${length + 1}`);
    await this.keep(() => this.saveDesign(design, null, null));
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
    const document: Design = taken ? { ...design, id: crypto.randomUUID(), name: copyName(design.name) } : design;
    const found = await this.room(room.id).catch(() => ({ document: room, storedRev: undefined }));
    const here = found?.document;
    // the room that is here stays; what the design needs of its own catalogue comes along
    const own = here && missingOwn(here.own, room.own, usedOf(design));
    const stands = here ? (own ? { ...here, rev: here.rev + 1, own } : here) : room;
    if (!here || own) await this.keep(() => this.saveRoom(stands, found ? found.storedRev : null));
    await this.keep(() => this.saveDesign(document, null, null));
    const known = withOwn(await this.catalogue(), stands.own);
    this.said.set(wordDifferences(citedDifferences(read.document.cited.entries, known.organisms)));
    return { ok: true, document };
  }

  /** The room as a zip, with every catalogue entry its designs use; the names of the tanks that cannot be read here, and are not in it; and how many pictures were too many for it. */
  async exportRoom(room: Room): Promise<{ zip: Uint8Array; tanks: number; entries: number; unreadable: string[]; photosLeft: number }> {
    const [{ designs, unreadable }, catalogue, { writeRoomArchive }] = await Promise.all([
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
    const logs = await Promise.all(designs.map(async ({ id }) => ({ designId: id, entries: (await readLog(id)).entries })));
    const { go, stay } = await photosOf(designs, logs).catch(() => ({ go: [], stay: 0 }));
    const zip = writeRoomArchive({ room, designs, photos: go, logs, cited: { catalogue: catalogue.edition, entries } });
    return { zip, tanks: designs.length, entries: logs.reduce((sum, log) => sum + log.entries.length, 0), unreadable, photosLeft: stay };
  }

  /** Puts a room's zip in. A room or designs of the same ids stay as they are: what comes in then gets ids of its own, so both are kept. */
  async importRoom(packed: Uint8Array): Promise<Read<Room>> {
    const read = await this.roomIn(packed, []);
    if (!read.ok) return read;
    const { room, tanks } = read.document;
    await this.keep(() => putWhole(room, tanks));
    this.tell(room.id);
    return { ok: true, document: room };
  }

  /**
   * Puts a room's zip in the place of the room of the same id, with its tanks and logs, all or nothing.
   *
   * @returns the room as it is now, and what stood there, to be put back
   */
  async restoreRoom(packed: Uint8Array, roomId: string): Promise<Read<{ room: Room; before: TakenRoom | null }>> {
    const ids = (await this.summaries(roomId)).map(({ id }) => id);
    const read = await this.roomIn(packed, [roomId, ...ids]);
    if (!read.ok) return read;
    if (read.document.room.id !== roomId)
      return { ok: false, refusals: [{ path: 'room.json: id', reason: 'is another room than the list says' }] };
    return { ok: true, document: { room: read.document.room, before: await this.putInstead(roomId, read.document) } };
  }

  /** Puts a room with its tanks in the place of one that is here. @returns what stood there */
  async putInstead(roomId: string, instead: TakenRoom): Promise<TakenRoom | null> {
    const ids = (await this.summaries(roomId)).map(({ id }) => id);
    const room = (await this.room(roomId))?.document ?? null;
    for (const id of ids) this.unwritten.designs.delete(id);
    this.unwritten.rooms.delete(roomId);
    const tanks = await removeWhole(roomId, ids, instead);
    this.tell(roomId, ...ids, ...instead.tanks.map(({ record }) => record.id));
    return room && { room, tanks };
  }

  /** A room's zip as it would be stored here. @param free ids that may be taken, whoever has them now */
  private async roomIn(packed: Uint8Array, free: readonly string[]): Promise<Read<TakenRoom>> {
    const { readRoomArchive } = await import('../../core/design/archive');
    const read = readRoomArchive(packed);
    if (!read.ok) return read;
    const { room, designs, photos, logs } = read.document;
    const mayTake = new Set(free);
    const taken = async (id: string, here: (id: string) => Promise<unknown>) =>
      !mayTake.has(id) && (await here(id).catch(() => true)) !== null;
    const roomTaken = await taken(room.id, (id) => this.room(id));
    const named: Room = roomTaken ? { ...room, name: copyName(room.name), invented: false } : room;
    const ids = new Map<string, string>();
    for (const { id } of designs) if (roomTaken || (await taken(id, (one) => this.design(one)))) ids.set(id, crypto.randomUUID());
    const { renamed } = await import('../../core/design/renamed');
    const whole = renamed(named, designs, roomTaken ? crypto.randomUUID() : room.id, ids);
    const takenAt = new Date().toISOString();
    const tanks = whole.designs.map((design, i): StoredTank => {
      const pictures = photos.filter(({ designId }) => designId === designs[i]!.id);
      const entries = logs.find(({ designId }) => designId === designs[i]!.id)?.entries ?? [];
      return {
        ...newTank(design),
        photos: pictures.map((photo) => ({ ...photo, designId: design.id, takenAt })),
        log: entries.map((entry) => ({ ...entry, designId: design.id })),
      };
    });
    return { ok: true, document: { room: whole.room, tanks } };
  }

  /** Lays out the demo room once, at the first visit. */
  async layDemoOnce(): Promise<void> {
    const laid = await this.attempt(async () => (await database()).get('notes', 'demo-laid'), undefined);
    const done = laid ?? (this.unwritten.rooms.size > 0 ? 'in this window' : undefined);
    if (done) return;
    await this.layDemo();
    await this.keep(async () => void (await (await database()).put('notes', new Date().toISOString(), 'demo-laid')));
  }

  private layingLogs: Promise<void> | null = null;

  /** Lays out the logs of the demo, once: a visit that ended too early left them out. @param again lays them anew */
  layDemoLogsOnce(again = false): Promise<void> {
    if (!again && this.layingLogs) return this.layingLogs;
    this.layingLogs = this.attempt(async () => {
      const db = await database();
      if (!again && (await db.get('notes', 'demo-logs-laid'))) return;
      await layDemoLogs();
      await db.put('notes', new Date().toISOString(), 'demo-logs-laid');
    }, undefined);
    return this.layingLogs;
  }

  /**
   * Puts the demo room back as it was at the start, all of it or nothing; the states that were there stay among the earlier ones.
   *
   * @returns what was there, to be put back
   */
  async layDemo(): Promise<TakenRoom | null> {
    const [{ default: demo }, { default: judged }] = await Promise.all([
      import('../../catalogue/demo/low-barn.json'),
      import('../../catalogue/demo/judged.json'),
    ]);
    const designs = demo.designs.map((raw) => Design.parse(raw));
    const before = await this.attempt(
      () =>
        stored(
          demo.room.id,
          designs.map(({ id }) => id),
        ),
      null,
    );
    const at = new Date().toISOString();
    const tanks = designs.map((design): StoredTank => {
      const earlier = before?.tanks.find(({ record }) => record.id === design.id)?.record.design;
      const tank = newTank(design);
      const summary = TankSummary.parse({ ...tank.summary, judged: (judged as Record<string, unknown>)[design.id] ?? null });
      return { ...tank, summary, snapshots: earlier ? [{ designId: design.id, at, why: 'before-restore', design: earlier }] : [] };
    });
    const room = Room.parse(demo.room);
    try {
      await putWhole(room, tanks);
    } catch (error) {
      this.refused$.next(error instanceof Error ? error.message : String(error));
      // in this window at least
      this.unwritten.rooms.set(room.id, { room, after: null });
      for (const { record, summary } of tanks) this.unwritten.designs.set(record.id, { record, summary, after: null });
    }
    this.tell(room.id, ...designs.map(({ id }) => id));
    // long, and nothing that a first look waits for
    void this.layDemoLogsOnce(true);
    return before;
  }

  /** Puts tanks and their room back over what is there now. */
  async putBackOver({ room, tanks }: TakenRoom): Promise<void> {
    await this.keep(() => putWhole(room, tanks));
    this.tell(room.id, ...tanks.map(({ record }) => record.id));
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
      if (error instanceof ChangedElsewhere) throw error;
      this.refused$.next(error instanceof Error ? error.message : String(error));
    }
  }
}

const copyName = (name: string) => `${name.slice(0, 70)} (copy)`;

function recordOf(design: Design): StoredDesign {
  return { id: design.id, roomId: design.roomId, savedAt: new Date().toISOString(), design };
}

function newTank(design: Design): StoredTank {
  const record = recordOf(design);
  return { record, summary: notJudged(design, record.savedAt), snapshots: [], photos: [], log: [] };
}

/** A stored room by its name, or what can be said of it. */
function named(stored: unknown): RoomName {
  const read = RoomName.safeParse(stored);
  if (read.success) return read.data;
  const id = String((stored as { id?: unknown }).id);
  return { id, name: `${id} (cannot be read)` };
}

/** A summary of what may be damaged: it is listed all the same, to be seen and deleted. */
function summaryOf({ id, roomId, savedAt, design }: StoredDesign): TankSummary {
  const read = TankSummary.safeParse({ id, roomId, savedAt, name: design?.name, archived: design?.archived, judged: null });
  return read.success ? read.data : { id, roomId, savedAt: String(savedAt), name: `${id} (cannot be read)`, archived: false, judged: null };
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
