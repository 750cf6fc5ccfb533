import type { Design } from '../design/design';
import type { Room } from '../design/room';
import type { ConditionId } from '../health/conditions';
import type { TreatmentId } from '../health/treatments';
import type { Lot } from '../lots/model';
import { dayAfter } from '../schedule/day';
import { NO_STEP } from '../schedule/step';
import type { FailingTank, KeptTank } from './kept-tank';
import { rockwork, sizes } from './tank-parts';

const lot = (kind: Lot['kind'], organismId: string | null, name: string): Lot => ({
  order: 1,
  kind,
  organismId,
  name,
  from: 'another keeper',
  parentId: null,
  line: '',
  generation: '',
  ateOn: null,
  surplus: 0,
  home: '',
});

type Told = readonly [day: string, lotId: string, amount: number, from: string | null, to: string | null];

/** What came, and where it went: [day, lot, how many, from, to]; 'kept' is the tank that is told of. */
export function stayed(room: Room, lots: Record<string, Lot>, moves: readonly Told[]): void {
  room.lots = lots;
  room.moves = Object.fromEntries(
    moves.map(([day, lotId, amount, from, to], i) => [
      `m${i}`,
      { order: i + 1, day, lotId, why: from === null ? 'arrived' : to === null ? 'left' : 'moved', amount, error: 0, from, to, note: '' },
    ]),
  );
}

export function seen(room: Room, day: string, condition: ConditionId, place: string, state: 'seen' | 'over' = 'seen'): void {
  const order = Object.keys(room.marks).length + 1;
  room.marks[`k${order}`] = { order, day, condition, state, lotId: null, place, note: '' };
}

export function treated(design: Design, treatmentId: TreatmentId, day = '2026-03-10'): void {
  const order = Object.keys(design.treatments).length + 1;
  design.treatments[`t${order}`] = { order, treatmentId, day, times: 2, everyDays: 7, label: { amount: 10, unit: 'mL', perL: 100 } };
}

export const shrimp = lot('animal', 'neocaridina-davidi', 'Cherries');
export const danios = lot('animal', 'danio-margaritatus', 'Galaxies');
export const sponge = lot('media', null, 'Old sponge');

/** A start on the first of January, animals so many days on; tests that show a filter grown in, or none. */
export function begun(design: Design, { days, clean = false }: { days: number; clean?: boolean }, stock: readonly string[]): void {
  const test = (order: number, day: string, ammoniaMgN: number, nitriteMgN: number) => ({
    order,
    day,
    kit: 'drops' as const,
    ammoniaMgN,
    nitriteMgN,
    nitrateMgN: null,
  });
  design.startup = {
    begun: '2026-01-01',
    method: 'dosed',
    doseMgNPerLPerDay: 0.3,
    inoculum: 'none',
    inoculumL: 0,
    challengedOn: clean ? '2026-03-05' : null,
    seen: {},
    tests: clean ? { a: test(1, '2026-01-20', 2, 0.5), b: test(2, '2026-02-20', 0, 0), c: test(3, '2026-03-02', 0, 0) } : {},
  };
  stock.forEach(
    (id, i) =>
      (design.care.steps[`in-${i}`] = {
        ...NO_STEP,
        order: i + 1,
        day: dayAfter('2026-01-01', days),
        planId: 'in',
        plan: 'Putting animals in',
        code: 'stock',
        subjects: [id],
      }),
  );
}

const planted: KeptTank = {
  name: '',
  sizeMm: [600, 300, 360],
  water: 'ordinary',
  heaterC: 23,
  filter: 'sponge',
  lampLm: 1200,
  pieces: [['branch', 1]],
  plants: [
    ['microsorum-pteropus', 3],
    ['taxiphyllum-barbieri', 2],
    ['cryptocoryne-wendtii', 5],
  ],
  stock: [['danio-margaritatus', 12]],
};
const shrimpTank: KeptTank = { ...planted, stock: [['neocaridina-davidi', 30]] };

const beeTank: KeptTank = {
  ...planted,
  sizeMm: [450, 300, 300],
  water: 'bee',
  heaterC: 22,
  lampLm: 900,
  bed: [['acid-soil', 50]],
  change: [0.1, 7],
  plants: [['taxiphyllum-barbieri', 6]],
  stock: [['caridina-logemanni', 40]],
};

