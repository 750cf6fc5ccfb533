import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import type { AnimalGroup, ToleranceRange } from '../catalogue/organism';
import { PARAMETER_META, type Parameter } from '../catalogue/parameter';
import { weakestBasis, type Fact } from '../quantity/fact';
import { judgeFor, type About } from '../window/judge';
import { afterConditioner, type Conditioner } from './conditioners';
import { leastConductivityOf } from './least-conductivity';
import type { SoilEffect } from './materials';

/** One organism against the planned value of one water parameter; null when there is no planned value to judge. */
export function parameterFinding(
  subject: string,
  { parameter, kind: of, phase }: About & { parameter: Exclude<Parameter, 'temperatureC'> },
  range: Fact<ToleranceRange> | undefined,
  planned: Computed<number>,
): Finding | null {
  if (planned.value === null) return null;
  const { kind } = PARAMETER_META[parameter];
  const verdict = judgeFor(
    { parameter, kind: of, phase },
    range?.value,
    planned.value,
    planned.interval ? { interval: planned.interval } : {},
  );
  return {
    key: `water.parameter:${parameter}:${subject}`,
    code: 'water.parameter',
    bench: 'water',
    severity: verdict.severity,
    excess: verdict.excess,
    subjects: [subject],
    parameter,
    values: {
      planned: { quantity: kind, value: planned.value },
      ...(planned.interval
        ? { plannedLow: { quantity: kind, value: planned.interval[0] }, plannedHigh: { quantity: kind, value: planned.interval[1] } }
        : {}),
      ...(verdict.edge === null ? {} : { edge: { quantity: kind, value: verdict.edge } }),
      ...rangeValues(range, kind),
    },
    evidence: [planned],
    basis: range?.basis ?? 'recalled',
    ...(range?.source ? { source: range.source } : {}),
    ...(range?.note ? { note: range.note } : {}),
    ...(verdict.side ? { kind: `${of}:${verdict.side}` } : {}),
  };
}

function rangeValues(range: Fact<ToleranceRange> | undefined, kind: Finding['values'][string]['quantity']): Finding['values'] {
  const values: Record<string, { quantity: typeof kind; value: number }> = {};
  const put = (name: string, value: number | null | undefined) => {
    if (value !== null && value !== undefined) values[name] = { quantity: kind, value };
  };
  put('optimumLow', range?.value?.optimum[0]);
  put('optimumHigh', range?.value?.optimum[1]);
  put('toleranceLow', range?.value?.tolerance[0]);
  put('toleranceHigh', range?.value?.tolerance[1]);
  return values;
}

/** What most animals of changing salinity bear in a day, where nothing is recorded of them, ppt. Common practice. */
const USUAL_STEP_PPT = 3;

/** Animals of changing salinity: what they arrive in matters as much as where they end. */
export function acclimationFinding(
  subject: string,
  arrival: Fact<number> | undefined,
  dailyStep: Fact<number> | undefined,
  planned: Computed<number>,
): Finding | null {
  if (planned.value === null) return null;
  const step = dailyStep?.value ?? USUAL_STEP_PPT;
  const from = arrival?.value ?? null;
  const shared = {
    key: `water.salinity-acclimation:${subject}`,
    code: 'water.salinity-acclimation',
    bench: 'water',
    subjects: [subject],
    parameter: 'salinity',
    evidence: [planned],
    basis: (dailyStep?.value ?? null) === null ? 'practice' : dailyStep!.basis,
  } as const;
  const target = { quantity: 'salinity', value: planned.value } as const;
  if (from === null) {
    return { ...shared, severity: 'unknown', excess: null, values: { planned: target, step: { quantity: 'salinity', value: step } } };
  }
  const difference = Math.abs(planned.value - from);
  const days = Math.ceil(difference / step - 1e-9);
  return {
    ...shared,
    severity: difference > step ? 'watch' : 'fits',
    excess: Math.max(0, difference - step),
    values: {
      planned: target,
      arrival: { quantity: 'salinity', value: from },
      step: { quantity: 'salinity', value: step },
      days: { quantity: 'count', value: days },
    },
  };
}

