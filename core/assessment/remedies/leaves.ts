import type { Finding } from '../../calculation/finding';
import { nextOrder, type Design } from '../../design/design';
import { pointer } from '../../design/edit';
import { FRESH_SALINITY_MAX } from '../../tank/scenario';
import { settle } from '../../tank/settle';
import type { Assessment } from '../assessment';
import { leachedMgPerDay } from '../derive/scenario';
import { forRevision, oncePer, type Proposal } from './remedy';

const LEAVES = 'leaf-litter';
/** Grams of dry leaves to a litre that are tried, fewest first. Common practice: a gram to a litre is a lot already. */
const GRAMS_PER_L = [0.2, 0.4, 0.7, 1, 1.5, 2];

interface Leaves {
  /** The leaves that lie there already, by their key. */
  key: string;
  there: Design['water']['additions'][string] | null;
  litres: number;
  /** Where the tank's pH comes to rest with so many grams of leaves. */
  phWith: (grams: number) => number;
}

/** The tank with leaves in it: asked for by everyone whose water is not acid enough, settled once for each amount. */
const leavesOf = oncePer(({ world: { design, catalogue }, derived }): Leaves | null => {
  const action = catalogue.materials.get(LEAVES)?.action;
  const scenario = derived['tank.ahead'].value?.scenario;
  if (action?.kind !== 'leaches' || !scenario || scenario.salinity > FRESH_SALINITY_MAX) return null;
  const [key, there] = Object.entries(design.water.additions).find(([, { materialId }]) => materialId === LEAVES) ?? [LEAVES, null];
  const lies = leachedMgPerDay(action, (there?.amount ?? 0) * (1 - (there?.spent ?? 0)));
  const settled = new Map<number, number>();
  const phWith = (grams: number): number => {
    const known = settled.get(grams);
    if (known !== undefined) return known;
    const carbonMgPerDay = scenario.leaves.carbonMgPerDay - lies + leachedMgPerDay(action, grams);
    const { ph } = settle({ ...scenario, leaves: { ...scenario.leaves, carbonMgPerDay } }).now;
    settled.set(grams, ph);
    return ph;
  };
  return { key, there, litres: scenario.litres, phWith };
});

/** Leaf litter, where soft water is not acid enough: the fewest leaves whose middle estimate gets there. */
export function leavesRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const { design } = assessment.world;
  const want = finding.values['optimumHigh']?.value;
  if (finding.code !== 'water.parameter' || finding.parameter !== 'ph' || want === undefined) return [];
  if ((finding.values['planned']?.value ?? 0) <= want || design.water.organicCarbonMgPerL.value !== null) return [];
  const leaves = leavesOf(assessment);
  if (!leaves) return [];
  const { key, there, litres, phWith } = leaves;
  const grams = GRAMS_PER_L.map((perL) => Math.max(1, Math.round(perL * litres))).find(
    (g) => g > (there?.amount ?? 0) && phWith(g) <= want,
  );
  if (grams === undefined) return [];
  return [
    {
      kind: 'leaves',
      subjects: [LEAVES],
      values: { grams: { quantity: 'number', value: grams } },
      patch: [
        forRevision(design.rev),
        there
          ? { op: 'replace', path: pointer('water', 'additions', key, 'amount'), value: grams }
          : {
              op: 'add',
              path: pointer('water', 'additions', key),
              value: { order: nextOrder(design.water.additions), materialId: LEAVES, amount: grams, spent: 0 },
            },
      ],
    },
  ];
}
