import fc from 'fast-check';
import { catalogue, judge, lavaJar, peatPocket, shellBed, tank } from '../../testing/tanks';
import { animalOf } from '../derive';
import { keptMoves, leastKept, tubHours } from './kept-water';
import { routines, weighRoutine } from './routine';
import { shiftPlan, SHIFTED, stepLimits, type StepLimits, type TestedWater } from './shift';
import { placeholdersFor, swapPlan } from './swap';
import type { Animal } from '../../catalogue/organism';

const animal = (id: string) => catalogue.organisms.get(id) as Animal;
const BEES = stepLimits([{ id: 'bees', organism: catalogue.organisms.get('caridina-logemanni') }]);

const water = fc.record({
  ghDh: fc.double({ min: 0.5, max: 25, noNaN: true }),
  khDh: fc.double({ min: 0, max: 20, noNaN: true }),
  ec25UsPerCm: fc.double({ min: 30, max: 1200, noNaN: true }),
});

/** No step past what anyone bears. */
function heldTo(limits: StepLimits, from: TestedWater & { ph?: number }, steps: readonly { reads: TestedWater & { ph?: number } }[]): void {
  let before = from;
  for (const { reads } of steps) {
    for (const parameter of SHIFTED) {
      const [a, b] = [before[parameter], reads[parameter]];
      if (a === undefined || b === undefined) continue;
      const most = parameter === 'ec25UsPerCm' ? (limits.ecStep ?? 0.1 * a) : limits.steps[parameter];
      expect(Math.abs(b - a))
        .withContext(parameter)
        .toBeLessThanOrEqual(most + 1e-6);
    }
    if (before.ph !== undefined && reads.ph !== undefined)
      expect(Math.abs(reads.ph - before.ph)).toBeLessThanOrEqual(limits.steps.ph + 1e-6);
    before = reads;
  }
}

describe('a gradual shift', () => {
  it('moves nothing further in a day than everyone bears, and gets there', () => {
    fc.assert(
      fc.property(water, water, fc.integer({ min: 1, max: 4 }), (from, to, everyDays) => {
        const plan = shiftPlan({ litres: 60, from, to, limits: BEES, pco2Uatm: 1200, everyDays });
        if (!plan.ok) return expect(plan.reason).toContain('more than');
        heldTo(BEES, from, plan.steps);
        const end = plan.steps.at(-1)?.reads ?? from;
        for (const parameter of ['ghDh', 'khDh'] as const)
          expect(Math.abs(end[parameter]! - to[parameter])).toBeLessThanOrEqual(0.25 + 1e-9);
        plan.steps.forEach((step, i) => expect(step.after).toBe(i * everyDays));
      }),
      { numRuns: 60 },
    );
  });

  it('takes six days from GH 10 to 4 at a degree a day, in water without any', () => {
    // n = ⌈|C0 − C|/d⌉: six, and the tail of it till 4.25
    const limits: StepLimits = { ...BEES, steps: { ...BEES.steps, ghDh: 1 } };
    const plan = shiftPlan({ litres: 100, from: { ghDh: 10 }, to: { ghDh: 0 }, limits, pco2Uatm: 1200, everyDays: 1 });
    if (!plan.ok) return fail(plan.reason);
    expect(plan.steps[0]!.litres).toBeCloseTo(10, 6);
    expect(plan.steps[5]!.reads.ghDh!).toBeLessThan(4.4);
    expect(plan.steps[5]!.reads.ghDh!).toBeGreaterThanOrEqual(4);
  });

  it('warms by no more than is borne either', () => {
    const plan = shiftPlan({
      litres: 60,
      from: { ghDh: 6, temperatureC: 18 },
      to: { ghDh: 6, temperatureC: 24 },
      limits: BEES,
      pco2Uatm: 1200,
      everyDays: 1,
    });
    if (!plan.ok) return fail(plan.reason);
    expect(plan.steps.length).toBe(Math.ceil(6 / BEES.steps.temperatureC));
    expect(plan.steps.every(({ fraction }) => fraction === 0)).toBeTrue();
  });

  it('says why where there is none to make', () => {
    const ask = (over: object) =>
      shiftPlan({ litres: 60, from: { ghDh: 5 }, to: { ghDh: 6 }, limits: BEES, pco2Uatm: 1200, everyDays: 1, ...over });
    for (const over of [{ litres: 0 }, { litres: -5 }, { everyDays: 0 }, { from: {} }])
      expect(ask(over).ok).withContext(JSON.stringify(over)).toBeFalse();
    const there = ask({ to: { ghDh: 5.1 } });
    expect(there.ok && there.steps.length).toBe(0);
  });

  it('goes by the most delicate of them', () => {
    const both = stepLimits([
      { id: 'a', organism: animal('neocaridina-davidi') },
      { id: 'b', organism: animal('caridina-logemanni') },
    ]);
    expect(both.steps.khDh).toBe(0.5);
    expect(both.setBy['khDh']).toBe('b');
    expect(both.taken).toContain('salinity');
  });
});