/** Whether a source that is poured in carries chlorine or chloramine, and whether it is treated for it: untreated it burns gills and kills shrimp. */
export function disinfectantFinding(
  sourceId: string,
  disinfectant: Fact<'none' | 'chlorine' | 'chloramine'>,
  conditioner: Conditioner | undefined,
): Finding {
  const { value } = disinfectant;
  // not stated is treated as the harder of the two, and stays unknown until a conditioner does for both
  const left = value === 'none' ? null : afterConditioner(value ?? 'chloramine', conditioner);
  const severity =
    value === null ? (left === null ? 'fits' : 'unknown') : left === null ? 'fits' : left === 'ammonia' ? 'watch' : 'conflict';
  return {
    key: `water.disinfectant:${sourceId}`,
    code: 'water.disinfectant',
    bench: 'water',
    severity,
    excess: severity === 'unknown' ? null : left === null ? 0 : left === 'ammonia' ? 0.5 : 1,
    subjects: [sourceId],
    values: {},
    evidence: [],
    basis: disinfectant.basis,
    ...(value ? { note: value } : {}),
    kind: value === 'none' ? 'none' : (left ?? 'treated'),
  };
}

/** A conditioner that harms one of those who live here; null when it does not. */
export function conditionerHarmFinding(subject: string, group: AnimalGroup, conditioner: Conditioner): Finding | null {
  const harm = conditioner.harms.find(({ groups }) => groups.includes(group));
  if (!harm) return null;
  return {
    key: `water.conditioner-harm:${subject}`,
    code: 'water.conditioner-harm',
    bench: 'water',
    severity: 'conflict',
    excess: 1,
    subjects: [subject],
    values: {},
    evidence: [],
    basis: 'practice',
    note: harm.why,
  };
}

/** A source whose readings cannot all be true; null when they agree. */
export function sourceQuestionedFinding(sourceId: string, contradictions: readonly string[], sources: Computed<unknown>): Finding | null {
  if (contradictions.length === 0) return null;
  return {
    key: `water.source-questioned:${sourceId}`,
    code: 'water.source-questioned',
    bench: 'water',
    severity: 'watch',
    excess: contradictions.length,
    subjects: [sourceId],
    values: {},
    evidence: [sources],
    basis: 'measured',
    note: contradictions.join('; '),
  };
}

/** Hardness quoted for animals comes in few values, and every judgement asks again. */
const leastKept = new Map<string, number>();
function leastOf(ghDh: number, khDh: number): number {
  const key = `${ghDh} ${khDh}`;
  let least = leastKept.get(key);
  if (least === undefined) leastKept.set(key, (least = leastConductivityOf(ghDh, khDh)));
  return least;
}

/**
 * A conductivity (or TDS) quoted for an animal that no water of the hardness quoted for it can have: then conductivity is what the recipe
 * gives, and no second target. Null when the two agree.
 */
export function conductivityContradiction(
  subject: string,
  gh: Fact<ToleranceRange> | undefined,
  kh: Fact<ToleranceRange> | undefined,
  ec: Fact<ToleranceRange> | undefined,
): Finding | null {
  const lowGh = gh?.value?.optimum[0] ?? null;
  const highEc = ec?.value?.optimum[1] ?? null;
  if (lowGh === null || highEc === null || lowGh > 100 || highEc > 5000) return null;
  const least = leastOf(lowGh, kh?.value?.optimum[0] ?? 0);
  if (least <= highEc) return null;
  return {
    key: `water.conductivity-contradiction:${subject}`,
    code: 'water.conductivity-contradiction',
    bench: 'water',
    severity: 'watch',
    excess: least - highEc,
    subjects: [subject],
    parameter: 'ec25UsPerCm',
    values: {
      gh: { quantity: 'hardness', value: lowGh },
      least: { quantity: 'conductivity', value: least },
      quoted: { quantity: 'conductivity', value: highEc },
    },
    evidence: [],
    basis: weakestBasis([gh?.basis ?? 'recalled', ec?.basis ?? 'recalled']),
  };
}

/** Copper in mg/L that shrimp and snails are said to feel, and that kills them. Common practice. */
const COPPER_MG_PER_L = { watch: 0.03, conflict: 0.1 };

/** Copper of the mixed water against an invertebrate; null where it is not known, or little. */
export function copperFinding(
  subject: string,
  copperMgPerL: number | null,
  conditioner: Conditioner | undefined,
  mixed: Computed<unknown>,
): Finding | null {
  if (copperMgPerL === null || copperMgPerL < COPPER_MG_PER_L.watch) return null;
  const bound = (conditioner?.metalsHours ?? 0) > 0;
  return {
    key: `water.copper:${subject}`,
    code: 'water.copper',
    bench: 'water',
    severity: copperMgPerL >= COPPER_MG_PER_L.conflict && !bound ? 'conflict' : 'watch',
    excess: copperMgPerL - COPPER_MG_PER_L.watch - (bound ? COPPER_MG_PER_L.watch / 2 : 0),
    subjects: [subject],
    values: {
      copper: { quantity: 'concentration', value: copperMgPerL },
      edge: { quantity: 'concentration', value: COPPER_MG_PER_L.watch },
    },
    evidence: [mixed],
    basis: 'practice',
    kind: bound ? 'bound' : 'free',
  };
}

