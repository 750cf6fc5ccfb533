import type { Operation } from 'rfc6902';
import type { Design } from '../design';
import { pointer } from '../edit';

/** Another count; females follow where they would outnumber the animals. */
export function setCount(design: Design, id: string, count: number): Operation[] {
  const female = design.stock[id]?.female ?? 0;
  const counted: Operation = { op: 'replace', path: pointer('stock', id, 'count'), value: count };
  return female > count ? [{ op: 'replace', path: pointer('stock', id, 'female'), value: count }, counted] : [counted];
}

/** How many are females; null when nobody has sexed them. */
export function setFemales(design: Design, id: string, female: number | null): Operation[] {
  const path = pointer('stock', id, 'female');
  if (female !== null) return [{ op: 'add', path, value: female }];
  return design.stock[id]?.female === undefined ? [] : [{ op: 'remove', path }];
}

/** Whether they are of a long-finned form. */
export function setLongFins(design: Design, id: string, long: boolean): Operation[] {
  const path = pointer('stock', id, 'longFins');
  if (long) return [{ op: 'add', path, value: true }];
  return design.stock[id]?.longFins === undefined ? [] : [{ op: 'remove', path }];
}

/** How long they are as they are put in; null for grown ones. */
export function setToday(design: Design, id: string, todayMm: number | null): Operation[] {
  const path = pointer('stock', id, 'todayMm');
  if (todayMm !== null) return [{ op: 'add', path, value: todayMm }];
  return design.stock[id]?.todayMm === undefined ? [] : [{ op: 'remove', path }];
}
