import fc from 'fast-check';
import { acclimate, type BagReadings, type BearableSteps, type DripPlan, type TankReadings } from './acclimation-plan';
import { afterDrip } from './acclimation';

const TANK: TankReadings = { temperatureC: 24, ph: 7.6, khDh: 5, ghDh: 8, ec25UsPerCm: 320 };
const BAG: BagReadings = {
  litres: 0.6,
  temperatureC: 20,
  ph: 6.7,
  khDh: 5,
  ghDh: 8,
  ec25UsPerCm: 330,
  ammoniaMgN: 0.1,
  animalsMgO2PerDay: 30,
};
const PLAN: DripPlan = { floatMinutes: 30, dripMlPerMin: 4.5, dripMinutes: 120, vesselL: 3 };
const BEARS: BearableSteps = { temperatureC: 2, ph: 0.3, ghDh: 2, ec25Share: 0.1 };
const judged = (bag: Partial<BagReadings> = {}, tank: Partial<TankReadings> = {}, plan: Partial<DripPlan> = {}) =>
  acclimate({ ...BAG, ...bag }, { ...TANK, ...tank }, { ...PLAN, ...plan }, BEARS);

/** What to do is common practice: see the bag first, then choose. */
describe('a bag of new animals', () => {
  it('whose water is that of the tank goes over at once', () => {
    expect(judged().verdict).toBe('direct');
    expect(judged().enoughAtMinute).toBeNull();
  });

  it('that is foul goes over at once as well, for the opposite reason', () => {
    const foul = judged({ ammoniaMgN: 3, ec25UsPerCm: 700, ghDh: 16 });
    expect(foul.verdict).toBe('direct-foul');
    expect(foul.worstFreeAmmonia).toBeGreaterThan(5 * foul.freeAmmoniaNow);
    // in the closed bag CO2 held it harmless
    expect(foul.freeAmmoniaNow).toBeLessThan(0.02);
  });

  it('that is not tested is judged by nobody, unless it is foul', () => {
    expect(judged({ ammoniaMgN: null }).verdict).toBe('untested');
    expect(judged({ ghDh: null, ec25UsPerCm: null }).verdict).toBe('untested');
    expect(judged({ ghDh: null }).verdict).toBe('direct');
    expect(judged({ ghDh: null, ec25UsPerCm: null, ammoniaMgN: 4 }).verdict).toBe('direct-foul');
  });

  it('of other water, and clean, is dripped', () => {
    expect(judged({ ec25UsPerCm: 380, ghDh: 11 }).verdict).toBe('drip');
    expect(judged({ ec25UsPerCm: 520, ghDh: 13 }).verdict).toBe('drip-again');
    expect(judged({ ec25UsPerCm: 520, ghDh: 13 }, {}, { vesselL: 1 }).verdict).toBe('vessel-full');
    expect(judged({ ec25UsPerCm: 900, ghDh: 24, khDh: 14 }).verdict).toBe('too-far');
  });

  it('says when the vessel is full, and how long the drip would have to go on', () => {
    const short = judged({ ec25UsPerCm: 520, ghDh: 13 }, {}, { vesselL: 1 });
    expect(short.fullAtMinute).toBeCloseTo(400 / 4.5, 6);
    // then the rest is just what is borne
    const left = afterDrip(0.6, 520 - 320, 0, 4.5, short.enoughAtMinute!);
    expect(Math.max(left / 52, ((13 - 8) * 0.6) / (0.6 + (4.5 * short.enoughAtMinute!) / 1000) / 2)).toBeCloseTo(1, 6);
  });

  it('warms afloat and then follows the drip to the closed form', () => {
    const { points } = judged({ ec25UsPerCm: 500 });
    const floated = points.find(({ minutes }) => minutes === 30)!;
    expect(Math.abs(floated.temperatureC - 24)).toBeLessThan(0.8);
    expect(floated.litres).toBeCloseTo(0.6, 3);
    const end = points.at(-1)!;
    expect(end.litres).toBeCloseTo(0.6 + 0.54, 3);
    expect(end.ec25UsPerCm).toBeCloseTo(afterDrip(0.6, 500, 320, 4.5, 120), 6);
    expect(end.ammoniaMgN).toBeCloseTo(afterDrip(0.6, 0.1, 0, 4.5, 120), 2);
  });

  it('lets its pH climb once it is open, and its free ammonia with it', () => {
    const { points } = judged({ ammoniaMgN: 1 });
    const opened = points.find(({ minutes }) => minutes === 30)!;
    const end = points.at(-1)!;
    expect(opened.ph).toBeLessThan(6.9);
    expect(end.ph).toBeGreaterThan(opened.ph + 0.4);
    expect(Math.max(...points.map(({ freeAmmoniaMgN }) => freeAmmoniaMgN))).toBeGreaterThan(3 * opened.freeAmmoniaMgN);
  });

  it('never has an answer that is no number', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 20, noNaN: true }),
        fc.double({ min: 5, max: 10, noNaN: true }),
        fc.double({ min: 0, max: 25, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        (litres, ph, khDh, ammoniaMgN, dripMlPerMin) => {
          const found = judged({ litres, ph, khDh, ammoniaMgN }, {}, { dripMlPerMin });
          for (const point of found.points)
            for (const value of Object.values(point)) if (value !== null) expect(Number.isFinite(value)).toBeTrue();
          // more ammonia is never safer
          if (found.verdict === 'direct-foul')
            expect(judged({ litres, ph, khDh, ammoniaMgN: ammoniaMgN * 2 }, {}, { dripMlPerMin }).verdict).toBe('direct-foul');
        },
      ),
      { numRuns: 25 },
    );
  });
});
