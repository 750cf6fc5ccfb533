import { Solver } from 'odex';
import { CYCLE_KINETICS, runCycle, type CycleDay } from './cycle';

const BASE = { temperatureC: 24, ph: 7.6, oxygenMgPerL: 7.5 };
const run = (
  more: { settings?: Partial<typeof BASE>; dose?: number; soil?: number; cells?: [number, number]; days?: number } = {},
): CycleDay[] =>
  runCycle({
    settings: { ...BASE, ...more.settings },
    doses: [{ fromDay: 0, mgNPerLPerDay: more.dose ?? 1 }],
    soilMgNPerL: more.soil ?? 0,
    cells: more.cells ?? [1e-4, 1e-4],
    days: more.days ?? 150,
    perDay: 2,
  });
/** The last day on which more than a quarter of a milligram stands. */
const doneOn = (days: readonly CycleDay[]): number =>
  days.filter(({ ammoniaMgN, nitriteMgN }) => ammoniaMgN > 0.25 || nitriteMgN > 0.25).at(-1)?.day ?? 0;

describe('a filter that grows in', () => {
  /** Common practice: four to eight weeks without anything, one to two with some grown-in media, longer in the cold. */
  it('takes as long as keepers find', () => {
    const weeks = (days: number) => days / 7;
    expect(weeks(doneOn(run()))).toBeGreaterThan(4);
    expect(weeks(doneOn(run()))).toBeLessThan(8);
    expect(weeks(doneOn(run({ cells: [0.25, 0.1] })))).toBeLessThan(1.2);
    expect(weeks(doneOn(run({ cells: [0.05, 0.02] })))).toBeLessThan(2.2);
    expect(doneOn(run({ settings: { temperatureC: 28 } }))).toBeLessThan(doneOn(run()));
    expect(doneOn(run({ settings: { temperatureC: 18 } }))).toBeGreaterThan(60);
    expect(doneOn(run({ settings: { oxygenMgPerL: 2 } }))).toBeGreaterThan(doneOn(run()) + 7);
    expect(doneOn(run({ settings: { ph: 6.5 } }))).toBeGreaterThan(doneOn(run()) + 7);
  });

  it('keeps every milligram of nitrogen, to a millionth', () => {
    for (const [dose, soil] of [
      [1, 0],
      [0, 40],
      [2, 20],
    ] as const) {
      const last = run({ dose, soil, days: 60 }).at(-1)!;
      const out = soil * (1 - Math.exp(-CYCLE_KINETICS.soilPerDay * 60));
      expect(last.ammoniaMgN + last.nitriteMgN + last.nitrateMgN).toBeCloseTo(60 * dose + out, 5);
    }
  });

  it('comes to rest where growth makes good what dies: ammonia at K·b/(μ−b)', () => {
    const settings = { temperatureC: 20, ph: 7.65, oxygenMgPerL: 1e6 };
    const [last] = runCycle({ settings, doses: [{ fromDay: 0, mgNPerLPerDay: 1 }], soilMgNPerL: 0, cells: [0.5, 0.2], days: 600 }).slice(
      -1,
    );
    const { growth, half, decay } = CYCLE_KINETICS;
    const mu = growth[0] / (1 + 10 ** (6 - 7.65) + 10 ** (7.65 - 9.3));
    expect(last!.ammoniaMgN).toBeCloseTo((half[0] * decay) / (mu - decay), 2);
  });

  it('follows a general integrator (odex) to half a percent', () => {
    const k = CYCLE_KINETICS;
    const t = BASE.temperatureC;
    const free = (17 / 14) * (10 ** BASE.ph / (Math.exp(6344 / (273 + t)) + 10 ** BASE.ph));
    const acid = 46 / 14 / (Math.exp(-2300 / (273 + t)) * 10 ** BASE.ph);
    const bell = 1 / (1 + 10 ** (6 - BASE.ph) + 10 ** (BASE.ph - 9.3));
    const solver = new Solver(5);
    solver.relativeTolerance = 1e-8;
    solver.absoluteTolerance = 1e-10;
    const derivative = (_x: number, y: number[]) => {
      const [a = 0, n = 0, , xa = 0, xn = 0] = y;
      const hold = (i: 0 | 1) => 1 / (1 + (free * a) / k.byAmmonia[i]) / (1 + (acid * n) / k.byAcid[i]);
      const mu = (i: 0 | 1, s: number) =>
        k.growth[i] *
        k.byDegree[i] ** (t - 20) *
        (s / (k.half[i] + s)) *
        (BASE.oxygenMgPerL / (k.halfOxygen[i] + BASE.oxygenMgPerL)) *
        bell *
        hold(i);
      const b = k.decay * k.decayByDegree ** (t - 20);
      const [ra, rn] = [(mu(0, a) * xa) / k.yields[0], (mu(1, n) * xn) / k.yields[1]];
      return [1 - ra, ra - rn, rn, (mu(0, a) - b) * xa, (mu(1, n) - b) * xn];
    };
    const told = runCycle({ settings: BASE, doses: [{ fromDay: 0, mgNPerLPerDay: 1 }], soilMgNPerL: 0, cells: [1e-4, 1e-4], days: 60 });
    for (const day of [10, 20, 30, 45, 60]) {
      const { y } = solver.solve(derivative, 0, [0, 0, 0, 1e-4, 1e-4], day);
      const own = told[day]!;
      for (const [i, value] of [own.ammoniaMgN, own.nitriteMgN, own.nitrateMgN].entries())
        expect(Math.abs(value - y[i]!))
          .withContext(`day ${day}, ${i}`)
          .toBeLessThan(0.005 * Math.max(0.1, y[i]!));
    }
  });

  it('takes a larger load with a peak, and gets over it', () => {
    const days = runCycle({
      settings: BASE,
      doses: [
        { fromDay: 0, mgNPerLPerDay: 0.3 },
        { fromDay: 28, mgNPerLPerDay: 1.5 },
      ],
      soilMgNPerL: 0,
      cells: [0.5, 0.2],
      days: 70,
    });
    const most = (from: number, to: number) =>
      Math.max(...days.filter(({ day }) => day >= from && day <= to).map(({ ammoniaMgN }) => ammoniaMgN));
    expect(most(29, 40)).toBeGreaterThan(2 * most(14, 27));
    expect(days.at(-1)!.ammoniaMgN).toBeLessThan(0.25);
  });
});
