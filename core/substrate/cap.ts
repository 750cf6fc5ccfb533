import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import type { Span } from '../quantity/range';

/** A cap thinner than this leaks; 25 mm of gravel over topsoil is the least that is used. Common practice. */
export const LEAST_CAP_MM = 25;
/** From this on it holds for years. Common practice: 30 to 50 mm. */
export const GOOD_CAP_MM = 30;
/** Ground of a layer that may lie open, or thinly covered, before it counts: a curved wall, a plant's foot. */
export const SLIVER = 0.05;
/** Fine grain of the cap against coarse grain of what it holds down. Filter rule, recalled. */
const HOLDS_UP_TO = 5;

/** A grain range's size that 15 % and 85 % by weight are finer than; sizes spread evenly by their logarithm. */
const quantile = ([fine, coarse]: Span, share: number): number => fine * (coarse / fine) ** share;

/** Whether the pores of a cap are small enough to hold what is under it: D15 of the cap against D85 of the base. */
export function capRatio(capGrainMm: Span, baseGrainMm: Span): number {
  return quantile(capGrainMm, 0.15) / quantile(baseGrainMm, 0.85);
}

export const holdsDown = (capGrainMm: Span, baseGrainMm: Span): boolean => capRatio(capGrainMm, baseGrainMm) <= HOLDS_UP_TO;

const Grain = z.number().positive().max(300);
const Range = z.tuple([Grain, Grain]).refine(([fine, coarse]) => fine <= coarse, { message: 'the fine grain is above the coarse' });

export const cap = calculation({
  id: 'substrate.cap',
  title: 'Whether a cap holds what is under it',
  inputs: z.object({ capGrainMm: Range, baseGrainMm: Range, capDepthMm: z.number().min(0).max(500) }),
  outputs: z.object({ ratio: z.number(), grainHolds: z.boolean(), deepEnough: z.boolean() }),
  source: [
    { citation: 'Terzaghi filter rule: D15 of the filter to D85 of the base at most 4 to 5', basis: 'recalled' },
    { citation: '25 mm of gravel over topsoil, 30 to 50 mm over soil', basis: 'practice' },
  ],
  validity: 'Loose grain, sizes spread evenly by their logarithm between the two given',
  uncertainty: 'The rule was made for dams; digging animals break any cap',
  formula: 'ratio = D15(cap) / D85(base), holds when ≤ 5; deep enough from 25 mm',
  compute: ({ capGrainMm, baseGrainMm, capDepthMm }) => ({
    ratio: capRatio(capGrainMm, baseGrainMm),
    grainHolds: holdsDown(capGrainMm, baseGrainMm),
    deepEnough: capDepthMm >= LEAST_CAP_MM,
  }),
});
