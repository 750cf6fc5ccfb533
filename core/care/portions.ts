import { FOODS, type FoodId } from '../catalogue/food';
import { inOrder } from '../quantity/in-order';
import { parseISO } from 'date-fns';
import type { Day } from '../schedule/day';
import type { CarePlan } from './model';

/** Of a week, Monday first; what is fed on none of them lies apart as far as it goes. Common practice: the fast falls on a Sunday. */
const FASTS: readonly (readonly number[])[] = [[], [6], [6, 2], [6, 1, 3], [6, 0, 2, 4]];
/** Water in dry feed, which a plan of feed is weighed by. */
export const DRY_FEED_SHARE = 0.92;

/** Monday 0 to Sunday 6. */
export const weekdayOf = (day: Day): number => (parseISO(day).getDay() + 6) % 7;

/** Weekdays on which it is fed. */
export const feedingDays = (fastDays: number): number[] => [0, 1, 2, 3, 4, 5, 6].filter((day) => !FASTS[fastDays]!.includes(day));

/** What is given on one day. */
export interface Portion {
  /** Null for dry feed, while no menu says what. */
  foodId: FoodId | null;
  when: 'day' | 'dark';
  /** Times on this day. */
  times: number;
  /** In all on this day, as it is given: thawed, drained, fresh; null where it is not weighed. */
  grams: number | null;
}

/** Grazed at for days, and laid in by the piece. */
export const NOT_WEIGHED: ReadonlySet<FoodId> = new Set([
  'leaves',
  'wood',
  'live-shrimp',
  'bred-snails',
  'phytoplankton',
  'infusoria',
  'rotifers',
]);

/**
 * What is given on a day of the week: each dish as often as it is planned, spread over the days on which it is fed, and the week's feed parted
 * among them by dry matter, so that a wet portion weighs more.
 *
 * @param gPerDay dry feed, grams a day on average over the week
 */
export function portionsOn(
  { menu, fastDays, feedHours }: Pick<CarePlan, 'menu' | 'fastDays' | 'feedHours'>,
  gPerDay: number,
  day: Day,
): Portion[] {
  const fed = feedingDays(fastDays);
  const at = fed.indexOf(weekdayOf(day));
  if (at < 0) return [];
  const dishes = inOrder(menu).map(([, dish]) => dish);
  if (dishes.length === 0) {
    return gPerDay > 0 ? [{ foodId: null, when: 'day', times: Math.max(1, feedHours.length), grams: (gPerDay * 7) / fed.length }] : [];
  }
  const weighed = dishes.filter(({ foodId }) => !NOT_WEIGHED.has(foodId)).reduce((sum, { timesAWeek }) => sum + timesAWeek, 0);
  return dishes.flatMap(({ foodId, timesAWeek, when }, i) => {
    const share = timesAWeek / fed.length;
    // dishes that come seldom begin on different days
    const shift = (i + 0.5) / dishes.length;
    const times = Math.floor((at + 1) * share + shift) - Math.floor(at * share + shift);
    if (times === 0) return [];
    const dry = NOT_WEIGHED.has(foodId) || weighed === 0 ? null : (gPerDay * 7 * DRY_FEED_SHARE) / weighed;
    return [{ foodId, when, times, grams: dry === null ? null : (times * dry) / FOODS[foodId].dryShare }];
  });
}
