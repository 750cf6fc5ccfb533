import * as z from 'zod';
import { calculation } from '../calculation/calculation';

const GRAVITY = 9.80665;
/** Of fresh water at 25 °C, kg/L. */
export const WATER_KG_PER_L = 0.99705;

/**
 * What lifts a body under fresh water, and the ballast that holds it exactly, itself under water:
 * F = (ρw − ρ) V g, m = (ρw − ρ) V / (1 − ρw / ρb). Both 0 when it sinks.
 */
export function buoyancy(volumeL: number, densityKgPerL: number, ballastDensityKgPerL: number): { netUpliftN: number; ballastKg: number } {
  const liftKg = Math.max(0, (WATER_KG_PER_L - densityKgPerL) * volumeL);
  return { netUpliftN: liftKg * GRAVITY, ballastKg: liftKg / (1 - WATER_KG_PER_L / ballastDensityKgPerL) };
}

/** What a finding asks for over the exact ballast. Common practice. */
export const BALLAST_MARGIN = 1.3;

export const buoyancyCalculation = calculation({
  id: 'hardscape.buoyancy',
  title: 'Uplift of wood, and ballast that holds it',
  inputs: z.object({
    volumeL: z.number().positive().max(2000),
    densityKgPerL: z.number().positive().max(20),
    ballastDensityKgPerL: z.number().min(1.05, 'ballast is denser than water').max(20),
  }),
  outputs: z.object({ netUpliftN: z.number(), ballastKg: z.number() }),
  source: [{ citation: 'Archimedes', basis: 'published' }],
  validity: 'Fresh water of 25 °C; the ballast lies under water too',
  uncertainty: 'Exact; density of a piece of wood by a tenth, and it changes as it soaks. No margin: put 30 % on it',
  formula: 'uplift = (ρw − ρ) V g; ballast = (ρw − ρ) V / (1 − ρw/ρb); 0 when it sinks',
  compute: ({ volumeL, densityKgPerL, ballastDensityKgPerL }) => buoyancy(volumeL, densityKgPerL, ballastDensityKgPerL),
});
