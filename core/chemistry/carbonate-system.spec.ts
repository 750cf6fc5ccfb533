import fc from 'fast-check';
import { evaluate } from '../calculation/calculation';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import { carbonateConstants, carbonateSolubility, daviesActivity } from './carbonate-constants';
import { carbonateAtDic, carbonateAtPco2, carbonateAtPh, carbonateSystem } from './carbonate-system';
import { humicAnionsMeqPerL, usualIonicStrength } from './acid-base';
import { dose } from '../water/dosing';
import { humicPhOf } from '../water/humic-ph';
import { saturationIndices } from './saturation-index';

const temperature = fc.double({ min: 0, max: 40, noNaN: true });
const alkalinity = fc.double({ min: 0.01, max: 9.9, noNaN: true });
const pressure = fc.double({ min: 50, max: 50000, noNaN: true });

/** Newton's method on the logarithms of five species at once. Same constants and activities: a check of the algebra only. */
function byNewton(temperatureC: number, alkalinityMeqPerL: number, dicMmolPerL: number): number {
  const k = carbonateConstants(temperatureC);
  const strength = usualIonicStrength(alkalinityMeqPerL);
  const [g1, g2] = [daviesActivity(1, strength, temperatureC), daviesActivity(2, strength, temperatureC)];
  // unknowns: ln of [CO2], [HCO3-], [CO3--], [OH-], and of the activity of H+
  let x = [Math.log(dicMmolPerL / 2000), Math.log(dicMmolPerL / 2000), Math.log(1e-6), Math.log(1e-7), Math.log(1e-8)];
  for (let round = 0; round < 400; round++) {
    const [co2, hco3, co3, oh, h] = x.map(Math.exp) as [number, number, number, number, number];
    const f = [
      x[4]! + x[1]! + Math.log(g1) - x[0]! - k.logK1 * Math.LN10,
      x[4]! + x[2]! + Math.log(g2) - x[1]! - Math.log(g1) - k.logK2 * Math.LN10,
      x[4]! + x[3]! + Math.log(g1) - k.logKw * Math.LN10,
      (co2 + hco3 + co3) / (dicMmolPerL / 1000) - 1,
      (hco3 + 2 * co3 + oh - h / g1 - alkalinityMeqPerL / 1000) / (alkalinityMeqPerL / 1000),
    ];
    const d = dicMmolPerL / 1000;
    const a = alkalinityMeqPerL / 1000;
    const jacobian = [
      [-1, 1, 0, 0, 1],
      [0, -1, 1, 0, 1],
      [0, 0, 0, 1, 1],
      [co2 / d, hco3 / d, co3 / d, 0, 0],
      [0, hco3 / a, (2 * co3) / a, oh / a, -h / g1 / a],
    ];
    const step = solveLinear(jacobian, f);
    const largest = Math.max(...step.map(Math.abs));
    const damp = largest > 1 ? 1 / largest : 1;
    x = x.map((value, i) => value - damp * step[i]!);
    if (largest < 1e-12) break;
  }
  return -x[4]! / Math.LN10;
}

function solveLinear(matrix: number[][], right: number[]): number[] {
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  for (let i = 0; i < rows.length; i++) {
    const pivot = rows.slice(i).reduce((best, row, j) => (Math.abs(row[i]!) > Math.abs(rows[best]![i]!) ? i + j : best), i);
    [rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!];
    for (let j = i + 1; j < rows.length; j++) {
      const factor = rows[j]![i]! / rows[i]![i]!;
      for (let c = i; c <= rows.length; c++) rows[j]![c]! -= factor * rows[i]![c]!;
    }
  }
  const x = new Array<number>(rows.length).fill(0);
  for (let i = rows.length - 1; i >= 0; i--) {
    let sum = rows[i]![rows.length]!;
    for (let c = i + 1; c < rows.length; c++) sum -= rows[i]![c]! * x[c]!;
    x[i] = sum / rows[i]![i]!;
  }
  return x;
}

