import { severityRank, type Finding } from '../../calculation/finding';
import type { Basis } from '../../quantity/fact';
import type { Design } from '../../design/design';
import { CALM_IN } from '../../stocking/temper';
import { animalOf } from '../derive';
import type { Assessment } from '../assessment';

/** What a verdict on company can hang on. */
export type HangsOn = 'size' | 'number' | 'fewer' | 'females' | 'space';

/** One thing that was tried: by how much, and whether it turns the verdict. */
export interface Tried {
  on: HangsOn;
  /** The subject that it was tried on; null for the tank. */
  id: string | null;
  /** What it was tried with: a count, a length in mm, floor so many times as large. */
  value: number;
  /** What is left of it then: null for nothing. */
  leaves: Finding['severity'] | null;
}

/** How far a verdict can be trusted. */
export type Sureness = 'always' | 'mostly' | 'often' | 'open';

export interface Weighed {
  key: string;
  sureness: Sureness;
  basis: Basis;
  /** The numbers lie so close together that a tenth either way decides. */
  close: boolean;
  /** What turns it, the least first; nothing where no measure does. */
  turns: readonly Tried[];
  /** What was tried and does not. */
  keeps: readonly Tried[];
}

/** Findings of company that hang on more than one figure. */
const OF_COMPANY =
  /^stocking\.(predation|predation-young|fin-nipping|temperament|strata|sex-ratio|group-size|crossing|feeding|stings|escape|plant-damage)$/;
export const canBeWeighed = ({ code, severity }: Finding): boolean =>
  OF_COMPANY.test(code) && (severity === 'conflict' || severity === 'watch');

const FLOORS = [1.5, 2, 3, 5];
const NUMBERS = [1.5, 2, 3];

/** How often it comes true, for those who keep them so anyway. Common practice. */
function surenessOf({ severity, code, kind, basis }: Finding): Sureness {
  if (severity === 'unknown') return 'open';
  if (severity === 'conflict') {
    const bodily = code === 'stocking.predation' && (kind === 'whole' || kind === 'asleep' || kind === 'today' || kind === 'overcome');
    return bodily && basis !== 'recalled' ? 'always' : 'mostly';
  }
  return 'often';
}

/**
 * What a verdict on company hangs on: sizes, numbers, sexes and floor are varied one at a time, and the tank judged each time as a whole. What
 * turns it is what makes it quieter; where nothing does, no measure of these helps.
 */
export function weighed(assessment: Assessment, key: string): Weighed | null {
  const finding = assessment.findings.find((one) => one.key === key);
  if (!finding || !canBeWeighed(finding)) return null;
  const { world, derived } = assessment;
  const { design } = world;
  const loud = severityRank(finding.severity);
  const judge = (changed: Design): Finding['severity'] | null => {
    const after = assessment.again({ ...world, design: changed }, new Map(assessment.kept)).findings.find((one) => one.key === key);
    return !after || after.severity === 'fits' ? null : after.severity;
  };
  const turnsIt = ({ leaves }: Tried): boolean => leaves === null || severityRank(leaves) < loud;
  const withEntry = (id: string, more: Partial<Design['stock'][string]>): Design => ({
    ...design,
    stock: { ...design.stock, [id]: { ...design.stock[id]!, ...more } },
  });
  const tried: Tried[] = [];
  /** Tries the least first, and leaves off once one turns it. */
  const tryEach = (on: HangsOn, id: string | null, values: readonly number[], change: (value: number) => Design | null): void => {
    let last: Tried | null = null;
    for (const value of values) {
      const changed = change(value);
      if (!changed) continue;
      last = { on, id, value, leaves: judge(changed) };
      if (turnsIt(last)) break;
    }
    if (last) tried.push(last);
  };
  for (const id of finding.subjects) {
    const entry = design.stock[id];
    const member = derived['stock.members'].value?.find((one) => one.id === id);
    const animal = member && animalOf(member);
    if (!entry || !animal) continue;
    const grown = animal.sizeMm.length.value;
    if (entry.todayMm !== undefined && grown !== null && entry.todayMm < grown) {
      const { todayMm: _, ...rest } = entry;
      tryEach('size', id, [grown], () => ({ ...design, stock: { ...design.stock, [id]: rest } }));
    }
    const females = (count: number) => (entry.female === undefined ? {} : { female: Math.round((entry.female / entry.count) * count) });
    const group = animal.traits.groupMin.value ?? 1;
    const more = [...new Set([group, CALM_IN, ...NUMBERS.map((times) => Math.ceil(entry.count * times))])].filter(
      (count) => count > entry.count,
    );
    tryEach(
      'number',
      id,
      more.sort((a, b) => a - b),
      (count) => withEntry(id, { count, ...females(count) }),
    );
    if (entry.count > 1) {
      const fewer = [...new Set([Math.floor(entry.count / 2), 1])].filter((count) => count >= 1 && count < entry.count);
      tryEach('fewer', id, fewer, (count) => withEntry(id, { count, ...females(count) }));
      const sexes = animal.traits.sexes.value;
      if (sexes?.system === 'separate' && (sexes.maxMales !== null || finding.code === 'stocking.sex-ratio'))
        tryEach('females', id, [entry.count - 1, entry.count], (female) => withEntry(id, { female }));
    }
  }
  const { vessel } = design;
  if (vessel)
    tryEach('space', null, FLOORS, (times) => {
      const side = Math.sqrt(times);
      const lengthMm = Math.round(vessel.lengthMm * side);
      const widthMm = Math.round(vessel.widthMm * side);
      return { ...design, vessel: { ...vessel, lengthMm, widthMm } };
    });
  const turns = tried.filter(turnsIt);
  return {
    key,
    sureness: surenessOf(finding),
    basis: finding.basis,
    close: isClose(finding),
    turns: turns.sort((a, b) => severityOrder(a) - severityOrder(b)),
    keeps: tried.filter((one) => !turnsIt(one)),
  };
}

const severityOrder = ({ leaves }: Tried): number => (leaves === null ? 0 : severityRank(leaves));

/** Two numbers that the verdict sets against each other lie within a tenth. */
function isClose({ values }: Finding): boolean {
  const pairs: readonly (readonly [string, string])[] = [
    ['gape', 'depth'],
    ['length', 'prey'],
  ];
  return pairs.some(([a, b]) => {
    const [one, other] = [values[a]?.value, values[b]?.value];
    return one !== undefined && other !== undefined && other > 0 && Math.abs(one / other - 1) < 0.1;
  });
}
