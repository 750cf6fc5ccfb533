import type { Finding } from '../calculation/finding';
import { FOODS, FoodId, type Food, type FoodTag } from '../catalogue/food';
import type { Animal } from '../catalogue/organism';
import { shareToday, type Companion } from './company';

/** One thing that is given. */
export interface Dish {
  foodId: FoodId;
  timesAWeek: number;
  when: 'day' | 'dark';
}

/** Words of a diet, and what they stand for. */
const SAYS: readonly (readonly [RegExp, readonly FoodTag[]])[] = [
  [/crustacean|daphnia|copepod|mysis|artemia|brine shrimp|zooplankton|plankton|amphipod|shrimp|micro-predator|isopod/i, ['crustacean']],
  [/worm/i, ['worm']],
  [/insect|larva|cricket/i, ['insect']],
  [/alga|film|diatom|spirulina|nori|detritus|bryopsis/i, ['algae']],
  [/green|plant|vegetable|wafer|herbivore|fruit/i, ['greens']],
  [/lea(f|ves)\b|litter/i, ['leaves']],
  [/wood/i, ['wood']],
  [/powder|fine |finest|plankton|suspended|particles|very small|micro-life|micro-animals/i, ['fine']],
  [/meat|carrion|fish|clam|mussel|leavings|leftovers/i, ['meat']],
  [/snail/i, ['snail']],
  [/small animals/i, ['crustacean', 'worm', 'insect']],
  // who is only said to take living, frozen or any food takes the small animals that are sold as such
  [/live|frozen|anything|prepared|sinking food|omnivore|floating food/i, ['crustacean', 'worm', 'insect']],
];
const TAKES_DRY =
  /dry|pellet|prepared|anything|sinking food|floating food|wafer|powder|omnivore|fine food|leftovers|leavings|spirulina|detritus|protein/i;
const SELDOM_DRY = /seldom dry|live food only|live food;|^live food$|small live food$|^live brine|^live copepods|small live crustaceans$/i;
const TAKES_FROZEN = /frozen|prepared|anything|meat|carrion|sinking food|omnivore|dry|pellet|leftovers|leavings/i;

/** What a kind eats by the words of its diet; null where nothing is known. */
export interface Eats {
  tags: ReadonlySet<FoodTag>;
  dry: boolean;
  frozen: boolean;
  /** Feeds all day, in small portions. */
  often: boolean;
}
const KNOWN = new WeakMap<Animal, Eats | null>();

export function eatsOf(animal: Animal): Eats | null {
  const kept = KNOWN.get(animal);
  if (kept !== undefined) return kept;
  const diet = animal.traits.diet.value;
  const liveOnly = animal.traits.dietNeeds?.value === 'live food' || (diet !== null && SELDOM_DRY.test(diet));
  const eats: Eats | null =
    diet === null
      ? null
      : {
          tags: new Set([
            ...SAYS.flatMap(([word, tags]) => (word.test(diet) ? tags : [])),
            ...(animal.traits.dietNeeds?.value === 'wood' ? (['wood'] as const) : []),
          ]),
          dry: !liveOnly && TAKES_DRY.test(diet),
          frozen: animal.traits.dietNeeds?.value !== 'live food' && TAKES_FROZEN.test(diet),
          often: /several times|all day|often/i.test(diet),
        };
  KNOWN.set(animal, eats);
  return eats;
}

/** A morsel so many times narrower than the mouth is not looked at. Common practice. */
const NOT_WORTH_IT = 25;
/** What is caught with hairs, gills or tentacles is no larger than this. Common practice. */
const FILTERED_MM = 0.3;
/** Small ones pick up powder off everything. */
const PICKS_FINE_MM = 40;

/** Why a food does not feed an animal: it is no food to it, too large for its mouth, too small to be looked at, or out of its reach. */
export type NoFood = 'not-eaten' | 'too-large' | 'too-small' | 'out-of-reach';

/** @returns null when it eats that, and undefined when its diet is not known */
export function whyNotEaten(animal: Animal, food: Food, mouthMm: number | null): NoFood | null | undefined {
  const eats = eatsOf(animal);
  if (!eats) return undefined;
  const fed =
    food.state === 'dry'
      ? eats.dry && (food.tags.includes('dry') || food.tags.some((tag) => eats.tags.has(tag)))
      : food.tags.some((tag) => eats.tags.has(tag)) && (food.state !== 'frozen' || eats.frozen);
  if (!fed) return 'not-eaten';
  const { feeding, mouth, strata } = animal.traits;
  const filters = feeding.value === 'filters' || mouth.value === 'filters';
  // wafers are food of those that rasp or pick at what lies
  if (food.acrossMm === null) return filters ? 'too-large' : null;
  if (filters) return food.tags.includes('fine') && food.acrossMm[1] <= FILTERED_MM ? null : 'too-large';
  // what picks and bites apart eats from the edge of anything soft
  const bites = animal.group !== 'fish' && animal.group !== 'amphibian';
  if (!bites && mouthMm !== null) {
    if (food.acrossMm[0] > mouthMm) return 'too-large';
    const small = (animal.sizeMm.length.value ?? 0) <= PICKS_FINE_MM || eats.tags.has('fine') || feeding.value === 'grazes';
    if (!small && food.acrossMm[1] * NOT_WORTH_IT < mouthMm) return 'too-small';
  }
  const bottom = strata.value?.every((stratum) => stratum === 'bottom') ?? false;
  const top = strata.value?.every((stratum) => stratum === 'top') ?? false;
  if (food.falls === 'floats' && bottom) return 'out-of-reach';
  if (food.falls === 'sinks' && top) return 'out-of-reach';
  return null;
}

