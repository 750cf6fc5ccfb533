import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import type { Vessel } from './model';
import { surfacesOf } from './shape';

/** Float glass, kg/m³ (EN 572-1). */
export const GLASS_KG_PER_M3 = 2500;
const G = 9.81;

/** Mass of the panes: walls to the rim and a bottom. Kilograms. */
export function glassKg(vessel: Vessel, glassMm: number): number {
  const { wallM2, baseM2 } = surfacesOf(vessel, vessel.heightMm);
  return (wallM2 + baseM2) * (glassMm / 1000) * GLASS_KG_PER_M3;
}

/** Mass of the filled vessel and its load on the ground under it. Litres, kilograms, square metres -> kg, kPa. */
export function filledMass(waterL: number, waterKgPerL: number, glass: number, stoneKg: number, footprintM2: number) {
  const kg = waterL * waterKgPerL + glass + stoneKg;
  return { kg, kPa: (kg * G) / footprintM2 / 1000 };
}

const Amount = z.number().nonnegative();

export const filledMassCalculation = calculation({
  id: 'vessel.filled-mass',
  title: 'Weight of the filled vessel',
  inputs: z.strictObject({
    waterL: Amount,
    waterKgPerL: z.number().positive(),
    glassKg: Amount,
    stoneKg: Amount,
    footprintM2: z.number().positive(),
  }),
  outputs: z.strictObject({ kg: z.number(), kPa: z.number() }),
  source: [
    { citation: 'A sum; glass 2500 kg/m³ by EN 572-1', basis: 'published' },
    { citation: 'Homes are designed for 1.5–2.0 kPa over a room (EN 1991-1-1, category A; ASCE 7: 40 psf)', basis: 'published' },
  ],
  formula: 'kg = water · density + glass + bed and stone; kPa = kg · 9.81 / footprint / 1000',
  validity: 'stand and lid not counted',
  uncertainty: 'bed and stone as far as they are in the plan; caution only, never a certificate',
  compute: ({ waterL, waterKgPerL, glassKg: glass, stoneKg, footprintM2 }) => filledMass(waterL, waterKgPerL, glass, stoneKg, footprintM2),
});
