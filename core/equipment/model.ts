import * as z from 'zod';

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

/** A thing with a plug, or that passes through the top. Set-points of heater, cooler and fan are the only commanded temperatures in a design. */
export const Device = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('heater'), setPointC: SetPoint, ...shared }),
  z.strictObject({ kind: z.literal('cooler'), setPointC: SetPoint, ...shared }),
  /** Blows over the open surface when the water is warmer than this. */
  z.strictObject({ kind: z.literal('fan'), setPointC: SetPoint, ...shared }),
  z.strictObject({ kind: z.literal('filter'), ...shared }),
  z.strictObject({ kind: z.literal('pump'), ...shared }),
  z.strictObject({ kind: z.literal('lamp'), ...shared }),
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
