import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Animals of an even line that would lose as much as this one does: Nₑ = 4·Nm·Nf/(Nm + Nf) (Wright 1931, Genetics 16:97). */
export const effectiveSize = (males: number, females: number): number => (4 * males * females) / (males + females);

/** Inbreeding that so many generations of a closed line add: F = 1 − (1 − 1/(2·Nₑ))ᵗ (Wright 1931). */
export const inbreedingAfter = (size: number, generations: number): number => 1 - (1 - 1 / (2 * size)) ** generations;

/** Generations that a closed line has until it is so inbred; Infinity when it never is. */
export const generationsUntil = (inbreeding: number, size: number): number => Math.log(1 - inbreeding) / Math.log(1 - 1 / (2 * size));

export const inbreeding = calculation({
  id: 'breeding.inbreeding',
  title: 'Inbreeding of a closed line',
  inputs: z.strictObject({
    males: z.int().min(1, 'a line has fathers').max(100_000),
    females: z.int().min(1, 'a line has mothers').max(100_000),
    generations: z.int().min(0).max(1000),
  }),
  outputs: z.strictObject({ effectiveSize: z.number(), inbreeding: z.number() }),
  source: [{ citation: 'Wright 1931, Genetics 16:97', basis: 'recalled' }],
  formula: 'Ne = 4·Nm·Nf/(Nm + Nf); F = 1 − (1 − 1/(2·Ne))^t',
  validity: 'those that have young, mated by chance, each generation by itself, nothing brought in',
  uncertainty: 'true lines lose more: few of the parents leave most of the young',
  compute: ({ males, females, generations }) => {
    const size = effectiveSize(males, females);
    return { effectiveSize: size, inbreeding: inbreedingAfter(size, generations) };
  },
});
