import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Water that shares one chemistry: display, sump, chambers, pipes. Litres. Doses, changes and heat go by this. */
export function systemVolumeL(displayL: number, sumpL: number, plumbingL: number): number {
  return displayL + sumpL + plumbingL;
}

const Litres = z.number().nonnegative();

export const systemVolume = calculation({
  id: 'vessel.system-volume',
  title: 'Water of the whole system',
  inputs: z.strictObject({ displayL: Litres, sumpL: Litres, plumbingL: Litres }),
  outputs: z.strictObject({ litres: z.number() }),
  source: [{ citation: 'A sum; exact', basis: 'published' }],
  formula: 'litres = display + sump while running + chambers and pipes',
  validity: 'water that the pump moves round',
  uncertainty: 'that of its parts; the running level of a sump moves with evaporation',
  compute: ({ displayL, sumpL, plumbingL }) => ({ litres: systemVolumeL(displayL, sumpL, plumbingL) }),
});
