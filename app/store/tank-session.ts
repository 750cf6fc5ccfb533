import { Injectable, InjectionToken, inject } from '@angular/core';
import type { Operation } from 'rfc6902';
import {
  BehaviorSubject,
  NEVER,
  Observable,
  catchError,
  combineLatest,
  distinctUntilChanged,
  filter,
  map,
  of,
  shareReplay,
  switchMap,
  tap,
  timer,
} from 'rxjs';
import { assess, type Assessment } from '../../core/assessment/assess';
import { withRecord } from '../../core/assessment/record';
import type { DeriveCache } from '../../core/assessment/derive';
import type { Help } from '../../core/assessment/remedies/offer';
import type { Remedy } from '../../core/assessment/remedies/remedy';
import { indexCatalogue, type Catalogue, type CatalogueData } from '../../core/catalogue/catalogue';
import { Design } from '../../core/design/design';
import { withOwn } from '../../core/design/own-catalogue';
import { Room } from '../../core/design/room';
import { applyEdit } from '../../core/design/edit';
import { judgedSummary } from './judge-card';
import { DocumentStore, type DocumentState } from './document-store';
import { JudgeFeed } from './judge-feed';
import { Library } from './library';
import { PreferencesStore } from './preferences';
import { TankLogs, type LogState } from './tank-logs';
import { RoomSession } from './room-session';
import { catalogueOf, wholeCatalogue } from './shipped-catalogue';
import { idsToJudge } from './used-ids';
import { acquireWriteLock, type WriteLock } from './write-lock';

export interface OpenTank {
  design: DocumentStore<Design>;
  room: DocumentStore<Room>;
}

/** Patches on the tank and on its room that are shown, not done. */
export interface Preview {
  design?: readonly Operation[];
  room?: readonly Operation[];
}

/** How often what is read follows a dragging hand. */
const TOLD_EVERY_MS = 150;
/** Remedies wait until the verdict is painted. */
const HELPED_AFTER_MS = 30;
/** When the families of the catalogue that this tank does not name are fetched. */
const REST_OF_CATALOGUE_AFTER_MS = 1500;
/** How much later the ledger follows than the bench beside it. */
const WRITTEN_LATER_MS = 50;

const NO_CATALOGUE: CatalogueData = { edition: '', organisms: [], waters: [], materials: [], media: [], pieces: [], biotopes: [] };

/** How a tank is judged. */
export const JUDGE = new InjectionToken<typeof assess>('judge', { providedIn: 'root', factory: () => assess });

/** What helps against each finding of a judgement, by finding key. */
export interface Helps {
  of: Assessment['world'];
  byKey: ReadonlyMap<string, Help>;
}

/** The tank on the bench: its design and room, the judgement of both, and who may write. */
@Injectable({ providedIn: 'root' })
export class TankSession {
  private readonly library = inject(Library);
  private readonly rooms = inject(RoomSession);
  private readonly preferences = inject(PreferencesStore);
  private readonly feed = inject(JudgeFeed);
  private readonly judge = inject(JUDGE);
  private readonly logs = inject(TankLogs);
  private readonly open$ = new BehaviorSubject<OpenTank | null>(null);
  private lock: WriteLock | null = null;
  private closing: Promise<void> = Promise.resolve();
  /** Counts openings and closings: one that was overtaken lets go of what it has got by then. */
  private turn = 0;
  private cache: DeriveCache = new Map();
  private shown: Assessment | null = null;

  private readonly tank$ = this.open$.pipe(filter((open) => open !== null));
  readonly designState$: Observable<DocumentState<Design>> = this.tank$.pipe(switchMap(({ design }) => design.state$));
  readonly roomState$: Observable<DocumentState<Room>> = this.tank$.pipe(switchMap(({ room }) => room.state$));
  /** What is fetched of the shipped catalogue: the families that the tank names, then all of it. */
  private readonly shipped$ = new BehaviorSubject<Catalogue>(indexCatalogue(NO_CATALOGUE));
  /** As the room knows it: its own entries and facts with the shipped ones. */
  readonly catalogue$ = this.tank$.pipe(
    switchMap(({ room }) => combineLatest([this.shipped$, room.state$])),
    map(([shipped, { document }]) => withOwn(shipped, document.own)),
    distinctUntilChanged(),
  );

