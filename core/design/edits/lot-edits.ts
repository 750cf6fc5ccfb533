import type { Operation } from 'rfc6902';
import type { Mark } from '../../health/model';
import type { Lot, Move } from '../../lots/model';
import { daysFrom, type Day } from '../../schedule/day';
import { nextOrder } from '../design';
import { pointer } from '../edit';
import type { Room } from '../room';

/** Why something cannot have been on a day; null when it can. */
export function pastFault(day: string, today: Day): string | null {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day) || Number.isNaN(Date.parse(day))) return 'Say on which day.';
  return daysFrom(today, day) > 0 ? 'That day has not come yet: what is written down here has happened.' : null;
}

/** Something came, or was born: a lot, and how many of it are where. */
export function addLot(room: Room, id: string, lot: Omit<Lot, 'order'>, came: Pick<Move, 'day' | 'amount' | 'to'>): Operation[] {
  const why = lot.parentId === null ? 'arrived' : 'born';
  return [
    { op: 'add', path: pointer('lots', id), value: { ...lot, order: nextOrder(room.lots) } },
    {
      op: 'add',
      path: pointer('moves', `${id}-1`),
      value: { ...came, order: nextOrder(room.moves), lotId: id, why, error: 0, from: null, note: '' },
    },
  ];
}

export function addMove(room: Room, id: string, move: Omit<Move, 'order'>): Operation[] {
  return [{ op: 'add', path: pointer('moves', id), value: { ...move, order: nextOrder(room.moves) } }];
}

export function addMark(room: Room, id: string, mark: Omit<Mark, 'order'>): Operation[] {
  return [{ op: 'add', path: pointer('marks', id), value: { ...mark, order: nextOrder(room.marks) } }];
}

/** A lot goes with all that was written of it; those that were born of it lose their parent. */
export function dropLot({ lots, moves, marks, broods }: Room, id: string): Operation[] {
  const of = (table: Readonly<Record<string, { lotId: string | null }>>, name: string) =>
    Object.entries(table).flatMap(([key, { lotId }]): Operation[] => (lotId === id ? [{ op: 'remove', path: pointer(name, key) }] : []));
  return [
    ...Object.entries(lots).flatMap(([key, { parentId }]): Operation[] =>
      parentId === id ? [{ op: 'replace', path: pointer('lots', key, 'parentId'), value: null }] : [],
    ),
    ...Object.entries(broods).flatMap(([key, { lotId }]): Operation[] =>
      lotId === id ? [{ op: 'replace', path: pointer('broods', key, 'lotId'), value: null }] : [],
    ),
    ...of(moves, 'moves'),
    ...of(marks, 'marks'),
    { op: 'remove', path: pointer('lots', id) },
  ];
}
