import type { Operation } from 'rfc6902';
import type { BuildRecord, School, SCHOOLS, Tick } from '../../build/model';
import type { Day } from '../../schedule/day';
import type { Design } from '../design';
import { pointer } from '../edit';

/** Most letters of a step that are kept with its tick. */
const LONGEST = 200;

/** A step done on a day, as it was told on that day. */
export function tickStep(id: string, as: string, day: Day): Operation[] {
  const value: Tick = { day, as: as.slice(0, LONGEST), instead: '', photoIds: [] };
  return [{ op: 'add', path: pointer('build', 'ticks', id), value }];
}

export const untickStep = (id: string): Operation[] => [{ op: 'remove', path: pointer('build', 'ticks', id) }];

/** What was used in place of what was planned: the record says so, the plan stays. */
export const usedInstead = (id: string, instead: string): Operation[] => [
  { op: 'replace', path: pointer('build', 'ticks', id, 'instead'), value: instead.trim().slice(0, 300) },
];

export const addPhoto = (id: string, photoId: string): Operation[] => [
  { op: 'add', path: pointer('build', 'ticks', id, 'photoIds', '-'), value: photoId },
];

export function dropPhoto({ build }: Pick<Design, 'build'>, id: string, photoId: string): Operation[] {
  const at = build.ticks[id]?.photoIds.indexOf(photoId) ?? -1;
  return at < 0 ? [] : [{ op: 'remove', path: pointer('build', 'ticks', id, 'photoIds', String(at)) }];
}

export const inOrderOfOwn = (order: readonly string[]): Operation[] => [{ op: 'replace', path: '/build/order', value: [...order] }];

export function followSchool<S extends School>({ schools }: BuildRecord, school: S, way: (typeof SCHOOLS)[S][number]): Operation[] {
  return [{ op: Object.hasOwn(schools, school) ? 'replace' : 'add', path: pointer('build', 'schools', school), value: way }];
}
