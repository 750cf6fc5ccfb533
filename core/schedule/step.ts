import * as z from 'zod';
import { Day } from './day';

const Key = z.string().min(1).max(80);

/** What there is to do. The wording is put on it in one place. */
export const StepCode = z.enum([
  'change',
  'dose',
  'test',
  'challenge',
  'ready',
  'stock',
  'rehome',
  'kept-water',
  'move-plants',
  'lower-water',
  'catch',
  'save-media',
  'rebuild',
  'refill',
  'release',
  'watch',
  'service',
  'inspect',
  'treat',
  'culture',
  'warm',
  'media',
  'plant',
  'light',
  'feed',
]);
export type StepCode = z.infer<typeof StepCode>;

/** One thing to do on one day. Intention only: whether it was done is the log's. */
export const DatedStep = z.strictObject({
  order: z.number().finite(),
  day: Day,
  /** Steps of one plan go together, and are put off or dropped together. */
  planId: Key,
  plan: z.string().min(1).max(120),
  code: StepCode,
  /** What is poured, litres by source of the room. */
  pourL: z.record(Key, z.number().min(0).max(1e5)),
  /** What is weighed in, grams by salt. */
  saltsG: z.record(Key, z.number().min(0).max(1e6)),
  /** What a test should read afterwards, by parameter or analyte. */
  expects: z.record(Key, z.number().finite()),
  /** Amounts that the wording names. */
  values: z.record(Key, z.number().finite()),
  /** Stock, source or material ids that it is about. */
  subjects: z.array(Key).max(50),
});
export type DatedStep = z.infer<typeof DatedStep>;

/** A step before it has a place in a design: so many days after the plan begins. */
export interface PlannedStep extends Omit<DatedStep, 'order' | 'day' | 'planId' | 'plan'> {
  after: number;
}

export const NO_STEP: Omit<PlannedStep, 'after' | 'code'> = { pourL: {}, saltsG: {}, expects: {}, values: {}, subjects: [] };
