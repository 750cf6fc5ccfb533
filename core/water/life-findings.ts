import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import type { AnimalGroup } from '../catalogue/organism';
import type { Span } from '../quantity/range';

/** Oxygen that most animals should not fall under, mg/L. Common practice. */
export const USUAL_OXYGEN_MG_PER_L = 5;
/** Share of what an animal wants at which it dies. Common practice. */
const DEADLY_SHARE = 0.6;
/** So much less than is wanted is no news: no balance is closer. */
const OXYGEN_BLUR = 0.5;
/** Even where the doubt reaches down to what kills, so much in hand is enough. Common practice. */
const OXYGEN_IN_HAND = 1.5;
/** Below this the filter stands still, and nothing that is computed of the water holds. */
export const NO_OXYGEN = 1;

/** What the most demanding of them wants, and whose it is; what breathes air wants little of the water. */
export function oxygenWanted(wants: readonly { id: string; mgPerL: number | null }[]): { mgPerL: number; ids: readonly string[] } {
  const known = wants.map(({ id, mgPerL }) => ({ id, mgPerL: mgPerL ?? USUAL_OXYGEN_MG_PER_L }));
  const most = known.reduce((highest, { mgPerL }) => Math.max(highest, mgPerL), 0);
  return { mgPerL: most || USUAL_OXYGEN_MG_PER_L, ids: known.filter(({ mgPerL }) => mgPerL === most).map(({ id }) => id) };
}

/** Nitrate, mg/L, that breeders keep under. Common practice: 20 for shrimp and small marine life, 50 for fish. */
export function nitrateLimit(groups: ReadonlySet<AnimalGroup>, salty: boolean): number {
  return groups.has('shrimp') || salty ? 20 : 50;
}
/** A kit reads nitrate no closer than this. */
const NITRATE_BLUR = 1.25;

/** Times as salty as it was poured at which topping up has become a trap. */
const CONCENTRATED = 1.1;

/** Times the usual feed, and grams to a litre, from which a stated feed is looked at, and from which it is taken for a slip. Common practice. */
const OVERFED = { times: 5, gPerL: 0.015, slip: { times: 10, gPerL: 0.04 } };

/**
 * Dry feed as it is stated against what such animals are usually given: far more is a slip of the pen, or rots.
 * @returns null while nothing is stated, and where it is not far more
 */
export function feedFinding(statedG: number | null, usualG: number, litres: number): Finding | null {
  if (statedG === null || usualG <= 0 || litres <= 0) return null;
  const [times, gPerL] = [statedG / usualG, statedG / litres];
  if (times < OVERFED.times || gPerL < OVERFED.gPerL) return null;
  return {
    ...shared,
    key: 'water.feed',
    code: 'water.feed',
    severity: times >= OVERFED.slip.times && gPerL >= OVERFED.slip.gPerL ? 'conflict' : 'watch',
    excess: times - OVERFED.times,
    values: { feed: { quantity: 'number', value: statedG }, usual: { quantity: 'number', value: Number(usualG.toPrecision(2)) } },
    evidence: [],
  };
}

const shared = { bench: 'water', subjects: [], basis: 'practice' } as const;

/**
 * Oxygen of the settled tank, what breathes in it against what goes through its surface, held against what the most demanding wants.
 * @param feedTaken dry feed that was taken because nobody stated it, g a day; null where it is stated
 */
export function oxygenFinding(
  mgPerL: number,
  band: Span,
  wanted: { mgPerL: number; ids: readonly string[] },
  feedTaken: number | null,
  settled: Computed<unknown>,
): Finding {
  const deadly = DEADLY_SHARE * wanted.mgPerL;
  const short = mgPerL < wanted.mgPerL - OXYGEN_BLUR;
  const mayDie = band[0] < deadly && mgPerL < wanted.mgPerL + OXYGEN_IN_HAND;
  const severity = mgPerL < deadly ? 'conflict' : short || mayDie ? 'watch' : 'fits';
  const none = mgPerL < NO_OXYGEN;
  return {
    ...shared,
    key: 'water.oxygen',
    code: 'water.oxygen',
    severity,
    excess: severity === 'fits' ? 0 : Math.max(0.01, wanted.mgPerL - mgPerL),
    subjects: wanted.mgPerL === USUAL_OXYGEN_MG_PER_L ? [] : wanted.ids,
    values: {
      // as little as this is no figure any more
      ...(none ? {} : { oxygen: { quantity: 'concentration', value: mgPerL }, low: { quantity: 'concentration', value: band[0] } }),
      high: { quantity: 'concentration', value: band[1] },
      edge: { quantity: 'concentration', value: wanted.mgPerL },
      ...(feedTaken === null ? {} : { feed: { quantity: 'number', value: feedTaken } }),
    },
    evidence: [settled],
    ...(none ? { kind: 'none-left' } : {}),
  };
}

/** Nitrate that the planned feed, plants and changes come to. */
export function nitrateFinding(mgPerL: number, band: Span, limit: number, feedTaken: number | null, settled: Computed<unknown>): Finding {
  return {
    ...shared,
    key: 'water.nitrate',
    code: 'water.nitrate',
    severity: mgPerL > NITRATE_BLUR * limit ? 'watch' : 'fits',
    excess: mgPerL > NITRATE_BLUR * limit ? mgPerL - limit : 0,
    values: {
      nitrate: { quantity: 'concentration', value: mgPerL },
      low: { quantity: 'concentration', value: band[0] },
      high: { quantity: 'concentration', value: band[1] },
      edge: { quantity: 'concentration', value: limit },
      ...(feedTaken === null ? {} : { feed: { quantity: 'number', value: feedTaken } }),
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
    values: { by: { quantity: 'fraction', value: concentrated - 1 } },
    evidence: [settled],
  };
}

/** pH that a change may move the water by before animals feel it. Common practice: a few tenths a day, a unit at most. */
const SWING_PH = 1;

/** What a change does to the pH that has settled between changes; null while it is little. */
export function swingFinding(before: number, after: number, settled: Computed<unknown>): Finding | null {
  const swing = Math.abs(after - before);
  if (swing < SWING_PH) return null;
  return {
    ...shared,
    key: 'water.swing',
    code: 'water.swing',
    severity: 'watch',
    excess: swing,
    parameter: 'ph',
    values: { before: { quantity: 'ph', value: before }, after: { quantity: 'ph', value: after } },
    evidence: [settled],
  };
}
