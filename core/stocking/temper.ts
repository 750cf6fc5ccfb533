import type { Finding, Severity } from '../calculation/finding';
import type { Animal } from '../catalogue/organism';
import { weakestBasis } from '../quantity/fact';
import { shareStratum, type Companion } from './company';

/** Nippy kinds sort their ranks out among themselves from so many on. Common practice: eight and more, better fifteen. */
export const CALM_IN = 15;

/** One that nips against long fins. Common practice. */
export function finNippingFinding(nipper: Companion, victim: Companion): Finding | null {
  if (nipper.animal.id === victim.animal.id) return null;
  const { temperament } = nipper.animal.traits;
  const { fins } = victim.animal.traits;
  if (temperament.value !== 'nippy' || fins.value === 'short') return null;
  const base = {
    key: `stocking.fin-nipping:${nipper.id}:${victim.id}`,
    code: 'stocking.fin-nipping',
    bench: 'stocking',
    subjects: [nipper.id, victim.id],
    values: {},
    evidence: [],
    basis: weakestBasis([temperament.basis, fins.basis]),
  } as const;
  if (fins.value === null) return { ...base, severity: 'unknown', excess: null };
  // in numbers they are busy with each other, and a fin is nipped now and then
  const calm = nipper.count >= CALM_IN;
  return { ...base, severity: calm ? 'watch' : 'conflict', excess: calm ? 0.5 : 1, ...(calm ? { kind: 'in-numbers' } : {}) };
}

/**
 * Tempers of two kinds; the one that gives trouble comes first. Two that hold territories in one stratum want a floor each;
 * holders drive the shy out and take long fins for a rival's; nippers and hunters worry the rest. Common practice.
 *
 * @param floorMm2 null while there is no vessel
 */
export function temperFinding(a: Companion, b: Companion, floorMm2: number | null): Finding | null {
  if (a.animal.id === b.animal.id) return null;
  const [first, second] =
    TROUBLE[b.animal.traits.temperament.value ?? 'peaceful'] > TROUBLE[a.animal.traits.temperament.value ?? 'peaceful'] ? [b, a] : [a, b];
  const [bold, meek] = [first.animal.traits, second.animal.traits];
  const base = {
    key: `stocking.temperament:${first.id}:${second.id}`,
    code: 'stocking.temperament',
    bench: 'stocking',
    subjects: [first.id, second.id],
    evidence: [],
    basis: weakestBasis([bold.temperament.basis, meek.temperament.basis]),
  } as const;
  const said = (severity: Severity, excess: number | null, kind: string, values: Finding['values'] = {}): Finding => ({
    ...base,
    severity,
    excess,
    values,
    kind,
  });
  if (bold.temperament.value === null || meek.temperament.value === null) return said('unknown', null, 'not-known');
  const together = shareStratum(first.animal, second.animal);
  switch (bold.temperament.value) {
    case 'territorial': {
      if (together === false) return null;
      if (meek.temperament.value === 'territorial') {
        // who holds the bottom has no quarrel with who holds a stretch of open water
        if (holdsGround(first.animal) !== holdsGround(second.animal)) return null;
        const [one, other] = [bold.footprintMm.value, meek.footprintMm.value];
        if (floorMm2 === null || !one || !other) return said('watch', 1, 'two-territories');
        const needMm2 = one[0] * one[1] + other[0] * other[1];
        const values = { floor: { quantity: 'fraction', value: Math.min(1, floorMm2 / needMm2) } } as const;
        return said(needMm2 > floorMm2 ? 'conflict' : 'watch', needMm2 > floorMm2 ? needMm2 / floorMm2 : 0.5, 'two-territories', values);
      }
      if (meek.temperament.value === 'shy') return said('watch', 1, 'drives-out');
      if (meek.fins.value === 'long') return said('watch', 1, 'rival-fins');
      return null;
    }
    case 'predatory':
      return meek.temperament.value === 'predatory' || second.animal.group === 'snail' ? null : said('watch', 1, 'hunter');
    case 'nippy':
      return meek.temperament.value === 'shy' ? said('watch', 1, 'worries') : null;
    default:
      return null;
  }
}

const holdsGround = ({ traits: { strata } }: Animal): boolean => strata.value?.includes('bottom') ?? true;

/** Who gives trouble to whom. */
const TROUBLE = { shy: 0, peaceful: 1, nippy: 2, territorial: 3, predatory: 4 } as const;
