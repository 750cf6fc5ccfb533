import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import type { ToleranceRange } from '../catalogue/organism';
import type { Fact } from '../quantity/fact';
import type { Span } from '../quantity/range';
import { judge } from '../window/judge';
import type { Failure } from './failures';
import type { Thermostat } from './model';
import { yearExtremes, type MonthBalance } from './year-temperature';

/** A heater is chosen half as strong again as the loss, a cooler likewise. Common practice. */
export const RATING_FACTOR = 1.5;
/** Shorter than a night is short. Common practice. */
const NIGHT_HOURS = 12;

/** One organism against the tank's year: the coldest low against its lower edges, the warmest high against its upper ones. */
export function seasonFindings(subject: string, range: Fact<ToleranceRange> | undefined, year: Computed<readonly Span[]>): Finding[] {
  if (!year.value) return [];
  const [coldest, warmest] = yearExtremes(year.value);
  return [
    seasonFinding('heat.too-cold', subject, range, year.value, year, coldest),
    seasonFinding('heat.too-warm', subject, range, year.value, year, warmest),
  ];
}

function seasonFinding(
  code: 'heat.too-cold' | 'heat.too-warm',
  subject: string,
  range: Fact<ToleranceRange> | undefined,
  months: readonly Span[],
  year: Computed<unknown>,
  extremeC: number,
): Finding {
  const side = code === 'heat.too-cold' ? 'low' : 'high';
  const index = side === 'low' ? 0 : 1;
  const verdict = judge(range?.value, extremeC, undefined, side);
  const { edge } = verdict;
  const outside = months.flatMap((month, i) => (edge !== null && (side === 'low' ? month[0] < edge : month[1] > edge) ? [i + 1] : []));
  const optimum = range?.value?.optimum[index] ?? null;
  return {
    key: `${code}:${subject}`,
    code,
    bench: 'equipment',
    severity: verdict.severity,
    excess: verdict.excess,
    subjects: [subject],
    parameter: 'temperatureC',
    values: {
      planned: { quantity: 'temperature', si: extremeC },
      ...(edge === null ? {} : { edge: { quantity: 'temperature', si: edge } }),
      ...(optimum === null ? {} : { optimum: { quantity: 'temperature', si: optimum } }),
      ...(outside[0] === undefined
        ? {}
        : { firstMonth: { quantity: 'count', si: firstOfRun(outside) }, months: { quantity: 'count', si: outside.length } }),
    },
    evidence: [year],
    basis: range?.basis ?? 'recalled',
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

const of = (code: Finding['code'], subjects: readonly string[]) =>
  ({ key: [code, ...subjects].join(':'), code, bench: 'equipment', subjects }) as const;

/** The power of a heater or cooler against what its set-point takes in the worst month. */
export function ratingFinding(id: string, device: Thermostat, balance: Computed<readonly MonthBalance[]>): Finding | null {
  if (!balance.value) return null;
  const heats = device.kind === 'heater';
  const needW = Math.max(...balance.value.flatMap(({ heaterW, coolerW }) => (heats ? heaterW : coolerW)));
  const base = { ...of(heats ? 'heat.heater-rating' : 'heat.cooler-rating', [id]), evidence: [balance], basis: 'practice' } as const;
  const need = { quantity: 'power', si: needW } as const;
  const wanted = { quantity: 'power', si: needW * RATING_FACTOR } as const;
  if (device.powerW === null) return { ...base, severity: 'unknown', excess: null, values: { need, wanted } };
  const severity = device.powerW < needW ? 'conflict' : device.powerW < wanted.si ? 'watch' : 'fits';
  return {
    ...base,
    severity,
    excess: Math.max(0, wanted.si - device.powerW),
    values: { power: { quantity: 'power', si: device.powerW }, need, wanted },
  };
}

/** A thermostat that sticks, or a power cut: watched when an animal's survival is at stake before anyone is likely to look. */
export function failureFinding(failures: Computed<readonly Failure[]>, failure: Failure): Finding | null {
  if (failure.kind !== 'heater-stuck' && failure.kind !== 'power-cut') return null;
  const base = {
    ...of(failure.kind === 'heater-stuck' ? 'heat.stuck-heater' : 'heat.power-cut', []),
    evidence: [failures],
    basis: 'practice',
  } as const;
  const start: Finding['values'] = {
    from: { quantity: 'temperature', si: failure.fromC },
    month: { quantity: 'count', si: failure.month + 1 },
    ...(failure.settlesC === null ? {} : { settles: { quantity: 'temperature', si: failure.settlesC } }),
  };
  const { survival } = failure;
  if (!survival) return { ...base, severity: 'unknown', excess: null, values: start };
  const edge = { quantity: 'temperature', si: survival.edgeC } as const;
  const soonest = survival.band[0] ?? survival.hours;
  if (soonest === null) return { ...base, severity: 'fits', excess: 0, values: { ...start, edge } };
  return {
    ...base,
    severity: soonest < NIGHT_HOURS ? 'watch' : 'fits',
    excess: Math.max(0, NIGHT_HOURS - soonest),
    values: {
      ...start,
      edge,
      soonest: { quantity: 'hours', si: soonest },
      ...(survival.band[1] === null ? {} : { latest: { quantity: 'hours', si: survival.band[1] } }),
    },
  };
}
