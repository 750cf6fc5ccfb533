import type { Finding } from '../calculation/finding';
import type { Companion } from './company';

/**
 * What a kind cannot be fed without: wood to rasp that lies in the tank, or food that moves. Common practice: what takes living food only wants a
 * culture that runs before it comes, and nothing in a tank can stand for that.
 */
export function dietFinding({ id, animal }: Companion, hasWood: boolean): Finding | null {
  const needs = animal.traits.dietNeeds;
  if (!needs?.value || (needs.value === 'wood' && hasWood)) return null;
  return {
    key: `stocking.diet:${id}`,
    code: 'stocking.diet',
    bench: 'stocking',
    severity: 'watch',
    excess: 1,
    subjects: [id],
    values: {},
    evidence: [],
    basis: needs.basis,
    kind: needs.value,
  };
}