describe('a routine of changes', () => {
  const assessment = judge(shellBed);
  it('is weighed by what the tank settles at', () => {
    const few = weighRoutine(assessment, 0.5, 14)!;
    const many = weighRoutine(assessment, 0.15, 3)!;
    // as much water, or nearly: a smaller shock, a lower nitrate before each change
    expect(Math.abs(few.litresPerWeek / many.litresPerWeek - 1)).toBeLessThan(0.4);
    expect(many.shock.nitrateMgPerL).toBeLessThan(few.shock.nitrateMgPerL);
    expect(few.pourL['tap']).toBeCloseTo(few.litresPerWeek, 6);
  });
  it('is offered for each interval, smallest share that keeps the water first', () => {
    const all = routines(assessment);
    expect(all.map(({ everyDays }) => everyDays)).toEqual([2, 3, 7, 10, 14, 21, 28]);
    for (const one of all.filter(({ misses }) => misses.length === 0)) expect(one.nitrateMgPerL).toBeLessThanOrEqual(50);
    const [weekly] = all.filter(({ everyDays }) => everyDays === 7);
    expect(weekly!.misses).not.toContain('nitrate');
  });
  it('is not weighed where the tank is not known', () => {
    expect(routines(judge({ ...shellBed, vessel: null }))).toEqual([]);
    expect(routines(judge(lavaJar)).length).toBeGreaterThan(0);
  });
});

describe('water that is kept', () => {
  it('is as much as keeps every step within what is borne', () => {
    fc.assert(
      fc.property(water, water, (old, fresh) => {
        const share = leastKept(old, fresh, BEES, 24, 1200);
        const moves = keptMoves(old, fresh, share, BEES, 24, 1200);
        expect(moves.every(({ fits }) => fits)).toBeTrue();
        if (share >= 0.02) expect(keptMoves(old, fresh, share - 0.02, BEES, 24, 1200).every(({ fits }) => fits)).toBeFalse();
      }),
      { numRuns: 60 },
    );
  });
  it('is four fifths for shrimp that bear a tenth of the conductivity, when the new is half as strong: common practice', () => {
    expect(leastKept({ ec25UsPerCm: 200 }, { ec25UsPerCm: 100 }, BEES, 24, 1200)).toBeCloseTo(0.8, 2);
  });

  it('stands in a tub for hours, not days', () => {
    const tub = { litres: 20, surfaceM2: 0.12, waterC: 24, roomC: 17, animalsMgO2PerDay: 900, airStone: false };
    const still = tubHours(tub, 2, 4);
    expect(still.heat!).toBeGreaterThan(0.5);
    expect(still.heat!).toBeLessThan(8);
    expect(still.oxygen!).toBeGreaterThan(1);
    expect(tubHours({ ...tub, airStone: true }, 2, 4).oxygen ?? 99).toBeGreaterThan(still.oxygen!);
    expect(tubHours({ ...tub, roomC: 24 }, 2, 4).heat).toBeNull();
    expect(tubHours({ ...tub, litres: 60 }, 2, 4).heat!).toBeGreaterThan(still.heat!);
    // Newton: ln((24 − 17)/(22 − 17)) of the time constant
    const wallM2 = 0.12 + 4 * Math.sqrt(0.12) * (0.02 / 0.12);
    const tau = (20 * 4168) / (10 * (0.12 + wallM2)) / 3600;
    expect(Math.abs(still.heat! - tau * Math.log(7 / 5))).toBeLessThan(0.3);
  });
});

