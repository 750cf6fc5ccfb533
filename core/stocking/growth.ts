import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import type { Animal } from '../catalogue/organism';

/** "Grown" in the trade: so much of the length that is ever reached. */
export const GROWN = 0.95;
/** From hatching to there, growth has run so many times its constant. */
const RUN = -Math.log(1 - GROWN);

/**
 * Length after so many months (von Bertalanffy 1938, Human Biology 10:181): L = L∞ − (L∞ − L₀)·e^(−k t), with k such that an animal that
 * hatches at no length is at 95 % after the months that its kind takes to grow up.
 */
export function lengthAfter(nowMm: number, grownMm: number, growthMonths: number, months: number): number {
  return grownMm - (grownMm - Math.min(nowMm, grownMm)) * Math.exp((-RUN / growthMonths) * months);
}

/** Months until it has a length; 0 when it has it; null when it never gets there. */
export function monthsTo(lengthMm: number, nowMm: number, grownMm: number, growthMonths: number): number | null {
  if (nowMm >= lengthMm) return 0;
  if (lengthMm >= grownMm) return null;
  return (growthMonths / RUN) * Math.log((grownMm - nowMm) / (grownMm - lengthMm));
}

/** Months until an animal of so many millimetres is grown; null where its size or its growth is not known. */
export function monthsToGrown({ sizeMm, traits }: Animal, nowMm: number): number | null {
  const [grown, months] = [sizeMm.length.value, traits.growthMonths.value];
  return grown === null || months === null ? null : monthsTo(GROWN * grown, nowMm, grown, months);
}

export const growth = calculation({
  id: 'stocking.growth',
  title: 'Length of a growing animal',
  inputs: z
    .strictObject({
      nowMm: z.number().positive('a length is more than nothing').max(3000),
      grownMm: z.number().positive().max(3000),
      growthMonths: z.number().positive('growing takes time').max(240),
      months: z.number().min(0).max(240),
    })
    .refine(({ nowMm, grownMm }) => nowMm <= grownMm, { message: 'longer than grown ones are', path: ['nowMm'] }),
  outputs: z.strictObject({ lengthMm: z.number(), monthsToGrown: z.number() }),
  source: [
    { citation: 'von Bertalanffy 1938, Human Biology 10:181', basis: 'recalled' },
    { citation: 'Months to about adult length, by kind', basis: 'practice' },
  ],
  formula: 'L = L∞ − (L∞ − L₀)·e^(−k t), k = 3.00 / months to adult length',
  validity: 'well fed and not crowded, at the usual warmth of the kind',
  uncertainty: 'a third either way: food, warmth and crowding set the pace',
  compute: ({ nowMm, grownMm, growthMonths, months }) => ({
    lengthMm: lengthAfter(nowMm, grownMm, growthMonths, months),
    monthsToGrown: monthsTo(GROWN * grownMm, nowMm, grownMm, growthMonths) ?? 0,
  }),
});
