import { inOrder } from '../../design/design';
import type { Span } from '../../quantity/range';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../../quantity/unit';
import { conductivityOf } from '../../chemistry/conductivity';
import { ionsOf, NITRATE_PER_N } from '../../tank/at-rest';
import { FRESH_SALINITY_MAX, type TankScenario } from '../../tank/scenario';
import { settle } from '../../tank/settle';
import { N_MASS, STATE } from '../../tank/state';
import { windowNodeOf } from '../derive';
import type { Assessment } from '../assessment';

/** A routine of changes, and what comes of it. Readings stand just before a change. */
export interface Routine {
  fraction: number;
  everyDays: number;
  nitrateMgPerL: number;
  khDh: number;
  ghDh: number;
  concentrated: number;
  litresPerWeek: number;
  /** Of each source, litres a week, and of each salt, grams. */
  pourL: Readonly<Record<string, number>>;
  saltsG: Readonly<Record<string, number>>;
  /** How far one change moves the water at once. */
  shock: { khDh: number; ghDh: number; nitrateMgPerL: number };
  /** What leaves its window. */
  misses: readonly ('nitrate' | 'kh' | 'gh' | 'conductivity' | 'salts')[];
}

const FRACTIONS = [0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5];
const DAYS = [2, 3, 7, 10, 14, 21, 28];
/** Share by which evaporation may concentrate the water. Common practice. */
const CONCENTRATED = 1.1;

const within = (window: Span | null, value: number): boolean => !window || (value >= window[0] - 1e-9 && value <= window[1] + 1e-9);

/** One routine weighed: settled, and what it costs. Null while the tank's balance is not known. */
export function weighRoutine(assessment: Assessment, fraction: number, everyDays: number): Routine | null {
  const { world, derived } = assessment;
  const scenario = derived['tank.ahead'].value?.scenario;
  if (!scenario) return null;
  const tested: TankScenario = { ...scenario, change: { fraction, everyDays } };
  const { state, now } = settle(tested);
  const khDh = now.alkalinityMeqPerL / MEQ_PER_DEGREE_ALKALINITY;
  const ghDh = (state[STATE.calcium]! + state[STATE.magnesium]!) / now.litres / MMOL_PER_DEGREE_HARDNESS;
  const nitrateMgPerL = now.nitrateMgNPerL * NITRATE_PER_N;
  const concentrated = scenario.start.chlorideMmol > 0 ? state[STATE.chloride]! / now.litres / scenario.start.chlorideMmol : 1;
  const { replacement } = scenario;
  const move = (value: number, poured: number) => Math.abs(fraction * (poured - value));
  const litresPerWeek = (scenario.litres * fraction * 7) / everyDays;
  const parts = derived['water.poured'].value ?? [];
  const whole = parts.reduce((sum, { share }) => sum + share, 0) || 1;
  const window = (parameter: 'khDh' | 'ghDh' | 'ec25UsPerCm'): Span | null => {
    const found = windowNodeOf(derived, parameter).value;
    return found?.optimum ?? found?.tolerance ?? null;
  };
  const limit = assessment.findings.find(({ code }) => code === 'water.nitrate')?.values['edge']?.value ?? null;
  const misses: Routine['misses'][number][] = [];
  const mixed = derived['water.mixed'].value;
  const modelled = mixed && scenario.salinity <= FRESH_SALINITY_MAX ? conductivityOf(mixed.ions) : 0;
  const ec = mixed?.ec25UsPerCm && modelled > 0 ? (mixed.ec25UsPerCm * conductivityOf(ionsOf(state))) / modelled : null;
  if (limit !== null && nitrateMgPerL > limit) misses.push('nitrate');
  if (!within(window('khDh'), khDh)) misses.push('kh');
  if (!within(window('ghDh'), ghDh)) misses.push('gh');
  if (ec !== null && !within(window('ec25UsPerCm'), ec)) misses.push('conductivity');
  if (concentrated > CONCENTRATED) misses.push('salts');
  return {
    fraction,
    everyDays,
    nitrateMgPerL,
    khDh,
    ghDh,
    concentrated,
    litresPerWeek,
    pourL: Object.fromEntries(parts.map(({ id, share }) => [id, (litresPerWeek * share) / whole])),
    saltsG: Object.fromEntries(
      inOrder(world.design.water.salts).map(([, { saltId, mgPerL }]) => [saltId, (mgPerL * litresPerWeek) / 1000]),
    ),
    shock: {
      khDh: move(khDh, replacement.alkalinityMeq / MEQ_PER_DEGREE_ALKALINITY),
      ghDh: move(ghDh, (replacement.calciumMmol + replacement.magnesiumMmol) / MMOL_PER_DEGREE_HARDNESS),
      nitrateMgPerL: move(nitrateMgPerL, (replacement.nitrateMgN * 62.004) / N_MASS),
    },
    misses,
  };
}

/** Few large changes against many small ones: for each interval the smallest share that keeps the water, or the best there is. */
export function routines(assessment: Assessment): Routine[] {
  return DAYS.flatMap((everyDays) => {
    let best: Routine | null = null;
    for (const fraction of FRACTIONS) {
      const tried = weighRoutine(assessment, fraction, everyDays);
      if (!tried) return [];
      // where none keeps it, the one that leaves least nitrate
      const fewer = best === null || tried.misses.length < best.misses.length;
      if (fewer || (tried.misses.length === best!.misses.length && tried.nitrateMgPerL < best!.nitrateMgPerL)) best = tried;
      if (best!.misses.length === 0) break;
    }
    return best ? [best] : [];
  });
}