/** Tanks with arrivals, marks and treatments that do well. */
export const HEALTH_THRIVING: readonly KeptTank[] = [
  {
    ...planted,
    name: 'Galaxies that were six weeks apart and showed nothing',
    more: (_, room) =>
      stayed(room, { d: danios }, [
        ['2026-01-10', 'd', 12, null, 'quarantine'],
        ['2026-02-21', 'd', 12, 'quarantine', 'kept'],
      ]),
  },
  {
    ...planted,
    name: 'Galaxies from a tank that had white spot a year before, declared over',
    more: (_, room) => {
      stayed(room, { d: danios }, [
        ['2025-01-02', 'd', 12, null, 'other'],
        ['2026-02-01', 'd', 12, 'other', 'kept'],
      ]);
      seen(room, '2025-02-01', 'white-spot', 'other');
      seen(room, '2025-04-01', 'white-spot', 'other', 'over');
    },
  },
  {
    ...shrimpTank,
    name: 'Shrimp on a sponge from a tank whose fish had white spot, which is nothing to shrimp',
    more: (_, room) => {
      stayed(room, { s: sponge, c: shrimp }, [
        ['2026-01-02', 's', 1, null, 'other'],
        ['2026-02-01', 's', 1, 'other', 'kept'],
        ['2026-02-02', 'c', 30, null, 'kept'],
      ]);
      seen(room, '2026-01-15', 'white-spot', 'other');
    },
  },
  {
    ...planted,
    name: 'Galaxies treated against flukes, with moss and ferns that bear it',
    more: (design) => treated(design, 'praziquantel'),
  },
  {
    ...planted,
    name: 'Kuhlis and danios, fed by day and after dark',
    sizeMm: [800, 350, 400],
    heaterC: 24,
    plants: [['microsorum-pteropus', 4]],
    pieces: [['cave-tube', 5, 'ceramic', [100, 30, 30]]],
    stock: [
      ['danio-margaritatus', 12],
      ['pangio-kuhlii', 8],
    ],
    more: (design) =>
      void (design.care.menu = {
        a: { order: 1, foodId: 'granules', timesAWeek: 6, when: 'day' },
        b: { order: 2, foodId: 'sinking-pellets', timesAWeek: 3, when: 'dark' },
        c: { order: 3, foodId: 'frozen-cyclops', timesAWeek: 2, when: 'day' },
      }),
  },
  {
    ...shrimpTank,
    name: 'Shrimp that are given leaves and powder, and live on film',
    more: (design) =>
      void (design.care.menu = {
        a: { order: 1, foodId: 'leaves', timesAWeek: 1, when: 'day' },
        b: { order: 2, foodId: 'powder', timesAWeek: 3, when: 'day' },
      }),
  },
  {
    ...planted,
    name: 'Four bronze corydoras in their weeks of quarantine, bare but for pipes',
    sizeMm: [600, 300, 360],
    heaterC: 26,
    bed: 'bare',
    plants: [],
    pieces: [['cave-tube', 3, 'ceramic', [160, 80, 80]]],
    stock: [['corydoras-aeneus', 4]],
    change: [0.3, 3],
    more: (design) => void (design.brief.purpose = 'quarantine'),
  },
];

/** A tank whose animals wait for its tests. */
export const STARTED_THRIVING: readonly KeptTank[] = [
  {
    ...planted,
    name: 'Galaxies put in after ten weeks and clean tests',
    more: (design) => begun(design, { days: 70, clean: true }, ['s0']),
  },
  {
    ...planted,
    name: 'Galaxies that are to come in ten weeks, after tests and a challenge that are planned',
    more: (design) => {
      begun(design, { days: 70 }, ['s0']);
      for (const [i, code] of (['test', 'challenge', 'ready'] as const).entries())
        design.care.steps[`t${i}`] = {
          ...NO_STEP,
          order: 50 + i,
          day: dayAfter('2026-01-01', 50 + i),
          planId: 't',
          plan: 'Start-up',
          code,
        };
    },
  },
  {
    ...beeTank,
    name: 'Bee shrimp on new acid soil, their moss planted after the ammonia had fallen',
    more: (design) => {
      begun(design, { days: 80, clean: true }, ['s0']);
      design.build.schools = { planting: 'after-ammonia' };
    },
  },
];

