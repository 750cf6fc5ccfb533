import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import type { Assessment } from '../assessment/assess';
import { Entry, instantAt, type NewEntry, type ReadingEntry } from '../log/model';
import type { Kit } from '../reading/doubt';
import { dayAfter, type Day } from '../schedule/day';
import type { TankScenario } from '../tank/scenario';
import { truthOf } from './recorded-tanks';

/** The day that the demo's logs end on; whoever lays them out moves them to the day before. */
export const DEMO_LOG_ENDS: Day = '2026-11-30';

/** How a tank of the demo was kept, plainly invented. */
interface Story {
  days: number;
  seed: number;
  /** What it really was, from a day on. */
  really: (scenario: TankScenario) => readonly (readonly [from: number, TankScenario])[];
  changes: { fraction: number; everyDays: number } | null;
  tested: readonly (readonly [everyDays: number, kit: Kit, kitId: string | null, parameters: readonly (keyof ReadingEntry['values'])[]])[];
  /** What else happened, by the day of the log. */
  told: (animals: readonly string[]) => readonly (readonly [day: number, NewEntry])[];
}

const note = (text: string): NewEntry => ({ kind: 'note', note: text });
const fed = (what: string, left: 'nothing' | 'some' | null = null): NewEntry => ({ kind: 'feeding', what, grams: null, left });
const every = (from: number, to: number, by: number): number[] =>
  Array.from({ length: Math.floor((to - from) / by) + 1 }, (_, i) => from + i * by);

const STORIES: Readonly<Record<string, Story>> = {
  'shell-bed': {
    days: 365,
    seed: 3,
    changes: { fraction: 0.25, everyDays: 14 },
    // topped up from the tap since the hose moved to the other wall
    really: (plan) => [
      [0, plan],
      [
        215,
        {
          ...plan,
          topUp: plan.replacement,
          topUpDays: 3,
          heat: 'heldC' in plan.heat ? { ...plan.heat, evaporationLPerDay: plan.litres * 0.011 } : plan.heat,
        },
      ],
    ],
    tested: [
      [3, 'meter', null, ['temperatureC']],
      [14, 'drops', 'kh-drops', ['khDh']],
      [14, 'drops', 'gh-drops', ['ghDh']],
      [14, 'drops', 'nitrate-drops', ['nitrateMgPerL']],
      [14, 'meter', 'ec-pen', ['ec25UsPerCm']],
    ],
    told: ([fish = '', snail = '']) => [
      [2, note('Colony moved in from the old sand tank, shells and all.')],
      [9, { kind: 'behaviour', organismId: fish, scores: { bold: 1, hiding: 3, colour: 2 } }],
      [44, { kind: 'behaviour', organismId: fish, scores: { bold: 3, hiding: 1, colour: 4 } }],
      ...every(12, 360, 24).map((day) => [day, { kind: 'eating', organismId: fish, ate: true }] as const),
      [
        96,
        { kind: 'animals', became: 'born', organismId: fish, count: null, cause: null, note: 'small ones at the mouth of the third shell' },
      ],
      [171, { kind: 'animals', became: 'born', organismId: fish, count: 11, cause: null }],
      [182, { kind: 'animals', became: 'died', organismId: fish, count: 1, cause: 'fight' }],
      [210, note('Hose from the RO unit moved to the other wall; topped up from the tap for now.')],
      [260, { kind: 'animals', became: 'died', organismId: snail, count: 2, cause: 'unknown' }],
      ...every(30, 360, 30).map((day) => [day, { kind: 'cleaning', what: 'filter' }] as const),
      ...every(7, 360, 28).map((day) => [day, { kind: 'cleaning', what: 'panes' }] as const),
      ...every(5, 360, 15).map((day) => [day, fed('frozen cyclops', day % 2 === 0 ? 'nothing' : null)] as const),
    ],
  },
  'weedy-thicket': {
    days: 92,
    seed: 5,
    changes: { fraction: 0.2, everyDays: 7 },
    // fed for a brood that was never there, with most of the stems thinned out
    really: (plan) => [
      [0, plan],
      [
        35,
        { ...plan, feed: { ...plan.feed, gPerDay: plan.feed.gPerDay * 5 }, plants: { ...plan.plants, areaM2: plan.plants.areaM2 * 0.1 } },
      ],
    ],
    tested: [
      [3, 'meter', null, ['temperatureC']],
      [7, 'drops', 'kh-drops', ['khDh']],
      [7, 'drops', 'gh-drops', ['ghDh']],
      [7, 'drops', 'nitrate-drops', ['nitrateMgPerL']],
      [7, 'meter', 'ph-pen', ['ph']],
    ],
    told: ([fish = '']) => [
      [48, { kind: 'animals', became: 'came', organismId: fish, count: 12, cause: null }],
      [49, { kind: 'behaviour', organismId: fish, scores: { bold: 0, hiding: 4, gasping: 0, colour: 1 } }],
      [60, { kind: 'behaviour', organismId: fish, scores: { bold: 2, hiding: 2, gasping: 0, colour: 3 } }],
      [71, { kind: 'eating', organismId: fish, ate: true }],
      ...every(50, 91, 3).map((day) => [day, fed('frozen cyclops', day % 2 === 0 ? 'some' : null)] as const),
      [63, { kind: 'trim', what: 'stem plants, tops replanted' }],
      [77, { kind: 'cleaning', what: 'leaves' }],
      [84, note('Frost on the window sill. The thermometer by the pane is two degrees below the one in the moss.')],
    ],
  },
  'peat-pocket': {
    days: 29,
    seed: 7,
    changes: { fraction: 0.1, everyDays: 7 },
    really: (plan) => [[0, plan]],
    tested: [
      [2, 'meter', null, ['temperatureC']],
      [7, 'meter', 'ec-pen', ['ec25UsPerCm']],
    ],
    told: () => [
      [1, note('Wood still floats. A stone on each branch until next week.')],
      [9, note('Water the colour of strong tea by now.')],
      [16, { kind: 'top-up', litres: 0.8 }],
    ],
  },
  'lagoon-nursery': {
    days: 10,
    seed: 9,
    changes: null,
    really: (plan) => [[0, plan]],
    tested: [[1, 'meter', null, ['temperatureC']]],
    told: () => [
      [0, note('Live rock in, seven pieces, all from one tub.')],
      [4, { kind: 'top-up', litres: 1.5 }],
      [6, note('A small crab in the left piece. Trap set.')],
    ],
  },
  'lava-jar': {
    days: 20,
    seed: 11,
    changes: null,
    really: (plan) => [[0, plan]],
    tested: [],
    told: () => [
      [0, note('Jar scrubbed and filled to look for leaks.')],
      [3, note('Lava soaked in RO water since Friday; its EC rises no more.')],
    ],
  },
};

