import type { FloorGrid } from '../scene/grid';
import type { SettledPiece } from '../scene/settle-pieces';

/** Open water in each stratum, shares of its room. */
export interface OpenRoom {
  bottom: number;
  middle: number;
  top: number;
}

/** Where the strata end, shares of the depth of the water over the bed. Common practice. */
const EDGES = [0, 0.25, 0.74, 1] as const;

/** Water over a bed, and what each piece fills of its strata: a piece that did not move fills what it filled. */
const waters = new WeakMap<Float32Array, { surfaceMm: number; waterMm: number }>();
const fills = new WeakMap<SettledPiece, { groundMm: Float32Array; surfaceMm: number; strataMm: readonly number[] }>();

/** Share of each stratum of the water over the bed that no piece fills. Hollows count as filled here: nobody swims through a shell. */
export function openRoom(grid: FloorGrid, groundMm: Float32Array, pieces: readonly SettledPiece[], surfaceMm: number): OpenRoom {
  const water = waterOver(grid, groundMm, surfaceMm);
  const filled = [0, 0, 0];
  for (const piece of pieces) filledBy(piece, groundMm, surfaceMm).forEach((mm, s) => (filled[s]! += mm));
  const share = (s: number) => (water > 0 ? Math.min(1, Math.max(0, 1 - filled[s]! / (water * (EDGES[s + 1]! - EDGES[s]!)))) : 0);
  return { bottom: share(0), middle: share(1), top: share(2) };
}

function waterOver({ floorMm }: FloorGrid, groundMm: Float32Array, surfaceMm: number): number {
  const known = waters.get(groundMm);
  if (known?.surfaceMm === surfaceMm) return known.waterMm;
  let waterMm = 0;
  for (let cell = 0; cell < groundMm.length; cell++) if (!Number.isNaN(floorMm[cell]!)) waterMm += Math.max(0, surfaceMm - groundMm[cell]!);
  waters.set(groundMm, { surfaceMm, waterMm });
  return waterMm;
}

function filledBy(piece: SettledPiece, groundMm: Float32Array, surfaceMm: number): readonly number[] {
  const known = fills.get(piece);
  if (known?.groundMm === groundMm && known.surfaceMm === surfaceMm) return known.strataMm;
  const { columns, liftMm } = piece;
  const strataMm = [0, 0, 0];
  for (let i = 0; i < columns.cell.length; i++) {
    const ground = groundMm[columns.cell[i]!]!;
    const deep = surfaceMm - ground;
    const from = Math.max(columns.lowMm[i]! + liftMm, ground);
    const to = columns.highMm[i]! + liftMm;
    for (let s = 0; s < 3; s++)
      strataMm[s]! += Math.max(0, Math.min(to, ground + EDGES[s + 1]! * deep) - Math.max(from, ground + EDGES[s]! * deep)) * columns.scale;
  }
  fills.set(piece, { groundMm, surfaceMm, strataMm });
  return strataMm;
}

/** Width that a scraper needs along a pane. Common practice. */
export const SCRAPER_MM = 30;

export type PaneSide = 'front' | 'back' | 'left' | 'right';

/**
 * How near a piece comes to a pane above the bed, and leaves no way for a scraper; a piece that leans on the pane on purpose (a back, a
 * cladding) is left out by the caller. Millimetres; negative where it reaches through.
 *
 * @param frontMm where the front pane stands at x
 */
export function paneGaps(
  { bounds: { low, high }, groundMm }: SettledPiece,
  lengthMm: number,
  widthMm: number,
  frontMm: (xMm: number) => number,
): Record<PaneSide, number> | null {
  // what the bed hides is in no scraper's way
  if (high[2] <= groundMm + 5) return null;
  const middle = (low[0] + high[0]) / 2;
  return {
    front: low[1] - Math.max(frontMm(low[0]), frontMm(high[0]), frontMm(middle)),
    back: widthMm - high[1],
    left: low[0],
    right: lengthMm - high[0],
  };
}
