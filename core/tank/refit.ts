import { followed, SERIES, type ForecastOptions, type SeriesKey } from './forecast';
import type { TankScenario } from './scenario';

/** What of a tank is found from its readings: how much of what was planned it comes to. */
export const FITTED = ['feed', 'plants', 'soil'] as const;
export type Fitted = (typeof FITTED)[number];

/** One value that was read, on a day after the course begins. */
export interface Observed {
  day: number;
  key: SeriesKey;
  value: number;
  /** Half the width of where the truth may lie. */
  doubt: number;
}

/** How far each may be from the plan before anything was read, as the logarithm of its share. Common practice: feed is guessed within a factor of two. */
const PRIOR_SD: Readonly<Record<Fitted, number>> = { feed: 0.6, plants: 0.8, soil: 0.8 };
/** What the balance leaves out, as a share of a value. */
const MODEL_OFF = 0.08;
const STEP = 0.12;
const ROUNDS = 6;
const NEAR_AFTER = 3;
/** Shares beyond which nothing is believed. */
const MOST = Math.log(8);

export interface Refit {
  /** Share of the plan, with where nine in ten lie; null for what the tank has none of. */
  share: Readonly<Record<Fitted, { usual: number; low: number; high: number } | null>>;
  /** The course by the shares that were found, a value a day. */
  course: Readonly<Record<SeriesKey, Float64Array>>;
  /** And as it was planned. */
  planned: Readonly<Record<SeriesKey, Float64Array>>;
}

function scaled(scenario: TankScenario, logs: Readonly<Partial<Record<Fitted, number>>>): TankScenario {
  const by = (one: Fitted) => Math.exp(logs[one] ?? 0);
  return {
    ...scenario,
    feed: { ...scenario.feed, gPerDay: Math.min(2000, scenario.feed.gPerDay * by('feed')) },
    plants: { ...scenario.plants, uptakeGNPerM2: Math.min(2, scenario.plants.uptakeGNPerM2 * by('plants')) },
    soil: scenario.soil && { ...scenario.soil, capacityMeq: Math.min(1e7, scenario.soil.capacityMeq * by('soil')) },
  };
}

/** A course by its series, between dawn and dusk. */
export function courseAsDone(
  scenario: TankScenario,
  options: Pick<ForecastOptions, 'days' | 'conductivity'>,
  changed?: (day: number) => number,
): Record<SeriesKey, Float64Array> {
  const { dawn, dusk } = followed(scenario, options, changed);
  const wide = SERIES.length;
  const of = (k: number) =>
    Float64Array.from({ length: options.days + 1 }, (_, day) => (dawn[day * wide + k]! + dusk[day * wide + k]!) / 2);
  return Object.fromEntries(SERIES.map((key, k) => [key, of(k)])) as Record<SeriesKey, Float64Array>;
}

/**
 * Finds what a tank gets of feed, what its plants take and what its soil still holds, from what was read, by the balance and with the changes
 * as they were done. Gauss–Newton on the logarithms of the shares, drawn towards the plan by how well that is usually known; what was hardly
 * read stays as it was planned, with its doubt.
 *
 * @throws TooStiff
 */
