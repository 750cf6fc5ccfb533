import fc from 'fast-check';
import { evaluate } from '../calculation/calculation';
import { boxVolumeL } from './box-volume';
import { Vessel } from './model';
import { STOCK_SIZES_MM } from './stock-sizes';
import { waterVolume, waterVolumeL } from './water-volume';

describe('a box', () => {
  it('holds what its sides say', () => {
    expect(boxVolumeL(600, 300, 360)).toBeCloseTo(64.8, 9);
    expect(waterVolumeL(600, 300, 340, 0)).toBeCloseTo(61.2, 9);
    expect(waterVolumeL(600, 300, 340, 1.2)).toBeCloseTo(60, 9);
  });
  it('never holds more water than its rim', () => {
    const side = fc.double({ min: 50, max: 2000, noNaN: true });
    fc.assert(
      fc.property(side, side, side, fc.double({ min: 0.1, max: 1, noNaN: true }), (l, w, h, level) => {
        expect(waterVolumeL(l, w, h * level, 0)).toBeLessThanOrEqual(boxVolumeL(l, w, h) + 1e-9);
      }),
    );
  });
  it('is a gap when more is displaced than it holds', () => {
    expect(evaluate(waterVolume, { lengthMm: 100, widthMm: 100, waterLevelMm: 100, displacedL: 2 }).value).toBeNull();
  });
  it('cannot be filled above its edge', () => {
    const unstated = { value: null, basis: 'measured' };
    const vessel = {
      shape: 'box',
      lengthMm: 300,
      widthMm: 300,
      heightMm: 300,
      waterLevelMm: 310,
      lid: unstated,
      state: unstated,
      leakTested: unstated,
    };
    expect(Vessel.safeParse(vessel).success).toBeFalse();
    expect(Vessel.safeParse({ ...vessel, waterLevelMm: 300 }).success).toBeTrue();
    expect(Vessel.safeParse({ ...vessel, waterLevelMm: 300, lengthMm: 0 }).success).toBeFalse();
  });
  it('comes in usual sizes that grow', () => {
    const volumes = STOCK_SIZES_MM.map(([l, w, h]) => boxVolumeL(l, w, h));
    expect(volumes).toEqual([...volumes].sort((a, b) => a - b));
  });
});
