import { Injectable, inject, type OnDestroy } from '@angular/core';
import {
  BehaviorSubject,
  Subject,
  defer,
  fromEvent,
  interval,
  merge,
  race,
  retry,
  takeUntil,
  throwError,
  timer,
  type Subscription,
} from 'rxjs';
import * as z from 'zod';
import { CarePlan, type MonitorPlan } from '../../core/care/model';
import type { NewEntry } from '../../core/log/model';
import { StandIn } from '../../core/monitor/stand-in-model';
import { NOTHING_HEARD, acknowledged, closed, greeted, heard, waited, type ToWrite, type Watch } from '../../core/monitor/watch';
import { clock } from '../ui/day-text';
import { MONITOR_LINK, Refused, type MonitorWord } from './monitor-link';
import { MONITORS_KEY } from './monitor-key';
import { TankLogs, hasTank } from './tank-logs';

/** A tank whose monitor is listened to. */
export interface Followed {
  designId: string;
  name: string;
  plan: MonitorPlan;
  standIn: StandIn;
  watch: Watch;
  link: 'joining' | 'joined' | 'lost' | 'refused';
  /** Since when it is so. */
  sinceMs: number;
  /** When it is tried again; null while it is not waited for. */
  againMs: number | null;
  /** Why it was lost or refused, or why something was not written. */
  reason: string | null;
  /** This window writes what is heard into the log: one does. */
  writes: boolean;
}

/** What outlives a reload: whom to listen to, and where the log stands. */
const Kept = z.array(
  z.object({
    designId: z.string().min(1).max(80),
    name: z.string().max(200),
    plan: CarePlan.shape.monitor.unwrap(),
    standIn: StandIn,
    /** Life of the monitor and the last turn that is in the log. */
    after: z.string().max(200).nullable(),
  }),
);
const TICK_MS = 1000;
const AGAIN_MS = [1000, 2000, 4000, 8000, 15_000, 30_000];

interface Follower {
  after: string | null;
  left$: Subject<void>;
}

/** Listens to the monitors of any number of tanks, whichever page is open; survives that they are lost and come back. */
@Injectable({ providedIn: 'root' })
export class Monitors implements OnDestroy {
  private readonly link = inject(MONITOR_LINK);
  private readonly logs = inject(TankLogs);
  readonly all$ = new BehaviorSubject<ReadonlyMap<string, Followed>>(new Map());
  private readonly followers = new Map<string, Follower>();
  private readonly tick: Subscription;

  constructor() {
    for (const { designId, name, plan, standIn, after } of kept()) this.begin(designId, name, standIn, plan, after);
    this.tick = interval(TICK_MS).subscribe(() => {
      for (const [id, { watch, plan, sinceMs }] of this.all$.value) {
        const next = waited(watch, plan, Date.now(), sinceMs);
        if (next !== watch) this.put(id, { watch: next });
      }
    });
  }

  ngOnDestroy(): void {
    this.tick.unsubscribe();
    for (const { left$ } of this.followers.values()) left$.next();
    this.followers.clear();
    this.all$.complete();
  }

  /** Begins to listen, or begins anew. */
  follow(designId: string, name: string, standIn: StandIn, plan: MonitorPlan): void {
    this.drop(designId);
    this.begin(designId, name, standIn, plan, null);
    this.keep();
  }

  /** Listens no more; what is still open is written down. */
  async leave(designId: string): Promise<void> {
    const followed = this.all$.value.get(designId);
    if (!followed) return;
    const { write } = closed(followed.watch);
    this.drop(designId);
    this.keep();
    if (followed.writes) await this.write(followed, write);
  }

  /** Watches for other limits, writes at another interval, or sets the probes right another way. */
  plan(designId: string, plan: MonitorPlan): void {
    const followed = this.all$.value.get(designId);
    if (!followed || JSON.stringify(followed.plan) === JSON.stringify(plan)) return;
    this.put(designId, { plan });
    this.keep();
  }

  /** Breaks or mends something of the stand-in. */
  async change(designId: string, some: Partial<Pick<StandIn, 'faults' | 'bath'>>): Promise<void> {
    const followed = this.all$.value.get(designId);
    if (!followed) return;
    const standIn = { ...followed.standIn, ...some };
    this.put(designId, { standIn });
    this.keep();
    try {
      await this.link.setUp(designId, standIn);
    } catch (error) {
      // a line that is lost sets it up when it is back
      if (error instanceof Refused) this.put(designId, { reason: error.message });
    }
  }

  /** Someone has seen to the alarms of a tank. */
  hear(designId: string): void {
    const followed = this.all$.value.get(designId);
    if (followed) this.put(designId, { watch: acknowledged(followed.watch) });
  }