export function refit(
  scenario: TankScenario,
  observed: readonly Observed[],
  options: Pick<ForecastOptions, 'days' | 'conductivity'>,
  changed?: (day: number) => number,
): Refit {
  const free = FITTED.filter(
    (one) =>
      (one === 'feed' && scenario.feed.gPerDay > 0) ||
      (one === 'plants' && scenario.plants.areaM2 * scenario.plants.uptakeGNPerM2 > 0) ||
      (one === 'soil' && scenario.soil !== null && scenario.soil.capacityMeq > 0),
  );
  const follow = (logs: readonly number[]) =>
    courseAsDone(scaled(scenario, Object.fromEntries(free.map((one, i) => [one, logs[i]!]))), options, changed);
  const at = (course: Readonly<Record<SeriesKey, Float64Array>>, { key, day }: Observed) =>
    course[key][Math.min(options.days, Math.max(0, Math.round(day)))]!;
  const planned = follow(free.map(() => 0));
  const weight = observed.map((one) => 1 / Math.hypot(Math.max(1e-6, one.doubt / 1.5), MODEL_OFF * Math.abs(one.value)));
  const cost = (one: Readonly<Record<SeriesKey, Float64Array>>, by: readonly number[]) =>
    observed.reduce((sum, o, n) => sum + Math.log1p((((o.value - at(one, o)) * weight[n]!) / 3) ** 2), 0) +
    free.reduce((sum, key, i) => sum + (by[i]! / PRIOR_SD[key]) ** 2 / 9, 0);
  let logs = free.map(() => 0);
  let course = planned;
  // where plants take all that is made, a little more feed shows nowhere: it begins where it fits best
  let least = cost(course, logs);
  for (const start of observed.length > 0 ? startsOf(free) : []) {
    const tried = follow(start);
    const is = cost(tried, start);
    if (is < least) [least, logs, course] = [is, start, tried];
  }
  let normal: number[][] = free.map((one, i) => free.map((_, k) => (i === k ? 1 / PRIOR_SD[one] ** 2 : 0)));
  for (let round = 0; round < ROUNDS && free.length > 0 && observed.length > 0; round++) {
    const slopes = free.map((_, i) => {
      const moved = follow(logs.map((log, k) => (k === i ? log + STEP : log)));
      return observed.map((one) => (at(moved, one) - at(course, one)) / STEP);
    });
    // a heavy tail, once it is near: one bad reading does not decide
    const pull = observed.map((one, n) => {
      const off = (one.value - at(course, one)) * weight[n]!;
      return { off, trust: round < NEAR_AFTER ? 1 : 1 / (1 + (off / 3) ** 2) };
    });
    normal = free.map((a, i) =>
      free.map((_, k) => {
        const prior = i === k ? 1 / PRIOR_SD[a] ** 2 : 0;
        return prior + observed.reduce((sum, _o, n) => sum + pull[n]!.trust * slopes[i]![n]! * slopes[k]![n]! * weight[n]! ** 2, 0);
      }),
    );
    const gradient = free.map(
      (a, i) =>
        -logs[i]! / PRIOR_SD[a] ** 2 +
        observed.reduce((sum, _o, n) => sum + pull[n]!.trust * slopes[i]![n]! * weight[n]! * pull[n]!.off, 0),
    );
    const step = solved(normal, gradient);
    logs = logs.map((log, i) => Math.min(MOST, Math.max(-MOST, log + Math.min(0.7, Math.max(-0.7, step[i]!)))));
    course = follow(logs);
    if (step.every((one) => Math.abs(one) < 0.02)) break;
  }
  const sd = free.map((_, i) =>
    Math.sqrt(
      Math.max(
        0,
        solved(
          normal,
          free.map((_one, k) => (k === i ? 1 : 0)),
        )[i]!,
      ),
    ),
  );
  const share = (one: Fitted) => {
    const i = free.indexOf(one);
    return i < 0
      ? null
      : { usual: Math.exp(logs[i]!), low: Math.exp(logs[i]! - 1.645 * sd[i]!), high: Math.exp(logs[i]! + 1.645 * sd[i]!) };
  };
  return { share: { feed: share('feed'), plants: share('plants'), soil: share('soil') }, course, planned };
}

/** Where a fit may begin, beside the plan: logarithms of the shares. */
const STARTS: Readonly<Record<Fitted, readonly number[]>> = { feed: [-0.8, 0, 0.8, 1.6], plants: [-1.5, 0], soil: [0, -1.5] };
function startsOf(free: readonly Fitted[]): number[][] {
  return free.reduce<number[][]>((all, one) => all.flatMap((start) => STARTS[one].map((log) => [...start, log])), [[]]);
}

/** Of a small system that is positive definite. */
function solved(matrix: readonly (readonly number[])[], right: readonly number[]): number[] {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  for (let i = 0; i < n; i++) {
    for (let k = i + 1; k < n; k++) {
      const times = rows[k]![i]! / rows[i]![i]!;
      for (let c = i; c <= n; c++) rows[k]![c] = rows[k]![c]! - times * rows[i]![c]!;
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    const rest = x.reduce((sum, value, k) => (k > i ? sum + rows[i]![k]! * value : sum), 0);
    x[i] = (rows[i]![n]! - rest) / rows[i]![i]!;
  }
  return x;
}
