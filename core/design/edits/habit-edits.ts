import type { Operation } from 'rfc6902';
import type { Design } from '../design';
import { nextOrder } from '../design';
import { pointer } from '../edit';

/** Does a duty every so many days; null for never, undefined for as usual. */
export function setHabit({ care }: Design, id: string, everyDays: number | null | undefined): Operation[] {
  const there = Object.hasOwn(care.habits, id);
  const path = pointer('care', 'habits', id);
  if (everyDays === undefined) return there ? [{ op: 'remove', path }] : [];
  return [{ op: there ? 'replace' : 'add', path, value: everyDays }];
}

/** Something that the keeper does of their own accord. */
export function addOwn({ care }: Design, id: string, title: string, everyDays: number, minutes: number): Operation[] {
  return [{ op: 'add', path: pointer('care', 'own', id), value: { order: nextOrder(care.own), title: title.trim(), everyDays, minutes } }];
}

export function dropOwn(id: string): Operation[] {
  return [{ op: 'remove', path: pointer('care', 'own', id) }];
}
