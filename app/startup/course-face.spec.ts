import { TestBed } from '@angular/core/testing';
import { dayAfter, dayOf } from '../../core/schedule/day';
import { tank } from '../../core/testing/tanks';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { CourseFace } from './course-face';

const today = dayOf(new Date());
const begun = (daysAgo: number) => {
  const design = tank([['danio-margaritatus', 10]], { heaterC: 24 });
  return {
    ...design,
    startup: {
      begun: dayAfter(today, -daysAgo),
      method: 'dosed' as const,
      doseMgNPerLPerDay: 0.3,
      inoculum: 'none' as const,
      inoculumL: 0,
      challengedOn: null,
      seen: {},
      tests: {},
    },
  };
};

describe('the course of a start', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('has nothing at first, and a plan at a press', async () => {
    const { press, design, until, text } = await openBench(CourseFace, tank([['danio-margaritatus', 10]], { heaterC: 24 }));
    expect(text('.empty')).toContain('Nothing is said yet');
    await press('Plan the start');
    expect(design().startup).toEqual(jasmine.objectContaining({ begun: today, method: 'dosed', inoculum: 'none' }));
    await until('tr-band-chart svg');
    expect(text('.lead')).toMatch(/Ammonia and nitrite stay away from about .*nine in ten/);
  });

  it('takes a test in what the kit reads, keeps it as nitrogen, and narrows by it', async () => {
    const { type, press, design, until, untilLines, text, host } = await openBench(CourseFace, begun(20));
    await until('tr-band-chart svg');
    await type('Ammonia', '1.29');
    await type('Nitrite', '3.28');
    await press('Put it down');
    await untilLines(1);
    const [test] = Object.values(design().startup!.tests);
    expect(test!.ammoniaMgN).toBeCloseTo(1, 2);
    expect(test!.nitriteMgN).toBeCloseTo(1, 2);
    expect(host.querySelectorAll('[data-control=tests] tbody tr').length).toBe(1);
    expect(text('[data-control=readiness]')).toMatch(/Ammonia or nitrite was seen, and went ?: not shown yet/);
  });

  it('refuses a test of tomorrow, before the start, or of nothing; and loses nothing', async () => {
    const { press, design, host, refresh, text, type, untilLines } = await openBench(CourseFace, begun(5));
    const date = host.querySelector<HTMLInputElement>('[data-control=tests] input[type=date]')!;
    const on = async (day: string) => {
      date.value = day;
      date.dispatchEvent(new Event('input'));
      await refresh();
      await press('Put it down');
      return text('[data-control=tests] [role=alert]');
    };
    expect(await on(today)).toContain('Say what was read');
    await type('Ammonia', '0.5');
    expect(await on(dayAfter(today, 1))).toContain('has not come yet');
    expect(await on(dayAfter(today, -6))).toContain('before the start');
    expect(design().startup!.tests).toEqual({});
    expect(await on(today)).toBe('');
    await untilLines(1);
    expect(Object.keys(design().startup!.tests).length).toBe(1);
  });

  it('says what is shown before animals come, and puts tests and challenge into Care', async () => {
    const day = (daysAgo: number, ammoniaMgN: number, nitriteMgN: number, order: number) => ({
      order,
      day: dayAfter(today, -daysAgo),
      kit: 'drops' as const,
      ammoniaMgN,
      nitriteMgN,
      nitrateMgN: null,
    });
    const design = begun(50);
    const {
      text,
      until,
      press,
      design: now,
    } = await openBench(CourseFace, {
      ...design,
      startup: { ...design.startup, tests: { a: day(30, 2, 0.2, 1), b: day(20, 0.1, 3, 2), c: day(9, 0, 0, 3), d: day(1, 0, 0, 4) } },
    });
    expect(text('[data-control=readiness]')).toMatch(/seen, and went ?: shown.*a week of tests ?: shown.*challenge dose.*: not shown yet/);
    // by kind: what is hand-seen is written down with its day
    expect(text('.kinds')).toMatch(/10 Danio margaritatus ?\d things are not shown yet/);
    await press('Their weeks apart are over, and nothing was seen');
    expect(now().startup!.seen).toEqual({ arrivals: today });
    await press('Their weeks apart are over, and nothing was seen');
    expect(now().startup!.seen).toEqual({});
    await until('tr-band-chart svg');
    const [, count] = /Put (\d+) steps into Care/.exec(text('tr-plan-start'))!;
    await press(`Put ${count} steps into Care`);
    expect(Object.values(now().care.steps).map(({ code }) => code)).toEqual(jasmine.arrayContaining(['test', 'challenge', 'ready']));
  });

  it('shows what could be done against how it goes now, before it is done, and makes it a step', async () => {
    const { press, until, text, host, design, refresh } = await openBench(CourseFace, begun(12));
    await until('tr-band-chart svg');
    expect(host.querySelector('path.beside')).toBeNull();
    await press('grown-in media');
    await until('path.beside');
    expect(text('.what-if + p')).toMatch(/^Dashed: grown-in media from today on\. They stay away \d+ days sooner, usually\./);
    expect(design().care.steps).toEqual({});
    await press('Put 1 step into Care');
    expect(Object.values(design().care.steps).map(({ code, day, values }) => [code, day, values])).toEqual([
      ['media', today, { litres: jasmine.any(Number) as unknown as number }],
    ]);
    await press('grown-in media');
    await refresh();
    expect(host.querySelector('path.beside')).toBeNull();
  });
});
