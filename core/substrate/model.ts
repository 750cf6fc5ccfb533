import * as z from 'zod';

const Key = z.string().min(1).max(80);
const Place = z.number().min(-50).max(5000);
const Outline = z
  .array(z.tuple([Place, Place]))
  .min(3, 'an outline has three corners at least')
  .max(60);
export type Outline = z.infer<typeof Outline>;

/** A part of the floor that has a bed of its own. */
export const Zone = z.strictObject({
  order: z.number().finite(),
  kind: z.enum(['path', 'front', 'bare', 'terrace']),
  /** Corners from above, millimetres from the front left. */
  outlineMm: Outline,
  /** Top of the edge that holds the ground behind it, from the inside bottom; null where there is none. */
  edgeTopMm: z.number().min(0).max(2000).nullable(),
});
export type Zone = z.infer<typeof Zone>;
export type ZoneKind = Zone['kind'];

/** Heights in a regular net over the rectangle around the vessel, row by row from the front left; straight between its knots. */
export const Surface = z
  .strictObject({
    columns: z.number().int().min(2).max(33),
    rows: z.number().int().min(2).max(33),
    heightMm: z.array(z.number().min(0, 'a bed has no negative depth').max(2000)),
  })
  .refine(({ columns, rows, heightMm }) => heightMm.length === columns * rows, {
    message: 'as many heights as knots',
    path: ['heightMm'],
  });
export type Surface = z.infer<typeof Surface>;

/** Where a layer lies: all over, all over but for the zones, in one zone, or in a patch that a bag or a crate fills. */
const Area = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('whole') }),
  z.strictObject({ kind: z.literal('open') }),
  z.strictObject({ kind: z.literal('zone'), zoneId: Key }),
  z.strictObject({ kind: z.literal('patch'), outlineMm: Outline }),
]);
export type Area = z.infer<typeof Area>;

/** One material of the bed. It fills from what lies under it up to its top. */
export const Layer = z.strictObject({
  order: z.number().finite(),
  materialId: Key,
  /** Grain of this lot; null for that of the material. */
  grainMm: z
    .tuple([z.number().min(0.001).max(300), z.number().min(0.001).max(300)])
    .refine(([fine, coarse]) => fine <= coarse, { message: 'the fine grain is above the coarse' })
    .nullable(),
  area: Area,
  top: Surface,
  /** Share of its strength that earlier use has taken, for what is used up. */
  spent: z.number().min(0).max(1),
  /** A cloth under it keeps its grain out of what lies below. */
  cloth: z.boolean(),
});
export type Layer = z.infer<typeof Layer>;

/** The bed: what lies on the bottom, bottom layer first. */
export const SubstratePlan = z
  .strictObject({
    /** Nothing, on purpose. */
    bare: z.boolean(),
    /** A mat on the bottom glass, under stones. */
    mat: z.boolean(),
    zones: z.record(Key, Zone),
    layers: z.record(Key, Layer),
    /** Root capsules pressed in, this far apart and this deep. */
    capsules: z.strictObject({ spacingMm: z.number().min(10).max(500), depthMm: z.number().min(5).max(300) }).nullable(),
  })
  .superRefine(({ zones, layers }, context) => {
    for (const [id, { area }] of Object.entries(layers))
      if (area.kind === 'zone' && !Object.hasOwn(zones, area.zoneId))
        context.addIssue({ code: 'custom', path: ['layers', id, 'area'], message: `no zone "${area.zoneId}"` });
  });
export type SubstratePlan = z.infer<typeof SubstratePlan>;

/** Nothing said yet. */
export function emptySubstrate(): SubstratePlan {
  return { bare: false, mat: false, zones: {}, layers: {}, capsules: null };
}
