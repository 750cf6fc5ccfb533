import { firstHitMm } from '../scene/body';
import { plus, times, type Vec3 } from '../scene/pose';
import type { SettledPiece } from '../scene/settle-pieces';
import type { PlacedMouth } from './body';

/** How much of a mouth is free, and what is in the way. */
export interface MouthState {
  /** Free width and height. Millimetres. */
  widthMm: number;
  heightMm: number;
  insideMm: number;
  /** Share of the opening under the ground. */
  buried: number;
  /** Piece that stands before it; 'pane' for the glass; null when it is free. */
  blockedBy: string | null;
  at: Vec3;
  facing: Vec3;
}

/** Places of the opening that are looked out of: five across, three up. */
const LOOKS: readonly (readonly [across: number, up: number])[] = [-0.36, -0.18, 0, 0.18, 0.36].flatMap((a) =>
  [-0.33, 0, 0.33].map((u) => [a, u] as const),
);

/**
 * Looks out of a mouth along straight lines against the bodies themselves, never against a grid.
 *
 * @param approachMm free way that an animal needs in front
 * @param others every other piece
 * @param groundAt top of the bed at a place
 * @param paneMm distance to the glass along a line from a place
 */
export function lookOut(
  mouth: PlacedMouth,
  approachMm: number,
  others: readonly SettledPiece[],
  groundAt: (xMm: number, yMm: number) => number,
  paneMm: (from: Vec3, along: Vec3) => number,
): MouthState {
  const { at, facing, across, up, widthMm, heightMm, insideMm } = mouth;
  const rise = Math.hypot(facing[0], facing[1]);
  const before = plus(at, times(facing, 4));
  const ground = groundAt(before[0], before[1]);
  // an opening that looks up is buried when the ground stands over it, an upright one from its lower lip
  const tall = heightMm * rise;
  const buried = tall < 2 ? (ground > at[2] ? 1 : 0) : clamp((ground - (at[2] - tall / 2)) / tall);
  let free = 0;
  const seen = new Map<string, number>();
  const freeAcross = new Set<number>();
  for (const [a, u] of LOOKS) {
    const from = plus(plus(at, times(across, a * widthMm)), plus(times(up, u * heightMm), times(facing, 1)));
    if (from[2] < ground) continue;
    const blocker = firstBefore(from, facing, approachMm, others) ?? (paneMm(from, facing) < approachMm ? 'pane' : null);
    if (blocker === null) {
      free++;
      freeAcross.add(a);
    } else seen.set(blocker, (seen.get(blocker) ?? 0) + 1);
  }
  const above = LOOKS.length * (1 - buried);
  const worst = [...seen].sort(([, a], [, b]) => b - a)[0];
  const blocked = worst !== undefined && free < above * 0.6;
  return {
    widthMm: blocked ? widthMm * Math.min(1, freeAcross.size / 5) : widthMm,
    heightMm: heightMm * (1 - buried),
    insideMm,
    buried,
    blockedBy: blocked ? worst[0] : null,
    at,
    facing,
  };
}

function firstBefore(from: Vec3, along: Vec3, withinMm: number, others: readonly SettledPiece[]): string | null {
  let [nearest, id]: [number, string | null] = [withinMm, null];
  for (const other of others) {
    if (!isNear(other, from, withinMm)) continue;
    const hit = firstHitMm(other.body, from, along);
    if (hit !== null && hit < nearest) [nearest, id] = [hit, other.id];
  }
  return id;
}

/** Whether the box about a piece comes within a distance of a place. */
export function isNear({ bounds: { low, high } }: SettledPiece, [x, y, z]: Vec3, withinMm: number): boolean {
  return (
    x >= low[0] - withinMm &&
    x <= high[0] + withinMm &&
    y >= low[1] - withinMm &&
    y <= high[1] + withinMm &&
    z >= low[2] - withinMm &&
    z <= high[2] + withinMm
  );
}

const clamp = (share: number): number => Math.min(1, Math.max(0, share));
