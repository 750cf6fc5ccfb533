import type { Finding } from '../../calculation/finding';
import { schoolOf } from '../../build/steps';
import { courseOf, middleDraw } from '../../startup/ensemble';
import { startFindings, type GoingIn } from '../../startup/findings';
import { domain } from '../domain';
import { missing, type Definitions, type Derived, type World } from '../derive/node';
import { loadMgNOf } from './gear';
import { START_FROM, startTankFrom } from '../plan/start';
import { wordStartup } from '../wording/startup';

declare module '../../calculation/finding' {
  interface FindingCodes {
    startup: 'too-soon' | 'at-once' | 'outgrown' | 'soil-moss';
  }
}

declare module '../remedies/remedy' {
  interface RemedyKinds {
    'plant-later': true;
  }
}

const LOOK_DAYS = 120;

const startupNodes: Pick<Definitions, 'startup.done'> = {
  'startup.done': {
    calculationId: 'startup.cycle',
    from: START_FROM,
    reads: ({ design, catalogue }) => [design.startup, catalogue.materials],
    compute: ({ design, catalogue }, up) => {
      const plan = design.startup;
      if (!plan) return missing('no start is planned');
      const tank = startTankFrom(up, plan, catalogue);
      if (!tank) return missing('no water is known');
      const { done } = courseOf(tank, middleDraw(tank), LOOK_DAYS);
      return {
        value: done ?? LOOK_DAYS,
        inputs: { temperatureC: tank.temperatureC, doseMgNPerLPerDay: tank.doseMgNPerLPerDay, soilMgNPerL: tank.soilMgNPerL },
        note: 'Days until ammonia and nitrite stay away, for the tank in the middle of all that could be this one.',
      };
    },
  },
};

/** Animals that the plan of care puts in, day by day, with their share of what all of them give the filter. */
function goingIn({ design }: World, derived: Derived): GoingIn[] {
  const days = new Map<string, string[]>();
  for (const { code, day, subjects } of Object.values(design.care.steps))
    if (code === 'stock') days.set(day, [...(days.get(day) ?? []), ...subjects.filter((id) => Object.hasOwn(design.stock, id))]);
  const load = derived['stock.load'].value;
  const litres = derived['vessel.system-volume'].value;
  return [...days].map(([day, ids]) => {
    const grams = ids.reduce((sum, id) => sum + (load?.each[id] ? load.each[id].grams * load.each[id].count : 0), 0);
    return { day, ids, mgNPerLPerDay: load && litres && load.grams > 0 ? (loadMgNOf(derived) * grams) / load.grams / litres : null };
  });
}

const TESTS: ReadonlySet<string> = new Set(['test', 'challenge', 'ready']);

/** Whether a soil is fresh enough to give ammonia, by what earlier use has taken of it. Common practice. */
const FRESH = 0.3;
function mosses({ design, catalogue }: World, derived: Derived): string[] {
  if (schoolOf(design.build, 'planting') !== 'at-once' || design.startup?.inoculum === 'whole-move') return [];
  const soil = (derived['substrate.bed'].value?.layers ?? []).some(
    ({ material, spent }) => material?.action.kind === 'exchanges' && spent < FRESH,
  );
  if (!soil && design.startup?.method !== 'soil') return [];
  return [
    ...new Set(
      (derived['plants.standing'].value ?? []).flatMap(({ id, plant }) =>
        catalogue.organisms.has(plant.id) && plant.form === 'moss' ? [id] : [],
      ),
    ),
  ];
}

function found(world: World, derived: Derived): Finding[] {
  const { startup: plan, care } = world.design;
  if (!plan) return [];
  const testDays = Object.values(care.steps).flatMap(({ code, day }) => (TESTS.has(code) ? [day] : []));
  return startFindings(plan, goingIn(world, derived), derived['startup.done'], { testDays, mosses: mosses(world, derived) });
}

/** The tank before its animals come. */
export const startup = domain({
  family: 'startup',
  nodes: startupNodes,
  findings: found,
  words: wordStartup,
  at: {
    'too-soon': ['startup', 'readiness'],
    'at-once': ['stocking', 'order', 'order'],
    outgrown: ['startup', 'start'],
    'soil-moss': ['startup', 'work', 'work'],
  },
  noRemedy: {
    'too-soon': 'Test, and put the first animals off until a week of tests is clean and a challenge dose is gone in a day.',
    outgrown: 'Half of them first, or feed the filter more for two weeks and challenge it again.',
    'at-once': 'Clean-up and hardy ones first, the others by weeks: see In which order.',
  },
});
