import * as z from 'zod';
import { Bought } from '../catalogue/organism';

const Key = z.string().min(1).max(80);

/** What keeps a planting where it is; on a piece it is tied, glued or wedged, `emersed` stands with its roots in the water and its leaves above. */
export const Hold = z.enum(['rooted', 'loose', 'tied', 'glued', 'wedged', 'pane', 'afloat', 'chamber', 'emersed']);
export type Hold = z.infer<typeof Hold>;

/** One planting: a plant, or a patch of one kind, in its place. */
export const PlantItem = z.strictObject({
  order: z.number().finite(),
  kind: z.literal('plant'),
  /** Id of the organism. */
  classId: Key,
  /** Of its foot; the height counts only on a pane. */
  positionMm: z.tuple([z.number().finite(), z.number().finite(), z.number().finite()]),
  /** Null: as its kind does. */
  hold: Hold.nullable(),
  /** The piece that carries it; null for bed, pane and surface. */
  onId: Key.nullable(),
  /** Null while nobody has said. */
  bought: Bought.nullable(),
  /** Stems, plants or portions in it. */
  count: z.number().int('whole plants or stems').min(1).max(500, 'at most 500 in one planting: make it several'),
  /** How far from its middle they stand. */
  spreadMm: z.number().min(0).max(1000),
  groupId: Key.nullable(),
  locked: z.boolean(),
});
export type PlantItem = z.infer<typeof PlantItem>;

/** How far on the plants are when the tank is drawn and judged. */
export const Stage = z.enum(['planted', 'six-weeks', 'grown']);
export type Stage = z.infer<typeof Stage>;

/** A planting of one, as its kind stands. */
export const newPlanting = (classId: string, order: number, positionMm: readonly [number, number, number]): PlantItem => ({
  order,
  kind: 'plant',
  classId,
  positionMm: [...positionMm],
  hold: null,
  onId: null,
  bought: null,
  count: 1,
  spreadMm: 0,
  groupId: null,
  locked: false,
});
