import * as z from 'zod';
import { factOf } from '../quantity/fact';
import { Id } from './organism';

/** A generic class of thing the tank is built from. */
export const Material = z.strictObject({
  id: Id,
  name: z.string().min(1),
  use: z.enum(['substrate', 'stone', 'wood', 'botanical']),
  /** Solid density for stone and wood, dry bulk density for substrates and botanicals. */
  densityKgPerM3: factOf(z.number().positive()),
  grainMm: factOf(
    z.tuple([z.number().nonnegative(), z.number().positive()]).refine(([a, b]) => a <= b, { message: 'grain sizes are out of order' }),
  ),
  effectOnWater: factOf(z.enum(['none', 'hardens', 'softens', 'acidifies'])),
  colour: z.string().regex(/^#[0-9a-f]{6}$/),
});
export type Material = z.infer<typeof Material>;
