import type { AnimalGroup } from '../catalogue/organism';
import type { Known, TankFacts } from './facts';
import type { SymptomId } from './symptoms';

export const CAUSES = [
  'ammonia',
  'nitrite',
  'low-oxygen',
  'co2',
  'chlorine',
  'copper',
  'ph-crash',
  'change-shock',
  'old-water',
  'too-warm',
  'too-cold',
  'few-minerals',
  'poison',
  'white-spot',
  'velvet',
  'bacterial',
  'flukes',
  'gut-worms',
  'gut-flagellates',
  'dropsy',
  'fish-tb',
  'shrimp-muscle',
  'shrimp-fungus',
  'shell-riders',
  'planaria',
  'hydra',
  'fighting',
  'jumped',
  'eaten',
  'starving',
  'journey',
  'nitrogen-lack',
  'potassium-lack',
  'iron-lack',
  'light-lack',
  'settling-in',
  'plant-eaters',
  'green-water',
  'diatoms',
  'hair-algae',
  'black-algae',
  'blue-greens',
  'bloom',
  'surface-film',
  'foul-bed',
] as const;
export type CauseId = (typeof CAUSES)[number];

/** Why a cause is likelier or less likely here; the wording is put on it in one place. */
export interface Speaks {
  reason: string;
  /** Natural logarithm of how many times likelier it makes the cause; negative for less. */
  weight: number;
  values?: Readonly<Record<string, number>>;
}

export interface Cause {
  /** Logarithm of how often it is met in such tanks, against the others. */
  base: number;
  /** Groups that it befalls; left out for any tank. */
  befalls?: readonly AnimalGroup[];
  /** How many times likelier each sign makes it, as a logarithm. */
  shows: Readonly<Partial<Record<SymptomId, number>>>;
  speaks: (facts: TankFacts) => readonly (Speaks | false | null)[];
}

const FISH: readonly AnimalGroup[] = ['fish', 'amphibian'];
const SHRIMP: readonly AnimalGroup[] = ['shrimp', 'crayfish', 'crab'];
const SHELLED: readonly AnimalGroup[] = [...SHRIMP, 'snail'];

const say = (reason: string, weight: number, values?: Speaks['values']): Speaks => ({ reason, weight, ...(values ? { values } : {}) });
/** Read not longer ago than what it tells of changes. */
const fresh = (known: Known | null, days = 5): known is Known => known !== null && known.readDaysAgo !== null && known.readDaysAgo <= days;
const read = (known: Known | null): number | null => known?.value ?? null;
const isYoung = ({ daysRunning, starting }: TankFacts) => starting || (daysRunning !== null && daysRunning < 42);
const met = (id: string) => (facts: TankFacts) => facts.met.has(id) && say('met', 1.8);
const arrivals = ({ arrivedDaysAgo }: TankFacts) =>
  arrivedDaysAgo !== null && arrivedDaysAgo <= 30 && say('arrivals', 1.2, { days: arrivedDaysAgo });
const strained = (facts: TankFacts) => {
  const [warm, t] = [facts.windows.temperatureC, read(facts.temperatureC)];
  return (
    ((warm && t !== null && (t < warm[0] || t > warm[1])) ||
      (read(facts.nitrateMgPerL) ?? 0) > 80 ||
      (read(facts.ammoniaMgN) ?? 0) > 0.2) &&
    say('strained', 0.7)
  );
};

/**
 * Common practice throughout: what keepers and their books tell each cause by, weighed against each other by whole tanks. A weight of 0.7 is twice,
 * 1.6 five times, 2.3 ten times as likely.
 */
