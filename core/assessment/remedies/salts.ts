import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import { FRESH_SALINITY_MAX } from '../../tank/scenario';
import type { Assessment } from '../assessment';
import { saltsOf } from '../derive/water';
import { ASSUMED_KIT, litresOf, standingGh } from '../recipe-plan';
import { forRevision, type Proposal } from './remedy';

/** Further than this the mix was never meant for who lives here: then it is a recipe that helps. */
const MOST_TIMES = 4;
/** Where the line through two amounts is drawn, and how often: a soil takes a share that hangs on what is there. */
const TRIED = 1.25;
const ROUNDS = 3;

/** More or less of the salts that are weighed in already, in their proportion, until the tank stands in the middle of everyone's GH. */
export function saltsRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const { world, derived } = assessment;
  if (finding.code !== 'water.parameter' || (finding.parameter !== 'ghDh' && finding.parameter !== 'ec25UsPerCm')) return [];
  const weighed = saltsOf(world);
  const salts = weighed.filter(({ salt }) => salt.ions.calcium || salt.ions.magnesium);
  const [planned, window] = [derived['planned.ghDh'].value, derived['window.ghDh'].value];
  const band = window?.optimum ?? window?.tolerance;
  if (salts.length === 0 || planned === null || !band || (derived['planned.salinity'].value ?? 0) > FRESH_SALINITY_MAX) return [];
  const want = (band[0] + band[1]) / 2;
  const others = weighed.filter((one) => !salts.includes(one));
  const standsAt = (times: number) => standingGh(assessment, [...others, ...salts.map((one) => ({ ...one, mgPerL: one.mgPerL * times }))]);
  const here = standsAt(1);
  if (here === null) return [];
  let [a, b] = [
    { times: 1, gh: here },
    { times: TRIED, gh: standsAt(TRIED) ?? here },
  ];
  for (let round = 0; round < ROUNDS && Math.abs(b.gh - a.gh) > 1e-6 && Math.abs(b.gh - want) > 0.05; round++) {
    const times = Math.max(0.05, b.times + ((want - b.gh) * (b.times - a.times)) / (b.gh - a.gh));
    [a, b] = [b, { times, gh: standsAt(times) ?? b.gh }];
  }
  if (b.times > MOST_TIMES || b.times < 1 / MOST_TIMES || Math.abs(b.times - 1) < 0.02) return [];
  const kit = world.room.mixingKit ?? ASSUMED_KIT;
  const grams = salts.reduce((sum, { mgPerL }) => sum + (mgPerL * (b.times - 1) * kit.vesselL) / 1000, 0);
  const ids = new Set(salts.map(({ salt }) => salt.id));
  return [
    {
      kind: 'salts',
      subjects: salts.map(({ salt }) => salt.id),
      values: {
        grams: { quantity: 'number', value: Number(grams.toPrecision(2)) },
        litres: { quantity: 'volume', value: kit.vesselL },
        tank: { quantity: 'number', value: Number(((grams * litresOf(assessment)) / kit.vesselL).toPrecision(2)) },
      },
      patch: [
        forRevision(world.design.rev),
        ...Object.entries(world.design.water.salts).flatMap(([key, { saltId, mgPerL }]) =>
          ids.has(saltId)
            ? [{ op: 'replace' as const, path: pointer('water', 'salts', key, 'mgPerL'), value: Number((mgPerL * b.times).toFixed(1)) }]
            : [],
        ),
      ],
    },
  ];
}
