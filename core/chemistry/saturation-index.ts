import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { carbonateSolubility, daviesActivity } from './carbonate-constants';
import { usualIonicStrength } from './acid-base';
import { CARBONATE_SOURCES, carbonateAtPh, freshWaterFields, outsideFreshWater } from './carbonate-system';

/**
 * Saturation index of calcite and aragonite: log10 of ion activity product over solubility. Above 0 lime settles out, below 0 it dissolves.
 * Ion pairs are left out: they would lower it by 0.03 to 0.06.
 * @returns null when pH and alkalinity contradict each other
 */
export function saturationIndices(
  temperatureC: number,
  ph: number,
  calciumMmolPerL: number,
  alkalinityMeqPerL: number,
  ionicStrengthMolPerL = usualIonicStrength(alkalinityMeqPerL),
): { calcite: number; aragonite: number } | null {
  const water = carbonateAtPh({ temperatureC, alkalinityMeqPerL, ionicStrengthMolPerL }, ph);
  if (!water) return null;
  const gamma2 = daviesActivity(2, ionicStrengthMolPerL, temperatureC);
  const product = Math.log10(gamma2 ** 2 * (calciumMmolPerL / 1000) * (water.carbonateMmolPerL / 1000));
  const { logCalcite, logAragonite } = carbonateSolubility(temperatureC);
  return { calcite: product - logCalcite, aragonite: product - logAragonite };
}

export const saturationIndex = calculation({
  id: 'water.saturation-index',
  title: 'Saturation index of lime',
  inputs: z.strictObject({ ...freshWaterFields, ph: z.number().min(0).max(14), calciumMmolPerL: z.number().positive().max(1000) }),
  outputs: z.strictObject({ calcite: z.number(), aragonite: z.number() }),
  source: CARBONATE_SOURCES,
  formula: 'SI = log(γ₂[Ca²⁺] · γ₂[CO₃²⁻]) − log Ksp',
  validity: 'fresh water, 0–40 °C, pH 3–11, ionic strength to 0.1 mol/L, no humic acids',
  uncertainty: '±0.1; phosphate and humic matter hold lime in solution well above 0',
  outside: (input) => {
    const outside = outsideFreshWater(input);
    if (outside) return outside;
    if (input.ph < 3 || input.ph > 11) return 'pH outside 3–11';
    return carbonateAtPh(input, input.ph) ? null : 'this pH and this alkalinity contradict each other';
  },
  compute: ({ temperatureC, ph, calciumMmolPerL, alkalinityMeqPerL, ionicStrengthMolPerL }) =>
    saturationIndices(temperatureC, ph, calciumMmolPerL, alkalinityMeqPerL, ionicStrengthMolPerL) ?? { calcite: NaN, aragonite: NaN },
});
