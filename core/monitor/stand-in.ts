import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { conductivityOf } from '../chemistry/conductivity';
import { MONITORED, type Monitored } from '../reading/calibration';
import { ionsOf, meterOffset } from '../tank/at-rest';
import { QUICK, run } from '../tank/run';
import { STATE } from '../tank/state';
import type { Measured } from './message';
import { FOLLOWED_DAYS, type StandIn, type StandInFault } from './stand-in-model';

/** What the tank really is, hour by hour from when the lamps went on first. */
export type Course = Readonly<Record<Monitored, Float64Array>>;

/**
 * The tank as its balance has it, hour by hour, with what is planned of changes, topping up and doses.
 *
 * @throws TooStiff
 */
export function courseOf({ scenario, ecTimes, levelMm, litresPerMm }: StandIn): Course {
  const hours = FOLLOWED_DAYS * 24;
  const course = Object.fromEntries(MONITORED.map((parameter) => [parameter, new Float64Array(hours)])) as Record<Monitored, Float64Array>;
  run(
    scenario,
    FOLLOWED_DAYS,
    {
      hour: (hour, now, y) => {
        course.temperatureC[hour] = now.temperatureC;
        course.ph[hour] = now.ph + meterOffset(scenario);
        course.ec25UsPerCm[hour] = conductivityOf(ionsOf(y)) * ecTimes;
        course.levelMm[hour] = Math.max(0, levelMm - (scenario.litres - y[STATE.water]!) / litresPerMm);
      },
    },
    QUICK,
  );
  return course;
}

function trueAt(course: Course, parameter: Monitored, hours: number): number {
  const all = course[parameter];
  const at = Math.min(all.length - 1.001, Math.max(0, hours));
  const i = Math.floor(at);
  return all[i]! + (all[i + 1]! - all[i]!) * (at - i);
}

/** A probe as it comes out of its box: off by so much, steep by so much, dancing by so much. Invented. */
const MADE: Readonly<Record<Monitored, { plus: number; times: number; dances: number; driftsPerHour: number }>> = {
  temperatureC: { plus: 0.2, times: 1, dances: 0.02, driftsPerHour: 0.15 },
  ph: { plus: 0.5, times: 0.95, dances: 0.006, driftsPerHour: 0.05 },
  ec25UsPerCm: { plus: 0, times: 1.06, dances: 0.003, driftsPerHour: 0.02 },
  levelMm: { plus: 0, times: 1, dances: 0.25, driftsPerHour: 1 },
};
/** A heater that sticks, one that gives nothing, a leak: by the hour, up to so much. Invented. */
const WARMS_C_PER_HOUR = 0.8;
const WARMS_MOST_C = 9;
const COOLS_C_PER_HOUR = 0.5;
const COOLS_MOST_C = 4;
const LEAKS_MM_PER_HOUR = 12;
const NOISY_TIMES = 40;
const DROPS_SHARE = 0.4;

/** How the tank is off what it should be, with what is wrong in it. */
function pushed(parameter: Monitored, hoursOf: (kind: StandInFault['kind']) => number): number {
  if (parameter === 'temperatureC')
    return (
      Math.min(WARMS_MOST_C, WARMS_C_PER_HOUR * hoursOf('heater-on')) - Math.min(COOLS_MOST_C, COOLS_C_PER_HOUR * hoursOf('heater-off'))
    );
  return parameter === 'levelMm' ? -LEAKS_MM_PER_HOUR * hoursOf('leak') : 0;
}

/**
 * What the monitor measures on a turn: the same again whenever it is asked, so that a listener who comes back is told what was measured
 * meanwhile. Null where the tank is no longer followed.
 */
export function measuredOn(tick: number, standIn: StandIn, course: Course): Measured | null {
  const atMs = standIn.begunMs + Math.round(tick * standIn.everyS * 1000);
  const hours = (atMs - standIn.begunMs) / 3600_000;
  if (hours < 0 || hours > FOLLOWED_DAYS * 24 - 1) return null;
  const generator = xoroshiro128plus((standIn.seed ^ Math.imul(tick + 1, 2654435761)) | 0);
  const values: Measured['values'] = {};
  for (const parameter of MONITORED) {
    // drawn for each, wanted or not: a fault of one probe does not make the others dance otherwise
    const dance = Math.sqrt(-2 * Math.log(1 - uniformFloat64(generator))) * Math.cos(2 * Math.PI * uniformFloat64(generator));
    const falls = uniformFloat64(generator);
    const wrong = (kind: StandInFault['kind']) =>
      standIn.faults.find(
        (fault) =>
          fault.kind === kind &&
          (!('parameter' in fault) || fault.parameter === parameter) &&
          atMs >= fault.sinceMs &&
          (fault.untilMs === null || atMs < fault.untilMs),
      );
    const hoursOf = (kind: StandInFault['kind'], until = atMs) => {
      const fault = wrong(kind);
      return fault ? Math.max(0, until - fault.sinceMs) / 3600_000 : 0;
    };
    if (wrong('dead') || (wrong('drops-out') && falls < DROPS_SHARE)) continue;
    const stuck = wrong('stuck');
    const seenMs = stuck ? stuck.sinceMs : atMs;
    const bath = standIn.bath?.parameter === parameter ? standIn.bath.is : null;
    const truth =
      bath ?? trueAt(course, parameter, (seenMs - standIn.begunMs) / 3600_000) + pushed(parameter, (kind) => hoursOf(kind, seenMs));
    const { plus, times, dances, driftsPerHour } = MADE[parameter];
    const scale = parameter === 'ec25UsPerCm' ? Math.max(1, truth) : 1;
    const dancing = stuck ? 0 : dance * dances * (wrong('noisy') ? NOISY_TIMES : 1) * scale;
    const drifted = driftsPerHour * hoursOf('drifts') * scale;
    const read = truth * times + plus + dancing + drifted;
    values[parameter] = Number(Math.max(0, read).toFixed(parameter === 'ec25UsPerCm' || parameter === 'levelMm' ? 1 : 3));
  }
  return { tick, at: atMs, values };
}

/** The turn that was measured last by an instant. */
export const tickAt = ({ begunMs, everyS }: Pick<StandIn, 'begunMs' | 'everyS'>, ms: number): number =>
  Math.floor((ms - begunMs) / (everyS * 1000) + 1e-6);
