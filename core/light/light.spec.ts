import fc from 'fast-check';
import { evaluate } from '../calculation/calculation';
import { dailyIntegral } from './daily-integral';
import { bar, beamExponent, barPpfd, spot, spotPpfd } from './lamp-shapes';
import { luxToPpfd, umolPerS } from './spectrum';
import { shareTable, shareThroughWater } from './through-water';

const valueOf = <O>(outcome: { value: O | null }): O => outcome.value!;
const up = (most: number) => fc.double({ min: 0.001, max: most, noNaN: true });

describe('light of a day', () => {
  it('is level times seconds; a ramp at either end costs one of its lengths', () => {
    // by definition
    expect(valueOf(evaluate(dailyIntegral, { ppfd: 50, hours: 8, rampHours: 0 })).molPerM2).toBeCloseTo(1.44, 9);
    expect(valueOf(evaluate(dailyIntegral, { ppfd: 50, hours: 8, rampHours: 1 })).molPerM2).toBeCloseTo(1.26, 9);
    expect(valueOf(evaluate(dailyIntegral, { ppfd: 50, hours: 8, rampHours: 4 })).molPerM2).toBeCloseTo(0.72, 9);
  });
  it('refuses ramps longer than the light, and days longer than a day', () => {
    const refuses = (input: object) => expect(dailyIntegral.inputs.safeParse(input).success).toBeFalse();
    refuses({ ppfd: 50, hours: 8, rampHours: 4.1 });
    refuses({ ppfd: 50, hours: 24.1, rampHours: 0 });
    refuses({ ppfd: -1, hours: 8, rampHours: 0 });
  });
});

describe('a spot', () => {
  it('has the exponent of its beam', () => {
    expect(beamExponent(120)).toBeCloseTo(1, 9);
    expect(beamExponent(60)).toBeCloseTo(4.819, 3);
  });
  it('falls by the square of the distance, and to half of its brightness at half its beam', () => {
    const at = (distanceM: number, offAxisDegrees: number) =>
      valueOf(evaluate(spot, { outputUmolPerS: 40, beamDegrees: 60, distanceM, offAxisDegrees })).ppfd;
    expect(at(0.5, 0) / at(1, 0)).toBeCloseTo(4, 9);
    expect(at(1, 30) / at(1, 0)).toBeCloseTo(0.5 * Math.cos(Math.PI / 6), 9);
    expect(at(1, 90)).toBeCloseTo(0, 12);
  });
  it('throws all it gives on a floor without end', () => {
    for (const beam of [30, 60, 120, 150]) {
      const m = beamExponent(beam);
      const h = 0.4;
      let flux = 0;
      const dr = 0.002;
      for (let r = dr / 2; r < 200; r += dr * (1 + r * 20)) {
        const width = dr * (1 + r * 20);
        const middle = r + width / 2 - dr / 2;
        const d = Math.hypot(h, middle);
        flux += spotPpfd(100, m, d, h / d) * 2 * Math.PI * middle * width;
      }
      expect(flux / 100)
        .withContext(`${beam}°`)
        .toBeCloseTo(1, 1);
    }
  });
});

describe('a bar', () => {
  it('has its closed form under its middle', () => {
    // 100 µmol/s over 0.6 m, 0.3 m up
    expect(valueOf(evaluate(bar, { outputUmolPerS: 100, lengthM: 0.6, heightM: 0.3 })).ppfd).toBeCloseTo(227.3, 1);
  });
  it('is what the spots along it add up to', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 2, noNaN: true }), fc.double({ min: 0.05, max: 2, noNaN: true }), (lengthM, heightM) => {
        const parts = 4000;
        let sum = 0;
        for (let i = 0; i < parts; i++) {
          const x = ((i + 0.5) / parts - 0.5) * lengthM;
          const d = Math.hypot(x, heightM);
          // a matt strip shines by the cosine from all of its underside: Φ/π ahead
          sum += (((100 / parts / Math.PI) * heightM) / d) * (heightM / d / d ** 2);
        }
        expect(sum / barPpfd(100, lengthM, heightM)).toBeCloseTo(1, 3);
      }),
      { numRuns: 20 },
    );
  });
  it('far away is a spot of half a space', () => {
    expect(barPpfd(100, 0.1, 10) / spotPpfd(100, 1, 10, 1)).toBeCloseTo(1, 3);
  });
});

describe('light through water', () => {
  const k = (depthM: number, a440PerM: number) => -Math.log(shareThroughWater(depthM, a440PerM)) / depthM;
  // sums of the same spectrum, worked out apart: attenuation over the upper 20 and 40 cm, 1/m
  it('is taken as the spectrum says', () => {
    for (const [a440, over20, over40] of [
      [0.1, 0.28, 0.28],
      [2, 1.08, 1.01],
      [8, 2.71, 2.16],
      [20, 4.44, 3.3],
    ] as const) {
      expect(k(0.2, a440)).withContext(`${a440}`).toBeCloseTo(over20, 2);
      expect(k(0.4, a440)).withContext(`${a440}`).toBeCloseTo(over40, 2);
    }
  });
  it('is all of it at the surface, and less with every centimetre and every tint', () => {
    fc.assert(
      fc.property(up(2), up(50), up(0.5), (depth, tint, more) => {
        expect(shareThroughWater(0, tint)).toBe(1);
        const here = shareThroughWater(depth, tint);
        expect(shareThroughWater(depth + more, tint)).toBeLessThan(here);
        expect(shareThroughWater(depth, tint + more)).toBeLessThan(here);
      }),
    );
  });
  it('is the same from the table, to a thousandth', () => {
    for (const tint of [0.1, 2, 20]) {
      const at = shareTable(tint, 600);
      for (const mm of [0, 4, 55, 199.5, 600]) expect(Math.abs(at(mm) - shareThroughWater(mm / 1000, tint))).toBeLessThan(1e-3);
      expect(at(-20)).toBe(1);
    }
  });
});

describe('lux and photons', () => {
  it('go by the kind of light', () => {
    // Thimijan & Heins 1983: daylight 54 lux for 1 µmol/m²s
    expect(valueOf(evaluate(luxToPpfd, { lux: 5400, spectrum: 'daylight' as const })).ppfd).toBeCloseTo(100, 9);
    expect(valueOf(evaluate(luxToPpfd, { lux: 7900, spectrum: 'led-cool' as const })).ppfd).toBeCloseTo(100, 9);
    expect(evaluate(luxToPpfd, { lux: 1000, spectrum: 'red-blue' as const }).value).toBeNull();
  });
  it('follow from what a label says', () => {
    expect(umolPerS({ value: 30, unit: 'umol/s' }, 'red-blue')).toBe(30);
    expect(umolPerS({ value: 740, unit: 'lm' }, 'led-neutral')).toBeCloseTo(10, 9);
    expect(umolPerS({ value: 740, unit: 'lm' }, 'red-blue')).toBeNull();
    expect(umolPerS({ value: 20, unit: 'W' }, 'led-cool')).toBeCloseTo(44, 9);
  });
});
