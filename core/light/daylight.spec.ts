import { daylight, daylightByMonth, isSouthern } from './daylight';
import { ppfdAt, skyAt } from './field';

describe('daylight', () => {
  it('is brightest in June in the north and in December in the south', () => {
    const north = daylightByMonth('some', false);
    expect(north.indexOf(Math.max(...north))).toBe(5);
    const south = daylightByMonth('some', true);
    expect(south.indexOf(Math.max(...south))).toBe(11);
    expect([...south].sort()).toEqual([...north].sort());
  });
  it('by a window is what a low-light plant lives by in summer and not in winter', () => {
    const { brightestMolPerM2, darkestMolPerM2 } = daylight.compute({ sky: 'some', southern: false });
    // 10 µmol/m²s over ten hours is 0.36 mol
    expect(brightestMolPerM2).toBeGreaterThan(0.36);
    expect(darkestMolPerM2).toBeLessThan(0.36);
  });
  it('is less away from the window and more in the sun', () => {
    const mean = (sky: 'none' | 'some' | 'direct') => daylight.compute({ sky, southern: true }).meanMolPerM2;
    expect(mean('none')).toBeLessThan(mean('some'));
    expect(mean('some')).toBeLessThan(mean('direct'));
  });
  it('knows the south by its warm January', () => {
    const year = (january: number, july: number) =>
      Array.from({ length: 12 }, (_, i) => [i === 6 ? july : january, i === 6 ? july : january] as const);
    expect(isSouthern(year(26, 17))).toBeTrue();
    expect(isSouthern(year(17, 26))).toBeFalse();
    expect(isSouthern(null)).toBeFalse();
  });
});

describe('light of the sky in water', () => {
  const water = { surfaceMm: 300, a440PerM: 0, throughLid: 1, skyPpfd: 100 };
  it('comes through the surface but for a fifteenth, and grows less with depth, tint and lid', () => {
    expect(skyAt(water, 300)).toBeCloseTo(93.4, 6);
    expect(skyAt(water, 0)).toBeLessThan(skyAt(water, 300));
    expect(skyAt({ ...water, a440PerM: 10 }, 0)).toBeLessThan(skyAt(water, 0));
    expect(skyAt({ ...water, throughLid: 0.5 }, 100)).toBeCloseTo(0.5 * skyAt(water, 100), 9);
    expect(skyAt({ ...water, skyPpfd: 0 }, 100)).toBe(0);
  });
  it('adds to the lamps', () => {
    const lamp = { umolPerS: 20, beamDegrees: 120, atMm: [0, 0] as const, overWaterMm: 100, lengthMm: 0, widthMm: 0 };
    const at = [50, 50, 100] as const;
    expect(ppfdAt([lamp], water, at)).toBeCloseTo(ppfdAt([lamp], { ...water, skyPpfd: 0 }, at) + skyAt(water, 100), 9);
    expect(ppfdAt([], water, at)).toBe(skyAt(water, 100));
  });
});
