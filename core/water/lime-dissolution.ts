import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { CARBONATE_SOURCES, carbonateAtPco2, freshWaterFields, outsideFreshWater } from '../chemistry/carbonate-system';
import { saturationIndices } from '../chemistry/saturation-index';

export type LimeMineral = 'calcite' | 'aragonite';

/** Lime that a water can still take up at a CO2 pressure before it is saturated, mmol/L; 0 when it is already. */
export function limeToSaturation(
  temperatureC: number,
  alkalinityMeqPerL: number,
  calciumMmolPerL: number,
  pco2Uatm: number,
  mineral: LimeMineral,
): number {
  const unsaturated = (n: number): boolean => {
    const alkalinity = alkalinityMeqPerL + 2 * n;
    const calcium = calciumMmolPerL + n;
    if (calcium <= 0) return true;
    const { ph } = carbonateAtPco2({ temperatureC, alkalinityMeqPerL: alkalinity }, pco2Uatm);
    const index = saturationIndices(temperatureC, ph, calcium, alkalinity);
    return index === null || index[mineral] < 0;
  };
  let [low, high] = [0, 10];
  if (!unsaturated(low)) return 0;
  for (let i = 0; i < 30; i++) {
    const n = (low + high) / 2;
    if (unsaturated(n)) low = n;
    else high = n;
  }
  return (low + high) / 2;
}

/**
 * Share of the way to saturation that is reached just before a change, in a tank that is changed steadily: each interval goes on towards
 * saturation, each change throws a fraction of it back.
 */
export function steadyShare(ratePerDay: number, changeFraction: number, changeDays: number): number {
  const left = Math.exp(-ratePerDay * changeDays);
  return (1 - left) / (1 - left * (1 - changeFraction));
}

/** Lime dissolved in a tank under steady changes, mmol/L of calcium: half of what it adds to the alkalinity in meq/L. */
export function limeDissolvedMmolPerL(saturationMmolPerL: number, ratePerDay: number, changeFraction: number, changeDays: number): number {
  return saturationMmolPerL * steadyShare(ratePerDay, changeFraction, changeDays);
}

export const limeDissolution = calculation({
  id: 'water.lime-dissolution',
  title: 'Lime that stone, sand or coral gives to the water',
  inputs: z.strictObject({
    ...freshWaterFields,
    calciumMmolPerL: z.number().min(0).max(100),
    pco2Uatm: z.number().min(1).max(200000),
    mineral: z.enum(['calcite', 'aragonite']),
    /** Share of the way to saturation a day. */
    ratePerDay: z.number().min(0).max(50),
    changeFraction: z.number().min(0.001).max(1),
    changeDays: z.number().positive().max(365),
  }),
  outputs: z.strictObject({ saturationMmolPerL: z.number(), dissolvedMmolPerL: z.number() }),
  source: [...CARBONATE_SOURCES, { citation: 'Rate: a few per cent a day for stone, tens for sand', basis: 'practice' }],
  formula: 'n: SI(Ca + n, Alk + 2n) = 0; dissolved = n (1 − e⁻ᵏᵗ) / (1 − (1 − f) e⁻ᵏᵗ)',
  validity: 'fresh water, 0–40 °C, no humic acids, stirred; each mmol adds 1 mmol of calcium and 2 meq of alkalinity',
  uncertainty: 'saturation ±10 %; the rate by a factor of three: grain, slime and flow',
  outside: outsideFreshWater,
  compute: ({ temperatureC, alkalinityMeqPerL, calciumMmolPerL, pco2Uatm, mineral, ratePerDay, changeFraction, changeDays }) => {
    const saturationMmolPerL = limeToSaturation(temperatureC, alkalinityMeqPerL, calciumMmolPerL, pco2Uatm, mineral);
    return {
      saturationMmolPerL,
      dissolvedMmolPerL: limeDissolvedMmolPerL(saturationMmolPerL, ratePerDay, changeFraction, changeDays),
    };
  },
});
