import * as z from 'zod';
import type { QuantityKind } from '../quantity/unit';

export const Parameter = z.enum(['temperatureC', 'ph', 'ghDh', 'khDh', 'ec25UsPerCm', 'salinity']);
export type Parameter = z.infer<typeof Parameter>;
export const PARAMETERS = Parameter.options;

export const Phase = z.enum(['keep', 'condition', 'spawn', 'larvae']);
export type Phase = z.infer<typeof Phase>;

/** What kind of quantity each parameter is, and the physical limits that bound any range of it. */
export const PARAMETER_META: Readonly<
  Record<Parameter, { name: string; kind: QuantityKind; limits: readonly [number, number]; axis: readonly [number, number] }>
> = {
  temperatureC: { name: 'Temperature', kind: 'temperature', limits: [-2, 45], axis: [10, 34] },
  ph: { name: 'pH', kind: 'ph', limits: [2.5, 11], axis: [4, 9] },
  ghDh: { name: 'GH', kind: 'hardness', limits: [0, 500], axis: [0, 25] },
  khDh: { name: 'KH', kind: 'alkalinity', limits: [0, 60], axis: [0, 20] },
  ec25UsPerCm: { name: 'Conductivity', kind: 'conductivity', limits: [0, 80000], axis: [0, 1000] },
  salinity: { name: 'Salinity', kind: 'salinity', limits: [0, 60], axis: [0, 2] },
};
