import { timelineOf } from '../../log/timeline';
import { Entry, type NewEntry } from '../../log/model';
import { USUAL_MONITOR } from '../../care/model';
import { METRIC } from '../../quantity/format';
import { dayAfter } from '../../schedule/day';
import type { Design } from '../../design/design';
import { catalogue, demoDesigns, lowBarn, shellBed, tank, weedyThicket } from '../../testing/tanks';
import { assess } from '../assess';
import { wordDuty } from '../wording/duties';
import { agendaOf, marksOf, runsSince, withoutChange } from './agenda';
import { dutiesOf, hoursPerWeekOf, leftOut } from './duties';

const TODAY = '2026-07-15';
const judged = (design: Design) => assess({ design, room: lowBarn, catalogue }, new Map());
const dutyOf = (design: Design, id: string) => dutiesOf(judged(design), TODAY).find((one) => one.id === id);
let count = 0;
const line = (day: string, what: NewEntry, corrects: string | null = null) =>
  Entry.parse({ note: '', ...what, id: `e${++count}`, at: `${day}T18:00:00+02:00`, written: `${day}T18:00:00+02:00`, corrects });
const withCare = (design: Design, care: Partial<Design['care']>): Design => ({ ...design, care: { ...design.care, ...care } });

describe('what a tank asks of its keeper', () => {
  it('comes of what stands in it: no feed without animals, no trimming without plants, no test of a filter’s start once it is over', () => {
    const codes = (design: Design) => new Set(dutiesOf(judged(design), TODAY).map(({ code }) => code));
    const empty = codes(tank([]));
    for (const code of ['feed', 'look', 'trim', 'count', 'service'] as const) expect(empty.has(code)).withContext(code).toBeFalse();
    const thicket = codes(weedyThicket);
    for (const code of ['feed', 'look', 'trim', 'count', 'change', 'test'] as const) expect(thicket.has(code)).withContext(code).toBeTrue();
    const starting = {
      ...shellBed,
      startup: {
        begun: '2026-07-01',
        method: 'media' as const,
        doseMgNPerLPerDay: 0,
        inoculum: 'media' as const,
        inoculumL: 1,
        challengedOn: null,
        seen: {},
        tests: {},
      },
    };
    expect(dutyOf(starting, 'test:start')?.subjects).toContain('nitriteMgNPerL');
    expect(dutyOf({ ...starting, startup: { ...starting.startup, challengedOn: '2026-07-10' } }, 'test:start')).toBeUndefined();
  });

  it('changes what is planned: so many litres of each source, and salts by the litre', () => {
    const change = dutyOf(withCare(shellBed, { change: { fraction: 0.25, everyDays: 10 } }), 'change')!;
    const litres = judged(shellBed).derived['vessel.system-volume'].value!;
    expect(change.everyDays).toBe(10);
    expect(change.values['litres']).toBeCloseTo(litres / 4, 6);
    expect(Object.values(change.pourL).reduce((sum, one) => sum + one, 0)).toBeCloseTo(litres / 4, 6);
    const salted = { ...shellBed, water: { ...shellBed.water, salts: { a: { order: 1, saltId: 'epsom-salt', mgPerL: 100 } } } };
    expect(dutyOf(salted, 'change')!.saltsG['epsom-salt']).toBeCloseTo(0.1 * litres * change.values['fraction']!, 6);
  });

  it('tops up by the season, and leaves it where a lid holds it', () => {
    const open = withCare(weedyThicket, { topUp: { sourceId: 'ro', everyDays: 3 } });
    const topUp = dutyOf(open, 'top-up')!;
    expect(topUp.everyDays).toBe(3);
    expect(Math.max(...topUp.litresByMonth!)).toBeGreaterThan(1.1 * Math.min(...topUp.litresByMonth!));
    expect(dutyOf(withCare(open, { topUp: { sourceId: 'ro', everyDays: 0 } }), 'reservoir')).toBeDefined();
    expect(dutyOf(shellBed, 'top-up')).toBeUndefined();
  });

  it('is done as its keeper does it, and what is left out by choice can be had back', () => {
    const own = withCare(shellBed, {
      habits: { panes: 14, count: null },
      own: { a: { order: 1, title: 'Turn the shells', everyDays: 30, minutes: 5 } },
    });
    expect(dutyOf(own, 'panes')).toEqual(jasmine.objectContaining({ everyDays: 14, usualDays: 7 }));
    expect(dutyOf(own, 'count')).toBeUndefined();
    expect(leftOut(judged(own), TODAY).map(({ id }) => id)).toEqual(['count']);
    expect(wordDuty(dutyOf(own, 'own:a')!, TODAY, judged(own), METRIC).title).toBe('Turn the shells');
  });

  it('calibrates the probes of a monitor, each at its time from when it was held in something known', () => {
    expect(dutyOf(shellBed, 'calibrate:ph')).toBeUndefined();
    const point = { read: 7.1, is: 7, day: '2026-07-01' };
    const probed = withCare(shellBed, { since: '2026-01-01', monitor: { ...USUAL_MONITOR, calibration: { ph: [point] } } });
    const due = agendaOf(probed, dutiesOf(judged(probed), TODAY), [], TODAY, 60)!.filter(({ duty }) => duty.code === 'calibrate');
    expect(due.map(({ duty, day }) => [duty.id, day])).toEqual([
      ['calibrate:ec25UsPerCm', TODAY],
      ['calibrate:ph', '2026-07-31'],
      ['calibrate:ph', '2026-08-30'],
    ]);
    expect(wordDuty(due[1]!.duty, TODAY, judged(probed), METRIC).title).toBe('Calibrate the probe of pH');
  });

  it('ends the weeks apart four weeks after the last came (common practice)', () => {
    const apart: Design = {
      ...tank([['neocaridina-davidi', 10]]),
      id: 'apart',
      brief: { ...shellBed.brief, targetStockIds: [], purpose: 'quarantine' },
    };
    const room = {
      ...lowBarn,
      lots: {
        l: {
          order: 1,
          kind: 'animal' as const,
          organismId: 'neocaridina-davidi',
          name: 'New ones',
          from: '',
          parentId: null,
          line: '',
          generation: '',
          ateOn: null,
          surplus: 0,
          home: '',
        },
      },
      moves: {
        m: { order: 1, day: '2026-07-01', lotId: 'l', why: 'arrived' as const, amount: 10, error: 0, from: null, to: 'apart', note: '' },
      },
    };
    const found = dutiesOf(assess({ design: apart, room, catalogue }, new Map()), TODAY).find(({ code }) => code === 'apart-over');
    expect(found?.on).toBe('2026-07-29');
  });

  it('says every duty of every tank in whole sentences, in words and with figures', () => {
    for (const design of demoDesigns) {
      const assessment = judged(design);
      const duties = dutiesOf(assessment, TODAY);
      expect(new Set(duties.map(({ id }) => id)).size).toBe(duties.length);
      for (const duty of duties) {
        const { title, detail, left } = wordDuty(duty, TODAY, assessment, METRIC);
        expect(`${title} ${detail} ${left}`)
          .withContext(`${design.name} ${duty.id}`)
          .not.toMatch(/undefined|NaN|null|Infinity/);
        expect(title.length).toBeGreaterThan(4);
      }
      // half an hour to two hours a week for such tanks (common practice)
      expect(hoursPerWeekOf(assessment)).toBeGreaterThan(0.3);
      expect(hoursPerWeekOf(assessment)).toBeLessThan(2);
    }
  });
});

