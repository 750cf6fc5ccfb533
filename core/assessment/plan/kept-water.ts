import { balanceOf } from '../../tank/balance';
import { Integrator, TooStiff } from '../../tank/integrate';
import { QUICK, startState, toleranceOf } from '../../tank/run';
import { PURE_WATER } from '../../tank/scenario';
import { STATE_SIZE } from '../../tank/state';
import { stillWater } from '../../tank/still-water';
import { afterChange } from '../../water/change-series';
import { phOfTested, SHIFTED, type StepLimits, type TestedWater } from './shift';

/** How far one parameter moves when so much of the old water is kept. */
export interface KeptMove {
  parameter: (typeof SHIFTED)[number] | 'ph';
  from: number;
  to: number;
  step: number;
  limit: number;
  fits: boolean;
}

/** What the animals meet when a share of their old water is kept and the rest is new. */
export function keptMoves(
  old: TestedWater,
  fresh: TestedWater,
  keptShare: number,
  limits: StepLimits,
  temperatureC: number,
  pco2Uatm: number,
): KeptMove[] {
  const known = SHIFTED.filter((parameter) => old[parameter] !== undefined && fresh[parameter] !== undefined);
  const mixed: TestedWater = Object.fromEntries(
    known.map((parameter) => [parameter, afterChange(old[parameter]!, fresh[parameter]!, 1 - keptShare)]),
  );
  const moves = known.map((parameter): KeptMove => {
    const [from, to] = [old[parameter]!, mixed[parameter]!];
    const limit = parameter === 'ec25UsPerCm' ? (limits.ecStep ?? 0.1 * from) : limits.steps[parameter];
    return { parameter, from, to, step: Math.abs(to - from), limit, fits: Math.abs(to - from) <= limit + 1e-9 };
  });
  const [from, to] = [phOfTested(old, temperatureC, pco2Uatm), phOfTested(mixed, temperatureC, pco2Uatm)];
  if (from !== undefined && to !== undefined) {
    const limit = limits.steps.ph;
    moves.push({ parameter: 'ph', from, to, step: Math.abs(to - from), limit, fits: Math.abs(to - from) <= limit + 1e-9 });
  }
  return moves;
}

/** The least share of the old water that keeps every step within what is borne in a day; 0 when none of it is needed. */
export function leastKept(old: TestedWater, fresh: TestedWater, limits: StepLimits, temperatureC: number, pco2Uatm: number): number {
  const fits = (share: number) => keptMoves(old, fresh, share, limits, temperatureC, pco2Uatm).every((move) => move.fits);
  if (fits(0)) return 0;
  let [low, high] = [0, 1];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (fits(middle)) high = middle;
    else low = middle;
  }
  return Math.min(1, Math.ceil(high * 100 - 1e-4) / 100);
}

export interface Tub {
  litres: number;
  surfaceM2: number;
  waterC: number;
  roomC: number;
  /** Oxygen that its animals breathe at 25 °C, mg a day. */
  animalsMgO2PerDay: number;
  airStone: boolean;
}

/** Watts a square metre and degree that an open tub gives off by walls and surface. Common practice. */
const TUB_W_PER_M2K = 10;
const HOURS = 48;

/** Hours until a tub has cooled by so much, and until its oxygen is too little; null where it never is within two days. */
export function tubHours(tub: Tub, mostCoolingC: number, leastOxygenMgPerL: number): { heat: number | null; oxygen: number | null } {
  const wallM2 = tub.surfaceM2 + 4 * Math.sqrt(tub.surfaceM2) * (tub.litres / 1000 / tub.surfaceM2);
  const wPerK = TUB_W_PER_M2K * (tub.surfaceM2 + wallM2);
  const scenario = stillWater({
    litres: tub.litres,
    start: { ...PURE_WATER, alkalinityMeq: 1, sodiumMmol: 1 },
    startC: tub.waterC,
    aroundC: tub.roomC,
    wPerK,
    surfaceM2: tub.surfaceM2,
    movement: tub.airStone ? 5 : 1,
    animalsMgO2PerDay: tub.animalsMgO2PerDay,
  });
  const { rates, look } = balanceOf(scenario);
  const y = startState(scenario);
  const integrator = new Integrator(STATE_SIZE);
  const tolerance = toleranceOf(scenario, QUICK);
  let [heat, oxygen]: [number | null, number | null] = [null, null];
  try {
    for (let quarter = 1; quarter <= HOURS * 4; quarter++) {
      integrator.run((t, state, out) => rates(t, 0, state, out), y, (quarter - 1) / 96, quarter / 96, tolerance);
      const now = look(quarter / 96, 0, y);
      if (heat === null && Math.abs(now.temperatureC - tub.waterC) > mostCoolingC) heat = quarter / 4;
      if (oxygen === null && now.oxygenMgPerL < leastOxygenMgPerL) oxygen = quarter / 4;
      if (heat !== null && oxygen !== null) break;
    }
  } catch (error) {
    if (!(error instanceof TooStiff)) throw error;
  }
  return { heat, oxygen };
}
