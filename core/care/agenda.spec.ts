import fc from 'fast-check';
import { dayAfter, daysFrom } from '../schedule/day';
import { agenda, nextDue } from './agenda';
import type { Duty, Mark } from './duty';

const duty = (id: string, everyDays: number, rest: Partial<Duty> = {}): Duty => ({
  id,
  code: 'own',
  everyDays,
  on: null,
  weekdays: null,
  months: null,
  minutes: 1,
  values: {},
  litresByMonth: null,
  pourL: {},
  saltsG: {},
  subjects: [],
  usualDays: null,
  ...rest,
});
const mark = (day: string, how: Mark['how'] = 'done', days: number | null = null): Mark => ({ day, how, days });
const SINCE = '2026-02-01';

describe('when a duty falls due', () => {
  it('counts from when it was done last, whenever that was, and from the beginning where it never was', () => {
    expect(nextDue(duty('a', 7), [], SINCE)!.day).toBe('2026-02-08');
    expect(nextDue(duty('a', 1), [], SINCE)!.day).toBe(SINCE);
    expect(nextDue(duty('a', 7), [mark('2026-02-08'), mark('2026-02-17')], SINCE)).toEqual({
      day: '2026-02-24',
      last: '2026-02-17',
      putOff: false,
    });
  });

  it('counts on from one that was left out, but does not take it for done', () => {
    expect(nextDue(duty('a', 7), [mark('2026-02-08'), mark('2026-02-15', 'skipped')], SINCE)).toEqual({
      day: '2026-02-22',
      last: '2026-02-08',
      putOff: false,
    });
  });

  it('waits as long as it was put off, until it is done', () => {
    const put = [mark('2026-02-08'), mark('2026-02-15', 'later', 3)];
    expect(nextDue(duty('a', 7), put, SINCE)).toEqual({ day: '2026-02-18', last: '2026-02-08', putOff: true });
    expect(nextDue(duty('a', 7), [...put, mark('2026-02-19', 'otherwise')], SINCE)!.day).toBe('2026-02-26');
  });

  it('is over once it is done, where it falls on one day', () => {
    expect(nextDue(duty('a', 28, { on: '2026-03-01' }), [], SINCE)!.day).toBe('2026-03-01');
    expect(nextDue(duty('a', 28, { on: '2026-03-01' }), [mark('2026-03-02')], SINCE)).toBeNull();
  });

  it('goes by days over a leap day and a change of clocks', () => {
    expect(nextDue(duty('a', 1), [mark('2028-02-28')], SINCE)!.day).toBe('2028-02-29');
    expect(nextDue(duty('a', 7), [mark('2026-03-25')], SINCE)!.day).toBe('2026-04-01');
  });
});

describe('the agenda', () => {
  const run = (duties: Duty[], marks: Record<string, Mark[]>, today: string, days: number) =>
    agenda(duties, new Map(Object.entries(marks)), SINCE, today, days);

  it('has what waits on today, with how long it waits, and the rest on its days', () => {
    const found = run([duty('change', 7), duty('squeeze', 21)], { change: [mark('2026-02-20')] }, '2026-03-02', 14);
    expect(found.map(({ duty: { id }, day, overdueDays }) => [id, day, overdueDays])).toEqual([
      ['change', '2026-03-02', 3],
      ['squeeze', '2026-03-02', 8],
      ['change', '2026-03-09', 0],
    ]);
  });

  it('does not pile up what is done daily', () => {
    const found = run([duty('feed', 1)], { feed: [mark('2026-02-20')] }, '2026-03-02', 3);
    expect(found.map(({ day, overdueDays }) => [day, overdueDays])).toEqual([
      ['2026-03-02', 0],
      ['2026-03-03', 0],
      ['2026-03-04', 0],
    ]);
  });

  it('has nothing of today once it was done today', () => {
    expect(run([duty('feed', 1)], { feed: [mark('2026-03-02')] }, '2026-03-02', 2).map(({ day }) => day)).toEqual(['2026-03-03']);
  });

  it('leaves out the days and months in which it does not fall', () => {
    // Sundays 1, 8 and 15 March
    const fed = run([duty('feed', 1, { weekdays: [0, 1, 2, 3, 4, 5] })], {}, '2026-03-01', 15).map(({ day }) => day);
    expect(fed.length).toBe(12);
    expect(fed).not.toContain('2026-03-08');
    expect(run([duty('heat', 1, { months: [6] })], {}, '2026-06-29', 4).map(({ day }) => day)).toEqual(['2026-07-01', '2026-07-02']);
  });

  it('never asks for a thing twice within its interval, nor for anything before today or after its days', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ every: fc.integer({ min: 1, max: 40 }), done: fc.option(fc.integer({ min: -60, max: 0 })) }), {
          maxLength: 6,
        }),
        fc.integer({ min: 1, max: 90 }),
        (specs, days) => {
          const today = '2026-05-10';
          const duties = specs.map(({ every }, i) => duty(`d${i}`, every));
          const marks = new Map(specs.map(({ done }, i) => [`d${i}`, done === null ? [] : [mark(dayAfter(today, done))]]));
          const found = agenda(duties, marks, SINCE, today, days);
          for (const { day } of found) expect(daysFrom(today, day) >= 0 && daysFrom(today, day) < days).toBeTrue();
          for (const { id, everyDays } of duties) {
            const mine = found.filter((one) => one.duty.id === id).map(({ day }) => day);
            for (const [i, day] of mine.slice(1).entries()) expect(daysFrom(mine[i]!, day)).toBe(everyDays);
          }
        },
      ),
    );
  });
});
