import type { Operation } from 'rfc6902';
import type { BredAnimal, Brood, Line } from '../../breeding/model';
import type { BroodStage } from '../../breeding/timeline';
import type { Day } from '../../schedule/day';
import { nextOrder } from '../design';
import { pointer } from '../edit';
import type { Room } from '../room';

export const addLine = (room: Room, id: string, line: Omit<Line, 'order'>): Operation[] => [
  { op: 'add', path: pointer('lines', id), value: { ...line, order: nextOrder(room.lines) } },
];

/** A line goes; its animals stay in the pedigree, of no line and without its scores. */
export function dropLine({ bred }: Room, id: string): Operation[] {
  return [
    ...Object.entries(bred).flatMap(([key, { lineId }]): Operation[] =>
      lineId === id
        ? [
            { op: 'replace', path: pointer('bred', key, 'lineId'), value: null },
            { op: 'replace', path: pointer('bred', key, 'scores'), value: {} },
          ]
        : [],
    ),
    { op: 'remove', path: pointer('lines', id) },
  ];
}

export const addBred = (room: Room, id: string, animal: Omit<BredAnimal, 'order'>): Operation[] => [
  { op: 'add', path: pointer('bred', id), value: { ...animal, order: nextOrder(room.bred) } },
];

export const setBred = <K extends keyof BredAnimal>(id: string, field: K, value: BredAnimal[K]): Operation[] => [
  { op: 'replace', path: pointer('bred', id, field), value },
];

/** An animal goes from the pedigree; its young and broods lose this parent. */
export function dropBred({ bred, broods }: Room, id: string): Operation[] {
  const orphaned = (table: Readonly<Record<string, Pick<BredAnimal, 'motherId' | 'fatherIds'>>>, name: string): Operation[] =>
    Object.entries(table).flatMap(([key, { motherId, fatherIds }]): Operation[] => [
      ...(motherId === id ? [{ op: 'replace' as const, path: pointer(name, key, 'motherId'), value: null }] : []),
      ...(fatherIds.includes(id)
        ? [{ op: 'replace' as const, path: pointer(name, key, 'fatherIds'), value: fatherIds.filter((one) => one !== id) }]
        : []),
    ]);
  return [...orphaned(bred, 'bred'), ...orphaned(broods, 'broods'), { op: 'remove', path: pointer('bred', id) }];
}

export const addBrood = (room: Room, id: string, brood: Omit<Brood, 'order'>): Operation[] => [
  { op: 'add', path: pointer('broods', id), value: { ...brood, order: nextOrder(room.broods) } },
];

export const setBrood = <K extends keyof Brood>(id: string, field: K, value: Brood[K]): Operation[] => [
  { op: 'replace', path: pointer('broods', id, field), value },
];

/** A stage was seen on a day, or was not after all. */
export const sawStage = (id: string, stage: BroodStage, day: Day | null, before: Brood): Operation[] =>
  day !== null
    ? [{ op: 'add', path: pointer('broods', id, 'seen', stage), value: day }]
    : before.seen[stage] === undefined
      ? []
      : [{ op: 'remove', path: pointer('broods', id, 'seen', stage) }];

export const dropBrood = (id: string): Operation[] => [{ op: 'remove', path: pointer('broods', id) }];
