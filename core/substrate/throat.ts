import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Widest body that passes between equal balls: three close together, and four in a square. Exact geometry; millimetres. */
export function throatMm(grainMm: number): { three: number; four: number } {
  return { three: grainMm * (2 / Math.sqrt(3) - 1), four: grainMm * (Math.SQRT2 - 1) };
}

export const throat = calculation({
  id: 'substrate.throat',
  title: 'Widest body that slips into a bed of stones',
  inputs: z.object({ grainMm: z.number().positive().max(500) }),
  outputs: z.object({ three: z.number(), four: z.number() }),
  source: [{ citation: 'Geometry of touching spheres', basis: 'published' }],
  validity: 'Round grains of one size',
  uncertainty: 'Angular or mixed grain has narrower ways',
  formula: 'three balls: (2/√3 − 1) D; four in a square: (√2 − 1) D',
  compute: ({ grainMm }) => throatMm(grainMm),
});
