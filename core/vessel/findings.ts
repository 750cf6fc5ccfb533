import type { Computed } from '../calculation/computed';
import type { Finding, Severity } from '../calculation/finding';
import type { Animal, AnimalGroup } from '../catalogue/organism';
import { weakestBasis, type Basis, type Fact } from '../quantity/fact';
import { HAND_MM } from './space';
import type { Vessel, VesselState } from './model';
import { spareMm, topOpening } from './shape';

const of = (code: Finding['code'], subjects: readonly string[]) =>
  ({ key: [code, ...subjects].join(':'), code, bench: 'vessel', subjects }) as const;

export function vesselNotStated(): Finding {
  return { ...of('vessel.not-stated', []), severity: 'unknown', excess: null, values: {}, evidence: [], basis: 'practice' };
}

/** Sizes are quoted in round figures: so much less is the same size. Common practice. */
export const ROUND = { floor: 0.85, volume: 0.9 };
/** Less than this share of what is wanted is too small whatever is done. Common practice. */
const FAR_TOO_SMALL = 0.6;

const sizeSeverity = (fit: number, round: number): Severity => (fit >= round ? 'fits' : fit >= FAR_TOO_SMALL ? 'watch' : 'conflict');

/**
 * The floor against what the smallest proper group needs, by its long side and by its area; either way round.
 * @param floor long and short side of the ground they have, mm
 */
export function footprintFinding(
  subject: string,
  need: Fact<readonly [number, number]>,
  { long, short }: { long: number; short: number },
  gross: Computed<unknown>,
): Finding {
  const base = { ...of('vessel.footprint', [subject]), evidence: [gross], basis: need.basis };
  if (!need.value) return { ...base, severity: 'unknown', excess: null, values: {} };
  const [needLong, needShort] = [Math.max(...need.value), Math.min(...need.value)];
  const fit = Math.min(long / needLong, (long * short) / (needLong * needShort));
  const severity = sizeSeverity(fit, ROUND.floor);
  return {
    ...base,
    severity,
    excess: severity === 'fits' ? 0 : 1 - fit,
    values: {
      long: { quantity: 'length', value: long },
      short: { quantity: 'length', value: short },
      needLong: { quantity: 'length', value: needLong },
      needShort: { quantity: 'length', value: needShort },
    },
  };
}

/** How a kind fills its water: its figure for the smallest proper group, and what each head beyond it adds. */
export interface WaterNeed {
  volumeL: Fact<number>;
  groupMin: number;
  count: number;
  /** Heads to a litre that graze and are fed without trouble, for dwarf shrimp and small snails; null for the others. */
  headsPerL: number | null;
}

/** Each animal beyond the smallest proper group adds so much of its share. Common practice. */
const BEYOND_GROUP = 0.25;

/** Litres that a kind needs, all of it together; null where that is not known. */
export function litresNeeded({ volumeL, groupMin, count, headsPerL }: WaterNeed): number | null {
  if (volumeL.value === null) return null;
  return headsPerL === null
    ? volumeL.value * (1 + (BEYOND_GROUP * Math.max(0, count - groupMin)) / groupMin)
    : Math.max(volumeL.value, count / headsPerL);
}

/** Dwarf shrimp and small snails to a litre that a running tank grazes and feeds. Common practice: a few hundred shrimp in 60 L. */
export function headsPerL({ group, sizeMm, traits }: Animal): number | null {
  const length = sizeMm.length.value;
  if (length === null || traits.feeding.value !== 'grazes') return null;
  if (group === 'shrimp') return length <= 35 ? 8 : null;
  return group === 'snail' && length <= 30 ? 1.5 : null;
}

/**
 * The vessel against what a kind needs, all of it together. Figures are quoted as sizes of tanks, so they are held against the vessel as it is
 * sold and not against its water. Common practice.
 */
export function volumeFinding(subject: string, need: WaterNeed, gross: Computed<number>): Finding | null {
  if (gross.value === null) return null;
  const base = { ...of('vessel.volume', [subject]), evidence: [gross], basis: need.volumeL.basis };
  const needed = litresNeeded(need);
  if (needed === null) return { ...base, severity: 'unknown', excess: null, values: {} };
  const fit = gross.value / needed;
  const severity = sizeSeverity(fit, ROUND.volume);
  return {
    ...base,
    severity,
    excess: severity === 'fits' ? 0 : 1 - fit,
    values: {
      water: { quantity: 'volume', value: gross.value },
      need: { quantity: 'volume', value: needed },
      count: { quantity: 'count', value: need.count },
    },
  };
}

/** Deeper water than this share over what an animal bears that swims up for air is far too deep. Common practice. */
const TOO_DEEP = { watch: 1.15, conflict: 1.7 };

export function depthFinding(subject: string, deepest: Fact<number> | undefined, waterMm: number): Finding | null {
  if (!deepest?.value || waterMm <= deepest.value * TOO_DEEP.watch) return null;
  return {
    ...of('vessel.depth', [subject]),
    severity: waterMm > deepest.value * TOO_DEEP.conflict ? 'conflict' : 'watch',
    excess: waterMm / deepest.value - 1,
    values: { depth: { quantity: 'length', value: waterMm }, edge: { quantity: 'length', value: deepest.value } },
    evidence: [],
    basis: deepest.basis,
  };
}

/** Dwarf shrimp climb a hose, and stay in the water of an open tank. Common practice. */
const CRAWLS_FROM_MM = 40;

