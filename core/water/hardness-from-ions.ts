import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';

/** g/mol, IUPAC conventional atomic weights. */
const MOLAR_MASS_CA = 40.078;
const MOLAR_MASS_MG = 24.305;
const MOLAR_MASS_HCO3 = 61.016;

/**
 * General hardness from calcium and magnesium (mg/L), in German degrees. Strontium and barium are left out.
 * 1 dGH = 10 mg CaO per litre = 0.178326 mmol/L of Ca + Mg.
 */
export function ghFromIonsDh(calciumMgPerL: number, magnesiumMgPerL: number): number {
  return (calciumMgPerL / MOLAR_MASS_CA + magnesiumMgPerL / MOLAR_MASS_MG) / MMOL_PER_DEGREE_HARDNESS;
}

/**
 * KH, which is total alkalinity in German degrees, from bicarbonate (mg/L). Near neutral pH
 * carbonate adds a few per cent at most. 1 dKH = 0.356652 meq/L = 21.76 mg/L bicarbonate.
 */
export function khFromIonsDh(bicarbonateMgPerL: number): number {
  return bicarbonateMgPerL / MOLAR_MASS_HCO3 / MEQ_PER_DEGREE_ALKALINITY;
}

const MgPerL = z.number().nonnegative().max(50000);

export const ghFromIons = calculation({
  id: 'water.gh-from-ions',
  title: 'General hardness from calcium and magnesium',
  inputs: z.strictObject({ calciumMgPerL: MgPerL, magnesiumMgPerL: MgPerL }),
  outputs: z.strictObject({ ghDh: z.number() }),
  source: [{ citation: 'Definition of the German degree, 10 mg CaO/L; IUPAC conventional atomic weights', basis: 'published' }],
  formula: 'GH = (Ca/40.078 + Mg/24.305) / 0.178326',
  validity: 'any water; counts calcium and magnesium only',
  uncertainty: 'that of the analysis; a drop kit reads to ±0.5–1 dGH',
  compute: ({ calciumMgPerL, magnesiumMgPerL }) => ({ ghDh: ghFromIonsDh(calciumMgPerL, magnesiumMgPerL) }),
});

export const khFromIons = calculation({
  id: 'water.kh-from-ions',
  title: 'KH (total alkalinity) from bicarbonate',
  inputs: z.strictObject({ bicarbonateMgPerL: MgPerL }),
  outputs: z.strictObject({ khDh: z.number() }),
  source: [{ citation: 'Definition of the German degree; IUPAC conventional atomic weights', basis: 'published' }],
  formula: 'KH = HCO₃ / 61.016 / 0.356652',
  validity: 'pH 6–8.5, where nearly all alkalinity is bicarbonate',
  uncertainty: 'that of the analysis; phosphate, borate and humic bases are not counted',
  compute: ({ bicarbonateMgPerL }) => ({ khDh: khFromIonsDh(bicarbonateMgPerL) }),
});
