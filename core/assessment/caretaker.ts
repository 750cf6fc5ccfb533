import type { DutyCode } from '../care/duty';
import { dayAfter, type Day } from '../schedule/day';
import type { RoundItem, TankRound } from './round';

/** What somebody can do who does not keep fish. */
const CARETAKERS: ReadonlySet<RoundItem['code']> = new Set<DutyCode>(['top-up', 'reservoir', 'heat-watch']);
/** What is best done the day before, so that it does not fall due meanwhile. */
const BEFORE: ReadonlySet<RoundItem['code']> = new Set<DutyCode>([
  'change',
  'service',
  'reservoir',
  'trim',
  'fertilise',
  'binder',
  'carbon',
]);
/** A change may be as late as its own interval again; common practice: after that somebody has to make one. */
const CHANGE_BEARS = 2;

/** One tank’s part of a caretaker’s sheet. */
export interface CaredTank {
  designId: string;
  name: string;
  warmthC: readonly [number, number] | null;
  lives: TankRound['lives'];
  /** Packed by day; days on which nothing is given are left out. */
  packets: readonly { day: Day; name: string; grams: number | null }[];
  /** Living food that is given as a rule and cannot be packed. */
  live: readonly string[];
  /** Nothing but living food is given. */
  onlyLive: boolean;
  /** What else is done, on its day. */
  tasks: readonly { day: Day; title: string; code: RoundItem['code'] }[];
  /** What its keeper does before leaving, and what waits until they are back. */
  before: readonly string[];
  waits: readonly string[];
  /** So long without a change that one has to be made meanwhile, with what goes into the can; null for none. */
  change: { day: Day; can: NonNullable<TankRound['can']> } | null;
}

/**
 * What somebody else does in the keeper’s place: feed packed by day, top-up, and nothing that can go wrong.
 *
 * @param from the first day away
 * @param days how many, the last included
 * @param feedEvery 1 for as planned, 2 for every other day
 */
export function caretakerOf(round: TankRound, from: Day, days: number, feedEvery: 1 | 2): CaredTank {
  const until = dayAfter(from, days - 1);
  const within = ({ day }: { day: Day }) => day >= from && day <= until;
  const items = round.items.filter(within);
  const { packable } = round;
  // the foods in turn, so that each of them gets its own
  const packets = Array.from({ length: packable.length > 0 ? Math.ceil(days / feedEvery) : 0 }, (_, i) => ({
    day: dayAfter(from, i * feedEvery),
    ...packable[i % packable.length]!,
  }));
  const titles = (wanted: (item: RoundItem) => boolean) => [...new Set(items.filter(wanted).map(({ title }) => title))];
  const change = round.items.find(({ code }) => code === 'change');
  const late = change?.everyDays && days > CHANGE_BEARS * change.everyDays ? dayAfter(from, CHANGE_BEARS * change.everyDays - 1) : null;
  return {
    designId: round.designId,
    name: round.name,
    warmthC: round.warmthC,
    lives: round.lives,
    packets,
    live: round.live,
    onlyLive: round.live.length > 0 && packable.length === 0,
    tasks: items.filter(({ code }) => CARETAKERS.has(code)).map(({ day, title, code }) => ({ day, title, code })),
    before: titles(({ code }) => BEFORE.has(code)),
    waits: titles(
      ({ code, everyDays }) => !BEFORE.has(code) && !CARETAKERS.has(code) && code !== 'feed' && code !== 'look' && everyDays !== 1,
    ),
    change: late !== null && round.can ? { day: late, can: round.can } : null,
  };
}
