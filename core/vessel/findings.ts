import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import type { Basis, Fact } from '../quantity/fact';
import type { Vessel, VesselState } from './model';
import { floorMm, spareMm, topOpening } from './shape';

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
  const { long, short } = floorMm(vessel);
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

/** Vessels that have to stand full for a week before they are trusted; others for a day. Common practice. */
const WEEK_LONG: readonly VesselState[] = ['repaired', 'drilled', 'home-built', 'rim-lost'];

/** A vessel is never trusted before it has stood full. */
export function leakTestFinding(vessel: Vessel): Finding {
  const { value: test, basis } = vessel.leakTest;
  const wantedDays = vessel.state.value !== null && WEEK_LONG.includes(vessel.state.value) ? 7 : 1;
  const base = { ...of('vessel.leak-test', []), evidence: [], basis };
  const wanted = { quantity: 'count', si: wantedDays } as const;
  if (!test) return { ...base, severity: 'unknown', excess: null, values: { wanted } };
  if (!test.dry) return { ...base, severity: 'conflict', excess: 1, values: { wanted } };
  const days = test.days ?? (wantedDays === 1 ? 1 : 0);
  const short = days < wantedDays || (vessel.sump !== null && test.filterRan !== true);
  return {
    ...base,
    severity: short ? 'watch' : 'fits',
    excess: short ? Math.max(wantedDays - days, 0.5) : 0,
    values: { wanted, days: { quantity: 'count', si: days } },
  };
}

/** A piece against the opening at the top, and how high the vessel is inside. */
export function fitFinding(
  code: 'vessel.gear-fit' | 'vessel.piece-fit',
  id: string,
  sizeMm: readonly [number, number, number] | null,
  vessel: Vessel,
): Finding | null {
  const base = { ...of(code, [id]), evidence: [], basis: 'measured' as Basis };
  const opening = topOpening(vessel);
  if (!sizeMm) return { ...base, severity: 'unknown', excess: null, values: {} };
  const spare = spareMm(opening, sizeMm);
  const across = 'diameterMm' in opening ? opening.diameterMm : Math.min(opening.lengthMm, opening.widthMm);
  return {
    ...base,
    severity: spare < 0 ? 'conflict' : spare < 5 ? 'watch' : 'fits',
    excess: Math.max(0, -spare, spare < 5 ? 5 - spare : 0),
    values: { opening: { quantity: 'length', si: across }, spare: { quantity: 'length', si: Math.abs(spare) } },
  };
}

/** Free height above the rim: a hand with a net wants 200 mm, less than 100 mm is no way in. Common practice. */
export function clearanceFinding(vessel: Vessel): Finding | null {
  const { value, basis } = vessel.clearanceMm;
  const base = { ...of('vessel.clearance', []), evidence: [], basis };
  if (value === null) return vessel.stand.value === 'rack' ? { ...base, severity: 'unknown', excess: null, values: {} } : null;
  return {
    ...base,
    severity: value < 100 ? 'conflict' : value < 200 ? 'watch' : 'fits',
    excess: Math.max(0, 200 - value),
    values: { clearance: { quantity: 'length', si: value }, wanted: { quantity: 'length', si: 200 } },
  };
}

/** What drains back against the room in the sump. A fifth of that room in hand is comfort; common practice. */
export function drainBackFinding(drain: Computed<{ drainsL: number; spareL: number }>): Finding | null {
  if (!drain.value) return null;
  const { drainsL, spareL } = drain.value;
  const free = drainsL + spareL;
  return {
    ...of('vessel.drain-back', []),
    severity: spareL < 0 ? 'conflict' : spareL < 0.2 * free ? 'watch' : 'fits',
    excess: Math.max(0, -spareL),
    values: {
      drains: { quantity: 'volume', si: drainsL },
      free: { quantity: 'volume', si: free },
      spare: { quantity: 'volume', si: Math.abs(spareL) },
    },
    evidence: [drain],
    basis: 'published',
  };
}

/** Weight at which floor or furniture is worth a question. Common practice, never a certificate. */
const ASK_KG = { floor: 300, furniture: 30 };

export function loadFinding(vessel: Vessel, mass: Computed<{ kg: number; kPa: number }>): Finding | null {
  if (!mass.value) return null;
  const { kg, kPa } = mass.value;
  const heavy = kg > ASK_KG.floor;
  const onFurniture = vessel.stand.value === 'furniture' && kg > ASK_KG.furniture;
  const unsaid = (heavy && vessel.floor.value === null) || (kg > ASK_KG.furniture && vessel.stand.value === null);
  const watch = onFurniture || (heavy && vessel.floor.value === 'suspended');
  return {
    ...of('vessel.load', []),
    severity: watch ? 'watch' : unsaid ? 'unknown' : 'fits',
    excess: watch ? kg - (onFurniture ? ASK_KG.furniture : ASK_KG.floor) : unsaid ? null : 0,
    values: {
      mass: { quantity: 'mass', si: kg * 1000 },
      load: { quantity: 'pressure', si: kPa },
      furniture: { quantity: 'count', si: onFurniture ? 1 : 0 },
    },
    evidence: [mass],
    basis: 'practice',
  };
}

/** The panes against plate theory: information, never a certificate, and never a conflict. */
export function glassFinding(vessel: Vessel, needed: Computed<number>): Finding | null {
  if (needed.value === null) return null;
  const base = { ...of('vessel.glass', []), evidence: [needed], basis: 'published' as Basis };
  const need = { quantity: 'length', si: needed.value } as const;
  const { value: glass } = vessel.glassMm;
  if (glass === null) return { ...base, severity: 'unknown', excess: null, values: { need } };
  return {
    ...base,
    // a tenth of a millimetre is what stock thickness is off by anyhow
    severity: glass + 0.1 < needed.value ? 'watch' : 'fits',
    excess: Math.max(0, needed.value - glass),
    values: { need, glass: { quantity: 'length', si: glass } },
  };
}

/** Where it stands and from where it is seen, for shy animals and for algae. Common practice. */
export function sitingFindings(vessel: Vessel, shy: readonly string[]): Finding[] {
  const findings: Finding[] = [];
  if (vessel.sun.value === 'direct')
    findings.push({ ...of('vessel.sun', []), severity: 'watch', excess: 1, values: {}, evidence: [], basis: 'practice' });
  for (const id of shy) {
    if (vessel.footfall.value === 'busy')
      findings.push({ ...of('vessel.footfall', [id]), severity: 'watch', excess: 1, values: {}, evidence: [], basis: 'practice' });
    const open = vessel.viewingSides.length;
    const bare = vessel.background.value === 'none' ? 4 : open;
    if (open >= 3 || bare === 4)
      findings.push({
        ...of('vessel.exposed', [id]),
        severity: 'watch',
        excess: Math.max(open, bare) - 2,
        values: { sides: { quantity: 'count', si: Math.max(open, bare) } },
        evidence: [],
        basis: 'practice',
      });
  }
  return findings;
}
