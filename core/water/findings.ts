import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import type { ToleranceRange } from '../catalogue/organism';
import { PARAMETER_META, type Parameter } from '../catalogue/parameter';
import type { Fact } from '../quantity/fact';
import { judge } from '../window/judge';

/** One organism against the planned value of one water parameter; null when there is no planned value to judge. */
export function parameterFinding(
  subject: string,
  parameter: Exclude<Parameter, 'temperatureC'>,
  range: Fact<ToleranceRange> | undefined,
  planned: Computed<number>,
): Finding | null {
  if (planned.value === null) return null;
  const { kind } = PARAMETER_META[parameter];
  const verdict = judge(range?.value, planned.value, planned.interval);
  return {
    key: `water.parameter:${parameter}:${subject}`,
    code: 'water.parameter',
    bench: 'water',
    severity: verdict.severity,
    excess: verdict.excess,
    subjects: [subject],
    parameter,
    values: {
      planned: { quantity: kind, si: planned.value },
      ...(planned.interval
        ? { plannedLow: { quantity: kind, si: planned.interval[0] }, plannedHigh: { quantity: kind, si: planned.interval[1] } }
        : {}),
      ...(verdict.edge === null ? {} : { edge: { quantity: kind, si: verdict.edge } }),
      ...rangeValues(range, kind),
    },
    evidence: [planned],
    basis: range?.basis ?? 'recalled',
    ...(range?.source ? { source: range.source } : {}),
    ...(range?.note ? { note: range.note } : {}),
  };
}

function rangeValues(range: Fact<ToleranceRange> | undefined, kind: Finding['values'][string]['quantity']): Finding['values'] {
  const values: Record<string, { quantity: typeof kind; si: number }> = {};
  const put = (name: string, si: number | null | undefined) => {
    if (si !== null && si !== undefined) values[name] = { quantity: kind, si };
  };
  put('optimumLow', range?.value?.optimum[0]);
  put('optimumHigh', range?.value?.optimum[1]);
  put('toleranceLow', range?.value?.tolerance[0]);
  put('toleranceHigh', range?.value?.tolerance[1]);
  return values;
}

/** Animals of changing salinity: what they arrive in matters as much as where they end. */
export function acclimationFinding(
  subject: string,
  arrival: Fact<number> | undefined,
  dailyStep: Fact<number> | undefined,
  planned: Computed<number>,
): Finding | null {
  if (planned.value === null) return null;
  const step = dailyStep?.value ?? null;
  const from = arrival?.value ?? null;
  const shared = {
    key: `water.salinity-acclimation:${subject}`,
    code: 'water.salinity-acclimation',
    bench: 'water',
    subjects: [subject],
    parameter: 'salinity',
    evidence: [planned],
    basis: dailyStep?.basis ?? 'recalled',
  } as const;
  const target = { quantity: 'salinity', si: planned.value } as const;
  if (step === null || from === null) {
    return {
      ...shared,
      severity: 'unknown',
      excess: null,
      values: { planned: target, ...(step === null ? {} : { step: { quantity: 'salinity', si: step } }) },
    };
  }
  const difference = Math.abs(planned.value - from);
  const days = Math.ceil(difference / step - 1e-9);
  return {
    ...shared,
    severity: difference > step ? 'watch' : 'fits',
    excess: Math.max(0, difference - step),
    values: {
      planned: target,
      arrival: { quantity: 'salinity', si: from },
      step: { quantity: 'salinity', si: step },
      days: { quantity: 'count', si: days },
    },
  };
}

/** Whether a source that is poured in carries chlorine or chloramine. */
export function disinfectantFinding(sourceId: string, disinfectant: Fact<'none' | 'chlorine' | 'chloramine'>): Finding {
  return {
    key: `water.disinfectant:${sourceId}`,
    code: 'water.disinfectant',
    bench: 'water',
    severity: disinfectant.value === null ? 'unknown' : disinfectant.value === 'none' ? 'fits' : 'watch',
    excess: disinfectant.value === null ? null : disinfectant.value === 'none' ? 0 : 1,
    subjects: [sourceId],
    values: {},
    evidence: [],
    basis: disinfectant.basis,
    ...(disinfectant.value ? { note: disinfectant.value } : {}),
  };
}

export function waterNotStated(planned: Computed<unknown>, parameter?: Parameter): Finding {
  return {
    key: `water.not-stated${parameter ? `:${parameter}` : ''}`,
    code: 'water.not-stated',
    bench: 'water',
    severity: 'unknown',
    excess: null,
    subjects: [],
    ...(parameter ? { parameter } : {}),
    values: {},
    evidence: [planned],
    basis: 'practice',
    ...(planned.note ? { note: planned.note } : {}),
  };
}
