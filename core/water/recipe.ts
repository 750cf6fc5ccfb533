import { solve } from 'yalps';
import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { contains, distanceOutside, type Span } from '../quantity/range';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { compose } from './composition';
import { conductivityAt25Of } from './source-water';
import { ION_NAMES, NO_IONS, type IonsMmolPerL } from '../chemistry/ions';
import { addIons, blendIons, saltIons } from './mixed-water';
import { SALTS, type Salt } from './salts';

/** A water at hand, by its ions. */
export interface RecipeSource {
  id: string;
  isRo: boolean;
  ions: IonsMmolPerL;
}

/** What everyone is comfortable in; a band that is absent is not asked for. */
export interface RecipeTarget {
  ghDh?: Span;
  khDh?: Span;
  ec25UsPerCm?: Span;
}
export type RecipeParameter = keyof RecipeTarget;

/** Calcium to magnesium, molar, that is kept to where salts build the water up. Common practice. */
const CALCIUM_TO_MAGNESIUM: Span = [1.5, 5];

export interface Recipe {
  /** Shares by volume, summing to 1. */
  shares: { sourceId: string; share: number }[];
  saltsMgPerL: { saltId: string; mgPerL: number }[];
  ions: IonsMmolPerL;
  reaches: Readonly<Record<RecipeParameter, number>>;
  /** Parameters that stay outside their band, with how far. */
  missed: { parameter: RecipeParameter; by: number; side: 'low' | 'high' }[];
}

/** What it comes to in one mixing vessel, by a scale of this resolution. */
export interface Batch {
  litres: { sourceId: string; litres: number }[];
  grams: { saltId: string; grams: number }[];
  ions: IonsMmolPerL;
  reaches: Readonly<Record<RecipeParameter, number>>;
  /** Lowest and highest that the doubt of scale and litre marks allows. */
  band: Readonly<Record<RecipeParameter, Span>>;
}

export function reachedBy(ions: IonsMmolPerL): Record<RecipeParameter, number> {
  return {
    ghDh: (ions.calcium + ions.magnesium) / MMOL_PER_DEGREE_HARDNESS,
    khDh: ions.bicarbonate / MEQ_PER_DEGREE_ALKALINITY,
    ec25UsPerCm: conductivityAt25Of(ions, null),
  };
}

/** Ions of sources by share and salts by milligrams a litre: mass is kept. */
export function mixed(
  shares: readonly { source: RecipeSource; share: number }[],
  salts: readonly { salt: Salt; mgPerL: number }[],
): IonsMmolPerL {
  return addIons(blendIons(shares.map(({ source, share }) => ({ share, ions: source.ions }))), saltIons(salts));
}

/** Fewest first: every choice of up to so many salts. */
function subsets(salts: readonly Salt[], most: number): Salt[][] {
  const all: Salt[][] = [[]];
  for (const salt of salts) for (const subset of [...all]) if (subset.length < most) all.push([...subset, salt]);
  return all.sort((a, b) => a.length - b.length);
}

/** How far inside a band is aimed, share of its width: rounding and the doubt of readings then stay inside too. Common practice. */
export const AIM_INSIDE = 0.1;
const MISS_COSTS = { ghDh: 100, khDh: 100, ec25UsPerCm: 1 };
/** How much less real water conducts than if every ion kept its conductance of thin water, to begin with. */
const FIRST_CORRECTION = 0.93;
/** How many of the best are set right by the conductivity model, and how often. */
const REFINED = { best: 10, rounds: 2 };

interface Ranked {
  recipe: Recipe;
  chosen: readonly Salt[];
  miss: number;
  ro: number;
  mg: number;
}

/**
 * Water for a target out of sources and salts: inside everyone's band first, then least RO, then fewest salts. A linear program for every choice
 * of salts; conductivity, which is not linear, is set right by the model for the best of them. Never an acid.
 *
 * @param aimInside how far inside a band is aimed, share of its width: 0 its edge, 0.5 its middle
 * @returns recipes, best first, at most three, each of other salts; empty when there is no source
 */
