import { BASES_HELD } from './terms/soil';
import fc from 'fast-check';
import { FULL_TANK, SMALL_TANK, TAP } from '../testing/scenarios';
import { balanceOf, flowOf, TERMS } from './balance';
import { startState } from './run';
import { PURE_WATER, type TankScenario } from './scenario';
import { chargeGapOf, C_MASS, N_MASS, nitrogenOf, STATE, STATE_NAMES, type State } from './state';

/** What one process does in a day, in a scenario as it begins, after a hand has been laid on it. */
function rates(scenario: TankScenario, id: string, touch: (y: State) => void = () => undefined, light = 1): State {
  const y = startState(scenario);
  touch(y);
  const flow = flowOf(scenario, id);
  if (!flow) throw new Error(`there is no ${id}`);
  return flow(balanceOf(scenario).look(0.5, light, y), y);
}
const set = (name: keyof typeof STATE, perL: number) => (y: State) => (y[STATE[name]] = perL * y[STATE.water]!);
const some = fc.double({ min: 0.01, max: 5, noNaN: true });

describe('every process of the balance', () => {
  it('keeps charge by itself, whatever stands in the water', () => {
    fc.assert(
      fc.property(some, some, some, some, fc.constantFrom(...TERMS.map(({ id }) => id)), (ammonia, nitrite, nitrate, phosphate, id) => {
        const scenario = { ...FULL_TANK, topUpDays: 1 };
        const dy = rates(scenario, id, (y) => {
          set('ammonia', ammonia)(y);
          set('nitrite', nitrite)(y);
          set('nitrate', nitrate * 5)(y);
          set('phosphate', phosphate)(y);
        });
        // the gap is linear in the state: of the rates it is its rate
        expect(Math.abs(chargeGapOf(dy)))
          .withContext(id)
          .toBeLessThan(1e-9 * (1 + Math.abs(dy[STATE.alkalinity]!)));
      }),
      { numRuns: 80 },
    );
  });

  it('neither makes nor loses nitrogen, but for what is fed', () => {
    for (const { id } of TERMS) {
      const dy = rates({ ...FULL_TANK, topUpDays: 1 }, id, (y) => {
        set('ammonia', 0.4)(y);
        set('nitrite', 0.2)(y);
        set('nitrate', 6)(y);
        set('phosphate', 0.5)(y);
      });
      const fed = id === 'feeding' ? 0.2 * 1000 * 0.45 * 0.16 * 0.575 : 0;
      expect(nitrogenOf(dy)).withContext(id).toBeCloseTo(fed, 9);
    }
  });

  it('moves only what it says: salt is no one’s but the soil’s, the lime’s and the top-up’s', () => {
    for (const { id } of TERMS) {
      const dy = rates({ ...FULL_TANK, topUpDays: 1 }, id);
      for (const ion of ['chloride', 'sulfate'] as const) expect(dy[STATE[ion]]!).withContext(`${id} ${ion}`).toBe(0);
      if (id !== 'soil' && id !== 'lime') expect(dy[STATE.calcium]!).withContext(id).toBe(0);
    }
  });

  it('is left out where there is none of it', () => {
    const bare: TankScenario = {
      ...SMALL_TANK,
      animalsMgO2PerDay: 0,
      feed: { ...SMALL_TANK.feed, gPerDay: 0 },
      filter: { ...SMALL_TANK.filter, maturity: 0 },
      plants: { areaM2: 0, uptakeGNPerM2: 0 },
      heat: { heldC: 24, evaporationLPerDay: 0 },
    };
    for (const { id, make } of TERMS)
      expect(make(bare) === null)
        .withContext(id)
        .toBe(id !== 'gas-exchange');
  });
});

describe('feed', () => {
  // 1 g of feed of 45 % gives 41.4 mg of ammonia nitrogen: 0.092 of the protein (Timmons & Ebeling).
  it('of a gram at 45 % gives 41.4 mg of ammonia nitrogen', () => {
    const dy = rates({ ...SMALL_TANK, feed: { ...SMALL_TANK.feed, gPerDay: 1 } }, 'feeding');
    expect(dy[STATE.ammonia]!).toBeCloseTo(41.4, 6);
    expect(dy[STATE.alkalinity]!).toBeCloseTo(41.4 / N_MASS, 6);
    expect(dy[STATE.phosphate]!).toBeCloseTo(5.5, 9);
  });
});

describe('breath', () => {
  it('gives nine moles of CO2 for ten of oxygen, and stops where there is none', () => {
    const dy = rates(SMALL_TANK, 'respiration');
    expect(dy[STATE.carbon]! / (-dy[STATE.oxygen]! / 31.998)).toBeCloseTo(0.9, 9);
    expect(rates(SMALL_TANK, 'respiration', set('oxygen', 0))[STATE.oxygen]!).toBeCloseTo(0, 9);
  });
  it('is six times as deep at 30 degrees as at nought: Clarke & Johnston 1999', () => {
    const at = (heldC: number) =>
      rates({ ...SMALL_TANK, heat: { heldC, evaporationLPerDay: 0 } }, 'respiration', set('oxygen', 8))[STATE.oxygen]!;
    expect(at(30) / at(0)).toBeCloseTo(6.16, 1);
    // and Q10 at 15 degrees is 1.83
    expect(at(20) / at(10)).toBeCloseTo(1.83, 1);
  });
});

