import { format, parseISO } from 'date-fns';
import type { Day } from '../../core/schedule/day';

/** A day as it is said: 23 Nov. */
export const shortDay = (day: Day): string => format(parseISO(day), 'd MMM');

/** With the day of the week, and the year where it is another. */
export function longDay(day: Day, today: Day): string {
  return format(parseISO(day), day.slice(0, 4) === today.slice(0, 4) ? 'EEE d MMM' : 'EEE d MMM yyyy');
}
