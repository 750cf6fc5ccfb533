import fc from 'fast-check';
import { BadInput, evaluate, evaluateUnknown } from '../calculation/calculation';
import { listed } from '../calculation/registry';
import { acclimation, afterDrip, floatShare, minutesToShare } from './acclimation';
import {
  afterChange,
  changesNeeded,
  changeSeries,
  changeSeriesOf,
  changesToReach,
  evaporationRest,
  evaporationTrap,
  steadyRise,
} from './change-series';

const share = fc.double({ min: 0.01, max: 0.95, noNaN: true });
const value = fc.double({ min: 0, max: 1000, noNaN: true });

/** Closed forms, worked by hand and again by stepping through: algebra only. */
describe('water changes', () => {
  it('bring 400 to 178.64 in six fifths of 100, and to 150 in nine', () => {
    const values = evaluate(changeSeries, { start: 400, replacement: 100, fraction: 0.2, count: 6 }).value!.values;
    expect(values).toHaveSize(6);
    expect(values[0]).toBeCloseTo(340, 9);
    expect(values[5]).toBeCloseTo(178.6432, 4);
    const reached = evaluate(changesToReach, { start: 400, replacement: 100, fraction: 0.2, target: 150 }).value!;
    expect(reached.exact).toBeCloseTo(8.0296, 3);
    expect(reached.count).toBe(9);
    expect(evaluate(changesToReach, { start: 400, replacement: 100, fraction: 0.2, target: 90 }).value).toBeNull();
  });

  it('are one change after another, and never overshoot', () => {
    fc.assert(
      fc.property(value, value, share, fc.integer({ min: 1, max: 60 }), (start, replacement, fraction, count) => {
        let now = start;
        for (const found of changeSeriesOf(start, replacement, fraction, count)) {
          now = afterChange(now, replacement, fraction);
          expect(Math.abs(found - now)).toBeLessThan(1e-9 * (1 + start + replacement));
          expect(Math.abs(found - replacement)).toBeLessThanOrEqual(Math.abs(start - replacement) + 1e-9);
        }
      }),
    );
  });

  it('needed are as many as bring it there', () => {
    fc.assert(
      fc.property(value, value, share, share, (start, replacement, fraction, way) => {
        if (Math.abs(start - replacement) < 1) return;
        const target = start + way * (replacement - start);
        const n = changesNeeded(start, replacement, fraction, target)!;
        expect(Math.abs(replacement + (start - replacement) * (1 - fraction) ** n - target)).toBeLessThan(1e-6 * (1 + start + replacement));
      }),
    );
  });

  it('are refused beyond the whole tank, and below nothing', () => {
    for (const fraction of [1.2, -0.1])
      expect(() => evaluateUnknown(listed(changeSeries), { start: 1, replacement: 2, fraction, count: 3 })).toThrowError(
        BadInput,
        /fraction/,
      );
    expect(() => evaluateUnknown(listed(changeSeries), { start: 1, replacement: 2, fraction: 0.2, count: -1 })).toThrowError(
      BadInput,
      /count/,
    );
    expect(evaluate(changeSeries, { start: 5, replacement: 2, fraction: 1, count: 2 }).value!.values).toEqual([2, 2]);
  });

  it('hold nitrate where what is made meets what is thrown out', () => {
    expect(steadyRise(10, 5, 0.25)).toEqual({ after: 25, peak: 30 });
    let now = 10;
    for (let i = 0; i < 6; i++) now = afterChange(now + 5, 10, 0.25);
    expect(now).toBeCloseTo(22.33, 2);
  });

  it('climb by what evaporates and is topped up with the same water', () => {
    expect(evaporationRest(150, 150, 0.1, 0.2)).toEqual({ after: 210, peak: 225 });
    expect(evaluate(evaporationTrap, { replacement: 150, topUp: 0, evaporatedFraction: 0.1, changeFraction: 0.2 }).value).toEqual({
      afterChange: 150,
      beforeChange: 150,
    });
    let now = 150;
    for (let i = 0; i < 200; i++) now = afterChange(now + 0.1 * 150, 150, 0.2);
    expect(now).toBeCloseTo(210, 6);
  });
});

describe('the drip', () => {
  it('brings half a litre of 300 to 222 in two hours at a drop and a half a second', () => {
    // Growing volume, nothing taken out: 1.5 drops of 0.05 mL a second for 2 h are 0.54 L.
    const found = evaluate(acclimation, { bagLitres: 0.5, bagValue: 300, tankValue: 150, dripMlPerMin: 4.5, minutes: 120 }).value!.value;
    expect(found).toBeCloseTo(222.115, 3);
    expect((300 - found) / 150).toBeCloseTo(0.52, 2);
    expect((300 - afterDrip(1, 300, 150, 4.5, 120)) / 150).toBeCloseTo(0.35, 2);
  });

  it('is the sum of its drops', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        value,
        value,
        fc.double({ min: 0.5, max: 50, noNaN: true }),
        (litres, bag, tank, drip) => {
          let [volume, mass] = [litres, litres * bag];
          for (let i = 0; i < 60; i++) {
            volume += drip / 1000;
            mass += (drip / 1000) * tank;
          }
          expect(Math.abs(mass / volume - afterDrip(litres, bag, tank, drip, 60))).toBeLessThan(1e-9 * (1 + bag + tank));
          const minutes = minutesToShare(litres, drip, 0.2);
          expect(afterDrip(litres, 1, 0, drip, minutes)).toBeCloseTo(0.2, 9);
        },
      ),
    );
  });

  it('is refused where nothing drips or no water is in the bag', () => {
    const input = { bagLitres: 0.5, bagValue: 300, tankValue: 150, dripMlPerMin: 4.5, minutes: 120 };
    for (const [key, bad] of [
      ['dripMlPerMin', 0],
      ['bagLitres', -1],
      ['minutes', -5],
    ] as const)
      expect(() => evaluateUnknown(listed(acclimation), { ...input, [key]: bad })).toThrowError(BadInput, new RegExp(key));
  });

  it('warms a litre afloat from 4 degrees off to 1.1 in a quarter of an hour: common practice', () => {
    for (const [minutes, left] of [
      [15, 1.1],
      [20, 0.72],
      [30, 0.3],
    ] as const)
      expect(4 * floatShare(minutes, 1, 0.1)).toBeCloseTo(left, 1);
  });
});
