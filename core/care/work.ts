import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Minutes that things take, common practice. */
const MINUTES = {
  /** Getting out, tempering and putting away for a change; a litre by bucket, a litre by hose beyond what is carried. */
  change: { begin: 6, bucketL: 0.25, hoseL: 0.05, carriedL: 60 },
  feeding: 1.5,
  /** A square metre of panes, once a week. */
  panesM2: 6,
  /** Squeezing a filter, once a month. */
  filter: 15,
  /** A square metre of plants, by how it grows; trimmed once a week on average. */
  trimM2: 12,
  dose: 1,
};
const WEEKS_BETWEEN_FILTERS = 4;

export interface Chores {
  changesPerWeek: number;
  litresPerChange: number;
  feedingsPerWeek: number;
  panesM2: number;
  filters: number;
  /** Square metres of plants that are cut back in a week. */
  trimmedM2: number;
  dosesPerWeek: number;
}

/** Minutes a week that a tank takes, chore by chore. */
export function minutesPerWeek(chores: Chores): Readonly<Record<'changes' | 'feeding' | 'panes' | 'filter' | 'plants' | 'doses', number>> {
  const { begin, bucketL, hoseL, carriedL } = MINUTES.change;
  const litres = chores.litresPerChange;
  const change = litres <= 0 ? 0 : begin + bucketL * Math.min(litres, carriedL) + hoseL * Math.max(0, litres - carriedL);
  return {
    changes: chores.changesPerWeek * change,
    feeding: chores.feedingsPerWeek * MINUTES.feeding,
    panes: chores.panesM2 * MINUTES.panesM2,
    filter: (chores.filters * MINUTES.filter) / WEEKS_BETWEEN_FILTERS,
    plants: chores.trimmedM2 * MINUTES.trimM2,
    doses: chores.dosesPerWeek * MINUTES.dose,
  };
}

export const work = calculation({
  id: 'care.minutes-per-week',
  title: 'Minutes a week that a tank takes',
  inputs: z.strictObject({
    changesPerWeek: z.number().min(0).max(14),
    litresPerChange: z.number().min(0).max(5000),
    feedingsPerWeek: z.number().min(0).max(100),
    panesM2: z.number().min(0).max(50),
    filters: z.number().int().min(0).max(20),
    trimmedM2: z.number().min(0).max(50),
    dosesPerWeek: z.number().min(0).max(50),
  }),
  outputs: z.strictObject({ minutes: z.number() }),
  source: [
    {
      citation:
        'A change 6 min and 0.25 min a litre by bucket, 0.05 by hose beyond 60 L; a feeding 1.5 min; panes 6 min/m²; a filter 15 min a month; plants 12 min/m²',
      basis: 'practice',
    },
  ],
  formula: 'sum over chores of times a week · minutes each',
  validity: 'one tank in a room with water near; a whole room shares the getting out and putting away',
  uncertainty: 'half as much again either way: hands differ',
  compute: (chores) => ({ minutes: Object.values(minutesPerWeek(chores)).reduce((sum, one) => sum + one, 0) }),
});
