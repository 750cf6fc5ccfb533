import * as z from 'zod';
import { factOf, traitOf, type Fact } from '../quantity/fact';
import { isOrdered } from '../quantity/range';
import { Barred } from './law';
import { RegionId } from './region';
import { ShelterKind } from './shelter';
import { PARAMETER_META, PARAMETERS, Parameter, Phase } from './parameter';

export const Id = z.string().regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'an id is lower-case words joined by hyphens');

const Edge = z.number().nullable();
const Bounds = z.tuple([Edge, Edge]).refine(isOrdered, { message: 'the low edge is above the high edge' });

/** The span in which an organism survives, and the narrower one in which it is comfortable. A null edge is unknown. */
export const ToleranceRange = z
  .strictObject({ tolerance: Bounds, optimum: Bounds })
  .refine(
    ({ tolerance: [low, high], optimum: [from, to] }) =>
      (low === null || from === null || low <= from) && (high === null || to === null || to <= high),
    {
      message: 'the optimum reaches outside the tolerance',
      path: ['optimum'],
    },
  );
export type ToleranceRange = z.infer<typeof ToleranceRange>;

const Ranges = z.partialRecord(Parameter, factOf(ToleranceRange)).superRefine((ranges, context) => {
  for (const parameter of PARAMETERS) {
    const range = ranges[parameter]?.value;
    if (!range) continue;
    const [min, max] = PARAMETER_META[parameter].limits;
    if ([...range.tolerance, ...range.optimum].some((edge) => edge !== null && (edge < min || edge > max))) {
      context.addIssue({ code: 'custom', path: [parameter], message: `an edge lies outside ${min} to ${max}` });
    }
  }
});
export type Ranges = Partial<Record<Parameter, Fact<ToleranceRange>>>;

export const Stratum = z.enum(['bottom', 'middle', 'top']);
export type Stratum = z.infer<typeof Stratum>;

export const AnimalGroup = z.enum([
  'fish',
  'shrimp',
  'crayfish',
  'crab',
  'snail',
  'bivalve',
  'amphibian',
  'cnidarian',
  'sponge',
  'echinoderm',
]);
export type AnimalGroup = z.infer<typeof AnimalGroup>;

/** Everything without a backbone: copper and many medicines kill it. */
export const isInvertebrate = (group: AnimalGroup): boolean => group !== 'fish' && group !== 'amphibian';

export const AnimalForm = z.enum([
  'slender-fish',
  'deep-fish',
  'disc-fish',
  'hatchet-fish',
  'small-cichlid',
  'catfish',
  'loach',
  'goby',
  'pipefish',
  'seahorse',
  'shrimp',
  'crayfish',
  'crab',
  'hermit',
  'snail',
  'bivalve',
  'salamander',
  'frog',
  'gorgonian',
  'polyps',
  'sponge',
  'cucumber',
  'star',
]);
export const PlantForm = z.enum([
  'stem',
  'grass',
  'carpet',
  'rosette',
  'lily',
  'moss',
  'floating',
  'rhizome-fern',
  'macroalga',
  'mangrove',
]);
/** How plants are sold, or got. */
export const Bought = z.enum(['pot', 'stems', 'portion', 'tub', 'clump', 'cutting']);
export type Bought = z.infer<typeof Bought>;
export type Form = z.infer<typeof AnimalForm> | z.infer<typeof PlantForm>;

/** How young come about; what site, food and care follow from. */
export const BreedingMode = z.enum([
  'scatters eggs',
  'sticks eggs',
  'buries eggs',
  'cave',
  'shell',
  'nest',
  'bubble nest',
  'mouthbrooder',
  'pouch',
  'mussel',
  'bears young',
  'carries eggs, young like adults',
  'carries eggs, larvae in fresh water',
  'larvae drift to sea',
  'larvae on fish',
  'clutches',
  'clutches above water',
  'eggs on plants',
  'pelagic eggs',
  'buds or is cut',
]);
export type BreedingMode = z.infer<typeof BreedingMode>;

/** Low and high of a number that is counted or timed. */
const NumberSpan = (max: number) =>
  traitOf(z.tuple([z.number().nonnegative().max(max), z.number().nonnegative().max(max)]).refine(isOrdered, { message: 'out of order' }));

const Millimetres = traitOf(z.number().positive().max(3000));

