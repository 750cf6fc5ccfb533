import { Injectable } from '@angular/core';
import { BehaviorSubject, fromEvent, map } from 'rxjs';
import { Entry, instantAt, type NewEntry } from '../../core/log/model';
import { doubleOf, timeFault } from '../../core/log/entry-faults';
import { timelineOf, timelineWith, type Line } from '../../core/log/timeline';
import { refusalsOf } from '../../core/design/edit';
import type { LoggedParameter } from '../../core/reading/parameter';
import { database, ofTank, type StoredEntry } from './database';

/** The log of one tank as it is shown. */
export interface LogState {
  designId: string;
  lines: readonly Line[];
  /** Entries that are not on the disk yet: shown, and tried again. */
  waiting: readonly Entry[];
  /** Why they are not. */
  reason: string | null;
  /** Entries of the store that this version cannot read: kept as they are, and counted. */
  unread: number;
}

export type Written = { ok: true; entry: Entry } | { ok: false; reason: string };

const CHANNEL = 'terroir:log';

/** Minutes that the clock on this wall is ahead of UTC, at an instant. */
export const aheadOfUtc = (at: Date): number => -at.getTimezoneOffset();

/** The clock on the wall, as an instant. */
export const wallInstant = (at: Date): string => instantAt(Math.floor(at.getTime() / 1000) * 1000, aheadOfUtc(at));

/** The logs of tanks in the browser's store: written entry by entry, each once, by any tab. One is open at a time. */
@Injectable({ providedIn: 'root' })
export class TankLogs {
  private readonly channel = new BroadcastChannel(CHANNEL);
  private readonly writtenElsewhere$ = fromEvent<MessageEvent<unknown>>(this.channel, 'message').pipe(
    map(({ data }) => data as { designId: string; entries: Entry[] | null }),
  );
  /** The log of the tank that is open; null while none is. */
  readonly open$ = new BehaviorSubject<LogState | null>(null);
  private entries = new Map<string, Entry>();
  private waiting: Entry[] = [];
  private turn = 0;

  constructor() {
    this.writtenElsewhere$.subscribe(({ designId, entries }) => {
      if (designId !== this.open$.value?.designId) return;
      // a whole file came in elsewhere: it is read from the store
      if (entries === null) void this.open(designId, true);
      else this.add(entries);
    });
  }

  /** Reads a tank's log, unless it is open already. @param again reads it anew */
  async open(designId: string, again = false): Promise<void> {
    if (this.open$.value?.designId === designId && !again) return;
    const turn = ++this.turn;
    if (this.open$.value && this.open$.value.designId !== designId) this.open$.next(null);
    const { entries, unread, reason } = await readLog(designId);
    if (turn !== this.turn) return;
    if (this.open$.value?.designId !== designId) this.waiting = [];
    this.entries = new Map([...entries, ...this.waiting].map((entry) => [entry.id, entry]));
    this.tell(designId, reason, unread);
  }

  close(): void {
    this.turn += 1;
    this.open$.next(null);
  }

  /**
   * Writes something down. On the disk when this returns; where the disk refuses it, it is shown all the same and tried again.
   *
   * @param at when it happened
   * @param corrects the line that it stands in place of
   */
  async write(what: NewEntry, at: Date = new Date(), corrects: string | null = null): Promise<Written> {
    const state = this.open$.value;
    if (!state) return { ok: false, reason: 'The log of this tank is not open yet.' };
    const made = newEntry(what, at, corrects);
    if (!made.ok) return made;
    if (corrects === null && doubleOf(made.entry, state.lines))
      return { ok: false, reason: 'The very same stands there already, at the same time.' };
    await this.put(state.designId, [made.entry]);
    return made;
  }

  /** Writes something down of a tank that is not on the bench. Refused where the disk refuses it: nothing here would try again. */
  async writeInto(designId: string, what: NewEntry, corrects: string | null = null, at: Date = new Date()): Promise<Written> {
    if (this.open$.value?.designId === designId) return this.write(what, at, corrects);
    const made = newEntry(what, at, corrects);
    if (!made.ok) return made;
    try {
      await putEntries(designId, [made.entry]);
    } catch (error) {
      return { ok: false, reason: `Not written down: ${error instanceof Error ? error.message : String(error)}` };
    }
    this.channel.postMessage({ designId, entries: [made.entry] });
    return made;
  }

  /** Says of a line that it did not happen; it stays, struck out. */
  strike(id: string): Promise<Written> {
    return this.write({ kind: 'struck' }, new Date(), id);
  }

  /** Takes one value out of a reading; where it was the only one, the reading is struck out. */
  takeOut(id: string, parameter: LoggedParameter): Promise<Written> {
    const line = this.open$.value?.lines.find((one) => one.id === id);
    if (line?.entry.kind !== 'reading') return Promise.resolve({ ok: false, reason: 'That is no reading of this log.' });
    const { id: _id, at, written: _written, corrects: _corrects, values, ...rest } = line.entry;
    const { [parameter]: _, ...others } = values;
    if (Object.keys(others).length === 0) return this.strike(id);
    return this.write({ ...rest, values: others }, new Date(at), id);
  }

