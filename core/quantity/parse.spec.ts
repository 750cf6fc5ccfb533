import fc from 'fast-check';
import { formatNumber, formatQuantity, inChosenUnit, METRIC, unitOf, US, type UnitChoice } from './format';
import { INPUT_LIMITS, parseQuantity, parseShown } from './parse';
import type { QuantityKind } from './unit';

describe('what a person types', () => {
  const accepted: [string, QuantityKind, string | undefined, number][] = [
    ['60', 'length', 'cm', 600],
    ['60 cm', 'length', undefined, 600],
    ['60cm', 'length', 'in', 600],
    ['23 5/8 in', 'length', 'cm', 600.075],
    ['3/8 in', 'length', 'cm', 9.525],
    ['2 ft', 'length', 'cm', 609.6],
    ['24"', 'length', 'cm', 609.6],
    ['1,5 m', 'length', 'cm', 1500],
    ['.5 m', 'length', 'cm', 500],
    ['78 F', 'temperature', '°C', 25.5556],
    ['24.5', 'temperature', '°C', 24.5],
    ['20 gal', 'volume', 'L', 75.7082],
    ['20 GAL', 'volume', 'L', 75.7082],
    ['100 ppm', 'hardness', 'dGH', 5.6029],
    ['1 mmol/L', 'hardness', 'dGH', 5.6077],
    ['60 %', 'fraction', '%', 0.6],
    ['60', 'fraction', '%', 0.6],
    ['12', 'count', '', 12],
    ['6.8', 'ph', '', 6.8],
    ['1.0264 SG', 'salinity', 'ppt', 35.04],
    ['1.000 sg', 'salinity', 'ppt', 0],
    ['1.4 mS', 'conductivity', 'µS/cm', 1400],
    ['50', 'power', 'W', 50],
    ['1.5 kW', 'power', 'W', 1500],
    ['12 lb', 'mass', 'kg', 5443.108],
    ['250 g', 'mass', 'kg', 250],
    ['3 days', 'hours', 'h', 72],
    ['90 min', 'hours', 'h', 1.5],
    ['0.5 gal/day', 'volumePerDay', 'L/day', 1.8927],
    ['40 psf', 'pressure', 'kPa', 1.9152],
  ];
  for (const [text, kind, unit, wanted] of accepted) {
    it(`takes “${text}” as ${kind}`, () => {
      const parsed = parseQuantity(text, kind, unit);
      if (!parsed.ok) return fail(parsed.reason);
      expect(parsed.value).toBeCloseTo(wanted, kind === 'salinity' ? 1 : 3);
    });
  }

  const refused: [string, QuantityKind, RegExp][] = [
    ['', 'length', /Type a number/],
    ['abc', 'length', /does not start with a number/],
    ['0', 'length', /between/],
    ['-5 cm', 'length', /between/],
    ['1e9 cm', 'length', /between/],
    ['1e999', 'length', /does not start with a number/],
    ['20 gal', 'length', /not a unit of length/],
    ['60 furlongs', 'length', /Use mm, cm, m/],
    ['1/0 in', 'length', /does not start with a number/],
    ['<b>60</b>', 'length', /does not start with a number/],
    ['250', 'temperature', /between/],
    ['-3', 'count', /between/],
    ['2.5', 'count', /Whole animals/],
    ['NaN', 'count', /does not start with a number/],
    ['120 %', 'fraction', /between/],
    ['15', 'ph', /between/],
    ['1.2 SG', 'salinity', /specific gravity/],
    ['50 V', 'power', /not a unit of power/],
    ['-10 W', 'power', /between/],
    ['12 gal', 'mass', /not a unit of mass/],
  ];
  for (const [text, kind, reason] of refused) {
    it(`refuses “${text}” as ${kind} and says why`, () => {
      const parsed = parseQuantity(text, kind);
      expect(parsed.ok ? 'accepted' : parsed.reason).toMatch(reason);
    });
  }

  it('never lets a number outside the limits, NaN or Infinity through', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...(Object.keys(INPUT_LIMITS) as QuantityKind[])), (text, kind) => {
        const parsed = parseQuantity(text, kind);
        const [low, high] = INPUT_LIMITS[kind];
        expect(parsed.ok ? parsed.value >= low && parsed.value <= high : parsed.reason.length > 0).toBeTrue();
      }),
      { numRuns: 500 },
    );
  });
});

