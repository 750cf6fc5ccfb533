import * as z from 'zod';
import { factOf, traitOf } from '../quantity/fact';
import { Id } from './organism';

const Band = (max: number) =>
  factOf(
    z.tuple([z.number().nonnegative().max(max), z.number().positive().max(max)]).refine(([a, b]) => a <= b, { message: 'out of order' }),
  );

/** What a material does to the water it lies in, as a class, low to high. */
export const WaterAction = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  /** Takes up lime until the water has its pH, and is used up by it. */
  z.strictObject({
    kind: z.literal('exchanges'),
    setPh: Band(9),
    /** Fresh, per litre of material. */
    capacityMeqPerL: Band(2000),
  }),
  /** Dissolves until the water is saturated with it. */
  z.strictObject({
    kind: z.literal('dissolves'),
    mineral: z.enum(['calcite', 'aragonite']),
    /** Share of the way to saturation per day, for a kilogram in a litre of water. */
    ratePerDay: Band(50),
  }),
  /** Gives off organic carbon and tint. */
  z.strictObject({
    kind: z.literal('leaches'),
    /** In all, milligrams of carbon per gram of dry material. */
    carbonMgPerG: Band(400),
    /** Weeks until most of it is out; after that it is renewed. */
    lastsWeeks: Band(200),
    /** Poured in as one dose, all at once, and not renewed. */
    once: z.literal(true).optional(),
  }),
]);
export type WaterAction = z.infer<typeof WaterAction>;

/** A generic class of thing the tank is built from. */
export const Material = z.strictObject({
  id: Id,
  name: z.string().min(1),
  use: z.enum(['substrate', 'stone', 'wood', 'botanical', 'shell', 'made']),
  /** Solid density for stone and wood, dry bulk density for substrates and botanicals. */
  densityKgPerM3: traitOf(z.number().positive()),
  grainMm: traitOf(
    z.tuple([z.number().nonnegative(), z.number().positive()]).refine(([a, b]) => a <= b, { message: 'grain sizes are out of order' }),
  ),
  /** Angle at which a loose bank of it still stands, dry or under water; for beds. */
  reposeDegrees: factOf(z.tuple([z.number().positive().max(60), z.number().positive().max(60)]).refine(([a, b]) => a <= b)).optional(),
  /** Feeds roots, and fouls the water unless it is capped. */
  nutrient: z.boolean().optional(),
  /** Grains that crumble between the fingers. */
  soft: z.boolean().optional(),
  /** Grains with broken or porous edges. */
  sharp: z.boolean().optional(),
  /** Comes wet, with the life in it that it is bought for. */
  alive: z.literal(true).optional(),
  /** Clay that holds together by itself: no cap is too coarse for it. */
  cohesive: z.boolean().optional(),
  /** Gives height under the bed that shows. */
  filler: z.boolean().optional(),
  effectOnWater: traitOf(z.enum(['none', 'hardens', 'softens', 'acidifies'])),
  action: WaterAction,
  colour: z.string().regex(/^#[0-9a-f]{6}$/),
});
export type Material = z.infer<typeof Material>;
