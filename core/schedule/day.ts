import { addDays, differenceInCalendarDays, formatISO, isValid, parseISO } from 'date-fns';
import * as z from 'zod';

/**
 * A day of the calendar, `2026-03-29`. Steps fall on days, never on instants: a clock put forward or back moves none of them.
 */
export const Day = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, 'a day is written 2026-03-29')
  .refine((day) => isValid(parseISO(day)), { message: 'there is no such day' });
export type Day = z.infer<typeof Day>;

/** The day so many days on. */
export function dayAfter(day: Day, days: number): Day {
  return formatISO(addDays(parseISO(day), Math.round(days)), { representation: 'date' });
}

/** Days from one to another; negative when the other lies before. */
export function daysFrom(from: Day, to: Day): number {
  return differenceInCalendarDays(parseISO(to), parseISO(from));
}

/** The day that a clock shows where it hangs. */
export function dayOf(date: Date): Day {
  return formatISO(date, { representation: 'date' });
}
