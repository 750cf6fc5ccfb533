import { Injectable, type OnDestroy } from '@angular/core';
import { Observable } from 'rxjs';
import { FORECAST_DAYS, FORECAST_SAMPLES } from '../../core/assessment/forecast';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import type { Forecast } from '../../core/tank/forecast';
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
  private worker: Worker | null = null;
  private turn = 0;

  /** @param month it begins in, 0 January */
  ahead(design: Design, room: Room, month: number): Observable<ForecastState> {
    return new Observable((subscriber) => {
      const worker = (this.worker ??= new Worker(new URL('../workers/forecast.worker', import.meta.url), { type: 'module' }));
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
        this.worker?.terminate();
        this.worker = null;
        subscriber.next({ ...now, state: 'failed', reason: 'the browser could not run it' });
      };
      worker.addEventListener('message', on);
      worker.addEventListener('error', broken);
      subscriber.next(now);
      const ask: ForecastAsk = {
        turn,
        ask: { design, room, request: { month, days: FORECAST_DAYS, samples: FORECAST_SAMPLES, seed: SEED } },
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
    this.worker?.terminate();
  }
}
