import { applyPatch } from 'rfc6902';
import { StandIn } from '../../monitor/stand-in-model';
import { courseOf } from '../../monitor/stand-in';
import { Design } from '../../design/design';
import { addMonitor, calibrate, dropMonitor, forgetCalibration, setLimit, setMonitor } from '../../design/edits/monitor-edits';
import { METRIC, US } from '../../quantity/format';
import { catalogue, demoDesigns, lowBarn, shellBed, tank } from '../../testing/tanks';
import { assess } from '../assess';
import { lasting, wordAlarm } from '../wording/monitor';
import { standInOf, usualLimits } from './monitor';

const judged = (design: Design) => assess({ design, room: lowBarn, catalogue }, new Map());
const MIDNIGHT = Date.parse('2026-07-15T00:00:00Z');
const edited = (design: Design, patch: ReturnType<typeof setMonitor>): Design => {
  const next = structuredClone(design);
  expect(applyPatch(next, patch).filter((error) => error !== null)).toEqual([]);
  return Design.parse(next);
};

describe('a monitor in a tank', () => {
  it('is watched for what those that live here bear, the salts of the plan, and the level', () => {
    const limits = usualLimits(judged(shellBed));
    const window = judged(shellBed).derived['window.temperatureC'].value!.tolerance!;
    expect(limits.temperatureC).toEqual({ low: window[0] - 0.5, high: window[1] + 0.5 });
    expect(limits.levelMm!.low).toBe(shellBed.vessel!.waterLevelMm - 30);
    expect(limits.ec25UsPerCm!.high! / limits.ec25UsPerCm!.low!).toBeCloseTo(1.3 / 0.7, 1);
    expect(usualLimits(judged({ ...tank([]), vessel: null })).levelMm).toBeUndefined();
  });

  it('of every tank of the demo stands in its own water, at its own level, and follows it', () => {
    for (const design of demoDesigns) {
      const assessment = judged(design);
      const standIn = standInOf(assessment, MIDNIGHT, 5, 1)!;
      expect(() => StandIn.parse(standIn))
        .withContext(design.name)
        .not.toThrow();
      const course = courseOf(standIn);
      const { ec25UsPerCm } = assessment.derived['water.mixed'].value!;
      expect(course.ec25UsPerCm[0]! / ec25UsPerCm!)
        .withContext(design.name)
        .toBeCloseTo(1, 1);
      expect(course.levelMm[0]).withContext(design.name).toBeCloseTo(design.vessel!.waterLevelMm, 0);
      expect(Object.values(course).every((series) => series.every(Number.isFinite))).toBeTrue();
    }
    expect(standInOf(judged({ ...tank([]), vessel: null }), MIDNIGHT, 5, 1)).toBeNull();
  });

  it('is put in, set, calibrated and taken out by small changes', () => {
    let design = edited(shellBed, addMonitor({ ph: { low: 7, high: 8 } }));
    design = edited(design, setMonitor(design, { recordMinutes: 30 }));
    design = edited(design, setLimit(design, 'ph', 'low', null));
    expect(design.care.monitor).toEqual(jasmine.objectContaining({ recordMinutes: 30, limits: { ph: { low: null, high: 8 } } }));
    design = edited(design, setLimit(design, 'ph', 'high', null));
    expect(design.care.monitor!.limits).toEqual({});
    const point = (is: number, read: number) => ({ is, read, day: '2026-07-01' });
    for (const one of [point(7, 7.2), point(4.01, 4.3), point(7, 7.15)]) design = edited(design, calibrate(design, 'ph', one));
    expect(design.care.monitor!.calibration.ph!.map(({ is, read }) => [is, read])).toEqual([
      [4.01, 4.3],
      [7, 7.15],
    ]);
    for (const one of [point(1413, 1500), point(147, 150)]) design = edited(design, calibrate(design, 'ec25UsPerCm', one));
    expect(design.care.monitor!.calibration.ec25UsPerCm!.length).toBe(1);
    design = edited(design, forgetCalibration(design, 'ph'));
    expect(design.care.monitor!.calibration.ph).toBeUndefined();
    design = edited(design, dropMonitor(design));
    expect(design.care.monitor).toBeNull();
    expect(dropMonitor(design)).toEqual([]);
  });

  it('cries out in words, in the units that were chosen', () => {
    const alarm = { parameter: 'temperatureC', what: 'high', sinceMs: 0, worst: 31, limit: 28, endedMs: null, heard: false } as const;
    expect(wordAlarm(alarm, 240_000, METRIC)).toEqual(
      jasmine.objectContaining({ title: 'Temperature is too high: 31 °C', detail: 'Above 28 °C for 4 minutes now.' }),
    );
    expect(wordAlarm(alarm, 240_000, US).title).toBe('Temperature is too high: 87.8 °F');
    const silent = wordAlarm({ ...alarm, parameter: null, what: 'silent', endedMs: 60_000 }, 90_000, METRIC);
    expect(silent.detail).toContain('it has come back');
    expect([lasting(400), lasting(89_000), lasting(3600_000), lasting(7_200_000)]).toEqual([
      '1 second',
      '89 seconds',
      '60 minutes',
      '2 hours',
    ]);
  });
});
