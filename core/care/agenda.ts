import { dayAfter, daysFrom, type Day } from '../schedule/day';
import { weekdayOf } from './portions';
import type { Duty, Mark } from './duty';

/** A duty on the day that it falls on. */
export interface Due {
  duty: Duty;
  day: Day;
  /** Days that it has waited by the day the agenda is of; 0 for none. */
  overdueDays: number;
  /** When it was done last; null for not written down yet. */
  last: Day | null;
  /** It was put off to this day. */
  putOff: boolean;
}

/** What is done every day does not pile up: yesterday's feeding is not made good today. */
const DAILY = 2;

const falls = ({ weekdays, months }: Duty, day: Day): boolean =>
  (weekdays === null || weekdays.includes(weekdayOf(day))) && (months === null || months.includes(Number(day.slice(5, 7)) - 1));

/**
 * When a duty falls due next: so long after it was done or left out, or as it was put off since.
 *
 * @param since the day that the routine counts from where nothing was written down of it
 * @returns null for what is over
 */
export function nextDue(duty: Duty, marks: readonly Mark[], since: Day): { day: Day; last: Day | null; putOff: boolean } | null {
  let last: Day | null = null;
  let left: Day | null = null;
  let putOff: Day | null = null;
  for (const mark of [...marks].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))) {
    if (mark.how === 'later') putOff = dayAfter(mark.day, mark.days ?? 1);
    else {
      putOff = null;
      left = mark.day;
      if (mark.how !== 'skipped') last = mark.day;
    }
  }
  if (duty.on !== null) return left !== null ? null : { day: putOff ?? duty.on, last, putOff: putOff !== null };
  // what falls on every day falls on the first too
  const from = left === null ? (duty.everyDays === 1 ? since : dayAfter(since, duty.everyDays)) : dayAfter(left, duty.everyDays);
  return { day: putOff ?? from, last, putOff: putOff !== null };
}

/**
 * All that falls due from a day on, in the order of its days; what was due before and was not done waits on that day.
 *
 * @param marks what was written down, by duty
 * @param days how many days are looked at, the first included
 */
export function agenda(duties: readonly Duty[], marks: ReadonlyMap<string, readonly Mark[]>, since: Day, today: Day, days: number): Due[] {
  const until = dayAfter(today, days - 1);
  const all = duties.flatMap((duty): Due[] => {
    const next = nextDue(duty, marks.get(duty.id) ?? [], since);
    if (!next) return [];
    const { last, putOff } = next;
    let { day } = next;
    let overdueDays = 0;
    if (day < today) {
      overdueDays = duty.everyDays < DAILY ? 0 : daysFrom(day, today);
      day = today;
    }
    const found: Due[] = [];
    for (let first = true; day <= until; first = false) {
      // on a fast day, or out of its season, it waits for the next day that it falls on
      while (day <= until && !falls(duty, day)) day = dayAfter(day, 1);
      if (day > until) break;
      found.push({ duty, day, overdueDays: first ? overdueDays : 0, last, putOff: first && putOff });
      if (duty.on !== null) break;
      day = dayAfter(day, duty.everyDays);
    }
    return found;
  });
  const order = new Map(duties.map(({ id }, i) => [id, i]));
  return all.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0) || order.get(a.duty.id)! - order.get(b.duty.id)!);
}
