import { FOODS } from '../catalogue/food';
import { dayAfter } from '../schedule/day';
import { feedingDays, portionsOn, weekdayOf } from './portions';

const MONDAY = '2026-03-02';
const week = Array.from({ length: 7 }, (_, i) => dayAfter(MONDAY, i));
const dish = (order: number, foodId: keyof typeof FOODS, timesAWeek: number, when: 'day' | 'dark' = 'day') => ({
  order,
  foodId,
  timesAWeek,
  when,
});

describe('what is fed on a day', () => {
  it('knows its weekdays: 2 March 2026 was a Monday', () => {
    expect(weekdayOf(MONDAY)).toBe(0);
    expect(weekdayOf('2026-03-08')).toBe(6);
  });

  it('leaves out the fast days, and never two in a row', () => {
    expect(feedingDays(0).length).toBe(7);
    for (const fasts of [1, 2, 3, 4]) {
      const fed = feedingDays(fasts);
      expect(fed.length).toBe(7 - fasts);
      for (let day = 0; day < 7; day++) {
        const [none, then] = [!fed.includes(day), !fed.includes((day + 1) % 7)];
        // four days in seven cannot all lie apart
        if (fasts < 4)
          expect(none && then)
            .withContext(`${fasts} fasts, day ${day}`)
            .toBeFalse();
      }
    }
    expect(portionsOn({ menu: {}, fastDays: 1, feedHours: [] }, 0.5, '2026-03-08')).toEqual([]);
  });

  it('gives the week’s feed in the week: fasting days make the others larger, not the animals hungrier', () => {
    const sum = (fastDays: number) =>
      week.flatMap((day) => portionsOn({ menu: {}, fastDays, feedHours: [] }, 0.4, day)).reduce((all, { grams }) => all + grams!, 0);
    for (const fasts of [0, 1, 2, 3, 4]) expect(sum(fasts)).withContext(`${fasts} fasts`).toBeCloseTo(2.8, 9);
  });

  it('gives each dish as often as it is planned, and no day everything', () => {
    const menu = { a: dish(1, 'granules', 6), b: dish(2, 'frozen-cyclops', 3), c: dish(3, 'greens', 1), d: dish(4, 'artemia-nauplii', 14) };
    const all = week.map((day) => portionsOn({ menu, fastDays: 1, feedHours: [] }, 0.4, day));
    const times = (foodId: string) => all.flat().reduce((sum, one) => sum + (one.foodId === foodId ? one.times : 0), 0);
    expect([times('granules'), times('frozen-cyclops'), times('greens'), times('artemia-nauplii')]).toEqual([6, 3, 1, 14]);
    expect(all[6]).toEqual([]);
    expect(all.every((one) => one.length <= 4) && all.some((one) => one.length < 4)).toBeTrue();
  });

  it('weighs a wet portion heavier by what it holds of water, and what lies for days not at all', () => {
    const menu = { a: dish(1, 'granules', 7), b: dish(2, 'frozen-cyclops', 7), c: dish(3, 'leaves', 7) };
    const [dry, wet, leaves] = portionsOn({ menu, fastDays: 0, feedHours: [] }, 1, MONDAY);
    expect(dry!.grams).toBeCloseTo(0.5, 9);
    expect(wet!.grams! * FOODS['frozen-cyclops'].dryShare).toBeCloseTo(dry!.grams! * FOODS.granules.dryShare, 9);
    expect(leaves!.grams).toBeNull();
  });
});
