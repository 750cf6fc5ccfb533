import type { Finding } from '../calculation/finding';
import type { Companion } from './company';

/** Slime of a frightened or dying fish is thinned out by this much water. Common practice. */
const THINS_OUT_L = 60;

/** What an animal can do to the one who handles it: a poison that kills, or a sting, a bite, a pinch to know of. */
export function handlingFinding({ id, animal }: Companion): Finding | null {
  const { harms } = animal.traits;
  const [worst] = (harms?.value ?? []).filter((how) => how !== 'slime');
  if (!harms || worst === undefined) return null;
  const deadly = worst === 'palytoxin' || worst === 'deadly skin';
  return {
    key: `stocking.handling:${id}`,
    code: 'stocking.handling',
    bench: 'stocking',
    severity: deadly ? 'watch' : 'fits',
    excess: deadly ? 1 : 0,
    subjects: [id],
    values: {},
    evidence: [],
    basis: harms.basis,
    kind: worst,
  };
}

/** One whose skin or slime is poison, in a water with fish: newts are bitten at, and slime does not thin out in a small tank. Common practice. */
export function slimeFinding({ id, animal }: Companion, company: readonly Companion[], litres: number | null): Finding | null {
  const { harms } = animal.traits;
  const skin = harms?.value?.some((how) => how === 'skin' || how === 'deadly skin') ?? false;
  const slime = harms?.value?.includes('slime') ?? false;
  const fish = company.filter((other) => other.animal.group === 'fish' && other.animal.id !== animal.id).map((other) => other.id);
  if (!harms || fish.length === 0 || !(skin || (slime && litres !== null && litres < THINS_OUT_L))) return null;
  return {
    key: `stocking.slime:${id}`,
    code: 'stocking.slime',
    bench: 'stocking',
    severity: 'watch',
    excess: 1,
    subjects: [id, ...fish],
    values: {},
    evidence: [],
    basis: harms.basis,
    kind: skin ? 'skin' : 'slime',
  };
}
