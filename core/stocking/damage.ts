import type { Finding } from '../calculation/finding';
import type { Plant } from '../catalogue/organism';
import { weakestBasis } from '../quantity/fact';
import type { Companion } from './company';

/** Groups that cannot move away from a sting. */
const SETTLED = new Set(['cnidarian', 'sponge', 'bivalve']);

/** An animal that eats plants, beside plants that can be eaten; one that pulls them out, beside any that root. */
export function plantDamageFinding({ id, animal }: Companion, plants: readonly { id: string; plant: Plant }[]): Finding | null {
  const { eats, uproots } = animal.traits;
  const grazes = eats.value?.includes('plants') ?? false;
  const eaten = grazes ? plants.filter(({ plant }) => plant.traits.edible.value !== false) : [];
  const pulled = uproots.value ? plants.filter(({ plant }) => plant.traits.rooting.value === 'bury') : [];
  const hurt = [...new Set([...eaten, ...pulled])];
  if (hurt.length === 0) return null;
  return {
    key: `stocking.plant-damage:${id}`,
    code: 'stocking.plant-damage',
    bench: 'stocking',
    severity: 'watch',
    excess: hurt.length,
    subjects: [id, ...hurt.map((one) => one.id)],
    values: {},
    evidence: [],
    basis: weakestBasis([eats.basis, uproots.basis]),
    kind: eaten.length > 0 ? (pulled.length > 0 ? 'both' : 'eats') : 'uproots',
  };
}

/** One that stings or poisons, beside another that cannot move away. */
export function stingFinding(stinger: Companion, other: Companion): Finding | null {
  const { stings } = stinger.animal.traits;
  if (!stings.value || !SETTLED.has(other.animal.group)) return null;
  return {
    key: `stocking.stings:${stinger.id}:${other.id}`,
    code: 'stocking.stings',
    bench: 'stocking',
    severity: 'watch',
    excess: 1,
    subjects: [stinger.id, other.id],
    values: {},
    evidence: [],
    basis: stings.basis,
  };
}

/** Nobody knows which of several kinds it is. */
export function unidentifiedFinding(id: string, kinds: number): Finding {
  return {
    key: `stocking.unidentified:${id}`,
    code: 'stocking.unidentified',
    bench: 'livestock',
    severity: 'unknown',
    excess: null,
    subjects: [id],
    values: { kinds: { quantity: 'count', value: kinds } },
    evidence: [],
    basis: 'measured',
  };
}
