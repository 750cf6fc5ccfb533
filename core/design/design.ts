import * as z from 'zod';
import { BuildRecord, emptyBuild } from '../build/model';
import { CarePlan, emptyCare } from '../care/model';
import { Device } from '../equipment/model';
import { Treatment } from '../health/model';
import { HardscapeItem } from '../hardscape/model';
import { PlantItem, Stage } from '../plants/model';
import { StartPlan } from '../startup/model';
import { StockEntry } from '../stocking/model';
import { emptySubstrate, SubstratePlan } from '../substrate/model';
import { Vessel } from '../vessel/model';
import { Reading } from '../water/reading';
import { emptyWaterPlan, WaterPlan } from '../water/model';

export const DESIGN_SCHEMA = 13;

const SpaceMm = z.number().min(50).max(20000);

export { inOrder } from '../quantity/in-order';

const Key = z.string().min(1).max(80);

/** What stands in the tank: a piece of hardscape or a plant. */
export const SceneItem = z.discriminatedUnion('kind', [HardscapeItem, PlantItem]);
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
      /** To keep, to breed, or to keep arrivals apart for their first weeks. */
      purpose: z.enum(['keep', 'breed', 'quarantine']),
      targetStockIds: z.array(Key).max(100),
      biotopeId: z.string().min(1).max(80).nullable(),
      /** Biotope accuracy: nothing that does not live there, nothing from elsewhere in the world, or not judged. */
      fidelity: z.enum(['strict', 'loose']).nullable(),
      /** Free length, depth and height where it is to stand; left out while not stated. */
      spaceMm: z.tuple([SpaceMm, SpaceMm, SpaceMm]).optional(),
    }),
    vessel: Vessel.nullable(),
    water: WaterPlan,
    /** What was measured in the tank that runs. */
    readings: z.record(Key, Reading),
    substrate: SubstratePlan,
    equipment: z.record(Key, Device),
    scene: z.record(Key, SceneItem),
    /** How far its plants are grown where it is drawn and judged. */
    grown: Stage,
    stock: z.record(Key, StockEntry),
    care: CarePlan,
    /** What was built of it so far. */
    build: BuildRecord,
    /** How it is started; null while nobody has said. */
    startup: StartPlan.nullable(),
    /** Against disease and pests. */
    treatments: z.record(Key, Treatment),
    /** Finding key -> the user's reason for accepting it. */
    accepted: z.record(z.string().min(1).max(200), z.string().min(1).max(500)),
  })
  .superRefine((design, context) => {
    design.brief.targetStockIds.forEach((id, i) => {
      if (!Object.hasOwn(design.stock, id)) {
        context.addIssue({ code: 'custom', path: ['brief', 'targetStockIds', i], message: `no animal "${id}" in the stock` });
      }
    });
    for (const [id, item] of Object.entries(design.scene))
      if (item.kind === 'plant' && item.onId !== null && design.scene[item.onId]?.kind !== 'hardscape')
        context.addIssue({ code: 'custom', path: ['scene', id, 'onId'], message: `no piece "${item.onId}" to hold on to` });
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
    brief: { purpose: 'breed', targetStockIds: [], biotopeId: null, fidelity: null },
    vessel: null,
    water: emptyWaterPlan(),
    readings: {},
    substrate: emptySubstrate(),
    equipment: {},
    scene: {},
    grown: 'grown',
    stock: {},
    care: emptyCare(),
    build: emptyBuild(),
    startup: null,
    treatments: {},
    accepted: {},
  };
}

/** An order number that sorts after everything in the table. */
export function nextOrder(table: Readonly<Record<string, { order: number }>>): number {
  return Object.values(table).reduce((most, entry) => Math.max(most, entry.order), 0) + 1;
}
