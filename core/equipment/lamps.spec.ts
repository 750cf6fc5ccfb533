import { ppfdAt } from '../light/field';
import { hoursOfLight, lampsOf, newLamp } from './lamps';
import { LampLight, type Device } from './model';

const water = { surfaceMm: 350, a440PerM: 0.5, throughLid: 1 };
const lamp = (light: LampLight | null): Device => ({ order: 1, kind: 'lamp', powerW: 20, sizeMm: null, placeMm: null, light });
const lit = (more: Partial<LampLight>, hours = 9) => lampsOf([lamp(newLamp('bar', more))], [300, 150], water, hours)!;

describe('lamps', () => {
  it('count by their share of the tank’s hours, ramps by half at either end, a pause not at all', () => {
    const full = lit({})[0]!.umolPerS;
    expect(lit({ hours: 9, rampHours: 1 })[0]!.umolPerS / full).toBeCloseTo(8 / 9, 9);
    expect(lit({ hours: 9, rampHours: 1, pauseHours: 2 })[0]!.umolPerS / full).toBeCloseTo(6 / 9, 9);
    expect(lit({ hours: 4 })[0]!.umolPerS / full).toBeCloseTo(4 / 9, 9);
    expect(lit({ hours: 12 })[0]!.umolPerS / full).toBe(1);
    expect(lit({}, 0)[0]!.umolPerS).toBe(0);
  });
  it('burn as long as they say, the longest of them, else as long as is planned', () => {
    expect(hoursOfLight([], null)).toBeNull();
    expect(hoursOfLight([lamp(null)], 8)).toBe(8);
    expect(hoursOfLight([lamp(newLamp('bar', { hours: 6 })), lamp(newLamp('spot', { hours: 10 }))], 8)).toBe(10);
    expect(hoursOfLight([lamp(newLamp('bar', { hours: 6 })), lamp(null)], 8)).toBe(8);
    expect(hoursOfLight([lamp(newLamp('bar', { hours: 6 })), lamp(null)], null)).toBe(6);
  });
  it('are set right by what a meter read under them, in photons or in lux', () => {
    const at = [300, 150, 60] as [number, number, number];
    const read = (value: number, unit: 'umol/m2s' | 'lux', more: Partial<LampLight> = {}) =>
      ppfdAt(lit({ ...more, reading: { value, unit, atMm: at } }), water, at);
    expect(read(42, 'umol/m2s')).toBeCloseTo(42, 6);
    // neutral white LED: 74 lux to the photon
    expect(read(74 * 30, 'lux')).toBeCloseTo(30, 6);
    // what no lux meter sees is left as it is labelled
    expect(read(500, 'lux', { spectrum: 'red-blue', output: { value: 20, unit: 'umol/s' } })).toBeCloseTo(
      ppfdAt(lit({ spectrum: 'red-blue', output: { value: 20, unit: 'umol/s' } }), water, at),
      9,
    );
    // a slip of the pen does not make a sun
    expect(read(1e5, 'umol/m2s') / ppfdAt(lit({}), water, at)).toBeCloseTo(20, 6);
  });
  it('whose ramps are longer than their light, or whose day is longer than a day, are refused with the place', () => {
    const said = (more: Partial<LampLight>) =>
      LampLight.safeParse(newLamp('bar', more)).error?.issues.map(({ path, message }) => [path[0], message]);
    expect(said({ hours: 6, rampHours: 3.5 })).toEqual([['rampHours', 'the ramps and the pause are longer than the light']]);
    expect(said({ hours: 6, rampHours: 1, pauseHours: 5 })?.[0]?.[0]).toBe('rampHours');
    expect(said({ hours: 6, rampHours: 2, pauseHours: 2 })).toBeUndefined();
    expect(said({ hours: 25 })?.[0]).toEqual(['hours', 'a day has 24 hours']);
    expect(said({ hours: 24 })).toBeUndefined();
  });
});