export function recipes(sources: readonly RecipeSource[], salts: readonly Salt[], target: RecipeTarget, aimInside = AIM_INSIDE): Recipe[] {
  if (sources.length === 0) return [];
  const rank = (recipe: Recipe | null, chosen: readonly Salt[]): Ranked[] => {
    if (!recipe) return [];
    const short = recipe.missed.reduce((sum, { parameter, by }) => sum + by * MISS_COSTS[parameter], 0);
    return [
      {
        recipe,
        chosen,
        miss: short + (isLopsided(recipe, chosen) ? LOPSIDED_COST : 0),
        ro: recipe.shares.reduce((sum, { sourceId, share }) => sum + (sources.find(({ id }) => id === sourceId)?.isRo ? share : 0), 0),
        mg: recipe.saltsMgPerL.reduce((sum, { mgPerL }) => sum + mgPerL, 0),
      },
    ];
  };
  const useful = target.ec25UsPerCm ? salts : salts.filter(({ ions }) => ions.calcium || ions.magnesium || ions.bicarbonate);
  const first = subsets(useful, 3).flatMap((chosen) => rank(solveOnce(sources, chosen, target, FIRST_CORRECTION, aimInside), chosen));
  const firstBest = distinct(first.sort(byWorth));
  const best = target.ec25UsPerCm
    ? firstBest
        .slice(0, REFINED.best)
        .flatMap(({ recipe, chosen }) => rank(refined(sources, chosen, target, recipe, aimInside), chosen))
        .sort(byWorth)
    : firstBest;
  return distinct(best)
    .slice(0, 3)
    .map(({ recipe }) => recipe);
}

/** Nearest to the bands, then least RO, then fewest salts, then least salt. */
function byWorth(a: Ranked, b: Ranked): number {
  const close = (x: number, y: number, slack: number) => (Math.abs(x - y) < slack ? 0 : x - y);
  return close(a.miss, b.miss, 0.5) || close(a.ro, b.ro, 0.01) || a.recipe.saltsMgPerL.length - b.recipe.saltsMgPerL.length || a.mg - b.mg;
}

/** The first of each choice of salts. */
function distinct(ranked: readonly Ranked[]): Ranked[] {
  const seen = new Set<string>();
  return ranked.filter(({ recipe }) => {
    const key = recipe.saltsMgPerL.map(({ saltId }) => saltId).join();
    return seen.has(key) ? false : !!seen.add(key);
  });
}

/** The same choice of salts with conductivity set right by the model. */
function refined(sources: readonly RecipeSource[], salts: readonly Salt[], target: RecipeTarget, from: Recipe, aimInside: number): Recipe {
  let best = from;
  for (let round = 0; round < REFINED.rounds; round++) {
    const linear = linearConductivity(best.ions);
    if (linear <= 0) break;
    best = solveOnce(sources, salts, target, best.reaches.ec25UsPerCm / linear, aimInside) ?? best;
  }
  return best;
}

/** Weighs more than the slack between two recipes, less than a tenth of a degree missed. */
const LOPSIDED_COST = 2;

/** Whether salts of hardness were weighed in and calcium and magnesium still stand out of proportion. */
function isLopsided({ saltsMgPerL, ions }: Recipe, salts: readonly Salt[]): boolean {
  const hardens = salts.some((salt) => (salt.ions.calcium || salt.ions.magnesium) && saltsMgPerL.some(({ saltId }) => saltId === salt.id));
  if (!hardens) return false;
  return ions.magnesium === 0 || !contains([CALCIUM_TO_MAGNESIUM[0] * 0.99, CALCIUM_TO_MAGNESIUM[1] * 1.01], ions.calcium / ions.magnesium);
}

/** Conductivity as if every ion kept the conductance it has in thin water, µS/cm. */
function linearConductivity(ions: IonsMmolPerL): number {
  return ION_NAMES.reduce((sum, ion) => sum + ions[ion] * LIMITING[ion], 0);
}
const LIMITING: Readonly<Record<keyof IonsMmolPerL, number>> = {
  calcium: 118.94,
  magnesium: 106,
  sodium: 50.08,
  potassium: 73.48,
  bicarbonate: 44.5,
  chloride: 76.31,
  sulfate: 160,
  nitrate: 71.42,
};

