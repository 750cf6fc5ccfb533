import fc from 'fast-check';
import { evaluate } from '../calculation/calculation';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import { blend, blendConservative } from './blend';
import { carbonateConstants, daviesActivity } from '../chemistry/carbonate-constants';
import { equilibriumPh, equilibriumPhOf } from './equilibrium-ph';
import { ammoniumPkaFresh, freeAmmoniaFraction, freeAmmoniaFractionOf } from '../chemistry/free-ammonia-fraction';
import { ghFromIonsDh, khFromIonsDh } from './hardness-from-ions';
import { settledPh } from './planned-water';

describe('hardness from ions', () => {
  it('follows the definition of the degree', () => {
    // 10 mg CaO/L = 7.147 mg Ca/L is one degree
    expect(ghFromIonsDh(7.147, 0)).toBeCloseTo(1, 4);
    expect(khFromIonsDh(21.762)).toBeCloseTo(1, 4);
    // sea water of the reference composition: 421.7 mg/L Ca, 1313.7 mg/L Mg (Millero et al. 2008)
    expect(ghFromIonsDh(421.7, 1313.7)).toBeCloseTo(362.1, 0);
  });
  it('adds up', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 500, noNaN: true }), fc.double({ min: 0, max: 500, noNaN: true }), (ca, mg) => {
        expect(ghFromIonsDh(ca, mg)).toBeCloseTo(ghFromIonsDh(ca, 0) + ghFromIonsDh(0, mg), 9);
      }),
    );
  });
});

describe('blending', () => {
  const part = fc.record({ share: fc.double({ min: 0.01, max: 1, noNaN: true }), value: fc.double({ min: 0, max: 1000, noNaN: true }) });
  it('keeps mass: total in is total out, whatever the scale of the shares', () => {
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 5 }), fc.double({ min: 0.1, max: 10, noNaN: true }), (parts, scale) => {
        const mixed = blendConservative(parts) ?? NaN;
        const volume = parts.reduce((sum, { share }) => sum + share, 0);
        const mass = parts.reduce((sum, { share, value }) => sum + share * value, 0);
        expect(Math.abs(mixed * volume - mass)).toBeLessThan(1e-6);
        expect(
          Math.abs((blendConservative(parts.map(({ share, value }) => ({ share: share * scale, value }))) ?? NaN) - mixed),
        ).toBeLessThan(1e-6);
      }),
    );
  });
  it('is unknown with an unknown part, unless none of it is poured', () => {
    expect(
      blendConservative([
        { share: 0.5, value: 10 },
        { share: 0.5, value: null },
      ]),
    ).toBeNull();
    expect(
      blendConservative([
        { share: 1, value: 10 },
        { share: 0, value: null },
      ]),
    ).toBe(10);
    expect(blendConservative([])).toBeNull();
  });
  it('refuses an empty pour as a calculation', () => {
    expect(blend.inputs.safeParse({ parts: [{ share: 0, value: 3 }] }).success).toBeFalse();
  });
});

describe('un-ionised ammonia', () => {
  // Emerson et al. 1975, table of per cent NH3; it was made with T = t + 273.2, so 273.15 reads up to 0.5 % of the value lower.
  for (const [temperatureC, ph, percent] of [
    [25, 7, 0.566],
    [20, 8, 3.82],
    [25, 8, 5.38],
    [30, 8, 7.46],
    [10, 7, 0.186],
  ] as const) {
    it(`is ${percent} % at ${temperatureC} degC and pH ${ph}`, () => {
      const fraction = freeAmmoniaFractionOf(temperatureC, ph, 0) * 100;
      expect(Math.abs(fraction / percent - 1)).toBeLessThan(0.006);
    });
  }
  it('has pKa 9.2464 at 25 degC', () => expect(ammoniumPkaFresh(25)).toBeCloseTo(9.2464, 3));
  it('falls with salinity and rises with pH', () => {
    expect(freeAmmoniaFractionOf(25, 8, 35)).toBeLessThan(freeAmmoniaFractionOf(25, 8, 0));
    fc.assert(
      fc.property(fc.double({ min: 6, max: 9.9, noNaN: true }), (ph) => {
        expect(freeAmmoniaFractionOf(25, ph + 0.1, 0)).toBeGreaterThan(freeAmmoniaFractionOf(25, ph, 0));
      }),
    );
  });
  for (const [input, reason] of [
    [{ temperatureC: 31, ph: 7, salinity: 0 }, 'temperature'],
    [{ temperatureC: 25, ph: 5.9, salinity: 0 }, 'pH'],
    [{ temperatureC: 25, ph: 10.1, salinity: 0 }, 'pH'],
    [{ temperatureC: 25, ph: 8, salinity: 41 }, 'salinity'],
  ] as const) {
    it(`is a gap outside the source's validity: ${reason} of ${JSON.stringify(input)}`, () => {
      const outcome = evaluate(freeAmmoniaFraction, input);
      expect(outcome.value).toBeNull();
      expect('gap' in outcome && outcome.gap === 'outside-validity' && outcome.reason.includes(reason)).toBeTrue();
    });
  }
});

