import { box, catalogue, find, judge, tank } from '../testing/tanks';
import type { Room } from '../design/room';
import { assess } from './assess';
import { warmthNow } from '../water/reading';
import { begunAsMeasured, compareReadings, fittedCo2Uatm } from './measured';
import { waterMark } from './water-mark';
import { carbonateAtPco2 } from '../chemistry/carbonate-system';
import type { Design } from '../design/design';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import { lowBarn } from '../testing/tanks';
import { doubtOf } from '../reading/doubt';
import { lastReading, markOf, Reading, readingNow, type Readings } from '../water/reading';

const base = tank([['caridina-logemanni', 20]], { vessel: box(450, 280, 300), shares: { ro: 1 } });
const read = (design: Design, readings: Record<string, Partial<Reading>>): Design => ({
  ...design,
  readings: Object.fromEntries(
    Object.entries(readings).map(([id, one], i) => [
      id,
      Reading.parse({ order: i, parameter: 'ph', value: 7, kit: 'drops', day: '2026-05-01', of: waterMark(design, lowBarn), ...one }),
    ]),
  ),
});

describe('a reading', () => {
  it('is refused where no water reads so, or on no day', () => {
    const good = { order: 1, parameter: 'ph', value: 7, kit: 'drops', day: '2026-05-01', of: 'x' };
    expect(Reading.safeParse(good).success).toBeTrue();
    for (const bad of [{ value: 15 }, { value: NaN }, { day: '2026-02-31' }, { day: 'monday' }, { kit: 'nose' }, { parameter: 'lead' }])
      expect(Reading.safeParse({ ...good, ...bad }).success)
        .withContext(JSON.stringify(bad))
        .toBeFalse();
    expect(Reading.safeParse({ ...good, value: 15 }).error?.issues[0]?.message).toContain('15 lies outside 2.5 to 11');
  });

  it('doubts a strip more than drops, drops more than a meter', () => {
    const of = (kit: Reading['kit']) => doubtOf({ parameter: 'ph', kit, value: 7 });
    expect(of('strip')).toBeGreaterThan(of('drops'));
    expect(of('drops')).toBeGreaterThan(of('meter'));
    expect(doubtOf({ parameter: 'ec25UsPerCm', kit: 'meter', value: 1000 })).toBe(30);
  });

  it('is the latest of its day that holds for this water', () => {
    const one = (day: string, of: string, order = 1): Reading => ({ order, parameter: 'ph', value: 7, kit: 'drops', day, of });
    const all: Readings = {
      a: one('2026-05-01', 'now'),
      b: one('2026-05-03', 'now', 2),
      c: one('2026-05-03', 'now', 3),
      d: one('2026-06-01', 'then'),
    };
    expect(readingNow(all, 'ph', 'now')).toBe(all['c']!);
    expect(lastReading(all, 'ph')).toBe(all['d']!);
    expect(readingNow(all, 'ghDh', 'now')).toBeNull();
  });

  it('marks a water by its content, whatever the order of keys', () => {
    expect(markOf({ a: 1, b: [1, 2] })).toBe(markOf({ b: [1, 2], a: 1 }));
    expect(markOf({ a: 1 })).not.toBe(markOf({ a: 2 }));
  });
});

