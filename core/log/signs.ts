import { median, quantile } from 'd3-array';
import type { Span } from '../quantity/range';
import { kitStateOn, rangeOf, type RoomKit } from '../reading/doubt';
import type { LoggedParameter } from '../reading/parameter';
import { dayAfter, daysFrom, type Day } from '../schedule/day';
import type { ReadingEntry } from './model';
import { readingsIn } from './series';
import type { Line } from './timeline';
import { leftByLine, leftByStep, mannKendall, pettitt, theilSen, type Slope } from './trend';

export const SIGN_CODES = [
  'copper',
  'ammonia',
  'losses',
  'set-point',
  'heater-off',
  'heater-on',
  'sensor-still',
  'sensor-noisy',
  'soil-spent',
  'source-changed',
  'step',
  'evaporation',
  'kh-falling',
  'nitrate-rising',
  'trend',
  'meter-drift',
  'kits-differ',
  'not-eating',
  'untested',
  'kit-past',
] as const;
export type SignCode = (typeof SIGN_CODES)[number];

/** Something that a log shows. Amounts in canonical units; the wording is put on it in one place. */
export interface Sign {
  code: SignCode;
  /** Does harm, or is worth a look. */
  weight: 'conflict' | 'watch';
  parameter: LoggedParameter | null;
  /** From when on, as far as it can be told. */
  since: Day | null;
  values: Readonly<Record<string, number>>;
  /** Animals, kits and further parameters that it is about. */
  subjects: readonly string[];
}

/** What an acceptance of it is kept under: it speaks again when it has become worse. */
export const keyOfSign = ({ code, weight, parameter, subjects }: Sign): string =>
  ['log', code, weight, ...(parameter === null ? [] : [parameter]), ...subjects].join(' ').slice(0, 200);

/** What a log is read against. */
export interface SignContext {
  today: Day;
  now: number;
  kits: Readonly<Record<string, RoomKit>>;
  /** Where all that live here are alive and well, as far as it is known. */
  windows: Readonly<Partial<Record<LoggedParameter, Span>>>;
  /** Heater or cooler that holds the tank; null for none. */
  setPointC: number | null;
  /** A soil holds its pH. */
  soil: boolean;
  invertebrates: boolean;
  /** It is still being started: ammonia belongs there. */
  starting: boolean;
  /** What the plan would read on a day; null where it cannot be told. */
  expected: ((parameter: LoggedParameter, day: Day) => number | null) | null;
}

/** How far back a log is read. */
const BACK_DAYS = 180;
/** A trend is one where chance shows as much once in two hundred times, and it is more than the kit may be off. */
const SURE = 0.005;
const LEAST_SPAN_DAYS = 21;

interface Point {
  day: Day;
  /** Since the first. */
  at: number;
  value: number;
  doubt: number;
}

const TRENDED: readonly LoggedParameter[] = [
  'ph',
  'khDh',
  'ghDh',
  'ec25UsPerCm',
  'salinity',
  'nitrateMgPerL',
  'phosphateMgPerL',
  'oxygenMgPerL',
];

/** All that a log shows that its keeper would want to know, the gravest first; one cause is told once. Simulated readings count as others do. */
export function signsOf(lines: readonly Line[], context: SignContext): Sign[] {
  const from = dayAfter(context.today, -BACK_DAYS);
  const recent = lines.filter(({ day, struck }) => !struck && day >= from && day <= context.today);
  const readings = readingsIn(recent);
  const points = (parameter: LoggedParameter, only?: (reading: ReadingEntry) => boolean) => pointsOf(readings, parameter, context, only);
  const steps = stepsOf(points, context);
  const told: Sign[] = [
    ...copper(readings, context),
    ...ammonia(points, context),
    ...losses(recent, context),
    ...warmth(points('temperatureC'), context),
    ...sensors(readings, context),
    ...drifts(points, context, steps),
    ...kitsApart(readings, context),
    ...appetite(recent, context),
    ...untested(recent, context),
    ...pastKits(readings, context),
  ];
  // a meter that drifts is no tank that does, and a kit that it differs from says the same once more
  const drifting = new Set(
    told.flatMap(({ code, parameter }) =>
      code === 'meter-drift' || code === 'sensor-still' || code === 'sensor-noisy' ? [parameter] : [],
    ),
  );
  const failing = new Set(told.flatMap(({ code, parameter }) => (code === 'sensor-still' || code === 'sensor-noisy' ? [parameter] : [])));
  const still = told.filter(({ code, parameter }) => {
    if (code === 'meter-drift' && failing.has(parameter)) return false;
    if ((code === 'kits-differ' || code === 'trend' || code === 'step') && drifting.has(parameter)) return false;
    return !(code === 'heater-off' || code === 'heater-on' || code === 'set-point') || !drifting.has('temperatureC');
  });
  return still.sort((a, b) => rank(a) - rank(b) || SIGN_CODES.indexOf(a.code) - SIGN_CODES.indexOf(b.code));
}
const rank = ({ weight }: Sign): number => (weight === 'conflict' ? 0 : 1);

