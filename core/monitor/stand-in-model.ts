import * as z from 'zod';
import { Monitored } from '../reading/calibration';
import { TankScenario } from '../tank/scenario';

/** What may go wrong: with a probe, and with the tank. */
export const PROBE_FAULTS = ['stuck', 'drifts', 'noisy', 'drops-out', 'dead'] as const;
export const TANK_FAULTS = ['heater-on', 'heater-off', 'leak'] as const;

const span = { sinceMs: z.number().positive(), untilMs: z.number().positive().nullable() };
const Fault = z.union([
  z.strictObject({ ...span, kind: z.enum(PROBE_FAULTS), parameter: Monitored }),
  z.strictObject({ ...span, kind: z.enum(TANK_FAULTS) }),
]);
export type StandInFault = z.infer<typeof Fault>;

/** A made-up monitor in a tank: what it stands in, and what is wrong with it. */
export const StandIn = z.strictObject({
  scenario: TankScenario,
  /** What a meter reads of this water, over what its ions come to. */
  ecTimes: z.number().positive().max(10),
  /** From the bottom, when it is full. */
  levelMm: z.number().positive().max(5000),
  litresPerMm: z.number().positive().max(1000),
  /** When the lamps went on on the first day that it is followed, milliseconds since 1970. */
  begunMs: z.number().positive(),
  everyS: z.number().min(0.2, 'five times a second is the most').max(3600),
  seed: z.number().int().min(0).max(1e9),
  faults: z.array(Fault).max(200),
  /** A probe that is held in a buffer just now, and what that is. */
  bath: z.strictObject({ parameter: Monitored, is: z.number().finite().min(0).max(80_000) }).nullable(),
});
export type StandIn = z.infer<typeof StandIn>;

/** So long a tank is followed; then whoever listens begins anew. */
export const FOLLOWED_DAYS = 45;
