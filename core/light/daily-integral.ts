import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Light of a day, mol/m². Each ramp goes straight from dark to full, or back, inside the hours. */
export const dailyMol = (ppfd: number, hours: number, rampHours: number): number => (ppfd * (hours - rampHours) * 3600) / 1e6;

export const dailyIntegral = calculation({
  id: 'light.daily-integral',
  title: 'Light of a day',
  inputs: z
    .strictObject({ ppfd: z.number().min(0).max(5000), hours: z.number().min(0).max(24), rampHours: z.number().min(0).max(12) })
    .refine(({ hours, rampHours }) => 2 * rampHours <= hours, {
      message: 'the ramps up and down are longer than the light is on',
      path: ['rampHours'],
    }),
  outputs: z.strictObject({ molPerM2: z.number() }),
  source: [{ citation: 'By definition: 1 µmol/m²s for an hour is 0.0036 mol/m²', basis: 'published' }],
  formula: 'DLI = PPFD · 3600 (h − h_ramp) / 10⁶, a ramp of h_ramp at either end',
  validity: 'One steady level between two straight ramps of the same length',
  uncertainty: 'That of the level',
  compute: ({ ppfd, hours, rampHours }) => ({ molPerM2: dailyMol(ppfd, hours, rampHours) }),
});
