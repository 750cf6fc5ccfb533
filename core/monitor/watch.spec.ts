import type { Measured } from './message';
import { NOTHING_HEARD, acknowledged, closed, greeted, heard, isStale, waited, type Watch, type WatchPlan } from './watch';

const AT = Date.parse('2026-06-01T10:00:00Z');
const PLAN: WatchPlan = { recordMinutes: 10, afterSeconds: 60, silentMinutes: 5, limits: {}, calibration: {} };
const begun = greeted(NOTHING_HEARD, { boot: 'a', everyS: 10, simulated: true });
/** Turns every ten seconds from a second on. */
const turns = (fromS: number, count: number, values: (s: number) => Measured['values']): Measured[] =>
  Array.from({ length: count }, (_, i) => ({
    tick: fromS / 10 + i,
    at: AT + (fromS + 10 * i) * 1000,
    values: values(fromS + 10 * i),
  }));
const steady = (fromS: number, count: number, temperatureC = 25) => turns(fromS, count, () => ({ temperatureC }));
const after = (watch: Watch, all: readonly Measured[], plan = PLAN) => heard(watch, all, plan).watch;
const inMinutes = (ms: number) => (ms - AT) / 60_000;

describe('listening to a monitor', () => {
  it('writes one entry for each interval, the median of what was measured in it, at the last of its turns', () => {
    const values = turns(0, 121, (s) => ({ temperatureC: s === 300 ? 40 : 25 + s / 10_000, ph: 7 }));
    const { write } = heard(begun, values, PLAN);
    expect(write.records.map(({ atMs }) => inMinutes(atMs))).toEqual([9 + 50 / 60, 19 + 50 / 60]);
    expect(write.records[0]!.values).toEqual({ temperatureC: 25.03, ph: 7 });
    expect(write.gaps).toEqual([]);
  });

  it('sets right what it hears by the points the probe was held to, and keeps what it showed', () => {
    const plan: WatchPlan = { ...PLAN, calibration: { temperatureC: [{ read: 25.4, is: 25, day: '2026-05-01' }] } };
    const { watch } = heard(begun, steady(0, 1, 24.4), plan);
    expect(watch.now.temperatureC?.value).toBeCloseTo(24, 9);
    expect(watch.now.temperatureC?.read).toBe(24.4);
  });

  it('hides no gap and invents nothing: what was silent is told, and has no entry', () => {
    const first = heard(begun, steady(0, 30), PLAN);
    const second = heard(first.watch, steady(1500, 100), PLAN);
    expect(second.write.gaps.map(({ fromMs, toMs }) => [inMinutes(fromMs), inMinutes(toMs)])).toEqual([[4 + 50 / 60, 25]]);
    const at = [...first.write.records, ...second.write.records].map(({ atMs }) => inMinutes(atMs));
    expect(at.filter((minute) => minute > 4 + 50 / 60 && minute < 25)).toEqual([]);
    expect(at.length).toBe(3);
  });

  it('tells a turn that is missing beside the probe, and only a longer silence in the log', () => {
    const { watch, write } = heard(begun, [...steady(0, 10), ...steady(120, 10), ...steady(400, 5)], PLAN);
    expect(watch.gaps.length).toBe(2);
    expect(write.gaps.length).toBe(1);
  });

  it('takes in what was measured while nobody listened, once', () => {
    const first = heard(begun, steady(0, 30), PLAN);
    const again = heard(first.watch, steady(0, 90), PLAN);
    expect(again.write.gaps).toEqual([]);
    expect(again.write.records.length).toBe(1);
    expect(heard(again.watch, steady(0, 90), PLAN).watch).toEqual(again.watch);
  });

  it('leaves a probe that gave nothing out of the entry', () => {
    const { write } = heard(
      begun,
      turns(0, 61, () => ({ ph: 7 })),
      PLAN,
    );
    expect(write.records[0]!.values).toEqual({ ph: 7 });
    expect(
      heard(
        begun,
        turns(0, 61, () => ({})),
        PLAN,
      ).write.records,
    ).toEqual([]);
  });

  it('writes what is still open when it is closed', () => {
    const { watch, write } = closed(after(begun, steady(0, 10)));
    expect(write.records.map(({ values }) => values)).toEqual([{ temperatureC: 25 }]);
    expect(closed(watch).write.records).toEqual([]);
  });
});

