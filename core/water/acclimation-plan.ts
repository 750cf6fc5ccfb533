import { freeAmmoniaFractionOf } from '../chemistry/free-ammonia-fraction';
import { carbonateAtPco2, carbonateAtPh } from '../chemistry/carbonate-system';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import { balanceOf } from '../tank/balance';
import { Integrator } from '../tank/integrate';
import { carbonOf } from '../tank/now';
import { QUICK, startState, toleranceOf } from '../tank/run';
import { emptyState, pour, PURE_WATER, type TankScenario } from '../tank/scenario';
import { STATE_SIZE } from '../tank/state';
import { stillWater } from '../tank/still-water';
import { afterDrip, BAG_U } from './acclimation';

/** What was read in the bag, and what the tank holds. KH decides what the pH will do; where it is not read, that of the tank is taken. */
export interface BagReadings {
  litres: number;
  temperatureC: number;
  ph: number;
  khDh: number;
  ghDh: number | null;
  ec25UsPerCm: number | null;
  /** Total ammonia, mg N/L; null while it is not tested. */
  ammoniaMgN: number | null;
  /** Oxygen its animals breathe at 25 °C, mg a day. */
  animalsMgO2PerDay: number;
}
export interface TankReadings {
  temperatureC: number;
  ph: number;
  khDh: number;
  ghDh: number | null;
  ec25UsPerCm: number | null;
}
export interface DripPlan {
  floatMinutes: number;
  dripMlPerMin: number;
  dripMinutes: number;
  /** What the vessel it drips into holds. */
  vesselL: number;
}
/** Most that they bear at once, of each. */
export interface BearableSteps {
  temperatureC: number;
  ph: number;
  ghDh: number;
  ec25Share: number;
}

export interface BagPoint {
  minutes: number;
  litres: number;
  temperatureC: number;
  ph: number;
  ghDh: number | null;
  ec25UsPerCm: number | null;
  ammoniaMgN: number;
  /** Un-ionised, mg N/L. */
  freeAmmoniaMgN: number;
}

export type Verdict =
  /** The waters are alike: over at once, when the temperature is. */
  | 'direct'
  /** The bag is foul: a slow drip would be worse than the step. */
  | 'direct-foul'
  /** The drip does it. */
  | 'drip'
  /** It drips, but not long enough: discard half and go on. */
  | 'drip-again'
  /** The vessel is full before it is done. */
  | 'vessel-full'
  /** Too far apart for one day. */
  | 'too-far'
  /** What decides is not tested. */
  | 'untested';

export interface Acclimation {
  points: readonly BagPoint[];
  verdict: Verdict;
  /** Worst free ammonia on the way, and in the tank's pH at once, mg N/L. */
  worstFreeAmmonia: number;
  freeAmmoniaNow: number;
  /** Share of the way that the drip leaves, 0 to 1. */
  leftShare: number;
  /** Minute at which the vessel is full; null when it is not. */
  fullAtMinute: number | null;
  /** Minutes until the rest is within what is borne; null when no drip is needed. */
  enoughAtMinute: number | null;
}

/** Free ammonia, mg N/L, that is dangerous to hold animals in for an hour or two. Common practice. */
export const FREE_AMMONIA_DANGER = 0.1;
/** Air over an open bag or jar changes its CO2 through this surface, m² a litre. Common practice. */
const SURFACE_M2_PER_L = 0.04;
/** Of water that drips into itself, against still water. */
const STIRRED = 4;
const WALL_M2_PER_L = 0.1;

const clampC = (t: number): number => Math.min(40, Math.max(0, t));

