import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import type { ToleranceRange } from '../catalogue/organism';
import type { Fact } from '../quantity/fact';
import type { Span } from '../quantity/range';
import { blurOf } from '../catalogue/parameter';
import { judgeFor, type About } from '../window/judge';
import type { Failure } from './failures';
import { inOrder } from '../quantity/in-order';
import type { Device, Thermostat } from './model';
import type { MonthBalance } from './year-temperature';

/** A heater or cooler is chosen a fifth stronger than the worst month takes. Common practice: 1.2 to 2 times. */
export const RATING_FACTOR = 1.2;
/** Shorter than a night is short. Common practice. */
const NIGHT_HOURS = 8;
/** A heater this much stronger than the coldest month takes, and than a tank usually has, cooks the tank when it sticks. Common practice. */
const OVERRATED = { times: 5, wPerL: 1.5 };
/** Animals stand for hours what they do not stand for months: degrees below and above their tolerance. Common practice. */
export const FOR_HOURS_C = { low: 3, high: 2 } as const;
/** The high of a day, and the low of one, may pass the tolerance by so much while the day's mean stays inside. Common practice. */
const FOR_A_DAY_C = 2;
/** Months outside comfort that are no more than a season. Common practice. */
const A_SEASON = 4;

/** One organism against the tank's year: by what lasts, the mean of a day, and by its peak. */
export function seasonFindings(
  subject: string,
  about: About,
  range: Fact<ToleranceRange> | undefined,
  year: Computed<readonly Span[]>,
): Finding[] {
  if (!year.value) return [];
  return [seasonFinding('heat.too-cold', subject, about, range, year), seasonFinding('heat.too-warm', subject, about, range, year)];
}

function seasonFinding(
  code: 'heat.too-cold' | 'heat.too-warm',
  subject: string,
  about: About,
  range: Fact<ToleranceRange> | undefined,
  year: Computed<readonly Span[]>,
): Finding {
  const months = year.value ?? [];
  const side = code === 'heat.too-cold' ? 'low' : 'high';
  const index = side === 'low' ? 0 : 1;
  const sign = side === 'low' ? -1 : 1;
  const worst = (values: readonly number[]) => values.reduce((most, value) => (sign * value > sign * most ? value : most));
  const means = months.map(([low, high]) => (low + high) / 2);
  const mean = worst(means);
  const peak = worst(months.map((month) => month[index]));
  const lasting = judgeFor(about, range?.value, mean, { sides: side });
  const borne = range?.value?.tolerance[index] ?? null;
  const past = borne === null ? 0 : sign * (peak - borne);
  const blur = borne === null ? 0 : blurOf('temperatureC', borne, about.kind);
  const byPeak = about.kind === 'animal' && lasting.severity !== 'conflict' && past > Math.max(blur, FOR_A_DAY_C / 2);
  const severity = byPeak ? (past > FOR_A_DAY_C + blur ? 'conflict' : 'watch') : lasting.severity;
  const edge = byPeak ? borne : lasting.edge;
  const said = byPeak ? peak : mean;
  const outside = months.flatMap((month, i) => (edge !== null && sign * ((byPeak ? month[index] : means[i]!) - edge) > 0 ? [i + 1] : []));
  // comfort is for the greater part of a year: a season outside it is a season
  const seasonal =
    about.phase === 'keep' && severity === 'watch' && !byPeak && sign * (mean - (borne ?? mean)) <= 0 && outside.length <= A_SEASON;
  const optimum = range?.value?.optimum[index] ?? null;
  return {
    key: `${code}:${subject}`,
    code,
    bench: 'equipment',
    severity: seasonal ? 'fits' : severity,
    excess: seasonal || severity === 'fits' ? 0 : byPeak ? past : lasting.excess,
    subjects: [subject],
    parameter: 'temperatureC',
    values: {
      planned: { quantity: 'temperature', value: said },
      ...(edge === null ? {} : { edge: { quantity: 'temperature', value: edge } }),
      ...(borne === null ? {} : { tolerance: { quantity: 'temperature', value: borne } }),
      ...(optimum === null ? {} : { optimum: { quantity: 'temperature', value: optimum } }),
      ...(outside[0] === undefined
        ? {}
        : { firstMonth: { quantity: 'count', value: firstOfRun(outside) }, months: { quantity: 'count', value: outside.length } }),
    },
    evidence: [year],
    basis: range?.basis ?? 'recalled',
    kind: `${about.kind}:${byPeak ? 'peak' : 'lasting'}`,
    ...(range?.source ? { source: range.source } : {}),
    ...(range?.note ? { note: range.note } : {}),
  };
}

/** The month a run that may cross the new year begins with. */
function firstOfRun(months: readonly number[]): number {
  return months.find((month) => !months.includes(month === 1 ? 12 : month - 1)) ?? 1;
}

