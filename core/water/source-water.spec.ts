import fc from 'fast-check';
import demo from '../../catalogue/demo/low-barn.json';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { conductivityOf } from '../chemistry/conductivity';
import { chargeBalance, chargesMeqPerL, ION_NAMES } from '../chemistry/ions';
import { leastConductivityOf } from './least-conductivity';
import { blendIons, mixWater } from './mixed-water';
import { seaConductivityAt25 } from './practical-salinity';
import { SALTS, SEA_SALT, SEA_SALT_MOISTURE } from './salts';
import { seaIons } from './sea-composition';
import { seaSaltG } from './sea-salt';
import { conductivityAt25Of, saltGPerL, sourceWater, type DescribedWater } from './source-water';

const fact = (value: number | null) => ({ value });
const described = (
  readings: Partial<Record<'ghDh' | 'khDh' | 'ec25UsPerCm' | 'salinity', number | null>>,
  analysis: DescribedWater['analysisMgPerL'] = {},
): DescribedWater => ({
  ghDh: fact(readings.ghDh ?? null),
  khDh: fact(readings.khDh ?? null),
  ec25UsPerCm: fact(readings.ec25UsPerCm ?? null),
  salinity: fact(readings.salinity ?? null),
  analysisMgPerL: analysis,
});
const TAP = sourceWater(demo.room.sources.tap as DescribedWater);
const RO = sourceWater(demo.room.sources.ro as DescribedWater);
const SEA = sourceWater(demo.room.sources.sea as DescribedWater);
const amount = (max: number) => fc.double({ min: 0, max, noNaN: true });

describe('a source', () => {
  it('shows the charge balance of a whole report, and keeps quiet over kit readings', () => {
    expect(Math.abs(TAP.balance!)).toBeLessThan(0.05);
    expect(RO.balance).toBeNull();
  });

  it('is questioned when its charges are more than a tenth apart', () => {
    const wrong = sourceWater(
      described({ khDh: 13.4 }, { calcium: fact(11.2), magnesium: fact(9), sodium: fact(11), chloride: fact(21), sulfate: fact(31) }),
    );
    expect(wrong.balance).toBeLessThan(-0.1);
    expect(wrong.contradictions.join()).toMatch(/differ by \d+ %/);
  });

  it('works out the GH that its calcium and magnesium mean, and the conductivity that its ions mean', () => {
    const whole = sourceWater(
      described({ khDh: 13.4 }, { calcium: fact(112), magnesium: fact(9.2), sodium: fact(11), chloride: fact(21), sulfate: fact(31) }),
    );
    expect(whole.ghDh).toBeCloseTo((112 / 40.078 + 9.2 / 24.305) / MMOL_PER_DEGREE_HARDNESS, 6);
    expect(Math.abs(whole.ec25UsPerCm! / 612 - 1)).toBeLessThan(0.04);
  });

  it('leaves unknown what it cannot know', () => {
    const dark = sourceWater(described({ ghDh: 4 }));
    expect([dark.khDh, dark.ec25UsPerCm, dark.salinity, dark.traces.copper]).toEqual([null, null, null, null]);
  });

  it('of salt water has the proportions of the sea', () => {
    // Millero, Feistel, Wright & McDougall 2008: calcium 421.7 (with strontium 429.7) and magnesium 1313.7 mg/L at 35 and 25 degC.
    expect(SEA.ions.magnesium * 24.305).toBeCloseTo(1313.7, 0);
    expect((SEA.ions.calcium - 0.0000907 * 1023.34) * 40.078).toBeCloseTo(421.7, 0);
    expect(SEA.ions.bicarbonate / MEQ_PER_DEGREE_ALKALINITY).toBeCloseTo(6.61, 1);
    expect(Math.abs(chargeBalance(SEA.ions)!)).toBeLessThan(1e-6);
    expect(saltGPerL(SEA.ions)).toBeCloseTo(35.99, 0);
  });

  it('is neutral and finite for any readings, and reads back what was read', () => {
    fc.assert(
      fc.property(amount(60), amount(40), fc.option(amount(5000)), fc.option(amount(400)), fc.option(amount(300)), (gh, kh, ec, ca, cl) => {
        const water = sourceWater(
          described(
            { ghDh: gh, khDh: kh, ec25UsPerCm: ec },
            { ...(ca === null ? {} : { calcium: fact(ca) }), ...(cl === null ? {} : { chloride: fact(cl) }) },
          ),
        );
        for (const ion of ION_NAMES) expect(Number.isFinite(water.ions[ion]) && water.ions[ion] >= 0).toBeTrue();
        const { cations, anions } = chargesMeqPerL(water.ions);
        expect(Math.abs(cations - anions)).toBeLessThan(1e-6 * Math.max(1, cations));
        expect(water.ions.bicarbonate).toBeCloseTo(kh * MEQ_PER_DEGREE_ALKALINITY, 9);
        if (ca !== null) expect(water.ions.calcium).toBeCloseTo(ca / 40.078, 9);
      }),
    );
  });
});