function bagScenario(bag: BagReadings, tank: TankReadings, afloat: boolean): TankScenario {
  const t = clampC(bag.temperatureC);
  const alkalinityMeq = Math.min(10, Math.max(0.01, bag.khDh * MEQ_PER_DEGREE_ALKALINITY));
  const read = carbonateAtPh({ temperatureC: t, alkalinityMeqPerL: alkalinityMeq }, Math.min(9.5, Math.max(4.6, bag.ph)));
  return stillWater({
    litres: bag.litres,
    start: {
      ...PURE_WATER,
      alkalinityMeq,
      ammoniaMgN: bag.ammoniaMgN ?? 0,
      pco2Uatm: Math.min(200000, Math.max(50, read?.pco2Uatm ?? 800)),
    },
    startC: t,
    aroundC: clampC(tank.temperatureC),
    wPerK: afloat ? BAG_U * WALL_M2_PER_L * bag.litres : 0,
    // a closed bag holds its own air; opened it breathes the room's
    surfaceM2: Math.max(1e-4, SURFACE_M2_PER_L * bag.litres),
    movement: afloat ? 0.1 : STIRRED,
    animalsMgO2PerDay: bag.animalsMgO2PerDay,
  });
}

/** Free ammonia in so much total ammonia, mg N/L; the fraction holds from pH 6 to 10, and below that there is next to none. */
const freeOf = (ammoniaMgN: number, ph: number, temperatureC: number): number =>
  ammoniaMgN * freeAmmoniaFractionOf(Math.min(30, clampC(temperatureC)), Math.min(10, ph), 0);

/**
 * The bag from floating to the end of the drip, and what to do. Closed it floats and takes on the tank's temperature; opened, tank water
 * drips in, CO2 goes out, and pH and free ammonia rise. The bag is followed by the tank's own balance.
 */
export function acclimate(bag: BagReadings, tank: TankReadings, plan: DripPlan, bears: BearableSteps): Acclimation {
  const points: BagPoint[] = [];
  const afloat = bagScenario(bag, tank, true);
  const y = startState(afloat);
  // a packed bag is full of oxygen
  const point = (minutes: number, look: ReturnType<typeof balanceOf>['look'], dripped: number): void => {
    const now = look(minutes / 1440, 0, y);
    const conserved = (from: number | null, to: number | null): number | null =>
      from === null || to === null ? null : afterDrip(bag.litres, from, to, plan.dripMlPerMin, dripped);
    points.push({
      minutes,
      litres: now.litres,
      temperatureC: now.temperatureC,
      ph: now.ph,
      ghDh: conserved(bag.ghDh, tank.ghDh),
      ec25UsPerCm: conserved(bag.ec25UsPerCm, tank.ec25UsPerCm),
      ammoniaMgN: now.ammoniaMgNPerL,
      freeAmmoniaMgN: freeOf(now.ammoniaMgNPerL, now.ph, now.temperatureC),
    });
  };
  const integrator = new Integrator(STATE_SIZE);
  const floating = balanceOf(afloat);
  const tolerance = toleranceOf(afloat, QUICK);
  const eachMin = 2;
  point(0, floating.look, 0);
  for (let m = 0; m < plan.floatMinutes; m += eachMin) {
    const to = Math.min(plan.floatMinutes, m + eachMin);
    integrator.run((t, state, out) => floating.rates(t, 0, state, out), y, m / 1440, to / 1440, tolerance);
    point(to, floating.look, 0);
  }
  const opened = bagScenario(bag, tank, false);
  const dripping = balanceOf(opened);
  const drop = emptyState();
  const tankC = clampC(tank.temperatureC);
  const tankAlkalinity = Math.min(10, Math.max(0.01, tank.khDh * MEQ_PER_DEGREE_ALKALINITY));
  const tankCo2 = carbonateAtPh({ temperatureC: tankC, alkalinityMeqPerL: tankAlkalinity }, Math.min(9.5, Math.max(4.6, tank.ph)));
  const water = { ...PURE_WATER, alkalinityMeq: tankAlkalinity, pco2Uatm: Math.min(200000, Math.max(50, tankCo2?.pco2Uatm ?? 1200)) };
  pour(drop, water, 1, tankC, carbonOf(opened, water, tankC), 8);
  const litresPerDay = (plan.dripMlPerMin * 1440) / 1000;
  const rates = (t: number, state: Float64Array, out: Float64Array): void => {
    dripping.rates(t, 0, state, out);
    for (let i = 0; i < STATE_SIZE; i++) out[i]! += litresPerDay * drop[i]!;
  };
  for (let m = 0; m < plan.dripMinutes; m += eachMin) {
    const [from, to] = [plan.floatMinutes + m, plan.floatMinutes + Math.min(plan.dripMinutes, m + eachMin)];
    integrator.run(rates, y, from / 1440, to / 1440, tolerance);
    point(to, dripping.look, to - plan.floatMinutes);
  }
  return { points, ...judgeBag(bag, tank, plan, bears, points) };
}

