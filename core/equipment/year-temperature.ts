import type { Span } from '../quantity/range';
import { heatLoss, type HeatBody } from './heat-loss';
import { HEAT_CAPACITY_J_PER_LK } from './hours-to-edge';
import { settlingC } from './settling-temperature';

export interface SetPoints {
  heaterC: number | null;
  coolerC: number | null;
}

/** What warms and cools a tank. Watts; null power is not stated, and then taken to be enough. */
export interface Thermostats extends SetPoints {
  heaterW: number | null;
  /** The strongest of several heaters: the one whose failure counts. Left out for all in one. */
  strongestW?: number | null;
  /** Something else cuts the heaters off when the water is past their set-point. */
  guardedByController?: boolean;
  coolerW: number | null;
  /** Where a fan over the water switches on; null without one. */
  fanC: number | null;
  /** Pumps, filters and lamps, as far as it reaches the water. */
  gearW: number;
}

/** One month of a tank: through its usual day, and what it takes to hold it. */
export interface MonthBalance {
  roomC: Span;
  /** Lowest and highest of the day: the room's swing, damped by the water. */
  tankC: Span;
  /** Heater power wanted at the room's low, at the room's high. */
  heaterW: Span;
  coolerW: Span;
  evaporationLPerDay: Span;
}

/** The year of a tank that simply follows its room, for when nothing is known of the vessel: devices hold it at their set-points. */
export function yearTemperature(climateC: readonly Span[], { heaterC, coolerC }: SetPoints): Span[] {
  return climateC.map(([low, high]) => [hold(low, heaterC, coolerC), hold(high, heaterC, coolerC)]);
}

function hold(roomC: number, heaterC: number | null, coolerC: number | null): number {
  const warmed = heaterC === null ? roomC : Math.max(roomC, heaterC);
  return coolerC === null ? warmed : Math.min(warmed, coolerC);
}

const HOURS_A_DAY = 24;

/**
 * Share of the room's daily swing that reaches the water, 0 to 1: a stirred body with a time constant follows an even swing by
 * 1/√(1 + (ωτ)²). Litres, W/K.
 */
export function swingShare(litres: number, lossWPerK: number): number {
  if (lossWPerK <= 0) return 0;
  const timeConstantH = (litres * HEAT_CAPACITY_J_PER_LK) / lossWPerK / 3600;
  return 1 / Math.hypot(1, ((2 * Math.PI) / HOURS_A_DAY) * timeConstantH);
}

/**
 * The year of a tank by its heat balance: unheated water settles where it gives off what its gear puts in, a little below
 * the room when it is open, and follows the day as far as its time constant lets it; a heater or cooler holds its set-point as far as its power
 * goes.
 */
export function yearBalance(climateC: readonly Span[], body: HeatBody, devices: Thermostats, litres: number): MonthBalance[] {
  const kept = new Map<number, ReturnType<typeof settled>>();
  const at = (roomC: number) => {
    let found = kept.get(roomC);
    if (!found) {
      found = settled(roomC, body, devices);
      kept.set(roomC, found);
    }
    return found;
  };
  return climateC.map((roomC) => {
    const [low, high, mean] = [at(roomC[0]), at(roomC[1]), at((roomC[0] + roomC[1]) / 2)];
    const lossWPerK = heatLoss(body, mean.floatsC + 0.5, mean.roomC).totalW - heatLoss(body, mean.floatsC - 0.5, mean.roomC).totalW;
    const swing = ((high.floatsC - low.floatsC) / 2) * swingShare(litres, lossWPerK);
    const held = (floatsC: number): number => {
      const shift = floatsC - mean.floatsC;
      const { heaterC } = devices;
      const coolerC = coldestOf(devices);
      // where the device cannot hold its set-point the water swings about where it comes to rest
      if (heaterC !== null && floatsC < heaterC)
        return mean.tankC < heaterC - 0.01 && mean.floatsC < heaterC ? mean.tankC + shift : heaterC;
      if (coolerC !== null && floatsC > coolerC)
        return mean.tankC > coolerC + 0.01 && mean.floatsC > coolerC ? mean.tankC + shift : coolerC;
      return floatsC;
    };
    return {
      roomC,
      tankC: [held(mean.floatsC - swing), held(mean.floatsC + swing)],
      heaterW: [low.heaterW, high.heaterW],
      coolerW: [low.coolerW, high.coolerW],
      evaporationLPerDay: [low.evaporationLPerDay, high.evaporationLPerDay],
    };
  });
}

/** The lowest temperature that cooler or fan are set to hold. */
function coldestOf({ coolerC, fanC }: Pick<Thermostats, 'coolerC' | 'fanC'>): number | null {
  return coolerC === null || fanC === null ? (coolerC ?? fanC) : Math.min(coolerC, fanC);
}

/** Air over the water under a small fan, m/s. Common practice: such a fan takes 2 to 4 °C off open water. */
export const FAN_M_PER_S = 0.5;

/** What a fan over the water takes out of it beyond still air, W. */
export const fanW = (body: HeatBody, waterC: number, airC: number): number =>
  Math.max(0, heatLoss({ ...body, airMPerS: FAN_M_PER_S }, waterC, airC).totalW - heatLoss(body, waterC, airC).totalW);

function settled(roomC: number, stillBody: HeatBody, { heaterC, coolerC, heaterW, coolerW, fanC, gearW }: Thermostats) {
  const floats = settlingC(stillBody, roomC, gearW) ?? roomC;
  const blows = fanC !== null && floats > fanC;
  const body = blows ? { ...stillBody, airMPerS: FAN_M_PER_S } : stillBody;
  const blown = blows ? Math.max(fanC, settlingC(body, roomC, gearW) ?? floats) : floats;
  let tankC = blown;
  let needW = { heaterW: 0, coolerW: 0 };
  if (heaterC !== null && floats < heaterC) {
    const wanted = heatLoss(body, heaterC, roomC).totalW - gearW;
    needW = { heaterW: wanted, coolerW: 0 };
    tankC = heaterW !== null && heaterW < wanted ? (settlingC(body, roomC, gearW + heaterW) ?? floats) : heaterC;
  } else if (coolerC !== null && blown > coolerC) {
    const wanted = gearW - heatLoss(body, coolerC, roomC).totalW;
    needW = { heaterW: 0, coolerW: wanted };
    tankC = coolerW !== null && coolerW < wanted ? (settlingC(body, roomC, gearW - coolerW) ?? floats) : coolerC;
  }
  return { roomC, floatsC: floats, tankC, ...needW, evaporationLPerDay: Math.max(0, heatLoss(body, tankC, roomC).evaporationLPerDay) };
}

/** The coldest low and the warmest high of the year. @throws RangeError on an empty year */
export function yearExtremes(months: readonly Span[]): Span {
  if (months.length === 0) throw new RangeError('a year has months');
  return [Math.min(...months.map(([low]) => low)), Math.max(...months.map(([, high]) => high))];
}
