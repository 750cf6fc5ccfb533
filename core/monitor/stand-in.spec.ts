import { SMALL_TANK } from '../testing/scenarios';
import { calibrationOf, setRight } from '../reading/calibration';
import { courseOf, measuredOn, tickAt } from './stand-in';
import { StandIn, type StandInFault } from './stand-in-model';

const BEGUN = Date.parse('2026-06-01T13:00:00Z');
const HOUR = 3600_000;
const standIn = (more: Partial<StandIn> = {}): StandIn =>
  StandIn.parse({
    scenario: { ...SMALL_TANK, topUpDays: 7 },
    ecTimes: 1,
    levelMm: 300,
    litresPerMm: 0.2,
    begunMs: BEGUN,
    everyS: 60,
    seed: 5,
    faults: [],
    bath: null,
    ...more,
  });
const course = courseOf(standIn());
const on = (ms: number, of: StandIn) => measuredOn(tickAt(of, ms), of, course)!.values;
const hoursOn = (from: number, count: number, of: StandIn) =>
  Array.from({ length: count }, (_, i) => on(BEGUN + (from + i / 10) * HOUR, of));

describe('the stand-in for a monitor', () => {
  it('follows the balance of the tank: the level falls by what evaporates until it is topped up, and EC rises with it', () => {
    // 0.4 L a day on 0.2 L/mm: 2 mm a day
    expect(course.levelMm[0]).toBe(300);
    expect(course.levelMm[24]!).toBeCloseTo(298, 1);
    expect(course.levelMm[24 * 6 + 12]!).toBeCloseTo(287, 0);
    expect(course.levelMm[24 * 7]!).toBeCloseTo(300, 1);
    expect(course.ec25UsPerCm[24 * 6]!).toBeGreaterThan(course.ec25UsPerCm[0]! * 1.02);
    expect(new Set(course.temperatureC)).toEqual(new Set([24]));
  });

  it('has a day in its pH: it rises under the lamps and falls in the dark', () => {
    const day = course.ph.slice(24 * 3, 24 * 4);
    expect(day[9]!).toBeGreaterThan(day[0]!);
    expect(day[23]!).toBeLessThan(day[9]!);
  });

  it('measures the same turn again just the same, and each turn otherwise', () => {
    const [a, b] = [standIn(), standIn()];
    expect(measuredOn(900, a, course)).toEqual(measuredOn(900, b, course));
    expect(measuredOn(900, a, course)!.values).not.toEqual(measuredOn(901, a, course)!.values);
    expect(tickAt(a, measuredOn(900, a, course)!.at)).toBe(900);
  });

  it('is off by its probes, and right once they were held in what is known', () => {
    const day = '2026-06-02';
    const held = (parameter: 'ph' | 'ec25UsPerCm', is: number) => on(BEGUN + 30 * HOUR, standIn({ bath: { parameter, is } }))[parameter]!;
    const points = [7, 4.01].map((is) => ({ read: held('ph', is), is, day }));
    const raw = on(BEGUN + 50 * HOUR, standIn());
    expect(Math.abs(raw.ph! - course.ph[50]!)).toBeGreaterThan(0.1);
    expect(setRight('ph', calibrationOf('ph', points), raw.ph!)).toBeCloseTo(course.ph[50]!, 1);
    const cell = calibrationOf('ec25UsPerCm', [{ read: held('ec25UsPerCm', 1413), is: 1413, day }]);
    expect(setRight('ec25UsPerCm', cell, raw.ec25UsPerCm!) / course.ec25UsPerCm[50]!).toBeCloseTo(1, 1);
  });

  it('breaks by switch, each in its way and only while it is on', () => {
    const since = { sinceMs: BEGUN + 10 * HOUR, untilMs: BEGUN + 20 * HOUR };
    const of = (fault: StandInFault) => standIn({ faults: [fault] });
    const spread = (all: readonly { ph?: number | undefined }[]) =>
      Math.max(...all.map(({ ph }) => ph!)) - Math.min(...all.map(({ ph }) => ph!));
    expect(spread(hoursOn(11, 50, of({ ...since, kind: 'stuck', parameter: 'ph' })))).toBe(0);
    expect(spread(hoursOn(21, 50, of({ ...since, kind: 'stuck', parameter: 'ph' })))).toBeGreaterThan(0);
    expect(spread(hoursOn(11, 50, of({ ...since, kind: 'noisy', parameter: 'ph' })))).toBeGreaterThan(0.5);
    expect(hoursOn(11, 50, of({ ...since, kind: 'dead', parameter: 'ph' })).every(({ ph }) => ph === undefined)).toBeTrue();
    const dropped = hoursOn(11, 80, of({ ...since, kind: 'drops-out', parameter: 'ph' })).filter(({ ph }) => ph === undefined).length;
    expect(dropped).toBeGreaterThan(15);
    expect(dropped).toBeLessThan(50);
    // the other probes go on as they were
    const sound = hoursOn(11, 50, standIn());
    expect(hoursOn(11, 50, of({ ...since, kind: 'dead', parameter: 'ph' })).map((one) => one.levelMm)).toEqual(
      sound.map((one) => one.levelMm),
    );
    const drifts = on(BEGUN + 18 * HOUR, of({ ...since, kind: 'drifts', parameter: 'ph' })).ph! - on(BEGUN + 18 * HOUR, standIn()).ph!;
    expect(drifts).toBeCloseTo(0.4, 2);
    const warm = on(BEGUN + 15 * HOUR, of({ ...since, kind: 'heater-on' })).temperatureC! - on(BEGUN + 15 * HOUR, standIn()).temperatureC!;
    expect(warm).toBeCloseTo(4, 2);
    const level = on(BEGUN + 15 * HOUR, of({ ...since, kind: 'leak' })).levelMm! - on(BEGUN + 15 * HOUR, standIn()).levelMm!;
    expect(level).toBeCloseTo(-60, 0);
  });

  it('ends when the tank is followed no further', () => {
    expect(measuredOn(tickAt(standIn(), BEGUN + 44 * 24 * HOUR), standIn(), course)).not.toBeNull();
    expect(measuredOn(tickAt(standIn(), BEGUN + 46 * 24 * HOUR), standIn(), course)).toBeNull();
  });
});
