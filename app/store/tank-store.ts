import { Injectable, InjectionToken, inject } from '@angular/core';
import type { Operation } from 'rfc6902';
import {
  BehaviorSubject,
  NEVER,
  Observable,
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
import type { DeriveCache } from '../../core/assessment/derive';
import { helpFor, type Help } from '../../core/assessment/remedies/offer';
import type { Remedy } from '../../core/assessment/remedies/remedy';
import type { Catalogue } from '../../core/catalogue/catalogue';
import { Design } from '../../core/design/design';
import { withOwn } from '../../core/design/own-catalogue';
import { Room } from '../../core/design/room';
import { applyEdit } from '../../core/design/edit';
import { judgedSummary } from './judge-card';
import { DocumentStore, type DocumentState } from './document-store';
import { Library } from './library';
import { PreferencesStore } from './preferences';
import { acquireWriteLock, type WriteLock } from './write-lock';

export interface OpenTank {
  design: DocumentStore<Design>;
  room: DocumentStore<Room>;
  catalogue: Catalogue;
}

/** Patches on the tank and on its room that are shown, not done. */
export interface Preview {
  design?: readonly Operation[];
  room?: readonly Operation[];
}

/** How often what is read follows a dragging hand. */
const TOLD_EVERY_MS = 150;
/** How much later the ledger follows than the bench beside it. */
const WRITTEN_LATER_MS = 50;

/** How a tank is judged. */
export const JUDGE = new InjectionToken<typeof assess>('judge', { providedIn: 'root', factory: () => assess });

/** Helps of the findings on show, by finding key. */
export type Helps = ReadonlyMap<string, Help>;

/** The tank on the bench: its design and room, the judgement of both, and who may write. */
@Injectable({ providedIn: 'root' })
export class TankStore {
  private readonly library = inject(Library);
  private readonly preferences = inject(PreferencesStore);
  private readonly judge = inject(JUDGE);
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
  /** As the room knows it: its own entries and facts with the shipped ones. */
  readonly catalogue$ = this.tank$.pipe(
    switchMap(({ catalogue, room }) => room.state$.pipe(map(({ document }) => withOwn(catalogue, document.own)))),
    distinctUntilChanged(),
  );

  /** Why the state on show cannot be judged; the last judgement stands meanwhile. */
  readonly unjudged$ = new BehaviorSubject<string | null>(null);

  /** What a hand is dragging at, not yet an edit. */
  private readonly preview$ = new BehaviorSubject<Preview | null>(null);

  readonly assessment$: Observable<Assessment> = this.tank$.pipe(
    switchMap(({ design, room, catalogue }) =>
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
      ]).pipe(
        map(([d, r, preview]) => {
          const shown = previewed(d, r, preview);
          return this.attempted(() => this.judge({ ...shown, catalogue: withOwn(catalogue, shown.room.own) }, this.cache));
        }),
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

  /** Remedies are tried out after the verdict is on the screen, and dropped when a newer verdict comes. */
  readonly helps$: Observable<Helps> = this.assessment$.pipe(
    switchMap((assessment) => (this.preview$.value ? NEVER : inSlices(helpsOf(assessment)))),
    shareReplay(1),
  );

  constructor() {
    this.library.writtenElsewhere$.subscribe((id) => void this.reload(id));
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
    const catalogue = await this.library.catalogue();
    const stored = await this.library.design(id);
    const room = stored && (await this.library.room(stored.design.roomId));
    if (turn !== this.turn) return null;
    if (!stored || !room) return false;
    this.cache = new Map();
    const roomStore = new DocumentStore<Room>(room, null, Room, (document) => this.library.saveRoom(document));
    const design = new DocumentStore<Design>(stored.design, stored.savedAt, Design, async (document) => {
      this.library.hold(document);
      await painted();
      const judged = this.judged(document, roomStore.state.document, catalogue);
      await this.library.saveDesign(document, judged && judgedSummary(judged, this.preferences.units()));
    });
    this.open$.next({ design, room: roomStore, catalogue });
    await this.lockFor(id, false);
    if (turn !== this.turn) return null;
    if (this.lock) void this.library.keepSnapshot(stored.design, 'opened');
    return true;
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
  private judged(design: Design, room: Room, catalogue: Catalogue): Assessment | null {
    const { shown } = this;
    if (shown?.world.design === design && shown.world.room === room) return shown;
    return this.attempted(() => this.judge({ design, room, catalogue: withOwn(catalogue, room.own) }, new Map(this.cache)));
  }

  /** Lets go of the tank, and of its lock once everything is written. */
  close(): Promise<void> {
    this.turn += 1;
    this.preview$.next(null);
    const { current, lock } = this;
    this.lock = null;
    this.open$.next(null);
    this.closing = Promise.all([this.closing, current?.design.settled(), current?.room.settled()]).then(() => lock?.release());
    return this.closing;
  }

  /** Takes the write lock from the tab that has it; that tab becomes read-only. */
  async takeOver(): Promise<void> {
    const design = this.current?.design;
    if (!design) return;
    await this.lockFor(design.state.document.id, true);
    const stored = await this.library.design(design.state.document.id);
    if (stored) design.replace(stored.design, stored.savedAt);
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
      if (turn === this.turn) this.current?.design.setReadOnly(true);
    });
    // closed meanwhile: nobody else would ever let go of it
    if (turn !== this.turn) return lock?.release();
    this.lock = lock;
    this.current?.design.setReadOnly(lock === null);
  }

  /** Another tab has written: a design we only look at, or the room, which every tab may write. */
  private async reload(id: string): Promise<void> {
    const { design, room } = this.current ?? {};
    if (design?.state.document.id === id && design.state.save.kind === 'read-only') {
      const stored = await this.library.design(id);
      if (stored) design.replace(stored.design, stored.savedAt);
    }
    if (room?.state.document.id === id && room.state.save.kind === 'saved') {
      const stored = await this.library.room(id);
      if (stored) room.replace(stored, null);
    }
  }
}

/** The documents as a preview would make them; a patch that is refused is left out. */
function previewed(design: Design, room: Room, preview: Preview | null): { design: Design; room: Room } {
  const shown = preview?.design ? applyEdit(design, preview.design, Design) : null;
  const around = preview?.room ? applyEdit(room, preview.room, Room) : null;
  return { design: shown?.ok ? shown.document : design, room: around?.ok ? around.document : room };
}

/** Most findings whose remedies are tried out; a crowded tank has hundreds, and the worst come first. */
const MOST_HELPED = 60;
const SLICE_MS = 6;

/** Tries out the remedies of one finding after another; the last thing it yields is all of them. */
function* helpsOf(assessment: Assessment): Generator<Helps | null> {
  const helps = new Map<string, Help>();
  const wanting = assessment.findings.filter(({ severity }) => severity !== 'fits');
  const pressing = wanting.filter(({ severity }) => severity !== 'unknown').slice(0, MOST_HELPED);
  for (const finding of [...pressing, ...wanting.filter(({ severity }) => severity === 'unknown').slice(0, MOST_HELPED)]) {
    helps.set(finding.key, helpFor(assessment, finding));
    yield null;
  }
  yield helps;
}

/** Runs a generator in slices between frames, so that the hand is never held up; dropped when a newer one comes. */
function inSlices<T>(steps: Generator<T | null>): Observable<T> {
  return new Observable((subscriber) => {
    let timer: ReturnType<typeof setTimeout>;
    const slice = () => {
      const until = performance.now() + SLICE_MS;
      while (performance.now() < until) {
        const { value, done } = steps.next() as IteratorResult<T | null, undefined>;
        if (done) return subscriber.complete();
        if (value !== null && value !== undefined) subscriber.next(value);
      }
      timer = setTimeout(slice, 0);
    };
    timer = setTimeout(slice, 30);
    return () => clearTimeout(timer);
  });
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
