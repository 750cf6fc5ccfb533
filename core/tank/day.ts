import { CO2_MASS } from './terms/gas-exchange';
import { balanceOf } from './balance';
import { corner } from './doubt';
import { Integrator } from './integrate';
import { meterOffset } from './at-rest';
import type { Now } from './now';
import { QUICK, run, startState, toleranceOf } from './run';
import { lampsOnHourOf, type TankScenario } from './scenario';
import { settle } from './settle';
import { STATE, STATE_SIZE, type State } from './state';

/** What a day is followed by. */
export const DAY_SERIES = ['temperatureC', 'ph', 'co2MgPerL', 'oxygenMgPerL', 'saturationMgPerL', 'ammoniaMgNPerL'] as const;
export type DaySeries = (typeof DAY_SERIES)[number];

/** Quarters of an hour, from midnight to midnight. */
export const QUARTERS = 96;

/** One day, quarter by quarter of an hour: as it is taken to go, and between what corners. */
export type DayCourse = Readonly<Record<DaySeries, { usual: Float64Array; low: Float64Array; high: Float64Array }>>;

type Course = Record<DaySeries, Float64Array>;

const DAYS_BEFORE = 2;

/** The states of one day once it repeats itself; begins where the tank settles. */
function course(scenario: TankScenario): Course {
  const daily: TankScenario = { ...scenario, change: null, doses: [], topUpDays: 0 };
  // what a year of changes comes to stands; the swing of a day is found in a few days
  const settled = settle(scenario).state;
  const y: State = Float64Array.from(settled);
  if (!('heldC' in scenario.heat)) y[STATE.heat] = startState(scenario)[STATE.heat]! * (y[STATE.water]! / scenario.litres);
  run(daily, DAYS_BEFORE, {}, QUICK, y);
  const { rates, look } = balanceOf(daily);
  const tolerance = toleranceOf(daily, QUICK);
  const integrator = new Integrator(STATE_SIZE);
  const on = lampsOnHourOf(daily);
  const told = Object.fromEntries(DAY_SERIES.map((name) => [name, new Float64Array(QUARTERS)])) as Course;
  const start = DAYS_BEFORE + on / 24;
  // switch times that fall within a quarter part it in two
  const stops = [...new Set([0, ...Array.from({ length: QUARTERS }, (_, q) => q / 4), daily.lampHours])]
    .filter((h) => h < 24)
    .sort((a, b) => a - b);
  stops.push(24);
  for (let i = 0; i + 1 < stops.length; i++) {
    const [from, to] = [stops[i]!, stops[i + 1]!];
    const light = from < daily.lampHours ? 1 : 0;
    const at = start + from / 24;
    if (Number.isInteger(from * 4)) {
      const hour = (((on + from) % 24) + 24) % 24;
      write(told, Math.round(hour * 4) % QUARTERS, look(at, light, y), daily);
    }
    integrator.run((day, state, out) => rates(day, light, state, out), y, at, start + to / 24, tolerance);
  }
  return told;
}

function write(into: Course, q: number, now: Now, scenario: TankScenario): void {
  into.temperatureC[q] = now.temperatureC;
  into.ph[q] = now.ph + meterOffset(scenario);
  into.co2MgPerL[q] = now.co2MmolPerL * CO2_MASS;
  into.oxygenMgPerL[q] = now.oxygenMgPerL;
  into.saturationMgPerL[q] = now.oxygenSaturationMgPerL;
  into.ammoniaMgNPerL[q] = now.ammoniaMgNPerL;
}

/**
 * A day and a night of a settled tank, from midnight, by the same balance as everything else; its corners are all doubts towards acid and
 * all away from it. Room and lamps repeat themselves from day to day.
 */
export function dayOf(scenario: TankScenario): DayCourse {
  const all = [course(scenario), course(corner(scenario, 1)), course(corner(scenario, -1))];
  const [usual] = all as [Course, Course, Course];
  return Object.fromEntries(
    DAY_SERIES.map((name) => {
      const ends = (of: (...values: number[]) => number) => usual[name].map((_, q) => of(...all.map((one) => one[name][q]!)));
      return [name, { usual: usual[name], low: ends(Math.min), high: ends(Math.max) }];
    }),
  ) as unknown as DayCourse;
}

/** When a series is lowest, hours from midnight, and how low. */
export function lowestOf(series: Float64Array): { hour: number; value: number } {
  const q = series.reduce((best, value, i) => (value < series[best]! ? i : best), 0);
  return { hour: q / 4, value: series[q]! };
}

/** The swing of a series within the day. */
export const swingOf = (series: Float64Array): number => Math.max(...series) - Math.min(...series);
