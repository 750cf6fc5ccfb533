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

/** What one piece takes up by itself. Cubic millimetres of its solids, hollow or not. */
interface Taken {
  waterMm3: number;
  bedMm3: number;
  layersMm3: readonly number[];
}

/** What two pieces take up both. */
interface Shared {
  mm3: number;
  waterMm3: number;
  bedMm3: number;
}

/** What pieces stand in. */
interface Around {
  grid: FloorGrid;
  /** Top of the bed in each square. */
  groundMm: Float32Array;
  /** Top of each layer in each square, bottom layer first. */
  layerTopsMm: readonly Float32Array[];
  /** Height of the water. */
  surfaceMm: number;
}
const isSame = (a: Around, b: Around): boolean =>
  a.groundMm === b.groundMm && a.surfaceMm === b.surfaceMm && a.layerTopsMm === b.layerTopsMm;

/** A piece that did not move takes up what it took: of sixty pieces the hand moves one. */
const alone = new WeakMap<SettledPiece, { around: Around; taken: Taken }>();
const together = new WeakMap<SettledPiece, WeakMap<SettledPiece, { around: Around; shared: Shared }>>();

export function occupancyOf(
  pieces: readonly SettledPiece[],
  grid: FloorGrid,
  groundMm: Float32Array,
  layerTopsMm: readonly Float32Array[],
  surfaceMm: number,
): Occupancy {
  const around = { grid, groundMm, layerTopsMm, surfaceMm };
  const inLayers = layerTopsMm.map(() => 0);
  const overlaps: { a: string; b: string; litres: number }[] = [];
  let [water, bed] = [0, 0];
  pieces.forEach((piece, i) => {
    const own = takenBy(piece, around);
    // what an earlier piece fills already is not counted again
    let [above, below] = [own.waterMm3, own.bedMm3];
    for (let j = 0; j < i; j++) {
      const other = pieces[j]!;
      if (!boxesMeet(piece, other)) continue;
      const shared = sharedBy(piece, other, around);
      above -= shared.waterMm3;
      below -= shared.bedMm3;
      if (shared.mm3 / MM3_PER_L > SHARED_L) overlaps.push({ a: other.id, b: piece.id, litres: shared.mm3 / MM3_PER_L });
    }
    water += Math.max(0, above) * piece.filled;
    bed += Math.max(0, below) * piece.filled;
    own.layersMm3.forEach((mm3, layer) => (inLayers[layer]! += mm3 * piece.filled));
  });
  return {
    inWaterL: water / MM3_PER_L,
    inBedL: bed / MM3_PER_L,
    inLayersL: inLayers.map((mm3) => mm3 / MM3_PER_L),
    overlaps: overlaps.sort((a, b) => b.litres - a.litres),
  };
}

function takenBy(piece: SettledPiece, around: Around): Taken {
  const known = alone.get(piece);
  if (known && isSame(known.around, around)) return known.taken;
  const { columns, liftMm } = piece;
  const { grid, groundMm, layerTopsMm, surfaceMm } = around;
  const size = columns.scale * grid.cellXMm * grid.cellYMm;
  const layers = layerTopsMm.map(() => 0);
  let [water, bed] = [0, 0];
  for (let i = 0; i < columns.cell.length; i++) {
    const cell = columns.cell[i]!;
    const from = columns.lowMm[i]! + liftMm;
    const to = columns.highMm[i]! + liftMm;
    const ground = groundMm[cell]!;
    const floor = grid.floorMm[cell]!;
    water += Math.max(0, Math.min(to, surfaceMm) - Math.max(from, ground));
    const below = Math.max(0, Math.min(to, ground) - Math.max(from, floor));
    if (below === 0) continue;
    bed += below;
    let under = floor;
    for (let layer = 0; layer < layerTopsMm.length; layer++) {
      const top = layerTopsMm[layer]![cell]!;
      layers[layer]! += Math.max(0, Math.min(to, top) - Math.max(from, under));
      under = Math.max(under, top);
    }
  }
  const taken = { waterMm3: water * size, bedMm3: bed * size, layersMm3: layers.map((mm) => mm * size) };
  alone.set(piece, { around, taken });
  return taken;
}

function sharedBy(a: SettledPiece, b: SettledPiece, around: Around): Shared {
  let pairs = together.get(a);
  if (!pairs) together.set(a, (pairs = new WeakMap()));
  const known = pairs.get(b);
  if (known && isSame(known.around, around)) return known.shared;
  const { grid, groundMm, surfaceMm } = around;
  const area = grid.cellXMm * grid.cellYMm;
  // columns of one square that are narrower than it lie over each other as often as chance has it
  const part = a.columns.scale * b.columns.scale * area;
  let [mm, water, bed] = [0, 0, 0];
  let [i, j] = [0, 0];
  const [cellsA, cellsB] = [a.columns.cell, b.columns.cell];
  // both lists go through the squares in the same order
  while (i < cellsA.length && j < cellsB.length) {
    const cell = cellsA[i]!;
    if (cell < cellsB[j]!) i++;
    else if (cell > cellsB[j]!) j++;
    else {
      const ground = groundMm[cell]!;
      const floor = grid.floorMm[cell]!;
      for (let k = j; k < cellsB.length && cellsB[k] === cell; k++) {
        const from = Math.max(a.columns.lowMm[i]! + a.liftMm, b.columns.lowMm[k]! + b.liftMm);
        const to = Math.min(a.columns.highMm[i]! + a.liftMm, b.columns.highMm[k]! + b.liftMm);
        if (to <= from) continue;
        mm += to - from;
        water += Math.max(0, Math.min(to, surfaceMm) - Math.max(from, ground));
        bed += Math.max(0, Math.min(to, ground) - Math.max(from, floor));
      }
      i++;
    }
  }
  const shared = { mm3: mm * part, waterMm3: water * part, bedMm3: bed * part };
  pairs.set(b, { around, shared });
  return shared;
}

function boxesMeet({ bounds: a }: SettledPiece, { bounds: b }: SettledPiece): boolean {
  return (
    a.low[0] < b.high[0] &&
    b.low[0] < a.high[0] &&
    a.low[1] < b.high[1] &&
    b.low[1] < a.high[1] &&
    a.low[2] < b.high[2] &&
    b.low[2] < a.high[2]
  );
}
