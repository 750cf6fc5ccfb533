import { dayAfter, daysFrom, type Day } from '../schedule/day';
import { shows } from './findings';
import type { HandCheck, StartPlan, StartTest } from './model';

/** Animals of one kind, as far as it bears on when they may come. */
export interface Comer {
  id: string;
  hardiness: 'hardy' | 'ordinary' | 'delicate';
  /** Lives on what grows on glass and wood. */
  grazes: boolean;
  /** Digs, pulls up or eats plants. */
  worksPlants: boolean;
  invertebrate: boolean;
}

export type Shown =
  | 'seen-and-gone'
  | 'clean-week'
  | 'challenge'
  | 'nitrate'
  | 'warmth'
  | 'biofilm'
  | 'rooted'
  | 'ripe'
  | 'arrivals'
  | 'ways-out'
  | 'large-change';

/** Something that has to be shown before animals come. A forecast shows none of it. */
export interface ToShow {
  what: Shown;
  done: boolean;
  /** What it waits for, where that is a day. */
  until?: Day;
  /** What was read of it last. */
  read?: number;
  /** What it must not be above. */
  most?: number;
  /** Looked at and written down by hand. */
  byHand?: HandCheck;
}

/** What else of a tank is looked at. */
export interface StartState {
  /** Temperatures read in the tank. */
  warmth: readonly { day: Day; valueC: number }[];
  /** Nitrate read in the tank, mg/L as the ion. */
  nitrate: readonly { day: Day; mgPerL: number }[];
  /** What the animals bear, °C; null while not known. */
  windowC: readonly [number, number] | null;
  planted: boolean;
  /** No conflict of lid, openings and intakes is open. */
  closed: boolean;
}

/** Weeks, fewest and most, that breeders let a tank ripen after the filter has passed. Common practice. */
export const RIPEN_WEEKS: Readonly<Record<Comer['hardiness'], readonly [number, number]>> = {
  hardy: [0, 2],
  ordinary: [2, 4],
  delicate: [6, 12],
};
/** Most nitrate before they come, mg/L as the ion. Common practice: 5 for shrimp and delicate fish. */
export const MOST_NITRATE: Readonly<Record<Comer['hardiness'], number>> = { hardy: 40, ordinary: 20, delicate: 5 };
/** A reading tells of its week. */
const FRESH_DAYS = 7;
/** Temperature that is held strays by no more, °C. Common practice. */
const STRAYS_C = 2;
const CLEAN_DAYS = 7;
/** mg/L of nitrate to 1 mg/L of its nitrogen. */
const NITRATE_PER_N = 62.005 / 14.007;

const isClean = (test: StartTest): boolean => test.ammoniaMgN !== null && test.nitriteMgN !== null && !shows(test);

/** What has to be shown before any animal comes, in the order in which it comes about. */
export function toShowForAll(plan: StartPlan, { warmth, windowC, closed }: StartState, today: Day): ToShow[] {
  const tests = Object.values(plan.tests)
    .filter(({ day }) => day <= today)
    .sort((a, b) => (a.day < b.day ? -1 : 1));
  const last = tests.at(-1);
  const lastSeen = tests.findLast(shows);
  const clean = tests.filter((test) => isClean(test) && (!lastSeen || test.day > lastSeen.day));
  const week = clean.length >= 2 && daysFrom(clean[0]!.day, clean.at(-1)!.day) >= CLEAN_DAYS;
  const read = warmth.filter(({ day }) => day <= today && daysFrom(day, today) <= FRESH_DAYS + 3).sort((a, b) => (a.day < b.day ? -1 : 1));
  const held =
    read.length >= 2 &&
    daysFrom(read[0]!.day, read.at(-1)!.day) >= FRESH_DAYS - 1 &&
    Math.max(...read.map(({ valueC }) => valueC)) - Math.min(...read.map(({ valueC }) => valueC)) <= STRAYS_C &&
    (windowC === null || read.every(({ valueC }) => valueC >= windowC[0] && valueC <= windowC[1]));
  return [
    { what: 'seen-and-gone', done: !!lastSeen && !!last && isClean(last) },
    { what: 'clean-week', done: !!lastSeen && week },
    { what: 'challenge', done: plan.challengedOn !== null && plan.challengedOn <= today },
    { what: 'warmth', done: held, ...(read.at(-1) ? { read: read.at(-1)!.valueC } : {}) },
    { what: 'ways-out', done: closed },
  ];
}

/** What has to be shown besides before one kind comes. */
export function toShowFor(comer: Comer, plan: StartPlan, { nitrate, planted }: StartState, today: Day): ToShow[] {
  const byHand = (what: HandCheck): ToShow => {
    const day = plan.seen[what];
    return { what, done: day !== undefined && day <= today, byHand: what };
  };
  const readings = [
    ...nitrate,
    ...Object.values(plan.tests).flatMap(({ day, nitrateMgN }) =>
      nitrateMgN === null ? [] : [{ day, mgPerL: nitrateMgN * NITRATE_PER_N }],
    ),
  ]
    .filter(({ day }) => day <= today && daysFrom(day, today) <= FRESH_DAYS)
    .sort((a, b) => (a.day < b.day ? -1 : 1));
  const now = readings.at(-1)?.mgPerL ?? null;
  const most = MOST_NITRATE[comer.hardiness];
  const [weeks] = RIPEN_WEEKS[comer.hardiness];
  const ripe = plan.challengedOn === null ? null : dayAfter(plan.challengedOn, 7 * weeks);
  return [
    { what: 'nitrate', done: now !== null && now <= most, most, ...(now === null ? {} : { read: now }) },
    ...(weeks > 0
      ? [{ what: 'ripe' as const, done: ripe !== null && ripe <= today, ...(ripe === null ? {} : { until: ripe }), most: weeks }]
      : []),
    ...(comer.grazes ? [byHand('biofilm')] : []),
    ...(planted && comer.worksPlants ? [byHand('rooted')] : []),
    byHand('arrivals'),
    ...(comer.hardiness === 'delicate' || comer.invertebrate ? [byHand('large-change')] : []),
  ];
}
