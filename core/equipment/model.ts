import * as z from 'zod';
import { Spectrum } from '../light/spectrum';
import { Medium } from './media';

const Place = z.tuple([z.number().finite(), z.number().finite(), z.number().finite()]);
const shared = {
  order: z.number().finite(),
  /** Rated power; null while not stated. */
  powerW: z.number().min(0).max(5000).nullable(),
  /** Its greatest sizes, to see whether it passes the top; null while not stated. */
  sizeMm: z.tuple([z.number().positive(), z.number().positive(), z.number().positive()]).nullable(),
  /** Middle of its lower end in the tank; null while it has no place. */
  placeMm: Place.nullable(),
  /** Metres of its cord; left out while not stated. */
  cordM: z.number().positive().max(20).optional(),
  /** The line, strip or shelf of the room that it hangs on. */
  line: z.string().trim().min(1).max(40).optional(),
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

/** How water goes through a filter or pump, as its label and a rule say it. */
export const Runs = z.strictObject({
  /** At no head, clean; null while not stated. */
  lPerH: z.number().positive('a flow of 0 is none: leave it out').max(200_000).nullable(),
  /** Head at which nothing comes out any more. */
  mostHeadM: z.number().positive().max(50).nullable(),
  /** Height it lifts the water to, above where it takes it. */
  liftM: z.number().min(0).max(50),
  hoseM: z.number().min(0).max(100),
  /** Inside of the hose; null where there is none. */
  boreMm: z.number().positive().max(200).nullable(),
  /** Widest gap of its intake, slot or mesh. */
  gapMm: z.number().positive('a mesh of 0 lets no water through').max(100).nullable(),
  /** Inside of its nozzle. */
  outletMm: z.number().positive().max(300).nullable(),
  /** Where its nozzle and its intake are in the tank; null while they have no place. */
  outletAtMm: Place.nullable(),
  intakeAtMm: Place.nullable(),
  /** Where the nozzle blows: from the right (0) by the back (90) to the left, and up from level. */
  outletTurnDeg: z.number().min(-180).max(180),
  outletRiseDeg: z.number().min(-90).max(90),
});
export type Runs = z.infer<typeof Runs>;
/** A nozzle without a place, level and to the right. */
const nowhere = { outletAtMm: null, intakeAtMm: null, outletTurnDeg: 0, outletRiseDeg: 0 } as const;
export const newRuns = (): Runs => ({
  lPerH: null,
  mostHeadM: null,
  liftM: 0,
  hoseM: 0,
  boreMm: null,
  gapMm: null,
  outletMm: null,
  ...nowhere,
});

export const FilterForm = z.enum(['sponge', 'mat', 'internal', 'hang-on', 'canister', 'sump', 'undergravel']);
export type FilterForm = z.infer<typeof FilterForm>;
export const FilterMedia = z
  .array(
    z.strictObject({
      medium: Medium,
      litres: z.number().positive().max(2000),
      /** The tank of the room that they ran in until now; left out for media of this filter. */
      fromTankId: z.string().min(1).max(80).optional(),
    }),
  )
  .max(6);

/** What nobody has said yet of a filter. */
export const newFilter = { kind: 'filter' as const, form: null, media: [], runWeeks: null, runs: null };

/** A thing with a plug, or that passes through the top. Set-points of heater, cooler and fan are the only commanded temperatures in a design. */
export const Device = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('heater'),
    setPointC: SetPoint,
    /** A cage around it, for those that lie on what is warm; left out while not stated. */
    guarded: z.boolean().optional(),
    ...shared,
  }),
  z.strictObject({ kind: z.literal('cooler'), setPointC: SetPoint, ...shared }),
  /** Blows over the open surface when the water is warmer than this. */
  z.strictObject({ kind: z.literal('fan'), setPointC: SetPoint, ...shared }),
  z.strictObject({
    kind: z.literal('filter'),
    form: FilterForm.nullable(),
    media: FilterMedia,
    /** Weeks that its media have run in a living tank, here or where they come from; null while not stated. */
    runWeeks: z.number().min(0).max(2000).nullable(),
    /** New media were given bacteria out of a bottle. */
    bottled: z.literal(true).optional(),
    runs: Runs.nullable(),
    ...shared,
  }),
  z.strictObject({ kind: z.literal('pump'), runs: Runs.nullable(), ...shared }),
  /** Drives air stones and sponges. */
  z.strictObject({
    kind: z.literal('air'),
    lPerMin: z.number().positive().max(1000).nullable(),
    checkValve: z.boolean().nullable(),
    /** Stands lower than the water: without a valve it runs back through the line. */
    below: z.boolean().nullable(),
    /** The tank of the room whose pump blows here too; left out for a pump of its own. */
    ofTankId: z.string().min(1).max(80).optional(),
    /** Goes on by itself when the current is gone. */
    battery: z.boolean(),
    ...shared,
  }),
  z.strictObject({ kind: z.literal('skimmer'), ...shared }),
  z.strictObject({ kind: z.literal('uv'), ...shared }),
  /** Carbon, phosphate remover or lime in a chamber of its own. */
  z.strictObject({ kind: z.literal('reactor'), ...shared }),
  z.strictObject({
    kind: z.literal('top-up'),
    /** What its vessel holds; null while not stated. */
    reservoirL: z.number().positive().max(2000).nullable(),
    ...shared,
  }),
  /** Cuts heater and cooler off when the water is so far past what they are set to. */
  z.strictObject({ kind: z.literal('controller'), bandC: z.number().min(0.1).max(5), ...shared }),
  /** Calls when the water is too warm, too cold or too low. */
  z.strictObject({ kind: z.literal('alarm'), ...shared }),
  /** Its light is null while nobody has stated it. */
  z.strictObject({ kind: z.literal('lamp'), light: LampLight.nullable(), ...shared }),
]);
export type Device = z.infer<typeof Device>;
export type Thermostat = Extract<Device, { setPointC: number }>;

