import * as z from 'zod';
import { FoodId } from '../catalogue/food';
import { FertiliserPlan } from '../tank/fertiliser';
import { CalibrationPoint, Monitored } from '../reading/calibration';
import { Day } from '../schedule/day';
import { DatedStep } from '../schedule/step';

const Key = z.string().min(1).max(80);

const Limit = z.number().finite().min(-10).max(1e5).nullable();

/** How a monitor that stays in the tank is listened to. */
const MonitorPlan = z.strictObject({
  /** One entry in the log for so many minutes. */
  recordMinutes: z.number().int().min(1, 'once a minute is the most').max(240),
  /** Out of its limits for so long before it is an alarm. */
  afterSeconds: z.number().int().min(0).max(3600),
  /** Silent for so long before that is one. */
  silentMinutes: z.number().min(0.1).max(1440),
  /** Null on a side that is not watched. */
  limits: z.partialRecord(
    Monitored,
    z.strictObject({ low: Limit, high: Limit }).refine(({ low, high }) => low === null || high === null || low < high, {
      message: 'the lower limit lies above the upper one',
    }),
  ),
  /** What each probe was held in, the newest last. */
  calibration: z.partialRecord(Monitored, z.array(CalibrationPoint).min(1).max(4)),
});

/** A monitor as it comes: a quarter of an hour, a minute, five minutes. */
export const USUAL_MONITOR = { recordMinutes: 15, afterSeconds: 60, silentMinutes: 5, limits: {}, calibration: {} } satisfies z.infer<
  typeof MonitorPlan
>;

export const Surface = z.enum(['still', 'ripple', 'air-stone']);
export type Surface = z.infer<typeof Surface>;

/** How the tank is to be looked after. Null is not stated: what is then taken is said wherever it counts. */
export const CarePlan = z.strictObject({
  feed: z.strictObject({
    /** Dry feed, grams a day. */
    gPerDay: z.number().min(0).max(500).nullable(),
    proteinPct: z.number().min(5).max(80),
  }),
  change: z
    .strictObject({
      fraction: z.number().min(0.01, 'nothing would be changed').max(1, 'no more than the whole tank can be changed'),
      everyDays: z.number().int().min(1).max(120),
    })
    .nullable(),
  /** What evaporation is made good with: a source of the room, or the tank's own mix; by itself (0) or by hand every so many days. */
  topUp: z.strictObject({ sourceId: Key.nullable(), everyDays: z.number().int().min(0).max(60) }).nullable(),
  lampHours: z.number().min(0).max(24).nullable(),
  /** When the lamps come on, hours from midnight; null for around one in the afternoon. */
  lampsOnHour: z.number().min(0).lt(24, 'a day has 24 hours').nullable(),
  /** When it is fed, hours from midnight; none for little by little. */
  feedHours: z.array(z.number().min(0).lt(24, 'a day has 24 hours')).max(12),
  surface: Surface.nullable(),
  /** What is given, how often, and whether before or after the lamps are out. */
  menu: z.record(
    Key,
    z.strictObject({
      order: z.number().finite(),
      foodId: FoodId,
      timesAWeek: z.number().int().min(1, 'once a week is the least').max(42, 'six times a day is the most'),
      when: z.enum(['day', 'dark']),
    }),
  ),
  /** Days a week on which nothing is fed. */
  fastDays: z.number().int().min(0).max(4, 'they are fed on three days at least'),
  /** Hours a week that there are for this tank; null while not stated. */
  hoursPerWeek: z.number().positive('no time is no tank').max(100).nullable(),
  /** Floats on the water and keeps a window open among leaves; left out for none. */
  feedingRing: z
    .strictObject({ diameterMm: z.number().min(30).max(600), atMm: z.tuple([z.number().finite(), z.number().finite()]) })
    .optional(),
  /** Given by hand, per litre of the tank. */
  doses: z.record(
    Key,
    z.strictObject({
      order: z.number().finite(),
      saltId: Key,
      mgPerL: z.number().positive().max(1000),
      everyDays: z.number().int().min(1).max(120),
    }),
  ),
  /** Given to the plants; left out for none. */
  fertiliser: FertiliserPlan,
  media: z.strictObject({ carbonG: z.number().min(0).max(10000), phosphateRemoverG: z.number().min(0).max(10000) }),
  /** What is to be done, and when. */
  steps: z.record(Key, DatedStep),
  /** The day from which the routine counts where nothing of it was written down yet; null while not stated. */
  since: Day.nullable(),
  /** Where the keeper does a thing otherwise than is usual: every so many days, or not at all (null). By the id of the duty. */
  habits: z.record(Key, z.number().int().min(1, 'once a day is the most').max(730).nullable()),
  /** What the keeper does of their own accord. */
  own: z.record(
    Key,
    z.strictObject({
      order: z.number().finite(),
      title: z.string().trim().min(1, 'say what it is').max(80),
      everyDays: z.number().int().min(1, 'once a day is the most').max(730),
      minutes: z.number().min(0).max(600),
    }),
  ),
  /** A monitor with probes that stay in the tank; null for none. */
  monitor: MonitorPlan.nullable(),
});
export type CarePlan = z.infer<typeof CarePlan>;
export type MonitorPlan = NonNullable<CarePlan['monitor']>;

/** Nothing said yet. */
export function emptyCare(): CarePlan {
  return {
    feed: { gPerDay: null, proteinPct: 45 },
    change: null,
    topUp: null,
    lampHours: null,
    lampsOnHour: null,
    feedHours: [],
    surface: null,
    menu: {},
    fastDays: 0,
    hoursPerWeek: null,
    doses: {},
    fertiliser: {},
    media: { carbonG: 0, phosphateRemoverG: 0 },
    steps: {},
    since: null,
    habits: {},
    own: {},
    monitor: null,
  };
}
