import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Inside volume of an upright cylinder. Millimetres in, litres out; exact. */
export function cylinderVolumeL(diameterMm: number, heightMm: number): number {
  return ((Math.PI / 4) * diameterMm ** 2 * heightMm) / 1e6;
}

export const cylinderVolume = calculation({
  id: 'vessel.cylinder-volume',
  title: 'Inside volume of an upright cylinder',
  inputs: z.strictObject({ diameterMm: z.number().positive(), heightMm: z.number().nonnegative() }),
  outputs: z.strictObject({ litres: z.number() }),
  source: [{ citation: 'Geometry; exact', basis: 'published' }],
  formula: 'litres = π/4 · diameter² · height / 10⁶',
  validity: 'inside dimensions, straight walls',
  uncertainty: 'that of the measured dimensions, twice that of the diameter',
  compute: ({ diameterMm, heightMm }) => ({ litres: cylinderVolumeL(diameterMm, heightMm) }),
});
