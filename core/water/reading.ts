import * as z from 'zod';
import { daysFrom } from '../schedule/day';
import { Kit, rangeOf, type RoomKit } from '../reading/doubt';
import { ReadParameter, valueFault } from '../reading/parameter';

/** One value as measured in the tank. */
export const Reading = z
  .strictObject({
    order: z.number().finite(),
    parameter: ReadParameter,
    value: z.number().finite(),
    kit: Kit,
    /** The very kit of the room; left out for one that is not named. */
    kitId: z.string().min(1).max(80).optional(),
    day: z.iso.date(),
    /** Mark of the water as it was planned that day; a reading of another water no longer holds. */
    of: z.string().min(1).max(40),
  })
  .superRefine(({ parameter, value }, context) => {
    const fault = valueFault(parameter, value);
    if (fault) context.addIssue({ code: 'custom', path: ['value'], message: fault });
  });
export type Reading = z.infer<typeof Reading>;
/** A thermometer tells of its day: within so many days the tank is taken to stand there still. */
const WARMTH_LASTS_DAYS = 7;

/** The temperature of the tank as it was last read, while that is fresh. @param today yyyy-mm-dd */
export function warmthNow(readings: Readings, today: string): number | null {
  const last = lastReading(readings, 'temperatureC');
  return last && last.day <= today && daysFrom(last.day, today) <= WARMTH_LASTS_DAYS ? last.value : null;
}

/** Where the truth lies behind a reading, by the very kit where that is named. */
export const rangeOfReading = (reading: Reading, kits: Readonly<Record<string, RoomKit>>): [low: number, high: number] =>
  rangeOf(reading, (reading.kitId && kits[reading.kitId]) || null, reading.day);

export type Readings = Readonly<Record<string, Reading>>;

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