describe('what is shown', () => {
  const choices: UnitChoice[] = [
    METRIC,
    US,
    { ...METRIC, length: 'mm', conductivity: { tdsFactor: 0.5 } },
    { ...US, conductivity: { tdsFactor: 0.7 } },
    { ...METRIC, decimal: ',' },
    { ...US, conductivity: { tdsFactor: 0.64 }, decimal: ',' },
  ];
  const kinds = Object.keys(INPUT_LIMITS) as QuantityKind[];

  it('can be typed back, with its unit or without, in every kind and choice of units', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.constantFrom(...choices),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (kind, choice, share) => {
          const [low, high] = INPUT_LIMITS[kind];
          const value = kind === 'count' ? Math.round(share * 200) : low + share * Math.min(high - low, 2000);
          for (const shown of [formatQuantity(kind, value, choice), formatNumber(kind, value, choice)]) {
            // a little past the edge by rounding is no slip of the user's
            const parsed = parseShown(shown, kind, choice, [low - 100, high + 100]);
            if (!parsed.ok) return fail(`${kind} ${shown}: ${parsed.reason}`);
            expect(formatQuantity(kind, parsed.value, choice))
              .withContext(shown)
              .toBe(formatQuantity(kind, value, choice));
            const { decimals } = unitOf(kind, choice);
            const step = Math.abs(inChosenUnit(kind, parsed.value, choice) - inChosenUnit(kind, value, choice));
            expect(step)
              .withContext(`${kind} ${shown}`)
              .toBeLessThanOrEqual(0.51 * 10 ** -Math.min(decimals, 1));
          }
        },
      ),
      { numRuns: 1500 },
    );
  });

  it('has the decimal mark that was chosen, and takes the other where it can mean one thing only', () => {
    const comma: UnitChoice = { ...METRIC, decimal: ',' };
    expect(formatQuantity('temperature', 22.5, comma)).toBe('22,5 °C');
    expect(formatQuantity('temperatureStep', -1.5, comma)).toBe('−1,5 °C');
    const read = (text: string, choice = comma) => {
      const parsed = parseShown(text, 'volume', choice);
      return parsed.ok ? parsed.value : parsed.reason;
    };
    expect(read('22.5')).toBe(22.5);
    expect(read('1,234')).toBe(1.234);
    expect(read('1.234,5')).toBe(1234.5);
    expect(read('1.234')).toMatch(/may be 1,234 or 1234/);
    expect(read('1,234', METRIC)).toMatch(/may be 1\.234 or 1234/);
    expect(read('1.234', METRIC)).toBe(1.234);
  });

  it('below nothing is typed back too: tilts, left turns, cold rooms', () => {
    for (const [kind, value] of [
      ['angle', -7],
      ['temperature', -3.5],
      ['number', -12],
    ] as const)
      for (const choice of choices) {
        const parsed = parseShown(formatQuantity(kind, value, choice), kind, choice, [-1e6, 1e6]);
        expect(parsed.ok && parsed.value)
          .withContext(kind)
          .toBeCloseTo(value, 1);
      }
  });

  it('of conductivity as TDS takes both, and neither for the other', () => {
    const tds: UnitChoice = { ...METRIC, conductivity: { tdsFactor: 0.5 } };
    const typed = (text: string) => {
      const parsed = parseShown(text, 'conductivity', tds);
      return parsed.ok ? parsed.value : parsed.reason;
    };
    expect(typed('200')).toBe(400);
    expect(typed('200 ppm')).toBe(400);
    expect(typed('200 ppm ×0.5')).toBe(400);
    expect(typed('400 µS/cm')).toBe(400);
    expect(typed('1.4 mS')).toBe(1400);
    expect(typed('90000')).toMatch(/between 0 ppm/);
  });
});
