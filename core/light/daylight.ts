import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** How much of the sky a tank sees: away from windows, by a window out of the sun, where the sun falls on it. */
export const SkyClass = z.enum(['none', 'some', 'direct']);
export type SkyClass = z.infer<typeof SkyClass>;

/** Light of a day in the open, mol/m², about 50° from the equator, by months after midwinter. Recalled, order of maps of daily light. */
const OPEN_MOL = [6, 12, 21, 32, 40, 44, 42, 36, 25, 15, 8, 5] as const;
/** Of it that comes down on the water indoors. Common practice: an indoor room has a hundredth of the light outside, a window sill a tenth. */
const INDOORS: Readonly<Record<SkyClass, number>> = { none: 0.002, some: 0.02, direct: 0.1 };

/** South of the equator the year is turned: known by the warmer month of January and July. */
export function isSouthern(climateC: readonly (readonly [number, number])[] | null): boolean {
  const middle = (month: number) => (climateC?.[month] ? (climateC[month][0] + climateC[month][1]) / 2 : 0);
  return climateC !== null && middle(0) > middle(6) + 1;
}

/** Daylight on the water by month, January first, mol/m² a day. */
export function daylightByMonth(sky: SkyClass, southern: boolean): number[] {
  return OPEN_MOL.map((_, month) => OPEN_MOL[(month + (southern ? 6 : 0)) % 12]! * INDOORS[sky]);
}

export const daylight = calculation({
  id: 'light.daylight',
  title: 'Daylight on the water',
  inputs: z.strictObject({ sky: SkyClass, southern: z.boolean() }),
  outputs: z.strictObject({ darkestMolPerM2: z.number(), brightestMolPerM2: z.number(), meanMolPerM2: z.number() }),
  source: [
    { citation: 'Light of a day in the open about 50° from the equator: 5 in midwinter to 44 mol/m² in midsummer', basis: 'recalled' },
    { citation: 'Indoors away from windows 0.2 %, by a window 2 %, in the sun on a sill 10 % of it', basis: 'practice' },
  ],
  formula: 'share of the class × light of the month',
  validity: 'About 40° to 55° from the equator; windows, trees and curtains differ',
  uncertainty: 'a factor of three either way',
  compute: ({ sky, southern }) => {
    const months = daylightByMonth(sky, southern);
    return {
      darkestMolPerM2: Math.min(...months),
      brightestMolPerM2: Math.max(...months),
      meanMolPerM2: months.reduce((sum, mol) => sum + mol, 0) / 12,
    };
  },
});