/** Tanks that go wrong by what walked in, what was dosed, or what is not eaten. */
export const HEALTH_FAILING: readonly FailingTank[] = [
  {
    ...planted,
    name: 'Galaxies moved out of a tank with white spot',
    more: (_, room) => {
      stayed(room, { d: danios }, [
        ['2026-01-02', 'd', 20, null, 'other'],
        ['2026-02-10', 'd', 12, 'other', 'kept'],
      ]);
      seen(room, '2026-02-01', 'white-spot', 'other');
    },
    first: ['health.contact'],
    whom: [0],
  },
  {
    ...planted,
    name: 'Galaxies put in on the third day of a new filter',
    more: (design) => begun(design, { days: 3 }, ['s0']),
    first: ['startup.too-soon'],
    whom: [0],
  },
  {
    ...planted,
    name: 'Galaxies put in after ten weeks in which nobody tested the water',
    more: (design) => begun(design, { days: 70 }, ['s0']),
    first: ['startup.too-soon'],
    whom: [0],
  },
  {
    name: 'Yellow labs put all at once onto a filter that grew in on a few flakes a day',
    sizeMm: sizes.long,
    water: 'lake',
    heaterC: 25,
    filter: 'canister',
    pieces: rockwork,
    change: [0.35, 7],
    stock: [['labidochromis-caeruleus', 12, 'keep', 9]],
    more: (design) => {
      begun(design, { days: 70, clean: true }, ['s0']);
      design.startup!.doseMgNPerLPerDay = 0.02;
    },
    first: ['startup.outgrown'],
    whom: [0],
  },
  {
    ...beeTank,
    name: 'Moss planted on the first day of new acid soil, for bee shrimp',
    more: (design) => begun(design, { days: 80, clean: true }, []),
    first: ['startup.soil-moss'],
  },
  {
    ...shrimpTank,
    name: 'Shrimp on a sponge from a tank that was treated with copper',
    more: (_, room) => {
      stayed(room, { s: sponge, c: shrimp }, [
        ['2026-01-02', 's', 1, null, 'other'],
        ['2026-02-01', 's', 1, 'other', 'kept'],
        ['2026-02-20', 'c', 30, null, 'kept'],
      ]);
      seen(room, '2026-01-15', 'copper', 'other');
    },
    first: ['health.contact'],
    whom: [0],
  },
  {
    ...shrimpTank,
    name: 'Shrimp in a tank where white spot is to be treated with copper',
    more: (design) => treated(design, 'copper'),
    first: ['health.treatment-harm'],
    whom: [0],
  },
  {
    ...planted,
    name: 'Nerites where planaria are to be treated with a wormer',
    stock: [
      ['danio-margaritatus', 12],
      ['vittina-natalensis', 3],
    ],
    more: (design) => treated(design, 'fenbendazole'),
    first: ['health.treatment-harm'],
    whom: [1],
  },
  {
    ...planted,
    name: 'Galaxies treated with formalin and permanganate in one week',
    plants: [],
    more: (design) => {
      treated(design, 'formalin', '2026-03-10');
      treated(design, 'permanganate', '2026-03-14');
    },
    first: ['health.treatment-clash'],
  },
  {
    ...planted,
    name: 'New galaxies put straight among old ones',
    more: (_, room) =>
      stayed(room, { d: danios, e: danios }, [
        ['2025-01-02', 'd', 6, null, 'kept'],
        ['2026-02-10', 'e', 6, null, 'kept'],
      ]),
    first: ['health.arrival'],
    whom: [0],
  },
  {
    ...planted,
    name: 'Embers that are given nothing but large floating pellets',
    heaterC: 25,
    stock: [['hyphessobrycon-amandae', 12]],
    more: (design) => void (design.care.menu = { a: { order: 1, foodId: 'floating-pellets', timesAWeek: 6, when: 'day' } }),
    first: ['stocking.hungry'],
    whom: [0],
  },
  {
    ...planted,
    name: 'Corydoras under flakes',
    sizeMm: [800, 350, 400],
    heaterC: 24,
    stock: [
      ['trigonostigma-heteromorpha', 12],
      ['corydoras-sterbai', 6],
    ],
    more: (design) => void (design.care.menu = { a: { order: 1, foodId: 'flakes', timesAWeek: 6, when: 'day' } }),
    first: ['stocking.hungry'],
    whom: [1],
  },
];