/** Whether it lives on what grows in any tank that has run for a while: film, algae, leaves. */
export function grazes(animal: Animal): boolean {
  const eats = eatsOf(animal);
  const { feeding } = animal.traits;
  return (
    !!eats &&
    (eats.tags.has('algae') || eats.tags.has('leaves')) &&
    (feeding.value === 'grazes' || animal.group === 'shrimp' || animal.group === 'snail')
  );
}

/** Those that live by light or by what is dissolved take no menu. */
export const livesByLight = (animal: Animal): boolean =>
  (animal.group === 'cnidarian' || animal.group === 'sponge') && /(?<!no )light|dissolved/i.test(animal.traits.diet.value ?? '');

/** How an animal fares by what is given. */
export type Fed =
  | { is: 'fed'; by: readonly FoodId[] }
  | { is: 'grazes' }
  /** Only by day, and it comes out at night: it gets what is left. */
  | { is: 'leavings'; by: readonly FoodId[] }
  | { is: 'hungry'; why: NoFood }
  | { is: 'not-known' };

/** Whether an animal gets anything of a menu; `mouthMm` is its mouth as it is today, null where it is not known. */
export function fedBy(animal: Animal, menu: readonly Dish[], mouthMm: number | null): Fed {
  if (livesByLight(animal)) return { is: 'grazes' };
  const why = menu.map((dish) => [dish, whyNotEaten(animal, FOODS[dish.foodId], mouthMm)] as const);
  if (why.some(([, not]) => not === undefined)) return { is: 'not-known' };
  const eaten = why.flatMap(([dish, not]) => (not === null ? [dish] : []));
  const ids = [...new Set(eaten.map(({ foodId }) => foodId))];
  if (eaten.length === 0) return grazes(animal) ? { is: 'grazes' } : { is: 'hungry', why: why[0]?.[1] ?? 'not-eaten' };
  const night = animal.traits.activity.value === 'night';
  if (night && !eaten.some(({ foodId, when }) => when === 'dark' || FOODS[foodId].keeps) && !grazes(animal))
    return { is: 'leavings', by: ids };
  return { is: 'fed', by: ids };
}

/** How willingly a food is chosen for a plan: what is at hand everywhere first, cultures last; of those the ones that are easiest kept going. */
const EASE: Readonly<Record<Food['state'], number>> = { dry: 3, frozen: 2.4, fresh: 2, live: 0.4 };
const EASY_CULTURES: Readonly<Partial<Record<FoodId, number>>> = {
  'artemia-nauplii': 1.2,
  moina: 0.8,
  daphnia: 0.8,
  'fruit-flies': 0.8,
  'bred-snails': 0.6,
  phytoplankton: 1.2,
};
/** A second food of the same sort is no variety. */
const NO_VARIETY = 5;
const NOT_CULTURED = new Set<FoodId>(['live-shrimp', 'mud-worms']);
/** Times a week that a food is usually given. Common practice. */
function timesOf(food: Food, often: boolean): number {
  if (food.state === 'fresh') return food.tags.includes('greens') || food.tags.includes('algae') ? 2 : 1;
  if (food.state === 'frozen') return 3;
  if (food.state === 'live') return often ? 14 : 4;
  return often ? 14 : food.keeps ? 4 : 6;
}

/** One eater of a plan. */
export interface Eater {
  id: string;
  animal: Animal;
  mouthMm: number | null;
}

/** The animals as they eat: with the mouths they have today. */
export const eatersIn = (company: readonly Companion[]): Eater[] =>
  company.map((companion) => {
    const { gape } = companion.animal.sizeMm;
    return { id: companion.id, animal: companion.animal, mouthMm: gape.value === null ? null : gape.value * shareToday(companion) };
  });

