import * as z from 'zod';

/** One plant in its place. */
export const PlantItem = z.strictObject({
  order: z.number().finite(),
  kind: z.literal('plant'),
  /** Id of the organism. */
  classId: z.string().min(1).max(80),
  /** Of its foot; it stands on the bed. */
  positionMm: z.tuple([z.number().finite(), z.number().finite(), z.number().finite()]),
});
export type PlantItem = z.infer<typeof PlantItem>;
