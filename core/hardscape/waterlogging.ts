import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { WATER_KG_PER_L } from './buoyancy';

/** Of the wall of a wood cell, kg/L. */
const CELL_WALL = 1.5;

/** Density of wood with every pore full of water, from its dry density: ρ + (1 − ρ/1.5). kg/L. */
export const fullOfWater = (dryKgPerL: number): number => (dryKgPerL >= CELL_WALL ? dryKgPerL : dryKgPerL + (1 - dryKgPerL / CELL_WALL));

/** Weeks in which half of the pores of a piece as thick as a wrist fill. Common practice: days to weeks until it sinks; boiling shortens it. */
export const HALF_SOAKED_WEEKS = 3;

/** Density after so many weeks under water. kg/L. */
export function soakedKgPerL(dryKgPerL: number, weeks: number, halfWeeks: number = HALF_SOAKED_WEEKS): number {
  return dryKgPerL + (fullOfWater(dryKgPerL) - dryKgPerL) * (1 - 2 ** (-weeks / halfWeeks));
}

/** Weeks until it sinks in fresh water; 0 when it sinks at once, null when it never does. */
export function sinksAfterWeeks(dryKgPerL: number, halfWeeks: number = HALF_SOAKED_WEEKS): number | null {
  if (dryKgPerL >= WATER_KG_PER_L) return 0;
  const share = (WATER_KG_PER_L - dryKgPerL) / (fullOfWater(dryKgPerL) - dryKgPerL);
  return share >= 1 ? null : -halfWeeks * Math.log2(1 - share);
}

export const waterlogging = calculation({
  id: 'hardscape.waterlogging',
  title: 'Wood that takes up water',
  inputs: z.object({
    dryKgPerL: z.number().min(0.05).max(1.5),
    weeks: z.number().min(0).max(520),
    halfWeeks: z.number().positive().max(100),
  }),
  outputs: z.object({ densityKgPerL: z.number(), sinksAfterWeeks: z.number().nullable() }),
  source: [
    { citation: 'Cell wall of wood 1.5 kg/L, pores full of water', basis: 'recalled' },
    { citation: 'Wood floats for days to weeks', basis: 'practice' },
  ],
  validity: 'Wood; cork keeps its air far longer than any figure here',
  uncertainty: 'The half time by a factor of three with thickness and kind; weigh it instead',
  formula: 'ρ(t) = ρ + (1 − ρ/1.5)(1 − 2^(−t/half)); sinks when ρ(t) ≥ 1',
  compute: ({ dryKgPerL, weeks, halfWeeks }) => ({
    densityKgPerL: soakedKgPerL(dryKgPerL, weeks, halfWeeks),
    sinksAfterWeeks: sinksAfterWeeks(dryKgPerL, halfWeeks),
  }),
});