describe('conductivity of mixed salts', () => {
  // Practical Salinity Scale 1978 (UNESCO 44) is a measurement of a mixture that the ionic model was never fitted to: sea water thinned.
  for (const salinity of [0.5, 1, 2, 3, 5])
    it(`meets PSS-78 within 0.5 % at salinity ${salinity}`, () => {
      expect(Math.abs(conductivityOf(seaIons(salinity)) / seaConductivityAt25(salinity) - 1)).toBeLessThan(0.005);
    });

  it('has a least value that no water of the same GH and KH goes below', () => {
    fc.assert(
      fc.property(
        amount(20),
        amount(12),
        fc.double({ min: 0, max: 1, noNaN: true }),
        amount(2),
        amount(2),
        (gh, kh, calciumShare, salt, chloride) => {
          const hardness = gh * MMOL_PER_DEGREE_HARDNESS;
          const bicarbonate = kh * MEQ_PER_DEGREE_ALKALINITY;
          const left = 2 * hardness - bicarbonate;
          const cl = Math.min(chloride, Math.max(0, left));
          const ions = {
            calcium: hardness * calciumShare,
            magnesium: hardness * (1 - calciumShare),
            sodium: Math.max(0, -left) + salt,
            potassium: 0,
            bicarbonate,
            chloride: cl + salt,
            sulfate: Math.max(0, left - cl) / 2,
            nitrate: 0,
          };
          expect(conductivityOf(ions)).toBeGreaterThan(leastConductivityOf(gh, kh) * 0.97 - 1);
        },
      ),
    );
  });

  it('shows that a GH of 6 cannot conduct 100 µS/cm', () => {
    expect(leastConductivityOf(6, 0)).toBeGreaterThan(200);
  });
});

describe('salt water by its ions alone', () => {
  for (const salinity of [8, 20, 35])
    it(`conducts as PSS-78 says at ${salinity}, within half a per cent`, () => {
      expect(Math.abs(conductivityAt25Of(seaIons(salinity), null) / seaConductivityAt25(salinity) - 1)).toBeLessThan(0.005);
    });
});

describe('mixing', () => {
  it('keeps the mass of every ion and of charge', () => {
    fc.assert(
      fc.property(amount(1), amount(3000), fc.nat(SALTS.length - 1), (share, mgPerL, i) => {
        const salt = SALTS[i]!;
        const mixed = mixWater(
          [
            { share, water: TAP },
            { share: 1 - share, water: RO },
          ],
          [{ salt, mgPerL }],
        );
        const poured = blendIons([
          { share, ions: TAP.ions },
          { share: 1 - share, ions: RO.ions },
        ]);
        for (const ion of ION_NAMES)
          expect(mixed.ions[ion]).toBeCloseTo(poured[ion] + (mgPerL / salt.molarMass) * (salt.ions[ion] ?? 0), 9);
        const { cations, anions } = chargesMeqPerL(mixed.ions);
        const before = chargesMeqPerL(poured);
        expect(cations - anions).toBeCloseTo(before.cations - before.anions, 9);
      }),
    );
  });

  it('of one water is that water, readings and all', () => {
    const same = mixWater([{ share: 1, water: TAP }], []);
    expect([same.ghDh, same.khDh, same.salinity]).toEqual([17.8, 13.4, 0.3]);
    expect(same.ec25UsPerCm).toBeCloseTo(612, 6);
    expect(same.traces.copper).toBe(0.04);
  });

  it('does not know a trace that one of its parts does not know', () => {
    const mixed = mixWater(
      [
        { share: 0.5, water: TAP },
        { share: 0.5, water: RO },
      ],
      [],
    );
    expect(mixed.traces.copper).toBeNull();
    expect(mixed.ghDh).toBeCloseTo(8.95, 9);
  });

  it('of RO and sea salt comes to the salinity the salt was weighed for', () => {
    const empty = sourceWater(described({ ghDh: 0, khDh: 0, ec25UsPerCm: 0, salinity: 0 }));
    for (const salinity of [5, 12, 20, 35]) {
      const mgPerL = seaSaltG(1, 0, salinity, 25, SEA_SALT_MOISTURE) * 1000;
      const mixed = mixWater([{ share: 1, water: empty }], [{ salt: SEA_SALT, mgPerL }]);
      expect(Math.abs(mixed.salinity! / salinity - 1))
        .withContext(String(salinity))
        .toBeLessThan(0.003);
    }
  });

  it('conducts as the sea does once it is salt', () => {
    const half = mixWater(
      [
        { share: 0.5, water: SEA },
        { share: 0.5, water: RO },
      ],
      [],
    );
    expect(half.salinity).toBeCloseTo(17.5, 1);
    expect(Math.abs(half.ec25UsPerCm! / seaConductivityAt25(17.5) - 1)).toBeLessThan(0.01);
  });
});
