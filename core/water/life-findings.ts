import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import type { AnimalGroup } from '../catalogue/organism';
import type { Span } from '../quantity/range';

/** Oxygen, mg/L, below which animals are short of breath, and below which they die. Common practice. */
export const OXYGEN_MG_PER_L = { watch: 5, conflict: 3 } as const;

/** Nitrate, mg/L, that breeders keep under. Common practice: 20 for shrimp and small marine life, 50 for fish. */
export function nitrateLimit(groups: ReadonlySet<AnimalGroup>, salty: boolean): number {
  return groups.has('shrimp') || salty ? 20 : 50;
}

/** Times as salty as it was poured at which topping up has become a trap. */
const CONCENTRATED = 1.1;

const shared = { bench: 'water', subjects: [], basis: 'practice' } as const;

/** Oxygen of the settled tank: what breathes in it against what goes through its surface. */
export function oxygenFinding(mgPerL: number, band: Span, settled: Computed<unknown>): Finding {
  const { watch, conflict } = OXYGEN_MG_PER_L;
  const severity = mgPerL < conflict ? 'conflict' : band[0] < conflict || mgPerL < watch ? 'watch' : 'fits';
  return {
    ...shared,
    key: 'water.oxygen',
    code: 'water.oxygen',
    severity,
    excess: severity === 'fits' ? 0 : Math.max(0, watch - band[0]),
    values: {
      oxygen: { quantity: 'concentration', si: mgPerL },
      low: { quantity: 'concentration', si: band[0] },
      high: { quantity: 'concentration', si: band[1] },
      edge: { quantity: 'concentration', si: watch },
    },
    evidence: [settled],
  };
}

/** Nitrate that the planned feed, plants and changes come to. */
export function nitrateFinding(mgPerL: number, band: Span, limit: number, settled: Computed<unknown>): Finding {
  return {
    ...shared,
    key: 'water.nitrate',
    code: 'water.nitrate',
    severity: mgPerL > limit ? 'watch' : 'fits',
    excess: Math.max(0, mgPerL - limit),
    values: {
      nitrate: { quantity: 'concentration', si: mgPerL },
      low: { quantity: 'concentration', si: band[0] },
      high: { quantity: 'concentration', si: band[1] },
      edge: { quantity: 'concentration', si: limit },
    },
    evidence: [settled],
  };
}

/** Topping up with water that has something in it: null while that comes to little. */
export function evaporationFinding(concentrated: number, settled: Computed<unknown>): Finding | null {
  if (concentrated < CONCENTRATED) return null;
  return {
    ...shared,
    key: 'water.evaporation',
    code: 'water.evaporation',
    severity: 'watch',
    excess: concentrated - 1,
    values: { by: { quantity: 'fraction', si: concentrated - 1 } },
    evidence: [settled],
  };
}