/** What a climber is, that walks out of any open top sooner or later; snails and shrimp do it now and then. */
const WALKS_OUT: ReadonlySet<AnimalGroup> = new Set(['amphibian', 'crab', 'crayfish']);

/** Whether the top holds a jumper, and one that climbs. Gaps in a lid are judged one by one. */
export function lidFinding(
  subject: string,
  { group, sizeMm, traits: { jumps, leaps, climbs: climbing } }: Animal,
  vessel: Vessel,
): Finding {
  const climbs = group === 'shrimp' && (sizeMm.length.value ?? 0) < CRAWLS_FROM_MM ? { ...climbing, value: false } : climbing;
  const base = { ...of('vessel.lid', [subject]), values: {}, evidence: [], basis: weakestBasis([jumps.basis, climbs.basis]) };
  const leaves = jumps.value === true || climbs.value === true;
  if (!leaves) {
    const known = jumps.value === false && climbs.value === false;
    return known ? { ...base, severity: 'fits', excess: 0 } : { ...base, severity: 'unknown', excess: null };
  }
  if (vessel.lid.value === null) return { ...base, severity: 'unknown', excess: null };
  if (vessel.lid.value !== 'none') return { ...base, severity: 'fits', excess: 0 };
  const lost = leaps?.value === true || (climbs.value === true && WALKS_OUT.has(group));
  return {
    ...base,
    severity: lost ? 'conflict' : 'watch',
    excess: lost ? 2 : 1,
    kind: leaps?.value === true ? 'leaps' : climbs.value === true && WALKS_OUT.has(group) ? 'walks' : jumps.value ? 'jumps' : 'crawls',
  };
}

/** Vessels that have to stand full for a week before they are trusted; others for a day. Common practice. */
const WEEK_LONG: readonly VesselState[] = ['repaired', 'drilled', 'home-built', 'rim-lost'];

/**
 * A vessel is never trusted before it has stood full; one with fittings or hoses not before it has run as well.
 * @param plumbed whether a filter or pump moves its water
 */
export function leakTestFinding(vessel: Vessel, plumbed: boolean): Finding {
  const { value: test, basis } = vessel.leakTest;
  const wantedDays = vessel.state.value !== null && WEEK_LONG.includes(vessel.state.value) ? 7 : 1;
  const base = { ...of('vessel.leak-test', []), evidence: [], basis };
  const wanted = { quantity: 'count', value: wantedDays } as const;
  if (!test) return { ...base, severity: 'unknown', excess: null, values: { wanted } };
  if (!test.dry) return { ...base, severity: 'conflict', excess: 1, values: { wanted } };
  const days = test.days ?? (wantedDays === 1 ? 1 : 0);
  const mustRun = vessel.sump !== null || (plumbed && wantedDays > 1);
  const short = days < wantedDays || (mustRun && test.filterRan !== true);
  return {
    ...base,
    severity: short ? 'watch' : 'fits',
    excess: short ? Math.max(wantedDays - days, 0.5) : 0,
    values: { wanted, days: { quantity: 'count', value: days } },
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
    values: { opening: { quantity: 'length', value: across }, spare: { quantity: 'length', value: Math.abs(spare) } },
  };
}

/**
 * Free height above the rim, for a hand with a net.
 * @param aboveMm what is left over the rim at the place, where nobody measured it; negative where the tank does not fit at all
 */
export function clearanceFinding(vessel: Vessel, aboveMm: number | null): Finding | null {
  const { basis } = vessel.clearanceMm;
  const value = vessel.clearanceMm.value ?? aboveMm;
  const base = { ...of('vessel.clearance', []), evidence: [], basis };
  if (value === null) return vessel.stand.value === 'rack' ? { ...base, severity: 'unknown', excess: null, values: {} } : null;
  return {
    ...base,
    severity: value < HAND_MM.least ? 'conflict' : value < HAND_MM.comfort ? 'watch' : 'fits',
    excess: Math.max(0, HAND_MM.comfort - value),
    values: { clearance: { quantity: 'length', value: value }, wanted: { quantity: 'length', value: HAND_MM.comfort } },
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
      drains: { quantity: 'volume', value: drainsL },
      free: { quantity: 'volume', value: free },
      spare: { quantity: 'volume', value: Math.abs(spareL) },
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
      mass: { quantity: 'mass', value: kg * 1000 },
      load: { quantity: 'pressure', value: kPa },
      furniture: { quantity: 'count', value: onFurniture ? 1 : 0 },
    },
    evidence: [mass],
    basis: 'practice',
  };
}

/** Glass comes in steps, and plate theory is no closer than this for a tank with its silicone. */
const GLASS_BLUR = 0.1;

/** The panes against plate theory: information, never a certificate, and never a conflict. */
export function glassFinding(vessel: Vessel, needed: Computed<number>): Finding | null {
  if (needed.value === null) return null;
  const base = { ...of('vessel.glass', []), evidence: [needed], basis: 'published' as Basis };
  const need = { quantity: 'length', value: needed.value } as const;
  const { value: glass } = vessel.glassMm;
  if (glass === null) return { ...base, severity: 'unknown', excess: null, values: { need } };
  return {
    ...base,
    severity: glass < needed.value * (1 - GLASS_BLUR) ? 'watch' : 'fits',
    excess: glass < needed.value * (1 - GLASS_BLUR) ? needed.value - glass : 0,
    values: { need, glass: { quantity: 'length', value: glass } },
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
        values: { sides: { quantity: 'count', value: Math.max(open, bare) } },
        evidence: [],
        basis: 'practice',
      });
  }
  return findings;
}
