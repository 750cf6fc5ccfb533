import type { PieceClass } from '../catalogue/piece';
import type { HardscapeItem } from './model';

/** A piece of a class as it is first put down. */
export function newPiece(of: PieceClass, order: number, positionMm: HardscapeItem['positionMm']): HardscapeItem {
  return {
    order,
    kind: 'hardscape',
    classId: of.id,
    materialId: of.materialIds[0]!,
    sizeMm: of.sizeMm,
    positionMm,
    turnDeg: of.turnDeg,
    mirrored: false,
    stand: of.stand,
    embedMm: Math.round(of.embedShare * of.sizeMm[2]),
    fixing: 'none',
    ballastKg: 0,
    soakedWeeks: 0,
    edges: null,
    spent: 0,
    groupId: null,
    locked: false,
  };
}
