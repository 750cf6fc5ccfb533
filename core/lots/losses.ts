import { daysFrom, type Day } from '../schedule/day';
import type { Lot, Move } from './model';

/** Animals of a lot that died within the weeks after they came. */
export interface Loss {
  lotId: string;
  came: number;
  died: number;
}

/** So many days after they came a death still tells of where they came from, or of the tank they were put into. Common practice. */
const TELLS_DAYS = 60;
/** One in so many dies on the way or soon after, without a reason that could be found. Common practice. */
const USUAL = 10;
/** News of so many days. */
const NEWS_DAYS = 365;

/** Losses to be understood before the next ones are got: more than a tenth within two months of coming. */
export function lossesOf(lots: Readonly<Record<string, Lot>>, moves: Readonly<Record<string, Move>>, today: Day): Loss[] {
  const all = Object.values(moves);
  return Object.keys(lots).flatMap((lotId): Loss[] => {
    if (lots[lotId]!.kind !== 'animal') return [];
    const arrivals = all.filter((move) => move.lotId === lotId && move.why === 'arrived');
    const came = arrivals.reduce((sum, { amount }) => sum + amount, 0);
    const died = all
      .filter((move) => move.lotId === lotId && move.why === 'died')
      .filter(({ day }) => arrivals.some((arrival) => daysFrom(arrival.day, day) >= 0 && daysFrom(arrival.day, day) <= TELLS_DAYS))
      .filter(({ day }) => daysFrom(day, today) <= NEWS_DAYS)
      .reduce((sum, { amount }) => sum + amount, 0);
    return died * USUAL > came ? [{ lotId, came, died }] : [];
  });
}
