import * as fc from 'fast-check';
import { SMALL_TANK } from '../testing/scenarios';
import { settledPotassium, weeklyWants } from './weekly-wants';

const RICH = { nitrogenMgPerL: 1e4, phosphorusMgPerL: 1e4, co2MmolPerL: 1e4 };
const planted = { ...SMALL_TANK, plants: { areaM2: 0.1, uptakeGNPerM2: 0.1 } };

describe('what plants take in a week', () => {
  it('is nitrogen by their uptake, the rest as dry matter holds it', () => {
    const { nitrateMgPerL, phosphateMgPerL, potassiumMgPerL, ironMgPerL } = weeklyWants(planted, RICH);
    // 0.1 m² of 0.1 g N a day: 70 mg N a week, as nitrate 310 mg
    const litres = planted.litres;
    expect(nitrateMgPerL).toBeCloseTo((70 * 62.004) / 14.007 / litres, 2);
    expect(potassiumMgPerL / nitrateMgPerL).toBeCloseTo((0.83 * 14.007) / 62.004, 3);
    expect(phosphateMgPerL / nitrateMgPerL).toBeCloseTo((0.12 * 94.971 * 14.007) / (30.974 * 62.004), 3);
    expect(ironMgPerL).toBeCloseTo((70 * 0.01) / litres, 4);
  });
  it('is nothing without plants, and less in lean water', () => {
    expect(weeklyWants({ ...planted, plants: { areaM2: 0, uptakeGNPerM2: 0 } }, RICH).potassiumMgPerL).toBe(0);
    expect(weeklyWants(planted, { ...RICH, nitrogenMgPerL: 0.05 }).nitrateMgPerL).toBeLessThan(
      weeklyWants(planted, RICH).nitrateMgPerL / 2,
    );
  });
});

describe('potassium where it settles', () => {
  const none = { nitrateMgPerL: 0, phosphateMgPerL: 0, potassiumMgPerL: 0, ironMgPerL: 0 };
  const scenario = { ...SMALL_TANK, feed: { ...SMALL_TANK.feed, gPerDay: 0 }, change: { fraction: 0.25, everyDays: 7 } };
  it('is that of the water changed in where nobody takes or gives any', () => {
    const mgPerL = scenario.replacement.potassiumMmol * 39.098;
    expect(settledPotassium(scenario, {}, none)).toBeCloseTo(mgPerL, 9);
  });
  it('is as far above as four weeks of a dose under a quarter changed, and below nothing where more is taken', () => {
    const before = settledPotassium(scenario, {}, none)!;
    expect(settledPotassium(scenario, { potassium: 5 }, none)! - before).toBeCloseTo(20, 9);
    // 10 mg/L of nitrate as its potassium salt
    expect(settledPotassium(scenario, { nitrogen: 10 }, none)! - before).toBeCloseTo((4 * 10 * 39.098) / 62.005, 6);
    expect(settledPotassium(scenario, {}, { ...none, potassiumMgPerL: 50 })).toBeLessThan(0);
    expect(settledPotassium({ ...scenario, change: null }, {}, none)).toBeNull();
  });
  it('never falls for more of a dose', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 50, noNaN: true }), fc.double({ min: 0, max: 50, noNaN: true }), (dose, more) => {
        expect(settledPotassium(scenario, { potassium: dose + more }, none)!).toBeGreaterThanOrEqual(
          settledPotassium(scenario, { potassium: dose }, none)!,
        );
      }),
    );
  });
});
