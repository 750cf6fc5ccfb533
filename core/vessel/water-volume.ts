import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { boxVolumeL } from './box-volume';

/** Water in a box filled to a level, less what stands in it. Millimetres and litres. */
export function waterVolumeL(lengthMm: number, widthMm: number, waterLevelMm: number, displacedL: number): number {
  return boxVolumeL(lengthMm, widthMm, waterLevelMm) - displacedL;
}

export const waterVolume = calculation({
  id: 'vessel.water-volume',
  title: 'Water in the box',
  inputs: z.strictObject({
    lengthMm: z.number().positive(),
    widthMm: z.number().positive(),
    waterLevelMm: z.number().positive(),
    displacedL: z.number().nonnegative(),
  }),
  outputs: z.strictObject({ litres: z.number() }),
  source: [{ citation: 'Geometry; exact', basis: 'published' }],
  formula: 'litres = length · width · water level / 10⁶ − displaced',
  validity: 'square corners; displaced volume no more than the water space',
  uncertainty: 'that of the level and of what stands in the water; a bed and stone often take a fifth or more',
  outside: ({ lengthMm, widthMm, waterLevelMm, displacedL }) =>
    displacedL > boxVolumeL(lengthMm, widthMm, waterLevelMm) ? 'more is displaced than the water space holds' : null,
  compute: ({ lengthMm, widthMm, waterLevelMm, displacedL }) => ({
    litres: waterVolumeL(lengthMm, widthMm, waterLevelMm, displacedL),
  }),
});
