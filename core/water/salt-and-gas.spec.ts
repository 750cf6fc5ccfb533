import { evaluate } from '../calculation/calculation';
import { seawaterDensity, specificGravity } from '../quantity/seawater';
import { dechlorinate } from './dechlorination';
import gsw from './fixtures/gsw.json';
import { nitriteGuard } from './nitrite-chloride';
import { oxygenSaturation, oxygenSaturationOf } from '../chemistry/oxygen-saturation';
import { practicalSalinity, practicalSalinityOf, practicalSalinityOfRatio } from './practical-salinity';
import { GRAVITY_REFERENCES, salinityFromGravity } from './salinity-from-specific-gravity';
import { seaSalt, seaSaltG } from './sea-salt';

type Row = [temperatureC: number, salinity: number, conductivityMsPerCm: number, kgPerM3: number, oxygenUmolPerKg: number];
const table = gsw.rows as Row[];

describe('sea and brackish water', () => {
  // UNESCO Technical Papers in Marine Science 44: check values of PSS-78 and EOS-80.
  it('meets the published check values', () => {
    expect(practicalSalinityOfRatio(1, 15, 0)).toBeCloseTo(35, 6);
    expect(practicalSalinityOfRatio(1.2, 20, 2000)).toBeCloseTo(37.245628, 4);
    expect(practicalSalinityOfRatio(0.65, 5, 1500)).toBeCloseTo(27.995347, 4);
    expect(seawaterDensity(5, 0)).toBeCloseTo(999.96675, 4);
    expect(seawaterDensity(5, 35)).toBeCloseTo(1027.67547, 4);
    expect(seawaterDensity(25, 35)).toBeCloseTo(1023.34306, 4);
    expect(seawaterDensity(25, 0)).toBeCloseTo(997.04796, 4);
  });

  it(`agrees with a reference library (${gsw.origin})`, () => {
    for (const [t, salinity, conductivity, density] of table) {
      const where = `${t} °C, S ${salinity}`;
      expect(Math.abs(practicalSalinityOf(conductivity, t) - salinity))
        .withContext(where)
        .toBeLessThan(1e-4);
      // EOS-80 against TEOS-10: up to 0.0083 kg/m³
      expect(Math.abs(seawaterDensity(t, salinity) - density))
        .withContext(where)
        .toBeLessThan(0.01);
    }
  });

  // Specific gravities at salinity 35 and 10 by the way an instrument is marked (EOS-80).
  for (const [name, at35, at10] of [
    ['60/60 °F', 1.02686, 1.00768],
    ['25/25 °C (77/77 °F)', 1.02637, 1.00753],
    ['20/4 °C', 1.02479, 1.00582],
    ['25/4 °C', 1.02337, 1.00458],
    ['20/20 °C', 1.0266, 1.0076],
  ] as const)
    it(`reads a hydrometer marked ${name}`, () => {
      const { temperatureC, referenceC } = GRAVITY_REFERENCES.find((reference) => reference.name === name)!;
      expect(specificGravity(35, temperatureC, referenceC)).toBeCloseTo(at35, 4);
      const outcome = evaluate(salinityFromGravity, { specificGravity: at10, temperatureC, referenceC });
      expect(outcome.value?.salinity).toBeCloseTo(10, 1);
    });

  it('gives salinity from gravity as published for 25/25 and 60/60', () => {
    const salinity = (specificGravity: number, c: number) =>
      evaluate(salinityFromGravity, { specificGravity, temperatureC: c, referenceC: c }).value?.salinity;
    expect(salinity(1.0264, 25)).toBeCloseTo(35.04, 2);
    expect(salinity(1.01, 25)).toBeCloseTo(13.29, 2);
    expect(salinity(1.0264, 140 / 9)).toBeCloseTo(34.4, 1);
    expect(salinity(1.05, 25)).toBeUndefined();
  });

  it('weighs the salt: 36.34 g to a litre for 35', () => {
    expect(seaSaltG(1, 0, 35, 25, 1)).toBeCloseTo(36.34, 2);
    // what is weighed in twice over is weighed in at once
    const half = seaSaltG(10, 0, 17, 25, 1);
    const litresAfter = ((10 * seawaterDensity(25, 0) + half) / seawaterDensity(25, 17)) * 1;
    expect(half + seaSaltG(litresAfter, 17, 35, 25, 1)).toBeCloseTo(seaSaltG(10, 0, 35, 25, 1), 6);
    expect(seaSalt.inputs.safeParse({ litres: 1, fromSalinity: 20, toSalinity: 10, temperatureC: 25 }).success).toBeFalse();
  });

  it('is a gap outside its span', () => {
    expect(evaluate(practicalSalinity, { conductivityMsPerCm: 53, temperatureC: 40 }).value).toBeNull();
    expect(evaluate(practicalSalinity, { conductivityMsPerCm: 120, temperatureC: 25 }).value).toBeNull();
    expect(evaluate(practicalSalinity, { conductivityMsPerCm: 0, temperatureC: 25 }).value?.salinity).toBeGreaterThanOrEqual(0);
  });
});

describe('oxygen', () => {
  // APHA Standard Methods 4500-O, table of solubility at one atmosphere: fresh water by 5 °C, and by chlorinity 5 to 25 at 0 °C
  // (the latter as recalled).
  it('meets the handbook table within 0.02 mg/L', () => {
    [14.621, 12.77, 11.288, 10.084, 9.092, 8.263, 7.559, 6.949].forEach((mgPerL, i) =>
      expect(Math.abs(oxygenSaturationOf(5 * i, 0) - mgPerL)).toBeLessThan(0.02),
    );
    [13.728, 12.888, 12.097, 11.355, 10.657].forEach((mgPerL, i) =>
      expect(Math.abs(oxygenSaturationOf(0, 1.80655 * 5 * (i + 1)) - mgPerL)).toBeLessThan(0.02),
    );
  });
  it('agrees with Garcia & Gordon 1992 in a reference library within 0.1 %', () => {
    for (const [t, salinity, , density, umolPerKg] of table) {
      const mgPerL = (umolPerKg * 31.998 * density) / 1e6;
      expect(Math.abs(oxygenSaturationOf(t, salinity) / mgPerL - 1))
        .withContext(`${t} °C, S ${salinity}`)
        .toBeLessThan(0.001);
    }
  });
  it('falls with height: 7.70 mg/L at 20 °C and 0.85 atm', () => {
    expect(oxygenSaturationOf(20, 0, 0.85 * 1013.25)).toBeCloseTo(7.697, 2);
    expect(evaluate(oxygenSaturation, { temperatureC: 20, salinity: 0, pressureHpa: 300 }).value).toBeNull();
  });
});

describe('what poisons', () => {
  it('nitrite is met by chloride: 1.65 g of salt for a gram', () => {
    const { chlorideWantedMgPerL, saltMgPerL } = nitriteGuard(0.5, 4, 20);
    expect(chlorideWantedMgPerL).toBe(10);
    expect(saltMgPerL).toBeCloseTo(6 * 1.6485, 2);
    expect(nitriteGuard(0.1, 30, 20).saltMgPerL).toBe(0);
  });
  it('chlorine by thiosulfate; chloramine leaves 0.2 mg N for each mg', () => {
    expect(dechlorinate('chlorine', 1, 10)).toEqual({ thiosulfateMg: 105, ammoniaNMgPerL: 0 });
    expect(dechlorinate('chloramine', 2, 10).ammoniaNMgPerL).toBeCloseTo(0.395, 2);
  });
});
