import { balanceOf } from './balance';
import { FINE, run, startState } from './run';
import { PURE_WATER, TankScenario } from './scenario';
import { STATE } from './state';
import { stillWater, type StillWater } from './still-water';

const TUB: StillWater = {
  litres: 10,
  start: { ...PURE_WATER, alkalinityMeq: 1, sodiumMmol: 1 },
  startC: 24,
  aroundC: 18,
  wPerK: 2,
  surfaceM2: 0.05,
  movement: 1,
  animalsMgO2PerDay: 50,
};
const at = (tub: StillWater, days: number) => {
  const scenario = stillWater(tub);
  const y = run(scenario, days, {}, FINE);
  return { y, now: balanceOf(scenario).look(days, 0, y) };
};

describe('water that stands', () => {
  it('is a sound scenario', () => {
    expect(TankScenario.safeParse(stillWater(TUB)).success).toBeTrue();
  });

  it('cools as Newton has it', () => {
    // T = Tr + (T0 − Tr) e^(−t U/(m c)): algebra only
    const { now } = at(TUB, 1);
    expect(now.temperatureC).toBeCloseTo(18 + 6 * Math.exp((-86400 * 2) / (10 * 4168)), 3);
    expect(at({ ...TUB, wPerK: 0 }, 1).now.temperatureC).toBeCloseTo(24, 6);
  });

  it('loses no water and no salt, and makes no nitrogen', () => {
    const { y } = at(TUB, 3);
    const start = startState(stillWater(TUB));
    for (const name of ['water', 'sodium', 'alkalinity', 'ammonia', 'nitrate'] as const)
      expect(y[STATE[name]]!).withContext(name).toBeCloseTo(start[STATE[name]]!, 6);
  });

  it('loses its oxygen to what breathes in it, less under a livelier surface', () => {
    const still = at(TUB, 2).now.oxygenMgPerL;
    expect(still).toBeLessThan(at({ ...TUB, animalsMgO2PerDay: 0 }, 2).now.oxygenMgPerL);
    expect(at({ ...TUB, movement: 5 }, 2).now.oxygenMgPerL).toBeGreaterThan(still);
    expect(at({ ...TUB, surfaceM2: 0.1 }, 2).now.oxygenMgPerL).toBeGreaterThan(still);
  });

  it('turns acid by what is breathed into it', () => {
    const before = balanceOf(stillWater(TUB)).look(0, 0, startState(stillWater(TUB))).ph;
    expect(at({ ...TUB, animalsMgO2PerDay: 400, wPerK: 0 }, 1).now.ph).toBeLessThan(before - 0.3);
  });
});
