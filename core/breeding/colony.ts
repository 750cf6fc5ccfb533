import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** How a colony of one kind lives, in weeks. */
export interface ColonyLife {
  /** Eggs or young of one brood. */
  clutch: number;
  /** Share of them that are female. */
  sexRatio: number;
  /** Share that hatches, or is born alive. */
  eggSurvival: number;
  /** From one brood of a female to her next. */
  intervalWeeks: number;
  /** From hatching to the first brood. */
  juvenileWeeks: number;
  /** Share of the young that lives through a week. */
  juvenileWeeklySurvival: number;
  adultWeeklySurvival: number;
}

/** Daughters of one female in a week that hatch. */
const daughters = ({ clutch, sexRatio, eggSurvival, intervalWeeks }: ColonyLife): number =>
  (clutch * sexRatio * eggSurvival) / intervalWeeks;

/**
 * Growth of a colony in a week: the largest root of Euler and Lotka, F·s_jʷ/λ^(w+1)/(1 − s_a/λ) = 1, the dominant eigenvalue of its stage
 * matrix (Caswell 2001, Matrix Population Models, 2nd ed.).
 */
export function growthPerWeek(life: ColonyLife): number {
  const { juvenileWeeks, juvenileWeeklySurvival, adultWeeklySurvival } = life;
  const weeks = Math.round(juvenileWeeks);
  const recruits = daughters(life) * juvenileWeeklySurvival ** weeks;
  // λ^w·(λ − s_a) − F·s_jʷ rises in λ above s_a, and has its one root there
  const excess = (rate: number): number => rate ** weeks * (rate - adultWeeklySurvival) - recruits;
  let [low, high] = [adultWeeklySurvival, adultWeeklySurvival + recruits + 1];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (excess(middle) > 0) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}

/**
 * Its stage matrix, females only: one row and column a week of youth, and the adults last.
 * A[to][from] in a week.
 */
export function stageMatrix(life: ColonyLife): number[][] {
  const weeks = Math.round(life.juvenileWeeks);
  const size = weeks + 1;
  const matrix = Array.from({ length: size }, () => new Array<number>(size).fill(0));
  matrix[0]![weeks] = daughters(life);
  for (let week = 0; week < weeks; week++) matrix[week + 1]![week] = life.juvenileWeeklySurvival;
  matrix[weeks]![weeks] = (matrix[weeks]![weeks] ?? 0) + life.adultWeeklySurvival;
  return matrix;
}

/** A colony by week. */
export interface ColonyCourse {
  /** Grown ones, both sexes. */
  adults: Float64Array;
  /** Heads that are not grown. */
  young: Float64Array;
  /** All of them in grown ones: young count by what they eat and breathe. */
  load: Float64Array;
}

/** What a young one eats and breathes of a grown one: about as the square of its length, and it grows about evenly. */
const burden = (week: number, weeks: number): number => ((week + 0.5) / weeks) ** 2;

/**
 * Both sexes of a colony through the weeks, from so many adults. The ceiling takes the broods: the fuller the tank, the fewer of a brood live,
 * by Ricker's form (1954, J. Fish. Res. Board Can. 11:559), set so that a tank at its ceiling replaces itself and no more. Far below it the
 * colony grows by its matrix, and near it about as the logistic curve has it.
 *
 * @param ceiling grown ones that food, surface and nitrogen carry; null for no ceiling
 */
export function colonyCourse(life: ColonyLife, adults: number, weeks: number, ceiling: number | null): ColonyCourse {
  const stages = Math.max(1, Math.round(life.juvenileWeeks));
  const perAdult = ((life.clutch * life.eggSurvival) / life.intervalWeeks) * life.sexRatio;
  const young = new Float64Array(stages);
  const course: ColonyCourse = {
    adults: new Float64Array(weeks + 1),
    young: new Float64Array(weeks + 1),
    load: new Float64Array(weeks + 1),
  };
  // of its broods, those that a colony replaces itself by; a colony that shrinks by itself has no ceiling to come to
  const kept = Math.min(1, (1 - life.adultWeeklySurvival) / Math.max(1e-9, perAdult * life.juvenileWeeklySurvival ** stages));
  let grown = adults;
  for (let week = 0; ; week++) {
    const load = young.reduce((sum, n, stage) => sum + n * burden(stage, stages), grown);
    course.adults[week] = grown;
    course.young[week] = young.reduce((sum, n) => sum + n, 0);
    course.load[week] = load;
    if (week === weeks) return course;
    const born = grown * perAdult * (ceiling === null ? 1 : kept ** (load / ceiling));
    const matured = young[stages - 1]! * life.juvenileWeeklySurvival;
    for (let stage = stages - 1; stage > 0; stage--) young[stage] = young[stage - 1]! * life.juvenileWeeklySurvival;
    young[0] = born;
    grown = grown * life.adultWeeklySurvival + matured;
  }
}

/** First week that a colony counts for so many grown ones; null when it does not within the course. */
export function weekOf({ load }: ColonyCourse, grown: number): number | null {
  const at = load.findIndex((now) => now >= grown);
  return at < 0 ? null : at;
}

/** Heads to take out each week, so that a growing colony of this size stays as it is; 0 for one that shrinks by itself. */
export const thinningPerWeek = (heads: number, rate: number): number => Math.max(0, heads * (1 - 1 / rate));

export const colonyGrowth = calculation({
  id: 'breeding.colony-growth',
  title: 'Growth of a colony',
  inputs: z.strictObject({
    clutch: z.number().positive('a brood has young').max(100_000),
    sexRatio: z.number().min(0).max(1),
    eggSurvival: z.number().min(0).max(1),
    intervalWeeks: z.number().positive('a brood takes time').max(520),
    juvenileWeeks: z.number().min(1, 'growing up takes a week at least').max(520),
    juvenileWeeklySurvival: z.number().min(0).max(1),
    adultWeeklySurvival: z.number().min(0).max(1),
  }),
  outputs: z.strictObject({ lambdaPerWeek: z.number(), doublingWeeks: z.number().nullable() }),
  source: [
    { citation: 'Caswell 2001, Matrix Population Models, 2nd ed.', basis: 'recalled' },
    { citation: 'Euler and Lotka’s equation of a closed population', basis: 'recalled' },
  ],
  formula: 'F·s_j^w/λ^(w+1)/(1 − s_a/λ) = 1, F = clutch × share of females × hatched / weeks between broods',
  validity: 'an even age structure, room and food for all; whole weeks of youth',
  uncertainty:
    'the survival of the young decides all, and is seldom known: from 0.65 to 0.85 a week a shrimp colony stands still or doubles in six weeks',
  compute: (life) => {
    const lambdaPerWeek = growthPerWeek(life);
    return { lambdaPerWeek, doublingWeeks: lambdaPerWeek > 1 ? Math.LN2 / Math.log(lambdaPerWeek) : null };
  },
});
