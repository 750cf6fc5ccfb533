import { Injectable, type OnDestroy } from '@angular/core';
import { Observable, defer, from, switchMap } from 'rxjs';
import { FORECAST_DAYS, FORECAST_SAMPLES } from '../../core/assessment/forecast';
import type { Catalogue } from '../../core/catalogue/catalogue';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import type { Forecast } from '../../core/tank/forecast';
import { catalogueOf } from './shipped-catalogue';
import { idsToJudge } from './used-ids';
import type { ForecastAsk, ForecastTold } from '../workers/forecast-messages';

/** A look ahead on its way. */
export interface ForecastState {
  forecast: Forecast | null;
  /** Cases followed so far. */
  samples: number;
  state: 'running' | 'done' | 'nothing' | 'failed';
  reason: string | null;
}

/** Seed of the bands: the same plan has the same bands. */
const SEED = 20;

/** Looks ahead in a worker. One look at a time: a newer one takes the place of it, and whoever stops listening calls it off. */
@Injectable({ providedIn: 'root' })
export class ForecastFeed implements OnDestroy {
  private worker: Promise<Worker> | null = null;
  private turn = 0;

  /** @param month it begins in, 0 January */
  ahead(design: Design, room: Room, month: number): Observable<ForecastState> {
    return defer(() => from(Promise.all([this.started(), catalogueOf(idsToJudge(design, room))]))).pipe(
      switchMap(([worker, catalogue]) => this.aheadOf(worker, design, room, catalogue, month)),
    );
  }

  private started(): Promise<Worker> {
    this.worker ??= import('../workers/forecast-worker').then(({ url }) => new Worker(url, { type: 'module' }));
    this.worker.catch(() => (this.worker = null));
    return this.worker;
  }

  private aheadOf(worker: Worker, design: Design, room: Room, catalogue: Catalogue, month: number): Observable<ForecastState> {
    return new Observable((subscriber) => {
      const turn = ++this.turn;
      let now: ForecastState = { forecast: null, samples: 0, state: 'running', reason: null };
      const on = ({ data }: MessageEvent<ForecastTold>) => {
        if (data.turn !== turn) return;
        if (data.kind === 'so-far')
          now = { forecast: data.forecast, samples: data.forecast.samples, state: data.done ? 'done' : 'running', reason: null };
        else if (data.kind === 'count') now = { ...now, samples: data.samples };
        else if (data.kind === 'failed') now = { ...now, state: 'failed', reason: data.reason };
        else now = { ...now, state: 'nothing' };
        subscriber.next(now);
      };
      const broken = () => {
        worker.terminate();
        this.worker = null;
        subscriber.next({ ...now, state: 'failed', reason: 'the browser could not run it' });
      };
      worker.addEventListener('message', on);
      worker.addEventListener('error', broken);
      subscriber.next(now);
      const ask: ForecastAsk = {
        turn,
        ask: { design, room, catalogue, request: { month, days: FORECAST_DAYS, samples: FORECAST_SAMPLES, seed: SEED } },
      };
      worker.postMessage(ask);
      return () => {
        worker.removeEventListener('message', on);
        worker.removeEventListener('error', broken);
        if (now.state === 'running') worker.postMessage({ turn: ++this.turn, ask: null } satisfies ForecastAsk);
      };
    });
  }

  ngOnDestroy(): void {
    void this.worker?.then((worker) => worker.terminate());
  }
}
