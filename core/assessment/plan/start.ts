import type { Catalogue } from '../../catalogue/catalogue';
import { massOf } from '../../hardscape/mass';
import { daysFrom } from '../../schedule/day';
import {
  ensembleOf,
  forecastStart,
  weightsBy,
  type Course,
  type StartForecast,
  type StartTank,
  type Tested,
  type ThenDone,
} from '../../startup/ensemble';
import type { StartPlan } from '../../startup/model';
import type { Assessment } from '../assessment';
import type { Derived } from '../derive/node';

/** Ammonia that a fresh soil gives to the water above it, mg N/L, where it lies over the whole floor. Common practice. */
const FRESH_SOIL_MG_N_PER_L = 40;
/** Taken for what is not known. */
const TAKEN = { temperatureC: 24, oxygenMgPerL: 7.5 };
/** g/kg from which nitrifiers are those of salt water. */
const SALT_WATER = 8;
/** Of a live rock's weight and of live sand, what its slime counts for; sand lies deep. Common practice. */
const LIVE_SAND = 0.2;

/** What the start of a tank rests on. */
export const START_FROM = [
  'tank.ahead',
  'planned.temperatureC',
  'planned.salinity',
  'tank.settled',
  'scene.pieces',
  'substrate.bed',
] as const;

/** The tank as its start is reckoned; null while there is no water known. */
export const startTankOf = ({ derived, world }: Assessment, plan: StartPlan): StartTank | null =>
  startTankFrom(derived, plan, world.catalogue);

/** The same from the derived values that it rests on. */
export function startTankFrom(
  derived: Pick<Derived, (typeof START_FROM)[number]>,
  plan: StartPlan,
  catalogue: Catalogue,
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
    food: plan.method === 'food',
    salty: (derived['planned.salinity'].value ?? 0) > SALT_WATER,
    livePerL: liveKg(derived, catalogue) / scenario.litres,
  };
}

/** Kilograms of live rock, and of live sand as it counts beside it. */
function liveKg(derived: Pick<Derived, 'scene.pieces' | 'substrate.bed'>, catalogue: Catalogue): number {
  const isAlive = (id: string | null) => id !== null && catalogue.materials.get(id)?.alive === true;
  const rock = (derived['scene.pieces'].value ?? [])
    .filter(({ item }) => isAlive(item.materialId))
    .reduce((sum, piece) => sum + (massOf(piece, catalogue)?.kg ?? 0), 0);
  const sand = (derived['substrate.bed'].value?.layers ?? [])
    .filter(({ materialId }) => isAlive(materialId))
    .reduce((sum, { kg }) => sum + (kg ?? 0), 0);
  return rock + LIVE_SAND * sand;
}

export const testsOf = ({ begun, tests }: StartPlan): Tested[] =>
  Object.values(tests)
    .map(({ day, ...test }) => ({ ...test, day: daysFrom(begun, day) }))
    .sort((a, b) => a.day - b.day);

export const START_LOOK = { count: 1000, days: 84, seed: 11 };
export type StartLook = typeof START_LOOK;

/** Courses of the last tanks that were looked at: a test changes their weights alone. */
const grown = new Map<string, Course[]>();
const MOST_GROWN = 4;

function* coursesOf(tank: StartTank, look: StartLook, then: ThenDone | null): Generator<number, Course[]> {
  const key = JSON.stringify([tank, look, then]);
  const known = grown.get(key);
  if (known) return known;
  const courses = yield* ensembleOf(tank, look, then);
  grown.set(key, courses);
  for (const old of [...grown.keys()].slice(0, -MOST_GROWN)) grown.delete(old);
  return courses;
}

/** The start of the tank as it is planned, held against its tests. Null where nothing is planned or no water is known. */
export function* startForecast(assessment: Assessment, look = START_LOOK): Generator<number, StartForecast | null> {
  const plan = assessment.world.design.startup;
  const tank = plan && startTankOf(assessment, plan);
  if (!plan || !tank) return null;
  return forecastStart(yield* coursesOf(tank, look, null), testsOf(plan));
}

/**
 * The same where something is done on a day: the very tanks that the tests speak for, each followed the other way.
 *
 * @param then of which the tests after its day are left out
 */
export function* startForecastIf(assessment: Assessment, then: ThenDone, look = START_LOOK): Generator<number, StartForecast | null> {
  const plan = assessment.world.design.startup;
  const tank = plan && startTankOf(assessment, plan);
  if (!plan || !tank) return null;
  const tests = testsOf(plan);
  const weights = weightsBy(yield* coursesOf(tank, look, null), tests);
  return forecastStart(yield* coursesOf(tank, look, then), tests, weights);
}
