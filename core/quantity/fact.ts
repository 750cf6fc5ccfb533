import * as z from 'zod';

/**
 * How a value is known.
 * - `published`: a source is named and we are sure of it
 * - `practice`: common practice among breeders, no source
 * - `recalled`: from memory, unverified
 * - `invented`: demo only
 * - `measured`: the user's own reading
 */
export const Basis = z.enum(['published', 'practice', 'recalled', 'invented', 'measured']);
export type Basis = z.infer<typeof Basis>;

/** A value with its basis. `value: null` means unknown. */
export interface Fact<T> {
  value: T | null;
  basis: Basis;
  source?: string;
  note?: string;
}

/** The schema of a fact about `value`; a published one must name its source. */
export function factOf<T extends z.ZodType>(value: T) {
  return z
    .strictObject({
      value: z.union([z.null(), value]),
      basis: Basis,
      source: z.string().min(1).max(400).optional(),
      note: z.string().min(1).max(400).optional(),
    })
    .refine((fact) => fact.basis !== 'published' || fact.source !== undefined, {
      message: 'a published value must name its source',
      path: ['source'],
    });
}

/** A fact that an entry may leave out: then it is not known. What is written down later than the entry asks nothing of it. */
export function traitOf<T extends z.ZodType>(value: T) {
  return factOf(value).default(() => ({ value: null, basis: 'recalled' }) as z.output<ReturnType<typeof factOf<T>>>);
}

/** The less certain of several bases: what a judgement resting on all of them may claim. */
export function weakestBasis(bases: readonly Basis[]): Basis {
  const byTrust: readonly Basis[] = ['measured', 'published', 'practice', 'recalled', 'invented'];
  return bases.reduce<Basis>((worst, basis) => (byTrust.indexOf(basis) > byTrust.indexOf(worst) ? basis : worst), 'measured');
}