type Readings = readonly { line: Line; reading: ReadingEntry }[];

/** One point a day: the median of what was read on it. */
function pointsOf(
  readings: Readings,
  parameter: LoggedParameter,
  { kits }: SignContext,
  only: (reading: ReadingEntry) => boolean = () => true,
): Point[] {
  const days = new Map<Day, { values: number[]; doubts: number[] }>();
  for (const { line, reading } of readings) {
    const value = reading.values[parameter];
    if (value === undefined || !only(reading)) continue;
    const [low, high] = rangeOf(
      { parameter, kit: reading.kit, value },
      reading.kitId === null ? null : (kits[reading.kitId] ?? null),
      line.day,
    );
    const there = days.get(line.day) ?? { values: [], doubts: [] };
    there.values.push(value);
    there.doubts.push((high - low) / 2);
    days.set(line.day, there);
  }
  const all = [...days];
  const first = all[0]?.[0];
  return all.map(([day, { values, doubts }]) => ({ day, at: daysFrom(first!, day), value: median(values)!, doubt: Math.min(...doubts) }));
}

interface Course {
  points: readonly Point[];
  slope: Slope;
  p: number;
  /** How far it went, from the first to the last by its line. */
  moved: number;
  doubt: number;
  last: number;
}

/** A course over the whole of it, and over its last third where there is enough of it: what began lately shows there. */
function courseOf(all: readonly Point[]): Course | null {
  if (all.length < 6 || all.at(-1)!.at - all[0]!.at < LEAST_SPAN_DAYS) return null;
  const values = all.map(({ value }) => value);
  const slope = theilSen(
    all.map(({ at }) => at),
    values,
  );
  const span = all.at(-1)!.at - all[0]!.at;
  return {
    points: all,
    slope,
    p: mannKendall(values).p,
    moved: slope.perDay * span,
    doubt: median(all.map(({ doubt }) => doubt))!,
    last: median(values.slice(-3))!,
  };
}

/** Goes one way for sure, further than its kit may be off, and further than the plan says. */
function goes(all: readonly Point[], parameter: LoggedParameter, { expected }: SignContext): Course | null {
  const course = courseOf(all);
  if (!course || course.p > SURE || Math.abs(course.moved) < Math.max(1.5 * course.doubt, 0.15 * Math.abs(course.last))) return null;
  if (!expected) return course;
  const beside = all.flatMap((point) => {
    const planned = expected(parameter, point.day);
    return planned === null ? [] : [{ ...point, value: point.value - planned }];
  });
  if (beside.length < all.length * 0.7) return course;
  const off = courseOf(beside);
  const apart = off && off.p <= SURE && Math.sign(off.moved) === Math.sign(course.moved) && Math.abs(off.moved) > 1.2 * course.doubt;
  return apart ? course : null;
}

/** So little alkalinity is soon used up, in degrees. Common practice. */
const SCANT_KH = 3;

interface Jump {
  parameter: LoggedParameter;
  day: Day;
  before: number;
  after: number;
}

const STEPPED: readonly LoggedParameter[] = ['ghDh', 'khDh', 'ec25UsPerCm', 'ph', 'salinity'];

