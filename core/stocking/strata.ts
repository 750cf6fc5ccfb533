import { isInvertebrate, type Stratum } from '../catalogue/organism';
import type { Finding } from '../calculation/finding';
import { weakestBasis } from '../quantity/fact';
import type { Companion } from './company';

/** Several kinds in one stratum, each with the floor area its group wants, against the floor there is. Common practice. */
const CROWDED = { watch: 1.2, conflict: 3 };
/** Peaceful kinds swim through each other: of the floor their group wants so much is their own. Common practice. */
const SHARED = 0.7;
/** What each head beyond the smallest proper group adds of its share. Common practice. */
const BEYOND_GROUP = 0.25;

/** Shrimp, snails and what is settled are not counted: they graze every face of the tank, or take the room they are given. */
export function strataFinding(stratum: Stratum, company: readonly Companion[], floorMm2: number): Finding | null {
  const here = company.filter(
    ({ animal: { group, traits } }) =>
      (!isInvertebrate(group) || group === 'crayfish' || group === 'crab') && traits.strata.value?.includes(stratum),
  );
  if (new Set(here.map(({ animal }) => animal.id)).size < 2) return null;
  let demandMm2 = 0;
  for (const { animal, count } of here) {
    const { footprintMm, groupMin, strata, temperament } = animal.traits;
    if (!footprintMm.value) return null;
    const group = groupMin.value ?? 1;
    const mine = temperament.value === 'peaceful' || temperament.value === 'shy' ? SHARED : 1;
    const share = mine / (strata.value?.length ?? 1);
    demandMm2 += footprintMm.value[0] * footprintMm.value[1] * share * (1 + (BEYOND_GROUP * Math.max(0, count - group)) / group);
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
    values: { ratio: { quantity: 'fraction', value: ratio } },
    evidence: [],
    basis: weakestBasis(here.map(({ animal }) => animal.traits.footprintMm.basis)),
    kind: stratum,
  };
}