describe('a tank that was measured', () => {
  it('is judged by its readings: pH 7 and GH 9 leave no finding of the model’s softer water', () => {
    const fish = tank([['paracheirodon-innesi', 12]], { vessel: box(600, 300, 300), shares: { ro: 1 } });
    expect(find(judge(fish), 'water.parameter:ghDh:s0')!.values['planned']!.value).toBeLessThan(1);
    const measured = judge(read(fish, { a: { value: 7 }, b: { parameter: 'ghDh', value: 9 }, c: { parameter: 'khDh', value: 4 } }));
    expect(measured.derived['planned.ph'].value).toBe(7);
    expect(measured.derived['planned.ph'].note).toMatch(/^Measured on 2026-05-01 with a drop kit\. Worked out from the plan: /);
    for (const parameter of ['ph', 'ghDh', 'khDh'])
      expect(find(measured, `water.parameter:${parameter}:s0`)?.severity)
        .withContext(parameter)
        .toBe('fits');
  });

  it('does not use a reading of the water before a change, and shows it all the same', () => {
    const measured = read(base, { a: { parameter: 'ghDh', value: 9 } });
    const changed: Design = { ...measured, water: { ...measured.water, salts: { g: { order: 1, saltId: 'gypsum', mgPerL: 100 } } } };
    expect(judge(measured).derived['planned.ghDh'].value).toBe(9);
    expect(judge(changed).derived['planned.ghDh'].value).toBeLessThan(5);
    expect(compareReadings(judge(changed))).toEqual([jasmine.objectContaining({ parameter: 'ghDh', holds: false })]);
    // neither a name nor an animal makes another water of it
    expect(judge({ ...measured, name: 'Renamed', stock: {} }).derived['planned.ghDh'].value).toBe(9);
  });

  it('stands between the edges of the very kit it was read with: its step, and twice as wide past its date', () => {
    const kit = {
      order: 1,
      name: 'KH by half drops',
      kit: 'drops' as const,
      reads: ['khDh' as const],
      step: 0.5,
      error: null,
      expires: null as string | null,
      calibratedOn: null,
      calibrateEveryDays: null,
    };
    const of = (kits: Room['kits'], kitId?: string) => {
      const design = read(base, { a: { parameter: 'khDh', value: 4, ...(kitId ? { kitId } : {}) } });
      return assess({ design, room: { ...lowBarn, kits }, catalogue }, new Map()).derived['planned.khDh'].interval;
    };
    expect(of({ fine: kit })).toEqual([3.4, 4.6]);
    expect(of({ fine: kit }, 'fine')).toEqual([3.5, 4]);
    expect(of({ fine: { ...kit, expires: '2026-01-01' } }, 'fine')).toEqual([3.25, 4.25]);
    // one that is gone from the room is as such kits are
    expect(of({}, 'fine')).toEqual([3.4, 4.6]);
  });

  it('says where model and reading part, and why that may be', () => {
    const [kh, gh] = [
      { parameter: 'khDh', value: 6 },
      { parameter: 'ghDh', value: 0.3, kit: 'meter' },
    ] as const;
    const compared = compareReadings(judge(read(base, { kh, gh })));
    const of = (parameter: string) => compared.find((one) => one.parameter === parameter)!;
    expect(of('khDh').differs).toBeTrue();
    expect(of('khDh').worked).toBeLessThan(0.5);
    expect(of('khDh').why[0]).toContain('lime');
    expect(of('ghDh').differs).toBeFalse();
    expect(of('ghDh').why).toEqual([]);
  });

  it('takes nitrate as measured', () => {
    const fish = tank([['paracheirodon-innesi', 12]], { vessel: box(600, 300, 300) });
    const nitrate = (value: number) => find(judge(read(fish, { a: { parameter: 'nitrateMgPerL', value } })), 'water.nitrate')!;
    expect(nitrate(10).severity).toBe('fits');
    expect(nitrate(200).severity).not.toBe('fits');
    expect(nitrate(200).values['nitrate']!.value).toBe(200);
  });

  it('fits the carbon dioxide to a measured pH and KH', () => {
    const khDh = 4;
    const t = 21;
    const heated = tank([['caridina-logemanni', 20]], { vessel: box(450, 280, 300), shares: { ro: 1 }, heaterC: t });
    const { ph } = carbonateAtPco2({ temperatureC: t, alkalinityMeqPerL: khDh * MEQ_PER_DEGREE_ALKALINITY }, 2500);
    const fitted = fittedCo2Uatm(judge(read(heated, { a: { value: ph, kit: 'meter' }, b: { parameter: 'khDh', value: khDh } })));
    expect(fitted! / 2500).toBeCloseTo(1, 1);
    expect(fittedCo2Uatm(judge(read(heated, { a: { value: ph } })))).toBeNull();
  });

  it('begins the look ahead at what was measured', () => {
    const fish = tank([['paracheirodon-innesi', 12]], { vessel: box(600, 300, 300) });
    const measured = judge(
      read(fish, { a: { parameter: 'khDh', value: 2 }, b: { parameter: 'ghDh', value: 6 }, c: { parameter: 'nitrateMgPerL', value: 62 } }),
    );
    const { scenario } = measured.derived['tank.ahead'].value!;
    const begun = begunAsMeasured(scenario, measured);
    expect(begun.of).toEqual(['ghDh', 'khDh', 'nitrateMgPerL']);
    const { start } = begun.scenario;
    expect(start.alkalinityMeq / MEQ_PER_DEGREE_ALKALINITY).toBeCloseTo(2, 6);
    expect((start.calciumMmol + start.magnesiumMmol) / 0.17832).toBeCloseTo(6, 1);
    expect(start.calciumMmol / start.magnesiumMmol).toBeCloseTo(scenario.start.calciumMmol / scenario.start.magnesiumMmol, 6);
    // 62.004 mg of nitrate hold 14.007 mg of nitrogen
    expect(start.nitrateMgN).toBeCloseTo(14.007, 1);
    // changes still bring what is planned
    expect(begun.scenario.replacement).toEqual(scenario.replacement);
    expect(begunAsMeasured(scenario, judge(fish)).of).toEqual([]);
  });

  it('holds a thermometer against the month it was read in', () => {
    const fish = tank([['paracheirodon-innesi', 12]], { vessel: box(600, 300, 300), heaterC: 25 });
    const warmth = (value: number) => compareReadings(judge(read(fish, { a: { parameter: 'temperatureC', value, kit: 'meter' } })))[0]!;
    expect(warmth(25.2).differs).toBeFalse();
    expect(warmth(22.5)).toEqual(jasmine.objectContaining({ differs: true, holds: true }));
    expect(warmth(22.5).why[0]).toContain('cooler');
    const { readings } = read(fish, { a: { parameter: 'temperatureC', value: 22 } });
    expect(warmthNow(readings, '2026-05-04')).toBe(22);
    expect(warmthNow(readings, '2026-06-04')).toBeNull();
  });
});