/** Levels that changed at once, where a step tells it better than a line does. */
function stepsOf(points: (parameter: LoggedParameter) => Point[], { expected }: SignContext): Jump[] {
  return STEPPED.flatMap((parameter): Jump[] => {
    const all = points(parameter);
    const values = all.map(({ value }) => value);
    const step = pettitt(values);
    if (!step || step.p > SURE) return [];
    const doubt = median(all.map((one) => one.doubt))!;
    const size = Math.abs(step.after - step.before);
    if (size < Math.max(2 * doubt, parameter === 'ph' ? 0.4 : 0.2 * Math.max(step.before, step.after))) return [];
    const days = all.map(({ at }) => at);
    if (leftByStep(values, step) > 0.75 * leftByLine(days, values, theilSen(days, values))) return [];
    // what creeps up to its new level did not come at once
    const across = (at: number) => Math.abs(median(values.slice(at, at + 2))! - median(values.slice(Math.max(0, at - 2), at))!);
    const near = [-2, -1, 0, 1, 2].map((by) => step.at + by).filter((at) => at > 1 && at < values.length - 1);
    const sharpest = near.reduce((best, at) => (across(at) > across(best) ? at : best), near[0] ?? step.at);
    if (across(sharpest) < 0.65 * size) return [];
    const at = all[sharpest]!;
    if (expected) {
      const [was, is] = [
        expected(parameter, all[Math.max(0, step.at - 2)]!.day),
        expected(parameter, all[Math.min(all.length - 1, step.at + 2)]!.day),
      ];
      // the plan steps there too
      if (was !== null && is !== null && Math.sign(is - was) === Math.sign(step.after - step.before) && Math.abs(is - was) > 0.6 * size)
        return [];
    }
    return [{ parameter, day: at.day, before: step.before, after: step.after }];
  });
}

const sign = (code: SignCode, rest: Partial<Sign>): Sign => ({
  code,
  weight: 'watch',
  parameter: null,
  since: null,
  values: {},
  subjects: [],
  ...rest,
});

/** Copper that a kit shows for sure; invertebrates bear none of it. Common practice: 0.03 mg/L and more kills shrimp in days. */
function copper(readings: Readings, { kits, invertebrates }: SignContext): Sign[] {
  const found = readings.flatMap(({ line, reading }) => {
    const value = reading.values.copperMgPerL;
    if (value === undefined) return [];
    const [low] = rangeOf(
      { parameter: 'copperMgPerL', kit: reading.kit, value },
      reading.kitId === null ? null : (kits[reading.kitId] ?? null),
      line.day,
    );
    return [{ day: line.day, value, shows: low > 0 || value >= 0.05 }];
  });
  const last = found.at(-1);
  const first = found.find(({ shows }) => shows);
  if (!first || !last) return [];
  // a later test that is clean ends it
  if (!last.shows) return [];
  return [
    sign('copper', {
      weight: invertebrates ? 'conflict' : 'watch',
      parameter: 'copperMgPerL',
      since: first.day,
      values: { copperMgPerL: last.value },
    }),
  ];
}

/** Ammonia or nitrite that shows in a tank that has grown in. */
function ammonia(points: (parameter: LoggedParameter) => Point[], { starting, today }: SignContext): Sign[] {
  if (starting) return [];
  const shown = (['ammoniaMgNPerL', 'nitriteMgNPerL'] as const).flatMap((parameter) => {
    const last = points(parameter).at(-1);
    return last && daysFrom(last.day, today) <= 21 && last.value > last.doubt ? [{ parameter, ...last }] : [];
  });
  const [worst] = shown.sort((a, b) => b.value - a.value);
  return worst
    ? [
        sign('ammonia', {
          weight: 'conflict',
          parameter: worst.parameter,
          since: worst.day,
          values: { read: worst.value },
          subjects: shown.map(({ parameter }) => parameter),
        }),
      ]
    : [];
}

