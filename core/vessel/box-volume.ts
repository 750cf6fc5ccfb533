import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Inside volume of a box. Millimetres in, litres out; exact. */
export function boxVolumeL(lengthMm: number, widthMm: number, heightMm: number): number {
  return (lengthMm * widthMm * heightMm) / 1e6;
}

export const boxVolume = calculation({
  id: 'vessel.box-volume',
  title: 'Inside volume of a box',
  inputs: z.strictObject({ lengthMm: z.number().positive(), widthMm: z.number().positive(), heightMm: z.number().nonnegative() }),
  outputs: z.strictObject({ litres: z.number() }),
  source: [{ citation: 'Geometry; exact', basis: 'published' }],
  formula: 'litres = length · width · height / 10⁶',
  validity: 'inside dimensions, square corners',
  uncertainty: 'that of the measured dimensions: 1 mm in 300 is 0.3 %',
  compute: ({ lengthMm, widthMm, heightMm }) => ({ litres: boxVolumeL(lengthMm, widthMm, heightMm) }),
});
