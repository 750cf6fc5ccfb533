import type { Finding } from '../calculation/finding';
import { weakestBasis } from '../quantity/fact';
import { meantToBreed, type Companion } from './company';

/** Two kinds or lines that cross: lost as lines once either is bred. Common practice. */
export function crossingFinding(a: Companion, b: Companion): Finding | null {
  if (a.animal.id === b.animal.id) return null;
  const [one, other] = [a.animal.traits.crossesWithin, b.animal.traits.crossesWithin];
  const base = {
    key: `stocking.crossing:${a.id}:${b.id}`,
    code: 'stocking.crossing',
    bench: 'stocking',
    subjects: [a.id, b.id],
    values: {},
    evidence: [],
    basis: weakestBasis([one.basis, other.basis]),
  } as const;
  if (one.value === null || other.value === null) {
    const genus = (latin: string) => latin.split(' ')[0];
    return genus(a.animal.latin) === genus(b.animal.latin) ? { ...base, severity: 'unknown', excess: null } : null;
  }
  if (one.value !== other.value) return null;
  const bred = meantToBreed(a.phase) || meantToBreed(b.phase);
  return { ...base, severity: bred ? 'conflict' : 'watch', excess: bred ? 2 : 1 };
}