/** Deaths that come together: three in a fortnight, where they did not come so before. */
function losses(lines: readonly Line[], { today }: SignContext): Sign[] {
  const lost = lines.flatMap(({ entry, day }) =>
    entry.kind === 'animals' && (entry.became === 'died' || entry.became === 'lost')
      ? [{ day, count: entry.count ?? 1, id: entry.organismId }]
      : [],
  );
  const count = (from: number, to: number) =>
    lost.filter(({ day }) => daysFrom(day, today) >= from && daysFrom(day, today) < to).reduce((sum, one) => sum + one.count, 0);
  const [now, before] = [count(0, 14), count(14, 70) / 4];
  if (now < 3 || now < 3 * before) return [];
  const recent = lost.filter(({ day }) => daysFrom(day, today) < 14);
  return [
    sign('losses', {
      weight: 'conflict',
      since: recent[0]!.day,
      values: { count: now },
      subjects: [...new Set(recent.map(({ id }) => id))],
    }),
  ];
}

/** How far the temperature may stand from where it is set: heaters are stated to a degree. Common practice. */
const OFF_SET_C = 1.3;

/** Warmth against what heater or cooler is set to: off all the while, or off of late. */
function warmth(all: readonly Point[], { setPointC, today }: SignContext): Sign[] {
  if (setPointC === null || all.length < 3) return [];
  const recent = all.filter(({ day }) => daysFrom(day, today) <= 28);
  const last = recent.slice(-4);
  if (last.length < 3) return [];
  const off = (some: readonly Point[]) => median(some.map(({ value }) => value - setPointC))!;
  const late = off(last);
  if (Math.abs(late) < OFF_SET_C || !last.every(({ value }) => Math.sign(value - setPointC) === Math.sign(late))) return [];
  const before = all.filter(({ day }) => day < last[0]!.day).slice(-8);
  const kept = before.length >= 3 && Math.abs(off(before)) < 1;
  const values = { setPointC, readC: median(last.map(({ value }) => value))! };
  if (kept || Math.abs(late - off(before.length > 0 ? before : last)) > OFF_SET_C)
    return [sign(late < 0 ? 'heater-off' : 'heater-on', { weight: 'conflict', parameter: 'temperatureC', since: last[0]!.day, values })];
  const spread =
    quantile(
      recent.map(({ value }) => value),
      0.9,
    )! -
    quantile(
      recent.map(({ value }) => value),
      0.1,
    )!;
  return spread < 1.5 ? [sign('set-point', { parameter: 'temperatureC', since: recent[0]!.day, values })] : [];
}

/** A logger's readings of one parameter, by themselves. */
interface Stream {
  times: number[];
  values: number[];
}
const HOUR_MS = 3600_000;

/** A sensor that gives the same figure for a day, or dances as it never did, or falls silent again and again. */
function sensors(readings: Readings, { now }: SignContext): Sign[] {
  const streams = new Map<LoggedParameter, Stream>();
  for (const { line, reading } of readings) {
    if (reading.from === 'hand') continue;
    for (const [parameter, value] of Object.entries(reading.values) as [LoggedParameter, number][]) {
      const there = streams.get(parameter) ?? { times: [], values: [] };
      there.times.push(line.atMs);
      there.values.push(value);
      streams.set(parameter, there);
    }
  }
  return [...streams].flatMap(([parameter, { times, values }]): Sign[] => {
    const end = times.at(-1)!;
    // what is long silent is told as untested
    if (times.length < 200 || now - end > 7 * 24 * HOUR_MS) return [];
    const late = times.findIndex((at) => at > end - 36 * HOUR_MS);
    if (late < 120 || times.length - late < 30) return [];
    const jumps = (from: number, to: number) =>
      Array.from({ length: Math.max(0, to - from - 1) }, (_, i) => Math.abs(values[from + i + 1]! - values[from + i]!));
    const [usual, lately] = [jumps(Math.max(0, late - 2000), late), jumps(late, times.length)];
    const since = dayOfMs(times[late]!);
    const moves = (some: readonly number[]) => some.filter((one) => one > 0).length / some.length;
    if (moves(lately) < 0.02 && moves(usual) > 0.2) return [sign('sensor-still', { parameter, since, values: { read: values.at(-1)! } })];
    const size = (some: readonly number[]) => quantile(some, 0.8)!;
    const pauses = (from: number, to: number) => Array.from({ length: to - from - 1 }, (_, i) => times[from + i + 1]! - times[from + i]!);
    const usualPause = median(pauses(Math.max(0, late - 2000), late))!;
    const silent = pauses(late, times.length).reduce((sum, one) => sum + (one > 3 * usualPause ? one : 0), 0) / (end - times[late]!);
    const silentBefore = pauses(Math.max(0, late - 2000), late).filter((one) => one > 3 * usualPause).length / Math.min(2000, late);
    if (size(usual) > 0 && size(lately) > 4 * size(usual))
      return [sign('sensor-noisy', { parameter, since, values: { times: size(lately) / size(usual), silent } })];
    return silent > 0.3 && silentBefore < 0.02 ? [sign('sensor-noisy', { parameter, since, values: { times: 1, silent } })] : [];
  });
}
const dayOfMs = (ms: number): Day => new Date(ms).toISOString().slice(0, 10);