export function climateNotStated(year: Computed<unknown>): Finding {
  return {
    key: 'heat.not-stated',
    code: 'heat.not-stated',
    bench: 'equipment',
    severity: 'unknown',
    excess: null,
    subjects: [],
    parameter: 'temperatureC',
    values: {},
    evidence: [year],
    basis: 'practice',
  };
}

const mean = ([a, b]: Span): number => (a + b) / 2;

const of = (code: Finding['code'], subjects: readonly string[]) =>
  ({ key: [code, ...subjects].join(':'), code, bench: 'equipment', subjects }) as const;

/** The power of a heater or cooler against what its set-point takes in the worst month. */
export function ratingFinding(id: string, device: Thermostat, balance: Computed<readonly MonthBalance[]>): Finding | null {
  if (!balance.value) return null;
  const heats = device.kind === 'heater';
  // the water carries a tank through the hours of a day: what counts is the day's mean
  const needW = Math.max(...balance.value.map(({ heaterW, coolerW }) => mean(heats ? heaterW : coolerW)));
  const base = { ...of(heats ? 'heat.heater-rating' : 'heat.cooler-rating', [id]), evidence: [balance], basis: 'practice' } as const;
  const need = { quantity: 'power', value: needW } as const;
  const wanted = { quantity: 'power', value: needW * RATING_FACTOR } as const;
  if (device.powerW === null) return { ...base, severity: 'unknown', excess: null, values: { need, wanted } };
  const severity = device.powerW < needW ? 'conflict' : device.powerW < wanted.value ? 'watch' : 'fits';
  return {
    ...base,
    severity,
    excess: Math.max(0, wanted.value - device.powerW),
    values: { power: { quantity: 'power', value: device.powerW }, need, wanted },
  };
}

function isFarTooStrong({ heater }: Failure, litres: number): boolean {
  return heater !== null && heater.overrated > OVERRATED.times && heater.powerW > OVERRATED.wPerL * litres;
}

/** A thermostat that sticks, or a power cut: watched when an animal's life is at stake before anyone is likely to look. */
export function failureFinding(failures: Computed<readonly Failure[]>, failure: Failure, litres: number): Finding | null {
  if (failure.kind !== 'heater-stuck' && failure.kind !== 'power-cut') return null;
  const base = {
    ...of(failure.kind === 'heater-stuck' ? 'heat.stuck-heater' : 'heat.power-cut', []),
    evidence: [failures],
    basis: 'practice',
  } as const;
  const start: Finding['values'] = {
    from: { quantity: 'temperature', value: failure.fromC },
    month: { quantity: 'count', value: failure.month + 1 },
    ...(failure.settlesC === null ? {} : { settles: { quantity: 'temperature', value: failure.settlesC } }),
  };
  const { survival } = failure;
  // an edge that is passed already, or that nobody knows, is told where it belongs
  if (!survival) return null;
  const edge = { quantity: 'temperature', value: survival.edgeC } as const;
  const soonest = survival.band[0] ?? survival.hours;
  if (soonest === null) return { ...base, severity: 'fits', excess: 0, values: { ...start, edge } };
  // any heater that sticks cooks a small tank in the end; one chosen far too strong does it before the next look
  const short = soonest < NIGHT_HOURS && (failure.kind === 'power-cut' || isFarTooStrong(failure, litres));
  return {
    ...base,
    severity: short ? 'watch' : 'fits',
    excess: short ? NIGHT_HOURS - soonest : 0,
    values: {
      ...start,
      edge,
      soonest: { quantity: 'hours', value: soonest },
      ...(survival.band[1] === null ? {} : { latest: { quantity: 'hours', value: survival.band[1] } }),
    },
  };
}

/** A heater set above what cools the same water: each works against the other, and one of them never stops. */
export function contraryFinding(equipment: Readonly<Record<string, Device>>): Finding | null {
  const all = inOrder(equipment);
  const heater = all.find(([, { kind }]) => kind === 'heater');
  const warm = heater ? setPointOf(heater[1]) : NaN;
  const colder = all.find(([, device]) => (device.kind === 'cooler' || device.kind === 'fan') && setPointOf(device) < warm);
  if (!heater || !colder) return null;
  const cold = setPointOf(colder[1]);
  return {
    key: 'heat.contrary',
    code: 'heat.contrary',
    bench: 'equipment',
    severity: 'watch',
    excess: warm - cold,
    subjects: [heater[0], colder[0]],
    values: { heater: { quantity: 'temperature', value: warm }, colder: { quantity: 'temperature', value: cold } },
    evidence: [],
    basis: 'practice',
    kind: colder[1].kind,
  };
}

const setPointOf = (device: Device): number => ('setPointC' in device ? device.setPointC : NaN);
