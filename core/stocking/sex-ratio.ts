import type { Animal } from '../catalogue/organism';
import type { Finding } from '../calculation/finding';
import { meantToBreed, type Companion } from './company';

/** Ground that a male of a kind that holds a stretch of bottom wants to himself, in floors of its smallest proper group. Common practice. */
const GROUND_OF_A_MALE = 0.8;

/** Most males that this floor holds: those that hold ground want one each, those that fight on sight want a tank each. */
function malesThatFit({ traits: { sexes, strata, footprintMm } }: Animal, floorMm2: number | null): number | null {
  const most = sexes.value?.maxMales ?? null;
  if (most === null || floorMm2 === null || !footprintMm.value || !strata.value?.includes('bottom')) return most;
  return most * Math.max(1, Math.floor(floorMm2 / (GROUND_OF_A_MALE * footprintMm.value[0] * footprintMm.value[1])));
}

/**
 * All animals of one kind: too many males, too few females, or nothing to breed with.
 * @param floorMm2 null while there is no vessel
 */
export function sexRatioFinding(kind: readonly [Companion, ...Companion[]], floorMm2: number | null = null): Finding {
  const [first] = kind;
  const { sexes } = first.animal.traits;
  const base = {
    key: `stocking.sex-ratio:${first.id}`,
    code: 'stocking.sex-ratio',
    bench: 'stocking',
    subjects: [first.id],
    evidence: [],
    basis: sexes.basis,
  } as const;
  if (!sexes.value) return { ...base, severity: 'unknown', excess: null, values: {}, kind: 'not-known' };
  const { system, femalesPerMale } = sexes.value;
  const maxMales = malesThatFit(first.animal, floorMm2);
  const count = kind.reduce((sum, entry) => sum + entry.count, 0);
  const breeds = kind.some(({ phase }) => meantToBreed(phase));
  // of one alone nobody asks the sex, unless young are wanted
  if (count === 1 && !breeds) return { ...base, severity: 'fits', excess: 0, values: {}, kind: 'does-not-matter' };
  if (system === 'hermaphrodite') return { ...base, severity: 'fits', excess: 0, values: {}, kind: 'hermaphrodite' };
  if (kind.some(({ female }) => female === undefined)) {
    const matters = (maxMales !== null && count > maxMales) || (breeds && femalesPerMale > 0);
    // in a colony large enough both sexes are there
    return matters && (maxMales !== null || count < 10)
      ? { ...base, severity: 'unknown', excess: null, values: {}, kind: 'not-stated' }
      : { ...base, severity: 'fits', excess: 0, values: {}, kind: 'does-not-matter' };
  }
  const females = kind.reduce((sum, { female }) => sum + (female ?? 0), 0);
  const males = count - females;
  const values = { males: { quantity: 'count', value: males }, females: { quantity: 'count', value: females } } as const;
  if (maxMales !== null && males > maxMales) return { ...base, severity: 'conflict', excess: males - maxMales, values, kind: 'rivals' };
  if (breeds && (males === 0 || females === 0))
    return { ...base, severity: 'conflict', excess: 1, values, kind: males === 0 ? 'no-male' : 'no-female' };
  const short = Math.max(0, femalesPerMale * males - females);
  if (femalesPerMale > 1 && short > 0)
    return {
      ...base,
      severity: 'watch',
      excess: short,
      values: { ...values, wanted: { quantity: 'count', value: Math.ceil(femalesPerMale * males) } },
      kind: 'few-females',
    };
  return { ...base, severity: 'fits', excess: 0, values, kind: 'settled' };
}