/** What goes one way: each by its likeliest cause, and one cause once. */
function drifts(points: (parameter: LoggedParameter) => Point[], context: SignContext, steps: readonly Jump[]): Sign[] {
  const stepped = new Set(steps.map(({ parameter }) => parameter));
  const courses = new Map<LoggedParameter, Course>();
  for (const parameter of TRENDED) {
    // of what stepped, only how it goes within a level would tell more
    const course = stepped.has(parameter) && parameter !== 'ph' ? null : goes(points(parameter), parameter, context);
    if (course) courses.set(parameter, course);
  }
  const told: Sign[] = [];
  const take = (...parameters: LoggedParameter[]) => parameters.forEach((one) => courses.delete(one));
  const up = (parameter: LoggedParameter) => (courses.get(parameter)?.moved ?? 0) > 0;
  const down = (parameter: LoggedParameter) => (courses.get(parameter)?.moved ?? 0) < 0;
  const of = (parameter: LoggedParameter, code: SignCode, subjects: readonly string[] = []): Sign =>
    trendSign(code, parameter, courses.get(parameter)!, context, subjects);

  const gone = new Set<LoggedParameter>();
  const spent = context.soil ? letGo(points('ph'), context) : null;
  if (spent) {
    const values = { before: spent.before, after: spent.after };
    told.push(sign('soil-spent', { parameter: 'ph', since: spent.day, values, subjects: up('khDh') ? ['khDh'] : [] }));
    // it took the hardness as well
    for (const one of ['ph', 'khDh', 'ghDh', 'ec25UsPerCm'] as const) gone.add(one);
    take('ph', 'khDh', 'ghDh', 'ec25UsPerCm');
  }
  const jumps = steps.filter(({ parameter }) => !gone.has(parameter));
  const [first] = jumps;
  if (first) {
    const together = jumps.filter(({ day }) => Math.abs(daysFrom(first.day, day)) <= 21);
    const source = together.some(({ parameter }) => parameter === 'ghDh' || parameter === 'khDh' || parameter === 'ec25UsPerCm');
    const values = { before: first.before, after: first.after };
    const subjects = together.map(({ parameter }) => parameter);
    told.push(sign(source ? 'source-changed' : 'step', { parameter: first.parameter, since: first.day, values, subjects }));
    take(...jumps.map(({ parameter }) => parameter), 'ph');
  }
  const thicker = (['salinity', 'ghDh', 'ec25UsPerCm'] as const).filter(up);
  if (up('salinity') || thicker.length >= 2 || (thicker.length > 0 && up('khDh'))) {
    told.push(of(thicker[0]!, 'evaporation', [...thicker, ...(up('khDh') ? ['khDh'] : [])]));
    take(...thicker, ...(up('khDh') ? (['khDh'] as const) : []));
  }
  // nitrate is made at the cost of alkalinity, which takes the pH along: one cause, told by what is nearer to harm
  const [falls, rises] = [down('khDh'), up('nitrateMgPerL')];
  const along = [
    ...(['phosphateMgPerL', 'ec25UsPerCm'] as const).filter((one) => rises && up(one)),
    ...(['ph'] as const).filter((one) => falls && down(one)),
  ];
  if (falls && (!rises || courses.get('khDh')!.last < SCANT_KH))
    told.push(of('khDh', 'kh-falling', [...(rises ? (['nitrateMgPerL'] as const) : []), ...along]));
  else if (rises && (falls || leaves(courses.get('nitrateMgPerL')!, context.windows.nitrateMgPerL)))
    told.push(of('nitrateMgPerL', 'nitrate-rising', [...(falls ? (['khDh'] as const) : []), ...along]));
  take(...along, ...(falls ? (['khDh'] as const) : []), ...(rises ? (['nitrateMgPerL'] as const) : []));
  for (const [parameter] of courses) told.push(of(parameter, 'trend'));
  return told;
}

