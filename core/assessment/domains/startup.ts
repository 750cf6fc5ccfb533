import { courseOf, middleDraw } from '../../startup/ensemble';
import { startFindings, type GoingIn } from '../../startup/findings';
import { domain } from '../domain';
import { missing, type Definitions, type World } from '../derive/node';
import { startTankFrom } from '../plan/start';
import { wordStartup } from '../wording/startup';

declare module '../../calculation/finding' {
  interface FindingCodes {
    startup: 'too-soon' | 'at-once';
  }
}

const LOOK_DAYS = 120;

const startupNodes: Pick<Definitions, 'startup.done'> = {
  'startup.done': {
    calculationId: 'startup.cycle',
    from: ['tank.ahead', 'planned.temperatureC', 'tank.settled'],
    reads: ({ design }) => [design.startup],
    compute: ({ design }, up) => {
      const plan = design.startup;
      if (!plan) return missing('no start is planned');
      const tank = startTankFrom(up, plan);
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

/** Animals that the plan of care puts in, day by day. */
function goingIn({ design }: World): GoingIn[] {
  const days = new Map<string, string[]>();
  for (const { code, day, subjects } of Object.values(design.care.steps))
    if (code === 'stock') days.set(day, [...(days.get(day) ?? []), ...subjects.filter((id) => Object.hasOwn(design.stock, id))]);
  return [...days].map(([day, ids]) => ({ day, ids }));
}

/** The tank before its animals come. */
export const startup = domain({
  family: 'startup',
  nodes: startupNodes,
  findings: (world, derived) => (world.design.startup ? startFindings(world.design.startup, goingIn(world), derived['startup.done']) : []),
  words: wordStartup,
  at: { 'too-soon': ['startup', 'readiness'], 'at-once': ['stocking', 'order', 'order'] },
  noRemedy: {
    'too-soon': 'Test, and put the first animals off until a week of tests is clean and a challenge dose is gone in a day.',
    'at-once': 'Clean-up and hardy ones first, the others by weeks: see In which order.',
  },
});
