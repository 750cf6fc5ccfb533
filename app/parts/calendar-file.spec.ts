import ICAL from 'ical.js';
import { calendarFile, type CalendarEntry } from './calendar-file';

const tank = { id: 'peat-pocket', name: 'Peat pocket' };
const entries: CalendarEntry[] = [
  {
    id: 'p1-1',
    tank,
    everyDays: null,
    day: '2026-12-31',
    title: 'Change 12 L',
    detail: '12 L Limestone tap, at the tank’s temperature.',
    plan: 'Start-up',
  },
  {
    id: 'p1-2',
    tank,
    everyDays: null,
    day: '2027-02-28',
    title: 'Challenge the filter; “really”, or, say, not',
    detail: `A long text with commas, semicolons; a \\ and\na second line. ${'Long words. '.repeat(20)}`,
    plan: 'Start-up, the second',
  },
];
const file = (at = new Date('2026-12-01T10:00:00Z')) => calendarFile('Peat pocket', entries, at);

describe('dated steps as a calendar', () => {
  it('are read by another reader of iCalendar as they were: days, words, signs', () => {
    const calendar = new ICAL.Component(ICAL.parse(file()));
    const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    expect(events.map(({ summary }) => summary)).toEqual(entries.map(({ title }) => `Peat pocket: ${title}`));
    expect(events.map(({ description }) => description)).toEqual(entries.map(({ detail }) => detail));
    expect(events.map(({ startDate }) => startDate.toString())).toEqual(['2026-12-31', '2027-02-28']);
    expect(events.map(({ endDate }) => endDate.toString())).toEqual(['2027-01-01', '2027-03-01']);
    expect(events.every(({ startDate }) => startDate.isDate)).toBeTrue();
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(2);
  });

  it('keep to the rules of the format: CRLF, no line over 75 octets, and what every event must have', () => {
    const text = file();
    expect(text.startsWith('BEGIN:VCALENDAR\r\n')).toBeTrue();
    expect(text.endsWith('END:VCALENDAR\r\n')).toBeTrue();
    expect(/[^\r]\n/.test(text)).toBeFalse();
    for (const line of text.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    expect(text.match(/^UID:/gm)!.length).toBe(2);
    expect(text.match(/^DTSTAMP:20261201T100000Z/gm)!.length).toBe(2);
  });

  it('have the same ids whenever the file is written, so that nothing is doubled', () => {
    const ids = (text: string) => text.match(/^UID:.*$/gm);
    expect(ids(file(new Date('2027-01-01T00:00:00Z')))).toEqual(ids(file()));
  });

  it('come again as often as they fall due, with a word on the evening before; what is daily has none', () => {
    const again = (id: string, everyDays: number): CalendarEntry => ({
      id,
      tank,
      everyDays,
      day: '2026-12-03',
      title: id,
      detail: '',
      plan: 'Routine',
    });
    const text = calendarFile('The room', [again('change', 10), again('feed', 1)], new Date('2026-12-01T10:00:00Z'));
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    const days = (event: ICAL.Event) => {
      const iterator = event.iterator();
      return [1, 2, 3].map(() => iterator.next()!.toString());
    };
    expect(days(events[0]!)).toEqual(['2026-12-03', '2026-12-13', '2026-12-23']);
    expect(days(events[1]!)).toEqual(['2026-12-03', '2026-12-04', '2026-12-05']);
    const alarms = events.map((event) => event.component.getAllSubcomponents('valarm'));
    expect(alarms.map(({ length }) => length)).toEqual([1, 0]);
    expect(alarms[0]![0]!.getFirstPropertyValue('trigger')!.toString()).toBe('-PT5H');
  });
});
