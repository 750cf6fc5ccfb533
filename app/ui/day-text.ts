import { parseISO } from 'date-fns';
import type { Day } from '../../core/schedule/day';

const SHORT = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });
const LONG = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });
const YEAR = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' });

/** A day as it is said: 23 Nov. */
export const shortDay = (day: Day): string => SHORT.format(parseISO(day));

/** With the day of the week, and the year where it is another. */
export function longDay(day: Day, today: Day): string {
  return (day.slice(0, 4) === today.slice(0, 4) ? LONG : YEAR).format(parseISO(day));
}
