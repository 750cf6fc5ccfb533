import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import type { ToleranceRange } from '../catalogue/organism';
import type { Fact } from '../quantity/fact';
import type { Span } from '../quantity/range';
import { judge } from '../window/judge';
import { yearExtremes } from './year-temperature';

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
