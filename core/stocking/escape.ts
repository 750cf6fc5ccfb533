import type { Finding } from '../calculation/finding';
import type { AnimalGroup } from '../catalogue/organism';
import { weakestBasis } from '../quantity/fact';
import { meantToBreed, shareToday, youngDepthMm, type Companion } from './company';

/** A way out: an opening in lid, weir or intake. Millimetres. */
export interface WayOut {
  id: string;
  at: 'lid' | 'weir' | 'intake';
  shortMm: number;
  longMm: number;
  /** Holes of what is in front of it; null when nothing is. */
  guardMm: number | null;
}

/** Whether a body of this depth and width goes through; it may turn. */
function passes({ shortMm, longMm, guardMm }: WayOut, depthMm: number, widthMm: number): boolean {
  const [thin, thick] = [Math.min(depthMm, widthMm), Math.max(depthMm, widthMm)];
  if (guardMm !== null && guardMm <= thick) return false;
  return thin < shortMm && thick < longMm;
}

/** Fish and newts are bought half grown, where nobody says how large they are. Common practice. */
const BOUGHT_AT = 0.5;
const BOUGHT_YOUNG: ReadonlySet<AnimalGroup> = new Set(['fish', 'amphibian']);

/** Every way out against one kind: grown ones, those as they are bought, and the young of those that are to breed. One finding, for the worst of the ways. */
export function escapeFinding(companion: Companion, ways: readonly WayOut[]): Finding | null {
  if (ways.length === 0) return null;
  const { id, animal, phase, todayMm } = companion;
  const bought = todayMm !== undefined ? shareToday(companion) : BOUGHT_YOUNG.has(animal.group) ? BOUGHT_AT : 1;
  const { jumps, climbs, youngMm } = animal.traits;
  const { depth, width } = animal.sizeMm;
  const base = {
    key: `stocking.escape:${id}`,
    code: 'stocking.escape',
    bench: 'stocking',
    subjects: [id],
    evidence: [],
    basis: weakestBasis([depth.basis, width.basis, jumps.basis]),
  } as const;
  let unknown = false;
  let worst: Finding | null = null;
  for (const way of ways) {
    const viaLid = way.at === 'lid';
    const byJump = !viaLid || jumps.value !== false;
    if (viaLid && jumps.value === false && climbs.value === false) continue;
    if (depth.value === null || width.value === null || (viaLid && jumps.value === null)) {
      unknown = true;
      continue;
    }
    const values = {
      short: { quantity: 'length', value: way.guardMm ?? way.shortMm },
      long: { quantity: 'length', value: way.longMm },
      body: { quantity: 'length', value: Math.min(depth.value, width.value) },
    } as const;
    if (passes(way, depth.value, width.value)) {
      const found: Finding = {
        ...base,
        severity: byJump ? 'conflict' : 'watch',
        excess: byJump ? 2 : 1,
        values,
        kind: `${way.at}:${way.id}`,
      };
      if (!worst || (found.excess ?? 0) > (worst.excess ?? 0)) worst = found;
    } else if (!viaLid && bought < 1 && passes(way, depth.value * bought, width.value * bought)) {
      const found: Finding = {
        ...base,
        severity: 'watch',
        excess: 0.8,
        values: { ...values, body: { quantity: 'length', value: Math.min(depth.value, width.value) * bought } },
        kind: `${way.at}:${way.id}`,
      };
      if (!worst || (found.excess ?? 0) > (worst.excess ?? 0)) worst = found;
    }
    if (!viaLid && depth.value !== null && meantToBreed(phase) && !(worst && (worst.excess ?? 0) >= 2)) {
      if (youngMm.value === null) unknown = true;
      else if (passes(way, youngDepthMm(youngMm.value), youngDepthMm(youngMm.value))) {
        const conflict = phase === 'larvae';
        const found: Finding = {
          ...base,
          severity: conflict ? 'conflict' : 'watch',
          excess: conflict ? 2 : 1,
          values: { ...values, young: { quantity: 'length', value: youngMm.value } },
          kind: `${way.at}:${way.id}`,
        };
        if (!worst || (found.excess ?? 0) > (worst.excess ?? 0)) worst = found;
      }
    }
  }
  return (
    worst ?? (unknown ? { ...base, severity: 'unknown', excess: null, values: {} } : { ...base, severity: 'fits', excess: 0, values: {} })
  );
}