/** A soil that holds the pH no more: it stands for good above where it was held. */
const LET_GO_PH = 0.4;
function letGo(all: readonly Point[], { expected }: SignContext): Jump | null {
  if (all.length < 9) return null;
  const late = all.slice(-4);
  const early = all.slice(0, -4);
  const held = early.slice(2).map((_, i) => ({ ...early[i + 1]!, value: median(early.slice(i, i + 3).map(({ value }) => value))! }));
  const base = held.reduce((least, one) => (one.value < least.value ? one : least), held[0]!);
  const after = median(late.map(({ value }) => value))!;
  const up = after - base.value;
  if (up < LET_GO_PH || late.some(({ value }) => value < base.value + LET_GO_PH / 2)) return null;
  const [was, is] = expected ? [expected('ph', base.day), expected('ph', late.at(-1)!.day)] : [null, null];
  // the plan says so too, and the ledger with it
  if (was !== null && is !== null && is - was > 0.6 * up) return null;
  const since = all.find(({ day, value }) => day > base.day && value > base.value + LET_GO_PH / 2) ?? late[0]!;
  return { parameter: 'ph', day: since.day, before: base.value, after };
}

/** Out of its window by now, or within a season as it goes; any way where no window is known. */
const SEASON_DAYS = 120;
function leaves({ slope, last }: Course, window: Span | undefined): boolean {
  if (!window) return true;
  const days = (slope.perDay > 0 ? window[1] - last : window[0] - last) / slope.perDay;
  return last < window[0] || last > window[1] || days < SEASON_DAYS;
}

function trendSign(
  code: SignCode,
  parameter: LoggedParameter,
  { slope, last, points }: Course,
  { windows, today }: SignContext,
  subjects: readonly string[],
): Sign {
  const window = windows[parameter];
  const edge = window ? (slope.perDay > 0 ? window[1] : window[0]) : Infinity;
  const outside = window ? last < window[0] || last > window[1] : false;
  const days = Number.isFinite(edge) ? (edge - last) / slope.perDay : Infinity;
  return sign(code, {
    weight: outside ? 'conflict' : 'watch',
    parameter,
    since: points[0]!.day,
    values: {
      perWeek: 7 * slope.perDay,
      low: 7 * slope.low,
      high: 7 * slope.high,
      last,
      ...(!outside && days > 0 && days < SEASON_DAYS ? { leavesInDays: Math.round(days) } : {}),
      read: daysFrom(points.at(-1)!.day, today),
    },
    subjects,
  });
}

