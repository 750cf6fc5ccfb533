import * as z from 'zod';

/** How the tank's water is mixed: parts of the room's sources, by volume; only their proportion counts. */
export const WaterPlan = z.strictObject({
  parts: z.record(
    z.string().min(1).max(80),
    z.strictObject({ order: z.number().finite(), sourceId: z.string().min(1).max(80), share: z.number().min(0).max(1) }),
  ),
});
export type WaterPlan = z.infer<typeof WaterPlan>;