/** A device of a kind of which nothing more is said than a set-point, where it has one. */
export function newDevice(
  kind: Device['kind'],
  setPointC: number,
  common: Pick<Device, 'order' | 'powerW' | 'sizeMm' | 'placeMm'>,
): Device {
  switch (kind) {
    case 'heater':
    case 'cooler':
    case 'fan':
      return { kind, setPointC, ...common };
    case 'lamp':
      return { kind, light: null, ...common };
    case 'filter':
      return { ...newFilter, ...common };
    case 'pump':
      return { kind, runs: null, ...common };
    case 'skimmer':
    case 'uv':
    case 'reactor':
    case 'alarm':
      return { kind, ...common };
    case 'top-up':
      return { kind, reservoirL: null, ...common };
    case 'controller':
      return { kind, bandC: 0.5, ...common };
    case 'air':
      return { kind, lPerMin: null, checkValve: null, below: null, battery: false, ...common };
  }
}

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
  air: { placed: 0, elsewhere: 0 },
  skimmer: { placed: 1, elsewhere: 0.7 },
  uv: { placed: 1, elsewhere: 0.8 },
  reactor: { placed: 1, elsewhere: 0.5 },
  'top-up': { placed: 0, elsewhere: 0 },
  controller: { placed: 0, elsewhere: 0 },
  alarm: { placed: 0, elsewhere: 0 },
  lamp: { placed: 0.3, elsewhere: 0.3 },
};

/** Watts by which a device warms the water, over the whole day. */
export function warmingW({ kind, powerW, placeMm }: Device, lampHours: number): number {
  const share = WARMS_WATER[kind][placeMm ? 'placed' : 'elsewhere'];
  return share * (powerW ?? 0) * (kind === 'lamp' ? lampHours / 24 : 1);
}

/** Kinds that have their place beside the tank, or over it. */
const BESIDE: ReadonlySet<Device['kind']> = new Set(['lamp', 'fan', 'cooler', 'air', 'controller', 'alarm']);
/** Whether a device hangs or stands in the tank, and has to pass its top. */
export const standsInside = (device: Device): boolean =>
  !BESIDE.has(device.kind) &&
  !(device.kind === 'filter' && (device.form === 'canister' || device.form === 'sump' || device.form === 'hang-on'));
