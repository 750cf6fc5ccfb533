import { colonyCourse } from '../core/breeding/colony';
import { kinshipOf } from '../core/breeding/kinship';
import { FRAME } from '../core/assessment/frame';
import { catalogueData } from '../catalogue';
import demo from '../catalogue/demo/low-barn.json';
import { assess } from '../core/assessment/assess';
import type { DeriveCache } from '../core/assessment/derive';
import { currentMapOf } from '../core/assessment/current-map';
import { tankDay } from '../core/assessment/day';
import { newRuns } from '../core/equipment/model';
import { lightMapOf } from '../core/assessment/light-map';
import { newLamp } from '../core/equipment/lamps';
import { helpFor } from '../core/assessment/remedies/offer';
import { indexCatalogue } from '../core/catalogue/catalogue';
import { Room } from '../core/design/room';
import { carbonateAtPco2 } from '../core/chemistry/carbonate-system';
import { compose } from '../core/water/composition';
import { recipes } from '../core/water/recipe';
import { SALTS } from '../core/water/salts';
import { startTankOf, testsOf } from '../core/assessment/plan/start';
import { ensembleOf, forecastStart, type Course } from '../core/startup/ensemble';
import { forecastBasis, forecastOf } from '../core/assessment/forecast';
import { derive } from '../core/assessment/derive';
import { Design } from '../core/design/design';
import { QUICK, run } from '../core/tank/run';
import { settle } from '../core/tank/settle';
import { largeTank } from '../core/testing/large-tank';

/** Recipes for bands that want salts, and a block of a thousand carbonate systems, milliseconds each. */
export function runWater(): Record<string, number[]> {
  const source = (id: string, isRo: boolean, ghDh: number, khDh: number, ec25UsPerCm: number) => ({
    id,
    isRo,
    ions: compose({ ghDh, khDh, ec25UsPerCm }).ions,
  });
  const sources = [source('tap', false, 17.8, 13.4, 612), source('ro', true, 0.1, 0.1, 9)];
  const time = (runs: number, act: (i: number) => unknown) =>
    Array.from({ length: runs }, (_, i) => {
      const start = performance.now();
      act(i);
      return performance.now() - start;
    });
  return {
    recipe: time(60, (i) => recipes(sources, SALTS, { ghDh: [4 + (i % 7) / 5, 6 + (i % 7) / 5], khDh: [0, 1.5], ec25UsPerCm: [150, 280] })),
    'thousand carbonate systems': time(40, (i) => {
      for (let k = 0; k < 1000; k++)
        carbonateAtPco2({ temperatureC: 18 + (k % 12), alkalinityMeqPerL: 0.1 + ((k + i) % 90) / 20 }, 420 + k);
    }),
  };
}

/** What the bench runs inside the browser: times in milliseconds. */
export function runBench(): Record<string, number[]> {
  const catalogue = indexCatalogue(catalogueData);
  const room = Room.parse(demo.room);
  const design = largeTank(catalogue);
  const time = (runs: number, act: (i: number) => unknown) =>
    Array.from({ length: runs }, (_, i) => {
      const start = performance.now();
      act(i);
      return performance.now() - start;
    });
  time(200, () => assess({ design, room, catalogue }));
  const cache: DeriveCache = new Map();
  const lamps = Object.fromEntries(
    [0, 1, 2].map((i) => [
      `lamp-${i}`,
      {
        order: 10 + i,
        kind: 'lamp' as const,
        powerW: 30,
        sizeMm: null,
        placeMm: null,
        light: newLamp(i === 2 ? 'spot' : 'bar', { output: { value: 4000, unit: 'lm' }, lengthMm: 800, atMm: [450 + 450 * i, 300] }),
      },
    ]),
  );
  const lit = { ...design, equipment: { ...design.equipment, ...lamps } };
  time(60, () => assess({ design: lit, room, catalogue }));
  // a tank of 1200 mm, as it is asked for after every edit: a piece has moved, the lamps have not
  const narrower = { ...lit, vessel: lit.vessel && { ...lit.vessel, lengthMm: 1200, widthMm: 500, heightMm: 500, waterLevelMm: 450 } };
  const moved = (i: number) => ({
    ...narrower,
    scene: {
      ...narrower.scene,
      'stone-0': { ...narrower.scene['stone-0']!, positionMm: [120 + (i % 40), 90, 0] as [number, number, number] },
    },
  });
  const weedy = { ...largeTank(catalogue, { species: 20, items: 60, plants: 200, plantKinds: 20 }), equipment: lit.equipment };
  const weedyCache: DeriveCache = new Map();
  const judged = Array.from({ length: 40 }, (_, i) => assess({ design: moved(i), room, catalogue }));
  const dimmed = Array.from({ length: 20 }, (_, i) =>
    assess({
      design: { ...narrower, water: { ...narrower.water, organicCarbonMgPerL: { value: 1 + i, basis: 'measured' as const } } },
      room,
      catalogue,
    }),
  );
  const blown = {
    ...narrower,
    equipment: {
      ...narrower.equipment,
      ...Object.fromEntries(
        [0, 1, 2].map((i) => [
          `pump-${i}`,
          {
            order: 20 + i,
            kind: 'pump' as const,
            powerW: 10,
            sizeMm: null,
            placeMm: null,
            runs: { ...newRuns(), lPerH: 1500, outletMm: 20, outletAtMm: [40, 100 + 150 * i, 200] as [number, number, number] },
          },
        ]),
      ),
    },
  };
  time(20, () => assess({ design: blown, room, catalogue }));
  const stirred = assess({ design: blown, room, catalogue });
  return {
    'assess, nothing kept, 3 pumps': time(100, () => assess({ design: blown, room, catalogue })),
    'current of 3 pumps, 1200 mm, both views': time(20, () => currentMapOf(stirred)),
    'a day, quarter by quarter': time(40, () => tankDay(stirred.world, stirred.derived, 'usual')),
    'assess, nothing kept, 3 lamps': time(200, () => assess({ design: lit, room, catalogue })),
    'light from above, 1200 mm': time(20, (i) => lightMapOf(dimmed[i]!, 'plan')),
    'light from above, a piece moved': time(40, (i) => lightMapOf(judged[i]!, 'plan')).slice(1),
    'assess while one of 200 plantings of 20 kinds is moved': time(200, (i) => {
      const planting = weedy.scene['plant-0']!;
      const scene = { ...weedy.scene, 'plant-0': { ...planting, positionMm: [300 + i, 200, 0] as [number, number, number] } };
      return assess({ design: { ...weedy, scene }, room, catalogue }, weedyCache);
    }).slice(1),
    'assess, nothing kept': time(400, () => assess({ design, room, catalogue })),
    'assess after an edit': time(400, (i) => {
      const vessel = design.vessel && { ...design.vessel, waterLevelMm: 300 + (i % 200) };
      return assess({ design: { ...design, vessel }, room, catalogue }, cache);
    }),
    'assess while a blend is dragged': time(400, (i) => {
      const parts = {
        tap: { order: 1, sourceId: 'tap', share: (i % 100) / 100 },
        ro: { order: 2, sourceId: 'ro', share: 1 - (i % 100) / 100 },
      };
      return assess({ design: { ...design, water: { ...design.water, parts } }, room, catalogue }, cache);
    }),
    'remedies of every finding': time(15, () => {
      const assessment = assess({ design, room, catalogue });
      return assessment.findings.map((finding) => helpFor(assessment, finding));
    }),
  };
}