describe('the agenda of a tank', () => {
  const duties = dutiesOf(judged(shellBed), TODAY);
  const change = duties.find(({ id }) => id === 'change')!;

  it('takes a change for a change however it was written, and what was struck out for nothing', () => {
    const done = line('2026-07-10', { kind: 'change', litres: 12, fraction: null });
    const strike = line('2026-07-11', { kind: 'struck' }, done.id);
    expect(marksOf(duties, timelineOf([done])).get('change')).toEqual([{ day: '2026-07-10', how: 'done', days: null }]);
    expect(marksOf(duties, timelineOf([done, strike])).get('change')).toEqual([]);
    const skipped = line('2026-07-12', { kind: 'task', taskId: 'change', title: 'Change', how: 'skipped', days: null });
    const due = agendaOf(shellBed, duties, timelineOf([done, skipped]), TODAY, 30)!.filter(({ duty }) => duty.id === 'change');
    expect(due[0]!.day).toBe(dayAfter('2026-07-12', change.everyDays));
    expect(due[0]!.last).toBe('2026-07-10');
  });

  it('takes a test for one only where most of it was tested, and by hand', () => {
    const reading = (values: Record<string, number>, from: 'hand' | 'probe' = 'hand') =>
      timelineOf([line('2026-07-10', { kind: 'reading', of: '', from, simulated: false, kit: 'drops', kitId: null, values })]);
    expect(marksOf(duties, reading({ ghDh: 10, khDh: 8 })).get('test')!.length).toBe(1);
    // one kit after the other
    expect(marksOf(duties, [...reading({ ghDh: 10 }), ...reading({ khDh: 8 })]).get('test')!.length).toBe(1);
    expect(marksOf(duties, reading({ temperatureC: 25 })).get('test')).toEqual([]);
    expect(marksOf(duties, reading({ ghDh: 10, khDh: 8 }, 'probe')).get('test')).toEqual([]);
  });

  it('has no days while nothing says since when it runs', () => {
    const fresh = { ...shellBed, startup: null };
    expect(agendaOf(fresh, duties, [], TODAY, 30)).toBeNull();
    expect(runsSince(withCare(fresh, { since: '2026-06-01' }), [])).toBe('2026-06-01');
    expect(runsSince(fresh, timelineOf([line('2026-07-02', { kind: 'note', note: 'filled' })]))).toBe('2026-07-02');
  });

  it('says what a change that is left out comes to: more nitrate, by less than double', () => {
    const found = withoutChange(judged(shellBed), 14, 0.25)!;
    expect(found.without).toBeGreaterThan(found.with * 1.05);
    expect(found.without).toBeLessThan(found.with * 2);
  });
});
