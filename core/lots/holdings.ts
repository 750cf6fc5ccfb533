import { inOrder } from '../quantity/in-order';
import type { Day } from '../schedule/day';
import { LOT_MEASURE, type Lot, type Move, type MoveWhy } from './model';

/** What of a lot is in one place, and how far the number may be off. */
export interface Holding {
  lotId: string;
  place: string;
  amount: number;
  error: number;
  since: Day;
}

/** A time in which some of a lot were in one place; `to` is null while they are there. */
export interface Stay {
  lotId: string;
  place: string;
  from: Day;
  to: Day | null;
}

/** Some of a lot went from one place to another; null for the world outside. */
export interface Passage {
  lotId: string;
  from: string | null;
  to: string | null;
  day: Day;
  why: Exclude<MoveWhy, 'counted'>;
}

/** Everything that ever happened to a lot, added up. What came in, less what went out, is what is there. */
export interface LotSum {
  arrived: number;
  born: number;
  died: number;
  left: number;
  /** More were there than were thought, when they were counted; negative for fewer. */
  found: number;
  here: number;
}

export interface MoveFault {
  moveId: string;
  reason: string;
}

export interface Holdings {
  /** In order of the lots, then as they came. */
  holdings: readonly Holding[];
  stays: readonly Stay[];
  passages: readonly Passage[];
  sums: ReadonlyMap<string, LotSum>;
  /** Moves that cannot have been. Nothing is counted of them. */
  faults: readonly MoveFault[];
}

/** Litres that are as good as nothing. */
const SPECK = 1e-9;

/**
 * Where everything is, by every move that was written down, day by day. A move of more than there are, before they are there, or of a lot that
 * is not there is a fault and moves nothing, so that no animal is made or lost.
 */
export function holdingsOf(lots: Readonly<Record<string, Lot>>, moves: Readonly<Record<string, Move>>): Holdings {
  const held = new Map<string, Holding>();
  const open = new Map<string, Stay>();
  const stays: Stay[] = [];
  const passages: Passage[] = [];
  const faults: MoveFault[] = [];
  const sums = new Map<string, LotSum>(Object.keys(lots).map((id) => [id, { arrived: 0, born: 0, died: 0, left: 0, found: 0, here: 0 }]));
  const byDay = inOrder(moves).sort(([, a], [, b]) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  const put = (lotId: string, place: string, amount: number, day: Day): void => {
    const key = `${lotId} ${place}`;
    const there = held.get(key);
    if (there) there.amount += amount;
    else held.set(key, { lotId, place, amount, error: 0, since: day });
    if (!open.has(key)) {
      const stay: Stay = { lotId, place, from: day, to: null };
      open.set(key, stay);
      stays.push(stay);
    }
  };
  const emptied = (key: string, day: Day): void => {
    held.delete(key);
    const stay = open.get(key);
    if (stay) stay.to = day;
    open.delete(key);
  };
  for (const [moveId, { day, lotId, why, amount, error, from, to }] of byDay) {
    const lot = lots[lotId];
    const sum = sums.get(lotId);
    if (!lot || !sum) {
      faults.push({ moveId, reason: 'there is no such lot' });
      continue;
    }
    if (LOT_MEASURE[lot.kind] === 'count' && (!Number.isInteger(amount) || !Number.isInteger(error))) {
      faults.push({ moveId, reason: `${lot.kind}s are counted by whole numbers` });
      continue;
    }
    if (why === 'counted') {
      const key = `${lotId} ${to!}`;
      const there = held.get(key)?.amount ?? 0;
      if (sum.arrived + sum.born === 0) {
        faults.push({ moveId, reason: `none of “${lot.name}” had come by ${day}` });
        continue;
      }
      sum.found += amount - there;
      sum.here += amount - there;
      if (amount <= SPECK) emptied(key, day);
      else {
        put(lotId, to!, amount - there, day);
        held.get(key)!.error = error;
      }
      continue;
    }
    if (from !== null) {
      const key = `${lotId} ${from}`;
      const there = held.get(key);
      if (!there) {
        faults.push({ moveId, reason: `none of “${lot.name}” is there on ${day}` });
        continue;
      }
      if (amount > there.amount + SPECK) {
        faults.push({ moveId, reason: `${amount} of “${lot.name}” on ${day}, where ${rounded(there.amount)} are: count them first` });
        continue;
      }
      there.amount -= amount;
      if (there.amount <= SPECK) emptied(key, day);
    }
    if (to !== null) put(lotId, to, amount, day);
    passages.push({ lotId, from, to, day, why });
    if (why === 'arrived' || why === 'born') sum.here += amount;
    if (why === 'died' || why === 'left') sum.here -= amount;
    if (why !== 'moved') sum[why] += amount;
  }
  const rank = new Map(inOrder(lots).map(([id], i) => [id, i]));
  return {
    holdings: [...held.values()].sort((a, b) => rank.get(a.lotId)! - rank.get(b.lotId)!),
    stays,
    passages,
    sums,
    faults,
  };
}

const rounded = (amount: number): number => Math.round(amount * 1000) / 1000;

/** What is wrong with the lots themselves: a parent that is not there, or one that is its own forebear. */
export function lineageFaults(lots: Readonly<Record<string, Lot>>): { lotId: string; reason: string }[] {
  return Object.entries(lots).flatMap(([lotId, { parentId }]) => {
    if (parentId === null) return [];
    if (!Object.hasOwn(lots, parentId)) return [{ lotId, reason: `there is no lot “${parentId}” that it could be born of` }];
    const seen = new Set<string>();
    for (let at: string | null = lotId; at !== null && Object.hasOwn(lots, at); at = lots[at]!.parentId) {
      if (seen.has(at)) return at === lotId ? [{ lotId, reason: 'is its own forebear' }] : [];
      seen.add(at);
    }
    return [];
  });
}