  /** Why the state on show cannot be judged; the last judgement stands meanwhile. */
  readonly unjudged$ = new BehaviorSubject<string | null>(null);

  /** What a hand is dragging at, not yet an edit. */
  private readonly preview$ = new BehaviorSubject<Preview | null>(null);

  /** What happened in it. */
  readonly log$: Observable<LogState | null> = this.tank$.pipe(
    switchMap(({ design }) => this.logs.open$.pipe(map((log) => (log?.designId === design.state.document.id ? log : null)))),
    distinctUntilChanged(),
  );

  /** The tank as it is judged: the design, with what its log has of readings and tests. */
  recorded(design: Design): Design {
    const log = this.logs.open$.value;
    if (log?.designId !== design.id || log.lines.length === 0) return design;
    const known = this.kept.get(design);
    if (known?.lines === log.lines) return known.design;
    const recorded = withRecord(design, log.lines);
    // readings that say the same are the same: nothing is judged again for a note
    const same =
      known && JSON.stringify([known.design.readings, known.design.startup]) === JSON.stringify([recorded.readings, recorded.startup]);
    const kept = { lines: log.lines, design: same ? known.design : recorded };
    this.kept.set(design, kept);
    return kept.design;
  }
  private readonly kept = new WeakMap<Design, { lines: LogState['lines']; design: Design }>();

  readonly assessment$: Observable<Assessment> = this.tank$.pipe(
    switchMap(({ design, room }) =>
      combineLatest([
        design.state$.pipe(
          map(({ document }) => document),
          distinctUntilChanged(),
        ),
        room.state$.pipe(
          map(({ document }) => document),
          distinctUntilChanged(),
        ),
        this.preview$,
        this.shipped$,
        this.log$,
      ]).pipe(
        map(([d, r, preview, catalogue]) => {
          const { design: planned, room } = previewed(d, r, preview);
          return { shown: { design: this.recorded(planned), room }, catalogue };
        }),
        distinctUntilChanged((a, b) => a.shown.design === b.shown.design && a.shown.room === b.shown.room && a.catalogue === b.catalogue),
        map(({ shown, catalogue }) =>
          this.attempted(() => this.judge({ ...shown, catalogue: withOwn(catalogue, shown.room.own) }, this.cache)),
        ),
      ),
    ),
    filter((assessment) => assessment !== null),
    tap((assessment) => (this.shown = assessment)),
    shareReplay(1),
  );

  /** The judgement for what is read and not watched: while a hand drags it follows several times a second, else at once. */
  readonly told$: Observable<Assessment> = this.assessment$.pipe(
    switchMap((assessment) => {
      const due = this.preview$.value ? this.toldAt + TOLD_EVERY_MS - performance.now() : 0;
      // a hand that rests is told where it rests
      return due > 0 ? timer(due).pipe(map(() => assessment)) : of(assessment);
    }),
    tap(() => (this.toldAt = performance.now())),
    shareReplay(1),
  );
  private toldAt = 0;

  /** The same for the ledger, a moment later while a hand drags: a frame that also draws the bench would be too long for both. */
  readonly written$: Observable<Assessment> = this.told$.pipe(
    switchMap((assessment) => (this.preview$.value ? timer(WRITTEN_LATER_MS).pipe(map(() => assessment)) : of(assessment))),
    shareReplay(1),
  );

  /** Remedies are tried out in a worker after the verdict is on the screen, and dropped when a newer verdict comes. */
  readonly helps$: Observable<Helps> = this.assessment$.pipe(
    switchMap(({ world }) =>
      this.preview$.value
        ? NEVER
        : timer(HELPED_AFTER_MS).pipe(
            switchMap(() => this.feed.ask('helps', world.design, world.room, null, { whole: this.whole !== null })),
            map((byKey) => ({ of: world, byKey })),
            catchError(() => NEVER),
          ),
    ),
    shareReplay(1),
  );