describe('the alarm', () => {
  const plan: WatchPlan = { ...PLAN, limits: { temperatureC: { low: 22, high: 28 } } };

  it('is raised by what stays out of its limits, with the worst of it, and not by a figure that leaps', () => {
    const leap = after(begun, [...steady(0, 20), ...steady(200, 1, 35), ...steady(210, 20)], plan);
    expect(leap.alarms).toEqual([]);
    const warm = after(
      begun,
      turns(0, 60, (s) => ({ temperatureC: 25 + s / 100 })),
      plan,
    );
    expect(warm.alarms.length).toBe(1);
    expect(warm.alarms[0]).toEqual(jasmine.objectContaining({ parameter: 'temperatureC', what: 'high', limit: 28, endedMs: null }));
    expect(warm.alarms[0]!.worst).toBeCloseTo(30.9, 6);
    expect(inMinutes(warm.alarms[0]!.sinceMs)).toBeCloseTo(5 + 10 / 60, 6);
  });

  it('ends when it has been within for as long, and stands until it was heard', () => {
    const warm = after(begun, steady(0, 20, 30), plan);
    const back = after(warm, steady(200, 20, 25), plan);
    expect(back.alarms.map(({ endedMs }) => endedMs !== null)).toEqual([true]);
    expect(acknowledged(back).alarms).toEqual([]);
    const heardOf = acknowledged(warm);
    expect(heardOf.alarms.map(({ heard: was }) => was)).toEqual([true]);
    // and no second one for the same
    expect(after(heardOf, steady(200, 20, 30), plan).alarms.length).toBe(1);
    expect(after(heardOf, steady(200, 20, 25), plan).alarms).toEqual([]);
  });

  it('is raised by silence, once for the whole monitor, and by a probe that is silent among others that are not', () => {
    const watch = after(begun, steady(0, 20), plan);
    const last = AT + 190_000;
    expect(waited(watch, plan, last + 4 * 60_000, AT)).toBe(watch);
    const silent = waited(watch, plan, last + 6 * 60_000, AT);
    expect(silent.alarms.map(({ parameter, what }) => [parameter, what])).toEqual([[null, 'silent']]);
    expect(waited(silent, plan, last + 60 * 60_000, AT)).toBe(silent);
    expect(after(silent, steady(900, 5), plan).alarms[0]!.endedMs).not.toBeNull();
    const both = after(
      begun,
      turns(0, 60, (s) => (s < 100 ? { temperatureC: 25, ph: 7 } : { temperatureC: 25 })),
      plan,
    );
    expect(waited(both, plan, AT + 600_000, AT).alarms.map(({ parameter }) => parameter)).toEqual(['ph']);
  });

  it('is raised by a monitor that never said a word since it is listened to, as after a reload', () => {
    expect(waited(NOTHING_HEARD, plan, AT + 4 * 60_000, AT).alarms).toEqual([]);
    const never = waited(NOTHING_HEARD, plan, AT + 6 * 60_000, AT);
    expect(never.alarms.map(({ parameter, what, sinceMs }) => [parameter, what, sinceMs])).toEqual([[null, 'silent', AT]]);
    expect(after({ ...never, hello: begun.hello }, steady(400, 3), plan).alarms[0]!.endedMs).not.toBeNull();
  });

  it('knows figures that are old', () => {
    const watch = after(begun, steady(0, 20));
    expect(isStale(watch, AT + 200_000)).toBeFalse();
    expect(isStale(watch, AT + 240_000)).toBeTrue();
    expect(isStale(NOTHING_HEARD, AT)).toBeTrue();
  });
});
