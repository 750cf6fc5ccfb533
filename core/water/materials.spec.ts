import fc from 'fast-check';
import { evaluate } from '../calculation/calculation';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { catalogue } from '../testing/tanks';
import { brackishSteps } from './brackish-steps';
import { alkalinityAtPh, carbonateAtPco2 } from '../chemistry/carbonate-system';
import { afterConditioner, CONDITIONERS, conditionerOf } from './conditioners';
import { afterEvaporation } from './evaporation-drift';
import { limeDissolution, limeDissolvedMmolPerL, limeToSaturation, steadyShare } from './lime-dissolution';
import { steadyOrganicCarbon } from './organic-carbon';
import { saturationIndices } from '../chemistry/saturation-index';
import { METER_ABOVE_TOTAL_SCALE, seawaterPh, seawaterPhOf } from '../chemistry/seawater-ph';
import { limeEffect, organicCarbonOf, soilEffect, type Lying } from './settled-water';
import { soilExchangeOf, soilWeeksLeft } from './soil-exchange';
import { a440Of, hexOf, platinumCobalt, transmittedRgb } from './water-colour';

const CHANGES = { fraction: 0.15, days: 7 };
const positive = (max: number) => fc.double({ min: 0.01, max, noNaN: true });
const lying = (materialId: string, litres: number, kg: number, spent = 0): Lying => ({
  action: catalogue.materials.get(materialId)!.action,
  litres,
  kg,
  spent,
});

describe('lime in the water', () => {
  // Calcite in balance with water at 25 degC, as GH and KH of pure water: own solver, algebra only; the first is near the published 0.485 mmol/L at 316 µatm.
  for (const [pco2, degrees] of [
    [420, 2.99],
    [2000, 5.13],
    [10000, 9.05],
  ] as const)
    it(`saturates pure water at ${degrees} degrees under ${pco2} µatm`, () => {
      const n = limeToSaturation(25, 0, 0, pco2, 'calcite');
      expect(n / MMOL_PER_DEGREE_HARDNESS).toBeCloseTo(degrees, 0);
      expect((2 * n) / MEQ_PER_DEGREE_ALKALINITY).toBeCloseTo(degrees, 0);
    });

  it('stops where the saturation index is nought, and hard water takes none', () => {
    const n = limeToSaturation(24, 1, 0.5, 1200, 'aragonite');
    const { ph } = carbonateAtPco2({ temperatureC: 24, alkalinityMeqPerL: 1 + 2 * n }, 1200);
    expect(saturationIndices(24, ph, 0.5 + n, 1 + 2 * n)!.aragonite).toBeCloseTo(0, 3);
    expect(limeToSaturation(24, 5, 3, 420, 'calcite')).toBe(0);
  });

  it('comes nearer to saturation the faster it dissolves and the less is changed', () => {
    fc.assert(
      fc.property(positive(5), positive(0.9), positive(30), (rate, fraction, days) => {
        const share = steadyShare(rate, fraction, days);
        expect(share >= 0 && share <= 1).toBeTrue();
        expect(steadyShare(rate * 1.2, fraction, days)).toBeGreaterThanOrEqual(share - 1e-12);
        expect(steadyShare(rate, Math.min(1, fraction * 1.1), days)).toBeLessThanOrEqual(share + 1e-12);
      }),
    );
  });

  it('is what the changes are followed to step by step', () => {
    let dissolved = 0;
    let before = 0;
    for (let i = 0; i < 400; i++) {
      before = 1 - (1 - dissolved) * Math.exp(-0.05 * 7);
      dissolved = before * 0.85;
    }
    expect(limeDissolvedMmolPerL(1, 0.05, 0.15, 7)).toBeCloseTo(before, 9);
  });

  it('is more of it with more stone, and a gap in hot water', () => {
    const water = { temperatureC: 24, alkalinityMeqPerL: 0.7, hardnessMmolPerL: 0.5, calciumMmolPerL: 0.4, pco2Uatm: 1200, litres: 40 };
    const little = limeEffect(water, [lying('limestone', 0.4, 1)], CHANGES)!;
    const much = limeEffect(water, [lying('limestone', 1.6, 4)], CHANGES)!;
    expect(much.dissolvedMmolPerL).toBeGreaterThan(little.dissolvedMmolPerL);
    expect(little.band[0]).toBeLessThan(little.dissolvedMmolPerL);
    expect(little.band[1]).toBeLessThanOrEqual(little.saturationMmolPerL);
    expect(limeEffect(water, [lying('basalt', 1, 3)], CHANGES)).toBeNull();
    const input = {
      temperatureC: 60,
      alkalinityMeqPerL: 1,
      calciumMmolPerL: 1,
      pco2Uatm: 420,
      mineral: 'calcite' as const,
      ratePerDay: 1,
      changeFraction: 0.1,
      changeDays: 7,
    };
    expect(evaluate(limeDissolution, input).value).toBeNull();
  });
});

