import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** What runs into the sump when the pump stops, and the room left for it. Litres. */
export function drainBack(levelL: number, stopL: number, pipesL: number, sumpFreeL: number): { drainsL: number; spareL: number } {
  const drainsL = Math.max(0, levelL - stopL) + pipesL;
  return { drainsL, spareL: sumpFreeL - drainsL };
}

const Litres = z.number().nonnegative();

export const drainBackVolume = calculation({
  id: 'vessel.drain-back',
  title: 'What drains back in a power cut',
  inputs: z.strictObject({ levelL: Litres, stopL: Litres, pipesL: Litres, sumpFreeL: Litres }),
  outputs: z.strictObject({ drainsL: z.number(), spareL: z.number() }),
  source: [{ citation: 'Communicating vessels; exact', basis: 'published' }],
  formula: 'drains = display up to its level − display up to where the flow stops + pipes; spare = free sump − drains',
  validity: 'a siphon break or a return mouth at the stated height, and no valve relied upon',
  uncertainty: 'a blocked siphon break drains far more: test it',
  compute: ({ levelL, stopL, pipesL, sumpFreeL }) => drainBack(levelL, stopL, pipesL, sumpFreeL),
});
