import fc from 'fast-check';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { FULL_TANK, SMALL_TANK, TAP } from '../testing/scenarios';
import { ionsOf, meterOffset, settledTank, type AtRest } from './at-rest';
import { startState } from './run';
import { PURE_WATER, type TankScenario } from './scenario';

const rest = (scenario: TankScenario): AtRest => settledTank(scenario).usual;
const fraction = fc.double({ min: 0.1, max: 0.8, noNaN: true });

/** Which way each thing moves the settled water: common sense of the trade, in any tank. */
describe('the settled water', () => {
  it('holds less nitrate the more is changed, and more the more is fed', () => {
    fc.assert(
      fc.property(fraction, fc.double({ min: 0.05, max: 0.6, noNaN: true }), (share, gPerDay) => {
        const of = (f: number, g: number) =>
          rest({ ...SMALL_TANK, change: { fraction: f, everyDays: 7 }, feed: { ...SMALL_TANK.feed, gPerDay: g } }).nitrateMgPerL;
        expect(of(share + 0.1, gPerDay)).toBeLessThan(of(share, gPerDay));
        expect(of(share, gPerDay * 1.5)).toBeGreaterThan(of(share, gPerDay));
      }),
      { numRuns: 15 },
    );
  });

  it('loses KH and pH to what is fed, and oxygen to what breathes', () => {
    const [little, much] = [0.1, 0.5].map((gPerDay) => rest({ ...SMALL_TANK, feed: { ...SMALL_TANK.feed, gPerDay } }));
    expect(much!.khDh).toBeLessThan(little!.khDh);
    expect(much!.ph).toBeLessThan(little!.ph);
    expect(much!.oxygenMgPerL).toBeLessThan(little!.oxygenMgPerL);
    const full = rest({ ...SMALL_TANK, animalsMgO2PerDay: 800 });
    expect(full.pco2Uatm).toBeGreaterThan(rest(SMALL_TANK).pco2Uatm);
    expect(full.oxygenMgPerL).toBeLessThan(rest(SMALL_TANK).oxygenMgPerL);
  });

  it('is hardened by stone, softened by soil, and the one against the other lies between', () => {
    const stone = { mineral: 'aragonite' as const, litresPerDay: 4 };
    const bed = { setPh: 6.2, capacityMeq: 400, ratePerDay: 0.7 };
    const [plain, stony, soiled, both] = [
      SMALL_TANK,
      { ...SMALL_TANK, lime: stone },
      { ...SMALL_TANK, soil: bed },
      { ...SMALL_TANK, lime: stone, soil: bed },
    ].map((scenario) => rest(scenario).khDh);
    expect(stony!).toBeGreaterThan(plain!);
    expect(soiled!).toBeLessThan(plain!);
    expect(both! > soiled! && both! < stony!).toBeTrue();
  });

  it('climbs by what is topped up with salt in it, and stays with pure water', () => {
    expect(rest({ ...SMALL_TANK, topUp: PURE_WATER }).concentrated).toBeCloseTo(1, 6);
    // S + e c/f: 0.4 L a day of 60, changed by 15 % a week
    expect(rest({ ...SMALL_TANK, topUp: TAP }).concentrated).toBeCloseTo(1 + 0.4 / 60 / (0.15 / 7), 3);
  });

  it('tells its ions as they stand, and reads salt water as a meter does', () => {
    const ions = ionsOf(startState(FULL_TANK));
    expect(ions.calcium).toBeCloseTo(TAP.calciumMmol, 9);
    expect(ions.bicarbonate).toBeCloseTo(TAP.alkalinityMeq, 9);
    expect(meterOffset(SMALL_TANK)).toBe(0);
    expect(meterOffset({ ...SMALL_TANK, salinity: 30 })).toBeCloseTo(0.13, 9);
  });
});

describe('water that is never changed', () => {
  it('goes on climbing, and is shown as it is after a year', () => {
    const never: TankScenario = { ...SMALL_TANK, change: null, plants: { areaM2: 0, uptakeGNPerM2: 0 } };
    const made = 364 * 0.2 * 1000 * 0.45 * 0.16 * 0.575 * (1 - 0.0244);
    const { nitrateMgPerL, ph, khDh } = rest(never);
    // acid by then, so that not all of what was fed has been turned over
    expect(nitrateMgPerL).toBeLessThan((made / 60) * 4.4266);
    expect(nitrateMgPerL).toBeGreaterThan(3 * rest(SMALL_TANK).nitrateMgPerL);
    expect(ph).toBeLessThan(5.5);
    expect(khDh).toBeLessThan(rest(SMALL_TANK).khDh);
    expect(settledTank(never).moves.every(({ khDh }) => khDh === 0)).toBeTrue();
  });
});

describe('what moves the settled hardness', () => {
  it('is told apart: lime brings of it a day what it dissolves over what is renewed', () => {
    const scenario: TankScenario = { ...SMALL_TANK, lime: { mineral: 'calcite', litresPerDay: 20 } };
    const { moves, newPerDay } = settledTank(scenario);
    const lime = moves.find(({ id }) => id === 'lime')!;
    // calcite: as much alkalinity as calcium, 2 equivalents a mole
    expect((lime.khDh * MEQ_PER_DEGREE_ALKALINITY) / (lime.ghDh * MMOL_PER_DEGREE_HARDNESS)).toBeCloseTo(2, 6);
    const plain = rest(SMALL_TANK);
    const hard = rest(scenario);
    // what it brings and what is renewed stand against each other where the tank settles
    expect(newPerDay).toBeGreaterThan(0);
    expect(lime.ghDh / (hard.ghDh - plain.ghDh)).toBeGreaterThan(0.7);
    expect(lime.ghDh / (hard.ghDh - plain.ghDh)).toBeLessThan(1.4);
  });
});