/** The log of a tank of the demo; none where it has no story. */
export function demoLog({ world: { design }, derived }: Assessment): Entry[] {
  const story = STORIES[design.id];
  if (!story) return [];
  const generator = xoroshiro128plus(story.seed);
  const uniform = () => uniformFloat64(generator);
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  const begun = dayAfter(DEMO_LOG_ENDS, -story.days);
  const changedOn = new Map<number, number>();
  if (story.changes)
    for (let day = story.changes.everyDays; day < story.days; day += story.changes.everyDays)
      if (uniform() > 0.08) changedOn.set(day, story.changes.fraction);
  const plan = derived['tank.ahead'].value?.scenario;
  const parts = plan ? story.really(plan) : [];
  const truth = truthOf(
    parts.map(([from, scenario], i) => [scenario, from, parts[i + 1]?.[0] ?? story.days] as const),
    changedOn,
  );
  const at = (day: number, hour: number) => instantAt(Date.parse(`${dayAfter(begun, day)}T00:00:00Z`) + Math.round(hour * 60) * 60_000, 0);
  const entries: Entry[] = [];
  const put = (day: number, hour: number, entry: NewEntry) =>
    entries.push(
      Entry.parse({
        note: '',
        ...entry,
        id: `demo-${design.id}-${entries.length + 1}`,
        at: at(day, hour),
        written: at(day, hour),
        corrects: null,
      }),
    );
  for (const [day, fraction] of changedOn) put(day, 9.5, { kind: 'change', litres: null, fraction });
  for (const [everyDays, kit, kitId, parameters] of story.tested)
    for (let day = everyDays; day <= story.days; day += everyDays) {
      const values = Object.fromEntries(
        parameters.flatMap((parameter) => {
          const value = truth[day]?.[parameter];
          return value === undefined ? [] : [[parameter, asRead(parameter, value, normal())]];
        }),
      );
      // of another water than is planned now: shown and read, and not judged by
      if (Object.keys(values).length > 0) put(day, 18.5, { kind: 'reading', of: '', from: 'hand', simulated: false, kit, kitId, values });
    }
  const animals = Object.values(design.stock).map(({ organismId }) => organismId);
  for (const [day, entry] of story.told(animals)) put(day, 20, entry);
  return entries.sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

/** As kits show it: steps of drops, digits of meters. */
function asRead(parameter: string, value: number, noise: number): number {
  const stepped = (off: number, step: number) => Number((Math.max(0, Math.round((value + off * noise) / step)) * step).toFixed(3));
  switch (parameter) {
    case 'temperatureC':
      return Number((value + 0.2 * noise).toFixed(1));
    case 'ph':
      return Number((value + 0.05 * noise).toFixed(2));
    case 'ec25UsPerCm':
      return Math.round(value * (1 + 0.01 * noise));
    case 'nitrateMgPerL':
      return stepped(0.12 * value, 1);
    default:
      return stepped(0.2, 0.5);
  }
}