describe('a tank ripened for delicate animals', () => {
  const target = { id: 't', animal: animal('caridina-logemanni'), count: 10 };
  const placeholder = { id: 'p', animal: animal('neocaridina-davidi'), count: 15 };
  it('checks before it stocks, every time', () => {
    const { steps, weeks } = swapPlan({ filter: 'new', placeholder, target, together: false });
    const codes = steps.map(({ code }) => code);
    expect(codes.indexOf('ready')).toBeLessThan(codes.indexOf('stock'));
    expect(codes.lastIndexOf('ready')).toBeLessThan(codes.lastIndexOf('stock'));
    expect(codes).toContain('rehome');
    expect(codes.indexOf('rehome')).toBeLessThan(codes.lastIndexOf('stock'));
    expect(weeks[0]).toBeLessThan(weeks[1]);
    const days = steps.map(({ after }) => after);
    expect([...days].sort((a, b) => a - b)).toEqual(days);
    expect(days.at(-1)! / 7).toBeGreaterThanOrEqual(weeks[0] - 0.01);
    expect(days.at(-1)! / 7).toBeLessThanOrEqual(weeks[1] + 1);
  });
  it('is quicker on grown-in media and for hardy ones, and keeps them where they get on', () => {
    const slow = swapPlan({ filter: 'fresh-soil', placeholder: null, target, together: true });
    const quick = swapPlan({
      filter: 'mature-media',
      placeholder: null,
      target: { ...target, animal: animal('neocaridina-davidi') },
      together: true,
    });
    expect(quick.steps.at(-1)!.after).toBeLessThan(slow.steps.at(-1)!.after / 2);
    expect(swapPlan({ filter: 'new', placeholder, target, together: true }).steps.map(({ code }) => code)).not.toContain('rehome');
  });
});

describe('what plans rest on', () => {
  it('is there for every demo tank that has water', () => {
    for (const design of [peatPocket, shellBed]) {
      const { derived } = judge(design);
      expect(derived['tank.ahead'].value).not.toBeNull();
      expect(stepLimits((derived['stock.members'].value ?? []).filter(animalOf)).steps.ph).toBeGreaterThan(0);
    }
    expect(judge(tank([['danio-margaritatus', 8]], { vessel: null })).derived['tank.ahead'].value).toBeNull();
  });
});

describe('who may ripen a tank', () => {
  const soft = { temperatureC: 24, ph: 6.2, ghDh: 3, khDh: 1, salinity: 0.1 };
  const ids = (planned: Parameters<typeof placeholdersFor>[1]) =>
    placeholdersFor(catalogue.organisms.values(), planned).map(({ id }) => id);

  it('is small and gentle, fits the litres, and leaves plants standing', () => {
    const small = placeholdersFor(catalogue.organisms.values(), soft, { litres: 40, planted: true });
    expect(small.length).toBeGreaterThan(0);
    for (const { id, sizeMm, traits } of small) {
      expect(sizeMm.length.value).withContext(id).toBeLessThanOrEqual(70);
      expect(traits.volumeL.value! * 0.9)
        .withContext(id)
        .toBeLessThanOrEqual(40);
      expect(traits.eats.value).withContext(id).not.toContain('plants');
      expect(traits.uproots.value).withContext(id).toBeFalse();
    }
    expect(ids(soft)).not.toContain('carassius-auratus');
  });

  it('is hardy, bears the planned water, and is no predator', () => {
    const found = placeholdersFor(catalogue.organisms.values(), soft);
    expect(found.length).toBeGreaterThan(2);
    for (const animal of found) {
      const [low, high] = animal.ranges.keep!.ghDh!.value!.tolerance;
      expect(low! <= 3 && high! >= 3)
        .withContext(animal.id)
        .toBeTrue();
      expect([animal.traits.hardiness.value, animal.traits.temperament.value === 'predatory']).toEqual(['hardy', false]);
    }
    expect(ids(soft)).not.toContain('poecilia-sphenops');
    expect(ids({ ...soft, ghDh: 16, khDh: 10, ph: 7.8 })).toContain('poecilia-reticulata');
  });

  it('is of the sea in sea water, and anyone hardy where nothing is planned', () => {
    expect(ids({ salinity: 34, temperatureC: 25 })).toContain('clibanarius-tricolor');
    expect(ids({ salinity: 34, temperatureC: 25 })).not.toContain('danio-rerio');
    expect(ids({}).length).toBeGreaterThan(20);
  });
});

describe('a move within the water that is kept', () => {
  it('is measured from the old, and fits up to its very limit', () => {
    const [move] = keptMoves({ ghDh: 10 }, { ghDh: 4 }, 0.5, { ...BEES, steps: { ...BEES.steps, ghDh: 3 } }, 22, 1000);
    expect(move).toEqual({ parameter: 'ghDh', from: 10, to: 7, step: 3, limit: 3, fits: true });
    const [past] = keptMoves({ ghDh: 10 }, { ghDh: 4 }, 0.4, { ...BEES, steps: { ...BEES.steps, ghDh: 3 } }, 22, 1000);
    expect(past!.step).toBeCloseTo(3.6, 9);
    expect(past!.fits).toBeFalse();
  });
});
