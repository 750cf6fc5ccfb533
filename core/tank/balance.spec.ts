import fc from 'fast-check';
import { Solver } from 'odex';
import { carbonateAtDic, carbonateAtPco2 } from '../chemistry/carbonate-system';
import { saturationIndices } from '../chemistry/saturation-index';
import { FULL_TANK, SMALL_TANK, TAP } from '../testing/scenarios';
import { balanceOf, flowOf, TERMS } from './balance';
import { Integrator, TooStiff } from './integrate';
import { carbonOf } from './now';
import { change, FINE, QUICK, run, startState, toleranceOf } from './run';
import { chargeGapPerL, PURE_WATER, type TankScenario } from './scenario';
import { settle } from './settle';
import { chargeGapOf, N_MASS, nitrogenOf, STATE, STATE_NAMES, STATE_SIZE, type State } from './state';
import { airAt } from './terms/heat';
import { phFactor } from './terms/nitrification';

/** Share by which two differ. */
const off = (a: number, b: number): number => Math.abs(a - b) / Math.max(Math.abs(a), Math.abs(b), 1e-12);

/** Nothing goes in or out but by what is left on. */
const CLOSED: TankScenario = {
  ...FULL_TANK,
  start: { ...TAP, ammoniaMgN: 2, nitrateMgN: 5, phosphateMgP: 1, organicCarbonMg: 4 },
  change: null,
  doses: [],
  topUp: PURE_WATER,
  feed: { ...FULL_TANK.feed, gPerDay: 0 },
  lime: null,
};

describe('the mass balance of a tank', () => {
  it('keeps its nitrogen to a millionth: what is fed is dissolved, grown in, or thrown out with the changes', () => {
    const y = startState(CLOSED);
    const before = nitrogenOf(y);
    run(CLOSED, 60, {}, FINE, y);
    expect(off(nitrogenOf(y), before)).toBeLessThan(1e-6);

    const fed: TankScenario = { ...CLOSED, feed: { ...FULL_TANK.feed, gPerDay: 0.3 } };
    const after = run(fed, 60);
    const brought = 60 * 0.3 * 1000 * fed.feed.protein * 0.16 * fed.feed.toAmmonia;
    expect(off(nitrogenOf(after), nitrogenOf(startState(fed)) + brought)).toBeLessThan(1e-6);
  });

  it('keeps its charge to a millionth through everything that goes on in it', () => {
    for (const scenario of [SMALL_TANK, FULL_TANK, { ...FULL_TANK, feed: { ...FULL_TANK.feed, gPerDay: 2 } }]) {
      const y = startState(scenario);
      const gap = chargeGapOf(y);
      expect(Math.abs(gap)).toBeLessThan(scenario.litres * (Math.abs(chargeGapPerL(scenario.start)) + 1e-9));
      run(scenario, 84, {}, FINE, y);
      expect(Math.abs(chargeGapOf(y) - gap) / (y[STATE.chloride]! + y[STATE.calcium]!)).toBeLessThan(1e-6);
    }
  });

  it('keeps its salt to a millionth while the water evaporates, and takes in what is topped up', () => {
    const y = startState(CLOSED);
    const chloride = y[STATE.chloride]!;
    run(CLOSED, 84, {}, FINE, y);
    expect(off(y[STATE.chloride]!, chloride)).toBeLessThan(1e-6);
    // topped up as it goes with the tap's own water: the salt of every litre that went stays
    const drifting: TankScenario = { ...SMALL_TANK, change: null, topUp: TAP };
    const end = run(drifting, 50);
    const evaporated = 0.4 * 50;
    expect(off(end[STATE.chloride]!, TAP.chlorideMmol * (60 + evaporated))).toBeLessThan(1e-6);
    expect(end[STATE.water]!).toBeCloseTo(60, 6);
  });

  it('keeps carbon and lime together: two of alkalinity for each calcium, none lost', () => {
    const stone = flowOf({ ...FULL_TANK, start: PURE_WATER }, 'lime')!;
    const scenario = { ...FULL_TANK, start: PURE_WATER };
    const y = startState(scenario);
    const rates = stone(balanceOf(scenario).look(0, 1, y), y);
    expect(rates[STATE.calcium]!).toBeGreaterThan(0);
    expect(rates[STATE.alkalinity]!).toBeCloseTo(2 * rates[STATE.calcium]!, 9);
    expect(rates[STATE.carbon]!).toBeCloseTo(rates[STATE.calcium]!, 9);
  });

  // Reference: the odex library (Gragg-Bulirsch-Stoer extrapolation) on the same rates.
  for (const [name, scenario] of [
    ['a small tank', SMALL_TANK],
    ['a tank with everything in it', FULL_TANK],
  ] as const)
    it(`is followed to a thousandth of what another integrator finds: ${name}`, () => {
      const { rates } = balanceOf(scenario);
      const out = new Float64Array(STATE_SIZE);
      const solver = new Solver(STATE_SIZE);
      solver.absoluteTolerance = 1e-8;
      solver.relativeTolerance = 1e-9;
      const reference = solver.solve(
        (day, y) => {
          rates(day, 0.4, Float64Array.from(y), out);
          return [...out];
        },
        0,
        [...startState(scenario)],
        6,
      ).y;
      const y = startState(scenario);
      new Integrator(STATE_SIZE).run((day, state, into) => rates(day, 0.4, state, into), y, 0, 6, toleranceOf(scenario, FINE));
      for (const state of STATE_NAMES) {
        const i = STATE[state];
        const scale = Math.max(Math.abs(reference[i]!), 0.001 * scenario.litres);
        expect(Math.abs(y[i]! - reference[i]!) / scale)
          .withContext(state)
          .toBeLessThan(1e-4);
      }
    });

  it('is followed quickly within two hundredths of what it is followed closely', () => {
    for (const scenario of [SMALL_TANK, FULL_TANK]) {
      const [fine, quick] = [run(scenario, 40, {}, FINE), run(scenario, 40, {}, QUICK)];
      for (const state of STATE_NAMES) {
        const i = STATE[state];
        expect(Math.abs(fine[i]! - quick[i]!) / Math.max(Math.abs(fine[i]!), 0.1 * scenario.litres))
          .withContext(state)
          .toBeLessThan(0.02);
      }
    }
  });

  it('sees the same pH as the carbonate solver', () => {
    for (const alkalinityMeq of [0.05, 0.4, 1.5, 4]) {
      const scenario: TankScenario = { ...SMALL_TANK, start: { ...TAP, alkalinityMeq, pco2Uatm: 2500, organicCarbonMg: 3 } };
      const now = balanceOf(scenario).look(0, 0, startState(scenario));
      const water = { temperatureC: 24, alkalinityMeqPerL: alkalinityMeq, docMgPerL: 3 };
      expect(now.ph).withContext(String(alkalinityMeq)).toBeCloseTo(carbonateAtPco2(water, 2500).ph, 3);
      expect(now.ph).toBeCloseTo(carbonateAtDic(water, carbonOf(scenario, scenario.start, 24)).ph, 3);
    }
  });

  it('says of each process where it comes from and how far it can be trusted', () => {
    for (const term of TERMS) {
      expect(term.source.length).withContext(term.id).toBeGreaterThan(0);
      expect(term.uncertainty.length).toBeGreaterThan(8);
      expect(term.make(FULL_TANK)).withContext(term.id).not.toBeNull();
    }
  });
});

