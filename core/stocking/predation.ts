import type { Finding } from '../calculation/finding';
import { weakestBasis } from '../quantity/fact';
import { meantToBreed, youngDepthMm, type Companion } from './company';

const NEAR = 0.8;

/**
 * A mouth against a grown body: prey no deeper than the mouth is wide is swallowed (Hambright 1991, Trans. Am. Fish. Soc. 120:500;
 * Nilsson & Brönmark 2000, Oikos 88:539). Within a fifth of it, the smaller ones are.
 * @returns null when nothing is said against the two
 */
export function predationFinding(hunter: Companion, prey: Companion): Finding | null {
  if (hunter.animal.id === prey.animal.id) return null;
  const { hunts } = hunter.animal.traits;
  if (hunts.value && !hunts.value.includes(prey.animal.group)) return null;
  const [gape, depth] = [hunter.animal.sizeMm.gape, prey.animal.sizeMm.depth];
  const base = {
    key: `stocking.predation:${hunter.id}:${prey.id}`,
    code: 'stocking.predation',
    bench: 'stocking',
    subjects: [hunter.id, prey.id],
    evidence: [],
    basis: weakestBasis([hunts.basis, gape.basis, depth.basis]),
  } as const;
  if (!hunts.value || gape.value === null || depth.value === null) return { ...base, severity: 'unknown', excess: null, values: {} };
  const ratio = gape.value / depth.value;
  if (ratio < NEAR) return null;
  return {
    ...base,
    severity: ratio > 1 ? 'conflict' : 'watch',
    excess: ratio - NEAR,
    values: { gape: { quantity: 'length', si: gape.value }, depth: { quantity: 'length', si: depth.value } },
  };
}

/** A mouth against the young of those that are to breed: what fits is eaten by nearly any fish or salamander. */
export function predationOnYoungFinding(eater: Companion, parent: Companion): Finding | null {
  if (eater.animal.id === parent.animal.id || !meantToBreed(parent.phase)) return null;
  if (eater.animal.group !== 'fish' && eater.animal.group !== 'amphibian') return null;
  const { gape } = eater.animal.sizeMm;
  const { youngMm } = parent.animal.traits;
  const base = {
    key: `stocking.predation-young:${eater.id}:${parent.id}`,
    code: 'stocking.predation-young',
    bench: 'stocking',
    subjects: [eater.id, parent.id],
    evidence: [],
    basis: weakestBasis([gape.basis, youngMm.basis]),
  } as const;
  if (gape.value === null || youngMm.value === null) return { ...base, severity: 'unknown', excess: null, values: {} };
  const depth = youngDepthMm(youngMm.value);
  if (gape.value <= depth) return null;
  return {
    ...base,
    severity: parent.phase === 'larvae' ? 'conflict' : 'watch',
    excess: gape.value / depth - 1,
    values: { gape: { quantity: 'length', si: gape.value }, young: { quantity: 'length', si: youngMm.value } },
  };
}