function judgeBag(
  bag: BagReadings,
  tank: TankReadings,
  plan: DripPlan,
  bears: BearableSteps,
  points: readonly BagPoint[],
): Omit<Acclimation, 'points'> {
  // with the CO2 of the open air: the worst that opening the bag can do
  const airedOf = (khDh: number): number => {
    const alkalinityMeqPerL = Math.min(10, Math.max(0.01, khDh * MEQ_PER_DEGREE_ALKALINITY));
    return carbonateAtPco2({ temperatureC: clampC(tank.temperatureC), alkalinityMeqPerL }, 800).ph;
  };
  const aired = airedOf(bag.khDh);
  const worstFreeAmmonia = Math.max(...points.map(({ freeAmmoniaMgN }) => freeAmmoniaMgN));
  const far = (share: number): number[] => {
    const of = (from: number | null, to: number | null, step: number) =>
      from === null || to === null ? 0 : (Math.abs(to - from) * share) / step;
    return [
      // what CO2 has done to the bag's pH goes with it: KH is what has to be borne
      of(aired, airedOf(tank.khDh), bears.ph),
      of(bag.ghDh, tank.ghDh, bears.ghDh),
      of(bag.ec25UsPerCm, tank.ec25UsPerCm, bears.ec25Share * Math.max(bag.ec25UsPerCm ?? 0, 1)),
    ];
  };
  const worstStep = Math.max(...far(1));
  const leftShare = afterDrip(bag.litres, 1, 0, plan.dripMlPerMin, plan.dripMinutes);
  const fullAt = ((plan.vesselL - bag.litres) * 1000) / plan.dripMlPerMin;
  const enough = worstStep > 1 ? (bag.litres * 1000 * (worstStep - 1)) / plan.dripMlPerMin : null;
  const foul = worstFreeAmmonia >= FREE_AMMONIA_DANGER || freeOf(bag.ammoniaMgN ?? 0, aired, tank.temperatureC) >= FREE_AMMONIA_DANGER;
  // without its ammonia, or with nothing of its salts, nobody can say
  const untested = bag.ammoniaMgN === null || (bag.ghDh === null && bag.ec25UsPerCm === null);
  const verdict: Verdict = foul
    ? 'direct-foul'
    : untested
      ? 'untested'
      : worstStep <= 1
        ? 'direct'
        : worstStep > DAYS_APART
          ? 'too-far'
          : enough !== null && enough > fullAt && fullAt < plan.dripMinutes
            ? 'vessel-full'
            : leftShare * worstStep > 1
              ? 'drip-again'
              : 'drip';
  return {
    verdict,
    worstFreeAmmonia,
    freeAmmoniaNow: points[0]?.freeAmmoniaMgN ?? 0,
    leftShare,
    fullAtMinute: fullAt < plan.dripMinutes ? Math.max(0, fullAt) : null,
    enoughAtMinute: enough,
  };
}
/** So many daily steps apart, one afternoon's drip is no answer: the water has to be shifted over days. Common practice. */
const DAYS_APART = 6;
