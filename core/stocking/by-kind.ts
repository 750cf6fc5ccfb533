import * as z from 'zod';
import { calculation, type Calculation } from '../calculation/calculation';
import { listed } from '../calculation/registry';
import type { Animal, Organism } from '../catalogue/organism';
import { livingAt } from '../tank/speeds';
import { bodyMassG } from './body-mass';
import { breathOf } from './breath';

/** Either way, for weight and for breath: condition, sex, eggs. */
const DOUBT = 1.6;

/** What is asked of a kind of the catalogue by its id. */
export function kindCalculations(organisms: ReadonlyMap<string, Organism>): Calculation[] {
  const animalOf = (id: string): Animal | null => {
    const organism = organisms.get(id);
    return organism?.kind === 'animal' ? organism : null;
  };
  const KindId = z.string().refine((id) => animalOf(id) !== null, { message: 'no animal of that id in the catalogue' });
  const banded = (value: number) => ({ low: value / DOUBT, high: value * DOUBT });
  const massOf = (animal: Animal, lengthMm: number | undefined): number => {
    const { length, depth, width } = animal.sizeMm;
    if (length.value === null) return NaN;
    // younger ones are as slender as they will be grown
    const share = (lengthMm ?? length.value) / length.value;
    const scaled = (value: number | null) => (value === null ? null : value * share);
    const long = animal.traits.fins.value === 'long';
    return (
      bodyMassG({
        form: animal.form,
        lengthMm: length.value * share,
        depthMm: scaled(depth.value),
        widthMm: scaled(width.value),
        longFins: long,
      }) ?? NaN
    );
  };
  return [
    listed(
      calculation({
        id: 'stocking.mass',
        title: 'What an animal of a kind weighs',
        inputs: z.strictObject({ organismId: KindId, lengthMm: z.number().positive().max(3000).optional() }),
        outputs: z.strictObject({ grams: z.number(), low: z.number(), high: z.number() }),
        source: [{ citation: 'See stocking.body-mass, by the sizes of the catalogue', basis: 'recalled' }],
        formula: 'W = a · girth · (share · length)^b at its grown length, or at the length given and as slender',
        validity: 'sizes that the catalogue knows; larvae are of another form',
        uncertainty: 'a factor of 1.6 either way',
        outside: ({ organismId, lengthMm }) =>
          Number.isFinite(massOf(animalOf(organismId)!, lengthMm)) ? null : 'the sizes of this kind are not known',
        compute: ({ organismId, lengthMm }) => {
          const grams = massOf(animalOf(organismId)!, lengthMm);
          return { grams, ...banded(grams) };
        },
      }),
    ),
    listed(
      calculation({
        id: 'stocking.oxygen-use',
        title: 'Oxygen that an animal of a kind breathes',
        inputs: z.strictObject({
          organismId: KindId,
          grams: z.number().positive('an animal weighs something').max(20_000),
          temperatureC: z.number().min(0).max(40),
        }),
        outputs: z.strictObject({ mgPerHour: z.number(), low: z.number(), high: z.number() }),
        source: [
          { citation: 'See stocking.breath, by the group of the kind and the current it comes from', basis: 'recalled' },
          { citation: 'With temperature: Clarke & Johnston 1999, J. Anim. Ecol. 68:893', basis: 'recalled' },
        ],
        formula: 'breath at 25 °C · e^(−5020 (1/T − 1/298.15)), over 24 hours',
        validity: 'grown animals in the warmth they live in, fed and undisturbed',
        uncertainty: 'a factor of 1.6 either way',
        compute: ({ organismId, grams, temperatureC }) => {
          const mgPerHour = (breathOf(animalOf(organismId)!, grams) / 24) * livingAt(temperatureC);
          return { mgPerHour, ...banded(mgPerHour) };
        },
      }),
    ),
  ];
}
