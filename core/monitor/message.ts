import * as z from 'zod';
import { Monitored } from '../reading/calibration';

/** What a monitor says of itself when someone begins to listen. */
export const Hello = z.strictObject({
  /** Another one each time it is switched on: what it measured before is gone. */
  boot: z.string().min(1).max(80),
  everyS: z.number().min(0.1).max(3600),
  simulated: z.boolean(),
});
export type Hello = z.infer<typeof Hello>;

/** One turn of measuring. A probe that gave nothing is left out. */
export const Measured = z.strictObject({
  tick: z.number().int().min(0),
  /** Milliseconds since 1970. */
  at: z.number().positive(),
  values: z.partialRecord(Monitored, z.number().finite()),
});
export type Measured = z.infer<typeof Measured>;

/** Turns in the order they were measured: one as it is taken, many where a listener comes back. */
export const Turns = z.array(Measured).max(5000);
