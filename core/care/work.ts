import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Minutes that things take, each time. Common practice. */
export const MINUTES = {
  look: 1,
  feeding: 1.5,
  dose: 1,
  topUp: 2,
  /** For each thing that is tested. */
  test: 2,
  /** A filter squeezed or opened; other gear wiped and tried. */
  filter: 15,
  gear: 4,
  /** Leaves, carbon, capsules. */
  renew: 4,
  culture: 6,
  /** A probe in its buffers, rinsed and wiped. */
  calibrate: 8,
  count: 10,
  /** A square metre of panes, or of plants that are cut back. */
  panesM2: 6,
  trimM2: 12,
} as const;

/** Getting out, tempering and putting away for a change; a litre by bucket, a litre by hose beyond what is carried. */
const CHANGE = { begin: 6, bucketL: 0.25, hoseL: 0.05, carriedL: 60 };

export const minutesOfChange = (litres: number): number =>
  litres <= 0
    ? 0
    : CHANGE.begin + CHANGE.bucketL * Math.min(litres, CHANGE.carriedL) + CHANGE.hoseL * Math.max(0, litres - CHANGE.carriedL);

/** Something that takes its time again and again. */
export interface Recurring {
  minutes: number;
  everyDays: number;
}

export const minutesPerWeek = (all: readonly Recurring[]): number =>
  all.reduce((sum, { minutes, everyDays }) => sum + (minutes * 7) / everyDays, 0);

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
        'A change 6 min and 0.25 min a litre by bucket, 0.05 by hose beyond 60 L; a feeding 1.5 min; panes 6 min/m²; a filter 15 min a month; plants 12 min/m²; a dose 1 min',
      basis: 'practice',
    },
  ],
  formula: 'sum over what is done of times a week · minutes each',
  validity: 'one tank in a room with water near; a whole room shares the getting out and putting away',
  uncertainty: 'half as much again either way: hands differ',
  compute: ({ changesPerWeek, litresPerChange, feedingsPerWeek, panesM2, filters, trimmedM2, dosesPerWeek }) => ({
    minutes:
      changesPerWeek * minutesOfChange(litresPerChange) +
      feedingsPerWeek * MINUTES.feeding +
      minutesPerWeek([
        { minutes: panesM2 * MINUTES.panesM2, everyDays: 7 },
        { minutes: filters * MINUTES.filter, everyDays: 28 },
        { minutes: trimmedM2 * MINUTES.trimM2, everyDays: 7 },
      ]) +
      dosesPerWeek * MINUTES.dose,
  }),
});
