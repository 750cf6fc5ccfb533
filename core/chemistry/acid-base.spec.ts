import fc from 'fast-check';
import { closedPh, co2Of, freshAcidBase, openPh, otherAlkalinity, saltAcidBase, usualIonicStrength } from './acid-base';
import { conductivityNear, conductivityOf } from './conductivity';
import { NO_IONS } from './ions';

const alkalinity = fc.double({ min: -0.2, max: 8, noNaN: true });
const temperature = fc.double({ min: 2, max: 35, noNaN: true });

describe('the pH of a water', () => {
  it('is the same closed as open, when as much carbon is in it', () => {
    fc.assert(
      fc.property(
        alkalinity,
        temperature,
        fc.double({ min: 200, max: 40000, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (alk, t, pco2, doc) => {
          const k = freshAcidBase(t, usualIonicStrength(alk));
          const co2 = k.kh * pco2 * 1e-6;
          const ph = openPh(k, alk / 1000, co2, doc);
          const h = 10 ** -ph;
          const dic = co2 * (1 + k.k1 / h + (k.k1 * k.k2) / (h * h));
          expect(closedPh(k, alk / 1000, dic, doc)).toBeCloseTo(ph, 6);
          expect(co2Of(k, dic, ph) / co2).toBeCloseTo(1, 6);
          // and the alkalinity it was solved for is met
          const met = ((k.k1 * co2) / h) * (1 + (2 * k.k2) / h) + otherAlkalinity(k, ph, doc);
          expect(Math.abs(met * 1000 - alk)).toBeLessThan(1e-6 * (1 + Math.abs(alk)));
        },
      ),
    );
  });

  it('does not hang on the guess', () => {
    const k = freshAcidBase(24, 0.003);
    for (const guess of [0.5, 4, 7, 9, 13.5]) {
      expect(closedPh(k, 1.4e-3, 1.5e-3, 2, guess)).toBeCloseTo(closedPh(k, 1.4e-3, 1.5e-3, 2), 8);
      expect(openPh(k, 1.4e-3, 3e-5, 2, guess)).toBeCloseTo(openPh(k, 1.4e-3, 3e-5, 2), 8);
    }
  });

  it('rises with alkalinity, falls with carbon and with humic acids', () => {
    fc.assert(
      fc.property(alkalinity, temperature, (alk, t) => {
        const k = freshAcidBase(t, usualIonicStrength(alk));
        const ph = closedPh(k, alk / 1000, 2e-3, 1);
        expect(closedPh(k, (alk + 0.1) / 1000, 2e-3, 1)).toBeGreaterThan(ph);
        expect(closedPh(k, alk / 1000, 2.2e-3, 1)).toBeLessThan(ph + 1e-9);
        expect(closedPh(k, alk / 1000, 2e-3, 5)).toBeLessThan(ph);
      }),
    );
  });

  it('of salt water is held by borate as well', () => {
    const k = saltAcidBase(25, 35);
    const without = { ...k, kb: 0, boronMolPerL: 0 };
    expect(openPh(k, 2.3e-3, k.kh * 420e-6, 0, 8)).toBeLessThan(openPh(without, 2.3e-3, k.kh * 420e-6, 0, 8));
  });
});

describe('conductivity near a known water', () => {
  it('meets the known water, and is within 2 % while hardness halves or doubles', () => {
    const known = { ...NO_IONS, calcium: 1, magnesium: 0.3, sodium: 0.4, bicarbonate: 1.5, chloride: 1, sulfate: 0.25 };
    const near = conductivityNear(known, conductivityOf(known));
    expect(near(known)).toBeCloseTo(conductivityOf(known), 6);
    for (const by of [0.5, 0.8, 1.3, 2]) {
      const other = { ...known, calcium: known.calcium * by, magnesium: known.magnesium * by, bicarbonate: 1.5 * by, chloride: by };
      expect(Math.abs(near(other) / conductivityOf(other) - 1))
        .withContext(String(by))
        .toBeLessThan(0.02);
    }
    expect(near(NO_IONS)).toBe(0);
  });
});
