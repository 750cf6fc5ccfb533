import type { PieceClass } from '../catalogue/piece';
import { partOf, type Body } from '../scene/body';
import { turnOf, turned, type Vec3 } from '../scene/pose';
import type { Piece } from '../scene/settle-pieces';
import type { HardscapeItem } from './model';

/** A way into a piece, in the piece's own frame. */
export interface Mouth {
  at: Vec3;
  facing: Vec3;
  widthMm: number;
  heightMm: number;
  insideMm: number;
}

const AXES = { x: 0, y: 1, z: 2 } as const;

/** The solids of a class at a size, about the middle of its base. */
export function bodyOf({ solids }: PieceClass, sizeMm: Vec3, mirrored = false): Body {
  const least = Math.min(...sizeMm);
  const side = mirrored ? -1 : 1;
  return solids.map(({ shape, size, axes, at, turnDeg, wall }) => {
    const own = [...axes].map((axis, i) => size[i]! * sizeMm[AXES[axis as keyof typeof AXES]]) as [number, number, number];
    return partOf(
      { shape, sizeMm: own, ...(wall === undefined ? {} : { wallMm: wall * least }) },
      [side * at[0] * sizeMm[0], at[1] * sizeMm[1], at[2] * sizeMm[2]],
      // seen in a mirror across x a turn about x stays, those about y and z run the other way
      turnDeg ? [turnDeg[0], side * turnDeg[1], side * turnDeg[2]] : [0, 0, 0],
    );
  });
}

export function mouthsOf({ mouths }: PieceClass, sizeMm: Vec3, mirrored = false): Mouth[] {
  const side = mirrored ? -1 : 1;
  return mouths.map(({ at, facing, opening, inside }) => {
    const length = Math.hypot(...facing);
    return {
      at: [side * at[0] * sizeMm[0], at[1] * sizeMm[1], at[2] * sizeMm[2]],
      facing: [(side * facing[0]) / length, facing[1] / length, facing[2] / length],
      widthMm: opening[0] * sizeMm[1],
      heightMm: opening[1] * sizeMm[2],
      insideMm: inside * sizeMm[0],
    };
  });
}

const bodies = new WeakMap<HardscapeItem, { of: PieceClass; body: Body }>();

/** The piece as the scene takes it; its body is kept while item and class are the same. */
export function pieceOf(id: string, item: HardscapeItem, of: PieceClass): Piece {
  let known = bodies.get(item);
  if (known?.of !== of) {
    known = { of, body: bodyOf(of, item.sizeMm, item.mirrored) };
    bodies.set(item, known);
  }
  return {
    id,
    body: known.body,
    positionMm: item.positionMm,
    turnDeg: item.turnDeg,
    stand: item.stand,
    embedMm: item.embedMm,
    filled: of.filled,
  };
}

/** A mouth as it lies in the tank. */
export interface PlacedMouth extends Omit<Mouth, 'at' | 'facing'> {
  at: Vec3;
  facing: Vec3;
  /** Sideways and up along the opening. */
  across: Vec3;
  up: Vec3;
}

/** @param baseLiftMm how far the turned piece was raised onto what carries it, measured from the middle of its base */
export function placedMouths(of: PieceClass, item: HardscapeItem, baseLiftMm: number): PlacedMouth[] {
  const turn = turnOf(item.turnDeg);
  const [x, y] = item.positionMm;
  return mouthsOf(of, item.sizeMm, item.mirrored).map((mouth) => {
    const at = turned(turn, mouth.at);
    const facing = turned(turn, mouth.facing);
    const flat = Math.hypot(facing[0], facing[1]);
    const across: Vec3 = flat > 1e-6 ? [-facing[1] / flat, facing[0] / flat, 0] : [1, 0, 0];
    const up: Vec3 = [
      facing[1] * across[2] - facing[2] * across[1],
      facing[2] * across[0] - facing[0] * across[2],
      facing[0] * across[1] - facing[1] * across[0],
    ];
    return { ...mouth, at: [x + at[0], y + at[1], baseLiftMm + at[2]], facing, across, up: up[2] < 0 ? [-up[0], -up[1], -up[2]] : up };
  });
}
