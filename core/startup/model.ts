import * as z from 'zod';
import { Day } from '../schedule/day';

/** Schools of starting a tank. */
export const StartMethod = z.enum(['dosed', 'food', 'soil', 'planted', 'media']);
export type StartMethod = z.infer<typeof StartMethod>;

export const Inoculum = z.enum(['none', 'bottled', 'old-soil', 'media', 'whole-move']);
export type Inoculum = z.infer<typeof Inoculum>;

/** What kits a start is tested with. */
export const StartKit = z.enum(['drops', 'strip', 'laboratory']);
export type StartKit = z.infer<typeof StartKit>;

/** One test while the filter grows in, all as nitrogen; null for what was not tested. */
export const StartTest = z
  .strictObject({
    order: z.number().finite(),
    day: Day,
    kit: StartKit,
    ammoniaMgN: z.number().min(0, 'less than nothing').max(50, 'more than any kit reads').nullable(),
    nitriteMgN: z.number().min(0, 'less than nothing').max(50, 'more than any kit reads').nullable(),
    nitrateMgN: z.number().min(0, 'less than nothing').max(200, 'more than any kit reads').nullable(),
  })
  .refine(({ ammoniaMgN, nitriteMgN, nitrateMgN }) => [ammoniaMgN, nitriteMgN, nitrateMgN].some((value) => value !== null), {
    message: 'nothing was tested',
    path: ['ammoniaMgN'],
  });
export type StartTest = z.infer<typeof StartTest>;

/** What is looked at and written down by hand, with its day. */
export const HAND_CHECKS = ['biofilm', 'rooted', 'arrivals', 'large-change'] as const;
export type HandCheck = (typeof HAND_CHECKS)[number];

/** How the tank is started; null in the design while nobody has said. */
export const StartPlan = z
  .strictObject({
    begun: Day,
    method: StartMethod,
    /** Ammonia given each day, mg N/L: dosed, or by what feeds it. */
    doseMgNPerLPerDay: z.number().min(0).max(10),
    inoculum: Inoculum,
    /** Of grown-in media or old soil. */
    inoculumL: z.number().min(0).max(500),
    /** The day on which a challenge dose was found gone after a day; null while it was not. */
    challengedOn: Day.nullable(),
    /** What else was looked at, and on which day it was found so. */
    seen: z.strictObject({
      biofilm: Day.optional(),
      rooted: Day.optional(),
      arrivals: Day.optional(),
      'large-change': Day.optional(),
    }),
    tests: z.record(z.string().min(1).max(80), StartTest),
  })
  .superRefine(({ begun, tests, challengedOn, seen }, context) => {
    if (challengedOn !== null && challengedOn < begun)
      context.addIssue({ code: 'custom', path: ['challengedOn'], message: `lies before the start on ${begun}` });
    for (const [check, day] of Object.entries(seen))
      if (day !== undefined && day < begun)
        context.addIssue({ code: 'custom', path: ['seen', check], message: `lies before the start on ${begun}` });
    for (const [id, { day }] of Object.entries(tests))
      if (day < begun) context.addIssue({ code: 'custom', path: ['tests', id, 'day'], message: `lies before the start on ${begun}` });
  });
export type StartPlan = z.infer<typeof StartPlan>;
