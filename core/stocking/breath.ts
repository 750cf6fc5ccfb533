import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { AnimalGroup, type Animal } from '../catalogue/organism';

/** Of how strong a current an animal comes says how much it swims; against one at rest. Common practice: 1.1 to 1.7. */
const ACTIVE = { none: 1.1, slow: 1.3, moderate: 1.5, strong: 1.7 } as const;
type Current = keyof typeof ACTIVE;

/** Resting fish at 25 °C, mg an hour for 50 g: Clarke & Johnston 1999. */
const FISH_50_G = Math.exp(15.7 - 5020 / 298.15) * 31.998;
const FISH_EXPONENT = 0.8;
/** Fish below this are outside what the relation was drawn from: they are taken to breathe by weight as those of this size do. */
const FISH_FROM_G = 5;

/** mg an hour and gram at 25 °C for an animal of so many grams, moving about as it does; by mass to the 0.8. Recalled. */
const OTHERS: Readonly<Record<Exclude<AnimalGroup, 'fish'>, { mgPerGH: number; atG: number }>> = {
  amphibian: { mgPerGH: 0.07, atG: 50 },
  shrimp: { mgPerGH: 0.3, atG: 0.25 },
  crayfish: { mgPerGH: 0.2, atG: 2 },
  crab: { mgPerGH: 0.2, atG: 2 },
  snail: { mgPerGH: 0.1, atG: 1 },
  bivalve: { mgPerGH: 0.08, atG: 5 },
  cnidarian: { mgPerGH: 0.04, atG: 20 },
  sponge: { mgPerGH: 0.06, atG: 30 },
  echinoderm: { mgPerGH: 0.04, atG: 10 },
};
const EXPONENT = 0.8;

/** Oxygen that one animal breathes at 25 °C, mg a day, going about its day. Grams in; the band of what is likely is a factor of 1.6. */
export function breathMgPerDay(grams: number, group: AnimalGroup, current: Current = 'slow'): number {
  if (group === 'fish') {
    const within = Math.max(grams, FISH_FROM_G);
    const perGram = (FISH_50_G * (within / 50) ** FISH_EXPONENT) / within;
    return 24 * ACTIVE[current] * perGram * grams;
  }
  const { mgPerGH, atG } = OTHERS[group];
  return 24 * mgPerGH * atG * (grams / atG) ** EXPONENT;
}

export const breathOf = ({ group, traits: { current } }: Animal, grams: number): number =>
  breathMgPerDay(grams, group, current.value ?? 'slow');

export const breath = calculation({
  id: 'stocking.breath',
  title: 'Oxygen that an animal breathes',
  inputs: z.strictObject({
    grams: z.number().positive('an animal weighs something').max(20000),
    group: AnimalGroup,
    current: z.enum(['none', 'slow', 'moderate', 'strong']),
  }),
  outputs: z.strictObject({ mgPerDay: z.number(), mgPerKgHour: z.number() }),
  source: [
    { citation: 'Clarke & Johnston 1999, J. Anim. Ecol. 68:893 (resting fish by mass, drawn from 5 g up)', basis: 'recalled' },
    {
      citation: 'Small tropical fish 200–600, large or still ones 80–250, amphibians 30–80, shrimp 150–400 mg/kg·h at 25 °C',
      basis: 'practice',
    },
    { citation: 'Going about, against at rest: 1.1 for still-water fish to 1.7 for those of torrents', basis: 'practice' },
  ],
  formula: 'fish: activity · e^(15.7 − 5020/T) · 32 · (M/50)^0.8, below 5 g by weight; others: rate of the group · M^0.8',
  validity: '25 °C; the balance takes it to the tank’s temperature. Grown animals, fed and undisturbed',
  uncertainty: 'a factor of 1.6 either way',
  compute: ({ grams, group, current }) => {
    const mgPerDay = breathMgPerDay(grams, group, current);
    return { mgPerDay, mgPerKgHour: (mgPerDay / 24 / grams) * 1000 };
  },
});
