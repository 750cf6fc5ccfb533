import * as z from 'zod';
import { waterReadings } from '../catalogue/water-source';
import { Jurisdiction } from '../catalogue/law';
import { BredAnimal, Brood, Line } from '../breeding/model';
import { pedigreeFaults } from '../breeding/pedigree';
import { factOf } from '../quantity/fact';
import { Mark } from '../health/model';
import { holdingsOf, lineageFaults } from '../lots/holdings';
import { Lot, Move, Wanted } from '../lots/model';
import { RoomKit } from '../reading/doubt';
import { emptyOwnCatalogue, OwnCatalogue } from './own-catalogue';

export const ROOM_SCHEMA = 10;

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

/** What one of a thing costs, in whatever money: a piece, a litre or a kilogram. */
export const Price = z.strictObject({
  each: z.number().min(0, 'less than nothing').max(1e6),
  /** Where it was got; empty for not said. */
  from: z.string().max(80),
});
export type Price = z.infer<typeof Price>;

/** Where the tanks stand: climate through the year, waters at hand, mixing kit. */
export const Room = z
  .strictObject({
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
    /** Animals, plants, media and soil of the room, by how they came. */
    lots: z.record(Key, Lot),
    /** All that happened to them: where they are follows from it. */
    moves: z.record(Key, Move),
    /** What was seen of disease, pests and copper, and what of it is over. */
    marks: z.record(Key, Mark),
    /** Kinds that are looked for. */
    wanted: z.record(Key, Wanted),
    /** Lines that are bred here. */
    lines: z.record(Key, Line),
    /** Animals and groups whose descent is kept. */
    bred: z.record(Key, BredAnimal),
    /** Broods of its tanks. */
    broods: z.record(Key, Brood),
    /** What things cost, by what they are. */
    prices: z.record(z.string().min(1).max(160), Price),
    /** Kits and meters that are tested with. */
    kits: z.record(Key, RoomKit),
    /** The way along the tanks, by the id of their designs; those that it does not name come after. */
    walk: z.array(Key).max(1000),
    /** Whom a caretaker calls; empty for not said. */
    call: z.strictObject({ keeper: z.string().max(120), vet: z.string().max(120) }),
    /** What this room adds to the catalogue. */
    own: OwnCatalogue,
    invented: z.boolean().optional(),
  })
  .superRefine(({ lots, moves, marks, lines, bred, broods }, context) => {
    const wrong = (path: readonly string[], message: string) => context.addIssue({ code: 'custom', path: [...path], message });
    for (const { moveId, reason } of holdingsOf(lots, moves).faults) wrong(['moves', moveId], reason);
    for (const { lotId, reason } of lineageFaults(lots)) wrong(['lots', lotId, 'parentId'], reason);
    for (const [id, { lotId }] of Object.entries(marks))
      if (lotId !== null && !Object.hasOwn(lots, lotId)) wrong(['marks', id, 'lotId'], `there is no lot “${lotId}”`);
    for (const { path, reason } of pedigreeFaults(lines, bred, broods)) wrong(path, reason);
    for (const [id, { lotId }] of Object.entries(broods))
      if (lotId !== null && !Object.hasOwn(lots, lotId)) wrong(['broods', id, 'lotId'], `there is no lot “${lotId}”`);
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
    lots: {},
    moves: {},
    marks: {},
    wanted: {},
    lines: {},
    bred: {},
    broods: {},
    prices: {},
    kits: {},
    walk: [],
    call: { keeper: '', vet: '' },
    own: emptyOwnCatalogue(),
  };
}
