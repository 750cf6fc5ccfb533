import * as z from 'zod';

const Key = z.string().min(1).max(80);
const Vec3 = z.tuple([z.number().finite(), z.number().finite(), z.number().finite()]);
const Extent = z.number().min(2).max(3000);

/** What keeps a piece where it is. */
export const Fixing = z.enum(['none', 'weighted', 'screwed', 'glued']);
export type Fixing = z.infer<typeof Fixing>;

/** One piece of hardscape. Its form comes from its class, scaled to its sizes. */
export const HardscapeItem = z.strictObject({
  order: z.number().finite(),
  kind: z.literal('hardscape'),
  classId: z.string().min(1).max(80),
  /** Null while nobody knows what it is made of. */
  materialId: z.string().min(1).max(80).nullable(),
  /** Length, width and height before it is turned. */
  sizeMm: z.tuple([Extent, Extent, Extent]),
  /** Middle of its base; the height counts only where it is held. */
  positionMm: Vec3,
  /** About its own x, then y, then the upright z. */
  turnDeg: Vec3,
  mirrored: z.boolean(),
  stand: z.enum(['bed', 'floor', 'pieces', 'held']),
  embedMm: z.number().min(0).max(2000),
  fixing: Fixing,
  /** Stone or other ballast tied to it. */
  ballastKg: z.number().min(0).max(200),
  /** Weeks under water so far. */
  soakedWeeks: z.number().min(0).max(520),
  /** How its edges are: ground smooth, or as they broke; null while not looked at. */
  edges: z.enum(['raw', 'ground']).nullable(),
  /** Share of its strength that earlier use has taken. */
  spent: z.number().min(0).max(1),
  groupId: Key.nullable(),
  locked: z.boolean(),
});
export type HardscapeItem = z.infer<typeof HardscapeItem>;
