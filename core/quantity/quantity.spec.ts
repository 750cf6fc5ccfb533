import fc from 'fast-check';
import { factOf, weakestBasis } from './fact';
import { formatQuantity, formatSpan, METRIC, US } from './format';
import { contains, distanceOutside, intersect, isOrdered } from './range';
import { salinityFromSpecificGravity, seawaterDensity, specificGravity } from './seawater';
import { trapezoidSuitability } from './suitability';
import { ec25FromReading, ecFromTds, tdsFromEc } from './tds';
import * as z from 'zod';

const span = fc
  .tuple(fc.double({ min: -100, max: 100, noNaN: true }), fc.double({ min: -100, max: 100, noNaN: true }))
  .map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const);

describe('ranges', () => {
  it('meet in what both contain', () => {
    fc.assert(
      fc.property(span, span, fc.double({ min: -100, max: 100, noNaN: true }), (a, b, value) => {
        const both = intersect(a, b);
        expect(both !== null && contains(both, value)).toBe(contains(a, value) && contains(b, value));
      }),
    );
  });

  it('measure how far a value lies outside', () => {
    expect(distanceOutside([2, 5], 7)).toBe(2);
    expect(distanceOutside([2, 5], 1.5)).toBe(0.5);
    expect(distanceOutside([2, 5], 3)).toBe(0);
    expect(distanceOutside([null, 5], -90)).toBe(0);
    expect(isOrdered([5, 2])).toBeFalse();
    expect(isOrdered([null, 2])).toBeTrue();
  });
});

describe('trapezoid suitability', () => {
  it('is one in the optimum, zero outside the tolerance, half half-way', () => {
    expect(trapezoidSuitability(22, [20, 24], [14, 28])).toBe(1);
    expect(trapezoidSuitability(17, [20, 24], [14, 28])).toBe(0.5);
    expect(trapezoidSuitability(26, [20, 24], [14, 28])).toBe(0.5);
    expect(trapezoidSuitability(13.9, [20, 24], [14, 28])).toBe(0);
    expect(trapezoidSuitability(20, [20, 24], [20, 24])).toBe(1);
  });

  it('stays within zero and one', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.double({ min: 0, max: 100, noNaN: true }), { minLength: 4, maxLength: 4 }),
        fc.double({ min: -10, max: 110, noNaN: true }),
        (edges, value) => {
          const [a, b, c, d] = [...edges].sort((x, y) => x - y) as [number, number, number, number];
          const score = trapezoidSuitability(value, [b, c], [a, d]);
          expect(score >= 0 && score <= 1).toBeTrue();
        },
      ),
    );
  });
});

describe('facts', () => {
  const schema = factOf(z.number());
  it('may be unknown, never without basis, and name the source when published', () => {
    expect(schema.safeParse({ value: null, basis: 'practice' }).success).toBeTrue();
    expect(schema.safeParse({ value: 5 }).success).toBeFalse();
    expect(schema.safeParse({ value: 5, basis: 'published' }).success).toBeFalse();
    expect(schema.safeParse({ value: 5, basis: 'published', source: 'A handbook' }).success).toBeTrue();
  });
  it('are as weak together as the weakest', () => {
    expect(weakestBasis(['measured', 'practice', 'published'])).toBe('practice');
    expect(weakestBasis(['recalled', 'practice'])).toBe('recalled');
  });
});

describe('sea water', () => {
  // UNESCO Technical Papers in Marine Science 44 (1983), check values of the one-atmosphere equation of state.
  for (const [salinity, temperatureC, density] of [
    [0, 5, 999.96675],
    [35, 5, 1027.67547],
    [35, 25, 1023.34306],
    [0, 25, 997.04796],
  ] as const) {
    it(`weighs ${density} kg/m3 at salinity ${salinity} and ${temperatureC} degC`, () => {
      expect(Math.abs(seawaterDensity(temperatureC, salinity) - density)).toBeLessThan(1e-5);
    });
  }
  it('reads 1.0264 (25/25) as salinity 35.04 and round-trips', () => {
    expect(salinityFromSpecificGravity(1.0264, 25, 25)).toBeCloseTo(35.04, 2);
    expect(specificGravity(35, 25, 25)).toBeCloseTo(1.02637, 5);
    expect(specificGravity(35, 60 / 1.8 - 32 / 1.8, 60 / 1.8 - 32 / 1.8)).toBeCloseTo(1.02686, 5);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 42, noNaN: true }), fc.double({ min: 0, max: 35, noNaN: true }), (salinity, t) => {
        expect(salinityFromSpecificGravity(specificGravity(salinity, t, 25), t, 25)).toBeCloseTo(salinity, 6);
      }),
    );
    expect(salinityFromSpecificGravity(1.2, 25, 25)).toBeNull();
  });
});

describe('TDS', () => {
  it('is a display of conductivity with its factor', () => {
    expect([0.5, 0.64, 0.7].map((factor) => tdsFromEc(400, factor))).toEqual([200, 256, 280]);
    expect(ecFromTds(tdsFromEc(612, 0.64), 0.64)).toBeCloseTo(612, 9);
  });
  it('is compensated to 25 degC by the linear form of Standard Methods 2510 B', () => {
    expect(ec25FromReading(1000, 25)).toBe(1000);
    expect(ec25FromReading(1000, 20) / 1000).toBeCloseTo(1.1056, 4);
  });
});

describe('numbers for reading', () => {
  it('carry the chosen unit', () => {
    expect(formatQuantity('temperature', 24.5, METRIC)).toBe('24.5 °C');
    expect(formatQuantity('temperature', 25, US)).toBe('77 °F');
    expect(formatQuantity('length', 600, METRIC)).toBe('60 cm');
    expect(formatQuantity('length', 600, US)).toBe('23.6 in');
    expect(formatQuantity('volume', 75.708, US)).toBe('20 gal');
    expect(formatQuantity('conductivity', 400, { ...METRIC, conductivity: { tdsFactor: 0.5 } })).toBe('200 ppm ×0.5');
    expect(formatSpan('temperature', [20, 24], METRIC)).toBe('20–24 °C');
    expect(formatSpan('ph', [6.01, 6.02], METRIC)).toBe('6');
  });
  it('do not round a trace away to nothing', () => {
    expect(formatQuantity('hardness', 0.02, METRIC)).toBe('0.02 dGH');
    expect(formatQuantity('hardness', 0, METRIC)).toBe('0 dGH');
  });
});
