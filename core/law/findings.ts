import type { Finding } from '../calculation/finding';
import type { Jurisdiction } from '../catalogue/law';
import type { Organism } from '../catalogue/organism';

/** A kind of the tank. */
export interface Kept {
  id: string;
  organism: Organism;
}

/**
 * What the law of the place bars, as far as the catalogue knows; where the place is not stated, that some kinds are barred somewhere. Lists
 * change: it says what to ask, never that a kind is free.
 */
export function lawFindings(kept: readonly Kept[], law: Jurisdiction | null): Finding[] {
  const listed = kept.flatMap(({ id, organism }) => (organism.barred?.value ? [{ id, barred: organism.barred }] : []));
  if (law === null) {
    const [first] = listed;
    if (!first) return [];
    return [
      {
        key: 'law.barred',
        code: 'law.barred',
        bench: 'livestock',
        severity: 'unknown',
        excess: null,
        subjects: listed.map(({ id }) => id),
        values: {},
        evidence: [],
        basis: first.barred.basis,
        kind: 'not-stated',
      },
    ];
  }
  return listed.flatMap(({ id, barred }): Finding[] => {
    const here = barred.value?.find(({ where }) => where === law);
    if (!here) return [];
    return [
      {
        key: `law.barred:${id}`,
        code: 'law.barred',
        bench: 'livestock',
        severity: here.what === 'keeping' ? 'conflict' : 'watch',
        excess: 1,
        subjects: [id],
        values: { since: { quantity: 'count', value: here.since } },
        evidence: [],
        basis: barred.basis,
        kind: `${here.what} ${law}`,
      },
    ];
  });
}
