import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import type { Span } from '../quantity/range';

export type SwallowVerdict = 'passes' | 'lodges' | 'too-large' | 'mixed';

/** Grain below this share of the gape goes through an animal that sucks it in. Common practice. */
const PASSES_BELOW = 0.3;
/** Grain above this share is not taken in. Common practice. */
const TOO_LARGE_ABOVE = 1.5;

/**
 * What grain does in an animal that sucks in its food: finer than 0.3 of its gape it passes, coarser than 1.5 it stays outside, between
 * it lodges; a grain range that reaches into the dangerous part from outside is mixed.
 */
export function swallowHazard([grainMinMm, grainMaxMm]: Span, gapeMm: number): SwallowVerdict {
  if (grainMaxMm < PASSES_BELOW * gapeMm) return 'passes';
  if (grainMinMm > TOO_LARGE_ABOVE * gapeMm) return 'too-large';
  if (grainMinMm >= PASSES_BELOW * gapeMm && grainMaxMm <= TOO_LARGE_ABOVE * gapeMm) return 'lodges';
  return 'mixed';
}

/** The grain that does no harm: up to the first, from the second on. Millimetres. */
export const safeGrainMm = (gapeMm: number): { upTo: number; from: number } => ({
  upTo: PASSES_BELOW * gapeMm,
  from: TOO_LARGE_ABOVE * gapeMm,
});

const Grain = z.number().positive().max(1000);

export const swallowHazardCalculation = calculation({
  id: 'substrate.swallow-hazard',
  title: 'Grain in an animal that sucks in its food',
  inputs: z
    .object({ grainMinMm: Grain, grainMaxMm: Grain, gapeMm: z.number().positive().max(500) })
    .refine(({ grainMinMm, grainMaxMm }) => grainMinMm <= grainMaxMm, {
      message: 'the fine grain is above the coarse',
      path: ['grainMinMm'],
    }),
  outputs: z.object({ verdict: z.enum(['passes', 'lodges', 'too-large', 'mixed']) }),
  source: [
    {
      citation: 'Grain below 0.3 of the gape passes, above 1.5 of it is not taken in; the worst is from half to the whole of it',
      basis: 'practice',
    },
  ],
  validity: 'Animals that suck in or sift their food; gape of the grown animal, and again of the young',
  uncertainty: 'A rule of thumb without a controlled trial behind it: keep well clear of its edges',
  formula: 'passes: max < 0.3 gape; too large: min > 1.5 gape; lodges: all between; mixed: partly',
  compute: ({ grainMinMm, grainMaxMm, gapeMm }) => ({ verdict: swallowHazard([grainMinMm, grainMaxMm], gapeMm) }),
});
