import * as z from 'zod';
import { daysFrom } from '../schedule/day';

/** What a keeper reads off in the tank. */
export const READ_PARAMETERS = ['temperatureC', 'ph', 'ghDh', 'khDh', 'ec25UsPerCm', 'salinity', 'nitrateMgPerL'] as const;
export const ReadParameter = z.enum(READ_PARAMETERS);
export type ReadParameter = z.infer<typeof ReadParameter>;

export const Kit = z.enum(['drops', 'strip', 'meter', 'laboratory']);
export type Kit = z.infer<typeof Kit>;

/** Values that a reading can have at all. */
const CAN_BE: Readonly<Record<ReadParameter, readonly [low: number, high: number]>> = {
  temperatureC: [-2, 45],
  ph: [2.5, 11],
  ghDh: [0, 600],
  khDh: [0, 60],
  ec25UsPerCm: [0, 80_000],
  salinity: [0, 60],
  nitrateMgPerL: [0, 1000],
};

/** One value as measured in the tank. */
export const Reading = z
  .strictObject({
    order: z.number().finite(),
    parameter: ReadParameter,
    value: z.number().finite(),
    kit: Kit,
    day: z.iso.date(),
    /** Mark of the water as it was planned that day; a reading of another water no longer holds. */
    of: z.string().min(1).max(40),
  })
  .superRefine(({ parameter, value }, context) => {
    const [low, high] = CAN_BE[parameter];
    if (value < low || value > high)
      context.addIssue({ code: 'custom', path: ['value'], message: `${value} lies outside ${low} to ${high}: no water reads so` });
  });
export type Reading = z.infer<typeof Reading>;
/** A thermometer tells of its day: within so many days the tank is taken to stand there still. */
const WARMTH_LASTS_DAYS = 7;

/** The temperature of the tank as it was last read, while that is fresh. @param today yyyy-mm-dd */
export function warmthNow(readings: Readings, today: string): number | null {
  const last = lastReading(readings, 'temperatureC');
  return last && last.day <= today && daysFrom(last.day, today) <= WARMTH_LASTS_DAYS ? last.value : null;
}

export type Readings = Readonly<Record<string, Reading>>;

/** Doubt of a reading: at least so much, or a share of it. Common practice: steps of drops and fields, meters as calibrated at home. */
const DOUBT: Readonly<Record<Kit, Readonly<Record<ReadParameter, readonly [least: number, share: number]>>>> = {
  drops: {
    temperatureC: [1, 0],
    ph: [0.25, 0],
    ghDh: [0.7, 0.05],
    khDh: [0.6, 0.05],
    ec25UsPerCm: [10, 0.1],
    salinity: [1, 0.05],
    nitrateMgPerL: [3, 0.25],
  },
  strip: {
    temperatureC: [1.5, 0],
    ph: [0.5, 0],
    ghDh: [3, 0.3],
    khDh: [3, 0.3],
    ec25UsPerCm: [50, 0.3],
    salinity: [2, 0.1],
    nitrateMgPerL: [10, 0.5],
  },
  meter: {
    temperatureC: [0.3, 0],
    ph: [0.1, 0],
    ghDh: [0.5, 0.05],
    khDh: [0.5, 0.05],
    ec25UsPerCm: [5, 0.03],
    salinity: [0.5, 0.02],
    nitrateMgPerL: [3, 0.2],
  },
  laboratory: {
    temperatureC: [0.1, 0],
    ph: [0.1, 0],
    ghDh: [0.1, 0.03],
    khDh: [0.1, 0.03],
    ec25UsPerCm: [3, 0.02],
    salinity: [0.2, 0.01],
    nitrateMgPerL: [0.5, 0.05],
  },
};

/** How far a reading may be from the truth, either way. */
export function doubtOf({ parameter, kit, value }: Pick<Reading, 'parameter' | 'kit' | 'value'>): number {
  const [least, share] = DOUBT[kit][parameter];
  return Math.max(least, share * value);
}

/**
 * The latest reading of a parameter, as long as the water is still planned as it was that day.
 * @param mark of the water as it is planned now
 * @returns null where nothing was read, or the water was changed since
 */
export function readingNow(readings: Readings, parameter: ReadParameter, mark: string): Reading | null {
  return latest(readings, (one) => one.parameter === parameter && one.of === mark);
}

/** The latest reading of a parameter, whether it still holds or not. */
export const lastReading = (readings: Readings, parameter: ReadParameter): Reading | null =>
  latest(readings, (one) => one.parameter === parameter);

function latest(readings: Readings, holds: (reading: Reading) => boolean): Reading | null {
  return Object.values(readings).reduce<Reading | null>(
    (best, one) => (holds(one) && (!best || one.day > best.day || (one.day === best.day && one.order > best.order)) ? one : best),
    null,
  );
}

/** A short mark of anything that can be written as JSON: equal for equal content, in any order of keys. */
export function markOf(content: unknown): string {
  const text = JSON.stringify(content, (_, value: unknown) =>
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );
  // FNV-1a, 32 bits, over two halves
  const half = (from: number): string => {
    let hash = 0x811c9dc5;
    for (let i = from; i < text.length; i += 2) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
    return hash.toString(36);
  };
  return `${half(0)}-${half(1)}`;
}
