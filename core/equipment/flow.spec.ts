import * as fc from 'fast-check';
import { centreMPerS, jetMPerS, jetSpeed, outletMPerS } from './jet';
import { flowAgainst, flowThrough, hoseHeadM, pumpFlow } from './pump-flow';
import { energy } from './energy';
import { turnover } from './turnover';

describe('flow of a pump', () => {
  it('is its label at no head, nothing at its most, and falls between', () => {
    expect(pumpFlow.compute({ mostLPerH: 1000, mostHeadM: 2, headM: 0 }).lPerH).toBe(1000);
    expect(pumpFlow.compute({ mostLPerH: 1000, mostHeadM: 2, headM: 2 }).lPerH).toBe(0);
    // H/H0 = 3/4: half of it
    expect(flowAgainst(1000, 2, 1.5)).toBeCloseTo(500, 9);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1.9, noNaN: true }), fc.double({ min: 0.01, max: 0.1, noNaN: true }), (head, more) => {
        expect(flowAgainst(1000, 2, head + more)).toBeLessThan(flowAgainst(1000, 2, head));
      }),
    );
  });
  it('above its head is refused with the reason', () => {
    const refused = pumpFlow.inputs.safeParse({ mostLPerH: 1000, mostHeadM: 2, headM: 3 });
    expect(refused.success).toBeFalse();
    expect(refused.error?.issues[0]).toEqual(
      jasmine.objectContaining({ path: ['headM'], message: jasmine.stringContaining('does not reach') }),
    );
    expect(pumpFlow.inputs.safeParse({ mostLPerH: 0, mostHeadM: 2, headM: 1 }).success).toBeFalse();
  });
  it('through a hose loses what Darcy and Weisbach ask', () => {
    // 1000 L/h through 5 m of 16 mm: v 1.38 m/s, Re 24 760, f 0.0252 by Blasius, 7.88 v²/2g of wall and 4 of fittings
    const speed = outletMPerS(1000, 16);
    expect(speed).toBeCloseTo(1.382, 3);
    const friction = 0.3164 / ((speed * 0.016) / 0.893e-6) ** 0.25;
    expect(friction).toBeCloseTo(0.02522, 4);
    expect(hoseHeadM(1000, 5, 16)).toBeCloseTo(((friction * 5) / 0.016 + 4) * (speed ** 2 / 19.62), 9);
    // laminar: Hagen and Poiseuille, 32 ν L v/(g D²)
    const slow = outletMPerS(10, 10);
    expect(hoseHeadM(10, 2, 10) - (4 * slow ** 2) / 19.62).toBeCloseTo((32 * 0.893e-6 * 2 * slow) / (9.81 * 0.01 ** 2), 9);
    expect(hoseHeadM(0, 5, 16)).toBe(0);
  });
  it('settles where pump and hose agree, and is the less the longer and thinner it is', () => {
    const run = { mostLPerH: 1000, mostHeadM: 2, liftM: 0.5, hoseM: 3, boreMm: 16 };
    const flow = flowThrough(run);
    expect(flowAgainst(1000, 2, 0.5 + hoseHeadM(flow, 3, 16))).toBeCloseTo(flow, 1);
    expect(flowThrough({ ...run, hoseM: 6 })).toBeLessThan(flow);
    expect(flowThrough({ ...run, boreMm: 12 })).toBeLessThan(flow);
    expect(flowThrough({ ...run, liftM: 2.5 })).toBe(0);
  });
});

describe('a jet', () => {
  it('keeps its speed for six diameters and then falls with the distance (Fischer et al. 1979)', () => {
    expect(centreMPerS(10, 1, 0.05)).toBe(1);
    expect(centreMPerS(10, 1, 0.62)).toBeCloseTo(0.1, 9);
    expect(jetSpeed.compute({ outletMm: 10, outletSpeedMPerS: 1, distanceM: 0.31 }).centreMPerS).toBeCloseTo(0.2, 9);
    expect(centreMPerS(10, 2, 0.5) / centreMPerS(10, 2, 1)).toBeCloseTo(2, 9);
    // within the spread of published constants, 5.9 to 6.3
    const constant = (centreMPerS(10, 1, 1) * 1) / 0.01;
    expect(constant).toBeGreaterThanOrEqual(5.9);
    expect(constant).toBeLessThanOrEqual(6.3);
  });
  it('keeps its momentum along the way: what is slower is the wider', () => {
    const momentum = (x: number) => {
      let sum = 0;
      const step = x / 1000;
      for (let r = step / 2; r < x; r += step) sum += jetMPerS(10, 1, x, r) ** 2 * 2 * Math.PI * r * step;
      return sum;
    };
    const out = (Math.PI / 4) * 0.01 ** 2;
    for (const x of [0.2, 0.5, 1]) {
      expect(momentum(x) / momentum(0.3)).toBeCloseTo(1, 3);
      // Fischer's constants are of measured jets, that keep it to a tenth
      expect(Math.abs(momentum(x) / out - 1)).toBeLessThan(0.15);
    }
  });
  it('is nothing behind its outlet, and fades aside', () => {
    expect(jetMPerS(10, 1, -0.1, 0)).toBe(0);
    expect(jetMPerS(10, 1, 0.5, 0.1)).toBeLessThan(jetMPerS(10, 1, 0.5, 0));
  });
});

describe('what goes round and what it uses', () => {
  it('is flow over the whole system', () => {
    expect(turnover.compute({ lPerH: 600, systemL: 120 })).toEqual({ perHour: 5 });
  });
  it('is kilowatt hours by the hours that it is on', () => {
    expect(energy.compute({ watts: 20, hoursPerDay: 10, pricePerKwh: 0.3 })).toEqual({ kwhPerYear: 73, costPerYear: 21.9 });
    expect(energy.inputs.safeParse({ watts: -1, hoursPerDay: 10, pricePerKwh: 0.3 }).success).toBeFalse();
    expect(energy.inputs.safeParse({ watts: 1, hoursPerDay: 25, pricePerKwh: 0.3 }).success).toBeFalse();
  });
});
