import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Root capsules in a square grid over a planted area: whole ones, at least one. */
export function capsuleCount(areaMm2: number, spacingMm: number): number {
  return Math.max(1, Math.round(areaMm2 / (spacingMm * spacingMm)));
}

/** Depth and spacing that are used, millimetres. Common practice. */
export const CAPSULE_DEPTH_MM = [30, 50] as const;
export const CAPSULE_SPACING_MM = [30, 50] as const;

export const capsuleGrid = calculation({
  id: 'substrate.capsule-grid',
  title: 'Root capsules for an area',
  inputs: z.object({ areaMm2: z.number().positive().max(2.5e7), spacingMm: z.number().min(10).max(500) }),
  outputs: z.object({ count: z.number() }),
  source: [{ citation: 'Capsules 30–50 mm apart, 30–50 mm deep', basis: 'practice' }],
  validity: 'An area large against the spacing',
  uncertainty: 'One row more or less at the edges',
  formula: 'count = area / spacing²',
  compute: ({ areaMm2, spacingMm }) => ({ count: capsuleCount(areaMm2, spacingMm) }),
});
