import { rounded, type UnitChoice } from '../../core/quantity/format';

/** Grams as a kitchen scale shows them: never in pounds, whatever weights are shown in. */
export function formatGrams(grams: number, units: UnitChoice): string {
  return `${rounded(grams, grams < 1 ? 3 : grams < 100 ? 2 : 0, units)} g`;
}
