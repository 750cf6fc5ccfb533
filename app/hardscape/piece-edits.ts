import type { Operation } from 'rfc6902';
import type { PieceClass } from '../../core/catalogue/piece';
import { nextOrder, type Design } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import type { HardscapeItem } from '../../core/hardscape/model';
import { newPiece } from '../../core/hardscape/new-piece';
import { freshId } from '../../core/design/fresh-id';
import { carriedBy, movingWith } from '../section/piece-moves';

export const freshPieceId = (design: Design): string => {
  for (;;) {
    const id = freshId();
    if (!Object.hasOwn(design.scene, id)) return id;
  }
};

/** Where a new piece is put: beside what stands, nearest the middle of the floor. */
function freePlace(design: Design, [length, width]: readonly [number, number, number]): [number, number, number] {
  const { vessel } = design;
  if (!vessel) return [100, 100, 0];
  const others = Object.values(design.scene).flatMap((item) =>
    item.kind === 'hardscape' ? [{ x: item.positionMm[0], y: item.positionMm[1], r: Math.max(item.sizeMm[0], item.sizeMm[1]) / 2 }] : [],
  );
  const own = Math.max(length, width) / 2;
  let best: { at: [number, number, number]; free: number } | null = null;
  for (let i = 0; i < 15; i++)
    for (let j = 0; j < 9; j++) {
      const x = own + 30 + (i / 14) * Math.max(0, vessel.lengthMm - 2 * own - 60);
      const y = own + 30 + (j / 8) * Math.max(0, vessel.widthMm - 2 * own - 60);
      const gap = Math.min(0, ...others.map((other) => Math.hypot(other.x - x, other.y - y) - other.r - own));
      const free = gap * 10 - Math.hypot(x - vessel.lengthMm / 2, y - vessel.widthMm / 2);
      if (!best || free > best.free) best = { at: [Math.round(x), Math.round(y), 0], free };
    }
  return best?.at ?? [vessel.lengthMm / 2, vessel.widthMm / 2, 0];
}

/** A piece of a class, sized to the tank where it belongs to a wall of it. */
export function addPiece(design: Design, of: PieceClass, id: string): Operation[] {
  const { vessel } = design;
  const at = freePlace(design, of.sizeMm);
  let piece = newPiece(of, nextOrder(design.scene), at);
  if (vessel && of.id === 'false-back')
    piece = {
      ...piece,
      sizeMm: [vessel.lengthMm, of.sizeMm[1], vessel.heightMm - 20],
      positionMm: [Math.round(vessel.lengthMm / 2), Math.round(vessel.widthMm - of.sizeMm[1] / 2), 0],
    };
  if (vessel && of.id === 'cladding')
    piece = { ...piece, positionMm: [Math.round(vessel.lengthMm / 2), Math.round(vessel.widthMm - of.sizeMm[1] / 2), 40] };
  if (vessel && of.id === 'haul-out') piece = { ...piece, positionMm: [at[0], at[1], Math.max(0, vessel.waterLevelMm - 12)] };
  return [{ op: 'add', path: pointer('scene', id), value: piece }];
}

export function setPart<K extends keyof HardscapeItem>(id: string, part: K, value: HardscapeItem[K]): Operation[] {
  return [{ op: 'replace', path: pointer('scene', id, part), value }];
}

/** A copy beside it: of the piece, or of the whole group as a group of its own. */
export function copyPiece(design: Design, id: string, mirrored: boolean): { patch: Operation[]; id: string } {
  const own = design.scene[id];
  const all =
    own?.kind === 'hardscape' && own.groupId !== null
      ? movingWith({ ...design }, id)
      : own?.kind === 'hardscape'
        ? [[id, own] as const]
        : [];
  const middle = design.vessel ? design.vessel.lengthMm / 2 : 0;
  const group = all.length > 1 ? freshPieceId(design) : null;
  let chosen = id;
  const made = new Map<string, string>();
  const patch = all.map(([key, item], i): Operation => {
    const newId = freshPieceId(design);
    if (key === id) chosen = newId;
    const [x, y, z] = item.positionMm;
    const value: HardscapeItem = mirrored
      ? {
          ...item,
          positionMm: [Math.round(2 * middle - x), y, z],
          mirrored: !item.mirrored,
          turnDeg: [item.turnDeg[0], -item.turnDeg[1], -item.turnDeg[2]],
        }
      : { ...item, positionMm: [x + Math.round(Math.min(60, item.sizeMm[0] * 0.6)), y, z] };
    made.set(key, newId);
    return {
      op: 'add',
      path: pointer('scene', newId),
      value: { ...value, order: nextOrder(design.scene) + i, groupId: group, locked: false },
    };
  });
  const shift = all.length > 0 ? Math.round(Math.min(60, all[0]![1].sizeMm[0] * 0.6)) : 0;
  const plants = carriedBy(design, [...made.keys()]).map(([, item], i): Operation => {
    const [x, y, z] = item.positionMm;
    const positionMm = [mirrored ? Math.round(2 * middle - x) : x + shift, y, z] as [number, number, number];
    const value = { ...item, positionMm, onId: made.get(item.onId!)!, order: nextOrder(design.scene) + all.length + i, groupId: null };
    return { op: 'add', path: pointer('scene', freshPieceId(design)), value };
  });
  return { patch: [...patch, ...plants], id: chosen };
}

/** Ties pieces into one that moves as one; a piece of another group brings it along. */
export function groupPieces(design: Design, ids: readonly string[]): Operation[] {
  const groupId = freshPieceId(design);
  const groups = new Set(
    ids.flatMap((id) => {
      const item = design.scene[id];
      return item?.kind === 'hardscape' && item.groupId !== null ? [item.groupId] : [];
    }),
  );
  return Object.entries(design.scene).flatMap(([id, item]): Operation[] =>
    item.kind === 'hardscape' && (ids.includes(id) || (item.groupId !== null && groups.has(item.groupId)))
      ? [{ op: 'replace', path: pointer('scene', id, 'groupId'), value: groupId }]
      : [],
  );
}

export function ungroup(design: Design, id: string): Operation[] {
  const own = design.scene[id];
  if (own?.kind !== 'hardscape' || own.groupId === null) return [];
  return Object.entries(design.scene).flatMap(([key, item]): Operation[] =>
    item.kind === 'hardscape' && item.groupId === own.groupId
      ? [{ op: 'replace', path: pointer('scene', key, 'groupId'), value: null }]
      : [],
  );
}

/** A piece taken out; what held on to it comes loose. */
export function removePiece(design: Design, id: string): Operation[] {
  const loosened = carriedBy(design, [id]).flatMap(([key]): Operation[] => [
    { op: 'replace', path: pointer('scene', key, 'onId'), value: null },
    { op: 'replace', path: pointer('scene', key, 'hold'), value: 'loose' },
  ]);
  return [...loosened, { op: 'remove', path: pointer('scene', id) }];
}