  private begin(designId: string, name: string, standIn: StandIn, plan: MonitorPlan, after: string | null): void {
    const left$ = new Subject<void>();
    const start: Followed = {
      designId,
      name,
      plan,
      standIn,
      watch: NOTHING_HEARD,
      link: 'joining',
      sinceMs: Date.now(),
      againMs: null,
      reason: null,
      writes: false,
    };
    this.all$.next(new Map(this.all$.value).set(designId, start));
    // before it is asked: where it goes on is read from it
    this.followers.set(designId, { after, left$ });
    defer(() => this.link.listenTo(designId, this.all$.value.get(designId)!.standIn, this.resumeAt(designId)))
      .pipe(
        retry({
          delay: (error: unknown, count) => {
            if (error instanceof Refused) return throwError(() => error);
            const waits = AGAIN_MS[Math.min(count, AGAIN_MS.length) - 1]!;
            this.lost(designId, error, waits);
            // back on the net, or back in sight: at once
            return race(timer(waits), merge(fromEvent(window, 'online'), fromEvent(document, 'visibilitychange')));
          },
          resetOnSuccess: true,
        }),
        takeUntil(left$),
      )
      .subscribe({
        next: (word) => this.take(designId, word),
        error: (error: unknown) =>
          this.put(designId, {
            link: 'refused',
            sinceMs: Date.now(),
            againMs: null,
            reason: error instanceof Error ? error.message : String(error),
          }),
      });
    // of several windows one writes; when it is closed, the next
    void navigator.locks.request(`${MONITORS_KEY}:${designId}`, () => {
      if (this.followers.get(designId)?.left$ !== left$) return undefined;
      this.put(designId, { writes: true });
      return new Promise<void>((done) => left$.subscribe(() => done()));
    });
  }

  /** Where it goes on: after what was heard last, or, at first, after what is in the log. */
  private resumeAt(designId: string): string | null {
    const { hello, last } = this.all$.value.get(designId)!.watch;
    return hello && last ? `${hello.boot}:${last.tick}` : (this.followers.get(designId)?.after ?? null);
  }

  private lost(designId: string, error: unknown, waitsMs: number): void {
    const before = this.all$.value.get(designId);
    if (!before) return;
    this.put(designId, {
      link: 'lost',
      sinceMs: before.link === 'lost' ? before.sinceMs : Date.now(),
      againMs: Date.now() + waitsMs,
      reason: error instanceof Error ? error.message : String(error),
    });
  }

  private take(designId: string, word: MonitorWord): void {
    const followed = this.all$.value.get(designId);
    if (!followed) return;
    if (word.kind === 'hello') {
      this.put(designId, { watch: greeted(followed.watch, word.hello), link: 'joined', sinceMs: Date.now(), againMs: null, reason: null });
      return;
    }
    const { watch, write } = heard(followed.watch, word.turns, followed.plan);
    this.put(designId, { watch });
    if (followed.writes) void this.write(followed, write);
  }

  /** Into the log of its tank, and then where the log stands into what outlives a reload. */
  private async write({ designId, watch }: Followed, { records, gaps }: ToWrite): Promise<void> {
    if (records.length + gaps.length === 0) return;
    if (!(await hasTank(designId).catch(() => true))) {
      this.drop(designId);
      this.keep();
      return;
    }
    const simulated = watch.hello?.simulated ?? true;
    for (const { fromMs, toMs } of gaps) {
      const [from, to] = [clock(new Date(fromMs)), clock(new Date(toMs))];
      const note = `The monitor was silent from ${from} to ${to}: nothing is known of that time.${simulated ? ' SIMULATED' : ''}`;
      await this.note(designId, { kind: 'note', note }, toMs);
    }
    for (const { tick, atMs, values } of records) {
      const reading = { kind: 'reading', of: '', from: 'probe', simulated, kit: 'meter', kitId: null, values } as const;
      const follower = (await this.note(designId, reading, atMs)) ? this.followers.get(designId) : undefined;
      if (!follower || !watch.hello) continue;
      follower.after = `${watch.hello.boot}:${tick}`;
      this.keep();
    }
  }

  private async note(designId: string, what: NewEntry, atMs: number): Promise<boolean> {
    const written = await this.logs.writeInto(designId, what, null, new Date(atMs));
    if (!written.ok) this.put(designId, { reason: written.reason });
    return written.ok;
  }

  private put(designId: string, some: Partial<Followed>): void {
    const before = this.all$.value.get(designId);
    if (before) this.all$.next(new Map(this.all$.value).set(designId, { ...before, ...some }));
  }

  private drop(designId: string): void {
    this.followers.get(designId)?.left$.next();
    this.followers.delete(designId);
    const rest = new Map(this.all$.value);
    rest.delete(designId);
    this.all$.next(rest);
  }

  private keep(): void {
    const all = [...this.all$.value.values()].map(({ designId, name, plan, standIn }) => ({
      designId,
      name,
      plan,
      standIn,
      after: this.followers.get(designId)?.after ?? null,
    }));
    try {
      if (all.length === 0) localStorage.removeItem(MONITORS_KEY);
      else localStorage.setItem(MONITORS_KEY, JSON.stringify(all));
    } catch {
      // it is listened to in this window alone
    }
  }
}

function kept(): z.infer<typeof Kept> {
  try {
    const read = Kept.safeParse(JSON.parse(localStorage.getItem(MONITORS_KEY) ?? '[]'));
    return read.success ? read.data : [];
  } catch {
    return [];
  }
}