  /** Takes many in at once, all or nothing. Those that are there already are left. @returns how many were new, or why none were taken */
  async takeIn(entries: readonly Entry[]): Promise<{ ok: true; count: number } | { ok: false; reason: string }> {
    const state = this.open$.value;
    if (!state) return { ok: false, reason: 'The log of this tank is not open yet.' };
    const fresh = newOnes(entries, state.lines, this.entries);
    try {
      await putEntries(state.designId, fresh);
    } catch (error) {
      return { ok: false, reason: `Nothing was taken in: ${error instanceof Error ? error.message : String(error)}` };
    }
    this.channel.postMessage({ designId: state.designId, entries: null });
    this.add(fresh);
    return { ok: true, count: fresh.length };
  }

  /** Tries again to put on the disk what is only here. */
  async retry(): Promise<void> {
    const state = this.open$.value;
    if (state && this.waiting.length > 0) await this.put(state.designId, this.waiting.splice(0));
  }

  private async put(designId: string, entries: readonly Entry[]): Promise<void> {
    try {
      await putEntries(designId, entries);
      this.channel.postMessage({ designId, entries });
      this.add(entries);
    } catch (error) {
      this.waiting.push(...entries);
      this.add(entries, error instanceof Error ? error.message : String(error));
    }
  }

  private add(entries: readonly Entry[], reason: string | null = null): void {
    const state = this.open$.value;
    if (!state) return;
    const lines = timelineWith(state.lines, this.entries, entries);
    for (const entry of entries) this.entries.set(entry.id, entry);
    this.tell(state.designId, reason ?? (this.waiting.length > 0 ? state.reason : null), state.unread, lines);
  }

  private tell(designId: string, reason: string | null, unread: number, lines = timelineOf([...this.entries.values()])): void {
    this.open$.next({ designId, lines, waiting: [...this.waiting], reason, unread });
  }

  /** All entries of the open log, corrections too, in the order in which they were written. */
  get all(): Entry[] {
    return [...this.entries.values()].sort((a, b) => Date.parse(a.written) - Date.parse(b.written));
  }
}

/** What happened as an entry of a log, or why it is none. */
function newEntry(what: NewEntry, at: Date, corrects: string | null): Written {
  const raw = { note: '', ...what, id: crypto.randomUUID(), at: wallInstant(at), written: new Date().toISOString(), corrects };
  const read = Entry.safeParse(raw);
  if (!read.success) {
    const reasons = refusalsOf(read.error).map(({ reason }) => reason);
    return { ok: false, reason: reasons.join('; ') };
  }
  const fault = timeFault(read.data, Date.now());
  return fault ? { ok: false, reason: `Not taken: ${fault}.` } : { ok: true, entry: read.data };
}

/** Those that are not here, neither by their id nor by what they say. */
function newOnes(entries: readonly Entry[], lines: readonly Line[], here: ReadonlyMap<string, Entry>): Entry[] {
  const known = new Map<number, Line[]>();
  for (const line of lines) known.set(line.atMs, [...(known.get(line.atMs) ?? []), line]);
  return entries.filter(
    (entry) => !here.has(entry.id) && (entry.corrects !== null || !doubleOf(entry, known.get(Date.parse(entry.at)) ?? [])),
  );
}

/** Tells whoever has a log open, in this window too, that it is another now. */
export function announceLog(designId: string): void {
  const channel = new BroadcastChannel(CHANNEL);
  channel.postMessage({ designId, entries: null });
  channel.close();
}

/** A log is of a tank: one that was thrown away has none. */
export const hasTank = async (designId: string): Promise<boolean> => (await (await database()).getKey('designs', designId)) !== undefined;

/** All or nothing. */
export async function putEntries(designId: string, entries: readonly Entry[]): Promise<void> {
  const tx = (await database()).transaction(['log', 'summaries'], 'readwrite', { durability: 'strict' });
  const [log, summaries] = [tx.objectStore('log'), tx.objectStore('summaries')];
  // the verdict on the tank's card rests on what was read
  if (entries.some(({ kind }) => kind === 'reading' || kind === 'struck')) {
    const summary = await summaries.get(designId);
    if (summary?.judged) await summaries.put({ ...summary, judged: null });
  }
  await Promise.all([...entries.map((entry) => log.put({ ...entry, designId })), tx.done]);
}

/** A tank's log as it is stored. */
export async function readLog(designId: string): Promise<{ entries: Entry[]; unread: number; reason: string | null }> {
  try {
    const stored = await (await database()).getAll('log', ofTank(designId));
    return { ...readable(stored), reason: null };
  } catch (error) {
    return { entries: [], unread: 0, reason: `The log cannot be read: ${error instanceof Error ? error.message : String(error)}` };
  }
}

function readable(stored: readonly StoredEntry[]): { entries: Entry[]; unread: number } {
  const entries = stored.flatMap(({ designId: _, ...entry }) => {
    const read = Entry.safeParse(entry);
    return read.success ? [read.data] : [];
  });
  return { entries, unread: stored.length - entries.length };
}
