import { ppfdAt, throughSurface, underLamp, type Lamp } from './field';
import { barPpfd, beamExponent, spotPpfd } from './lamp-shapes';
import { shareThroughWater } from './through-water';

const spot: Lamp = { umolPerS: 40, beamDegrees: 60, atMm: [300, 150], overWaterMm: 200, lengthMm: 0, widthMm: 0 };
const CLEAR = { surfaceMm: 300, a440PerM: 0, throughLid: 1 };

describe('light under water', () => {
  it('loses at the surface what Fresnel says', () => {
    // normal incidence, n 1.333: ((n − 1)/(n + 1))² = 2.04 %
    expect(1 - throughSurface(1)).toBeCloseTo(0.0204, 4);
    // at 80° a third and more is thrown back: 34.8 %
    expect(1 - throughSurface(Math.cos((80 * Math.PI) / 180))).toBeCloseTo(0.348, 3);
    expect(throughSurface(0)).toBeCloseTo(0, 9);
  });
  it('is that of the lamp in air at the surface, less what the surface throws back', () => {
    const m = beamExponent(60);
    for (const aside of [0, 50, 150, 400]) {
      const d = Math.hypot(200, aside);
      expect(underLamp(40, m, 200, 0, aside) / (spotPpfd(40, m, d / 1000, 200 / d) * throughSurface(200 / d)))
        .withContext(`${aside}`)
        .toBeCloseTo(1, 6);
    }
  });
  it('straight down falls as over the depth that the water seems to have', () => {
    const at = (depth: number) => underLamp(40, 1, 200, depth, 0);
    expect(at(266.6) / at(0)).toBeCloseTo((200 / 400) ** 2, 4);
    // and passes over smoothly beside it
    expect(underLamp(40, 1, 200, 300, 0.5) / at(300)).toBeCloseTo(1, 3);
  });
  it('keeps its flux at every depth: what goes in arrives on a floor without end', () => {
    for (const beam of [60, 120]) {
      const m = beamExponent(beam);
      const sum = (depth: number) => {
        let flux = 0;
        const steps = 6000;
        for (let i = 0; i < steps; i++) {
          // rings closer together in the middle
          const r = (u: number) => 20_000 * u ** 3;
          const [a, b] = [r(i / steps), r((i + 1) / steps)];
          flux += (underLamp(100, m, 200, depth, (a + b) / 2) * Math.PI * (b * b - a * a)) / 1e6;
        }
        return flux;
      };
      const surface = sum(0);
      expect(surface).toBeLessThan(98.1);
      for (const depth of [100, 400, 1000])
        expect(sum(depth) / surface)
          .withContext(`${beam}° ${depth}`)
          .toBeCloseTo(1, 2);
    }
  });
  it('of a bar agrees with its closed form at the surface', () => {
    const bar: Lamp = { umolPerS: 100, beamDegrees: 120, atMm: [300, 150], overWaterMm: 300, lengthMm: 600, widthMm: 0 };
    // small lamps of a matt strip shine by the cosine on all sides; the surface takes its share, more from the ends
    const found = ppfdAt([bar], CLEAR, [300, 150, 300]);
    expect(found / barPpfd(100, 0.6, 0.3)).toBeGreaterThan(0.94);
    expect(found / barPpfd(100, 0.6, 0.3)).toBeLessThan(0.99);
  });
  it('is taken by depth, tint and lid, and adds up over lamps', () => {
    const at = (z: number, water = CLEAR) => ppfdAt([spot], water, [300, 150, z]);
    expect(at(0, { ...CLEAR, a440PerM: 8 }) / (at(0) / shareThroughWater(0.3, 0))).toBeCloseTo(shareThroughWater(0.3, 8), 2);
    expect(at(0, { ...CLEAR, throughLid: 0.9 })).toBeCloseTo(0.9 * at(0), 9);
    expect(ppfdAt([spot, spot], CLEAR, [100, 100, 50])).toBeCloseTo(2 * ppfdAt([spot], CLEAR, [100, 100, 50]), 9);
    expect(ppfdAt([], CLEAR, [100, 100, 50])).toBe(0);
    expect(ppfdAt([spot], CLEAR, [580, 20, 0])).toBeLessThan(at(0));
  });
});
