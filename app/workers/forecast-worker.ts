import { forecastOf } from '../../core/assessment/forecast';
import { withOwn } from '../../core/design/own-catalogue';
import type { ForecastAsk, ForecastTold } from './forecast-messages';

/** This part of the program, as a worker loads it: see judge-worker. */
export const url = import.meta.url;

/** Time between two looks at the letter box. */
const SLICE_MS = 25;
let latest = -1;

const tell = (message: ForecastTold): void => postMessage(message);
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function follow({ turn, ask }: ForecastAsk): Promise<void> {
  if (!ask) return;
  try {
    let until = performance.now() + SLICE_MS;
    let told = false;
    for (const step of forecastOf({ design: ask.design, room: ask.room, catalogue: withOwn(ask.catalogue, ask.room.own) }, ask.request)) {
      if (typeof step === 'number') tell({ turn, kind: 'count', samples: step });
      else {
        told = true;
        tell({ turn, kind: 'so-far', forecast: step, done: step.samples >= step.wanted });
      }
      if (performance.now() < until) continue;
      await pause();
      if (latest !== turn) return;
      until = performance.now() + SLICE_MS;
    }
    if (!told) tell({ turn, kind: 'nothing' });
  } catch (error) {
    tell({ turn, kind: 'failed', reason: error instanceof Error ? error.message : String(error) });
  }
}

if (typeof document === 'undefined')
  addEventListener('message', ({ data }: MessageEvent<ForecastAsk>) => {
    latest = data.turn;
    void follow(data);
  });