function solveOnce(
  sources: readonly RecipeSource[],
  salts: readonly Salt[],
  target: RecipeTarget,
  correction: number,
  aimInside: number,
): Recipe | null {
  type Row = Record<string, number>;
  const row = (ions: Partial<IonsMmolPerL>, cost: number): Row => {
    const calcium = ions.calcium ?? 0;
    const magnesium = ions.magnesium ?? 0;
    return {
      cost,
      ghDh: (calcium + magnesium) / MMOL_PER_DEGREE_HARDNESS,
      khDh: (ions.bicarbonate ?? 0) / MEQ_PER_DEGREE_ALKALINITY,
      ec25UsPerCm: correction * linearConductivity({ ...NO_IONS, ...ions }),
      moreCalcium: calcium - CALCIUM_TO_MAGNESIUM[0] * magnesium,
      lessCalcium: CALCIUM_TO_MAGNESIUM[1] * magnesium - calcium,
    };
  };
  const variables: Record<string, Row> = {};
  const constraints: Record<string, { min?: number; max?: number; equal?: number }> = { whole: { equal: 1 } };
  // a little RO costs less than a miss, and a milligram of salt less than a share of RO
  for (const source of sources) variables[`source:${source.id}`] = { ...row(source.ions, source.isRo ? 1 : 0.001), whole: 1 };
  for (const salt of salts) {
    const perMg = Object.fromEntries(Object.entries(salt.ions).map(([ion, n]) => [ion, n / salt.molarMass]));
    variables[`salt:${salt.id}`] = { ...row(perMg, 1e-4), [`dissolves:${salt.id}`]: 1 };
    // a tenth of what dissolves: it has to go in within minutes
    constraints[`dissolves:${salt.id}`] = { max: salt.solubilityGPerL * 100 };
  }
  for (const parameter of ['ghDh', 'khDh', 'ec25UsPerCm'] as const) {
    const band = target[parameter];
    if (!band) continue;
    const room = aimInside * (band[1] - band[0]);
    constraints[parameter] = { min: band[0] + room, max: band[1] - room };
    variables[`short:${parameter}`] = { cost: MISS_COSTS[parameter], [parameter]: 1 };
    variables[`over:${parameter}`] = { cost: MISS_COSTS[parameter], [parameter]: -1 };
  }
  if (salts.some(({ ions }) => ions.calcium || ions.magnesium)) {
    constraints['moreCalcium'] = { min: 0 };
    constraints['lessCalcium'] = { min: 0 };
    // the sources may be lopsided by themselves: that is no reason to find nothing
    variables['lopsided:more'] = { cost: 2, moreCalcium: 1 };
    variables['lopsided:less'] = { cost: 2, lessCalcium: 1 };
  }
  const solution = solve({ direction: 'minimize', objective: 'cost', constraints, variables });
  if (solution.status !== 'optimal') return null;
  const amount = new Map(solution.variables);
  const shares = sources.map((source) => ({ source, share: amount.get(`source:${source.id}`) ?? 0 })).filter(({ share }) => share > 1e-6);
  const weighed = salts.map((salt) => ({ salt, mgPerL: amount.get(`salt:${salt.id}`) ?? 0 })).filter(({ mgPerL }) => mgPerL > 1e-3);
  if (shares.length === 0) return null;
  const ions = mixed(shares, weighed);
  const reaches = reachedBy(ions);
  return {
    shares: shares.map(({ source, share }) => ({ sourceId: source.id, share })),
    saltsMgPerL: weighed.map(({ salt, mgPerL }) => ({ saltId: salt.id, mgPerL })),
    ions,
    reaches,
    missed: (['ghDh', 'khDh', 'ec25UsPerCm'] as const).flatMap((parameter) => {
      const band = target[parameter];
      const slack = parameter === 'ec25UsPerCm' ? 2 : 0.01;
      if (!band || contains([band[0] - slack, band[1] + slack], reaches[parameter])) return [];
      return [
        {
          parameter,
          by: distanceOutside(band, reaches[parameter]),
          side: reaches[parameter] < band[0] ? ('low' as const) : ('high' as const),
        },
      ];
    }),
  };
}

/** Marks to a litre by which a vessel of so many litres is filled: a tenth, in jugs a hundredth, in cups a thousandth. */
const marksPerL = (litres: number): number => (litres >= 5 ? 10 : litres >= 0.5 ? 100 : Math.max(1000, 1000 / litres));

/** How well a litre mark is met, share of the litres. Common practice. */
const LITRE_DOUBT = 0.02;

/**
 * A recipe in a mixing vessel: litres to the tenth, salt to the scale's step, and what that mixture then really is. The mixing is worked out anew
 * from what is poured and weighed, not from the promise.
 */
