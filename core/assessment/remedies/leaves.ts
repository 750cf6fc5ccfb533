import type { Finding } from '../../calculation/finding';
import { nextOrder } from '../../design/design';
import { pointer } from '../../design/edit';
import { FRESH_SALINITY_MAX } from '../../tank/scenario';
import { settle } from '../../tank/settle';
import type { Assessment } from '../assess';
import { leachedMgPerDay } from '../derive/scenario';
import { forRevision, type Proposal } from './remedy';

const LEAVES = 'leaf-litter';
/** Grams of dry leaves to a litre that are tried, fewest first. Common practice: a gram to a litre is a lot already. */
const GRAMS_PER_L = [0.2, 0.4, 0.7, 1, 1.5, 2];

/** Leaf litter, where soft water is not acid enough: the fewest leaves whose middle estimate gets there. */
export function leavesRemedy({ world, derived }: Assessment, finding: Finding): Proposal[] {
  const { design, catalogue } = world;
  const want = finding.values['optimumHigh']?.si;
  if (finding.code !== 'water.parameter' || finding.parameter !== 'ph' || want === undefined) return [];
  if ((finding.values['planned']?.si ?? 0) <= want || design.water.organicCarbonMgPerL.value !== null) return [];
  const action = catalogue.materials.get(LEAVES)?.action;
  const scenario = derived['tank.ahead'].value?.scenario;
  if (action?.kind !== 'leaches' || !scenario || scenario.salinity > FRESH_SALINITY_MAX) return [];
  const [key, there] = Object.entries(design.water.additions).find(([, { materialId }]) => materialId === LEAVES) ?? [LEAVES, null];
  const lies = leachedMgPerDay(action, (there?.amount ?? 0) * (1 - (there?.spent ?? 0)));
  const phWith = (grams: number): number => {
    const carbonMgPerDay = scenario.leaves.carbonMgPerDay - lies + leachedMgPerDay(action, grams);
    return settle({ ...scenario, leaves: { ...scenario.leaves, carbonMgPerDay } }).now.ph;
  };
  const grams = GRAMS_PER_L.map((perL) => Math.max(1, Math.round(perL * scenario.litres))).find(
    (g) => g > (there?.amount ?? 0) && phWith(g) <= want,
  );
  if (grams === undefined) return [];
  return [
    {
      kind: 'leaves',
      subjects: [LEAVES],
      values: { grams: { quantity: 'number', si: grams } },
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
