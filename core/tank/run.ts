import { balanceOf } from './balance';
import { Integrator, type Tolerance } from './integrate';
import { carbonOf, type Now } from './now';
import { emptyState, give, lampsOnHourOf, pour, type TankScenario } from './scenario';
import { DISSOLVED, STATE, STATE_SIZE, type State } from './state';
import { startTemperature } from './terms/heat';

/** Least amounts that count, per litre. */
const ABSOLUTE_PER_L: Readonly<Partial<Record<keyof typeof STATE, number>>> = {
  water: 1,
  heat: 4,
  soil: 10,
  binder: 0.1,
  boundNitrogen: 1,
};
const LEAST_PER_L = 0.01;

/** How closely a run is followed: a share of each amount. */
export const FINE = 1e-6;
export const QUICK = 3e-3;
const MOST_STEPS = 200000;

export function toleranceOf(scenario: TankScenario, relative: number): Tolerance {
  const absolute = emptyState();
  for (const name of Object.keys(STATE) as (keyof typeof STATE)[])
    absolute[STATE[name]] = relative * scenario.litres * (ABSOLUTE_PER_L[name] ?? LEAST_PER_L);
  return { relative, absolute, mostSteps: MOST_STEPS };
}

/** The tank as it begins: the start water, in balance with its CO2 and with the air. */
export function startState(scenario: TankScenario): State {
  const y = emptyState();
  const t = startTemperature(scenario);
  pour(y, scenario.start, scenario.litres, t, carbonOf(scenario, scenario.start, t), 0);
  y[STATE.oxygen] = balanceOf(scenario).look(0, 0, y).oxygenSaturationMgPerL * scenario.litres;
  y[STATE.soil] = scenario.soil?.capacityMeq ?? 0;
  y[STATE.binder] = scenario.media.binderMgP;
  return y;
}

/** Takes out a share of the water and pours as much new water in, warmed to the tank. */
export function change(scenario: TankScenario, y: State, fraction: number, temperatureC: number, carbonMmolPerL: number): void {
  const litres = y[STATE.water]! * fraction;
  for (const i of DISSOLVED) y[i]! *= 1 - fraction;
  y[STATE.water]! -= litres;
  pour(y, scenario.replacement, litres, temperatureC, carbonMmolPerL, 8);
}

/** Nothing happens within it, days. */
const INSTANT = 1e-9;

export interface Watcher {
  /** Just before the lamps go on, before anything is done by hand: oxygen and pH are lowest then. */
  dawn?: (day: number, now: Now, y: State) => void;
  /** Share of the water that was changed on a day, where that is known: it stands in place of the plan. */
  changed?: (day: number) => number;
  /** Just before the lamps go out. */
  dusk?: (day: number, now: Now, y: State) => void;
  /** At every full hour since the lamps went on first; at the first of a day, after what was done by hand. */
  hour?: (hour: number, now: Now, y: State) => void;
}

/**
 * Follows a tank over some days. A day runs from lamps on to lamps on; what is done by hand is done just as they go on.
 * @throws TooStiff
 */
export function run(scenario: TankScenario, days: number, watcher: Watcher = {}, relative = FINE, y = startState(scenario)): State {
  const { rates, look } = balanceOf(scenario);
  const tolerance = toleranceOf(scenario, relative);
  const integrator = new Integrator(STATE_SIZE);
  const lampsOn = lampsOnHourOf(scenario) / 24;
  const lamps = scenario.lampHours / 24;
  const carbonAt = carbonByTemperature(scenario, scenario.replacement);
  const toppedAt = carbonByTemperature(scenario, scenario.topUp);
  const due = (day: number, every: number): boolean => day > 0 && Math.floor(day / every + 1e-9) > Math.floor((day - 1) / every + 1e-9);
  const level = y[STATE.water]!;
  for (let day = 0; day <= days; day++) {
    watcher.dawn?.(day, look(day + lampsOn, 0, y), y);
    if (day === days) break;
    const t = Math.min(40, Math.max(0, look(day + lampsOn, 0, y).temperatureC));
    if (scenario.topUpDays > 0 && due(day, scenario.topUpDays)) topUp(scenario, y, level, t, toppedAt(t));
    const planned = scenario.change && due(day, scenario.change.everyDays) ? scenario.change.fraction : 0;
    const fraction = watcher.changed ? watcher.changed(day) : planned;
    if (fraction > 0) {
      change(scenario, y, fraction, t, carbonAt(t));
      topUp(scenario, y, level, t, toppedAt(t));
    }
    for (const dose of scenario.doses) if (due(day, dose.everyDays)) give(y, dose);
    const [on, off] = [day + lampsOn, day + lampsOn + lamps];
    const follow = (light: number, from: number, to: number): void => {
      const through = (until: number): void => {
        if (until > at) integrator.run((day, state, out) => rates(day, light, state, out), y, at, until, tolerance);
        at = until;
      };
      let at = from;
      for (let hour = 0; watcher.hour && hour < 24; hour++) {
        const stop = on + hour / 24;
        if (stop < from - INSTANT || stop >= to - INSTANT) continue;
        through(Math.max(from, stop));
        watcher.hour(day * 24 + hour, look(at, light, y), y);
      }
      through(to);
    };
    if (lamps > 0) follow(1, on, off);
    watcher.dusk?.(day, look(off, 1, y), y);
    if (lamps < 1) follow(0, off, on + 1);
  }
  return y;
}

function topUp(scenario: TankScenario, y: State, level: number, temperatureC: number, carbonMmolPerL: number): void {
  const lacks = level - y[STATE.water]!;
  if (lacks > 0) pour(y, scenario.topUp, lacks, temperatureC, carbonMmolPerL, 8);
}

/** Inorganic carbon of a water by half degrees, worked out once each. */
function carbonByTemperature(scenario: TankScenario, water: TankScenario['topUp']): (temperatureC: number) => number {
  const kept = new Map<number, number>();
  return (t) => {
    const key = Math.round(t * 2) / 2;
    let found = kept.get(key);
    if (found === undefined) kept.set(key, (found = carbonOf(scenario, water, key)));
    return found;
  };
}