export function batch(recipe: Recipe, sources: readonly RecipeSource[], salts: readonly Salt[], litres: number, scaleG: number): Batch {
  const marks = marksPerL(litres);
  const poured = recipe.shares.map(({ sourceId, share }) => ({
    source: sources.find(({ id }) => id === sourceId)!,
    litres: Math.round(share * litres * marks) / marks,
  }));
  const total = poured.reduce((sum, part) => sum + part.litres, 0);
  const weighed = recipe.saltsMgPerL.map(({ saltId, mgPerL }) => ({
    salt: salts.find(({ id }) => id === saltId)!,
    grams: Number((Math.round((mgPerL * total) / 1000 / scaleG) * scaleG).toFixed(6)),
  }));
  const result = (litreFactors: readonly number[], scaleSteps: number) => {
    const parts = poured.map((part, i) => ({ source: part.source, share: part.litres * (litreFactors[i] ?? 1) }));
    const volume = parts.reduce((sum, { share }) => sum + share, 0);
    return mixed(
      parts,
      weighed.map(({ salt, grams }) => ({ salt, mgPerL: Math.max(0, ((grams + scaleSteps * scaleG) * 1000) / volume) })),
    );
  };
  const ions = result([], 0);
  const cases = [-1, 1].flatMap((step) =>
    poured.flatMap((_, i) =>
      [-1, 1].map((sign) =>
        reachedBy(
          result(
            poured.map((__, j) => (i === j ? 1 + sign * LITRE_DOUBT : 1)),
            step / 2,
          ),
        ),
      ),
    ),
  );
  const reaches = reachedBy(ions);
  const band = (parameter: RecipeParameter): Span => {
    const values = [reaches, ...cases].map((found) => found[parameter]);
    return [Math.min(...values), Math.max(...values)];
  };
  return {
    litres: poured.map(({ source, litres: part }) => ({ sourceId: source.id, litres: part })),
    grams: weighed.map(({ salt, grams }) => ({ saltId: salt.id, grams })),
    ions,
    reaches,
    band: { ghDh: band('ghDh'), khDh: band('khDh'), ec25UsPerCm: band('ec25UsPerCm') },
  };
}

const Band = z
  .tuple([z.number().min(0).max(20000), z.number().min(0).max(20000)])
  .refine(([low, high]) => low <= high, { message: 'the low is above the high' });
const Reached = z.strictObject({ ghDh: z.number(), khDh: z.number(), ec25UsPerCm: z.number() });

export const recipe = calculation({
  id: 'water.recipe',
  title: 'Recipe from sources and salts',
  inputs: z.strictObject({
    sources: z
      .array(
        z.strictObject({
          id: z.string().min(1).max(80),
          isRo: z.boolean(),
          ghDh: z.number().min(0).max(500),
          khDh: z.number().min(0).max(60),
          ec25UsPerCm: z.number().min(0).max(20000).nullable().default(null),
        }),
      )
      .min(1)
      .max(6),
    saltIds: z.array(z.enum(SALTS.map(({ id }) => id) as [string, ...string[]])).max(SALTS.length),
    target: z.strictObject({ ghDh: Band.optional(), khDh: Band.optional(), ec25UsPerCm: Band.optional() }),
    litres: z.number().min(0.02).max(5000),
    scaleG: z.number().positive().max(1000),
  }),
  outputs: z.strictObject({
    recipes: z.array(
      z.strictObject({
        litres: z.array(z.strictObject({ sourceId: z.string(), litres: z.number() })),
        grams: z.array(z.strictObject({ saltId: z.string(), grams: z.number() })),
        reaches: Reached,
        missed: z.array(z.strictObject({ parameter: z.string(), by: z.number(), side: z.enum(['low', 'high']) })),
      }),
    ),
  }),
  source: [
    { citation: 'Conservation of mass; linear program by the simplex method', basis: 'published' },
    { citation: 'Calcium to magnesium between 1.5 and 5', basis: 'practice' },
  ],
  formula: 'least of: distance outside the bands, then RO, then salts; GH and KH linear in the ions, conductivity by its model',
  validity: 'fresh water; salts as sold, dry. Never an acid',
  uncertainty: 'litres ±2 %, grams ±half a step of the scale, and that of the sources: test before use',
  compute: ({ sources, saltIds, target, litres, scaleG }) => {
    const at: RecipeSource[] = sources.map(({ id, isRo, ...readings }) => ({ id, isRo, ions: compose(readings).ions }));
    const salts = SALTS.filter(({ id }) => saltIds.includes(id));
    const bands = Object.fromEntries(Object.entries(target).filter(([, band]) => band !== undefined)) as RecipeTarget;
    return {
      recipes: recipes(at, salts, bands).map((found) => {
        const made = batch(found, at, salts, litres, scaleG);
        return { litres: made.litres, grams: made.grams, reaches: made.reaches, missed: found.missed };
      }),
    };
  },
});
