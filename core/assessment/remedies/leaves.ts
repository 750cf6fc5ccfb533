import type { Finding } from '../../calculation/finding';
import { nextOrder } from '../../design/design';
import { pointer } from '../../design/edit';
import { FRESH_SALINITY_MAX, settledPh } from '../../water/planned-water';
import { organicCarbonOf } from '../../water/settled-water';
import type { Assessment } from '../assess';
import { ASSUMED_CHANGE } from '../derive/assumed';
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
  const material = catalogue.materials.get(LEAVES);
  const khDh = derived['planned.khDh'].value;
  const litres = derived['vessel.system-volume'].value;
  const pco2Uatm = derived['water.gas'].value;
  const salinity = derived['planned.salinity'].value ?? 0;
  if (!material || khDh === null || litres === null || pco2Uatm === null || salinity > FRESH_SALINITY_MAX) return [];
  const [key, there] = Object.entries(design.water.additions).find(([, { materialId }]) => materialId === LEAVES) ?? [LEAVES, null];
  const phWith = (grams: number) =>
    settledPh({
      khDh,
      salinity,
      temperatureC: derived['planned.temperatureC'].value ?? 24,
      pco2Uatm,
      pco2Band: [pco2Uatm, pco2Uatm],
      organicCarbonMgPerL:
        organicCarbonOf(litres, [{ action: material.action, litres: 0, kg: grams / 1000, spent: 0 }], ASSUMED_CHANGE)?.value ?? 0,
    })?.ph ?? Infinity;
  const grams = GRAMS_PER_L.map((perL) => Math.max(1, Math.round(perL * litres))).find(
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
