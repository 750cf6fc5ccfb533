import fc from 'fast-check';
import { RECORDED_FAULTS, recordedTank } from '../testing/recorded-tanks';
import { Entry, type NewEntry } from './model';
import { signsOf, type Sign, type SignContext } from './signs';
import { timelineOf } from './timeline';
import { bothTails, leftByLine, leftByStep, mannKendall, pettitt, theilSen } from './trend';

describe('trends and steps', () => {
  it('have the tails of the normal distribution: standard tables', () => {
    for (const [z, p] of [
      [0, 1],
      [1, 0.3173],
      [1.96, 0.05],
      [2.5758, 0.01],
      [3.2905, 0.001],
    ] as const)
      expect(bothTails(z)).withContext(String(z)).toBeCloseTo(p, 4);
  });

  it('count pairs as Mann and Kendall do, ties reckoned with', () => {
    // n(n − 1)(2n + 5)/18 with n = 10, all pairs rising
    const rising = Array.from({ length: 10 }, (_, i) => i);
    expect(mannKendall(rising)).toEqual({ s: 45, variance: 125, p: jasmine.any(Number) as unknown as number });
    // z = 44/√125 = 3.935
    expect(mannKendall(rising).p).toBeCloseTo(0.0000831, 6);
    // two tied groups of two among six: (6·5·17 − 2·2·1·9)/18
    expect(mannKendall([1, 2, 2, 3, 3, 4]).variance).toBeCloseTo((510 - 36) / 18, 9);
    expect(mannKendall([5, 5, 5, 5, 5, 5])).toEqual({ s: 0, variance: 0, p: 1 });
  });

  it('cry a trend over noise no more often than they say', () => {
    let seed = 12345;
    const uniform = () => (seed = (Math.imul(seed, 1103515245) + 12345) >>> 0) / 2 ** 32;
    const cried =
      Array.from({ length: 1500 }, () => mannKendall(Array.from({ length: 20 }, uniform)).p < 0.05).filter((one) => one).length / 1500;
    expect(cried).toBeGreaterThan(0.025);
    expect(cried).toBeLessThan(0.07);
  });

  it('give the slope of a line whatever a few wild readings say', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 2, noNaN: true }), fc.integer({ min: 0, max: 19 }), (slope, at) => {
        const days = Array.from({ length: 20 }, (_, i) => 3 * i);
        const values = days.map((day, i) => 5 + slope * day + (i === at ? 500 : 0));
        expect(theilSen(days, values).perDay).toBeCloseTo(slope, 6);
      }),
    );
    const { low, high, perDay } = theilSen([0, 1, 2, 3, 4, 5, 6, 7], [0, 1.2, 1.9, 3.3, 3.8, 5.1, 6, 7.2]);
    expect(low).toBeLessThan(perDay);
    expect(high).toBeGreaterThan(perDay);
    expect(low).toBeGreaterThan(0.8);
  });

  it('find a step where it is, and tell it from a line', () => {
    const noise = [0.1, -0.2, 0.05, -0.1, 0.2, 0, -0.05, 0.1, -0.15, 0.1, 0.05, -0.1, 0.1, 0, -0.2, 0.15];
    const stepped = noise.map((one, i) => one + (i >= 9 ? 3 : 0));
    const step = pettitt(stepped)!;
    expect(step.at).toBe(9);
    expect(step.after - step.before).toBeCloseTo(3, 0);
    expect(step.p).toBeLessThan(0.01);
    const days = stepped.map((_, i) => i);
    expect(leftByStep(stepped, step)).toBeLessThan(0.5 * leftByLine(days, stepped, theilSen(days, stepped)));
    const sloped = noise.map((one, i) => one + 0.3 * i);
    expect(leftByStep(sloped, pettitt(sloped)!)).toBeGreaterThan(leftByLine(days, sloped, theilSen(days, sloped)));
    expect(pettitt([1, 2, 3])).toBeNull();
  });
});

/** Whether a fault is told: by its own name, or as the other end of one that was told. */
const KEY: Readonly<Record<string, string>> = { 'kh-falling': 'khDh', 'nitrate-rising': 'nitrateMgPerL' };
const tells = (signs: readonly Sign[], fault: string) =>
  signs.some(
    ({ code, subjects }) => code === fault || ((code === 'kh-falling' || code === 'nitrate-rising') && subjects.includes(KEY[fault] ?? '')),
  );

describe('what a log shows, on tanks that were followed by the balance', () => {
  it('is nothing in twenty quiet tanks', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const { entries, context } = recordedTank(seed, null);
      expect(signsOf(timelineOf(entries), context).map(({ code, parameter }) => `${code} ${parameter}`))
        .withContext(`tank ${seed}`)
        .toEqual([]);
    }
  });

  for (const fault of RECORDED_FAULTS)
    it(`is ${fault} in nine of ten where that is what went wrong, and nothing else beside it`, () => {
      let [found, beside] = [0, 0];
      for (let seed = 101; seed <= 110; seed++) {
        const { entries, context } = recordedTank(seed, fault);
        const signs = signsOf(timelineOf(entries), context);
        if (tells(signs, fault)) found += 1;
        beside += Math.max(0, signs.length - 1);
      }
      expect(found).toBeGreaterThanOrEqual(9);
      expect(beside).toBeLessThanOrEqual(1);
    });
});

