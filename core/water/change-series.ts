import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** A dissolved quantity after one change: what stays and what is poured. */
export function afterChange(value: number, replacement: number, fraction: number): number {
  return value + fraction * (replacement - value);
}

/** After each of a number of equal changes; the start itself is not among them. C_n = S + (C_0 − S)(1 − f)^n. */
export function changeSeriesOf(start: number, replacement: number, fraction: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => replacement + (start - replacement) * (1 - fraction) ** (i + 1));
}

/**
 * How many equal changes bring a quantity to a value, not rounded: n = ln((C_t − S)/(C_0 − S)) / ln(1 − f).
 * @returns null when that water never gets there
 */
export function changesNeeded(start: number, replacement: number, fraction: number, target: number): number | null {
  if (start === target) return 0;
  const share = (target - replacement) / (start - replacement);
  if (!(share > 0 && share < 1)) return share === 0 && fraction === 1 ? 1 : null;
  return fraction >= 1 ? 1 : Math.log(share) / Math.log(1 - fraction);
}

const Value = z.number().min(-1e6).max(1e6);
const Fraction = z.number().min(0, 'less than nothing cannot be changed').max(1, 'no more than the whole tank can be changed');

const CONSERVED = [{ citation: 'Conservation of mass', basis: 'published' }] as const;

export const changeSeries = calculation({
  id: 'water.change-series',
  title: 'Equal water changes, one after the other',
  inputs: z.strictObject({ start: Value, replacement: Value, fraction: Fraction, count: z.number().int().min(0).max(1000) }),
  outputs: z.strictObject({ values: z.array(z.number()) }),
  source: CONSERVED,
  formula: 'Cₙ = S + (C₀ − S)(1 − f)ⁿ',
  validity: 'GH, KH, salinity, nitrate, conductivity to a few per cent. Never pH. Nothing made or used in between',
  uncertainty: 'that of the litres measured out',
  compute: ({ start, replacement, fraction, count }) => ({ values: changeSeriesOf(start, replacement, fraction, count) }),
});

export const changesToReach = calculation({
  id: 'water.changes-to-reach',
  title: 'Water changes to reach a value',
  inputs: z.strictObject({
    start: Value,
    replacement: Value,
    fraction: Fraction.refine((f) => f >= 0.001, { message: 'nothing is changed' }),
    target: Value,
  }),
  outputs: z.strictObject({ exact: z.number(), count: z.number().int() }),
  source: CONSERVED,
  formula: 'n = ln((C_t − S)/(C₀ − S)) / ln(1 − f)',
  validity: 'as water.change-series; the value lies between the start and the water that is poured',
  uncertainty: 'that of the litres measured out',
  outside: ({ start, replacement, fraction, target }) =>
    changesNeeded(start, replacement, fraction, target) === null ? 'this water never brings the tank there' : null,
  compute: ({ start, replacement, fraction, target }) => {
    const exact = changesNeeded(start, replacement, fraction, target) ?? NaN;
    return { exact, count: Math.ceil(exact - 1e-9) };
  },
});

/**
 * Where a quantity comes to rest when a share of the water evaporates in every interval, is topped up, and then a share is changed.
 * Just after a change S + e·c(1 − f)/f, just before it S + e·c/f, with c in the top-up water.
 */
export function evaporationRest(replacement: number, topUp: number, evaporated: number, fraction: number): { after: number; peak: number } {
  const gained = evaporated * topUp;
  return { after: replacement + (gained * (1 - fraction)) / fraction, peak: replacement + gained / fraction };
}

export const evaporationTrap = calculation({
  id: 'water.evaporation-trap',
  title: 'Where topping up with tap water ends',
  inputs: z.strictObject({
    replacement: Value.min(0),
    topUp: Value.min(0),
    evaporatedFraction: z.number().min(0).max(1),
    changeFraction: Fraction.refine((f) => f >= 0.001, { message: 'without changes it climbs for ever' }),
  }),
  outputs: z.strictObject({ afterChange: z.number(), beforeChange: z.number() }),
  source: [{ citation: 'Conservation of mass: vapour takes no salt along', basis: 'published' }],
  formula: 'after = S + e c (1 − f)/f; before = S + e c/f',
  validity: 'equal intervals, topped up to the mark each time; GH, KH, salinity, conductivity. Never pH',
  uncertainty: 'that of the litres that evaporate, ±40 % when they are not measured',
  compute: ({ replacement, topUp, evaporatedFraction, changeFraction }) => {
    const { after, peak } = evaporationRest(replacement, topUp, evaporatedFraction, changeFraction);
    return { afterChange: after, beforeChange: peak };
  },
});

/** Nitrate just after and just before a change once it has come to rest: c + P(1 − f)/f and c + P/f. */
export function steadyRise(replacement: number, madePerInterval: number, fraction: number): { after: number; peak: number } {
  return { after: replacement + (madePerInterval * (1 - fraction)) / fraction, peak: replacement + madePerInterval / fraction };
}

export const steadyNitrate = calculation({
  id: 'water.steady-nitrate',
  title: 'Nitrate that a routine of changes holds',
  inputs: z.strictObject({
    replacement: Value.min(0),
    madePerInterval: Value.min(0),
    changeFraction: Fraction.refine((f) => f >= 0.001, { message: 'without changes it climbs for ever' }),
  }),
  outputs: z.strictObject({ afterChange: z.number(), beforeChange: z.number() }),
  source: CONSERVED,
  formula: 'after = c + P(1 − f)/f; before = c + P/f',
  validity: 'the same made in every interval, and nothing taken up by plants',
  uncertainty: 'that of the feed, about a quarter',
  compute: ({ replacement, madePerInterval, changeFraction }) => {
    const { after, peak } = steadyRise(replacement, madePerInterval, changeFraction);
    return { afterChange: after, beforeChange: peak };
  },
});