/** Two kits on the same water that do not agree, and a meter that goes its own way. */
function kitsApart(readings: Readings, { kits, today }: SignContext): Sign[] {
  const pairs = new Map<LoggedParameter, { day: Day; at: number; apart: number; off: number; meter: boolean; names: string[] }[]>();
  const recent = readings.filter(({ line }) => daysFrom(line.day, today) <= 120);
  const named = ({ kit, kitId, from }: ReadingEntry) => (from === 'probe' ? 'probe' : (kitId ?? kit));
  const bySource = new Map<string, typeof recent>();
  for (const one of recent) bySource.set(named(one.reading), [...(bySource.get(named(one.reading)) ?? []), one]);
  const sources = [...bySource];
  for (const [i, [name, mine]] of sources.entries())
    for (const [other, theirs] of sources.slice(i + 1))
      for (const a of mine)
        for (const b of theirs) {
          if (Math.abs(a.line.atMs - b.line.atMs) > 6 * HOUR_MS) continue;
          for (const parameter of Object.keys(a.reading.values) as LoggedParameter[]) {
            const [va, vb] = [a.reading.values[parameter], b.reading.values[parameter]];
            if (va === undefined || vb === undefined) continue;
            const range = ({ reading, line }: typeof a, value: number) =>
              rangeOf({ parameter, kit: reading.kit, value }, reading.kitId === null ? null : (kits[reading.kitId] ?? null), line.day);
            const [ra, rb] = [range(a, va), range(b, vb)];
            const apart = Math.max(ra[0] - rb[1], rb[0] - ra[1]);
            const meter = a.reading.kit === 'meter' || b.reading.kit === 'meter';
            // always the meter less the other
            const off = b.reading.kit === 'meter' && a.reading.kit !== 'meter' ? vb - va : va - vb;
            pairs.set(parameter, [
              ...(pairs.get(parameter) ?? []),
              { day: a.line.day, at: a.line.atMs, apart, off, meter, names: [name, other] },
            ]);
          }
        }
  return [...pairs].flatMap(([parameter, all]): Sign[] => {
    const sorted = [...all].sort((a, b) => a.at - b.at);
    const last = sorted.at(-1)!;
    const drift = last.meter && sorted.length >= 5 ? mannKendall(sorted.map(({ off }) => off)).p : 1;
    if (last.apart > 0 && drift < 0.02)
      return [sign('meter-drift', { parameter, since: sorted[0]!.day, values: { off: last.off }, subjects: last.names })];
    const often = sorted.slice(-4).filter(({ apart }) => apart > 0).length;
    return last.apart > 0 && (often >= 2 || sorted.length === 1)
      ? [sign('kits-differ', { parameter, since: last.day, values: { off: Math.abs(last.off) }, subjects: last.names })]
      : [];
  });
}

/** Who was seen eating before, and is not any more. */
function appetite(lines: readonly Line[], { today }: SignContext): Sign[] {
  const looks = new Map<string, { day: Day; ate: boolean }[]>();
  for (const { entry, day } of lines)
    if (entry.kind === 'eating') looks.set(entry.organismId, [...(looks.get(entry.organismId) ?? []), { day, ate: entry.ate }]);
  return [...looks].flatMap(([id, all]): Sign[] => {
    const refused = all.slice(-3);
    const last = all.filter(({ ate }) => ate).at(-1);
    if (refused.length < 3 || refused.some(({ ate }) => ate)) return [];
    return [
      sign('not-eating', { since: last?.day ?? all[0]!.day, values: { days: daysFrom(last?.day ?? all[0]!.day, today) }, subjects: [id] }),
    ];
  });
}

/** Read by habit, and not read for three times as long as that. */
function untested(lines: readonly Line[], { today }: SignContext): Sign[] {
  const days = new Map<LoggedParameter, Day[]>();
  for (const { line, reading } of readingsIn(lines))
    for (const parameter of Object.keys(reading.values) as LoggedParameter[]) {
      const there = days.get(parameter) ?? [];
      if (there.at(-1) !== line.day) there.push(line.day);
      days.set(parameter, there);
    }
  const missing = [...days].flatMap(([parameter, all]) => {
    if (all.length < 5) return [];
    const usual = median(all.slice(1).map((day, i) => daysFrom(all[i]!, day)))!;
    const since = daysFrom(all.at(-1)!, today);
    return since > Math.max(21, 3 * usual) ? [{ parameter, since, last: all.at(-1)! }] : [];
  });
  const [longest] = missing.sort((a, b) => b.since - a.since);
  return longest
    ? [
        sign('untested', {
          parameter: longest.parameter,
          since: longest.last,
          values: { days: longest.since },
          subjects: missing.map(({ parameter }) => parameter),
        }),
      ]
    : [];
}

/** Kits that this tank is tested with, past their date; and its meters that are due to be calibrated. */
function pastKits(readings: Readings, { kits, today }: SignContext): Sign[] {
  const used = new Set(readings.map(({ reading }) => reading.kitId));
  const past = Object.entries(kits).filter(([id, kit]) => {
    if (!used.has(id)) return false;
    const { expired, calibrationOverdueDays } = kitStateOn(kit, today);
    return expired || calibrationOverdueDays > 0;
  });
  return past.length > 0 ? [sign('kit-past', { values: { count: past.length }, subjects: past.map(([id]) => id) })] : [];
}
