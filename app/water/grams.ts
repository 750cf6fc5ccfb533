/** Grams as a kitchen scale shows them: never in pounds, whatever weights are shown in. */
export function formatGrams(grams: number): string {
  return `${Number(grams.toFixed(grams < 1 ? 3 : grams < 100 ? 2 : 0))} g`;
}
