import * as z from 'zod';
import type { QuantityKind } from '../quantity/unit';

export const Parameter = z.enum(['temperatureC', 'ph', 'ghDh', 'khDh', 'ec25UsPerCm', 'salinity']);
export type Parameter = z.infer<typeof Parameter>;
export const PARAMETERS = Parameter.options;

export const Phase = z.enum(['keep', 'condition', 'spawn', 'larvae']);
export type Phase = z.infer<typeof Phase>;

/**
 * What kind of quantity each parameter is, the physical limits that bound any range of it, and how blurred the edge of such a range is: within
 * so much of an edge a value counts as inside, since no range is known better and no kit reads closer. Shares are of the edge. Common practice.
 */
export const PARAMETER_META: Readonly<
  Record<
    Parameter,
    {
      name: string;
      kind: QuantityKind;
      limits: readonly [number, number];
      axis: readonly [number, number];
      blur: { by: number; share: number; plants: number };
      /** Comfort of two animals this far apart is of different worlds. Common practice. */
      worlds: number;
    }
  >
> = {
  temperatureC: {
    name: 'Temperature',
    kind: 'temperature',
    limits: [-2, 45],
    axis: [10, 34],
    blur: { by: 0.5, share: 0, plants: 1.5 },
    worlds: 4,
  },
  ph: { name: 'pH', kind: 'ph', limits: [2.5, 11], axis: [4, 9], blur: { by: 0.3, share: 0, plants: 0.6 }, worlds: 1.1 },
  ghDh: { name: 'GH', kind: 'hardness', limits: [0, 500], axis: [0, 25], blur: { by: 0.5, share: 0.1, plants: 3 }, worlds: 8 },
  khDh: { name: 'KH', kind: 'alkalinity', limits: [0, 60], axis: [0, 20], blur: { by: 0.5, share: 0.1, plants: 3 }, worlds: 6 },
  ec25UsPerCm: {
    name: 'Conductivity',
    kind: 'conductivity',
    limits: [0, 80000],
    axis: [0, 1000],
    blur: { by: 30, share: 0.25, plants: 100 },
    worlds: 100000,
  },
  salinity: { name: 'Salinity', kind: 'salinity', limits: [0, 60], axis: [0, 2], blur: { by: 0.3, share: 0.05, plants: 0.5 }, worlds: 4 },
};

/** How blurred the edge of a range is, in the unit of the parameter. */
export function blurOf(parameter: Parameter, edge: number | null, kind: 'animal' | 'plant'): number {
  const { by, share, plants } = PARAMETER_META[parameter].blur;
  return Math.max(kind === 'plant' ? plants : by, share * Math.abs(edge ?? 0));
}
