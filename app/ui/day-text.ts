import { parseISO } from 'date-fns';
import type { Day } from '../../core/schedule/day';

/**
 * The program speaks English, so its dates are in the English that the browser asks for: "23 Nov" or "Nov 23", 14:05 or 2:05 PM. Where it asks
 * for none, in the one of most of the world.
 */
const ENGLISH = navigator.languages.find((language) => language.toLowerCase().startsWith('en')) ?? 'en-GB';
const format = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(ENGLISH, options);

const SHORT = format({ day: 'numeric', month: 'short' });
const SHORT_YEAR = format({ day: 'numeric', month: 'short', year: 'numeric' });
const LONG = format({ weekday: 'short', day: 'numeric', month: 'short' });
const YEAR = format({ weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' });
const FULL = format({ day: 'numeric', month: 'long', year: 'numeric' });
const CLOCK = format({ hour: 'numeric', minute: '2-digit' });
const MOMENT = format({ day: 'numeric', month: 'short', hour: 'numeric', minute: '2-digit' });
const DATED = format({ day: 'numeric', month: 'short', year: 'numeric', hour: 'numeric', minute: '2-digit' });

/** A day as it is said: 23 Nov. */
export const shortDay = (day: Day): string => SHORT.format(parseISO(day));

/** The same, with the year where it is another than today's. */
export const datedDay = (day: Day, today: Day): string =>
  (day.slice(0, 4) === today.slice(0, 4) ? SHORT : SHORT_YEAR).format(parseISO(day));

/** With the day of the week, and the year where it is another. */
export function longDay(day: Day, today: Day): string {
  return (day.slice(0, 4) === today.slice(0, 4) ? LONG : YEAR).format(parseISO(day));
}

/** The day in full: 23 November 2026. */
export const fullDay = (date: Date): string => FULL.format(date);
/** The time of the day: 14:05. */
export const clock = (date: Date): string => CLOCK.format(date);
/** Day and time; with the year where `dated`. */
export const moment = (date: Date, dated = false): string => (dated ? DATED : MOMENT).format(date);
