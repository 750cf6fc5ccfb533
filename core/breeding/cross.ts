import * as z from 'zod';
import { calculation } from '../calculation/calculation';

const Allele = z
  .string()
  .min(1)
  .max(12)
  .regex(/^[^\s/|,;]+$/, 'one word without / or |');

/** A place on a chromosome that forms of one trait go by. */
export const Locus = z.strictObject({
  /** What it decides: colour, fin, pattern. */
  name: z.string().trim().min(1).max(40),
  /** Its forms, the one that covers the others first. */
  alleles: z.array(Allele).min(2, 'one form only: there is nothing to cross').max(6),
  /** Whether a first form covers a second wholly, half (an own look between), or both show. */
  dominance: z.enum(['full', 'half', 'both']),
  /** On which chromosome: one that both sexes have twice, or one of those that make the sex. */
  on: z.enum(['body', 'x', 'y']),
  /** A form that kills whoever has it twice; null for none. */
  lethal: Allele.nullable(),
  /** How often it parts from the locus before it in the list; 0.5 where each goes by itself. */
  apart: z.number().min(0).max(0.5),
});
export type Locus = z.infer<typeof Locus>;

/**
 * A parent, as two sets of its forms in the order of the loci, one from each of its own parents. Of the parent with two different sex
 * chromosomes the first set is that of the X, the second that of the Y; null stands where a set has no such place.
 */
export const Parent = z.strictObject({ sets: z.tuple([z.array(Allele.nullable()), z.array(Allele.nullable())]) });
export type Parent = z.infer<typeof Parent>;

/** Young that are alike. */
export interface Young {
  sex: 'male' | 'female' | null;
  /** Forms of each locus: `Bb`, `B/b` for longer names, `b/-` where one chromosome has none. */
  genotype: string;
  /** What shows of each locus. */
  looks: string;
  /** Of those that live. */
  share: number;
}

export interface Crossed {
  young: Young[];
  /** Looks alone, with their shares. */
  looks: { sex: Young['sex']; looks: string; share: number }[];
  /** Share that dies of what it has twice. */
  lost: number;
}

interface Gamete {
  forms: readonly (string | null)[];
  /** Carries the Y, or what stands for it; null where no locus of the sex is looked at. */
  y: boolean | null;
  chance: number;
}

/** Every germ cell that a parent makes, each with its chance. `differs`: it is the sex with two different chromosomes. */
function gametes(loci: readonly Locus[], { sets }: Parent, differs: boolean): Gamete[] {
  const sexed = loci.some(({ on }) => on !== 'body');
  let made: { forms: (string | null)[]; y: boolean | null; side: number; chance: number }[] = [{ forms: [], y: null, side: 0, chance: 1 }];
  for (const [at, locus] of loci.entries()) {
    made = made.flatMap((cell) => {
      const same = at === 0 || (loci[at - 1]!.on === 'body') !== (locus.on === 'body') ? 0.5 : 1 - locus.apart;
      return [0, 1].flatMap((side) => {
        let chance = side === cell.side ? same : 1 - same;
        if (locus.on !== 'body' && differs) {
          // X and Y do not exchange these places
          if (cell.y === null) chance = 0.5;
          else chance = cell.y === (side === 1) ? 1 : 0;
        }
        if (chance === 0) return [];
        const y = locus.on === 'body' || !differs ? cell.y : side === 1;
        return [{ forms: [...cell.forms, sets[side]![at] ?? null], y, side, chance: cell.chance * chance }];
      });
    });
  }
  return made.map(({ forms, y, chance }) => ({ forms, y: sexed && differs ? y : null, chance }));
}

const rankOf = (locus: Locus, form: string | null): number => (form === null ? Infinity : locus.alleles.indexOf(form));

/** Forms of one locus, those that cover first. */
function written(locus: Locus, pair: readonly (string | null)[]): string {
  const [one, other] = [...pair].sort((a, b) => rankOf(locus, a) - rankOf(locus, b));
  if (one === null || one === undefined) return '-';
  const long = locus.alleles.some(({ length }) => length > 1);
  return other === null || other === undefined ? `${one}/-` : long ? `${one}/${other}` : `${one}${other}`;
}

function shown({ dominance, name, ...locus }: Locus, pair: readonly (string | null)[]): string {
  const forms = [...new Set(pair.filter((form) => form !== null))].sort(
    (a, b) => rankOf({ ...locus, dominance, name }, a) - rankOf({ ...locus, dominance, name }, b),
  );
  if (forms.length === 0) return '';
  if (forms.length === 1 || dominance === 'full') return forms[0]!;
  return dominance === 'half' ? `between ${forms[0]} and ${forms[1]}` : `${forms[0]} with ${forms[1]}`;
}

/**
 * What comes of a pair: every kind of young with its share, by Mendel’s rules; linked loci part as often as is stated, those of the sex
 * chromosomes go with the sex, and what dies of a form that it has twice is left out of the shares.
 *
 * @param parents the mother first
 * @param differs the parent with two different sex chromosomes
 */
