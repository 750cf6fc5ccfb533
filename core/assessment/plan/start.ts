import { ensembleOf, forecastStart, type StartForecast, type StartTank, type Tested } from '../../startup/ensemble';
import type { StartPlan } from '../../startup/model';
import { daysFrom } from '../../schedule/day';
import type { Assessment } from '../assessment';
import type { Derived } from '../derive/node';

/** Ammonia that a fresh soil gives to the water above it, mg N/L, where it lies over the whole floor. Common practice. */
const FRESH_SOIL_MG_N_PER_L = 40;
/** Taken for what is not known. */
const TAKEN = { temperatureC: 24, oxygenMgPerL: 7.5 };

/** The tank as its start is reckoned; null while there is no water known. */
export const startTankOf = ({ derived }: Assessment, plan: StartPlan): StartTank | null => startTankFrom(derived, plan);

/** The same from the derived values that it rests on. */
export function startTankFrom(
  derived: Pick<Derived, 'tank.ahead' | 'planned.temperatureC' | 'tank.settled'>,
  plan: StartPlan,
): StartTank | null {
  const scenario = derived['tank.ahead'].value?.scenario;
  if (!scenario) return null;
  const fresh = plan.method === 'soil' || scenario.soil !== null;
  return {
    temperatureC: Math.min(35, Math.max(8, derived['planned.temperatureC'].value ?? TAKEN.temperatureC)),
    oxygenMgPerL: Math.min(12, Math.max(2, derived['tank.settled'].value?.usual.oxygenMgPerL ?? TAKEN.oxygenMgPerL)),
    alkalinityMeqPerL: scenario.start.alkalinityMeq,
    pco2Uatm: scenario.gas.roomPco2Uatm,
    doseMgNPerLPerDay: plan.doseMgNPerLPerDay,
    soilMgNPerL: fresh ? FRESH_SOIL_MG_N_PER_L : 0,
    plantsMgNPerLPerDay: (scenario.plants.areaM2 * scenario.plants.uptakeGNPerM2 * 1000) / scenario.litres,
    change: scenario.change,
    inoculum: plan.inoculum,
    inoculumShare: plan.inoculumL / scenario.litres,
  };
}

export const testsOf = ({ begun, tests }: StartPlan): Tested[] =>
  Object.values(tests)
    .map(({ day, ...test }) => ({ ...test, day: daysFrom(begun, day) }))
    .sort((a, b) => a.day - b.day);

export const START_LOOK = { count: 600, days: 84, seed: 11 };

/** The start of the tank as it is planned, held against its tests. Null where nothing is planned or no water is known. */
export function* startForecast(assessment: Assessment, look = START_LOOK): Generator<number, StartForecast | null> {
  const plan = assessment.world.design.startup;
  const tank = plan && startTankOf(assessment, plan);
  if (!plan || !tank) return null;
  return forecastStart(yield* ensembleOf(tank, look), testsOf(plan));
}
