import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { Integrator } from '../tank/integrate';

/** What sets the pace of a filter that grows in. */
export interface CycleSettings {
  temperatureC: number;
  ph: number;
  oxygenMgPerL: number;
}

/** Constants of the two oxidisers at 20 °C. */
export interface CycleKinetics {
  /** Most growth, a day. */
  growth: readonly [ammonia: number, nitrite: number];
  /** Change of growth by a degree. */
  byDegree: readonly [number, number];
  /** mg N/L at which they grow at half of it. */
  half: readonly [number, number];
  /** mg O₂/L at which they grow at half of it. */
  halfOxygen: readonly [number, number];
  /** g of cells for a g of nitrogen. */
  yields: readonly [number, number];
  /** Share that dies in a day. */
  decay: number;
  decayByDegree: number;
  /** mg/L of free ammonia, and of nitrous acid, at which they grow at half of it: Anthonisen et al. 1976, J. WPCF 48:835, in a hyperbolic form. */
  byAmmonia: readonly [number, number];
  byAcid: readonly [number, number];
  /** Share of the soil's ammonia that comes out in a day. */
  soilPerDay: number;
  /** Cells that the surfaces hold at most, mg/L. */
  mostCells: number;
}

/** Growth of 0.45 a day is calibrated to the four to eight weeks that fishless starts take; the other constants are of the literature. */
export const CYCLE_KINETICS: CycleKinetics = {
  growth: [0.45, 0.45],
  byDegree: [1.07, 1.06],
  half: [0.5, 0.5],
  halfOxygen: [0.5, 0.9],
  yields: [0.12, 0.05],
  decay: 0.05,
  decayByDegree: 1.04,
  byAmmonia: [30, 3],
  byAcid: [1, 0.5],
  soilPerDay: 0.1,
  mostCells: 1e6,
};

/** How the two are held back by pH: a bell from 6 to 9.3. */
const phShare = (ph: number): number => 1 / (1 + 10 ** (6 - ph) + 10 ** (ph - 9.3));

/** Places in the state: mg N/L of ammonia, nitrite and nitrate, mg/L of the two kinds of cells, mg N/L left in the soil, nitrogen given so far. */
export const CYCLE = { ammonia: 0, nitrite: 1, nitrate: 2, ammoniaCells: 3, nitriteCells: 4, soil: 5, given: 6 } as const;
const SIZE = 7;

/** Unionised ammonia, mg NH₃/L, of so much ammonia nitrogen. */
const freeAmmonia = (mgN: number, temperatureC: number, ph: number): number =>
  ((17 / 14) * mgN * 10 ** ph) / (Math.exp(6344 / (273 + temperatureC)) + 10 ** ph);
/** Nitrous acid, mg HNO₂/L, of so much nitrite nitrogen. */
const nitrousAcid = (mgN: number, temperatureC: number, ph: number): number =>
  ((46 / 14) * mgN) / (Math.exp(-2300 / (273 + temperatureC)) * 10 ** ph);

export interface CycleDay {
  day: number;
  ammoniaMgN: number;
  nitriteMgN: number;
  nitrateMgN: number;
}

export interface CycleRun {
  settings: CycleSettings;
  /** mg N/L a day that is given from a day on; the first from the start. */
  doses: readonly { fromDay: number; mgNPerLPerDay: number }[];
  soilMgNPerL: number;
  cells: readonly [number, number];
  days: number;
  kinetics?: CycleKinetics;
  /** Values a day. */
  perDay?: number;
}

const TOLERANCE = { relative: 1e-7, absolute: new Float64Array(SIZE).fill(1e-10), mostSteps: 200_000 };

/**
 * How ammonia, nitrite and nitrate go while a filter grows in: two oxidisers with Monod growth, held back by oxygen, pH, free ammonia and
 * nitrous acid. Nitrogen that goes into cells is not counted (under 2 %).
 */
