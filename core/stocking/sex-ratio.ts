import type { Finding } from '../calculation/finding';
import { meantToBreed, type Companion } from './company';

/** All animals of one kind: too many males, too few females, or nothing to breed with. */
export function sexRatioFinding(kind: readonly [Companion, ...Companion[]]): Finding {
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
  const { system, maxMales, femalesPerMale } = sexes.value;
  const count = kind.reduce((sum, entry) => sum + entry.count, 0);
  const breeds = kind.some(({ phase }) => meantToBreed(phase));
  if (system === 'hermaphrodite') return { ...base, severity: 'fits', excess: 0, values: {}, kind: 'hermaphrodite' };
  if (kind.some(({ female }) => female === undefined)) {
    const matters = (maxMales !== null && count > maxMales) || (breeds && femalesPerMale > 0) || femalesPerMale > 1;
    // in a colony large enough both sexes are there
    return matters && (maxMales !== null || count < 10)
      ? { ...base, severity: 'unknown', excess: null, values: {}, kind: 'not-stated' }
      : { ...base, severity: 'fits', excess: 0, values: {}, kind: 'does-not-matter' };
  }
  const females = kind.reduce((sum, { female }) => sum + (female ?? 0), 0);
  const males = count - females;
  const values = { males: { quantity: 'count', si: males }, females: { quantity: 'count', si: females } } as const;
  if (maxMales !== null && males > maxMales) return { ...base, severity: 'conflict', excess: males - maxMales, values, kind: 'rivals' };
  if (breeds && (males === 0 || females === 0))
    return { ...base, severity: 'conflict', excess: 1, values, kind: males === 0 ? 'no-male' : 'no-female' };
  const short = Math.max(0, femalesPerMale * males - females);
  if (femalesPerMale > 1 && short > 0)
    return {
      ...base,
      severity: 'watch',
      excess: short,
      values: { ...values, wanted: { quantity: 'count', si: Math.ceil(femalesPerMale * males) } },
      kind: 'few-females',
    };
  return { ...base, severity: 'fits', excess: 0, values, kind: 'settled' };
}
