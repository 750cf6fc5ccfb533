import { Injectable, type OnDestroy } from '@angular/core';
import { Observable, defer, from, switchMap } from 'rxjs';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import type { Line } from '../../core/log/timeline';
import { parcelOf } from '../workers/log-parcel';
import type { JudgeAsk, JudgeTold } from '../workers/judge-messages';
import { catalogueOf, wholeCatalogue } from './shipped-catalogue';
import { idsToJudge } from './used-ids';
import type { TaskName, Tasks } from '../workers/judge-tasks';

/** Has things worked out in a worker, away from the hand. Whoever stops listening calls the asking off. */
@Injectable({ providedIn: 'root' })
export class JudgeFeed implements OnDestroy {
  private worker: Promise<Worker> | null = null;
  private asked = 0;
  /** The worker that has the whole catalogue. */
  private given: Worker | null = null;
  /** The logs that a worker has, by tank. */
  private readonly handed = new WeakMap<Worker, Map<string, readonly Line[]>>();

  /**
   * Answers once, or fails with the reason.
   *
   * @param whole by the whole catalogue: for what looks for other animals than the tank names
   * @param share told how far a long task is
   */
  ask<K extends TaskName>(
    task: K,
    design: Design,
    room: Room,
    input: Tasks[K]['input'],
    { whole = true, share }: { whole?: boolean; share?: (share: number) => void } = {},
  ): Observable<Tasks[K]['output']> {
    const part = () => (whole ? wholeCatalogue() : catalogueOf(idsToJudge(design, room)));
    return defer(() => from(Promise.all([this.started(), part()]))).pipe(
      switchMap(([worker, catalogue]) => {
        if (whole && this.given !== worker) {
          worker.postMessage({ whole: catalogue } satisfies JudgeAsk);
          this.given = worker;
        }
        const given = this.handOver(worker, design.id, input);
        return this.askOf<Tasks[K]['output']>(worker, { task, design, room, input: given, catalogue: whole ? 'whole' : catalogue }, share);
      }),
    );
  }

  /** Sends what the worker has not got of a log, and leaves it out of the asking: copying 50,000 lines held the page for most of a second. */
  private handOver(worker: Worker, tank: string, input: unknown): unknown {
    if (input === null || typeof input !== 'object' || !('lines' in input)) return input;
    const lines = input.lines as readonly Line[];
    const logs = this.handed.get(worker) ?? new Map<string, readonly Line[]>();
    this.handed.set(worker, logs);
    const before = logs.get(tank) ?? [];
    if (before !== lines) worker.postMessage({ log: tank, parcel: parcelOf(before, lines) } satisfies JudgeAsk);
    logs.set(tank, lines);
    return { ...input, lines: [] };
  }

  private started(): Promise<Worker> {
    this.worker ??= import('../workers/judge-worker').then(({ url }) => new Worker(url, { type: 'module' }));
    this.worker.catch(() => (this.worker = null));
    return this.worker;
  }

  private askOf<T>(worker: Worker, ask: object, share?: (share: number) => void): Observable<T> {
    return new Observable((subscriber) => {
      const id = ++this.asked;
      let open = true;
      const on = ({ data }: MessageEvent<JudgeTold>) => {
        if (data.id !== id) return;
        if ('share' in data) return share?.(data.share);
        open = false;
        if ('reason' in data) return subscriber.error(new Error(data.reason));
        subscriber.next(data.answer as T);
        subscriber.complete();
      };
      const broken = () => {
        open = false;
        worker.terminate();
        this.worker = null;
        subscriber.error(new Error('the browser could not run it'));
      };
      worker.addEventListener('message', on);
      worker.addEventListener('error', broken);
      worker.postMessage({ ...ask, id } as JudgeAsk);
      return () => {
        worker.removeEventListener('message', on);
        worker.removeEventListener('error', broken);
        if (open) worker.postMessage({ id, task: null } satisfies JudgeAsk);
      };
    });
  }

  ngOnDestroy(): void {
    void this.worker?.then((worker) => worker.terminate());
  }
}