export const CAUSE: Readonly<Record<CauseId, Cause>> = {
  ammonia: {
    base: 0.3,
    shows: {
      gasping: 1.4,
      'fast-gills': 1.4,
      clamped: 0.9,
      darting: 0.6,
      listless: 0.7,
      'red-sores': 0.3,
      'many-at-once': 1,
      'not-eating': 0.6,
      'one-by-one': 0.2,
      twitching: 0.3,
      pale: 0.3,
      newcomers: 0.2,
    },
    speaks: (f) => [
      f.freeAmmoniaMgN !== null &&
        f.freeAmmoniaMgN >= 0.02 &&
        say('free-ammonia', f.freeAmmoniaMgN >= 0.05 ? 3.4 : 2.2, { mgN: f.freeAmmoniaMgN }),
      fresh(f.ammoniaMgN) && f.ammoniaMgN.value <= 0.1 && say('ammonia-none', -3),
      fresh(f.ammoniaMgN) &&
        f.ammoniaMgN.value > 0.3 &&
        (f.freeAmmoniaMgN ?? 1) < 0.02 &&
        say('ammonia-bound', -0.5, { mgN: f.ammoniaMgN.value }),
      isYoung(f) && say('young', 1.2),
      !isYoung(f) && f.daysRunning !== null && f.filterCleanedDaysAgo === null && !fresh(f.ammoniaMgN) && say('grown-in', -0.8),
      f.filterCleanedDaysAgo !== null && f.filterCleanedDaysAgo <= 10 && say('filter-cleaned', 2, { days: f.filterCleanedDaysAgo }),
      f.treatedDaysAgo !== null && f.treatedDaysAgo <= 14 && say('treated', 0.7),
      (f.fedTimes ?? 1) > 1.8 && say('overfed', 0.7, { times: f.fedTimes! }),
    ],
  },
  nitrite: {
    base: -0.2,
    befalls: ['fish', 'amphibian', 'shrimp', 'crayfish'],
    shows: {
      'fast-gills': 1.6,
      'brown-gills': 3.2,
      gasping: 1.2,
      listless: 0.8,
      clamped: 0.4,
      'many-at-once': 0.6,
      'one-by-one': 0.4,
      newcomers: 0.2,
    },
    speaks: (f) => [
      fresh(f.nitriteMgN) &&
        f.nitriteMgN.value >= 0.3 &&
        say('nitrite-high', f.nitriteMgN.value >= 0.8 ? 3.2 : 2, { mgN: f.nitriteMgN.value }),
      fresh(f.nitriteMgN) && f.nitriteMgN.value < 0.05 && say('nitrite-none', -3),
      isYoung(f) && (f.daysRunning === null || f.daysRunning > 9) && say('young', 1.2),
      !isYoung(f) && !fresh(f.nitriteMgN) && say('grown-in', -1),
      f.filterCleanedDaysAgo !== null && f.filterCleanedDaysAgo <= 14 && say('filter-cleaned', 0.9, { days: f.filterCleanedDaysAgo }),
      f.salty && say('chloride', -1.5),
    ],
  },
  'low-oxygen': {
    base: 0,
    shows: { gasping: 1.7, 'gasping-dawn': 3, 'fast-gills': 1.1, listless: 0.4, 'many-at-once': 1, milky: 0.3, 'not-eating': 0.2 },
    speaks: (f) => [
      f.oxygenMgPerL !== null &&
        f.oxygenMgPerL.value < 4.5 &&
        say('oxygen-low', f.oxygenMgPerL.value < 3.5 ? 2.6 : 1.5, { mgPerL: f.oxygenMgPerL.value }),
      f.oxygenMgPerL !== null &&
        f.oxygenMgPerL.value > 6.5 &&
        say('oxygen-good', fresh(f.oxygenMgPerL) ? -2.5 : -0.9, { mgPerL: f.oxygenMgPerL.value }),
      f.stillSurface && say('still', 0.7),
      (read(f.temperatureC) ?? 0) > 29 && say('warm', 0.5, { c: f.temperatureC!.value }),
      (f.findings.has('gear.dawn') || f.findings.has('water.oxygen')) && say('finding-oxygen', 1.2),
      f.treatedDaysAgo !== null && f.treatedDaysAgo <= 3 && say('treated', 0.6),
    ],
  },
  co2: {
    base: -1.6,
    befalls: ['fish', 'shrimp', 'crayfish', 'amphibian'],
    shows: { gasping: 1.6, 'fast-gills': 1, listless: 0.9, 'many-at-once': 0.7, 'shrimp-first': 0.3, 'gasping-dawn': 0.2 },
    speaks: (f) => [
      (f.co2MgPerL ?? 0) >= 30 && say('co2-high', f.co2MgPerL! >= 40 ? 4 : 2.8, { mgPerL: f.co2MgPerL! }),
      (f.co2MgPerL ?? 0) < 15 && say('co2-none', -3),
    ],
  },
  chlorine: {
    base: -1,
    shows: {
      'after-change': 2,
      gasping: 1.1,
      darting: 1.2,
      pale: 0.9,
      'many-at-once': 1,
      'fast-gills': 0.9,
      'shrimp-first': 0.3,
      twitching: 0.6,
      clamped: 0.2,
      'cloudy-skin': 0.4,
    },
    speaks: (f) => [
      f.findings.has('water.disinfectant') && say('disinfectant', 2.2),
      f.changedLately > 0 ? say('changed', 1.2, { share: f.changedLately }) : say('no-change', -2),
      !f.findings.has('water.disinfectant') && say('no-disinfectant', -1.6),
    ],
  },
  copper: {
    base: -1.4,
    befalls: [...SHELLED, 'fish'],
    shows: {
      'shrimp-first': 1.7,
      'snails-shut': 2.2,
      twitching: 0.9,
      'many-at-once': 0.5,
      'after-change': 0.5,
      'one-by-one': 0.2,
      listless: 0.3,
      'no-young': 0.5,
    },
    speaks: (f) => [
      f.copperMgPerL !== null &&
        f.copperMgPerL.value >= 0.03 &&
        say('copper-high', fresh(f.copperMgPerL, 30) ? 3.2 : 1.2, { mgPerL: f.copperMgPerL.value }),
      fresh(f.copperMgPerL, 14) && f.copperMgPerL.value < 0.02 && say('copper-none', -2.5),
      f.pipesNoted && say('pipes', 1.4),
      (f.met.has('copper') || f.treatedDaysAgo !== null) && say('treated', 1),
    ],
  },
  'ph-crash': {
    base: -0.8,
    shows: {
      clamped: 0.9,
      pale: 0.9,
      listless: 0.8,
      darting: 0.5,
      'many-at-once': 0.7,
      'cloudy-skin': 1,
      'not-eating': 0.5,
      'one-by-one': 0.3,
      'fast-gills': 0.4,
      'shell-pitted': 0.4,
    },
    speaks: (f) => {
      const [kh, ph, window] = [read(f.khDh), read(f.ph), f.windows.ph];
      return [
        kh !== null && kh < 1 && (!window || window[0] > 5.5) && say('kh-gone', fresh(f.khDh, 21) ? 2.2 : 0.8, { dh: kh }),
        ph !== null && window !== undefined && ph < window[0] && fresh(f.ph, 21) && say('ph-low', 2, { ph }),
        kh !== null && kh > 3 && say('kh-holds', -2.5, { dh: kh }),
        (f.daysSinceChange ?? 0) > 40 && say('long-unchanged', 0.6, { days: f.daysSinceChange! }),
      ];
    },
  },
  'change-shock': {
    base: -0.6,
    shows: {
      'after-change': 2.1,
      'failed-moult': 1.3,
      clamped: 0.6,
      listless: 0.7,
      'shrimp-first': 0.6,
      darting: 0.4,
      pale: 0.5,
      'many-at-once': 0.2,
      'one-by-one': 0.3,
      twitching: 0.2,
    },
    speaks: (f) => [
      f.changedLately >= 0.35 && say('changed', 1.2, { share: f.changedLately }),
      f.changedLately === 0 && say('no-change', -2),
      f.pouredOff !== null &&
        (Math.abs(f.pouredOff.ghDh) >= 4 || Math.abs(f.pouredOff.ph) >= 0.8) &&
        say('poured-off', 1.6, { gh: f.pouredOff.ghDh, ph: f.pouredOff.ph }),
      f.pouredOff !== null && Math.abs(f.pouredOff.ghDh) < 2 && Math.abs(f.pouredOff.ph) < 0.4 && say('poured-alike', -1.2),
    ],
  },
  'old-water': {
    base: -0.6,
    shows: {
      newcomers: 1.9,
      listless: 0.5,
      'not-eating': 0.5,
      pale: 0.5,
      'one-by-one': 0.6,
      clamped: 0.3,
      bent: 0.2,
      'no-young': 0.5,
      'head-holes': 0.8,
    },
    speaks: (f) => [
      f.nitrateMgPerL !== null &&
        f.nitrateMgPerL.value > 80 &&
        say('nitrate-high', fresh(f.nitrateMgPerL, 30) ? 2 : 1, { mgPerL: f.nitrateMgPerL.value }),
      f.nitrateMgPerL !== null && f.nitrateMgPerL.value < 30 && say('nitrate-low', -1.6, { mgPerL: f.nitrateMgPerL.value }),
      (f.daysSinceChange ?? 0) > 40 && say('long-unchanged', 1.2, { days: f.daysSinceChange! }),
      isYoung(f) && say('young', -1),
    ],
  },
  'too-warm': {
    base: -0.8,
    shows: {
      gasping: 1.3,
      'fast-gills': 1.2,
      darting: 0.7,
      'not-eating': 0.4,
      'many-at-once': 0.8,
      pale: 0.3,
      melting: 0.4,
      listless: 0.3,
    },
    speaks: (f) => {
      const [t, window] = [read(f.temperatureC), f.windows.temperatureC];
      if (t === null || !window) return [];
      return [
        t > window[1] && say('warm-out', fresh(f.temperatureC) ? 3 : 1.6, { c: t, edge: window[1] }),
        t < window[1] - 2 && say('warm-in', -2.2, { c: t }),
      ];
    },
  },
  'too-cold': {
    base: -0.8,
    shows: { clamped: 0.9, listless: 1.3, 'not-eating': 1.2, hiding: 0.4, pale: 0.4, 'one-by-one': 0.2, 'white-grains': 0.2, melting: 0.2 },
    speaks: (f) => {
      const [t, window] = [read(f.temperatureC), f.windows.temperatureC];
      if (t === null || !window) return [];
      return [
        t < window[0] && say('cold-out', fresh(f.temperatureC) ? 3 : 1.6, { c: t, edge: window[0] }),
        t > window[0] + 2 && say('cold-in', -2.2, { c: t }),
      ];
    },
  },
  'few-minerals': {
    base: -0.4,
    befalls: SHELLED,
    shows: { 'failed-moult': 2.2, 'shell-pitted': 2.6, 'one-by-one': 0.5, 'snails-shut': 0.2, 'no-young': 0.3, listless: 0.1 },
    speaks: (f) => {
      const [gh, kh, ph, window] = [read(f.ghDh), read(f.khDh), read(f.ph), f.windows.ghDh];
      return [
        gh !== null && gh < (window?.[0] ?? 3) && say('gh-low', 2, { dh: gh }),
        gh !== null && gh > (window?.[0] ?? 3) + 3 && say('gh-enough', -1.5, { dh: gh }),
        ph !== null && ph < 6.6 && f.groups.has('snail') && say('acid-shells', 1.2, { ph }),
        kh !== null && kh < 2 && f.groups.has('snail') && say('kh-low', 0.5, { dh: kh }),
      ];
    },
  },
  poison: {
    base: -1.4,
    shows: { 'many-at-once': 1.5, 'shrimp-first': 1.5, twitching: 2, darting: 1, listless: 0.2, 'after-change': 0.2 },
    speaks: (f) => [
      f.poisonNoted && say('sprayed', 3),
      f.plantedDaysAgo !== null && f.plantedDaysAgo <= 7 && f.groups.has('shrimp') && say('new-plants', 1.2, { days: f.plantedDaysAgo }),
    ],
  },
  'white-spot': {
    base: 0,
    befalls: FISH,
    shows: {
      'white-grains': 3.6,
      scraping: 1.4,
      clamped: 0.8,
      'fast-gills': 0.6,
      'not-eating': 0.2,
      listless: 0.2,
      'one-by-one': 0.2,
      newcomers: 0.2,
    },
    speaks: (f) => [arrivals(f), met('white-spot')(f), strained(f)],
  },
  velvet: {
    base: -0.7,
    befalls: FISH,
    shows: {
      'gold-dust': 4,
      clamped: 1.2,
      'fast-gills': 1.1,
      scraping: 1.1,
      listless: 0.4,
      'many-at-once': 0.3,
      'one-by-one': 0.3,
      'not-eating': 0.3,
      hiding: 0.2,
    },
    speaks: (f) => [arrivals(f), met('velvet')(f)],
  },
  bacterial: {
    base: 0,
    befalls: FISH,
    shows: {
      cotton: 2.4,
      'ragged-fins': 1.8,
      'red-sores': 2.4,
      'cloudy-skin': 1.3,
      swollen: 0.4,
      'one-by-one': 0.7,
      listless: 0.4,
      'not-eating': 0.4,
      clamped: 0.4,
      pale: 0.3,
      'fast-gills': 0.2,
    },
    speaks: (f) => [arrivals(f), met('bacterial')(f), strained(f), f.findings.has('stocking.temperament') && say('wounds', 0.3)],
  },
  flukes: {
    base: -0.3,
    befalls: FISH,
    shows: { scraping: 1.9, 'one-gill': 3.2, 'fast-gills': 0.9, 'cloudy-skin': 0.9, clamped: 0.4, 'one-by-one': 0.2, gasping: 0.2 },
    speaks: (f) => [arrivals(f), met('flukes')(f)],
  },
  'gut-worms': {
    base: -0.5,
    befalls: FISH,
    shows: { 'red-threads': 4.4, 'thin-but-eats': 2.1, hollow: 1.2, 'one-by-one': 0.6, 'white-droppings': 0.5, bent: 0.3, listless: 0.2 },
    speaks: (f) => [arrivals(f), met('gut-worms')(f)],
  },
  'gut-flagellates': {
    base: -0.6,
    befalls: FISH,
    shows: {
      'white-droppings': 3,
      'head-holes': 2.4,
      'not-eating': 0.9,
      hollow: 1.1,
      'thin-but-eats': 0.4,
      pale: 0.4,
      hiding: 0.4,
      listless: 0.3,
      'one-by-one': 0.4,
    },
    speaks: (f) => [arrivals(f), strained(f)],
  },
  dropsy: {
    base: -0.4,
    befalls: FISH,
    shows: { 'scales-out': 4.2, swollen: 1.9, 'not-eating': 0.4, listless: 0.5, 'fast-gills': 0.1 },
    speaks: (f) => [strained(f)],
  },
  'fish-tb': {
    base: -1.4,
    befalls: FISH,
    shows: {
      bent: 2.8,
      hollow: 1.3,
      'one-by-one': 1.4,
      'red-sores': 0.8,
      'thin-but-eats': 0.7,
      listless: 0.4,
      pale: 0.3,
      'scales-out': 0.3,
    },
    speaks: (f) => [met('fish-tb')(f), f.died >= 3 && say('died-before', 0.7, { count: f.died })],
  },
  'shrimp-muscle': {
    base: -0.4,
    befalls: SHRIMP,
    shows: { 'milky-muscle': 4, 'one-by-one': 1, listless: 0.3 },
    speaks: (f) => [arrivals(f), met('shrimp-muscle')(f)],
  },
  'shrimp-fungus': {
    base: -0.6,
    befalls: SHRIMP,
    shows: { 'green-fuzz': 4.4, 'one-by-one': 0.6, 'no-young': 0.7 },
    speaks: (f) => [arrivals(f), met('shrimp-fungus')(f)],
  },
  'shell-riders': {
    base: -0.5,
    befalls: SHRIMP,
    shows: { 'white-tufts': 4, 'failed-moult': 0.3 },
    speaks: (f) => [arrivals(f), met('shell-riders')(f)],
  },
  planaria: {
    base: -0.3,
    befalls: [...SHELLED, 'fish'],
    shows: { 'flat-worms': 4, 'no-young': 1.4, 'young-vanish': 1.4, 'one-by-one': 0.2 },
    speaks: (f) => [met('planaria')(f), (f.fedTimes ?? 1) > 1.6 && say('overfed', 0.6, { times: f.fedTimes! })],
  },
  hydra: {
    base: -0.5,
    befalls: [...SHELLED, 'fish'],
    shows: { 'tiny-polyps': 4.4, 'no-young': 0.9, 'young-vanish': 1 },
    speaks: (f) => [met('hydra')(f), (f.fedTimes ?? 1) > 1.6 && say('overfed', 0.6, { times: f.fedTimes! })],
  },
  fighting: {
    base: 0,
    befalls: ['fish', 'crayfish', 'crab', 'amphibian'],
    shows: {
      'torn-victims': 2.8,
      hiding: 1.4,
      'ragged-fins': 1.2,
      'not-eating': 0.4,
      'one-by-one': 0.5,
      darting: 0.5,
      pale: 0.4,
      clamped: 0.2,
      vanish: 0.2,
      gasping: -0.6,
    },
    speaks: (f) => [
      (f.findings.has('stocking.temperament') || f.findings.has('stocking.fin-nipping') || f.findings.has('stocking.sex-ratio')) &&
        say('company', 2),
      f.findings.has('stocking.group-size') && say('small-group', 0.6),
      f.findings.has('hardscape.hides') && say('few-hides', 0.6),
    ],
  },
  jumped: {
    base: -0.6,
    befalls: [...FISH, ...SHRIMP, 'snail'],
    shows: { vanish: 2, darting: 0.3 },
    speaks: (f) => [
      f.openTop && say('open-top', 0.8),
      (f.findings.has('vessel.lid') || f.findings.has('stocking.escape')) && say('jumpers', 2),
      !f.openTop && !f.findings.has('stocking.escape') && say('covered', -2),
    ],
  },
  eaten: {
    base: -0.4,
    shows: { vanish: 2, 'young-vanish': 1.9, 'no-young': 1.2, hiding: 0.5, 'one-by-one': -0.4 },
    speaks: (f) => [
      f.findings.has('stocking.predation') && say('predators', 2.2),
      f.findings.has('stocking.predation-young') && say('predators-young', 1.2),
      !f.findings.has('stocking.predation') && !f.findings.has('stocking.predation-young') && say('no-predators', -1),
    ],
  },
  starving: {
    base: -0.3,
    shows: {
      hollow: 2.2,
      'not-eating': 0.2,
      listless: 0.5,
      'thin-but-eats': 0.4,
      'one-by-one': 0.6,
      hiding: 0.2,
      pale: 0.3,
      'young-vanish': 0.4,
      'no-young': 0.3,
    },
    speaks: (f) => [
      (f.findings.has('stocking.hungry') || f.findings.has('stocking.diet') || f.findings.has('stocking.feeding')) && say('no-food', 1.6),
      f.fedTimes !== null && f.fedTimes < 0.5 && say('little-fed', 1.4, { times: f.fedTimes }),
      f.fedTimes !== null && f.fedTimes > 1.5 && say('much-fed', -0.8, { times: f.fedTimes }),
    ],
  },
  journey: {
    base: -0.6,
    shows: {
      newcomers: 2.2,
      'many-at-once': 0.3,
      listless: 0.5,
      clamped: 0.4,
      'not-eating': 0.5,
      pale: 0.4,
      'one-by-one': 0.4,
      hiding: 0.4,
      'fast-gills': 0.2,
    },
    speaks: (f) => [
      f.arrivedDaysAgo !== null && f.arrivedDaysAgo <= 10 && say('arrivals', 1.8, { days: f.arrivedDaysAgo }),
      (f.arrivedDaysAgo === null || f.arrivedDaysAgo > 21) && say('no-arrivals', -2),
    ],
  },
  'nitrogen-lack': {
    base: -0.3,
    shows: { 'old-yellow': 2.2, leggy: 0.2, 'blue-green-slime': 0.4, holes: -0.2 },
    speaks: (f) => [
      f.nitrateMgPerL !== null &&
        f.nitrateMgPerL.value < 5 &&
        say('nitrate-low', fresh(f.nitrateMgPerL, 21) ? 2 : 0.9, { mgPerL: f.nitrateMgPerL.value }),
      f.nitrateMgPerL !== null && f.nitrateMgPerL.value > 15 && say('nitrate-there', -2.2, { mgPerL: f.nitrateMgPerL.value }),
      f.findings.has('plants.hungry') && say('plants-hungry', 0.7),
    ],
  },
  'potassium-lack': {
    base: -0.4,
    shows: { holes: 2.4, 'old-yellow': 0.9 },
    speaks: (f) => [
      !f.fertilised && f.plants > 0 && say('unfertilised', 0.9),
      f.findings.has('plants.hungry') && say('plants-hungry', 0.5),
    ],
  },
  'iron-lack': {
    base: -0.3,
    shows: { 'new-pale': 2.6 },
    speaks: (f) => [
      !f.fertilised && f.plants > 0 && say('unfertilised', 0.9),
      (read(f.khDh) ?? 0) > 8 && say('hard-iron', 0.5, { dh: f.khDh!.value }),
    ],
  },
  'light-lack': {
    base: -0.4,
    shows: { leggy: 2.6, 'old-yellow': 0.7, melting: 0.3 },
    speaks: (f) => [
      f.findings.has('plants.light') && say('plants-dim', 1.8),
      f.lampHours !== null && f.lampHours < 6 && say('short-day', 0.6, { hours: f.lampHours }),
    ],
  },
  'settling-in': {
    base: -0.3,
    shows: { melting: 2, 'old-yellow': 0.3 },
    speaks: (f) => [
      f.plantedDaysAgo !== null && f.plantedDaysAgo <= 35
        ? say('planted-lately', 1.6, { days: f.plantedDaysAgo })
        : isYoung(f) && say('young', 1.4),
    ],
  },
  'plant-eaters': {
    base: -0.7,
    shows: { 'eaten-leaves': 3, holes: 0.8 },
    speaks: (f) => [f.findings.has('stocking.plant-damage') && say('plant-eaters', 1.8)],
  },
  'green-water': {
    base: -0.2,
    shows: { 'green-water': 4.4 },
    speaks: (f) => [
      f.sunlit && say('sunlit', 1),
      (f.lampHours ?? 0) > 11 && say('long-day', 0.8, { hours: f.lampHours! }),
      isYoung(f) && say('young', 0.4),
    ],
  },
  diatoms: {
    base: 0,
    shows: { 'brown-dust': 3 },
    speaks: (f) => [isYoung(f) ? say('young', 1.4) : say('not-young', -0.4)],
  },
  'hair-algae': {
    base: 0,
    shows: { 'hair-algae': 3.6 },
    speaks: (f) => [
      (f.lampHours ?? 0) > 10 && say('long-day', 0.7, { hours: f.lampHours! }),
      f.findings.has('plants.algae') && say('algae-light', 1),
    ],
  },
  'black-algae': {
    base: -0.2,
    shows: { 'black-tufts': 4 },
    speaks: (f) => [
      (f.fedTimes ?? 1) > 1.5 && say('overfed', 0.6, { times: f.fedTimes! }),
      (f.daysSinceChange ?? 0) > 30 && say('long-unchanged', 0.5, { days: f.daysSinceChange! }),
    ],
  },
  'blue-greens': {
    base: -0.2,
    shows: { 'blue-green-slime': 4, 'rotten-eggs': 0.2 },
    speaks: (f) => [
      (read(f.nitrateMgPerL) ?? 20) < 5 && say('nitrate-low', 0.6, { mgPerL: f.nitrateMgPerL!.value }),
      f.stillSurface && say('still', 0.3),
    ],
  },
  bloom: {
    base: 0.1,
    shows: { milky: 3, gasping: 0.3, 'gasping-dawn': 0.3 },
    speaks: (f) => [
      isYoung(f) && say('young', 1),
      (f.fedTimes ?? 1) > 1.6 && say('overfed', 0.8, { times: f.fedTimes! }),
      f.filterCleanedDaysAgo !== null && f.filterCleanedDaysAgo <= 10 && say('filter-cleaned', 0.8, { days: f.filterCleanedDaysAgo }),
    ],
  },
  'surface-film': {
    base: 0,
    shows: { film: 3.4 },
    speaks: (f) => [f.stillSurface && say('still', 0.9)],
  },
  'foul-bed': {
    base: -0.5,
    shows: { 'rotten-eggs': 3.4, 'many-at-once': 0.3, milky: 0.2, listless: 0.1 },
    speaks: (f) => [
      (f.bedMm ?? 0) > 70 && say('deep-bed', 1.2, { mm: f.bedMm! }),
      (f.fedTimes ?? 1) > 1.6 && say('overfed', 0.5, { times: f.fedTimes! }),
    ],
  },
};
