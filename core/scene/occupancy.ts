import type { FloorGrid } from './grid';
import type { SettledPiece } from './settle-pieces';

/** What the pieces take up, and where they are in each other's way. */
export interface Occupancy {
  /** Of the water, above the bed and below its surface. Litres. */
  inWaterL: number;
  /** Of the bed. Litres. */
  inBedL: number;
  /** Of the bed, by layer. Litres. */
  inLayersL: readonly number[];
  /** Pairs that fill the same place, and how much of it. Litres. */
  overlaps: readonly { a: string; b: string; litres: number }[];
}

const MM3_PER_L = 1e6;
/** Pieces touch; what they share below this is drawing, not fault. */
const SHARED_L = 0.002;

/**
 * @param groundMm top of the bed in each square
 * @param layerTopsMm top of each layer in each square, bottom layer first
 * @param surfaceMm height of the water
 */
export function occupancyOf(
  pieces: readonly SettledPiece[],
  grid: FloorGrid,
  groundMm: Float32Array,
  layerTopsMm: readonly Float32Array[],
  surfaceMm: number,
): Occupancy {
  const cells = grid.columns * grid.rows;
  const area = grid.cellXMm * grid.cellYMm;
  const head = new Int32Array(cells).fill(-1);
  const total = pieces.reduce((sum, { columns }) => sum + columns.cell.length, 0);
  const next = new Int32Array(total);
  const low = new Float32Array(total);
  const high = new Float32Array(total);
  const weight = new Float32Array(total);
  const owner = new Int32Array(total);
  const inLayers = layerTopsMm.map(() => 0);
  let water = 0;
  let bed = 0;
  let n = 0;
  const shared = new Map<number, number>();
  pieces.forEach(({ columns, liftMm, filled }, piece) => {
    for (let i = 0; i < columns.cell.length; i++) {
      const cell = columns.cell[i]!;
      const from = columns.lowMm[i]! + liftMm;
      const to = columns.highMm[i]! + liftMm;
      const size = columns.scale * area;
      const ground = groundMm[cell]!;
      const floor = grid.floorMm[cell]!;
      // what an earlier piece fills already is not counted again
      let above = Math.max(0, Math.min(to, surfaceMm) - Math.max(from, ground));
      let below = Math.max(0, Math.min(to, ground) - Math.max(from, floor));
      for (let other = head[cell]!; other >= 0; other = next[other]!) {
        const [a, b] = [Math.max(from, low[other]!), Math.min(to, high[other]!)];
        if (b <= a || owner[other] === piece) continue;
        // columns of one square that are narrower than it lie over each other as often as chance has it
        const part = (size * weight[other]!) / area;
        const both = (b - a) * part;
        const key = owner[other]! * pieces.length + piece;
        shared.set(key, (shared.get(key) ?? 0) + both);
        above -= (Math.max(0, Math.min(b, surfaceMm) - Math.max(a, ground)) * part) / size;
        below -= (Math.max(0, Math.min(b, ground) - Math.max(a, floor)) * part) / size;
      }
      water += Math.max(0, above) * size * filled;
      if (below > 0) {
        bed += below * size * filled;
        let under = floor;
        for (let layer = 0; layer < layerTopsMm.length; layer++) {
          const top = layerTopsMm[layer]![cell]!;
          inLayers[layer]! += Math.max(0, Math.min(to, top) - Math.max(from, under)) * size * filled;
          under = Math.max(under, top);
        }
      }
      low[n] = from;
      high[n] = to;
      weight[n] = size;
      owner[n] = piece;
      next[n] = head[cell]!;
      head[cell] = n++;
    }
  });
  return {
    inWaterL: water / MM3_PER_L,
    inBedL: bed / MM3_PER_L,
    inLayersL: inLayers.map((mm3) => mm3 / MM3_PER_L),
    overlaps: [...shared]
      .map(([key, mm3]) => ({
        a: pieces[Math.floor(key / pieces.length)]!.id,
        b: pieces[key % pieces.length]!.id,
        litres: mm3 / MM3_PER_L,
      }))
      .filter(({ litres }) => litres > SHARED_L)
      .sort((a, b) => b.litres - a.litres),
  };
}