describe('carbonate constants', () => {
  it('meet the published values at 25 degC (Plummer & Busenberg 1982)', () => {
    const k = carbonateConstants(25);
    expect(k.logK1).toBeCloseTo(-6.352, 3);
    expect(k.logK2).toBeCloseTo(-10.329, 3);
    expect(k.logKh).toBeCloseTo(-1.468, 3);
    expect(k.logKw).toBeCloseTo(-14.0, 2);
  });
  it('agree with Harned & Davis 1943 and Harned & Scholes 1941 from 0 to 40 degC', () => {
    for (let t = 0; t <= 40; t += 5) {
      const kelvin = t + 273.15;
      const k = carbonateConstants(t);
      expect(Math.abs(-k.logK1 - (3404.71 / kelvin + 0.032786 * kelvin - 14.8435))).toBeLessThan(0.003);
      expect(Math.abs(-k.logK2 - (2902.39 / kelvin + 0.02379 * kelvin - 6.498))).toBeLessThan(0.003);
    }
  });
  it('give the Davies activity 0.9018 at ionic strength 0.01', () => expect(daviesActivity(1, 0.01, 25)).toBeCloseTo(0.9018, 3));
});

describe('pH in balance with CO2', () => {
  it('is 5.598 for pure water under 420 µatm (square root of K1 KH p)', () => {
    expect(equilibriumPhOf(25, 0, 420, 0)).toBeCloseTo(5.598, 2);
  });
  // An independent solution of the same equations: the same constants, so this checks the algebra only.
  for (const [khDh, temperatureC, pco2, ph] of [
    [0.5, 25, 420, 7.429],
    [4, 20, 420, 8.285],
    [4, 25, 420, 8.314],
    [15, 28, 420, 8.86],
    [8, 25, 800, 8.327],
  ] as const) {
    it(`is ${ph} at ${khDh} dKH, ${temperatureC} degC and ${pco2} µatm (algebra only)`, () => {
      expect(Math.abs(equilibriumPhOf(temperatureC, khDh * MEQ_PER_DEGREE_ALKALINITY, pco2) - ph)).toBeLessThan(0.005);
    });
  }
  it('falls by about 0.3 for each doubling of CO2', () => {
    expect(equilibriumPhOf(25, 1.5, 1000) - equilibriumPhOf(25, 1.5, 2000)).toBeCloseTo(0.3, 1);
  });
  it('rises with alkalinity', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 9, noNaN: true }), (alkalinity) => {
        expect(equilibriumPhOf(25, alkalinity + 0.2, 800)).toBeGreaterThan(equilibriumPhOf(25, alkalinity, 800));
      }),
    );
  });
  it('is a gap outside its span', () => {
    const tank = { khDh: 7, salinity: 35, temperatureC: 60, pco2Uatm: 420, pco2Band: [420, 420] as const };
    expect(settledPh({ ...tank, pco2Band: [420, 420] })).toBeNull();
    expect(settledPh({ ...tank, salinity: 0, khDh: 40, temperatureC: 25, pco2Band: [420, 420] })).toBeNull();
    expect(evaluate(equilibriumPh, { temperatureC: 50, alkalinityMeqPerL: 1, pco2Uatm: 420 }).value).toBeNull();
  });
});
