import type { Finding } from '../calculation/finding';
import { weakestBasis } from '../quantity/fact';
import type { Companion } from './company';

/** Fish that graze, filter or lie in wait at night take nothing from a slow picker. */
const GREEDY_FEEDING = new Set(['picks', 'sifts']);

/** One that looks long at every morsel, beside fish that are quicker: it starves. Seahorses and pipefish do so for sure. Common practice. */
export function feedingFinding(slow: Companion, quick: Companion): Finding | null {
  const { eatsSlowly } = slow.animal.traits;
  if (!eatsSlowly?.value || slow.animal.id === quick.animal.id || quick.animal.group !== 'fish') return null;
  const { traits } = quick.animal;
  if (traits.eatsSlowly?.value || !GREEDY_FEEDING.has(traits.feeding.value ?? 'picks')) return null;
  const sure = slow.animal.form === 'seahorse' || slow.animal.form === 'pipefish';
  return {
    key: `stocking.feeding:${slow.id}:${quick.id}`,
    code: 'stocking.feeding',
    bench: 'stocking',
    severity: sure ? 'conflict' : 'watch',
    excess: sure ? 2 : 1,
    subjects: [slow.id, quick.id],
    values: {},
    evidence: [],
    basis: weakestBasis([eatsSlowly.basis, traits.feeding.basis]),
  };
}
