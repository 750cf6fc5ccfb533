import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import {
  CARBONATE_SOURCES,
  carbonateAtDic,
  carbonateAtPco2,
  carbonateAtPh,
  freshWaterFields,
  outsideFreshWater,
} from '../chemistry/carbonate-system';

export interface DoseResult {
  /** At once, before any gas is exchanged. */
  closed: { ph: number; co2MgPerL: number };
  /** Once the water has come into balance with the CO2 pressure. */
  open: { ph: number };
}

/**
 * What adding alkalinity and inorganic carbon does, at once and after airing. A bicarbonate salt adds one of each per mmol,
 * carbonate two of alkalinity and one of carbon, a strong acid takes alkalinity alone.
 * @returns null when pH and alkalinity before contradict each other
 */
export function dose(
  water: { temperatureC: number; alkalinityMeqPerL: number; ionicStrengthMolPerL?: number | undefined },
  ph: number,
  addAlkalinityMeqPerL: number,
  addDicMmolPerL: number,
  pco2Uatm: number,
): DoseResult | null {
  const before = carbonateAtPh(water, ph);
  if (!before) return null;
  const after = { ...water, alkalinityMeqPerL: water.alkalinityMeqPerL + addAlkalinityMeqPerL };
  const closed = carbonateAtDic(after, Math.max(0, before.dicMmolPerL + addDicMmolPerL));
  return { closed: { ph: closed.ph, co2MgPerL: closed.co2MgPerL }, open: { ph: carbonateAtPco2(after, pco2Uatm).ph } };
}

export const dosing = calculation({
  id: 'water.dosing',
  title: 'What a dose does, at once and after airing',
  inputs: z.strictObject({
    ...freshWaterFields,
    ph: z.number().min(0).max(14),
    addAlkalinityMeqPerL: z.number().min(-10).max(10),
    addDicMmolPerL: z.number().min(-10).max(10),
    pco2Uatm: z.number().min(1).max(200000),
  }),
  outputs: z.strictObject({
    closed: z.strictObject({ ph: z.number(), co2MgPerL: z.number() }),
    open: z.strictObject({ ph: z.number() }),
  }),
  source: CARBONATE_SOURCES,
  formula: 'closed: Alk + a, DIC + d, solved for pH; open: Alk + a at the CO₂ pressure',
  validity: 'fresh water, 0–40 °C, pH 3–11, no humic acids. Never dose a strong acid: it frees CO₂ at once',
  uncertainty: '0.05 pH; between the two lie minutes to hours of airing',
  outside: (input) => {
    const outside = outsideFreshWater(input);
    if (outside) return outside;
    if (input.ph < 3 || input.ph > 11) return 'pH outside 3–11';
    return carbonateAtPh(input, input.ph) ? null : 'this pH and this alkalinity contradict each other';
  },
  compute: ({ ph, addAlkalinityMeqPerL, addDicMmolPerL, pco2Uatm, ...water }) =>
    dose(water, ph, addAlkalinityMeqPerL, addDicMmolPerL, pco2Uatm) ?? { closed: { ph: NaN, co2MgPerL: NaN }, open: { ph: NaN } },
});
