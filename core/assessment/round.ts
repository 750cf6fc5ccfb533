import type { Due } from '../care/agenda';
import type { Duty, DutyCode } from '../care/duty';
import { DRY_FEED_SHARE, NOT_WEIGHED } from '../care/portions';
import { FOODS } from '../catalogue/food';
import { inOrder } from '../design/design';
import type { NewEntry } from '../log/model';
import type { Line } from '../log/timeline';
import type { UnitChoice } from '../quantity/format';
import { dayAfter, type Day } from '../schedule/day';
import type { Assessment } from './assessment';
import { windowNodeOf } from './derive';
import { agendaOf, runsSince } from './plan/agenda';
import { dutiesOf } from './plan/duties';
import { entryOfDone } from './duty-entry';
import { portionsOf, wordDuty, wordEvery } from './wording/duties';
import { stepNamesOf, wordStep } from './wording/steps';

/** What is to be done at one tank on a day, in words, and what it takes. */
export interface RoundItem {
  id: string;
  code: DutyCode | 'step';
  day: Day;
  title: string;
  detail: string;
  overdueDays: number;
  last: Day | null;
  /** Days between; null for once. */
  everyDays: number | null;
  minutes: number;
  /** Litres by source of the room; an empty key stands for pure water of no named source. */
  pourL: Readonly<Record<string, number>>;
  saltsG: Readonly<Record<string, number>>;
  /** Feed as it is given, grams by name. */
  feedG: Readonly<Record<string, number>>;
  /** What stands in the log once it is done; null for what is written down by its figures. */
  entry: NewEntry | null;
}

/** One tank on the way through the room. */
export interface TankRound {
  designId: string;
  name: string;
  /** Null while nothing says since when it runs. */
  since: Day | null;
  /** All that falls due in the days that were asked for. */
  items: readonly RoundItem[];
  /** What it can be given out of a packet, a day's feed each time; grams null for what is not weighed. Empty where nothing is fed. */
  packable: readonly { name: string; grams: number | null }[];
  /** Living food of its menu: it cannot be packed. */
  live: readonly string[];
  /** Between what the thermometer may stand; null where nobody knows. */
  warmthC: readonly [number, number] | null;
  /** Who lives there, by name and number. */
  lives: readonly { latin: string; common: string | null; count: number }[];
  /** What one change takes; null where no change is planned. */
  can: {
    litres: number;
    pourL: Readonly<Record<string, number>>;
    saltsG: Readonly<Record<string, number>>;
    temperatureC: number | null;
    every: string;
  } | null;
}

/** What a tank asks for from a day on, for so many days. */
export function roundOf(assessment: Assessment, lines: readonly Line[], today: Day, days: number, units: UnitChoice): TankRound {
  const { design } = assessment.world;
  const duties = dutiesOf(assessment, today);
  const until = dayAfter(today, days - 1);
  const change = duties.find(({ code }) => code === 'change') ?? null;
  const names = stepNamesOf(assessment);
  const due = agendaOf(design, duties, lines, today, days) ?? [];
  const steps = inOrder(design.care.steps).flatMap(([id, step]): RoundItem[] => {
    if (step.day > until) return [];
    const { title, detail } = wordStep(step, names, units);
    return [
      {
        id,
        code: 'step',
        day: step.day < today ? today : step.day,
        title,
        detail,
        overdueDays: 0,
        last: null,
        everyDays: null,
        minutes: 0,
        pourL: step.pourL,
        saltsG: step.saltsG,
        feedG: {},
        entry: null,
      },
    ];
  });
  const warmth = windowNodeOf(assessment.derived, 'temperatureC').value?.tolerance ?? null;
  return {
    designId: design.id,
    name: design.name,
    since: runsSince(design, lines),
    items: [...due.map((one) => itemOf(one, change?.pourL ?? {}, assessment, units)), ...steps].sort((a, b) =>
      a.day < b.day ? -1 : a.day > b.day ? 1 : 0,
    ),
    ...packets(assessment, duties),
    warmthC: warmth && [warmth[0], warmth[1]],
    lives: (assessment.derived['stock.members'].value ?? []).flatMap(({ organism, count }) =>
      organism?.kind === 'animal' ? [{ latin: organism.latin, common: organism.common[0] ?? null, count }] : [],
    ),
    can: change && {
      litres: change.values['litres']!,
      pourL: change.pourL,
      saltsG: change.saltsG,
      temperatureC: change.values['temperatureC'] ?? null,
      every: wordEvery(change.everyDays),
    },
  };
}