describe('what a log shows of what was seen', () => {
  const context: SignContext = {
    today: '2026-06-30',
    now: Date.parse('2026-06-30T20:00:00Z'),
    kits: {},
    windows: {},
    setPointC: null,
    soil: false,
    invertebrates: true,
    starting: false,
    expected: null,
  };
  const lines = (...entries: (NewEntry & { day: string })[]) =>
    timelineOf(
      entries.map(({ day, ...entry }, i) =>
        Entry.parse({ note: '', ...entry, id: `n${i}`, at: `${day}T12:00:00Z`, written: `${day}T12:00:00Z`, corrects: null }),
      ),
    );
  const codes = (all: ReturnType<typeof lines>, by: Partial<SignContext> = {}) =>
    signsOf(all, { ...context, ...by }).map(({ code }) => code);
  const read = (day: string, values: object, more: object = {}) =>
    ({ day, kind: 'reading', of: '', from: 'hand', simulated: false, kit: 'drops', kitId: null, values, ...more }) as NewEntry & {
      day: string;
    };
  const died = (day: string, count: number) =>
    ({ day, kind: 'animals', became: 'died', organismId: 'x', count, cause: 'unknown' }) as const;

  it('is copper as long as the last test shows it, and a conflict for shrimp', () => {
    const all = lines(read('2026-05-01', { copperMgPerL: 0.2 }), read('2026-06-01', { copperMgPerL: 0.2 }));
    expect(signsOf(all, context)[0]).toEqual(jasmine.objectContaining({ code: 'copper', weight: 'conflict', since: '2026-05-01' }));
    expect(signsOf(all, { ...context, invertebrates: false })[0]!.weight).toBe('watch');
    expect(codes(lines(read('2026-05-01', { copperMgPerL: 0.2 }), read('2026-06-01', { copperMgPerL: 0 })))).toEqual([]);
  });

  it('is ammonia in a tank that has grown in, and none in one that is being started', () => {
    const all = lines(read('2026-06-25', { ammoniaMgNPerL: 0.8, nitriteMgNPerL: 0.4 }));
    expect(codes(all)).toEqual(['ammonia']);
    expect(codes(all, { starting: true })).toEqual([]);
    expect(codes(lines(read('2026-06-25', { ammoniaMgNPerL: 0.1 })))).toEqual([]);
  });

  it('is deaths that come together, and not one now and then', () => {
    expect(codes(lines(died('2026-06-22', 1), died('2026-06-25', 2)))).toEqual(['losses']);
    expect(codes(lines(died('2026-03-22', 2), died('2026-05-10', 1), died('2026-06-25', 1)))).toEqual([]);
    // a large colony loses as many every fortnight
    expect(codes(lines(...['05-01', '05-12', '05-25', '06-04', '06-14', '06-24'].map((day) => died(`2026-${day}`, 3))))).toEqual([]);
  });

  it('is an animal that has stopped eating', () => {
    const look = (day: string, ate: boolean) => ({ day, kind: 'eating', organismId: 'x', ate }) as const;
    expect(codes(lines(look('2026-06-01', true), look('2026-06-10', false), look('2026-06-14', false), look('2026-06-18', false)))).toEqual(
      ['not-eating'],
    );
    expect(codes(lines(look('2026-06-10', false), look('2026-06-14', false), look('2026-06-18', true)))).toEqual([]);
  });

  it('is two kits that do not agree, a kit past its date, and the heater set to another figure than was meant', () => {
    const both = lines(read('2026-06-20', { ph: 6.2 }), read('2026-06-20', { ph: 7.6 }, { kit: 'meter' }));
    expect(codes(both)).toEqual(['kits-differ']);
    expect(codes(lines(read('2026-06-20', { ph: 7.4 }), read('2026-06-20', { ph: 7.6 }, { kit: 'meter' })))).toEqual([]);
    const old = {
      order: 1,
      name: 'KH',
      kit: 'drops' as const,
      reads: ['khDh' as const],
      step: 1,
      error: null,
      expires: '2026-01-01',
      calibratedOn: null,
      calibrateEveryDays: null,
    };
    expect(codes([], { kits: { old } })).toEqual([]);
    expect(codes(lines(read('2026-06-20', { khDh: 4 }, { kitId: 'old' })), { kits: { old } })).toEqual(['kit-past']);
    const warm = lines(...['06-10', '06-14', '06-18', '06-22', '06-26'].map((day) => read(`2026-${day}`, { temperatureC: 23.1 })));
    expect(codes(warm, { setPointC: 20 })).toEqual(['set-point']);
    expect(codes(warm, { setPointC: 23 })).toEqual([]);
    expect(codes(warm)).toEqual([]);
  });
});
