import { FOODS, type FoodId } from '../catalogue/food';
import { dayAfter, daysFrom, type Day } from '../schedule/day';
import type { BroodStage, StageDays } from './timeline';

/** Words that first foods are told by, and the class that each is cultured or bought as. */
const WORDS: readonly (readonly [RegExp, FoodId])[] = [
  [/infusoria|paramecium/i, 'infusoria'],
  [/rotifer/i, 'rotifers'],
  [/copepod/i, 'copepods'],
  [/brine shrimp larvae|artemia/i, 'artemia-nauplii'],
  [/micro ?worm/i, 'microworms'],
  [/daphnia|water flea/i, 'moina'],
  [/vinegar eel/i, 'vinegar-eels'],
  [/powder|ground dry/i, 'powder'],
  [/plankton|microalgae|green water/i, 'phytoplankton'],
];

export interface FirstFood {
  foodId: FoodId;
  /** The stage that it is wanted for. */
  stage: Extract<BroodStage, 'swimming' | 'second-food'>;
}

/** Live food that is finer than this is taken from the first day, mm across; larger comes second where there is such a one. */
const FINE_MM = 0.3;

/** What young are fed on, from the words of the catalogue: what comes after “then”, or beside something much finer, is the second food. */
export function firstFoods(text: string): FirstFood[] {
  const [first = '', ...rest] = text.split(/\bthen\b/i);
  const named = (words: string): FoodId[] =>
    WORDS.map(([word, foodId]) => ({ foodId, at: words.search(word) }))
      .filter(({ at }) => at >= 0)
      .sort((a, b) => a.at - b.at)
      .map(({ foodId }) => foodId);
  const [now, later] = [named(first), named(rest.join(' '))];
  const fine = (foodId: FoodId): boolean => (FOODS[foodId].acrossMm?.[0] ?? 0) < FINE_MM && FOODS[foodId].state === 'live';
  const hasFine = now.some(fine);
  return [
    ...now.map((foodId): FirstFood => ({
      foodId,
      stage: hasFine && !fine(foodId) && FOODS[foodId].state === 'live' ? 'second-food' : 'swimming',
    })),
    ...later.filter((foodId) => !now.includes(foodId)).map((foodId): FirstFood => ({ foodId, stage: 'second-food' })),
  ];
}

/** When a culture is set up so that it bears on the first day that it may be wanted. */
export interface CultureDays {
  foodId: FoodId;
  stage: FirstFood['stage'];
  /** The first day that it may be wanted. */
  wanted: Day;
  setUp: Day;
  /** A second beside it: cultures fail. */
  second: Day;
  /** Days that it comes too late when it is set up today; 0 when it does not. */
  lateDays: number;
}

const SECOND_AFTER_DAYS = 7;

/**
 * Cultures of a brood, counted back from the stage that wants them, the longest their kind takes. Foods that are no cultures, and stages that
 * are over or not known, are left out; without a day for the second food it is taken to be wanted with the first.
 */
export function culturesOf(foods: readonly FirstFood[], stages: readonly StageDays[], today: Day): CultureDays[] {
  const by = new Map(stages.map((one) => [one.stage, one]));
  return foods
    .flatMap(({ foodId, stage }): CultureDays[] => {
      const { culture } = FOODS[foodId];
      const at = by.get(stage) ?? by.get('swimming') ?? by.get('hatched');
      if (!culture || !at || (at.to < today && stage === 'swimming')) return [];
      const setUp = dayAfter(at.from, -culture.days[1]);
      return [
        {
          foodId,
          stage,
          wanted: at.from,
          setUp,
          second: dayAfter(setUp, Math.min(SECOND_AFTER_DAYS, Math.max(1, culture.days[0]))),
          lateDays: Math.max(0, daysFrom(setUp, today)),
        },
      ];
    })
    .sort((a, b) => a.setUp.localeCompare(b.setUp));
}
