import type { BreedingMode } from '../catalogue/organism';
import { dayAfter, daysFrom, type Day } from '../schedule/day';

export const BROOD_STAGES = ['laid', 'hatched', 'swimming', 'second-food', 'saleable', 'sexable', 'mature'] as const;
export type BroodStage = (typeof BROOD_STAGES)[number];

type Days = readonly [low: number, high: number];

/** What is known of the broods of a kind, in days; null where it is not. */
export interface BroodKind {
  mode: BreedingMode;
  /** From laying to hatching, or so long as they are borne or carried. */
  incubationDays: Days | null;
  /** From hatching to a size that others buy. */
  saleableDays: Days | null;
  /** From hatching until the sexes can be told. */
  sexableDays: Days | null;
  /** From hatching to the first brood. */
  maturityDays: Days | null;
  /** From a brood of a female to her next. */
  intervalDays: Days | null;
}

/** How young of each way to breed begin. */
interface Beginning {
  /** From hatching, birth or release until they swim, crawl or settle by themselves and want food. */
  swimDays: Days;
  /** From the first food until a larger one is taken. */
  secondFoodDays: Days | null;
}

/**
 * Common practice; eggs that the parents bear or carry let go of young that feed at once. Those whose young drift take the longest, and the
 * spread of them is wide.
 */
export const BEGINNING: Readonly<Record<BreedingMode, Beginning>> = {
  'scatters eggs': { swimDays: [3, 6], secondFoodDays: [7, 14] },
  'sticks eggs': { swimDays: [3, 7], secondFoodDays: [7, 14] },
  'buries eggs': { swimDays: [0, 2], secondFoodDays: [5, 10] },
  cave: { swimDays: [4, 9], secondFoodDays: [7, 14] },
  shell: { swimDays: [5, 9], secondFoodDays: [7, 14] },
  nest: { swimDays: [4, 9], secondFoodDays: [7, 14] },
  'bubble nest': { swimDays: [2, 4], secondFoodDays: [7, 14] },
  mouthbrooder: { swimDays: [0, 1], secondFoodDays: [10, 21] },
  pouch: { swimDays: [0, 1], secondFoodDays: [14, 28] },
  mussel: { swimDays: [0, 2], secondFoodDays: [7, 14] },
  'bears young': { swimDays: [0, 1], secondFoodDays: [7, 14] },
  'carries eggs, young like adults': { swimDays: [0, 1], secondFoodDays: null },
  'carries eggs, larvae in fresh water': { swimDays: [18, 40], secondFoodDays: null },
  'larvae drift to sea': { swimDays: [20, 90], secondFoodDays: null },
  'larvae on fish': { swimDays: [10, 60], secondFoodDays: null },
  clutches: { swimDays: [0, 1], secondFoodDays: null },
  'clutches above water': { swimDays: [0, 1], secondFoodDays: null },
  'eggs on plants': { swimDays: [2, 8], secondFoodDays: [14, 28] },
  'pelagic eggs': { swimDays: [2, 5], secondFoodDays: [7, 14] },
  'buds or is cut': { swimDays: [0, 1], secondFoodDays: null },
};

/** Young that take so long to settle drift as larvae. */
const DRIFTS_DAYS = 10;

/** When a stage of a brood comes, as it is expected or as it was seen. */
export interface StageDays {
  stage: BroodStage;
  from: Day;
  to: Day;
  seen: boolean;
}

/** Why a brood as it was written down cannot be; null when it can. */
export function broodFault(seen: Readonly<Partial<Record<BroodStage, Day>>>): { stage: BroodStage; reason: string } | null {
  const known = BROOD_STAGES.filter((stage) => seen[stage] !== undefined);
  for (const [i, stage] of known.entries()) {
    const before = known[i - 1];
    // young of one brood are sold before they can be sexed, or after: those two stand in any order
    if (before && seen[stage]! < seen[before]! && !(before === 'saleable' && stage === 'sexable'))
      return { stage, reason: `${seen[stage]} is before ${seen[before]}, when they were ${before}` };
  }
  return null;
}

/**
 * Days of eggs in water of another warmth: twice as fast for each ten degrees (Q₁₀ = 2, common practice between 18 and 30 °C).
 *
 * @param days at referenceC
 */
export const atWarmth = ([low, high]: Days, waterC: number, referenceC: number): Days => {
  const factor = 2 ** ((referenceC - waterC) / 10);
  return [low * factor, high * factor];
};

/**
 * The days of a brood, stage by stage, as ranges. What was seen is a day, and all that comes after it is reckoned from there.
 *
 * @param laid the day of laying, mating of what bears young, or when eggs were first seen to be carried
 * @param seen stages with their days
 */
export function broodTimeline(kind: BroodKind, laid: Day, seen: Readonly<Partial<Record<BroodStage, Day>>> = {}): StageDays[] {
  const { swimDays, secondFoodDays } = BEGINNING[kind.mode];
  const told: StageDays[] = [];
  const by = new Map<BroodStage, StageDays>();
  const put = (stage: BroodStage, after: BroodStage | null, days: Days | null): void => {
    const day = stage === 'laid' ? laid : seen[stage];
    const start = after === null ? null : by.get(after);
    const one: StageDays | null =
      day !== undefined
        ? { stage, from: day, to: day, seen: true }
        : start && days
          ? { stage, from: dayAfter(start.from, Math.floor(days[0])), to: dayAfter(start.to, Math.ceil(days[1])), seen: false }
          : null;
    if (!one) return;
    by.set(stage, one);
    told.push(one);
  };
  put('laid', null, null);
  put('hatched', 'laid', kind.incubationDays);
  put('swimming', 'hatched', swimDays);
  put('second-food', 'swimming', secondFoodDays);
  // drifting larvae do not grow into anything that is sold before they settle
  const begins = swimDays[0] >= DRIFTS_DAYS ? 'swimming' : 'hatched';
  put('saleable', begins, kind.saleableDays);
  put('sexable', begins, kind.sexableDays);
  put('mature', 'hatched', kind.maturityDays);
  return told.sort((a, b) => daysFrom(b.from, a.from) || BROOD_STAGES.indexOf(a.stage) - BROOD_STAGES.indexOf(b.stage));
}

/** When the same female may have her next brood; null where it is not known. */
export const nextBrood = ({ intervalDays }: BroodKind, laid: Day): readonly [Day, Day] | null =>
  intervalDays && [dayAfter(laid, Math.floor(intervalDays[0])), dayAfter(laid, Math.ceil(intervalDays[1]))];