  constructor() {
    this.library.writtenElsewhere$.subscribe((id) => {
      if (id === this.current?.design.state.document.id) void this.current.design.lookAgain();
    });
    // a write that is still under way is not left behind without a word
    addEventListener('beforeunload', (event) => {
      if (this.current?.design.unsaved) event.preventDefault();
    });
  }

  get current(): OpenTank | null {
    return this.open$.value;
  }

  /**
   * @returns false when there is no such design; null when another opening or a closing came first, and nothing is held
   * @throws Error when it cannot be read by this version
   */
  async open(id: string): Promise<boolean | null> {
    const closed = this.close();
    const { turn } = this;
    await closed;
    // who comes by the address alone finds the demo too
    const found = (await this.library.design(id)) ?? (await this.library.layDemoOnce().then(() => this.library.design(id)));
    if (turn !== this.turn) return null;
    const room = found && (await this.rooms.open(found.document.roomId));
    if (turn !== this.turn || room === 'overtaken') return null;
    if (!room) return false;
    const shipped = await catalogueOf(idsToJudge(found.document, room.state.document));
    if (turn !== this.turn) return null;
    if (this.shipped$.value !== this.whole) this.shipped$.next(shipped);
    this.cache = new Map();
    const design = new DocumentStore<Design>(found, Design, {
      read: () => this.library.design(id),
      write: async (document, after) => {
        this.library.hold(document, after);
        await painted();
        const judged = this.judged(document, room.state.document);
        await this.library.saveDesign(document, judged && judgedSummary(judged, this.preferences.units()), after);
      },
    });
    this.open$.next({ design, room });
    // judged by it as soon as it is here: the first verdict does not wait for a long log
    void this.logs.open(id);
    if (room.state.document.invented) void this.library.layDemoLogsOnce();
    // what cannot be had now is asked for again when it is searched
    setTimeout(() => void this.wantWhole().catch(() => undefined), REST_OF_CATALOGUE_AFTER_MS);
    await this.lockFor(id, false);
    if (turn !== this.turn) return null;
    if (this.lock) void this.library.keepSnapshot(found.document, 'opened');
    return true;
  }

  private whole: Catalogue | null = null;

  /** Fetches what is still missing of the catalogue: for a search, or for an animal that the tank does not name yet. */
  async wantWhole(): Promise<void> {
    if (this.whole) return;
    this.whole = await wholeCatalogue();
    this.shipped$.next(this.whole);
  }

  /** A judgement, or null where a rule fails: one that does takes neither the tank nor its judgements so far along. */
  private attempted(judge: () => Assessment): Assessment | null {
    try {
      const assessment = judge();
      if (this.unjudged$.value !== null) this.unjudged$.next(null);
      return assessment;
    } catch (error) {
      // what was kept half-way is not to be trusted
      this.cache = new Map();
      this.unjudged$.next(error instanceof Error ? error.message : String(error));
      return null;
    }
  }

  /** The judgement of a state that is to be saved: the one on the screen, if it is of that state. */
  private judged(planned: Design, room: Room): Assessment | null {
    const { shown } = this;
    const design = this.recorded(planned);
    if (shown?.world.design === design && shown.world.room === room) return shown;
    return this.attempted(() => this.judge({ design, room, catalogue: withOwn(this.shipped$.value, room.own) }, new Map(this.cache)));
  }

  /** Lets go of the tank, and of its lock once everything is written. What went apart from another tab's is kept as a copy. */
  close(): Promise<void> {
    this.turn += 1;
    this.preview$.next(null);
    const { current, lock } = this;
    this.lock = null;
    this.open$.next(null);
    this.logs.close();
    if (current) this.closing = Promise.all([this.closing, this.letGo(current)]).then(() => lock?.release());
    return this.closing;
  }

