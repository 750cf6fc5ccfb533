import * as z from 'zod';
import { Phase } from '../catalogue/parameter';
import { factOf } from '../quantity/fact';

/** One kind of animal in the tank. */
export const StockEntry = z
  .strictObject({
    order: z.number().finite(),
    organismId: z.string().min(1).max(80),
    count: z.number().int().min(1).max(100000),
    female: z.number().int().min(0).optional(),
    phase: Phase,
    /** Length today, or as they are bought; left out for grown ones. Judged grown as well: they will be. */
    todayMm: z.number().positive('a length is more than nothing').max(3000, 'longer than any animal that is kept here').optional(),
    /** A long-finned form of a kind whose fins are short; left out for the usual one. */
    longFins: z.literal(true).optional(),
    /** Not identified: every kind it may be, organismId among them. */
    candidateIds: z.array(z.string().min(1).max(80)).min(2).max(8).optional(),
    /** Salinity of the water they arrive in. */
    arrivalSalinity: factOf(z.number().min(0).max(60)).optional(),
  })
  .refine((entry) => entry.female === undefined || entry.female <= entry.count, {
    message: 'more females than animals',
    path: ['female'],
  })
  .refine(({ organismId, candidateIds }) => candidateIds === undefined || candidateIds.includes(organismId), {
    message: 'is not among the kinds it may be',
    path: ['organismId'],
  });
export type StockEntry = z.infer<typeof StockEntry>;
