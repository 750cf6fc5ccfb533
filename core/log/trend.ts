import { median } from 'd3-array';

/** Share of the normal distribution beyond a value, both ways. Abramowitz & Stegun 1964, 7.1.26: error below 1.5e-7. */
export function bothTails(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return Math.min(1, poly * Math.exp(-x * x));
}

/** Whether values go up or down in the order they came, and how surely. */
export interface MannKendall {
  /** Pairs that rise less pairs that fall. */
  s: number;
  /** Of its distribution where nothing moves, ties reckoned with. */
  variance: number;
  p: number;
}

/**
 * Test for a trend of any shape by ranks. Sources: Mann 1945, Econometrica 13:245; Kendall 1975, Rank Correlation Methods; variance with ties
 * and continuity as in Gilbert 1987, Statistical Methods for Environmental Pollution Monitoring
 * (the place recalled, not looked up).
 *
 * @param values in the order of time; normal from eight on, near enough from six
 */
export function mannKendall(values: readonly number[]): MannKendall {
  const n = values.length;
  let s = 0;
  for (let i = 0; i < n; i++) for (let k = i + 1; k < n; k++) s += Math.sign(values[k]! - values[i]!);
  const ties = new Map<number, number>();
  for (const value of values) ties.set(value, (ties.get(value) ?? 0) + 1);
  const spread = (count: number) => count * (count - 1) * (2 * count + 5);
  const variance = (spread(n) - [...ties.values()].reduce((sum, count) => sum + spread(count), 0)) / 18;
  const p = variance > 0 && s !== 0 ? bothTails((Math.abs(s) - 1) / Math.sqrt(variance)) : 1;
  return { s, variance, p };
}

/** A slope, a unit of time, with the span that holds it nine times in ten. */
export interface Slope {
  perDay: number;
  low: number;
  high: number;
  /** Where the line stands at day 0. */
  at0: number;
}

/**
 * The median of the slopes of all pairs, which outliers hardly move. Sources: Theil 1950, Proc. K. Ned. Akad. Wet. 53; Sen 1968, J. Am. Stat.
 * Assoc. 63:1379, for its span.
 */
export function theilSen(days: readonly number[], values: readonly number[]): Slope {
  const slopes: number[] = [];
  for (let i = 0; i < days.length; i++)
    for (let k = i + 1; k < days.length; k++) if (days[k]! > days[i]!) slopes.push((values[k]! - values[i]!) / (days[k]! - days[i]!));
  slopes.sort((a, b) => a - b);
  if (slopes.length === 0) return { perDay: 0, low: 0, high: 0, at0: median(values) ?? 0 };
  const perDay = median(slopes)!;
  const { variance } = mannKendall(values);
  const wide = 1.645 * Math.sqrt(Math.max(0, variance));
  const rank = (at: number) => slopes[Math.min(slopes.length - 1, Math.max(0, Math.round(at)))]!;
  const [low, high] = [rank((slopes.length - wide) / 2 - 1), rank((slopes.length + wide) / 2)];
  return {
    perDay,
    low: Math.min(low, perDay),
    high: Math.max(high, perDay),
    at0: median(days.map((day, i) => values[i]! - perDay * day))!,
  };
}

/** Where values go from one level to another at once. */
export interface Step {
  /** The first that stands at the new level. */
  at: number;
  before: number;
  after: number;
  p: number;
}

/**
 * The likeliest single step of a series, by ranks. Source: Pettitt 1979, Appl. Stat. 28:126.
 *
 * @returns null for fewer than eight values
 */
export function pettitt(values: readonly number[]): Step | null {
  const n = values.length;
  if (n < 8) return null;
  let [u, most, at] = [0, 0, 0];
  for (let t = 0; t < n - 1; t++) {
    u += values.reduce((sum, value) => sum + Math.sign(values[t]! - value), 0);
    if (Math.abs(u) > most) [most, at] = [Math.abs(u), t + 1];
  }
  if (at === 0) return null;
  const p = Math.min(1, 2 * Math.exp((-6 * most * most) / (n ** 3 + n ** 2)));
  return { at, before: median(values.slice(0, at))!, after: median(values.slice(at))!, p };
}

/** Of what a line or a step leaves over, the sum of its sizes. */
export function leftByLine(days: readonly number[], values: readonly number[], { perDay, at0 }: Slope): number {
  return days.reduce((sum, day, i) => sum + Math.abs(values[i]! - at0 - perDay * day), 0);
}
export function leftByStep(values: readonly number[], { at, before, after }: Step): number {
  return values.reduce((sum, value, i) => sum + Math.abs(value - (i < at ? before : after)), 0);
}
