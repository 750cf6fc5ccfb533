import * as z from 'zod';
import { Spectrum } from '../light/spectrum';

const shared = {
  order: z.number().finite(),
  /** Rated power; null while not stated. */
  powerW: z.number().min(0).max(5000).nullable(),
  /** Its greatest sizes, to see whether it passes the top; null while not stated. */
  sizeMm: z.tuple([z.number().positive(), z.number().positive(), z.number().positive()]).nullable(),
  /** Middle of its lower end in the tank; null while it has no place. */
  placeMm: z.tuple([z.number().finite(), z.number().finite(), z.number().finite()]).nullable(),
};
const SetPoint = z.number().min(4).max(36);

/** What a lamp gives, as its label or a meter says it. */
export const LampLight = z
  .strictObject({
    form: z.enum(['bar', 'panel', 'spot']),
    output: z.strictObject({
      value: z.number().positive('a lamp that is dark is none').max(100_000),
      unit: z.enum(['umol/s', 'lm', 'W']),
    }),
    spectrum: Spectrum,
    /** Full angle at which it is half as bright as straight down; 120 for a bare strip. */
    beamDegrees: z.number().min(10).max(160),
    overWaterMm: z.number().min(10).max(3000),
    /** Along the tank and across it; nought for a spot. */
    lengthMm: z.number().min(0).max(5000),
    widthMm: z.number().min(0).max(2000),
    /** Its middle from the left and from the front; null over the middle of the tank. */
    atMm: z.tuple([z.number().finite(), z.number().finite()]).nullable(),
    /** Share of its light that it is dimmed to. */
    dim: z.number().min(0).max(1),
    /** Hours of its own from the first ray to the last; null for those of the tank. */
    hours: z.number().min(0, 'hours of light lie between 0 and 24').max(24, 'a day has 24 hours').nullable(),
    /** It rises and falls over so many hours each, within its hours. */
    rampHours: z.number().min(0).max(12),
    /** Dark at noon. */
    pauseHours: z.number().min(0).max(12),
    /** Read by a meter in the tank: it sets the lamp right. */
    reading: z
      .strictObject({
        value: z.number().positive().max(200_000),
        unit: z.enum(['umol/m2s', 'lux']),
        atMm: z.tuple([z.number().finite(), z.number().finite(), z.number().finite()]),
      })
      .nullable(),
  })
  .refine(({ hours, rampHours, pauseHours }) => hours === null || 2 * rampHours + pauseHours <= hours + 1e-9, {
    message: 'the ramps and the pause are longer than the light',
    path: ['rampHours'],
  });
export type LampLight = z.infer<typeof LampLight>;

/** A thing with a plug, or that passes through the top. Set-points of heater, cooler and fan are the only commanded temperatures in a design. */
export const Device = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('heater'), setPointC: SetPoint, ...shared }),
  z.strictObject({ kind: z.literal('cooler'), setPointC: SetPoint, ...shared }),
  /** Blows over the open surface when the water is warmer than this. */
  z.strictObject({ kind: z.literal('fan'), setPointC: SetPoint, ...shared }),
  z.strictObject({ kind: z.literal('filter'), ...shared }),
  z.strictObject({ kind: z.literal('pump'), ...shared }),
  /** Its light is null while nobody has stated it. */
  z.strictObject({ kind: z.literal('lamp'), light: LampLight.nullable(), ...shared }),
]);
export type Device = z.infer<typeof Device>;
export type Thermostat = Extract<Device, { setPointC: number }>;

/**
 * Share of a device's power that warms the water. Common practice: all of what runs in it, half of what stands beside it or nobody has placed,
 * a third of a lamp above it while it burns.
 */
const WARMS_WATER: Readonly<Record<Device['kind'], { placed: number; elsewhere: number }>> = {
  heater: { placed: 0, elsewhere: 0 },
  cooler: { placed: 0, elsewhere: 0 },
  fan: { placed: 0, elsewhere: 0 },
  filter: { placed: 1, elsewhere: 0.5 },
  pump: { placed: 1, elsewhere: 0.8 },
  lamp: { placed: 0.3, elsewhere: 0.3 },
};

/** Watts by which a device warms the water, over the whole day. */
export function warmingW({ kind, powerW, placeMm }: Device, lampHours: number): number {
  const share = WARMS_WATER[kind][placeMm ? 'placed' : 'elsewhere'];
  return share * (powerW ?? 0) * (kind === 'lamp' ? lampHours / 24 : 1);
}
