/** The floor of a vessel in small squares, and how high its inside bottom is there: a jar's wall rises where it bulges over its base. */
export interface FloorGrid {
  cellXMm: number;
  cellYMm: number;
  columns: number;
  rows: number;
  /** Inside bottom of each square, row by row from the front; NaN outside the vessel. */
  floorMm: Float32Array;
  /** How much of the floor's true area the squares make up; their sums are divided by it. */
  covers: number;
}

/** Most squares of a grid: fine enough for one per cent, few enough for every drag. */
const MOST_CELLS = 6_000;
const FINEST_MM = 3;

/**
 * @param floorAt inside bottom at a place, null outside the vessel. Millimetres
 * @param areaMm2 the greatest inside area as its closed form gives it, where that is known
 */
export function floorGrid(
  lengthMm: number,
  widthMm: number,
  floorAt: (xMm: number, yMm: number) => number | null,
  areaMm2: number | null,
): FloorGrid {
  const cell = Math.max(FINEST_MM, Math.sqrt((lengthMm * widthMm) / MOST_CELLS));
  const columns = Math.max(2, Math.round(lengthMm / cell));
  const rows = Math.max(2, Math.round(widthMm / cell));
  const [cellXMm, cellYMm] = [lengthMm / columns, widthMm / rows];
  const floorMm = new Float32Array(columns * rows);
  let inside = 0;
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const floor = floorAt((column + 0.5) * cellXMm, (row + 0.5) * cellYMm);
      floorMm[row * columns + column] = floor ?? NaN;
      if (floor !== null) inside++;
    }
  return { cellXMm, cellYMm, columns, rows, floorMm, covers: areaMm2 === null ? 1 : (inside * cellXMm * cellYMm) / areaMm2 };
}

/** The square a place lies in; -1 outside the grid. */
export function cellAt({ cellXMm, cellYMm, columns, rows }: FloorGrid, xMm: number, yMm: number): number {
  const [column, row] = [Math.floor(xMm / cellXMm), Math.floor(yMm / cellYMm)];
  return column < 0 || row < 0 || column >= columns || row >= rows ? -1 : row * columns + column;
}

/** The middle of a square. */
export function middleOf({ cellXMm, cellYMm, columns }: FloorGrid, cell: number): readonly [xMm: number, yMm: number] {
  return [((cell % columns) + 0.5) * cellXMm, (Math.floor(cell / columns) + 0.5) * cellYMm];
}

/** Heights between squares, straight from one to the next; at the edges those of the last inside square. */
export function heightAt(grid: FloorGrid, heightMm: Float32Array, xMm: number, yMm: number): number {
  const { cellXMm, cellYMm, columns, rows } = grid;
  const fx = Math.min(Math.max(xMm / cellXMm - 0.5, 0), columns - 1);
  const fy = Math.min(Math.max(yMm / cellYMm - 0.5, 0), rows - 1);
  const [c, r] = [Math.min(Math.floor(fx), columns - 2), Math.min(Math.floor(fy), rows - 2)];
  const [u, v] = [fx - c, fy - r];
  let sum = 0;
  let weight = 0;
  for (let i = 0; i < 4; i++) {
    const [dc, dr] = [i & 1, i >> 1];
    const height = heightMm[(r + dr) * columns + c + dc]!;
    const w = (dc ? u : 1 - u) * (dr ? v : 1 - v);
    if (w <= 0 || Number.isNaN(height)) continue;
    sum += height * w;
    weight += w;
  }
  return weight > 0 ? sum / weight : 0;
}