/** A tank followed for twelve weeks, with everything that lives in the demo's shell bed; and the whole forecast of it. */
export function runAhead(): Record<string, number[]> {
  const catalogue = indexCatalogue(catalogueData);
  const room = Room.parse(demo.room);
  const design = Design.parse(demo.designs[2]);
  const world = { design, room, catalogue };
  const derived = derive(world, FRAME.graph);
  const scenario = forecastBasis(world, derived, 10)!.scenario;
  const time = (runs: number, act: () => unknown) =>
    Array.from({ length: runs }, () => {
      const start = performance.now();
      act();
      return performance.now() - start;
    });
  time(20, () => run(scenario, 84, {}, QUICK));
  return {
    single: time(100, () => run(scenario, 84, {}, QUICK)),
    settled: time(100, () => settle(scenario)),
    forecast: time(8, () => {
      for (const _ of forecastOf(world, { month: 10, days: 84, samples: 200, seed: 1 }, derived)) void _;
    }),
  };
}

/** The demo's peat pocket while it grows in: a thousand tanks over sixty days, and a further test held against them. */
export function runStart(): Record<string, number[]> {
  const design = Design.parse(demo.designs[0]);
  const assessment = assess({ design, room: Room.parse(demo.room), catalogue: indexCatalogue(catalogueData) });
  const plan = design.startup!;
  const tank = startTankOf(assessment, plan)!;
  const tests = testsOf(plan);
  const grown = (): Course[] => {
    const courses = ensembleOf(tank, { count: 1000, days: 60, seed: 11 });
    let step = courses.next();
    while (!step.done) step = courses.next();
    return step.value;
  };
  const time = (runs: number, act: () => unknown) =>
    Array.from({ length: runs }, () => {
      const start = performance.now();
      act();
      return performance.now() - start;
    });
  const courses = grown();
  return { courses: time(8, grown), band: time(20, () => forecastStart(courses, tests)) };
}

/** Kinship of two thousand animals in a tangled pedigree; five hundred colonies through two years. */
export function runBreeding(): Record<string, number[]> {
  const bred = Array.from({ length: 2000 }, (_, i) => ({
    id: `a${i}`,
    motherId: i < 20 ? null : `a${(i * 7) % (i - 10)}`,
    fatherIds: i < 20 ? [] : [`a${(i * 13 + 5) % (i - 10)}`],
    size: 1,
  }));
  const time = (runs: number, act: () => unknown) =>
    Array.from({ length: runs }, () => {
      const start = performance.now();
      act();
      return performance.now() - start;
    });
  const life = (i: number) => ({
    clutch: 25,
    sexRatio: 0.5,
    eggSurvival: 0.9,
    intervalWeeks: 5,
    juvenileWeeks: 8 + (i % 40),
    juvenileWeeklySurvival: 0.6 + (i % 30) / 100,
    adultWeeklySurvival: 0.985,
  });
  return {
    kinship: time(15, () => kinshipOf(bred)),
    colonies: time(15, () => {
      for (let i = 0; i < 500; i++) colonyCourse(life(i), 20, 104, 300);
    }),
  };
}

(globalThis as unknown as { runBreeding: typeof runBreeding }).runBreeding = runBreeding;
(globalThis as unknown as { runStart: typeof runStart }).runStart = runStart;
(globalThis as unknown as { runAhead: typeof runAhead }).runAhead = runAhead;
(globalThis as unknown as { runBench: typeof runBench }).runBench = runBench;
(globalThis as unknown as { runWater: typeof runWater }).runWater = runWater;
