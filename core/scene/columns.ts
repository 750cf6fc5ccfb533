import { bodyCrossings, boundsOf, closedVolumeMm3, type Body } from './body';
import type { FloorGrid } from './grid';

/** A body cut into upright columns over the squares of a floor; heights are those of the body as it was given. */
export interface Columns {
  /** Squares under it, those outside the grid left out. */
  cell: Int32Array;
  lowMm: Float32Array;
  highMm: Float32Array;
  /** Its volume by closed form, or by its columns. */
  volumeMm3: number;
  /** What a column's length is multiplied by, so that all of them make up the volume. */
  scale: number;
  /** Share of it that stands outside the vessel's floor. */
  outside: number;
  /** Centre of volume. */
  centre: readonly [number, number, number];
}

/** Fewest, so that a shell is not three columns wide. */
const FEWEST_ACROSS = 8;

/**
 * The columns of a body. The column of a square is the mean of several lines where the body is small against the squares.
 */
export function columnsOf(body: Body, grid: FloorGrid): Columns {
  const { low, high } = boundsOf(body);
  const cells: number[] = [];
  const lows: number[] = [];
  const highs: number[] = [];
  const { cellXMm, cellYMm, columns, rows, floorMm } = grid;
  // of what reaches far out of the vessel only the part near it is looked at
  const [farX, farY] = [Math.ceil(columns / 2), Math.ceil(rows / 2)];
  const wanted = [
    Math.floor(low[0] / cellXMm),
    Math.floor(low[1] / cellYMm),
    Math.ceil(high[0] / cellXMm),
    Math.ceil(high[1] / cellYMm),
  ] as const;
  const from = [Math.max(wanted[0], -farX), Math.max(wanted[1], -farY)] as const;
  const to = [Math.min(wanted[2], columns + farX), Math.min(wanted[3], rows + farY)] as const;
  const whole = from[0] === wanted[0] && from[1] === wanted[1] && to[0] === wanted[2] && to[1] === wanted[3];
  const across = Math.max(1, Math.min(to[0] - from[0], to[1] - from[1]));
  // a small body gets several lines to a square, each standing for its part of it
  const split = across < FEWEST_ACROSS ? Math.ceil(FEWEST_ACROSS / across) : 1;
  const share = 1 / (split * split);
  let sum = 0;
  let outside = 0;
  let [mx, my, mz] = [0, 0, 0];
  for (let row = from[1]; row < to[1]; row++)
    for (let column = from[0]; column < to[0]; column++) {
      const inside = column >= 0 && row >= 0 && column < columns && row < rows;
      const cell = inside ? row * columns + column : -1;
      const off = !inside || Number.isNaN(floorMm[cell]!);
      for (let i = 0; i < split * split; i++) {
        const x = (column + ((i % split) + 0.5) / split) * cellXMm;
        const y = (row + (Math.floor(i / split) + 0.5) / split) * cellYMm;
        const spans = bodyCrossings(body, [x, y, 0], [0, 0, 1]);
        for (let k = 0; k < spans.length; k += 2) {
          const [a, b] = [spans[k]!, spans[k + 1]!];
          const length = (b - a) * share;
          sum += length;
          mx += length * x;
          my += length * y;
          mz += (length * (a + b)) / 2;
          if (off) outside += length;
          else {
            cells.push(cell);
            lows.push(a);
            highs.push(b);
          }
        }
      }
    }
  const area = cellXMm * cellYMm;
  const volumeMm3 = closedVolumeMm3(body) ?? sum * area;
  return {
    cell: Int32Array.from(cells),
    lowMm: Float32Array.from(lows),
    highMm: Float32Array.from(highs),
    volumeMm3,
    scale: sum > 0 ? (whole ? volumeMm3 / (sum * area) : 1) * share : 0,
    outside: sum > 0 ? (whole ? outside / sum : 1 - ((sum - outside) * area) / volumeMm3) : 1,
    centre: sum > 0 ? [mx / sum, my / sum, mz / sum] : [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2, (low[2] + high[2]) / 2],
  };
}
