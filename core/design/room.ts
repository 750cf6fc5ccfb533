import * as z from 'zod';
import { waterReadings } from '../catalogue/water-source';
import { Jurisdiction } from '../catalogue/law';
import { factOf } from '../quantity/fact';
import { emptyOwnCatalogue, OwnCatalogue } from './own-catalogue';

export const ROOM_SCHEMA = 6;

const Key = z.string().min(1).max(80);
const MonthSpan = z
  .tuple([z.number().min(-30).max(50), z.number().min(-30).max(50)])
  .refine(([low, high]) => low <= high, { message: 'the low is above the high' });

/** A water at hand in this room. */
export const RoomSource = z.strictObject({
  order: z.number().finite(),
  name: z.string().trim().min(1, 'a name is wanted').max(80),
  ...waterReadings,
  /** The report its figures came from. */
  report: z.strictObject({ title: z.string().min(1).max(200), simulated: z.boolean() }).nullable(),
});
export type RoomSource = z.infer<typeof RoomSource>;

/** A source as it is called everywhere; one of simulated readings says so. */
export function sourceLabel({ name, report }: Pick<RoomSource, 'name' | 'report'>): string {
  return report?.simulated && !/simulated/i.test(name) ? `${name} (SIMULATED)` : name;
}

export const OnHandKind = z.enum(['animal', 'plant', 'soil', 'media', 'wood', 'stone', 'salt', 'gear']);
export type OnHandKind = z.infer<typeof OnHandKind>;

/** Something at hand in the room, with how much of it. */
export const OnHand = z.strictObject({
  order: z.number().finite(),
  kind: OnHandKind,
  name: z.string().trim().min(1, 'a name is wanted').max(80),
  /** What the amount is counted in: pieces, litres or grams. */
  measure: z.enum(['count', 'volume', 'mass']),
  amount: z.number().min(0).max(1e7),
  note: z.string().max(200),
  /** What it is, where the recipe is to reckon with it: the id of a salt. */
  substance: z.string().min(1).max(80).nullable(),
});
export type OnHand = z.infer<typeof OnHand>;

/** Where the tanks stand: climate through the year, waters at hand, mixing kit. */
export const Room = z.strictObject({
  schema: z.literal(ROOM_SCHEMA),
  id: Key,
  rev: z.number().int().nonnegative(),
  name: z.string().trim().min(1, 'a name is wanted').max(80),
  /** Air temperature by month, January first: usual low and high. Null while not stated. */
  climateC: z.array(MonthSpan).length(12).nullable(),
  /** Usual relative humidity of the air, percent. */
  humidityPct: factOf(z.number().min(5).max(100)),
  /** Whose law holds here; null while not stated. */
  law: Jurisdiction.nullable(),
  /** Price of a kilowatt hour, in whatever money; null while not stated. */
  pricePerKwh: z.number().min(0).max(1000).nullable(),
  sources: z.record(Key, RoomSource),
  mixingKit: z.strictObject({ vesselL: z.number().positive().max(5000), scaleG: z.number().positive().max(1000) }).nullable(),
  onHand: z.record(Key, OnHand),
  /** What this room adds to the catalogue. */
  own: OwnCatalogue,
  invented: z.boolean().optional(),
});
export type Room = z.infer<typeof Room>;

export function emptyRoom(id: string, name: string): Room {
  return {
    schema: ROOM_SCHEMA,
    id,
    rev: 0,
    name,
    climateC: null,
    humidityPct: { value: null, basis: 'measured' },
    law: null,
    pricePerKwh: null,
    sources: {},
    mixingKit: null,
    onHand: {},
    own: emptyOwnCatalogue(),
  };
}