describe('processes against what is known of them', () => {
  it('takes 1 dKH for 11.2 mg/L of nitrate made of dosed ammonia, and 4.18 g of oxygen a gram', () => {
    // Stoichiometry with cell growth, Timmons & Ebeling: 1.97 eq of alkalinity a mole.
    const scenario: TankScenario = { ...SMALL_TANK, start: { ...TAP, ammoniaMgN: 1 } };
    const y = startState(scenario);
    y[STATE.nitrite] = y[STATE.ammonia]!;
    const rates = flowOf(scenario, 'nitrification')!(balanceOf(scenario).look(0, 0, y), y);
    const mmolN = -rates[STATE.ammonia]! / N_MASS;
    expect(-rates[STATE.alkalinity]! / mmolN).toBeCloseTo(1.9756, 4);
    const perNitrateMg = -rates[STATE.alkalinity]! / 0.356652 / (mmolN * 0.9756 * 62.004);
    expect(off(1 / perNitrateMg, 11.2)).toBeLessThan(0.03);
    const whole = -rates[STATE.oxygen]! / ((-rates[STATE.ammonia]! * 3.14 + rates[STATE.nitrate]! * 1.04) / 4.18);
    expect(whole).toBeCloseTo(4.18, 6);
  });

  it('loses 2.3 dKH by the time fed water holds 50 mg/L of nitrate: common practice', () => {
    const scenario: TankScenario = {
      ...SMALL_TANK,
      change: null,
      plants: { areaM2: 0, uptakeGNPerM2: 0 },
      start: { ...TAP, alkalinityMeq: 3, chlorideMmol: 0, sulfateMmol: 0.17 },
      heat: { heldC: 24, evaporationLPerDay: 0 },
      feed: { ...SMALL_TANK.feed, gPerDay: 0.4 },
    };
    const before = 3;
    const end = run(scenario, 84);
    const nitrate = (end[STATE.nitrate]! / 60) * 4.4266;
    const lost = (before - end[STATE.alkalinity]! / 60) / 0.356652;
    expect(off((lost / nitrate) * 50, 2.3)).toBeLessThan(0.05);
  });

  it('brings nitrate to the closed form of steady changes', () => {
    // After n changes from c: c + P((1−f)/f)(1−(1−f)^n), with P the nitrogen made in an interval.
    const scenario: TankScenario = {
      ...SMALL_TANK,
      plants: { areaM2: 0, uptakeGNPerM2: 0 },
      heat: { heldC: 24, evaporationLPerDay: 0 },
      change: { fraction: 0.25, everyDays: 7 },
    };
    const y = startState(scenario);
    run(scenario, 7 * 20, {}, FINE, y);
    const all = y[STATE.ammonia]! + y[STATE.nitrite]! + y[STATE.nitrate]!;
    const made = 7 * 0.2 * 1000 * 0.45 * 0.16 * 0.575 * (1 - 0.0244);
    const peak = made / 0.25 - made * (1 / 0.25 - 1) * 0.75 ** 19;
    expect(off(all, peak)).toBeLessThan(0.01);
  });

  it('stops lime where water is saturated with it', () => {
    const scenario: TankScenario = {
      ...SMALL_TANK,
      start: PURE_WATER,
      replacement: PURE_WATER,
      change: null,
      animalsMgO2PerDay: 0,
      feed: { ...SMALL_TANK.feed, gPerDay: 0 },
      plants: { areaM2: 0, uptakeGNPerM2: 0 },
      lime: { mineral: 'calcite', litresPerDay: 30 },
      heat: { heldC: 25, evaporationLPerDay: 0 },
      // so well stirred that CO2 keeps up
      gas: { ...SMALL_TANK.gas, roomPco2Uatm: 420, movement: 10 },
    };
    const y = run(scenario, 84);
    const now = balanceOf(scenario).look(0, 0, y);
    const index = saturationIndices(25, now.ph, now.calciumMmolPerL, now.alkalinityMeqPerL)!;
    expect(Math.abs(index.calcite)).toBeLessThan(0.05);
    // Calcite under 420 µatm at 25 °C: 2.99 degrees of GH and KH (algebra only; 0.485 mmol/L at 316 µatm is published)
    expect(now.calciumMmolPerL / 0.178326).toBeCloseTo(2.99, 0);
    // and half way there, its rate a day is what is asked of it
    const rate = 30 / 60;
    const early = run(scenario, 1);
    expect(off(early[STATE.calcium]! / y[STATE.calcium]!, 1 - Math.exp(-rate))).toBeLessThan(0.3);
  });

  it('brings water over active soil to its pH, and lets it go when the soil is spent', () => {
    const soft: TankScenario = { ...FULL_TANK, lime: null, leaves: { carbonMgPerDay: 0, decayPerDay: 0.01 }, doses: [] };
    const seen: number[] = [];
    run(
      { ...soft, soil: { setPh: 6.4, capacityMeq: 120, ratePerDay: 0.7 } },
      120,
      { dawn: (day, now) => void (day % 20 === 0 && seen.push(now.ph)) },
      QUICK,
    );
    expect(seen[1]!).toBeGreaterThan(6.2);
    expect(seen[1]!).toBeLessThan(6.7);
    expect(seen.at(-1)!).toBeGreaterThan(7);
  });

  it('holds oxygen where surface and breath meet', () => {
    // C = Cs − R/(kL A): 60 L, 0.18 m² at 1.5 times still water
    const scenario: TankScenario = {
      ...SMALL_TANK,
      plants: { areaM2: 0, uptakeGNPerM2: 0 },
      feed: { ...SMALL_TANK.feed, gPerDay: 0 },
      filter: { ...SMALL_TANK.filter, maturity: 0 },
      salinity: 0,
      animalsMgO2PerDay: 300,
      heat: { heldC: 25, evaporationLPerDay: 0 },
    };
    const end = run(scenario, 10);
    const now = balanceOf(scenario).look(0, 0, end);
    const kl = 0.4968 / Math.sqrt((1800.6 - 120.1 * 25 + 3.7818 * 625 - 0.047608 * 15625) / 600);
    // still water exchanges 0.60 m a day at 25 °C: Cole & Caraco 1998 with Wanninkhof 1992
    expect(kl).toBeCloseTo(0.6, 2);
    const breath = 300 * (now.oxygenMgPerL / (now.oxygenMgPerL + 0.3));
    expect(now.oxygenMgPerL).toBeCloseTo(8.263 - breath / (kl * 1.5 * 0.18 * 1000), 2);
  });

  it('holds the heater’s set-point while its power lasts, and no longer', () => {
    const warm = run(FULL_TANK, 5);
    expect(balanceOf(FULL_TANK).look(0, 0, warm).temperatureC).toBeCloseTo(24, 1);
    const weak = { ...FULL_TANK, heat: { ...(FULL_TANK.heat as object), heaterW: 2 } as TankScenario['heat'] };
    expect(balanceOf(weak).look(0, 0, run(weak, 5)).temperatureC).toBeLessThan(22.5);
    expect(airAt([[10, 20]], 5 / 24)).toBeCloseTo(10, 6);
    expect(airAt([[10, 20]], 17 / 24)).toBeCloseTo(20, 6);
  });

  it('lets pH and oxygen fall by night where plants grow', () => {
    const weedy: TankScenario = { ...SMALL_TANK, plants: { areaM2: 0.3, uptakeGNPerM2: 0.4 } };
    const dawn: number[] = [];
    const dusk: number[] = [];
    run(weedy, 20, {
      dawn: (_, { ph, oxygenMgPerL }) => dawn.push(ph, oxygenMgPerL),
      dusk: (_, { ph, oxygenMgPerL }) => dusk.push(ph, oxygenMgPerL),
    });
    expect(dusk.at(-2)!).toBeGreaterThan(dawn.at(-2)! + 0.1);
    expect(dusk.at(-1)!).toBeGreaterThan(dawn.at(-1)! + 0.5);
  });

  it('nitrifies slowly in acid water, not at all never', () => {
    expect(phFactor(7.5)).toBeGreaterThan(0.9);
    expect(phFactor(5)).toBeCloseTo(0.15, 1);
    expect(phFactor(4)).toBeLessThan(0.05);
    expect(phFactor(6)).toBeCloseTo(0.5, 1);
  });
});

