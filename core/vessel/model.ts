import * as z from 'zod';
import { factOf } from '../quantity/fact';

const Millimetres = z.number().min(20).max(5000);

export const LidKind = z.enum(['none', 'mesh', 'glass']);
export type LidKind = z.infer<typeof LidKind>;

/** What the vessel has been through; until a leak test is logged none of these is trusted. */
export const VesselState = z.enum(['new', 'used', 'repaired', 'drilled', 'home-built']);

/** A rectangular tank, inside dimensions. */
export const Vessel = z
  .strictObject({
    shape: z.literal('box'),
    /** Left to right, inside. */
    lengthMm: Millimetres,
    /** Front to back, inside. */
    widthMm: Millimetres,
    /** Inside bottom to the top edge. */
    heightMm: Millimetres,
    /** Inside bottom to the water surface. */
    waterLevelMm: z.number().min(10).max(5000),
    lid: factOf(LidKind),
    state: factOf(VesselState),
    leakTested: factOf(z.boolean()),
  })
  .refine((vessel) => vessel.waterLevelMm <= vessel.heightMm, {
    message: 'the water level is above the top edge',
    path: ['waterLevelMm'],
  });
export type Vessel = z.infer<typeof Vessel>;
