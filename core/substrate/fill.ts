import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/**
 * Litres and kilograms of a layer that rises evenly from front to back: V = L W (front + back) / 2.
 *
 * @param bulkDensityKgPerL dry, as it is poured
 */
export function fill(
  lengthMm: number,
  widthMm: number,
  frontDepthMm: number,
  backDepthMm: number,
  bulkDensityKgPerL: number,
): { litres: number; kg: number } {
  const litres = (lengthMm * widthMm * (frontDepthMm + backDepthMm)) / 2 / 1e6;
  return { litres, kg: litres * bulkDensityKgPerL };
}

const Size = z.number().positive().max(10_000);
const Depth = z.number().min(0).max(2000);

export const fillCalculation = calculation({
  id: 'substrate.fill',
  title: 'Amount of a layer',
  inputs: z.object({
    lengthMm: Size,
    widthMm: Size,
    frontDepthMm: Depth,
    backDepthMm: Depth,
    bulkDensityKgPerL: z.number().positive().max(6),
  }),
  outputs: z.object({ litres: z.number(), kg: z.number() }),
  source: [
    { citation: 'Solid geometry: a prism on a trapezium', basis: 'published' },
    { citation: 'Bulk densities of beds', basis: 'practice' },
  ],
  validity: 'A rectangular floor, straight from front to back',
  uncertainty: 'Exact for the form; bulk density of a lot by a tenth',
  formula: 'litres = length × width × (front + back) / 2; kg = litres × bulk density',
  compute: ({ lengthMm, widthMm, frontDepthMm, backDepthMm, bulkDensityKgPerL }) =>
    fill(lengthMm, widthMm, frontDepthMm, backDepthMm, bulkDensityKgPerL),
});
