import { Injectable, inject } from '@angular/core';
import type { Operation } from 'rfc6902';
import {
  BehaviorSubject,
  Observable,
  asyncScheduler,
  combineLatest,
  distinctUntilChanged,
  filter,
  map,
  of,
  shareReplay,
  subscribeOn,
  switchMap,
} from 'rxjs';
import { assess, worst, type Assessment } from '../../core/assessment/assess';
import type { DeriveCache } from '../../core/assessment/derive';
import { helpFor, type Help } from '../../core/assessment/remedies/offer';
import type { Remedy } from '../../core/assessment/remedies/remedy';
import type { Catalogue } from '../../core/catalogue/catalogue';
import { Design } from '../../core/design/design';
import { Room } from '../../core/design/room';
import { DocumentStore, type DocumentState } from './document-store';
import { Library } from './library';
import { acquireWriteLock, type WriteLock } from './write-lock';

export interface OpenTank {
  design: DocumentStore<Design>;
  room: DocumentStore<Room>;
  catalogue: Catalogue;
}

/** Helps of the findings on show, by finding key. */
export type Helps = ReadonlyMap<string, Help>;

/** The tank on the bench: its design and room, the judgement of both, and who may write. */
@Injectable({ providedIn: 'root' })
export class TankStore {
  private readonly library = inject(Library);
  private readonly open$ = new BehaviorSubject<OpenTank | null>(null);
  private readonly channel = new BroadcastChannel('terroir:saved');
  private lock: WriteLock | null = null;
  private cache: DeriveCache = new Map();

  private readonly tank$ = this.open$.pipe(filter((open) => open !== null));
  readonly designState$: Observable<DocumentState<Design>> = this.tank$.pipe(switchMap(({ design }) => design.state$));
  readonly roomState$: Observable<DocumentState<Room>> = this.tank$.pipe(switchMap(({ room }) => room.state$));
  readonly catalogue$ = this.tank$.pipe(map(({ catalogue }) => catalogue));

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
      ]).pipe(map(([d, r]) => assess({ design: d, room: r, catalogue }, this.cache))),
    ),
    shareReplay(1),
  );

  /** Remedies are tried out after the verdict is on the screen, and dropped when a newer verdict comes. */
  readonly helps$: Observable<Helps> = this.assessment$.pipe(
    switchMap((assessment) => of(assessment).pipe(subscribeOn(asyncScheduler, 30), map(allHelps))),
    shareReplay(1),
  );

  constructor() {
    this.channel.onmessage = ({ data }: MessageEvent<unknown>) => void this.reloadIfReadOnly(String(data));
  }

  get current(): OpenTank | null {
    return this.open$.value;
  }

  /** @returns false when there is no such design. @throws Error when it cannot be read by this version */
  async open(id: string): Promise<boolean> {
    this.close();
    const catalogue = await this.library.catalogue();
    const stored = await this.library.design(id);
    const room = stored && (await this.library.room(stored.design.roomId));
    if (!stored || !room) return false;
    this.cache = new Map();
    const roomStore = new DocumentStore<Room>(room, null, Room, (document) => this.library.saveRoom(document));
    const design = new DocumentStore<Design>(stored.design, stored.savedAt, Design, async (document) => {
      const { findings } = assess({ design: document, room: roomStore.state.document, catalogue });
      await this.library.saveDesign(document, worst(findings, document.accepted));
      this.channel.postMessage(document.id);
    });
    this.open$.next({ design, room: roomStore, catalogue });
    await this.lockFor(id, false);
    return true;
  }

  close(): void {
    this.lock?.release();
    this.lock = null;
    this.open$.next(null);
  }

  /** Takes the write lock from the tab that has it; that tab becomes read-only. */
  async takeOver(): Promise<void> {
    const design = this.current?.design;
    if (!design) return;
    await this.lockFor(design.state.document.id, true);
    const stored = await this.library.design(design.state.document.id);
    if (stored) design.replace(stored.design, stored.savedAt);
  }

  edit(label: string, patch: readonly Operation[]): boolean {
    return this.current?.design.edit(label, patch) ?? false;
  }

  editRoom(label: string, patch: readonly Operation[]): boolean {
    return this.current?.room.edit(label, patch) ?? false;
  }

  applyRemedy(label: string, remedy: Remedy): boolean {
    return this.edit(label, remedy.patch);
  }

  private async lockFor(id: string, steal: boolean): Promise<void> {
    this.lock?.release();
    this.lock = await acquireWriteLock(id, steal, () => this.current?.design.setReadOnly(true));
    this.current?.design.setReadOnly(this.lock === null);
  }

  private async reloadIfReadOnly(id: string): Promise<void> {
    const design = this.current?.design;
    if (design?.state.document.id !== id || design.state.save.kind !== 'read-only') return;
    const stored = await this.library.design(id);
    if (stored) design.replace(stored.design, stored.savedAt);
  }
}

function allHelps(assessment: Assessment): Helps {
  return new Map(
    assessment.findings.filter(({ severity }) => severity !== 'fits').map((finding) => [finding.key, helpFor(assessment, finding)]),
  );
}