const shared = {
  id: Id,
  latin: z.string().regex(/^[A-Z][a-z]+( (cf\.|sp\.|aff\.))?( [a-z-]+)?( ".+")?$/, 'a Latin name: Genus species'),
  common: z.array(z.string().min(1)).min(1),
  /** Latin names it has, had or is sold under: today's valid one first, where that is another. */
  synonyms: z.array(z.string().min(1)).optional(),
  /** Trade names of the kind and of lines of it, as people type them. */
  alsoCalled: z.array(z.string().min(1)).optional(),
  ranges: z.partialRecord(Phase, Ranges).refine((phases) => phases.keep !== undefined, { message: 'the keep phase is missing' }),
  /** Largest change a day that is borne, per parameter. */
  dailyStep: z.partialRecord(Parameter, factOf(z.number().positive())),
  origin: factOf(z.string().min(1)),
  /** Waters it is native to; see REGIONS. */
  regions: factOf(z.array(RegionId).min(1)),
  /** Kinds it is taken for, by Latin name. */
  lookAlikes: z.array(z.string().min(1)).optional(),
  cautions: z.array(z.string().min(1)).optional(),
  /** Where the law bars it; left out where no list is known to name it. */
  barred: factOf(z.array(Barred).min(1)).optional(),
  /** A bred line of this kind. */
  strainOf: Id.optional(),
  /** A retired entry forwards here; ids are never re-used. */
  retiredTo: Id.optional(),
};