/** A menu that everybody gets something of: what feeds the most first, night food for those that come out then. */
export function menuFor(eaters: readonly Eater[]): (Dish & { for: readonly string[] })[] {
  const menu: (Dish & { for: readonly string[] })[] = [];
  const needs = eaters.filter(({ animal }) => eatsOf(animal) !== null && !livesByLight(animal));
  /** Two kinds of food each, where there is a second: one food alone is a poor diet. */
  const has = new Map<string, FoodId[]>(needs.map(({ id }) => [id, []]));
  const feeds = (foodId: FoodId, { animal, mouthMm }: Eater) => whyNotEaten(animal, FOODS[foodId], mouthMm) === null;
  const give = (foodId: FoodId, when: Dish['when'], to: readonly Eater[]) => {
    const often = to.some(({ animal }) => eatsOf(animal)?.often);
    menu.push({ foodId, when, timesAWeek: timesOf(FOODS[foodId], often), for: to.map(({ id }) => id) });
    for (const { id } of to) has.get(id)!.push(foodId);
  };
  for (let round = 0; round < 2; round++) {
    for (;;) {
      const open = needs.filter(({ id }) => has.get(id)!.length <= round);
      let best: { foodId: FoodId; to: Eater[]; worth: number } | null = null;
      for (const foodId of FoodId.options) {
        if (NOT_CULTURED.has(foodId) || menu.some((dish) => dish.foodId === foodId)) continue;
        const to = open.filter((eater) => feeds(foodId, eater));
        const dull = to.filter(({ id }) => has.get(id)!.some((had) => FOODS[had].state === FOODS[foodId].state)).length;
        const ease = EASY_CULTURES[foodId] ?? EASE[FOODS[foodId].state];
        const worth = 2 * to.length + 2 * ease - NO_VARIETY * dull + to.reduce((sum, one) => sum + suits(foodId, one), 0);
        if (to.length > 0 && (!best || worth > best.worth)) best = { foodId, to, worth };
      }
      if (!best) break;
      // what feeds those who need it also feeds the others who can eat it
      const all = needs.filter((eater) => feeds(best.foodId, eater));
      give(best.foodId, all.every(({ animal }) => animal.traits.activity.value === 'night') ? 'dark' : 'day', all);
      if (menu.length >= 8) break;
    }
  }
  // those that come out at night are to get theirs then
  const late = needs.filter(({ animal, mouthMm }) => fedBy(animal, menu, mouthMm).is === 'leavings');
  if (late.length > 0) {
    const foodId = (['sinking-pellets', 'frozen-larvae', 'granules', 'meat', 'grindal-worms'] as const).find((id) =>
      late.every((eater) => feeds(id, eater)),
    );
    if (foodId) give(foodId, 'dark', late);
  }
  return menu;
}

/** Food that is just right for a mouth, a third of it across, and meets its place. */
function suits(foodId: FoodId, { animal, mouthMm }: Eater): number {
  const { acrossMm, falls, tags } = FOODS[foodId];
  const bottom = animal.traits.strata.value?.includes('bottom') ?? false;
  const place = (falls === 'sinks') === bottom ? 1 : 0;
  if (acrossMm === null) return place + (grazes(animal) || tags.includes('leaves') ? 1.5 : 0);
  if (mouthMm === null) return place;
  const middle = (acrossMm[0] + acrossMm[1]) / 2;
  return place + Math.max(0, 2 - Math.abs(Math.log2(middle / (mouthMm / 3))));
}

/**
 * Dry grams a portion of each dish: everybody's food of a week, shared out evenly over the portions that feed it. Null for dishes that feed nobody, and
 * for what lies there to be rasped at.
 */
export function portionsOf(menu: readonly Dish[], eaters: readonly (Eater & { feedG: number })[]): (number | null)[] {
  const feeds = (dish: Dish, { animal, mouthMm }: Eater) => {
    const { state } = FOODS[dish.foodId];
    const got = fedBy(animal, [dish], mouthMm);
    return state !== 'fresh' && (got.is === 'fed' || got.is === 'leavings');
  };
  const portions = menu.map(() => 0);
  for (const eater of eaters) {
    const of = menu.map((dish) => feeds(dish, eater));
    const meals = menu.reduce((sum, { timesAWeek }, i) => sum + (of[i] ? timesAWeek : 0), 0);
    if (meals > 0) of.forEach((isFed, i) => (portions[i]! += isFed ? (eater.feedG * 7) / meals : 0));
  }
  return portions.map((grams) => (grams > 0 ? grams : null));
}

/**
 * Those who get nothing of what is given, and those who get what is left: only once a menu is stated, since nobody writes one for a plan that is
 * just begun. Who lives on what grows is not told.
 */
export function hungryFindings(eaters: readonly Eater[], menu: readonly Dish[]): Finding[] {
  if (menu.length === 0) return [];
  return eaters.flatMap(({ id, animal, mouthMm }): Finding[] => {
    const fed = fedBy(animal, menu, mouthMm);
    if (fed.is !== 'hungry' && fed.is !== 'leavings') return [];
    return [
      {
        key: `stocking.hungry:${id}`,
        code: 'stocking.hungry',
        bench: 'stocking',
        severity: fed.is === 'hungry' ? 'conflict' : 'watch',
        excess: fed.is === 'hungry' ? 2 : 1,
        subjects: [id],
        values: {},
        evidence: [],
        basis: animal.traits.diet.basis,
        kind: fed.is === 'hungry' ? fed.why : 'leavings',
      },
    ];
  });
}
