import type { FloorGrid } from '../scene/grid';
import type { SettledPiece } from '../scene/settle-pieces';

/** What stands in the way of light, column by column of the floor: heights from the bottom at which a cell is filled. */
export interface Obstacles {
  grid: FloorGrid;
  /** Where the spans of each cell begin in `lowMm` and `highMm`; one more than there are cells. */
  from: Int32Array;
  lowMm: Float32Array;
  highMm: Float32Array;
  /** Nothing is filled above it. */
  topMm: number;
}

/** Pieces as what stands in the way. */
export function obstaclesOf(grid: FloorGrid, pieces: readonly SettledPiece[]): Obstacles {
  const from = new Int32Array(grid.columns * grid.rows + 1);
  for (const { columns } of pieces) for (const cell of columns.cell) from[cell + 1]!++;
  for (let i = 1; i < from.length; i++) from[i]! += from[i - 1]!;
  const next = from.slice();
  const lowMm = new Float32Array(from[from.length - 1]!);
  const highMm = new Float32Array(lowMm.length);
  let topMm = 0;
  for (const { columns, liftMm } of pieces)
    for (let i = 0; i < columns.cell.length; i++) {
      const at = next[columns.cell[i]!]!++;
      lowMm[at] = columns.lowMm[i]! + liftMm;
      highMm[at] = columns.highMm[i]! + liftMm;
      topMm = Math.max(topMm, highMm[at]!);
    }
  return { grid, from, lowMm, highMm, topMm };
}

/** A ray begins so far above what it starts from. */
const OFF_MM = 3;

/**
 * Whether a straight way up from a place is free of pieces.
 *
 * @param rightMm how far it goes along the tank for each millimetre up
 * @param backMm how far it goes across it
 */
export function isClear(
  { grid, from, lowMm, highMm, topMm }: Obstacles,
  [x, y, z]: readonly [number, number, number],
  rightMm: number,
  backMm: number,
): boolean {
  const rise = topMm - z;
  if (rise <= OFF_MM) return true;
  const cellMm = Math.min(grid.cellXMm, grid.cellYMm);
  const steps = Math.max(1, Math.ceil((rise * Math.hypot(rightMm, backMm)) / cellMm));
  const each = rise / steps;
  for (let i = 0; i < steps; i++) {
    const up = (i + 0.5) * each;
    const column = Math.floor((x + up * rightMm) / grid.cellXMm);
    const row = Math.floor((y + up * backMm) / grid.cellYMm);
    if (column < 0 || row < 0 || column >= grid.columns || row >= grid.rows) return true;
    const cell = row * grid.columns + column;
    const low = z + (i === 0 ? OFF_MM : i * each);
    const high = z + (i + 1) * each;
    for (let k = from[cell]!; k < from[cell + 1]!; k++) if (lowMm[k]! < high && highMm[k]! > low) return false;
  }
  return true;
}
