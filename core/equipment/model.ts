import * as z from 'zod';

/** Heater and cooler set-points are the only commanded temperatures in a design. */
export const Device = z.strictObject({
  order: z.number().finite(),
  kind: z.enum(['heater', 'cooler']),
  setPointC: z.number().min(4).max(36),
});
export type Device = z.infer<typeof Device>;
