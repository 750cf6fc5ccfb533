import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Grams of table salt per gram of chloride. */
const SALT_PER_CHLORIDE = 58.44 / 35.45;

/**
 * Chloride against nitrite at the gill (Lewis & Morris 1986, Trans. Am. Fish. Soc. 115:183).
 * @param ratio mass of chloride wanted per mass of nitrite nitrogen: 10 for warm-water fish, 20 to be careful (common practice)
 */
export function nitriteGuard(nitriteNMgPerL: number, chlorideMgPerL: number, ratio: number) {
  const wanted = nitriteNMgPerL * ratio;
  const missing = Math.max(0, wanted - chlorideMgPerL);
  return { chlorideWantedMgPerL: wanted, saltMgPerL: missing * SALT_PER_CHLORIDE };
}

export const nitriteChloride = calculation({
  id: 'water.nitrite-chloride',
  title: 'Chloride against nitrite',
  inputs: z.strictObject({
    nitriteNMgPerL: z.number().min(0).max(100),
    chlorideMgPerL: z.number().min(0).max(25000),
    ratio: z.number().min(1).max(100).default(20),
  }),
  outputs: z.strictObject({ chlorideWantedMgPerL: z.number(), saltMgPerL: z.number() }),
  source: [
    { citation: 'Lewis & Morris 1986, Trans. Am. Fish. Soc. 115:183 (that chloride protects)', basis: 'published' },
    { citation: 'Ratio 10 to 20 by mass', basis: 'practice' },
  ],
  formula: 'Cl⁻ wanted = ratio · NO₂-N; salt = 1.6485 · (wanted − there)',
  validity: 'fish in fresh water. No sure figures for shrimp; first find out why there is nitrite',
  uncertainty: 'a factor of two between species',
  compute: ({ nitriteNMgPerL, chlorideMgPerL, ratio }) => nitriteGuard(nitriteNMgPerL, chlorideMgPerL, ratio),
});
