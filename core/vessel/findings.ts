import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import type { Fact } from '../quantity/fact';
import type { Vessel } from './model';

const of = (code: Finding['code'], subjects: readonly string[]) =>
  ({ key: [code, ...subjects].join(':'), code, bench: 'vessel', subjects }) as const;

export function vesselNotStated(): Finding {
  return { ...of('vessel.not-stated', []), severity: 'unknown', excess: null, values: {}, evidence: [], basis: 'practice' };
}

/** The floor against what the smallest proper group needs; either way round. Under 60 % of a side is a conflict. */
export function footprintFinding(
  subject: string,
  need: Fact<readonly [number, number]>,
  vessel: Vessel,
  floor: Computed<unknown>,
): Finding {
  const base = { ...of('vessel.footprint', [subject]), evidence: [floor], basis: need.basis };
  if (!need.value) return { ...base, severity: 'unknown', excess: null, values: {} };
  const [needLong, needShort] = [Math.max(...need.value), Math.min(...need.value)];
  const [long, short] = [Math.max(vessel.lengthMm, vessel.widthMm), Math.min(vessel.lengthMm, vessel.widthMm)];
  const fit = Math.min(long / needLong, short / needShort);
  return {
    ...base,
    severity: fit >= 1 ? 'fits' : fit >= 0.6 ? 'watch' : 'conflict',
    excess: Math.max(0, 1 - fit),
    values: {
      long: { quantity: 'length', si: long },
      short: { quantity: 'length', si: short },
      needLong: { quantity: 'length', si: needLong },
      needShort: { quantity: 'length', si: needShort },
    },
  };
}

/**
 * The water against what the animals need. The figure of the catalogue is for the smallest proper group;
 * each animal beyond it adds half its share. Common practice.
 */
export function volumeFinding(
  subject: string,
  need: Fact<number>,
  groupMin: number,
  count: number,
  water: Computed<number>,
): Finding | null {
  if (water.value === null) return null;
  const base = { ...of('vessel.volume', [subject]), evidence: [water], basis: need.basis };
  if (need.value === null) return { ...base, severity: 'unknown', excess: null, values: {} };
  const needed = need.value * (1 + (0.5 * Math.max(0, count - groupMin)) / groupMin);
  const fit = water.value / needed;
  return {
    ...base,
    severity: fit >= 1 ? 'fits' : fit >= 0.6 ? 'watch' : 'conflict',
    excess: Math.max(0, 1 - fit),
    values: {
      water: { quantity: 'volume', si: water.value },
      need: { quantity: 'volume', si: needed },
      count: { quantity: 'count', si: count },
    },
  };
}

export function lidFinding(subject: string, jumps: Fact<boolean>, vessel: Vessel): Finding {
  const base = { ...of('vessel.lid', [subject]), values: {}, evidence: [], basis: jumps.basis };
  if (jumps.value === false) return { ...base, severity: 'fits', excess: 0 };
  if (jumps.value === null || vessel.lid.value === null) return { ...base, severity: 'unknown', excess: null };
  const open = vessel.lid.value === 'none';
  return { ...base, severity: open ? 'conflict' : 'fits', excess: open ? 1 : 0 };
}

/** A vessel is never trusted before it has stood full. */
export function leakTestFinding(vessel: Vessel): Finding {
  const passed = vessel.leakTested.value === true;
  const failed = vessel.leakTested.value === false;
  return {
    ...of('vessel.leak-test', []),
    severity: passed ? 'fits' : failed ? 'conflict' : 'unknown',
    excess: passed ? 0 : failed ? 1 : null,
    values: {},
    evidence: [],
    basis: vessel.leakTested.basis,
  };
}
