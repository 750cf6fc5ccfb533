import type { Operation } from 'rfc6902';
import { kitStateOn, type RoomKit } from '../../reading/doubt';
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

/** Kits that want looking after on a day: past their date, or due to be calibrated. */
export function kitsDue(room: Room, day: Day): { id: string; kit: RoomKit; expired: boolean; overdueDays: number }[] {
  return Object.entries(room.kits).flatMap(([id, kit]) => {
    const { expired, calibrationOverdueDays } = kitStateOn(kit, day);
    const due = kit.calibrateEveryDays !== null && (kit.calibratedOn === null || calibrationOverdueDays > 0);
    return expired || due ? [{ id, kit, expired, overdueDays: calibrationOverdueDays }] : [];
  });
}
