import type { Animal } from '../catalogue/organism';
import type { Phase } from '../catalogue/parameter';

/** One kind of animal of the company, as the rules see it. */
export interface Companion {
  id: string;
  animal: Animal;
  count: number;
  /** Undefined while nobody has sexed them. */
  female: number | undefined;
  phase: Phase;
  /** Length as they are put in; left out for grown ones. */
  todayMm?: number | undefined;
}

/** How large they are put in, as a share of grown: 1 where nobody has said, or nobody knows how long they grow. */
export function shareToday({ animal, todayMm }: Pick<Companion, 'animal' | 'todayMm'>): number {
  const grown = animal.sizeMm.length.value;
  return todayMm === undefined || grown === null ? 1 : Math.min(1, todayMm / grown);
}

export const meantToBreed = (phase: Phase): boolean => phase === 'spawn' || phase === 'larvae';

/** Young are about a quarter as deep as they are long. Common practice. */
export const youngDepthMm = (lengthMm: number): number => lengthMm / 4;

/** @returns null when either's strata are not known */
export function shareStratum(a: Animal, b: Animal): boolean | null {
  const [of, with_] = [a.traits.strata.value, b.traits.strata.value];
  return of && with_ ? of.some((stratum) => with_.includes(stratum)) : null;
}
