import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Water in a space, less what stands in it. Litres. */
export function waterVolumeL(spaceL: number, displacedL: number): number {
  return spaceL - displacedL;
}

export const waterVolume = calculation({
  id: 'vessel.water-volume',
  title: 'Water in the vessel',
  inputs: z.strictObject({ spaceL: z.number().positive(), displacedL: z.number().nonnegative() }),
  outputs: z.strictObject({ litres: z.number() }),
  source: [{ citation: 'Geometry; exact', basis: 'published' }],
  formula: 'litres = space up to the water level − displaced',
  validity: 'displaced volume no more than the water space',
  uncertainty: 'that of the level and of what stands in the water; a bed and stone often take a fifth or more',
  outside: ({ spaceL, displacedL }) => (displacedL > spaceL ? 'more is displaced than the water space holds' : null),
  compute: ({ spaceL, displacedL }) => ({ litres: waterVolumeL(spaceL, displacedL) }),
});
