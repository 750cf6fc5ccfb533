import * as z from 'zod';
import { calculation } from '../calculation/calculation';

export interface BlendPart {
  share: number;
  value: number | null;
}

/**
 * A conservative quantity (hardness, alkalinity, salt mass; conductivity nearly) after mixing waters.
 * Shares are parts by volume and need not add up to one; densities are taken as equal.
 *
 * @returns null when nothing is mixed, or when a part with a share above zero has an unknown value
 */
export function blendConservative(parts: readonly BlendPart[]): number | null {
  let total = 0;
  let sum = 0;
  for (const { share, value } of parts) {
    if (share <= 0) continue;
    if (value === null) return null;
    total += share;
    sum += share * value;
  }
  return total > 0 ? sum / total : null;
}

export const blend = calculation({
  id: 'water.blend',
  title: 'Mixing waters: a conservative quantity',
  inputs: z.strictObject({
    parts: z
      .array(z.strictObject({ share: z.number().nonnegative(), value: z.number() }))
      .min(1)
      .max(20)
      .refine((parts) => parts.some((part) => part.share > 0), { message: 'at least one share must be above zero' }),
  }),
  outputs: z.strictObject({ value: z.number() }),
  source: [{ citation: 'Conservation of mass; exact for equal densities', basis: 'published' }],
  formula: 'value = Σ share · value / Σ share',
  validity: 'GH, alkalinity, salinity, single ions. Conductivity to a few per cent in fresh water. Never pH',
  uncertainty: 'that of the volumes measured out; conductivity bends by up to 5 % between RO and hard tap water',
  compute: ({ parts }) => ({ value: blendConservative(parts) ?? NaN }),
});
