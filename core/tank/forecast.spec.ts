import { FULL_TANK, SMALL_TANK } from '../testing/scenarios';
import { corner, doubted, DOUBTS, draws } from './doubt';
import { forecast, SERIES, type Forecast, type ForecastOptions } from './forecast';
import { TankScenario } from './scenario';
import { settledTank } from './at-rest';
import { settledWater } from './settled-water';
import { evaluate } from '../calculation/calculation';

const options: ForecastOptions = { days: 28, samples: 20, seed: 7, conductivity: (ions) => 100 * (ions.calcium + ions.chloride) };
const all = (scenario: TankScenario, over: Partial<ForecastOptions> = {}): (Forecast | number)[] => [
  ...forecast(scenario, { ...options, ...over }),
];
const last = (steps: (Forecast | number)[]): Forecast => steps.filter((step): step is Forecast => typeof step !== 'number').at(-1)!;

describe('a forecast', () => {
  it('tells the usual course first, then counts, then the bands', () => {
    const steps = all(SMALL_TANK);
    expect((steps[0] as Forecast).samples).toBe(0);
    expect(steps.filter((step) => typeof step === 'number').length).toBe(17);
    expect(last(steps).samples).toBe(20);
  });

  it('is the same for the same seed, and another for another', () => {
    const high = (seed: number) => [...last(all(FULL_TANK, { seed })).series.nitrate.high];
    expect(high(7)).toEqual(high(7));
    expect(high(7)).not.toEqual(high(8));
  });

  it('begins where the tank begins, widens from there, and holds its usual course', () => {
    const { series } = last(all(FULL_TANK));
    for (const key of ['khDh', 'nitrate', 'ghDh'] as const) {
      const { usual, low, high } = series[key];
      expect(high[0]! - low[0]!)
        .withContext(key)
        .toBeLessThan(1e-9);
      expect(high[28]! - low[28]!)
        .withContext(key)
        .toBeGreaterThan(high[1]! - low[1]!);
      expect(usual[28]! >= low[28]! - 1e-6 && usual[28]! <= high[28]! + 1e-6)
        .withContext(key)
        .toBeTrue();
    }
    for (const key of SERIES)
      for (const values of Object.values(series[key]))
        expect([...values].every(Number.isFinite))
          .withContext(key)
          .toBeTrue();
  });

  it('marks the changes and doses on their days', () => {
    const { events } = last(all(FULL_TANK, { samples: 1 }));
    expect(events.filter(({ kind }) => kind === 'change').map(({ day }) => day)).toEqual([7, 14, 21, 28]);
    expect(events.filter(({ kind }) => kind === 'dose').length).toBe(4);
    expect(last(all({ ...SMALL_TANK, change: null }, { samples: 1 })).events).toEqual([]);
  });

  it('follows salt water by how much of it has evaporated', () => {
    const salty: TankScenario = { ...SMALL_TANK, salinity: 20, topUpDays: 7, change: null };
    const { usual } = last(all(salty, { samples: 1, days: 7 })).series.salinity;
    expect(usual[0]!).toBeCloseTo(20, 6);
    expect(usual[6]!).toBeCloseTo((20 * 60) / (60 - 0.4 * 6), 3);
  });
});

describe('what is not known well', () => {
  it('moves what it names, and leaves a tank alone that has none of it', () => {
    for (const doubt of DOUBTS) {
      const by = doubt.factor ?? doubt.shift ?? 1;
      expect(doubt.apply(FULL_TANK, by)).withContext(doubt.key).not.toEqual(FULL_TANK);
      expect(TankScenario.safeParse(doubt.apply(FULL_TANK, by)).success)
        .withContext(doubt.key)
        .toBeTrue();
      expect(doubt.apply(FULL_TANK, doubt.factor === undefined ? 0 : 1))
        .withContext(doubt.key)
        .toEqual(FULL_TANK);
    }
    for (const key of ['soil-ph', 'soil-strength', 'lime', 'heat']) {
      const doubt = DOUBTS.find((one) => one.key === key)!;
      expect(doubt.apply(SMALL_TANK, 2)).withContext(key).toEqual(SMALL_TANK);
    }
  });

  it('makes one corner more acid and the other less, in any tank', () => {
    for (const scenario of [SMALL_TANK, FULL_TANK, { ...SMALL_TANK, soil: { setPh: 6.2, capacityMeq: 500, ratePerDay: 0.7 } }]) {
      const { usual, corners } = settledTank(scenario);
      expect(corners[0].ph).toBeLessThan(usual.ph);
      expect(corners[1].ph).toBeGreaterThan(usual.ph);
      expect(corner(scenario, 1)).not.toEqual(corner(scenario, -1));
    }
  });

  it('is drawn evenly about the middle: nine of ten within the factor', () => {
    const normal = draws(3);
    const values = Array.from({ length: 4000 }, () => normal());
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    expect(Math.abs(mean)).toBeLessThan(0.06);
    expect(Math.abs(values.filter((value) => Math.abs(value) < 1.645).length / values.length - 0.9)).toBeLessThan(0.02);
    const feeds = values.slice(0, 2000).map((z) => doubted(SMALL_TANK, ({ key }) => (key === 'feed' ? z : 0)).feed.gPerDay / 0.2);
    expect(Math.abs(feeds.filter((by) => by > 1 / 1.3 && by < 1.3).length / feeds.length - 0.9)).toBeLessThan(0.03);
  });
});

describe('where a tank settles, told by process', () => {
  it('adds up: what is poured and what each process does is what stands there', () => {
    const { usual, moves } = settledTank(SMALL_TANK);
    const poured = SMALL_TANK.start.alkalinityMeq / 0.356652;
    expect(poured + moves.reduce((sum, { khDh }) => sum + khDh, 0)).toBeCloseTo(usual.khDh, 1);
  });
  it('is a calculation that can be asked by itself', () => {
    const found = evaluate(settledWater, { scenario: SMALL_TANK });
    const { usual } = settledTank(SMALL_TANK);
    expect(found.value!.khDh).toBeCloseTo(usual.khDh, 9);
    expect(found.value!.nitrateMgPerL).toBeCloseTo(usual.nitrateMgPerL, 6);
  });
});
