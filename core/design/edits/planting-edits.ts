import type { Operation } from 'rfc6902';
import type { Plant } from '../../catalogue/organism';
import { newPlanting, type PlantItem, type Stage } from '../../plants/model';
import { naturalHold, pieceAt, type Place } from '../../plants/standing';
import { nextOrder, type Design } from '../design';
import { pointer } from '../edit';
import { freshId } from '../fresh-id';

/** How a new planting is laid out: one, a row along the length, or a group round its middle. */
export type Layout = 'one' | 'row' | 'group';

/** Plants of a row or a group, and how far they stand apart against their width. Common practice: odd numbers. */
const ROW = 5;
const GROUP = 7;
const APART = 0.7;

/** A planting of a kind at a place; what holds on to wood and stone holds on to what stands there. */
export function plantAt(plant: Plant, order: number, [x, y]: readonly [number, number], place: Place | null): PlantItem {
  const item = newPlanting(plant.id, order, [Math.round(x), Math.round(y), 0]);
  if (!place || naturalHold(plant) !== 'tied') return item;
  const over = pieceAt(place, x, y);
  return over ? { ...item, hold: 'tied', onId: over.id } : item;
}

/** The patch that puts a kind in: about a place, or on moss's own account one on each of the pieces there are. */
export function plantIn(
  design: Design,
  plant: Plant,
  layout: Layout,
  at: readonly [number, number],
  place: Place | null,
): { patch: Operation[]; id: string } {
  const width = plant.sizeMm.width.value ?? 60;
  const order = nextOrder(design.scene);
  const { lengthMm, widthMm } = design.vessel ?? { lengthMm: 400, widthMm: 300 };
  const inside = ([x, y]: readonly [number, number]): [number, number] => [
    Math.min(Math.max(x, 10), lengthMm - 10),
    Math.min(Math.max(y, 10), widthMm - 10),
  ];
  const first = freshId();
  if (layout === 'row') {
    const ids = [first, ...Array.from({ length: ROW - 1 }, freshId)];
    const groupId = freshId();
    const span = Math.min((ROW - 1) * width * APART, lengthMm - 20);
    const from = Math.min(Math.max(at[0] - span / 2, 10), lengthMm - 10 - span);
    const patch = ids.map((id, i): Operation => {
      const spot = inside([from + (span * i) / (ROW - 1), at[1]]);
      return { op: 'add', path: pointer('scene', id), value: { ...plantAt(plant, order + i, spot, place), groupId } };
    });
    return { patch, id: first };
  }
  const item = plantAt(plant, order, inside(at), place);
  const value: PlantItem =
    layout === 'group' ? { ...item, count: GROUP, spreadMm: Math.round(width * APART * Math.sqrt(GROUP) * 0.6) } : item;
  return { patch: [{ op: 'add', path: pointer('scene', first), value }], id: first };
}

/** How far apart a brush sets a kind: nearly touching. */
export const apartMm = (plant: Plant): number => (plant.sizeMm.width.value ?? 60) * APART;

/** One of a kind at every place that a brush went over, as one group. */
export function plantStroke(design: Design, plant: Plant, at: readonly (readonly [number, number])[], place: Place | null): Operation[] {
  const order = nextOrder(design.scene);
  const groupId = freshId();
  return at.map((spot, i): Operation => ({
    op: 'add',
    path: pointer('scene', freshId()),
    value: { ...plantAt(plant, order + i, spot, place), groupId },
  }));
}

/** Two that move together from now on, with all that moved with either. */
export function groupPlantings(design: Design, id: string, otherId: string): Operation[] {
  const [own, other] = [design.scene[id], design.scene[otherId]];
  if (own?.kind !== 'plant' || other?.kind !== 'plant' || id === otherId) return [];
  const groupId = own.groupId ?? other.groupId ?? freshId();
  const joined = new Set([own.groupId, other.groupId].filter((group) => group !== null));
  return Object.entries(design.scene).flatMap(([key, item]): Operation[] =>
    item.kind === 'plant' &&
    item.groupId !== groupId &&
    (key === id || key === otherId || (item.groupId !== null && joined.has(item.groupId)))
      ? [{ op: 'replace', path: pointer('scene', key, 'groupId'), value: groupId }]
      : [],
  );
}

/** One of a kind on each piece of wood and stone, tied: moss per twig. */
export function plantOnPieces(design: Design, plant: Plant, pieceIds: readonly string[]): Operation[] {
  const order = nextOrder(design.scene);
  return pieceIds.flatMap((id, i): Operation[] => {
    const piece = design.scene[id];
    if (piece?.kind !== 'hardscape') return [];
    const [x, y] = piece.positionMm;
    const value: PlantItem = { ...newPlanting(plant.id, order + i, [Math.round(x), Math.round(y), 0]), hold: 'tied', onId: id };
    return [{ op: 'add', path: pointer('scene', freshId()), value }];
  });
}

export const setPlanting = <K extends keyof PlantItem>(id: string, part: K, value: PlantItem[K]): Operation[] => [
  { op: 'replace', path: pointer('scene', id, part), value },
];

/** How it is held; what is held to a piece takes the one under it. */
export function setHold(id: string, item: PlantItem, hold: PlantItem['hold'], place: Place | null): Operation[] {
  const onPiece = hold === 'tied' || hold === 'glued' || hold === 'wedged';
  const onId = onPiece && place ? (pieceAt(place, item.positionMm[0], item.positionMm[1])?.id ?? null) : null;
  return [
    { op: 'replace', path: pointer('scene', id, 'hold'), value: hold },
    { op: 'replace', path: pointer('scene', id, 'onId'), value: onId },
  ];
}

/** A copy beside it, or on the other side of the middle. */
export function copyPlanting(design: Design, id: string, mirrored: boolean): { patch: Operation[]; id: string } {
  const own = design.scene[id];
  if (own?.kind !== 'plant') return { patch: [], id };
  const length = design.vessel?.lengthMm ?? 400;
  const [x, y, z] = own.positionMm;
  const to = mirrored ? length - x : Math.min(length - 10, x + 40 + own.spreadMm);
  const made = freshId();
  const value: PlantItem = {
    ...own,
    order: nextOrder(design.scene),
    positionMm: [Math.round(to), y, z],
    onId: null,
    groupId: null,
    locked: false,
  };
  return { patch: [{ op: 'add', path: pointer('scene', made), value }], id: made };
}

export const setStage = (grown: Stage): Operation[] => [{ op: 'replace', path: '/grown', value: grown }];
