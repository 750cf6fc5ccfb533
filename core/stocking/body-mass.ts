import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { AnimalForm, type Animal } from '../catalogue/organism';

type BodyForm = z.infer<typeof AnimalForm>;

/**
 * How a body form weighs. `a` and `b` of W = a·L^b with L the length without the tail fin, in cm, and W in g; `share` is that length over the
 * length the field quotes, `girth` the usual √(depth·width)/length of the form, where it is worth setting right by. `ofBox` is flesh as a
 * share of the box around a shell.
 */
type Shape = { a: number; b: number; share: number; girth?: number } | { ofBox: number };

/** Recalled: the order of published length-weight relations, set by weights that keepers know. Sessile animals by living tissue. */
const SHAPES: Readonly<Record<BodyForm, Shape>> = {
  'slender-fish': { a: 0.012, b: 3, share: 0.8, girth: 0.2 },
  'deep-fish': { a: 0.024, b: 2.9, share: 0.8, girth: 0.27 },
  // fins as high as the body is long say nothing of the body
  'disc-fish': { a: 0.05, b: 3, share: 0.8 },
  'hatchet-fish': { a: 0.03, b: 3, share: 0.8 },
  'small-cichlid': { a: 0.022, b: 3, share: 0.8, girth: 0.25 },
  catfish: { a: 0.045, b: 3, share: 0.8, girth: 0.3 },
  loach: { a: 0.005, b: 3, share: 0.9, girth: 0.085 },
  goby: { a: 0.014, b: 3, share: 0.8, girth: 0.2 },
  pipefish: { a: 0.0006, b: 3, share: 0.96 },
  seahorse: { a: 0.0033, b: 3, share: 1 },
  salamander: { a: 0.0055, b: 3, share: 1 },
  frog: { a: 0.05, b: 3, share: 1 },
  shrimp: { a: 0.011, b: 3, share: 1 },
  crayfish: { a: 0.025, b: 3, share: 1 },
  crab: { a: 0.4, b: 3, share: 1 },
  hermit: { a: 0.12, b: 3, share: 1 },
  snail: { ofBox: 0.12 },
  bivalve: { ofBox: 0.1 },
  cucumber: { ofBox: 0.35 },
  gorgonian: { a: 0.0005, b: 3, share: 1 },
  polyps: { a: 0.2, b: 2, share: 1 },
  sponge: { a: 0.15, b: 2, share: 1 },
  star: { a: 0.003, b: 3, share: 1 },
};
/** Of a fish with long fins, its length without the tail. */
const LONG_FINNED = 0.9;
/** As far as a girth may set a form right. */
const GIRTH = { least: 0.5, most: 2.5 };

export interface BodySizes {
  form: BodyForm;
  lengthMm: number;
  depthMm: number | null;
  widthMm: number | null;
  longFins: boolean;
}

/** Grams of one animal by its form and sizes; null where the form wants a depth and width that are not known. */
export function bodyMassG({ form, lengthMm, depthMm, widthMm, longFins }: BodySizes): number | null {
  const shape = SHAPES[form];
  if ('ofBox' in shape) return depthMm === null || widthMm === null ? null : (shape.ofBox * lengthMm * depthMm * widthMm) / 1000;
  const body = (lengthMm / 10) * shape.share * (longFins ? LONG_FINNED : 1);
  const girth =
    shape.girth === undefined || depthMm === null || widthMm === null
      ? 1
      : Math.min(GIRTH.most, Math.max(GIRTH.least, Math.sqrt(depthMm * widthMm) / lengthMm / shape.girth));
  return shape.a * girth * body ** shape.b;
}

/** Grams of one animal of a kind at a length of its own, or as the catalogue has it grown; null where its sizes are not known. */
export function massOfAnimal({ form, sizeMm: { length, depth, width }, traits: { fins } }: Animal): number | null {
  if (length.value === null) return null;
  return bodyMassG({ form, lengthMm: length.value, depthMm: depth.value, widthMm: width.value, longFins: fins.value === 'long' });
}

const Size = z.number().positive('a size is more than nothing').max(1500, 'longer than any animal that is kept here');

export const bodyMass = calculation({
  id: 'stocking.body-mass',
  title: 'What an animal weighs',
  inputs: z.strictObject({
    form: AnimalForm,
    lengthMm: Size,
    depthMm: Size.nullable(),
    widthMm: Size.nullable(),
    longFins: z.boolean(),
  }),
  outputs: z.strictObject({ grams: z.number() }),
  source: [
    {
      citation: 'Length-weight relations of the order of those published, by body form; set by weights that keepers know',
      basis: 'recalled',
    },
  ],
  formula: 'W = a · girth · (share · length)^b; of shells a share of the box around them; a, b, share by form',
  validity: 'grown animals of the forms named; corals and sponges by their living tissue, not by what they span',
  uncertainty: 'a factor of 1.6 either way: condition, sex and eggs',
  outside: ({ form, depthMm, widthMm }) =>
    bodyMassG({ form, lengthMm: 10, depthMm, widthMm, longFins: false }) === null ? 'depth and width of its shell are wanted' : null,
  compute: (input) => ({ grams: bodyMassG(input) ?? NaN }),
});
