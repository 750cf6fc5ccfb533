import type { Stratum } from '../catalogue/organism';
import type { Finding } from '../calculation/finding';
import { weakestBasis } from '../quantity/fact';
import type { Companion } from './company';

/** Several kinds in one stratum, each with the floor area its group wants, against the floor there is. Common practice. */
const CROWDED = { watch: 1.5, conflict: 2.5 };

export function strataFinding(stratum: Stratum, company: readonly Companion[], floorMm2: number): Finding | null {
  const here = company.filter(({ animal }) => animal.traits.strata.value?.includes(stratum));
  if (new Set(here.map(({ animal }) => animal.id)).size < 2) return null;
  let demandMm2 = 0;
  for (const { animal, count } of here) {
    const { footprintMm, groupMin, strata } = animal.traits;
    if (!footprintMm.value) return null;
    const group = groupMin.value ?? 1;
    const share = 1 / (strata.value?.length ?? 1);
    demandMm2 += footprintMm.value[0] * footprintMm.value[1] * share * (1 + (0.5 * Math.max(0, count - group)) / group);
  }
  const ratio = demandMm2 / floorMm2;
  if (ratio <= CROWDED.watch) return null;
  return {
    key: `stocking.strata:${stratum}`,
    code: 'stocking.strata',
    bench: 'stocking',
    severity: ratio > CROWDED.conflict ? 'conflict' : 'watch',
    excess: ratio - CROWDED.watch,
    subjects: here.map(({ id }) => id),
    values: { ratio: { quantity: 'fraction', si: ratio } },
    evidence: [],
    basis: weakestBasis(here.map(({ animal }) => animal.traits.footprintMm.basis)),
    kind: stratum,
  };
}