describe('plants', () => {
  const planted: TankScenario = { ...SMALL_TANK, plants: { areaM2: 0.1, uptakeGNPerM2: 0.2 } };
  const fed = (y: State) => {
    set('ammonia', 0.2)(y);
    set('nitrate', 5)(y);
    set('phosphate', 0.5)(y);
  };
  it('take ammonia before nitrate', () => {
    const dy = rates(planted, 'plants', (y) => {
      set('ammonia', 1)(y);
      set('nitrate', 1)(y);
      set('phosphate', 0.5)(y);
    });
    expect(-dy[STATE.ammonia]!).toBeGreaterThan(-5 * dy[STATE.nitrate]!);
  });
  it('lower the alkalinity by ammonia, raise it by nitrate, an equivalent a mole', () => {
    const byNitrate = rates(planted, 'plants', (y) => {
      set('nitrate', 5)(y);
      set('phosphate', 0.5)(y);
    });
    expect(byNitrate[STATE.alkalinity]!).toBeCloseTo(-byNitrate[STATE.nitrate]! / N_MASS, 9);
    const byAmmonia = rates(planted, 'plants', (y) => {
      set('ammonia', 5)(y);
      set('phosphate', 0.5)(y);
    });
    expect(byAmmonia[STATE.alkalinity]!).toBeCloseTo(byAmmonia[STATE.ammonia]! / N_MASS, 9);
  });
  it('give oxygen by day, take it by night, and never more nitrogen than their best', () => {
    expect(rates(planted, 'plants', fed, 1)[STATE.oxygen]!).toBeGreaterThan(0);
    expect(rates(planted, 'plants', fed, 0)[STATE.oxygen]!).toBeLessThan(0);
    const byDay = rates(planted, 'plants', fed, 9 / 24);
    expect(byDay[STATE.boundNitrogen]!).toBeGreaterThan(0);
    expect(byDay[STATE.boundNitrogen]!).toBeLessThan(0.1 * 0.2 * 1000);
  });
  it('stand still without phosphate and without light', () => {
    expect(rates(planted, 'plants', set('nitrate', 5))[STATE.boundNitrogen]!).toBeCloseTo(0, 9);
    expect(rates(planted, 'plants', fed, 0)[STATE.boundNitrogen]!).toBeCloseTo(0, 9);
  });
});

describe('active soil', () => {
  const over = (setPh: number): TankScenario => ({ ...SMALL_TANK, soil: { setPh, capacityMeq: 300, ratePerDay: 0.7 } });
  it('takes as much alkalinity as it is used up by, and leaves the carbon', () => {
    const dy = rates(over(6.2), 'soil');
    expect(dy[STATE.soil]!).toBeLessThan(0);
    expect(dy[STATE.alkalinity]!).toBeCloseTo(dy[STATE.soil]!, 9);
    expect(dy[STATE.carbon]!).toBe(0);
  });
  it('takes calcium and magnesium in their proportion while there is any, sodium when there is not', () => {
    const dy = rates(over(6.2), 'soil');
    expect(dy[STATE.calcium]! / dy[STATE.magnesium]!).toBeCloseTo(TAP.calciumMmol / TAP.magnesiumMmol, 6);
    const soft = rates(over(6.2), 'soil', (y) => {
      set('calcium', 0)(y);
      set('magnesium', 0)(y);
      set('sodium', 2)(y);
    });
    expect(soft[STATE.calcium]!).toBeCloseTo(0, 12);
    expect(soft[STATE.sodium]!).toBeLessThan(0);
  });
  it('gives bases to water that is more acid than it, as far as it holds them, and keeps charge both ways', () => {
    const acid = rates(over(8.9), 'soil');
    expect(acid[STATE.alkalinity]!).toBeGreaterThan(0);
    expect(2 * (acid[STATE.calcium]! + acid[STATE.magnesium]!)).toBeCloseTo(acid[STATE.alkalinity]!, 9);
    expect(acid[STATE.soil]!).toBeCloseTo(acid[STATE.alkalinity]!, 9);
    const hard = rates(over(6.2), 'soil');
    const charge = 2 * (hard[STATE.calcium]! + hard[STATE.magnesium]!) + hard[STATE.sodium]! + hard[STATE.potassium]!;
    expect(charge).toBeCloseTo(hard[STATE.alkalinity]!, 9);
    // all its bases gone
    const none = rates(over(8.9), 'soil', (y) => (y[STATE.soil] = (1 + BASES_HELD) * y[STATE.soil]!));
    expect(none[STATE.alkalinity]!).toBe(0);
  });

  it('does nothing to hard water once it is spent', () => {
    expect(rates(over(6.2), 'soil', (y) => (y[STATE.soil] = 0))[STATE.alkalinity]!).toBe(0);
  });
  it('works harder the lower its pH', () => {
    expect(rates(over(5.8), 'soil')[STATE.alkalinity]!).toBeLessThan(rates(over(6.6), 'soil')[STATE.alkalinity]!);
  });
});

