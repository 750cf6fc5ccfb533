import * as z from 'zod';
import { calculation } from '../calculation/calculation';

export interface SalinityStep {
  salinity: number;
  /** How much of the tank is replaced on that day. */
  litres: number;
}

/**
 * Daily changes from one salinity to another, none of them larger than a step, with water of one salinity poured in.
 * @returns null when that water cannot bring the tank there
 */
export function brackishSteps(litres: number, from: number, to: number, maxStep: number, replacement: number): SalinityStep[] | null {
  if (Math.abs(to - from) < 1e-9) return [];
  const up = to > from;
  if (up ? replacement <= to : replacement >= to) return null;
  const days = Math.ceil(Math.abs(to - from) / maxStep - 1e-9);
  const step = (to - from) / days;
  return Array.from({ length: days }, (_, i) => {
    const before = from + i * step;
    return { salinity: before + step, litres: (litres * step) / (replacement - before) };
  });
}

export const brackishStepsCalculation = calculation({
  id: 'water.brackish-steps',
  title: 'Daily steps from one salinity to another',
  inputs: z
    .strictObject({
      litres: z.number().positive().max(1e5),
      fromSalinity: z.number().min(0).max(42),
      toSalinity: z.number().min(0).max(42),
      maxStep: z.number().min(0.1).max(42),
      replacementSalinity: z.number().min(0).max(45),
    })
    .refine(
      ({ fromSalinity, toSalinity, replacementSalinity }) =>
        toSalinity === fromSalinity || (toSalinity > fromSalinity ? replacementSalinity > toSalinity : replacementSalinity < toSalinity),
      { message: 'water of this salinity does not bring the tank there', path: ['replacementSalinity'] },
    ),
  outputs: z.strictObject({ steps: z.array(z.strictObject({ salinity: z.number(), litres: z.number() })) }),
  source: [{ citation: 'Conservation of salt', basis: 'published' }],
  formula: 'litres of day i = L · step / (replacement − salinity before)',
  validity: 'whole tank mixed between the days; equal steps, none above the animal’s daily one',
  uncertainty: '1 %: litres are taken as equal masses. Measure every day',
  compute: ({ litres, fromSalinity, toSalinity, maxStep, replacementSalinity }) => ({
    steps: brackishSteps(litres, fromSalinity, toSalinity, maxStep, replacementSalinity) ?? [],
  }),
});