/** A day's feed in each of the foods that keep in a packet. */
function packets(assessment: Assessment, duties: readonly Duty[]): Pick<TankRound, 'packable' | 'live'> {
  const feed = duties.find(({ code }) => code === 'feed');
  if (!feed) return { packable: [], live: [] };
  const menu = inOrder(assessment.world.design.care.menu).map(([, { foodId }]) => foodId);
  const dry = feed.values['gPerDay']!;
  const dishes = [...new Set(menu)].filter((id) => FOODS[id].state !== 'live');
  return {
    packable:
      menu.length === 0
        ? [{ name: 'dry feed', grams: dry }]
        : dishes.map((id) => ({ name: FOODS[id].name, grams: NOT_WEIGHED.has(id) ? null : (dry * DRY_FEED_SHARE) / FOODS[id].dryShare })),
    live: [...new Set(menu)].filter((id) => FOODS[id].state === 'live').map((id) => FOODS[id].name),
  };
}

function itemOf(
  { duty, day, overdueDays, last }: Due,
  mix: Readonly<Record<string, number>>,
  assessment: Assessment,
  units: UnitChoice,
): RoundItem {
  const { title, detail } = wordDuty(duty, day, assessment, units);
  const fed = duty.code === 'feed' ? portionsOf(assessment, day) : [];
  const feedG: Record<string, number> = {};
  for (const { portion } of fed) {
    const name = portion.foodId === null ? 'dry feed' : FOODS[portion.foodId].name;
    if (portion.grams !== null) feedG[name] = (feedG[name] ?? 0) + portion.grams;
  }
  return {
    id: duty.id,
    code: duty.code,
    day,
    title,
    detail,
    overdueDays: last === null ? 0 : overdueDays,
    last,
    everyDays: duty.on === null ? duty.everyDays : null,
    minutes: duty.minutes,
    pourL: duty.litresByMonth
      ? toppedWith(duty.litresByMonth[Number(day.slice(5, 7)) - 1]!, duty.subjects[0], duty.values['pure'] === 1, mix)
      : duty.pourL,
    saltsG: duty.saltsG,
    feedG,
    entry: duty.code === 'test' ? null : entryOfDone(duty, day, assessment, units),
  };
}

/** What evaporated, by where it comes from: one source, pure water of none, or the tank's own mix. */
function toppedWith(
  litres: number,
  sourceId: string | undefined,
  pure: boolean,
  mix: Readonly<Record<string, number>>,
): Record<string, number> {
  if (sourceId !== undefined) return { [sourceId]: litres };
  const whole = Object.values(mix).reduce((sum, one) => sum + one, 0);
  if (pure || whole <= 0) return { '': litres };
  return Object.fromEntries(Object.entries(mix).map(([id, part]) => [id, (litres * part) / whole]));
}

export interface RoundSum {
  pourL: Readonly<Record<string, number>>;
  saltsG: Readonly<Record<string, number>>;
  feedG: Readonly<Record<string, number>>;
  minutes: number;
  /** How many things there are to do. */
  count: number;
}

/** All tanks of one day added up: what is carried through the room. */
export function addedRound(rounds: readonly TankRound[], day: Day): RoundSum {
  const sums = { pourL: {} as Record<string, number>, saltsG: {} as Record<string, number>, feedG: {} as Record<string, number> };
  let [minutes, count] = [0, 0];
  for (const item of rounds.flatMap(({ items }) => items)) {
    if (item.day !== day) continue;
    minutes += item.minutes;
    count += 1;
    for (const of of ['pourL', 'saltsG', 'feedG'] as const)
      for (const [id, amount] of Object.entries(item[of])) sums[of][id] = (sums[of][id] ?? 0) + amount;
  }
  return { ...sums, minutes, count };
}

/** Tanks in the order in which they are walked past; those that the way does not name come after, by name. */
export function walked<T extends { id: string; name: string }>(tanks: readonly T[], walk: readonly string[]): T[] {
  const at = new Map(walk.map((id, i) => [id, i]));
  return [...tanks].sort((a, b) => (at.get(a.id) ?? Infinity) - (at.get(b.id) ?? Infinity) || a.name.localeCompare(b.name));
}
