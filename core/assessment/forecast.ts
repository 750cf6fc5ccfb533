import { conductivityNear } from '../chemistry/conductivity';
import type { IonsMmolPerL } from '../chemistry/ions';
import type { MixedWater } from '../water/mixed-water';
import { forecast, type Forecast } from '../tank/forecast';
import { FRESH_SALINITY_MAX } from '../tank/scenario';
import { conductivityAt25Of } from '../water/source-water';
import { derive, type Derived, type World } from './derive';
import { FRAME } from './frame';
import { thermostats } from './derive/heat';
import type { Ahead } from './derive/node';
import { throughTheYear } from './derive/scenario';
import { begunAsMeasured } from './measured';

export const FORECAST_DAYS = 84;
export const FORECAST_SAMPLES = 200;

export interface ForecastRequest {
  /** Month it begins in, 0 January. */
  month: number;
  days: number;
  samples: number;
  seed: number;
}

/** What a forecast rests on, through the room's year; null while there is no vessel or no known water. */
export function forecastBasis(world: World, derived: Derived, month: number): Ahead | null {
  const ahead = derived['tank.ahead'].value;
  if (!ahead) return null;
  const { scenario } = begunAsMeasured(ahead.scenario, { world, derived });
  return throughTheYear({ ...ahead, scenario }, world, derived, month, thermostats(world.design));
}

/** The look ahead at a design in its room; yields what is known so far. Nothing where there is nothing to look at. */
export function* forecastOf(
  world: World,
  { month, ...options }: ForecastRequest,
  derived: Derived = derive(world, FRAME.graph),
): Generator<Forecast | number, void> {
  const basis = forecastBasis(world, derived, month);
  const mixed = derived['water.mixed'].value;
  if (!basis || !mixed) return;
  yield* forecast(basis.scenario, { ...options, conductivity: meterFor(mixed) });
}

/** What a meter reads of the tank's ions: as modelled, set right by what its water was read at as it was mixed. */
export function meterFor(mixed: MixedWater): (ions: IonsMmolPerL, salinity: number) => number {
  const modelled = conductivityAt25Of(mixed.ions, mixed.salinity);
  const misses = mixed.ec25UsPerCm === null || modelled <= 0 ? 1 : mixed.ec25UsPerCm / modelled;
  const near = conductivityNear(mixed.ions, modelled);
  return (mixed.salinity ?? 0) > FRESH_SALINITY_MAX
    ? (ions: IonsMmolPerL, salinity: number) => conductivityAt25Of(ions, salinity) * misses
    : (ions: IonsMmolPerL) => near(ions) * misses;
}