describe('lime', () => {
  const stony: TankScenario = { ...SMALL_TANK, start: PURE_WATER, lime: { mineral: 'calcite', litresPerDay: 6 } };
  it('dissolves faster in water that holds more CO2, and aragonite further than calcite', () => {
    const still = rates(stony, 'lime')[STATE.calcium]!;
    const fizzy = rates({ ...stony, start: { ...PURE_WATER, pco2Uatm: 8000 } }, 'lime')[STATE.calcium]!;
    expect(fizzy).toBeGreaterThan(2 * still);
    const shelly = rates({ ...stony, lime: { mineral: 'aragonite', litresPerDay: 6 } }, 'lime')[STATE.calcium]!;
    expect(shelly).toBeGreaterThan(still);
  });
  it('stays stone in hard water, and is not reckoned in the sea', () => {
    const hard = { ...stony, start: { ...TAP, calciumMmol: 3, alkalinityMeq: 5, sodiumMmol: 0 } };
    expect(rates(hard, 'lime')[STATE.calcium]!).toBe(0);
    expect(flowOf({ ...stony, salinity: 35 }, 'lime')).toBeNull();
  });
});

describe('leaves, carbon and phosphate remover', () => {
  const tinted: TankScenario = { ...SMALL_TANK, start: { ...TAP, organicCarbonMg: 8 }, leaves: { carbonMgPerDay: 12, decayPerDay: 0.01 } };
  it('leaves give what they give, and microbes turn a hundredth a day into CO2', () => {
    const dy = rates(tinted, 'organic-matter');
    const taken = 12 - dy[STATE.organicCarbon]!;
    expect(taken / (8 * 60)).toBeCloseTo(0.01, 2);
    expect(dy[STATE.carbon]!).toBeCloseTo(taken / C_MASS, 9);
    expect(dy[STATE.oxygen]!).toBeLessThan(0);
  });
  it('activated carbon takes tint by its weight', () => {
    const at = (carbonG: number) => rates({ ...tinted, media: { carbonG, binderMgP: 0 } }, 'filter-media')[STATE.organicCarbon]!;
    expect(at(20) / at(10)).toBeCloseTo(2, 9);
  });
  it('the remover binds till it is full', () => {
    const binding: TankScenario = { ...SMALL_TANK, media: { carbonG: 0, binderMgP: 40 } };
    const dy = rates(binding, 'filter-media', set('phosphate', 0.5));
    expect(dy[STATE.binder]!).toBeCloseTo(dy[STATE.phosphate]!, 9);
    const full = rates(binding, 'filter-media', (y) => {
      set('phosphate', 0.5)(y);
      y[STATE.binder] = 0;
    });
    expect(full[STATE.phosphate]!).toBeCloseTo(0, 12);
  });
});

describe('gases and heat', () => {
  it('pass neither way where water and room are in balance', () => {
    const dy = rates(SMALL_TANK, 'gas-exchange');
    expect(Math.abs(dy[STATE.carbon]!)).toBeLessThan(0.05);
    expect(Math.abs(dy[STATE.oxygen]!)).toBeLessThan(0.5);
  });
  it('pass faster through a livelier and a larger surface', () => {
    const short = set('oxygen', 4);
    const at = (movement: number, surfaceM2: number) =>
      rates({ ...SMALL_TANK, gas: { ...SMALL_TANK.gas, movement, surfaceM2 } }, 'gas-exchange', short)[STATE.oxygen]!;
    expect(at(3, 0.18) / at(1.5, 0.18)).toBeCloseTo(2, 9);
    expect(at(1.5, 0.36) / at(1.5, 0.18)).toBeCloseTo(2, 9);
  });
  it('feed CO2 by day alone', () => {
    const fed: TankScenario = { ...SMALL_TANK, gas: { ...SMALL_TANK.gas, fedCo2MgPerL: 20 } };
    expect(rates(fed, 'gas-exchange', undefined, 1)[STATE.carbon]!).toBeGreaterThan(50);
    expect(rates(fed, 'gas-exchange', undefined, 0)[STATE.carbon]!).toBeLessThan(1);
  });
  it('take water away as vapour and its salts not, and bring the top-up’s', () => {
    const dy = rates({ ...SMALL_TANK, topUpDays: 7 }, 'heat');
    expect(dy[STATE.water]!).toBeCloseTo(-0.4, 9);
    expect(dy[STATE.chloride]!).toBe(0);
    const auto = rates({ ...SMALL_TANK, topUp: TAP }, 'heat');
    expect(auto[STATE.water]!).toBeCloseTo(0, 9);
    expect(auto[STATE.chloride]!).toBeCloseTo(0.4 * TAP.chlorideMmol, 9);
  });
  it('every state has a place of its own', () => {
    expect(new Set(STATE_NAMES.map((name) => STATE[name])).size).toBe(STATE_NAMES.length);
  });
});
