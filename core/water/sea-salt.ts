import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { seawaterDensity } from '../quantity/seawater';
import { SALT_G_PER_KG_AT_35 } from './sea-composition';

/** Grams of dissolved salt in a kilogram of sea water of practical salinity 1. */
const GRAMS_PER_KG = SALT_G_PER_KG_AT_35 / 35;

/**
 * Dry salt that brings water from one salinity to another, grams. Litres are those of the water before the salt.
 * @param moisture mass of the mix over that of its dry salt; 1 for anhydrous salt, 1.03 to 1.15 for what is sold
 */
export function seaSaltG(litres: number, fromSalinity: number, toSalinity: number, temperatureC: number, moisture: number): number {
  const kg = (litres * seawaterDensity(temperatureC, fromSalinity)) / 1000;
  const [from, to] = [fromSalinity * GRAMS_PER_KG, toSalinity * GRAMS_PER_KG];
  return ((kg * (to - from)) / (1000 - to)) * 1000 * moisture;
}

export const seaSalt = calculation({
  id: 'water.sea-salt',
  title: 'Salt for sea or brackish water',
  inputs: z
    .strictObject({
      litres: z.number().positive().max(100000),
      fromSalinity: z.number().min(0).max(42),
      toSalinity: z.number().min(0).max(42),
      temperatureC: z.number().min(-2).max(40),
      moisture: z.number().min(1).max(1.3).default(1),
    })
    .refine(({ fromSalinity, toSalinity }) => toSalinity >= fromSalinity, {
      message: 'salt cannot lower the salinity: thin it with RO water',
      path: ['toSalinity'],
    }),
  outputs: z.strictObject({ grams: z.number() }),
  source: [
    { citation: 'Reference salinity: Millero, Feistel, Wright & McDougall 2008, Deep-Sea Res. I 55:50', basis: 'published' },
    { citation: 'EOS-80 density: Millero & Poisson 1981', basis: 'published' },
    { citation: 'Moisture of mixes, 3–15 %', basis: 'practice' },
  ],
  formula: 'g = litres · ρ · (SA₂ − SA₁)/(1000 − SA₂) · moisture; SA = S · 35.16504/35 g/kg',
  validity: 'salinity 0–42, −2 to 40 °C, mixes of sea-salt proportions',
  uncertainty: 'mixes hold 3–15 % water: mix, wait a day, measure, correct',
  compute: ({ litres, fromSalinity, toSalinity, temperatureC, moisture }) => ({
    grams: seaSaltG(litres, fromSalinity, toSalinity, temperatureC, moisture),
  }),
});
