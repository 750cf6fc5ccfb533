import ICAL from 'ical.js';
import { dayAfter, type Day } from '../../core/schedule/day';

/** Something to do on a day, in plain words. */
export interface CalendarEntry {
  id: string;
  tank: { id: string; name: string };
  day: Day;
  /** Again every so many days; null for once. */
  everyDays: number | null;
  title: string;
  detail: string;
  /** The plan that it belongs to. */
  plan: string;
}

/**
 * What is to be done as an iCalendar file (RFC 5545): an event of a whole day for each, again and again where it recurs, with a word at seven
 * on the evening before; what is done daily has none. The same steps give the
 * same ids, so that a file that is taken in again renews its entries and does not double them.
 *
 * @param at when the file is written, to the second
 */
export function calendarFile(name: string, entries: readonly CalendarEntry[], at: Date): string {
  // its reckoning leaves out the blank that a folded line begins with
  ICAL.foldLength = 74;
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Terroir//Care//EN');
  calendar.addPropertyWithValue('x-wr-calname', name);
  for (const { id, tank, day, everyDays, title, detail, plan } of entries) {
    const event = new ICAL.Component('vevent');
    event.addPropertyWithValue('uid', `${id}.${tank.id}@terroir`);
    event.addPropertyWithValue('dtstamp', ICAL.Time.fromJSDate(at, true));
    event.addPropertyWithValue('dtstart', ICAL.Time.fromDateString(day));
    event.addPropertyWithValue('dtend', ICAL.Time.fromDateString(dayAfter(day, 1)));
    event.addPropertyWithValue('summary', `${tank.name}: ${title}`);
    event.addPropertyWithValue('description', detail);
    event.addPropertyWithValue('categories', plan);
    if (everyDays !== null) event.addPropertyWithValue('rrule', ICAL.Recur.fromData({ freq: 'DAILY', interval: everyDays }));
    event.addPropertyWithValue('transp', 'TRANSPARENT');
    if (everyDays !== 1) event.addSubcomponent(alarmOf(title));
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}

function alarmOf(title: string): ICAL.Component {
  const alarm = new ICAL.Component('valarm');
  alarm.addPropertyWithValue('action', 'DISPLAY');
  alarm.addPropertyWithValue('description', title);
  alarm.addPropertyWithValue('trigger', ICAL.Duration.fromString('-PT5H'));
  return alarm;
}
