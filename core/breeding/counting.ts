import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** A number with the interval that holds the truth nineteen times in twenty. */
export interface Counted {
  number: number;
  low: number;
  high: number;
}

/** Of the normal distribution, two-sided at 95 %. */
const Z95 = 1.96;

/**
 * All that are there from two nettings of the same effort, the first not put back: N = c₁²/(c₁ − c₂).
 *
 * Source: Seber and Le Cren 1967, J. Anim. Ecol. 36:631, with their variance c₁²·c₂²·(c₁ + c₂)/(c₁ − c₂)⁴.
 *
 * @returns null when the second netting brought as many as the first: nothing can be told
 */
export function twoNettings(first: number, second: number): Counted | null {
  if (second >= first) return null;
  const number = first ** 2 / (first - second);
  const error = Math.sqrt(first ** 2 * second ** 2 * (first + second)) / (first - second) ** 2;
  return { number, low: Math.max(first + second, number - Z95 * error), high: number + Z95 * error };
}

/**
 * All that are there from pictures of equal squares of the ground: mean of a square × squares that the ground has.
 *
 * The interval follows from how the squares differ among each other (Student's t; Krebs 1999, Ecological Methodology, 2nd ed.).
 *
 * @param counts heads of each square, two squares at least
 * @param squares how many such squares the whole ground has
 */
export function photoSquares(counts: readonly number[], squares: number): Counted | null {
  const n = counts.length;
  if (n < 2 || squares < n) return null;
  const mean = counts.reduce((sum, count) => sum + count, 0) / n;
  const variance = counts.reduce((sum, count) => sum + (count - mean) ** 2, 0) / (n - 1);
  // squares that were looked at are known: the doubt is about the others
  const error = student95(n - 1) * Math.sqrt((variance / n) * (1 - n / squares));
  const seen = counts.reduce((sum, count) => sum + count, 0);
  return { number: mean * squares, low: Math.max(seen, (mean - error) * squares), high: (mean + error) * squares };
}

/**
 * All that are there from marked ones caught again, by Chapman's form of Petersen's estimate, which few marks bias least:
 * N = (M + 1)(C + 1)/(R + 1) − 1 (Chapman 1951; variance of Seber 1970, Biometrics 26:13; interval on the logarithm of
 * those not seen, as Burnham et al. 1987 have it).
 *
 * @param marked let go with a mark
 * @param caught in the second catch
 * @param again marked ones among them
 */
export function markedAgain(marked: number, caught: number, again: number): Counted | null {
  if (again > caught || again > marked || caught === 0) return null;
  const number = ((marked + 1) * (caught + 1)) / (again + 1) - 1;
  const variance = ((marked + 1) * (caught + 1) * (marked - again) * (caught - again)) / ((again + 1) ** 2 * (again + 2));
  // of those that were never in the hand, whose number cannot fall below none: their logarithm is near normal
  const seen = marked + caught - again;
  const unseen = Math.max(1e-9, number - seen);
  const stretch = Math.exp(Z95 * Math.sqrt(Math.log(1 + variance / unseen ** 2)));
  return { number, low: seen + unseen / stretch, high: seen + unseen * stretch };
}

/** Share of females among those that were sexed, with Wilson's interval (Wilson 1927, J. Am. Stat. Assoc. 22:209). */
export function sexShare(females: number, sexed: number): { share: number; low: number; high: number } | null {
  if (sexed === 0 || females > sexed) return null;
  const share = females / sexed;
  const weight = Z95 ** 2 / sexed;
  const middle = (share + weight / 2) / (1 + weight);
  const half = (Z95 / (1 + weight)) * Math.sqrt((share * (1 - share)) / sexed + weight / (4 * sexed));
  return { share, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** Student's t, two-sided at 95 %, by degrees of freedom: tables of the distribution, and the normal one beyond. */
const T95 = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11, 2.101, 2.093, 2.086,
];
const student95 = (freedom: number): number => T95[freedom - 1] ?? Z95 + 2.4 / freedom;

export const removalCount = calculation({
  id: 'breeding.removal-count',
  title: 'Count by two nettings',
  inputs: z
    .strictObject({
      first: z.int().min(1, 'nothing was netted').max(100_000),
      second: z.int().min(0).max(100_000),
    })
    .refine(({ first, second }) => second < first, { message: 'as many as the first time: nothing can be told', path: ['second'] }),
  outputs: z.strictObject({ number: z.number() }),
  source: [{ citation: 'Seber and Le Cren 1967, Journal of Animal Ecology 36:631', basis: 'recalled' }],
  formula: 'N = c1² / (c1 − c2)',
  validity: 'the same net, time and place twice over, the first catch kept out; nothing comes in or out between',
  uncertainty: 'that of its variance c1²·c2²·(c1 + c2)/(c1 − c2)⁴; those that hide are not counted',
  compute: ({ first, second }) => ({ number: twoNettings(first, second)!.number }),
});
