import type { Operation } from 'rfc6902';
import type { RoomKit } from '../../reading/doubt';
import type { Day } from '../../schedule/day';
import { nextOrder } from '../design';
import { pointer } from '../edit';
import { freshId } from '../fresh-id';
import type { Room } from '../room';

/** A kit that the room has from now on. */
export function addKit(room: Room, kit: Omit<RoomKit, 'order'>): Operation[] {
  return [{ op: 'add', path: pointer('kits', freshId()), value: { ...kit, order: nextOrder(room.kits) } }];
}

/** Readings go on naming a kit that is gone: they are then taken as such kits usually read. */
export const dropKit = (id: string): Operation[] => [{ op: 'remove', path: pointer('kits', id) }];

export const calibrated = (id: string, day: Day): Operation[] => [{ op: 'replace', path: pointer('kits', id, 'calibratedOn'), value: day }];
