import fc from 'fast-check';
import { convert, findUnit, fromCanonical, toCanonical, UNITS, type QuantityKind } from './unit';

const kinds = Object.keys(UNITS) as QuantityKind[];

describe('units', () => {
  for (const kind of kinds) {
    it(`round-trips every unit of ${kind}`, () => {
      fc.assert(
        fc.property(fc.constantFrom(...UNITS[kind]), fc.double({ min: -1e6, max: 1e6, noNaN: true }), (unit, value) => {
          const back = fromCanonical(kind, toCanonical(kind, value, unit.names[0]), unit.names[0]);
          expect(Math.abs(back - value)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(value), Math.abs(unit.offset ?? 0) * 100));
        }),
      );
    });

    it(`gives every spelling of ${kind} to one unit only`, () => {
      for (const unit of UNITS[kind]) for (const name of unit.names) expect(findUnit(kind, name)).toBe(unit);
    });
  }

  // Exact definitions of inch, foot, gallons and pound; degree conversions from the definition 1 degree = 10 mg CaO/L.
  const known: [QuantityKind, number, string, string, number, number][] = [
    ['length', 1, 'in', 'mm', 25.4, 0],
    ['length', 2, 'ft', 'in', 24, 1e-12],
    ['volume', 1, 'gal', 'L', 3.785411784, 0],
    ['volume', 1, 'imp gal', 'L', 4.54609, 0],
    ['mass', 1, 'lb', 'kg', 0.45359237, 1e-12],
    ['temperature', 32, '°F', '°C', 0, 1e-12],
    ['temperature', 212, '°F', '°C', 100, 1e-12],
    ['temperature', 24, '°C', '°F', 75.2, 1e-12],
    ['temperatureStep', 1, '°C', '°F', 1.8, 1e-12],
    ['hardness', 1, 'dGH', 'mg/L CaCO3', 17.848, 5e-4],
    ['hardness', 1, 'dGH', 'mmol/L', 0.178326, 5e-7],
    ['hardness', 1, 'dGH', 'meq/L', 0.356652, 5e-7],
    ['hardness', 1, '°fH', 'dGH', 0.56029, 1e-5],
    ['hardness', 1, 'Clark', 'dGH', 0.79863, 2e-5],
    ['hardness', 1, 'gpg', 'dGH', 0.9591, 5e-5],
    ['alkalinity', 1, 'dKH', 'meq/L', 0.356652, 5e-7],
    ['alkalinity', 1, 'meq/L', 'mg/L CaCO3', 50.0434, 1e-3],
    ['alkalinity', 1, 'dKH', 'mg/L HCO3', 21.762, 1e-3],
    ['conductivity', 1.4127, 'mS/cm', 'µS/cm', 1412.7, 1e-9],
    ['fraction', 60, '%', '', 0.6, 1e-12],
  ];
  for (const [kind, value, from, to, wanted, tolerance] of known) {
    it(`${value} ${from} is ${wanted} ${to || 'of one'}`, () => {
      expect(Math.abs(convert(kind, value, from, to) - wanted)).toBeLessThanOrEqual(tolerance);
    });
  }

  it('refuses a unit of another kind', () => {
    expect(() => toCanonical('length', 1, 'gal')).toThrowError(RangeError);
  });
});
