import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** A dissolved quantity after some water has evaporated, which takes none of it along, and some has been topped up. */
export function afterEvaporation(value: number, litres: number, lostL: number, toppedL: number, topUpValue: number): number {
  return (value * litres + topUpValue * toppedL) / (litres - lostL + toppedL);
}

export const evaporationDrift = calculation({
  id: 'water.evaporation-drift',
  title: 'What evaporation and top-up do to salinity or hardness',
  inputs: z
    .strictObject({
      value: z.number().min(0).max(1e5),
      litres: z.number().positive().max(1e5),
      lostL: z.number().min(0).max(1e5),
      toppedL: z.number().min(0).max(1e5),
      topUpValue: z.number().min(0).max(1e5),
    })
    .refine(({ litres, lostL }) => lostL < litres, { message: 'more evaporates than there is', path: ['lostL'] }),
  outputs: z.strictObject({ value: z.number() }),
  source: [{ citation: 'Conservation of mass: vapour takes no salt along', basis: 'published' }],
  formula: "value' = (value · L + top-up value · topped) / (L − lost + topped)",
  validity: 'salinity, GH, KH, conductivity to a few per cent. Never pH',
  uncertainty: 'that of the litres lost',
  compute: ({ value, litres, lostL, toppedL, topUpValue }) => ({ value: afterEvaporation(value, litres, lostL, toppedL, topUpValue) }),
});