  private async letGo({ design, room }: OpenTank): Promise<void> {
    await design.settled();
    const { save, document, undo } = design.state;
    // one that is only looked at leaves nothing behind
    if (save.kind === 'changed' && undo.length > 0) {
      const copy = await this.library.keepCopy(document, room.state.document);
      this.library.said.set(
        `“${document.name}” was ${save.gone ? 'deleted' : 'changed'} in another tab. What was done here is kept as “${copy.name}”.`,
      );
    }
    if (this.rooms.current === room) await this.rooms.close();
  }

  /** Takes the write lock from the tab that has it; that tab becomes read-only. */
  async takeOver(): Promise<void> {
    const design = this.current?.design;
    if (!design) return;
    await this.lockFor(design.state.document.id, true);
    await design.lookAgain();
  }

  /** Takes what is stored in place of what is here. */
  async reload(): Promise<void> {
    await this.current?.design.reload();
  }

  /** Keeps what is here as a tank of its own, and lets the stored one stand. @returns the copy */
  async keepCopy(): Promise<Design | null> {
    const { current } = this;
    if (!current) return null;
    const copy = await this.library.keepCopy(current.design.state.document, current.room.state.document);
    await current.design.reload();
    return copy;
  }

  /** Shows the tank as if these patches were done, judged and all; null lets go. Nothing is kept of it. */
  preview(preview: Preview | null): void {
    if (preview || this.preview$.value) this.preview$.next(preview);
  }

  edit(label: string, patch: readonly Operation[]): boolean {
    return this.current?.design.edit(label, patch) ?? false;
  }

  editRoom(label: string, patch: readonly Operation[]): boolean {
    return this.current?.room.edit(label, patch) ?? false;
  }

  /** Takes back the last thing done, in the tank or in its room. */
  undo(): void {
    this.latest('undo')?.undo();
  }

  /** Does again what was taken back last. */
  redo(): void {
    this.latest('redo')?.redo();
  }

  private latest(history: 'undo' | 'redo') {
    const { design, room } = this.current ?? {};
    const turn = (store: typeof design | typeof room) => store?.state[history].at(-1)?.turn ?? -1;
    return turn(room) > turn(design) ? room : design;
  }

  /** Goes back to an earlier state, as one gesture that can be undone. */
  async restore(earlier: Design): Promise<boolean> {
    const now = this.current?.design.state.document;
    if (!now) return false;
    await this.library.keepSnapshot(now, 'before-restore');
    const { schema: _, id: _id, roomId: _roomId, rev: _rev, ...parts } = earlier;
    return this.edit(
      'Restore a snapshot',
      Object.entries(parts).map(([part, value]) => ({ op: 'replace', path: `/${part}`, value })),
    );
  }

  applyRemedy(label: string, remedy: Remedy): boolean {
    return this.edit(label, remedy.patch);
  }

  private async lockFor(id: string, steal: boolean): Promise<void> {
    this.lock?.release();
    const { turn } = this;
    const lock = await acquireWriteLock(id, steal, () => {
      if (turn === this.turn) this.current?.design.setMayWrite(false);
    });
    // closed meanwhile: nobody else would ever let go of it
    if (turn !== this.turn) return lock?.release();
    this.lock = lock;
    this.current?.design.setMayWrite(lock !== null);
  }
}

/** The documents as a preview would make them; a patch that is refused is left out. */
function previewed(design: Design, room: Room, preview: Preview | null): { design: Design; room: Room } {
  const shown = preview?.design ? applyEdit(design, preview.design, Design) : null;
  const around = preview?.room ? applyEdit(room, preview.room, Room) : null;
  return { design: shown?.ok ? shown.document : design, room: around?.ok ? around.document : room };
}

/** After the next frame is painted, or soon where none is painted. */
function painted(): Promise<void> {
  return new Promise((resolve) => {
    const late = setTimeout(resolve, 80);
    requestAnimationFrame(() => {
      clearTimeout(late);
      setTimeout(resolve, 0);
    });
  });
}