/** CO2 that is fed, mg/L: where animals begin to gasp, and where they die. Common practice. */
const CO2_MG_PER_L = { watch: 25, conflict: 40 };

export function co2Finding(co2MgPerL: number, gas: Computed<number>): Finding {
  const severity = co2MgPerL > CO2_MG_PER_L.conflict ? 'conflict' : co2MgPerL > CO2_MG_PER_L.watch ? 'watch' : 'fits';
  return {
    key: 'water.co2',
    code: 'water.co2',
    bench: 'water',
    severity,
    excess: Math.max(0, co2MgPerL - CO2_MG_PER_L.watch),
    subjects: [],
    values: { co2: { quantity: 'concentration', value: co2MgPerL }, edge: { quantity: 'concentration', value: CO2_MG_PER_L.watch } },
    evidence: [gas],
    basis: 'practice',
  };
}

/** Saturation index of calcite above which lime is seen to settle on heaters and leaves; below it crystals hardly start. Recalled. */
const SETTLES_ABOVE = 1.6;

export function limeSettlesFinding(saturation: Computed<number>): Finding | null {
  if (saturation.value === null || saturation.value < SETTLES_ABOVE) return null;
  return {
    key: 'water.lime-settles',
    code: 'water.lime-settles',
    bench: 'water',
    severity: 'watch',
    excess: saturation.value - SETTLES_ABOVE,
    subjects: [],
    values: { index: { quantity: 'number', value: saturation.value } },
    evidence: [saturation],
    basis: 'recalled',
  };
}

/** Weeks of strength below which active soil is soon to be renewed. Common practice. */
const SOIL_SOON_WEEKS = 16;

/** How long active soil lasts in this water. */
export function soilFindings(soil: Computed<SoilEffect>, lime: Computed<unknown>): Finding[] {
  if (!soil.value) return [];
  const { weeksLeft, weeksBand, setPh } = soil.value;
  const shared = { bench: 'water', subjects: [], basis: 'practice' } as const;
  const findings: Finding[] = [
    {
      ...shared,
      key: 'water.soil-life',
      code: 'water.soil-life',
      severity: weeksLeft !== null && weeksLeft < SOIL_SOON_WEEKS ? 'watch' : 'fits',
      excess: weeksLeft === null ? 0 : Math.max(0, SOIL_SOON_WEEKS - weeksLeft),
      values: {
        setPh: { quantity: 'ph', value: setPh },
        ...(weeksLeft !== null && weeksBand
          ? {
              weeks: { quantity: 'count', value: Math.round(weeksLeft) },
              fewest: { quantity: 'count', value: Math.round(weeksBand[0]) },
              most: { quantity: 'count', value: Math.round(weeksBand[1]) },
            }
          : {}),
      },
      evidence: [soil],
    },
  ];
  if (lime.value !== null)
    findings.push({
      ...shared,
      key: 'water.soil-against-lime',
      code: 'water.soil-against-lime',
      severity: 'watch',
      excess: 1,
      values: {},
      evidence: [soil, lime],
    });
  return findings;
}

/** A material in the water that the catalogue does not know. */
export function materialNotKnown(additionId: string, materialId: string): Finding {
  return {
    key: `water.material-not-known:${additionId}`,
    code: 'water.material-not-known',
    bench: 'water',
    severity: 'unknown',
    excess: null,
    subjects: [],
    values: {},
    evidence: [],
    basis: 'recalled',
    note: materialId,
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

/** The balance comes to what no water can be: what was stated or taken is out of proportion, and no number of it is shown. */
export function outOfProportion(settled: Computed<unknown>): Finding {
  return {
    key: 'water.not-stated:balance',
    code: 'water.not-stated',
    bench: 'water',
    severity: 'unknown',
    excess: null,
    subjects: [],
    values: {},
    evidence: [settled],
    basis: 'practice',
    kind: 'balance',
    ...(settled.note ? { note: settled.note } : {}),
  };
}
