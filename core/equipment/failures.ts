import type { OpenSpan, Span } from '../quantity/range';
import type { HeatBody } from './heat-loss';
import { hoursOf, hoursPerLitreToEdge } from './hours-to-edge';
import { settlingC } from './settling-temperature';
import type { MonthBalance, Thermostats } from './year-temperature';

export type FailureKind = 'heater-off' | 'heater-stuck' | 'cooler-off' | 'power-cut';

/** How long until an edge is reached. */
export interface Reach {
  edgeC: number;
  /** Null when it settles before. */
  hours: number | null;
  /** Hours with the loss 30 % more and 25 % less, quickest first; a null end is never reached. */
  band: OpenSpan;
}

/** One thing that fails, in the month in which that is worst. */
export interface Failure {
  kind: FailureKind;
  /** 0 is January. */
  month: number;
  airC: number;
  fromC: number;
  /** Where it ends if nobody comes; null outside 0 to 45 °C. */
  settlesC: number | null;
  side: 'low' | 'high';
  /** Power of the heater, W, and times what the coldest month takes; null where there is no heater, or its power is not stated. */
  heater: { powerW: number; overrated: number } | null;
  comfort: Reach | null;
  survival: Reach | null;
}

const LOSS_BAND: Span = [0.75, 1.3];

/**
 * What happens when a heater or cooler fails, or the power goes: each in its worst month. Its hours are those of each litre: the water
 * that takes part changes with every stone that is moved, the way there does not.
 */
export function failuresPerLitre(
  months: readonly MonthBalance[],
  body: HeatBody,
  devices: Thermostats,
  window: { optimum: OpenSpan; tolerance: OpenSpan },
): Failure[] {
  const month = (pick: (balance: MonthBalance) => number) =>
    months.reduce((best, balance, i) => (pick(balance) > pick(months[best]!) ? i : best), 0);
  const coldest = month(({ roomC }) => -roomC[0]);
  const warmest = month(({ roomC }) => roomC[1]);
  const { heaterC, heaterW, coolerC, gearW } = devices;
  // one of several fails at a time: the others go on, or off, by their own thermostats
  const oneW = devices.strongestW === undefined ? heaterW : devices.strongestW;
  const othersW = heaterW === null || oneW === null ? 0 : heaterW - oneW;
  const needW = Math.max(...months.map((balance) => balance.heaterW[0]));
  const heater = heaterC === null || oneW === null || needW <= 0 ? null : { powerW: oneW, overrated: oneW / needW };
  const fails = (kind: FailureKind, at: number, powerW: number): Failure => {
    const side = at === coldest && kind !== 'heater-stuck' && kind !== 'cooler-off' ? 'low' : 'high';
    const index = side === 'low' ? 0 : 1;
    const { roomC, tankC } = months[at]!;
    const [airC, fromC] = [roomC[index], tankC[index]];
    const reach = (edgeC: number | null): Reach | null => {
      if (edgeC === null) return null;
      // what is past the edge already is said by its season, not by what fails
      if (side === 'low' ? fromC <= edgeC : fromC >= edgeC) return null;
      const to = (factor: number) => hoursPerLitreToEdge(body, airC, powerW, fromC, edgeC, factor);
      const ends = LOSS_BAND.map(to).sort((a, b) => (a ?? Infinity) - (b ?? Infinity)) as [number | null, number | null];
      return { edgeC, hours: to(1), band: ends };
    };
    return {
      kind,
      month: at,
      airC,
      fromC,
      settlesC: heldByOthers(settlingC(body, airC, powerW), kind, fromC),
      side,
      heater,
      comfort: reach(window.optimum[index]),
      survival: reach(window.tolerance[index]),
    };
  };
  const list: Failure[] = [];
  if (heaterC !== null) list.push(fails('heater-off', coldest, gearW + othersW));
  if (heaterC !== null && oneW !== null && !devices.guardedByController) list.push(fails('heater-stuck', warmest, gearW + oneW));
  if (coolerC !== null) list.push(fails('cooler-off', warmest, gearW));
  // nothing held the water, so nothing is lost with the power
  if (heaterC !== null || gearW > 0) list.push(fails('power-cut', coldest, 0));
  return list;
}

/** Where the heaters that are left could warm it further, they stop at what they are set to. */
const heldByOthers = (settlesC: number | null, kind: FailureKind, fromC: number): number | null =>
  kind === 'heater-off' && settlesC !== null ? Math.min(settlesC, fromC) : settlesC;

/** The same for the litres of the whole system. */
export function failures(perLitre: readonly Failure[], litres: number): Failure[] {
  const whole = (reach: Reach | null): Reach | null =>
    reach && {
      edgeC: reach.edgeC,
      hours: hoursOf(reach.hours, litres),
      band: [hoursOf(reach.band[0], litres), hoursOf(reach.band[1], litres)],
    };
  return perLitre.map((failure) => ({ ...failure, comfort: whole(failure.comfort), survival: whole(failure.survival) }));
}
