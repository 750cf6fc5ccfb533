import * as z from 'zod';
import { Day } from '../schedule/day';
import { ConditionId } from './conditions';
import { TreatmentId } from './treatments';

/** What labels measure in. */
export const LABEL_UNITS = ['mL', 'g', 'drops', 'tablets'] as const;

const Key = z.string().min(1).max(80);

/** What was seen of a lot or in a place, or that it is over there. */
export const Mark = z
  .strictObject({
    order: z.number().finite(),
    day: Day,
    condition: ConditionId,
    /** Seen, or declared over. */
    state: z.enum(['seen', 'over']),
    /** The lot that it is about; null where it is about a place and all in it. */
    lotId: Key.nullable(),
    place: Key.nullable(),
    note: z.string().max(200),
  })
  .refine(({ lotId, place }) => (lotId === null) !== (place === null), { message: 'is about a lot or about a place', path: ['lotId'] });
export type Mark = z.infer<typeof Mark>;

/** A treatment as it is planned. Its dose is the label's, never Terroir's. */
export const Treatment = z.strictObject({
  order: z.number().finite(),
  treatmentId: TreatmentId,
  day: Day,
  /** Days on which it is given, and the days between. */
  times: z.number().int().min(1).max(30),
  everyDays: z.number().int().min(1).max(60),
  /** What the label says is given to so many litres; null while it is not typed in. */
  label: z
    .strictObject({
      amount: z.number().positive('a dose is more than nothing').max(10000),
      unit: z.enum(LABEL_UNITS),
      perL: z.number().positive('litres are more than nothing').max(10000),
    })
    .nullable(),
});
export type Treatment = z.infer<typeof Treatment>;
