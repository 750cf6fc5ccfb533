import * as z from 'zod';
import { CarePlan, emptyCare } from '../care/model';
import { Device } from '../equipment/model';
import { StockEntry } from '../stocking/model';
import { Vessel } from '../vessel/model';
import { emptyWaterPlan, WaterPlan } from '../water/model';

export const DESIGN_SCHEMA = 4;

const Key = z.string().min(1).max(80);
const Vec3 = z.tuple([z.number().finite(), z.number().finite(), z.number().finite()]);

export const Solid = z.strictObject({
  shape: z.enum(['box', 'ellipsoid', 'capsule', 'tube', 'prism']),
  sizeMm: z.tuple([z.number().positive(), z.number().positive(), z.number().positive()]),
  at: Vec3.optional(),
});

export const SceneItem = z.strictObject({
  order: z.number().finite(),
  kind: z.enum(['hardscape', 'plant', 'device']),
  classId: z.string().min(1).max(80),
  solids: z.array(Solid).max(50),
  positionMm: Vec3,
  turnDeg: Vec3,
  embedMm: z.number().min(0).max(2000),
});
export type SceneItem = z.infer<typeof SceneItem>;

/** One tank's whole plan. Collections are keyed by id, so that the path of an edit stays true. */
export const Design = z
  .strictObject({
    schema: z.literal(DESIGN_SCHEMA),
    id: Key,
    roomId: Key,
    /** Counts edits; a remedy is for one revision. */
    rev: z.number().int().nonnegative(),
    name: z.string().trim().min(1, 'a name is wanted').max(80, 'at most 80 characters'),
    /** Put away: kept, but not on show among the tanks. */
    archived: z.boolean(),
    brief: z.strictObject({
      purpose: z.enum(['keep', 'breed']),
      targetStockIds: z.array(Key).max(100),
      biotopeId: z.string().min(1).max(80).nullable(),
    }),
    vessel: Vessel.nullable(),
    water: WaterPlan,
    equipment: z.record(Key, Device),
    scene: z.record(Key, SceneItem),
    stock: z.record(Key, StockEntry),
    care: CarePlan,
    /** Finding key -> the user's reason for accepting it. */
    accepted: z.record(z.string().min(1).max(200), z.string().min(1).max(500)),
  })
  .superRefine((design, context) => {
    design.brief.targetStockIds.forEach((id, i) => {
      if (!Object.hasOwn(design.stock, id)) {
        context.addIssue({ code: 'custom', path: ['brief', 'targetStockIds', i], message: `no animal "${id}" in the stock` });
      }
    });
  });
export type Design = z.infer<typeof Design>;

/** A design with nothing chosen: everything in it is unknown. */
export function emptyDesign(id: string, roomId: string, name: string): Design {
  return {
    schema: DESIGN_SCHEMA,
    id,
    roomId,
    rev: 0,
    name,
    archived: false,
    brief: { purpose: 'breed', targetStockIds: [], biotopeId: null },
    vessel: null,
    water: emptyWaterPlan(),
    equipment: {},
    scene: {},
    stock: {},
    care: emptyCare(),
    accepted: {},
  };
}

/** The entries of a keyed table in their order, ties by id. */
export function inOrder<T extends { order: number }>(table: Readonly<Record<string, T>>): [id: string, entry: T][] {
  return Object.entries(table).sort(([idA, a], [idB, b]) => a.order - b.order || (idA < idB ? -1 : 1));
}

/** An order number that sorts after everything in the table. */
export function nextOrder(table: Readonly<Record<string, { order: number }>>): number {
  return Object.values(table).reduce((most, entry) => Math.max(most, entry.order), 0) + 1;
}
