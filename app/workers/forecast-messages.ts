import type { ForecastRequest } from '../../core/assessment/forecast';
import type { Catalogue } from '../../core/catalogue/catalogue';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import type { Forecast } from '../../core/tank/forecast';

/** Asks for a look ahead; a later one takes the place of it. Null calls it off. */
export interface ForecastAsk {
  turn: number;
  ask: { design: Design; room: Room; catalogue: Catalogue; request: ForecastRequest } | null;
}

export type ForecastTold =
  | { turn: number; kind: 'so-far'; forecast: Forecast; done: boolean }
  | { turn: number; kind: 'count'; samples: number }
  | { turn: number; kind: 'nothing' }
  | { turn: number; kind: 'failed'; reason: string };