describe('active soil', () => {
  const water = { temperatureC: 24, alkalinityMeqPerL: 1.43, hardnessMmolPerL: 1, pco2Uatm: 1200 };

  it('brings the water to its pH', () => {
    const { takenMeqPerL } = soilExchangeOf(water, 6, 1e6, 40);
    const { ph } = carbonateAtPco2(
      { temperatureC: 24, alkalinityMeqPerL: water.alkalinityMeqPerL - takenMeqPerL, ionicStrengthMolPerL: 0.001 },
      1200,
    );
    expect(ph).toBeCloseTo(6, 3);
    expect(alkalinityAtPh(24, ph, 1200)).toBeCloseTo(water.alkalinityMeqPerL - takenMeqPerL, 4);
  });

  it('takes as much hardness as alkalinity, never more than it can, and leaves acid water alone', () => {
    fc.assert(
      fc.property(positive(8), positive(4), positive(2000), positive(400), (alkalinity, hardness, capacity, litres) => {
        const done = soilExchangeOf({ ...water, alkalinityMeqPerL: alkalinity, hardnessMmolPerL: hardness }, 6.2, capacity, litres);
        expect(done.takenMeqPerL * litres + done.leftMeq).toBeCloseTo(capacity, 6);
        expect(done.hardnessTakenMmolPerL).toBeLessThanOrEqual(Math.min(hardness, done.takenMeqPerL / 2) + 1e-12);
        expect(done.takenMeqPerL >= 0 && done.takenMeqPerL <= alkalinity).toBeTrue();
      }),
    );
    expect(soilExchangeOf({ ...water, alkalinityMeqPerL: 0.01 }, 6.8, 400, 40).takenMeqPerL).toBe(0);
  });

  it('lasts about a year at a litre to ten litres under KH 4 changes: common practice', () => {
    const effect = soilEffect({ ...water, calciumMmolPerL: 0.7, litres: 40 }, [lying('acid-soil', 4, 3.8)], CHANGES)!;
    expect(effect.weeksLeft!).toBeGreaterThan(26);
    expect(effect.weeksLeft!).toBeLessThan(104);
    expect(effect.weeksBand![0]).toBeLessThan(effect.weeksLeft!);
    const used = soilEffect({ ...water, calciumMmolPerL: 0.7, litres: 40 }, [lying('acid-soil', 4, 3.8, 0.6)], CHANGES)!;
    expect(used.weeksLeft!).toBeLessThan(effect.weeksLeft!);
    expect(soilWeeksLeft(100, 0, 6)).toBeNull();
  });
});

describe('leaves and peat', () => {
  it('give no more carbon than is in them', () => {
    fc.assert(
      fc.property(positive(200), positive(200), positive(100), positive(20), positive(1), (grams, litres, carbon, weeks, fraction) => {
        const found = steadyOrganicCarbon(grams, litres, carbon, weeks, fraction, 7);
        // in a steady tank a week's gain is at least what a week's change throws out
        expect(found * fraction).toBeLessThanOrEqual((grams * carbon) / litres / weeks + 1e-9);
        expect(steadyOrganicCarbon(grams * 2, litres, carbon, weeks, fraction, 7)).toBeCloseTo(2 * found, 6);
      }),
    );
  });
  it('come with a wide band, and nothing comes of sand', () => {
    const found = organicCarbonOf(20, [lying('leaf-litter', 0, 0.02)], CHANGES)!;
    expect(found.band[0]).toBeLessThan(found.value / 1.5);
    expect(found.band[1]).toBeGreaterThan(found.value * 1.5);
    expect(organicCarbonOf(20, [lying('fine-quartz-sand', 5, 8)], CHANGES)).toBeNull();
  });
});

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
          if (steps === null) return expect(to <= replacement && to > from).toBeFalse();
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
