import * as z from 'zod';
import { factOf } from '../quantity/fact';
import { CONDITIONERS } from './conditioners';
import { SALTS, SEA_SALT } from './salts';

const Key = z.string().min(1).max(80);

const SALT_IDS = [SEA_SALT.id, ...SALTS.map(({ id }) => id)] as [string, ...string[]];
/** A plain salt, or a mix of the room's own. */
const SaltId = z.union([z.enum(SALT_IDS), z.string().regex(/^mix-[a-z0-9-]{1,70}$/, 'neither a salt nor a mix of the room’s own')]);
const CONDITIONER_IDS = CONDITIONERS.map(({ id }) => id) as [string, ...string[]];

const ClockHour = z.number().min(0).lt(24, 'a day has 24 hours');
/** Carbon dioxide fed to the water: held at a level, or let in evenly while it is on. */
export const Co2Feed = z.strictObject({
  set: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('level'), mgPerL: z.number().min(1).max(100) }),
    z.strictObject({ by: z.literal('bubbles'), perSecond: z.number().positive('no bubbles are no feed').max(50) }),
    z.strictObject({ by: z.literal('mass'), gPerDay: z.number().positive('nothing is no feed').max(500) }),
  ]),
  /** On and off by the clock, hours from midnight; null with the lamps, an hour before them. */
  onHour: ClockHour.nullable(),
  offHour: ClockHour.nullable(),
  /** What its bottle holds when it is full, grams. */
  bottleG: z.number().positive().max(100_000).nullable(),
});
export type Co2Feed = z.infer<typeof Co2Feed>;
/** Held at a level by day, and nothing more said. */
export const co2At = (mgPerL: number): Co2Feed => ({ set: { by: 'level', mgPerL }, onHour: null, offHour: null, bottleG: null });

/** How the tank's water is mixed, and what lies in it and moves it. */
export const WaterPlan = z.strictObject({
  /** Parts of the room's sources, by volume; only their proportion counts. */
  parts: z.record(Key, z.strictObject({ order: z.number().finite(), sourceId: Key, share: z.number().min(0).max(1) })),
  /** Salts weighed in, per litre of the mixture. */
  salts: z.record(Key, z.strictObject({ order: z.number().finite(), saltId: SaltId, mgPerL: z.number().positive().max(60000) })),
  /** What tap water is treated with; null while nothing is. */
  conditioner: z.enum(CONDITIONER_IDS).nullable(),
  /** Materials that move the water: litres of a bed, grams of stone, wood and leaves. */
  additions: z.record(
    Key,
    z.strictObject({
      order: z.number().finite(),
      materialId: Key,
      amount: z.number().positive().max(1e6),
      /** Share of its strength that earlier use has taken, for what is used up. */
      spent: z.number().min(0).max(1),
    }),
  ),
  /** Null where the water is left to the room's air. */
  co2: Co2Feed.nullable(),
  /** Dissolved organic carbon as measured by colour, mg/L: stands in place of the estimate from leaves and wood. */
  organicCarbonMgPerL: factOf(z.number().min(0).max(200)),
});
export type WaterPlan = z.infer<typeof WaterPlan>;

/** Nothing poured yet. */
export function emptyWaterPlan(): WaterPlan {
  return { parts: {}, salts: {}, conditioner: null, additions: {}, co2: null, organicCarbonMgPerL: { value: null, basis: 'measured' } };
}
