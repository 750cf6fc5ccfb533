import { carbonateAtPco2 } from '../../chemistry/carbonate-system';
import type { Organism } from '../../catalogue/organism';
import { MEQ_PER_DEGREE_ALKALINITY } from '../../quantity/unit';
import { FRESH_SALINITY_MAX } from '../../tank/scenario';
import { afterChange } from '../../water/change-series';

export const SHIFTED = ['ghDh', 'khDh', 'ec25UsPerCm', 'salinity'] as const;
export type Shifted = (typeof SHIFTED)[number];
/** A water as it is tested; what is not known is left out. */
export type TestedWater = Partial<Record<Shifted, number>>;

/** Most that a colony's water may move in a day while nothing is recorded for it. Common practice. */
const USUAL_STEP = { ghDh: 1, khDh: 1, salinity: 1, ph: 0.3, temperatureC: 1 } as const;
/** Share of the conductivity that may move in a day. Common practice. */
const CONDUCTIVITY_SHARE = 0.1;
/** As near as a kit can tell. */
const NEAR: Readonly<Record<Shifted, number>> = { ghDh: 0.25, khDh: 0.25, ec25UsPerCm: 6, salinity: 0.25 };
const MOST_AT_ONCE = 0.5;
const MOST_STEPS = 150;

/** The smallest daily steps that everyone bears, and whose they are; what nobody says is the usual. */
export interface StepLimits {
  steps: Readonly<Record<'ghDh' | 'khDh' | 'salinity' | 'ph' | 'temperatureC', number>>;
  ecStep: number | null;
  setBy: Readonly<Record<string, string>>;
  /** Parameters for which nothing is recorded. */
  taken: readonly string[];
}

export function stepLimits(members: readonly { id: string; organism: Organism | undefined }[]): StepLimits {
  const steps: Record<keyof typeof USUAL_STEP, number> = { ...USUAL_STEP };
  const setBy: Record<string, string> = {};
  const taken: string[] = [];
  for (const parameter of Object.keys(USUAL_STEP) as (keyof typeof USUAL_STEP)[]) {
    let least = Infinity;
    for (const { id, organism } of members) {
      const step = organism?.dailyStep[parameter]?.value ?? null;
      if (step !== null && step < least) {
        least = step;
        setBy[parameter] = id;
      }
    }
    if (Number.isFinite(least)) steps[parameter] = least;
    else taken.push(parameter);
  }
  const ecs = members.flatMap(({ organism }) => organism?.dailyStep.ec25UsPerCm?.value ?? []);
  return { steps, ecStep: ecs.length > 0 ? Math.min(...ecs) : null, setBy, taken };
}

export interface ShiftStep {
  /** Days after the first change. */
  after: number;
  fraction: number;
  litres: number;
  /** What a test should read afterwards. */
  reads: TestedWater & { ph?: number; temperatureC?: number };
}

export type Shift = { ok: true; steps: ShiftStep[]; days: number } | { ok: false; reason: string };

/** pH of a fresh water with the CO2 that the tank holds; undefined where it is not known. */
export function phOfTested(water: TestedWater, temperatureC: number, pco2Uatm: number): number | undefined {
  const { khDh, salinity = 0 } = water;
  if (khDh === undefined || salinity > FRESH_SALINITY_MAX || khDh > 28) return undefined;
  return carbonateAtPco2({ temperatureC, alkalinityMeqPerL: khDh * MEQ_PER_DEGREE_ALKALINITY }, pco2Uatm).ph;
}

interface ShiftRequest {
  litres: number;
  from: TestedWater & { temperatureC?: number };
  /** The water that is poured: where it all ends. */
  to: TestedWater & { temperatureC?: number };
  limits: StepLimits;
  pco2Uatm: number;
  everyDays: number;
}

/**
 * Changes that bring a colony's water to another, none of which moves anything further than everyone bears in a day. Each is as large as
 * the tightest of them allows.
 */
export function shiftPlan({ litres, from, to, limits, pco2Uatm, everyDays }: ShiftRequest): Shift {
  if (!(litres > 0)) return { ok: false, reason: 'there is no water to change' };
  if (!(everyDays >= 1)) return { ok: false, reason: 'a change a day is the most' };
  const parameters = SHIFTED.filter((parameter) => from[parameter] !== undefined && to[parameter] !== undefined);
  if (parameters.length === 0) return { ok: false, reason: 'nothing is known of the one water or the other' };
  const temperatureC = Math.min(40, Math.max(0, to.temperatureC ?? from.temperatureC ?? 24));
  let water: TestedWater = Object.fromEntries(parameters.map((parameter) => [parameter, from[parameter]]));
  let warm = from.temperatureC;
  const steps: ShiftStep[] = [];
  const arrived = () => parameters.every((parameter) => Math.abs(water[parameter]! - to[parameter]!) <= NEAR[parameter]);
  const warmed = () => warm === undefined || to.temperatureC === undefined || Math.abs(warm - to.temperatureC) < 0.05;
  const changed = (fraction: number): TestedWater =>
    Object.fromEntries(parameters.map((parameter) => [parameter, afterChange(water[parameter]!, to[parameter]!, fraction)]));
  while (!arrived() || !warmed()) {
    if (steps.length >= MOST_STEPS) return { ok: false, reason: `it would take more than ${MOST_STEPS} changes` };
    let fraction = arrived() ? 0 : MOST_AT_ONCE;
    for (const parameter of parameters) {
      const way = Math.abs(to[parameter]! - water[parameter]!);
      const step = parameter === 'ec25UsPerCm' ? (limits.ecStep ?? CONDUCTIVITY_SHARE * water[parameter]!) : limits.steps[parameter];
      if (way > 1e-9) fraction = Math.min(fraction, step / way);
    }
    const before = phOfTested(water, temperatureC, pco2Uatm);
    if (before !== undefined && fraction > 0) {
      const moved = (f: number) => Math.abs((phOfTested(changed(f), temperatureC, pco2Uatm) ?? before) - before);
      if (moved(fraction) > limits.steps.ph) {
        let [low, high] = [0, fraction];
        for (let i = 0; i < 40; i++) {
          const middle = (low + high) / 2;
          if (moved(middle) > limits.steps.ph) high = middle;
          else low = middle;
        }
        fraction = low;
      }
    }
    // rounded down to what can be measured out, while that leaves anything
    const hundredths = Math.floor(fraction * 200) / 200;
    if (hundredths > 0) fraction = hundredths;
    water = changed(fraction);
    if (warm !== undefined && to.temperatureC !== undefined) {
      const step = limits.steps.temperatureC;
      warm += Math.min(step, Math.max(-step, to.temperatureC - warm));
    }
    const ph = phOfTested(water, temperatureC, pco2Uatm);
    steps.push({
      after: steps.length * everyDays,
      fraction,
      litres: fraction * litres,
      reads: { ...water, ...(ph === undefined ? {} : { ph }), ...(warm === undefined ? {} : { temperatureC: warm }) },
    });
  }
  return { ok: true, steps, days: (steps.at(-1)?.after ?? 0) + (steps.length > 0 ? 1 : 0) };
}