export function runCycle({ settings, doses, soilMgNPerL, cells, days, kinetics: k = CYCLE_KINETICS, perDay = 1 }: CycleRun): CycleDay[] {
  const { temperatureC: t, ph, oxygenMgPerL: o } = settings;
  const pace = [0, 1].map(
    (i) => k.growth[i as 0 | 1] * k.byDegree[i as 0 | 1] ** (t - 20) * (o / (k.halfOxygen[i as 0 | 1] + o)) * phShare(ph),
  ) as [number, number];
  const decay = k.decay * k.decayByDegree ** (t - 20);
  const slope = freeAmmonia(1, t, ph);
  const acid = nitrousAcid(1, t, ph);
  let dose = 0;
  const derivative = (_: number, y: Float64Array, out: Float64Array): void => {
    const ammonia = Math.max(0, y[CYCLE.ammonia]!);
    const nitrite = Math.max(0, y[CYCLE.nitrite]!);
    const [fa, fna] = [slope * ammonia, acid * nitrite];
    const held = (i: 0 | 1, cells: number) =>
      (1 / (1 + fa / k.byAmmonia[i])) * (1 / (1 + fna / k.byAcid[i])) * Math.max(0, 1 - cells / k.mostCells);
    const [a, n] = [y[CYCLE.ammoniaCells]!, y[CYCLE.nitriteCells]!];
    const growA = pace[0] * (ammonia / (k.half[0] + ammonia)) * held(0, a);
    const growN = pace[1] * (nitrite / (k.half[1] + nitrite)) * held(1, n);
    const toNitrite = (growA * a) / k.yields[0];
    const toNitrate = (growN * n) / k.yields[1];
    const outOfSoil = k.soilPerDay * y[CYCLE.soil]!;
    out[CYCLE.ammonia] = dose + outOfSoil - toNitrite;
    out[CYCLE.nitrite] = toNitrite - toNitrate;
    out[CYCLE.nitrate] = toNitrate;
    out[CYCLE.ammoniaCells] = (growA - decay) * a;
    out[CYCLE.nitriteCells] = (growN - decay) * n;
    out[CYCLE.soil] = -outOfSoil;
    out[CYCLE.given] = dose + outOfSoil;
  };
  const y = new Float64Array(SIZE);
  y[CYCLE.ammoniaCells] = cells[0];
  y[CYCLE.nitriteCells] = cells[1];
  y[CYCLE.soil] = soilMgNPerL;
  const integrator = new Integrator(SIZE);
  const told: CycleDay[] = [];
  const changes = doses.map(({ fromDay }) => fromDay).filter((day) => day > 0 && day < days);
  const stops = [...new Set([...Array.from({ length: Math.floor(days * perDay) + 1 }, (_, i) => i / perDay), ...changes, days])].sort(
    (a, b) => a - b,
  );
  const asked = new Set(Array.from({ length: Math.floor(days * perDay) + 1 }, (_, i) => i / perDay));
  for (const [i, stop] of stops.entries()) {
    const before = i === 0 ? 0 : stops[i - 1]!;
    if (stop > before) {
      dose = doses.reduce((now, one) => (one.fromDay <= before + 1e-9 ? one.mgNPerLPerDay : now), 0);
      integrator.run(derivative, y, before, stop, TOLERANCE);
    }
    if (asked.has(stop))
      told.push({
        day: stop,
        ammoniaMgN: Math.max(0, y[CYCLE.ammonia]!),
        nitriteMgN: Math.max(0, y[CYCLE.nitrite]!),
        nitrateMgN: y[CYCLE.nitrate]!,
      });
  }
  return told;
}

export const cycle = calculation({
  id: 'startup.cycle',
  title: 'A filter that grows in',
  inputs: z.strictObject({
    temperatureC: z.number().min(5).max(35),
    ph: z.number().min(5).max(9.5),
    oxygenMgPerL: z.number().min(0.5).max(15),
    doseMgNPerLPerDay: z.number().min(0).max(20),
    soilMgNPerL: z.number().min(0).max(500),
    ammoniaOxidisersMgPerL: z.number().min(1e-9).max(100),
    nitriteOxidisersMgPerL: z.number().min(1e-9).max(100),
    days: z.number().int().min(1).max(365),
  }),
  outputs: z.strictObject({
    day: z.array(z.number()),
    ammoniaMgN: z.array(z.number()),
    nitriteMgN: z.array(z.number()),
    nitrateMgN: z.array(z.number()),
  }),
  source: [
    {
      citation: 'Monod growth of two oxidisers; growth calibrated to the four to eight weeks that fishless starts take',
      basis: 'practice',
    },
    { citation: 'Metcalf & Eddy, Wastewater Engineering; Wiesmann 1994: half-values, yields, decay', basis: 'recalled' },
    { citation: 'Anthonisen et al. 1976, J. Water Pollut. Control Fed. 48:835: free ammonia and nitrous acid', basis: 'recalled' },
  ],
  formula: 'X′ = (μ·S/(K+S)·O₂/(K+O₂)·f(pH)/(1+FA/K)/(1+FNA/K) − b)·X; NH₄ → NO₂ → NO₃ by μX/Y',
  validity:
    'warmth, pH and oxygen held; no plants, no water changes, alkalinity enough. Below pH 6.2 real tanks do get there, this does not',
  uncertainty: 'weeks either way: how many bacteria there are at first is known within a factor of a hundred',
  compute: ({ temperatureC, ph, oxygenMgPerL, doseMgNPerLPerDay, soilMgNPerL, ammoniaOxidisersMgPerL, nitriteOxidisersMgPerL, days }) => {
    const run = runCycle({
      settings: { temperatureC, ph, oxygenMgPerL },
      doses: [{ fromDay: 0, mgNPerLPerDay: doseMgNPerLPerDay }],
      soilMgNPerL,
      cells: [ammoniaOxidisersMgPerL, nitriteOxidisersMgPerL],
      days,
    });
    return {
      day: run.map(({ day }) => day),
      ammoniaMgN: run.map(({ ammoniaMgN }) => ammoniaMgN),
      nitriteMgN: run.map(({ nitriteMgN }) => nitriteMgN),
      nitrateMgN: run.map(({ nitrateMgN }) => nitrateMgN),
    };
  },
});
