import fc from 'fast-check';
import { evaluate } from '../calculation/calculation';
import { brackishSteps } from './brackish-steps';
import { afterConditioner, CONDITIONERS, conditionerOf } from './conditioners';
import { afterEvaporation } from './evaporation-drift';
import { METER_ABOVE_TOTAL_SCALE, seawaterPh, seawaterPhOf } from '../chemistry/seawater-ph';
import { a440Of, hexOf, platinumCobalt, transmittedRgb } from './water-colour';

const positive = (max: number) => fc.double({ min: 0.01, max, noNaN: true });
describe('the colour of the water', () => {
  it('is nearly white when clear and browns with carbon: blue goes first', () => {
    const clear = transmittedRgb(0, 300);
    expect(Math.min(...clear)).toBeGreaterThan(0.85);
    const [red, green, blue] = transmittedRgb(a440Of(15), 300);
    expect(red).toBeGreaterThan(green);
    expect(green).toBeGreaterThan(blue);
    expect(hexOf([1, 1, 1])).toBe('#ffffff');
  });
  it('darkens with carbon and with depth, all the way', () => {
    const light = (carbon: number, mm: number) => transmittedRgb(a440Of(carbon), mm).reduce((sum, v) => sum + v, 0);
    fc.assert(
      fc.property(positive(60), positive(1500), (carbon, mm) => {
        expect(light(carbon * 1.1, mm)).toBeLessThanOrEqual(light(carbon, mm) + 1e-9);
        expect(light(carbon, mm * 1.1)).toBeLessThanOrEqual(light(carbon, mm) + 1e-9);
      }),
    );
  });
  it('counts as platinum-cobalt', () => expect(platinumCobalt(5)).toBeCloseTo(90.87, 1));
});

describe('salt water', () => {
  // Alkalinity 2.30 mmol/kg, 420 µatm, salinity 35, 25 degC: pH 8.025 on the total scale (own check with the constants of Lueker et al. 2000).
  it('has its pH in balance with the air', () => {
    expect(Math.abs(seawaterPhOf(2.3, 420, 35, 25) - 8.025)).toBeLessThan(0.01);
    const found = evaluate(seawaterPh, { alkalinityMmolPerKg: 2.3, pco2Uatm: 420, salinity: 35, temperatureC: 25 });
    expect(found.value!.phAsAMeterReads - found.value!.phTotalScale).toBeCloseTo(METER_ABOVE_TOTAL_SCALE, 9);
    expect(evaluate(seawaterPh, { alkalinityMmolPerKg: 2.3, pco2Uatm: 420, salinity: 0.2, temperatureC: 25 }).value).toBeNull();
  });
  it('falls with CO2 and rises with alkalinity', () => {
    expect(seawaterPhOf(2.3, 800, 35, 25)).toBeLessThan(seawaterPhOf(2.3, 420, 35, 25));
    expect(seawaterPhOf(3, 420, 20, 25)).toBeGreaterThan(seawaterPhOf(2.3, 420, 20, 25));
  });
  it('climbs as it evaporates, and comes back with fresh water', () => {
    expect(afterEvaporation(35, 100, 2, 0, 0)).toBeCloseTo(35.714, 3);
    expect(afterEvaporation(35, 100, 2, 2, 0)).toBeCloseTo(35, 9);
  });
  it('is changed in steps that none exceeds, and ends where it should', () => {
    fc.assert(
      fc.property(
        positive(200),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 34, noNaN: true }),
        positive(5),
        (litres, from, to, max) => {
          const replacement = to > from ? 35 : 0;
          const steps = brackishSteps(litres, from, to, max, replacement);
          // whatever lies between them is reached; the water itself only by changing all of it at once
          if (steps === null) return expect(to).toBe(replacement);
          let salinity = from;
          for (const step of steps) {
            const next = salinity + ((replacement - salinity) * step.litres) / litres;
            expect(Math.abs(next - step.salinity)).toBeLessThan(1e-6);
            expect(Math.abs(next - salinity)).toBeLessThanOrEqual(max + 1e-6);
            salinity = next;
          }
          expect(Math.abs(salinity - to)).toBeLessThan(1e-6);
        },
      ),
    );
    expect(brackishSteps(10, 5, 20, 2, 18)).toBeNull();
  });
});

describe('conditioners', () => {
  it('each bind chlorine; standing leaves chloramine, and plain thiosulfate its ammonia', () => {
    for (const one of CONDITIONERS) expect(afterConditioner('chlorine', one)).withContext(one.id).toBeNull();
    expect(afterConditioner('chloramine', conditionerOf('ageing'))).toBe('all-of-it');
    expect(afterConditioner('chloramine', conditionerOf('thiosulfate'))).toBe('ammonia');
    expect(afterConditioner('chloramine', conditionerOf('binder'))).toBeNull();
    expect(afterConditioner('chlorine', undefined)).toBe('all-of-it');
  });
});
