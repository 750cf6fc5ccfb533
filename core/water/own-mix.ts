import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { Id } from '../catalogue/organism';
import { ION_NAMES } from '../chemistry/ions';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { conductivityAt25Of } from './source-water';
import { saltIons } from './mixed-water';
import { SALTS, type Salt } from './salts';

const SALT_IDS = SALTS.map(({ id }) => id) as [string, ...string[]];

/** How much more of a mix than of the pure salts may be wanted before its parts cannot be what was stated: moisture and filler. */
const MOST_FILLER = 5;
/** A kitchen scale and a drop kit do not read closer. */
const READING_SLACK = 0.9;

const MixParts = z.partialRecord(z.enum(SALT_IDS), z.number().positive().max(1000));

/** A mineral mix of the room's own: salts by mass, and how much of it a degree takes where that was tried. */
export const OwnMix = z
  .strictObject({
    id: Id.regex(/^mix-/, 'the id of a mix begins with mix-'),
    name: z.string().trim().min(1, 'a name is wanted').max(80),
    /** Parts by mass; only their proportion counts. */
    parts: MixParts,
    /** Grams that raise 100 L by one degree of GH, as its label or a trial says; null where the parts are taken as pure and dry. */
    gramsPerDh: z.number().positive().max(1000).nullable(),
  })
  .superRefine(({ parts, gramsPerDh }, context) => {
    const fault = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
    if (Object.keys(parts).length === 0) return fault('parts', 'a mix has at least one part');
    if (gramsPerDh === null) return;
    const least = leastGrams(parts);
    if (least === null) fault('gramsPerDh', 'none of its parts brings hardness');
    else if (gramsPerDh < least * READING_SLACK)
      fault('gramsPerDh', `pure salts of these parts already take ${least.toPrecision(3)} g: less cannot do it`);
    else if (gramsPerDh > least * MOST_FILLER)
      fault('gramsPerDh', `pure salts of these parts take ${least.toPrecision(3)} g: most of this mix would be something else`);
  });
export type OwnMix = z.infer<typeof OwnMix>;

const wholeOf = (parts: OwnMix['parts']): number => Object.values(parts).reduce<number>((sum, part) => sum + (part ?? 0), 0);

/** Ions of a milligram of the pure, dry parts in a litre, mmol/L. */
function ionsPerMg(parts: OwnMix['parts']) {
  const whole = wholeOf(parts);
  return saltIons(SALTS.flatMap((salt) => ((parts[salt.id] ?? 0) > 0 ? [{ salt, mgPerL: parts[salt.id]! / whole }] : [])));
}

/** Grams of pure parts that raise 100 L by one degree of GH; null where none brings hardness. */
function leastGrams(parts: OwnMix['parts']): number | null {
  const { calcium, magnesium } = ionsPerMg(parts);
  const perMg = (calcium + magnesium) / MMOL_PER_DEGREE_HARDNESS;
  return perMg > 0 ? 0.1 / perMg : null;
}

/** A mix as a salt: a "millimole" of it is a milligram, as it is weighed, with whatever moisture it holds. */
export function mixAsSalt({ id, name, parts, gramsPerDh }: OwnMix): Salt {
  const least = leastGrams(parts);
  const strength = gramsPerDh !== null && least !== null ? least / gramsPerDh : 1;
  const pure = ionsPerMg(parts);
  const whole = wholeOf(parts);
  return {
    id,
    name,
    molarMass: 1,
    ions: Object.fromEntries(ION_NAMES.flatMap((ion) => (pure[ion] > 0 ? [[ion, pure[ion] * strength]] : []))),
    solubilityGPerL: Math.min(...SALTS.flatMap((salt) => (parts[salt.id] ? [(salt.solubilityGPerL * whole) / parts[salt.id]!] : []))),
    stock: 'any',
  };
}

/** What a mix of salts does to pure water, so that its strength on a label can be held against its parts. */
export const mixStrength = calculation({
  id: 'water.mix-strength',
  title: 'Strength of a mineral mix',
  inputs: z.strictObject({
    parts: MixParts,
    gramsPerDh: z.number().positive().max(1000).nullable().default(null),
    gramsPer100L: z.number().min(0).max(2000),
  }),
  outputs: z.strictObject({
    pureGramsPerDh: z.number().nullable(),
    ghDh: z.number(),
    khDh: z.number(),
    ec25UsPerCm: z.number(),
  }),
  source: [
    { citation: 'Conservation of mass; IUPAC conventional atomic weights', basis: 'published' },
    {
      citation: '1 °dH = 0.1783 mmol/L of calcium and magnesium, by its definition as 10 mg CaO in a litre (DIN 38409-6, from memory)',
      basis: 'recalled',
    },
  ],
  validity:
    'Mixes of the plain salts that Terroir lists, wholly dissolved. A stated strength that lies under that of the pure parts, or over five times of it, is refused.',
  uncertainty: 'That of the parts: salts that have drawn or lost water move it by up to a tenth. A trial in a bucket, measured, is better.',
  formula: 'g for 100 L and 1 °dH = 100 · 0.1783 / Σ(share · ν(Ca, Mg) / M)',
  outside: ({ parts, gramsPerDh }) =>
    OwnMix.safeParse({ id: 'mix-tried', name: 'mix', parts, gramsPerDh }).error?.issues[0]?.message ?? null,
  compute: ({ parts, gramsPerDh, gramsPer100L }) => {
    const ions = saltIons([{ salt: mixAsSalt({ id: 'mix-tried', name: 'mix', parts, gramsPerDh }), mgPerL: gramsPer100L * 10 }]);
    return {
      pureGramsPerDh: leastGrams(parts),
      ghDh: (ions.calcium + ions.magnesium) / MMOL_PER_DEGREE_HARDNESS,
      khDh: ions.bicarbonate / MEQ_PER_DEGREE_ALKALINITY,
      ec25UsPerCm: conductivityAt25Of(ions, null),
    };
  },
});
