/** What a meal sets off is through by e-folds of so many hours: breath and ammonia rise and fall with it. Common practice: a third of a day. */
const FADES_HOURS = 4;

/**
 * How busy digestion is at an hour against the day's mean, 1 on average; 1 throughout where no hours are stated.
 * @param hour of the clock, 0 to 24
 */
export function mealsAt(feedHours: readonly number[] | undefined, hour: number): number {
  if (!feedHours || feedHours.length === 0) return 1;
  const whole = FADES_HOURS * (1 - Math.exp(-24 / FADES_HOURS));
  return feedHours.reduce((sum, fed) => {
    const since = (((hour - fed) % 24) + 24) % 24;
    return sum + ((24 / feedHours.length) * Math.exp(-since / FADES_HOURS)) / whole;
  }, 0);
}

/** Share of an animal's breath that goes with its meals. Common practice. */
export const FED_SHARE = 0.25;