describe('the carbonate system', () => {
  it('agrees with a Newton solution in five unknowns (same constants: algebra only)', () => {
    for (const [t, alk, dic] of [
      [25, 1.4, 1.42],
      [10, 0.2, 0.5],
      [30, 5, 5.4],
      [20, 0.05, 0.2],
      [25, 3, 2.8],
    ] as const)
      expect(carbonateAtDic({ temperatureC: t, alkalinityMeqPerL: alk }, dic).ph)
        .withContext(`${t} ${alk} ${dic}`)
        .toBeCloseTo(byNewton(t, alk, dic), 6);
  });

  it('is one state, whichever of pH, CO2 and carbon it is asked by', () => {
    fc.assert(
      fc.property(temperature, alkalinity, pressure, (temperatureC, alkalinityMeqPerL, pco2) => {
        const water = { temperatureC, alkalinityMeqPerL };
        const open = carbonateAtPco2(water, pco2);
        const closed = carbonateAtDic(water, open.dicMmolPerL);
        expect(closed.ph).toBeCloseTo(open.ph, 6);
        const read = carbonateAtPh(water, open.ph);
        expect(Math.abs((read?.pco2Uatm ?? NaN) / pco2 - 1)).toBeLessThan(1e-6);
      }),
    );
  });

  // Textbook points: pure water under air, and calcite under 10^-3.5 atm (Stumm & Morgan; Drever: pH about 8.3, Ca about 0.48-0.5 mmol/L).
  it('meets published points', () => {
    expect(carbonateAtPco2({ temperatureC: 25, alkalinityMeqPerL: 0, ionicStrengthMolPerL: 0 }, 10 ** -3.5 * 1e6).ph).toBeCloseTo(5.66, 1);
    let [low, high] = [0.1, 3];
    for (let i = 0; i < 60; i++) {
      const calcium = (low + high) / 2;
      const strength = (3 * calcium) / 1000;
      const { ph } = carbonateAtPco2(
        { temperatureC: 25, alkalinityMeqPerL: 2 * calcium, ionicStrengthMolPerL: strength },
        10 ** -3.5 * 1e6,
      );
      if (saturationIndices(25, ph, calcium, 2 * calcium, strength)!.calcite < 0) low = calcium;
      else high = calcium;
    }
    expect(low).toBeCloseTo(0.49, 1);
    expect(low).toBeGreaterThan(0.475);
    expect(low).toBeLessThan(0.5);
    expect(carbonateSolubility(25).logCalcite).toBeCloseTo(-8.48, 2);
    expect(carbonateSolubility(25).logAragonite).toBeCloseTo(-8.336, 2);
  });

  it('reads CO2 from pH and KH: the coefficient is 3.27 at 25 °C, not the 3 of the rule of thumb', () => {
    const water = { temperatureC: 25, alkalinityMeqPerL: 4 * MEQ_PER_DEGREE_ALKALINITY, ionicStrengthMolPerL: 0.005 };
    expect(carbonateAtPh(water, 7)!.co2MgPerL / 4).toBeCloseTo(3.27, 1);
  });

  it('is a gap where it does not hold, and refuses what is not asked rightly', () => {
    const gap = (input: object) => {
      const parsed = carbonateSystem.inputs.safeParse(input);
      if (!parsed.success) return 'refused';
      const outcome = evaluate(carbonateSystem, parsed.data);
      return outcome.value === null ? outcome.reason : 'value';
    };
    expect(gap({ temperatureC: 25, alkalinityMeqPerL: 1 })).toBe('refused');
    expect(gap({ temperatureC: 25, alkalinityMeqPerL: 1, ph: 7, pco2Uatm: 420 })).toBe('refused');
    expect(gap({ temperatureC: 25, alkalinityMeqPerL: 1, ph: 2 })).toContain('pH');
    expect(gap({ temperatureC: 25, alkalinityMeqPerL: 0.001, ph: 10 })).toContain('contradict');
    expect(gap({ temperatureC: 45, alkalinityMeqPerL: 1, ph: 7 })).toContain('temperature');
    expect(gap({ temperatureC: 25, alkalinityMeqPerL: 12, pco2Uatm: 420 })).toContain('alkalinity');
    expect(gap({ temperatureC: 25, alkalinityMeqPerL: 1, dicMmolPerL: 1.1 })).toBe('value');
  });

  it('never gives NaN or Infinity', () => {
    fc.assert(
      fc.property(fc.double({ min: -5, max: 100 }), fc.double({ min: -10, max: 100 }), fc.double({ min: 0, max: 14 }), (t, a, ph) => {
        const outcome = evaluate(carbonateSystem, { temperatureC: t, alkalinityMeqPerL: a, ph });
        if (outcome.value !== null) for (const value of Object.values(outcome.value)) expect(Number.isFinite(value)).toBeTrue();
      }),
    );
  });
});