export function cross(loci: readonly Locus[], parents: readonly [Parent, Parent], differs: 'father' | 'mother' = 'father'): Crossed {
  const [ofMother, ofFather] = [gametes(loci, parents[0], differs === 'mother'), gametes(loci, parents[1], differs === 'father')];
  const found = new Map<string, Young>();
  let lost = 0;
  for (const egg of ofMother)
    for (const sperm of ofFather) {
      const chance = egg.chance * sperm.chance;
      const pairs = loci.map((_, i) => [egg.forms[i] ?? null, sperm.forms[i] ?? null]);
      if (loci.some(({ lethal }, i) => lethal !== null && pairs[i]!.every((form) => form === lethal))) {
        lost += chance;
        continue;
      }
      const y = egg.y ?? sperm.y;
      const sex = y === null ? null : y === (differs === 'father') ? 'male' : 'female';
      const genotype = loci.map((locus, i) => written(locus, pairs[i]!)).join(' ');
      const key = `${sex} ${genotype}`;
      const there = found.get(key);
      if (there) there.share += chance;
      else
        found.set(key, {
          sex,
          genotype,
          looks: loci
            .map((locus, i) => shown(locus, pairs[i]!))
            .filter(Boolean)
            .join(', '),
          share: chance,
        });
    }
  const lives = 1 - lost;
  const young = [...found.values()].map((one) => ({ ...one, share: lives > 0 ? one.share / lives : 0 }));
  young.sort((a, b) => b.share - a.share || a.genotype.localeCompare(b.genotype) || String(a.sex).localeCompare(String(b.sex)));
  const looks = new Map<string, Crossed['looks'][number]>();
  for (const { sex, looks: seen, share } of young) {
    const key = `${sex} ${seen}`;
    const there = looks.get(key);
    if (there) there.share += share;
    else looks.set(key, { sex, looks: seen, share });
  }
  return { young, looks: [...looks.values()].sort((a, b) => b.share - a.share || a.looks.localeCompare(b.looks)), lost };
}

/** Why a parent cannot be of these loci; null when it can. */
export function parentFault(loci: readonly Locus[], { sets }: Parent, differs: boolean): string | null {
  for (const [at, locus] of loci.entries()) {
    const pair = sets.map((set) => set[at] ?? null);
    const unknown = pair.find((form) => form !== null && !locus.alleles.includes(form));
    if (unknown !== undefined) return `${locus.name} has no form ${unknown}`;
    const wanted = locus.on === 'body' ? [true, true] : locus.on === 'x' ? [true, !differs] : [false, differs];
    for (const side of [0, 1])
      if ((pair[side] !== null) !== wanted[side])
        return wanted[side] ? `${locus.name}: a form is missing` : `${locus.name}: one chromosome has no such place`;
    if (locus.lethal !== null && pair.every((form) => form === locus.lethal)) return `${locus.name}: none lives with ${locus.lethal} twice`;
  }
  return null;
}

/** Chi-square of what came against what was expected, and how often chance alone does as much or more. */
export function chiSquare(
  came: readonly number[],
  shares: readonly number[],
): { chiSquare: number; freedom: number; chance: number } | null {
  const all = came.reduce((sum, n) => sum + n, 0);
  if (all === 0 || came.length !== shares.length || shares.length < 2 || shares.some((share) => share <= 0)) return null;
  const chi = came.reduce((sum, n, i) => sum + (n - all * shares[i]!) ** 2 / (all * shares[i]!), 0);
  return { chiSquare: chi, freedom: came.length - 1, chance: upperGamma((came.length - 1) / 2, chi / 2) };
}

/**
 * Regularised upper incomplete gamma Q(a, x) for a in halves, by its recurrence Q(a + 1, x) = Q(a, x) + xᵃ·e⁻ˣ/Γ(a + 1) from
 * Q(1, x) = e⁻ˣ or Q(1/2, x) = erfc(√x) (Abramowitz and Stegun 1964, 6.5.21).
 */
function upperGamma(a: number, x: number): number {
  if (x === 0) return 1;
  let at = a % 1 === 0 ? 1 : 0.5;
  let gamma = at === 1 ? 1 : Math.sqrt(Math.PI);
  let q = at === 1 ? Math.exp(-x) : erfc(Math.sqrt(x));
  for (; at < a; at += 1) {
    gamma *= at;
    q += (x ** at * Math.exp(-x)) / gamma;
  }
  return Math.min(1, q);
}

/** Abramowitz and Stegun 1964, 7.1.26: error below 1.5e-7. */
function erfc(x: number): number {
  const t = 1 / (1 + 0.3275911 * x);
  return t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) * Math.exp(-x * x);
}

export const crossCalculation = calculation({
  id: 'breeding.cross',
  title: 'Young of a cross',
  inputs: z
    .strictObject({ loci: z.array(Locus).min(1).max(6), parents: z.tuple([Parent, Parent]) })
    .superRefine(({ loci, parents }, context) => {
      for (const [i, parent] of parents.entries()) {
        const fault = parentFault(loci, parent, i === 1);
        if (fault) context.addIssue({ code: 'custom', path: ['parents', i], message: fault });
      }
    }),
  outputs: z.strictObject({
    young: z.array(
      z.strictObject({ sex: z.enum(['male', 'female']).nullable(), genotype: z.string(), looks: z.string(), share: z.number() }),
    ),
  }),
  source: [{ citation: 'Mendel’s rules, with linkage and sex linkage', basis: 'recalled' }],
  formula: 'share of a genotype = Σ over germ cells of chance × chance',
  validity: 'one to six loci; the mother first, the father with X and Y',
  uncertainty: 'none of its own: small broods stray far from the shares',
  compute: ({ loci, parents }) => ({ young: cross(loci, parents).young }),
});
