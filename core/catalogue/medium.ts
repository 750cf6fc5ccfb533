import * as z from 'zod';
import { factOf } from '../quantity/fact';
import { Id } from './organism';

/** A class of filter medium that takes something out of the water. */
export const Medium = z.strictObject({
  id: Id,
  name: z.string().min(1),
  takesOut: z.array(z.string().min(1)).min(1),
  /** What it does that was not wanted. */
  harms: factOf(z.string().min(1)),
  lastsDays: factOf(z.tuple([z.number().nonnegative(), z.number().positive()]).refine(([a, b]) => a <= b, { message: 'out of order' })),
  amount: factOf(z.string().min(1)),
  note: z.string().min(1),
});
export type Medium = z.infer<typeof Medium>;