export const Animal = z.strictObject({
  ...shared,
  kind: z.literal('animal'),
  group: AnimalGroup,
  form: AnimalForm,
  /** Adult sizes. Length is what the field quotes: total length for fish and salamanders, body for shrimp, shell for snails. */
  sizeMm: z.strictObject({ length: Millimetres, depth: Millimetres, width: Millimetres, gape: Millimetres }),
  bodyColours: traitOf(
    z
      .array(z.string().regex(/^#[0-9a-f]{6}$/))
      .min(1)
      .max(3),
  ),
  traits: z.strictObject({
    /** Fewest animals that settle; 1 for a loner. */
    groupMin: traitOf(z.number().int().positive()),
    temperament: traitOf(z.enum(['shy', 'peaceful', 'nippy', 'territorial', 'predatory'])),
    strata: traitOf(z.array(Stratum).min(1)),
    jumps: traitOf(z.boolean()),
    /** Leaves the water at any fright: no open top holds it. Left out for those that jump now and then. */
    leaps: factOf(z.boolean()).optional(),
    /** Walks or crawls out along hoses and panes. */
    climbs: traitOf(z.boolean()),
    /** Deepest water it does well in, as it swims up for air; left out where depth does not matter. */
    deepestMm: factOf(z.number().positive().max(3000)).optional(),
    fins: traitOf(z.enum(['short', 'long'])),
    /** Groups whose grown members it takes once they fit its mouth; empty for those that take none. */
    hunts: traitOf(z.array(AnimalGroup)),
    /** Length of the smallest young that swim or walk by themselves. */
    youngMm: traitOf(z.number().positive().max(500)),
    sexes: traitOf(
      z.strictObject({
        system: z.enum(['separate', 'hermaphrodite']),
        /** Most males that live in one tank; null when there is no such limit. */
        maxMales: z.number().int().positive().nullable(),
        /** Fewest females to a male in a settled group; 0 when it does not matter. */
        femalesPerMale: z.number().nonnegative(),
      }),
    ),
    /** Kinds under one name cross with each other. */
    crossesWithin: traitOf(z.string().min(1)),
    hardiness: traitOf(z.enum(['hardy', 'ordinary', 'delicate'])),
    /** Smallest floor for the smallest proper group, inside. */
    footprintMm: traitOf(z.tuple([z.number().positive(), z.number().positive()])),
    /** Smallest water volume for the smallest proper group. */
    volumeL: traitOf(z.number().positive()),
    /** How food is taken: what sucks or sifts takes grain in with it. */
    feeding: traitOf(z.enum(['picks', 'grazes', 'sifts', 'sucks', 'filters'])),
    /** Looks long at every morsel: quick feeders leave it nothing. Left out for all others. */
    eatsSlowly: factOf(z.boolean()).optional(),
    /** Where the mouth is, or what takes its place. */
    mouth: traitOf(z.enum(['up', 'end', 'below', 'picks', 'rasps', 'filters'])),
    /** What it eats beside its food. */
    eats: traitOf(z.array(z.enum(['plants', 'snails', 'shrimp', 'eggs', 'young']))),
    /** When it is about. */
    activity: traitOf(z.enum(['day', 'dusk', 'night', 'any'])),
    current: traitOf(z.enum(['none', 'slow', 'moderate', 'strong'])),
    light: traitOf(z.enum(['any', 'dim', 'broken', 'bright'])),
    /** Dissolved oxygen it should not fall under, mg/L. */
    oxygenMgPerL: traitOf(z.number().positive().max(12)),
    /** Months from hatching to about adult length. */
    growthMonths: traitOf(z.number().positive().max(120)),
    /** Pulls plants out. */
    uproots: traitOf(z.boolean()),
    /** What it can do to a hand, or by its slime to the water, the worst first. Left out for those that harm nobody. */
    harms: factOf(z.array(z.enum(['palytoxin', 'deadly skin', 'skin', 'slime', 'spines', 'bite', 'claws'])).min(1)).optional(),
    /** Stings or poisons its neighbours. */
    stings: traitOf(z.boolean()),
    /** Moves the bed about. */
    digs: traitOf(z.boolean()),
    /** Least depth of bed it needs to burrow or to bury what it lives in; 0 for none. */
    bedMm: traitOf(z.number().nonnegative().max(500)),
    /** Where it hides, any of these kinds, and how many it wants; none for those that carry their house. */
    shelter: traitOf(
      z.strictObject({
        kinds: z.array(ShelterKind),
        count: z.number().nonnegative(),
        per: z.enum(['head', 'pair', 'tank']),
      }),
    ),
    diet: traitOf(z.string().min(1)),
    /** What it cannot be fed without. Left out for all that take what is given. */
    dietNeeds: factOf(z.enum(['wood', 'live food'])).optional(),
    breeding: z.strictObject({
      mode: traitOf(BreedingMode),
      site: traitOf(z.string().min(1)),
      trigger: traitOf(z.string().min(1)),
      /** Young or eggs at a time. */
      brood: NumberSpan(1_000_000),
      /** Days between broods of one female. */
      intervalDays: NumberSpan(1500),
      /** Days from laying to hatching, from mating to birth of what bears young, or that eggs are carried. */
      incubationDays: NumberSpan(400),
      /** Days from hatching to the first brood. */
      maturityDays: NumberSpan(4000),
      care: traitOf(z.enum(['none', 'male', 'female', 'both', 'group'])),
      firstFood: traitOf(z.string().min(1)),
    }),
  }),
});
export type Animal = z.infer<typeof Animal>;

export const Plant = z.strictObject({
  ...shared,
  kind: z.literal('plant'),
  group: z.literal('plant'),
  form: PlantForm,
  sizeMm: z.strictObject({ length: Millimetres, width: Millimetres }),
  traits: z.strictObject({
    light: traitOf(z.enum(['low', 'medium', 'high'])),
    growth: traitOf(z.enum(['slow', 'moderate', 'fast'])),
    rooting: traitOf(z.enum(['bury', 'attach', 'float'])),
    /** Carbon dioxide beyond what air and animals give. */
    co2: traitOf(z.enum(['none', 'helps', 'needs'])),
    feeds: traitOf(z.enum(['root', 'water', 'both'])),
    /** Loses its leaves when it is moved to other water. */
    melts: traitOf(z.boolean()),
    /** Eaten by what eats plants. */
    edible: traitOf(z.boolean()),
    toxic: traitOf(z.enum(['no', 'mild', 'yes'])),
    /** Photons where it stands, µmol/m²s: the least it lives by, and the span it does well in. */
    ppfd: factOf(
      z.strictObject({
        least: z.number().positive().max(1000),
        good: z.tuple([z.number().positive().max(2000), z.number().positive().max(2000)]).refine(isOrdered, { message: 'out of order' }),
      }),
    ).optional(),
    /** Of its leaf; a second where tips or undersides have another. */
    leafColours: factOf(
      z
        .array(z.string().regex(/^#[0-9a-f]{6}$/))
        .min(1)
        .max(2),
    ).optional(),
    /** As it is sold. */
    bought: factOf(z.array(Bought).min(1)).optional(),
    /** What it is worth to the young as cover. */
    cover: factOf(z.enum(['poor', 'fair', 'good'])).optional(),
    /** Depth that its roots take of a bed, or that they hang down to. */
    rootMm: factOf(
      z.tuple([z.number().positive().max(2000), z.number().positive().max(2000)]).refine(isOrdered, { message: 'out of order' }),
    ).optional(),
  }),
});
export type Plant = z.infer<typeof Plant>;

export const Organism = z.discriminatedUnion('kind', [Animal, Plant]);
export type Organism = z.infer<typeof Organism>;

const FALLBACK: Readonly<Record<Phase, readonly Phase[]>> = {
  keep: ['keep'],
  condition: ['condition', 'keep'],
  spawn: ['spawn', 'condition', 'keep'],
  larvae: ['larvae', 'spawn', 'keep'],
};

/**
 * The range of a parameter in a phase. A phase without a range of its own takes that of the phase before it.
 * @returns undefined when nothing is recorded; a fact with value null when it is recorded as unknown
 */
export function rangeFor(organism: Organism, phase: Phase, parameter: Parameter): Fact<ToleranceRange> | undefined {
  for (const candidate of FALLBACK[phase]) {
    const fact = organism.ranges[candidate]?.[parameter];
    if (fact) return fact;
  }
  return undefined;
}