describe('where a tank settles', () => {
  it('is what following it for long enough comes to, for any ordinary tank', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.5, noNaN: true }),
        fc.integer({ min: 5, max: 14 }),
        fc.double({ min: 0.02, max: 0.6, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (fraction, everyDays, gPerDay, litresPerDay) => {
          const scenario: TankScenario = {
            ...SMALL_TANK,
            change: { fraction, everyDays },
            feed: { ...SMALL_TANK.feed, gPerDay },
            lime: { mineral: 'calcite', litresPerDay },
            plants: { areaM2: 0, uptakeGNPerM2: 0 },
          };
          const { now, state } = settle(scenario);
          // until no more than a two hundredth of what it began with is left
          const changes = Math.ceil(Math.log(0.005) / Math.log(1 - fraction));
          const end = run(scenario, everyDays * Math.max(changes, Math.ceil(300 / everyDays)), {}, QUICK);
          const followed = balanceOf(scenario).look(0, 0, end);
          // evaporation concentrates over an interval, and changes are steps here and a stream there
          expect(off(state[STATE.nitrate]!, end[STATE.nitrate]!)).toBeLessThan(0.06);
          expect(Math.abs(now.alkalinityMeqPerL - followed.alkalinityMeqPerL)).toBeLessThan(0.12);
          // with little alkalinity left a hair of it is half a pH
          if (followed.alkalinityMeqPerL > 0.4) expect(Math.abs(now.ph - followed.ph)).toBeLessThan(0.25);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('falls to where the soil holds it', () => {
    const { now } = settle(FULL_TANK);
    expect(now.ph).toBeGreaterThan(6);
    expect(now.ph).toBeLessThan(7);
  });
});

describe('what can go wrong', () => {
  it('never leaves nought or runs off, whatever is fed', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 40, noNaN: true }), fc.double({ min: 0, max: 8000, noNaN: true }), (gPerDay, animals) => {
        const y = run({ ...SMALL_TANK, animalsMgO2PerDay: animals, feed: { ...SMALL_TANK.feed, gPerDay } }, 20, {}, QUICK);
        for (const name of STATE_NAMES) {
          expect(Number.isFinite(y[STATE[name]]!)).withContext(name).toBeTrue();
          if (name !== 'alkalinity')
            expect(y[STATE[name]]!)
              .withContext(name)
              .toBeGreaterThan(-0.05 * 60);
        }
      }),
      { numRuns: 20 },
    );
  });

  it('gives up on what no tank is, and says so', () => {
    const tolerance = { ...toleranceOf(SMALL_TANK, FINE), mostSteps: 50 };
    const fast = (_: number, y: State, out: State) => out.set(y.map((value) => -1e6 * value));
    expect(() => new Integrator(STATE_SIZE).run(fast, startState(SMALL_TANK), 0, 10, tolerance)).toThrowError(TooStiff);
  });

  it('changes everything but what is fixed in the tank', () => {
    const y = startState(FULL_TANK);
    y[STATE.boundNitrogen] = 7;
    y[STATE.nitrate] = 600;
    change(FULL_TANK, y, 0.25, 24, 1.5);
    expect(y[STATE.nitrate]!).toBeCloseTo(450, 9);
    expect(y[STATE.boundNitrogen]!).toBe(7);
    expect(y[STATE.soil]!).toBe(400);
    expect(y[STATE.water]!).toBeCloseTo(60, 9);
  });
});