describe('a dose', () => {
  const water = { temperatureC: 25, alkalinityMeqPerL: 4 * MEQ_PER_DEGREE_ALKALINITY, ionicStrengthMolPerL: 0.003 };
  // The worked example of KH 4 at 25 degC; own solver elsewhere, same constants: algebra only.
  it('of strong acid frees CO2 at once: 44 mg/L, deadly, before the pH comes back', () => {
    const { closed, open } = dose(water, 8.314, -1, 0, 420)!;
    expect(closed.ph).toBeCloseTo(5.96, 2);
    expect(closed.co2MgPerL).toBeCloseTo(43.8, 0);
    expect(open.ph).toBeCloseTo(7.8, 2);
  });
  it('of bicarbonate hardly moves the pH at once, and lifts it after airing', () => {
    const { closed, open } = dose(water, 8.314, 1, 1, 420)!;
    expect(closed.ph).toBeCloseTo(8.3, 2);
    expect(open.ph).toBeCloseTo(8.54, 2);
  });
});

describe('humic water', () => {
  // pH at 420 µatm, 26 degC, I = 3e-4 by the formula of Oliver et al. 1983; same equations: algebra only.
  for (const [doc, phs] of [
    [0, [5.6, 6.6, 6.89, 7.19, 7.49]],
    [5, [4.49, 4.9, 5.94, 6.9, 7.37]],
    [10, [4.24, 4.42, 4.7, 6.1, 7.2]],
    [20, [3.98, 4.07, 4.19, 4.51, 6.28]],
  ] as const)
    it(`of ${doc} mg C/L`, () => {
      [0, 0.025, 0.05, 0.1, 0.2].forEach((anc, i) => expect(humicPhOf(26, anc, doc, 420, 3e-4)).toBeCloseTo(phs[i]!, 1));
    });
  it('has its acids ionised as published: 0.537 at pH 4, 0.978 at pH 7', () => {
    expect(humicAnionsMeqPerL(100, 4)).toBeCloseTo(0.5368, 3);
    expect(humicAnionsMeqPerL(100, 7)).toBeCloseTo(0.9782, 3);
  });
  it('only ever lowers the pH', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 2, noNaN: true }), fc.double({ min: 0.1, max: 50, noNaN: true }), (anc, doc) => {
        expect(humicPhOf(25, anc, doc, 800)).toBeLessThanOrEqual(humicPhOf(25, anc, 0, 800) + 1e-6);
      }),
    );
  });
});

describe('the saturation index', () => {
  // Rigorous values beside the simple Langelier form of textbooks (−0.7, 0.42, −1.39, 0.95).
  for (const [t, ph, tds, hardness, alk, si] of [
    [25, 7.5, 320, 150, 34, -0.55],
    [25, 8, 300, 150, 150, 0.6],
    [20, 7.2, 100, 50, 50, -1.143],
    [28, 8.2, 500, 250, 180, 1.089],
  ] as const)
    it(`is ${si} at pH ${ph}, ${t} °C, Ca ${hardness} and alkalinity ${alk} mg/L CaCO₃`, () => {
      const found = saturationIndices(t, ph, hardness / 100.087, alk / 50.0434, 2.5e-5 * tds)!;
      expect(found.calcite).toBeCloseTo(si, 2);
      // within a quarter of the Langelier form, as textbooks give it
      const a = (Math.log10(tds) - 1) / 10;
      const b = -13.12 * Math.log10(t + 273) + 34.55;
      const langelier = ph - (9.3 + a + b - (Math.log10(hardness) - 0.4) - Math.log10(alk));
      expect(Math.abs(found.calcite - langelier)).toBeLessThan(0.26);
    });
});
