import fc from 'fast-check';
import { run, startState } from './run';
import { N_MASS, STATE } from './state';
import { SMALL_TANK } from '../testing/scenarios';
import { FertiliserPlan, harmedByCarbon, weeklyDose } from './fertiliser';
import { CARBON_PER_NITROGEN, PHOSPHORUS_PER_NITROGEN, uptake, uptakeOf } from './uptake';

const FED = { light: 1, warm: 1, nitrogenMgPerL: 5, phosphorusMgPerL: 0.5, co2MmolPerL: 0.2, inAir: 0 };

describe('uptake', () => {
  it('takes carbon, nitrogen and phosphorus as a plant is made of them when it is fed', () => {
    // dry matter of 40 % carbon and 3 % nitrogen: 13.3 g of carbon to a gram of nitrogen, 15.5 moles to a mole
    expect((CARBON_PER_NITROGEN * 12.011) / N_MASS).toBeCloseTo(40 / 3, 1);
    const rich = uptakeOf(100, { ...FED, nitrogenMgPerL: 1e6, phosphorusMgPerL: 1e6, co2MmolPerL: 1e6 });
    expect(rich.nitrogenMg).toBeCloseTo(100, 2);
    expect(rich.carbonMmol).toBeCloseTo((100 / N_MASS) * CARBON_PER_NITROGEN, 2);
    expect(rich.phosphorusMg).toBeCloseTo(rich.nitrogenMg * PHOSPHORUS_PER_NITROGEN, 9);
  });
  it('is held by the scarcer of nitrogen and phosphate, and by carbon dioxide in the water alone', () => {
    const half = uptakeOf(100, { ...FED, nitrogenMgPerL: 0.1 });
    expect(uptakeOf(100, { ...FED, nitrogenMgPerL: 0.1, phosphorusMgPerL: 50 }).nitrogenMg).toBeCloseTo(half.nitrogenMg, 9);
    expect(uptakeOf(100, { ...FED, phosphorusMgPerL: 0.001 }).nitrogenMg).toBeLessThan(half.nitrogenMg);
    expect(uptakeOf(100, { ...FED, co2MmolPerL: 0 }).carbonMmol).toBe(0);
    const air = uptakeOf(100, { ...FED, co2MmolPerL: 0, inAir: 1 });
    expect(air.nitrogenMg).toBeGreaterThan(80);
    expect(air.fromWaterMmol).toBe(0);
    expect(air.breathMmol).toBe(0);
  });
  it('is never less for more of anything', () => {
    const some = fc.double({ min: 0, max: 10, noNaN: true });
    fc.assert(
      fc.property(
        fc.record({ light: some, warm: some, nitrogenMgPerL: some, phosphorusMgPerL: some, co2MmolPerL: some }),
        fc.constantFrom('light', 'warm', 'nitrogenMgPerL', 'phosphorusMgPerL', 'co2MmolPerL'),
        (at, which) => {
          const now = uptakeOf(50, { ...at, inAir: 0.3 }).nitrogenMg;
          expect(uptakeOf(50, { ...at, inAir: 0.3, [which]: at[which as 'light'] + 1 }).nitrogenMg).toBeGreaterThanOrEqual(now - 1e-12);
        },
      ),
    );
  });
  it('gives off more oxygen by day than it takes, on the command line too', () => {
    const day = uptake.compute({ areaM2: 0.1, uptakeGNPerM2: 0.3, nitrogenMgPerL: 3, phosphorusMgPerL: 0.3, co2MmolPerL: 0.1, inAir: 0 });
    expect(day.oxygenMgPerDay).toBeGreaterThan(0);
    expect(day.nitrogenMgPerDay).toBeCloseTo(
      uptakeOf(30, { ...FED, nitrogenMgPerL: 3, phosphorusMgPerL: 0.3, co2MmolPerL: 0.1 }).nitrogenMg,
      9,
    );
  });
  it('keeps nitrogen: what leaves the water is in the plants, with half of them in the air as well', () => {
    for (const inAir of [0, 0.5, 1]) {
      const planted = {
        ...SMALL_TANK,
        change: null,
        feed: { ...SMALL_TANK.feed, gPerDay: 0 },
        doses: [],
        plants: { areaM2: 0.2, uptakeGNPerM2: 0.2, inAir },
        start: { ...SMALL_TANK.start, nitrateMgN: 8, phosphateMgP: 1 },
      };
      const first = startState(planted);
      const last = run(planted, 20);
      const nitrogen = (y: Float64Array) =>
        [STATE.ammonia, STATE.nitrite, STATE.nitrate, STATE.boundNitrogen].reduce((sum, at) => sum + y[at]!, 0);
      expect(nitrogen(last) / nitrogen(first)).toBeCloseTo(1, 4);
      expect(last[STATE.boundNitrogen]!).toBeGreaterThan(first[STATE.boundNitrogen]!);
    }
  });
});

describe('fertiliser', () => {
  it('brings what its week says, its charges even', () => {
    const dose = weeklyDose({ nitrogen: 10, phosphorus: 1, potassium: 10 }, 100)!;
    // 10 mg/L of nitrate in 100 L is a gram of it: 0.226 g of nitrogen
    expect(dose.nitrateMgN).toBeCloseTo(225.9, 0);
    expect(dose.phosphateMgP).toBeCloseTo(32.6, 1);
    expect(dose.potassiumMmol).toBeCloseTo(1000 / 62.005 + 100 / 94.97 + 1000 / 39.098, 3);
    expect(dose.potassiumMmol - 2 * dose.sulfateMmol).toBeCloseTo(1000 / 62.005 + 100 / 94.97, 3);
    const all = weeklyDose({ 'all-round': 5 }, 50)!;
    expect(all.nitrateMgN / weeklyDose({ nitrogen: 5 }, 50)!.nitrateMgN).toBeCloseTo(1, 9);
    expect(all.phosphateMgP).toBeGreaterThan(0);
    expect(weeklyDose({ iron: 0.2, carbon: 1, capsules: 6 }, 50)).toBeNull();
  });
  it('of nothing, of less and of what nobody sells is refused', () => {
    expect(FertiliserPlan.safeParse({ nitrogen: 0 }).error?.issues[0]?.message).toBe('leave it out rather than give none of it');
    expect(FertiliserPlan.safeParse({ nitrogen: -1 }).success).toBeFalse();
    expect(FertiliserPlan.safeParse({ moonlight: 1 }).success).toBeFalse();
    expect(FertiliserPlan.safeParse({ nitrogen: 200 }).success).toBeTrue();
    expect(FertiliserPlan.safeParse({ nitrogen: 201 }).success).toBeFalse();
  });
  it('of liquid carbon harms ribbons and not crypts', () => {
    expect(harmedByCarbon('Vallisneria nana')).toBeTrue();
    expect(harmedByCarbon('Cryptocoryne wendtii')).toBeFalse();
  });
});
