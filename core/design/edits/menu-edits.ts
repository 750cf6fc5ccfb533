import type { Operation } from 'rfc6902';
import type { FoodId } from '../../catalogue/food';
import { nextOrder, type Design } from '../design';
import { pointer } from '../edit';

interface Dish {
  foodId: FoodId;
  timesAWeek: number;
  when: 'day' | 'dark';
}

/** An id that is not taken, made of what it stands for. */
function idFor(table: object, stem: string): string {
  let id = stem;
  for (let i = 2; Object.hasOwn(table, id); i++) id = `${stem}-${i}`;
  return id;
}

/** Puts dishes on the menu: in place of all that is there, or besides it. */
export function takeMenu({ care: { menu } }: Design, dishes: readonly Dish[], how: 'instead' | 'besides'): Operation[] {
  const order = how === 'instead' ? 1 : nextOrder(menu);
  const kept = how === 'instead' ? {} : { ...menu };
  const next: Design['care']['menu'] = { ...kept };
  dishes.forEach(({ foodId, timesAWeek, when }, i) => {
    next[idFor(next, foodId)] = { order: order + i, foodId, timesAWeek, when };
  });
  return [{ op: 'replace', path: pointer('care', 'menu'), value: next }];
}
