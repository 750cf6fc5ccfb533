import { boundsOf, moved, placed, type Body, type Bounds } from './body';
import { columnsOf, type Columns } from './columns';
import { heightAt, type FloorGrid } from './grid';
import { turnOf, type Vec3 } from './pose';

/** What carries a piece: the bed, the bottom glass, whatever lies under it, or a screw, glue or string at its own height. */
export type Stand = 'bed' | 'floor' | 'pieces' | 'held';

export interface Piece {
  id: string;
  /** About the middle of its base when it is not turned: z from 0 up. */
  body: Body;
  positionMm: Vec3;
  turnDeg: Vec3;
  stand: Stand;
  /** How far it is pressed into what carries it. */
  embedMm: number;
  /** Share of its solids that is body and not hollow. */
  filled: number;
}

/** A piece where it comes to lie. */
export interface SettledPiece {
  id: string;
  body: Body;
  bounds: Bounds;
  /** Its columns; add `liftMm` to their heights. */
  columns: Columns;
  liftMm: number;
  /** Height of the middle of its base, as it lies. */
  baseMm: number;
  filled: number;
  /** Height of the bed, or of the bottom where there is none, at its middle. */
  groundMm: number;
  stand: Stand;
  /** Pieces that carry it. */
  on: readonly string[];
  support: Support;
}

/** How surely a piece stands. */
export interface Support {
  /** Tilt at which it goes over, degrees; 90 when it is held or bedded, negative when it already falls. */
  tipDegrees: number;
  /** Share of its height that is in the bed. */
  buried: number;
}

/** Turned about the middle of its base, so that its lowest point is at height 0. Kept while the piece is the same. */
interface Lying {
  body: Body;
  columns: Columns;
  bounds: Bounds;
  /** How far the middle of its base is above its lowest point. */
  baseMm: number;
  /** As it came to lie last, and on what: the same again is the same object, so that what rests on it is not worked out anew. */
  last: { piece: Piece; groundMm: Float32Array; below: readonly SettledPiece[]; settled: SettledPiece } | null;
}
const kept = new WeakMap<FloorGrid, WeakMap<Body, { key: string; lying: Lying }>>();

function lyingOf({ body, positionMm: [x, y], turnDeg }: Piece, grid: FloorGrid): Lying {
  const key = `${x} ${y} ${turnDeg.join(' ')}`;
  let onGrid = kept.get(grid);
  if (!onGrid) kept.set(grid, (onGrid = new WeakMap()));
  const known = onGrid.get(body);
  if (known?.key === key) return known.lying;
  const there = placed(body, turnOf(turnDeg), [x, y, 0]);
  const lowest = boundsOf(there).low[2];
  const standing = moved(there, [0, 0, -lowest]);
  const lying = { body: standing, columns: columnsOf(standing, grid), bounds: boundsOf(standing), baseMm: -lowest, last: null };
  onGrid.set(body, { key, lying });
  return lying;
}

/** Lower faces within this of what is under them touch it. */
const TOUCH_MM = 3;
/** A base this near its lowest point is what it stands on. */
const FOOT_MM = 6;
/** A piece with so much of its height in the bed does not go over. Common practice: a fifth. */
const BEDDED = 0.2;

/**
 * Lets every piece down, in order, onto what carries it.
 *
 * @param groundMm top of the bed in each square, the bottom where there is none
 */
export function settlePieces(pieces: readonly Piece[], grid: FloorGrid, groundMm: Float32Array): SettledPiece[] {
  const done: SettledPiece[] = [];
  for (const piece of pieces) {
    const lying = lyingOf(piece, grid);
    const below = done.filter((other) => over(lying.bounds, other.bounds, grid));
    const { last } = lying;
    if (last && last.groundMm === groundMm && isSamePiece(last.piece, piece) && isSameList(last.below, below)) {
      done.push(last.settled);
      continue;
    }
    const settled = letDown(piece, lying, below, grid, groundMm);
    const same = last && isSameLie(last.settled, settled) && isSamePiece(last.piece, piece);
    lying.last = { piece, groundMm, below, settled: same ? last.settled : settled };
    done.push(lying.last.settled);
  }
  return done;
}

/** What an earlier piece over the same squares does to a later one, it does by its bounds and columns. */
function over(a: Bounds, b: Bounds, { cellXMm, cellYMm }: FloorGrid): boolean {
  return (
    a.low[0] < b.high[0] + cellXMm && b.low[0] < a.high[0] + cellXMm && a.low[1] < b.high[1] + cellYMm && b.low[1] < a.high[1] + cellYMm
  );
}

/** Bodies and turns are told apart by what is kept of them already. */
const isSamePiece = (a: Piece, b: Piece): boolean =>
  a.id === b.id && a.stand === b.stand && a.embedMm === b.embedMm && a.filled === b.filled && a.positionMm[2] === b.positionMm[2];
const isSameList = (a: readonly SettledPiece[], b: readonly SettledPiece[]): boolean =>
  a.length === b.length && a.every((piece, i) => piece === b[i]);
const isSameLie = (a: SettledPiece, b: SettledPiece): boolean =>
  a.liftMm === b.liftMm &&
  a.groundMm === b.groundMm &&
  a.support.tipDegrees === b.support.tipDegrees &&
  a.on.length === b.on.length &&
  a.on.every((id, i) => id === b.on[i]);

/** Height of all that lies under a piece, and which of it: written anew for each, in the same place. */
let scratch = { roof: new Float32Array(), owner: new Int32Array() };
function scratchOf(groundMm: Float32Array): typeof scratch {
  if (scratch.roof.length !== groundMm.length)
    scratch = { roof: new Float32Array(groundMm.length), owner: new Int32Array(groundMm.length) };
  scratch.roof.set(groundMm);
  scratch.owner.fill(-1);
  return scratch;
}

/** One piece let down onto the bed and what lies under it. */
function letDown(piece: Piece, lying: Lying, below: readonly SettledPiece[], grid: FloorGrid, groundMm: Float32Array): SettledPiece {
  const { roof, owner } = scratchOf(groundMm);
  below.forEach((other, index) => {
    for (let i = 0; i < other.columns.cell.length; i++) {
      const at = other.columns.cell[i]!;
      const top = other.columns.highMm[i]! + other.liftMm;
      if (top > roof[at]!) {
        roof[at] = top;
        owner[at] = index;
      }
    }
  });
  const { body, columns, bounds, baseMm } = lying;
  const { cell, lowMm } = columns;
  const ground = heightAt(grid, groundMm, piece.positionMm[0], piece.positionMm[1]);
  let lift: number;
  switch (piece.stand) {
    case 'held':
      lift = piece.positionMm[2];
      break;
    case 'floor':
      lift = highest(cell, lowMm, grid.floorMm, FOOT_MM);
      break;
    case 'bed':
      lift = meanUnder(cell, lowMm, groundMm, ground) - piece.embedMm;
      break;
    case 'pieces':
      lift = highest(cell, lowMm, roof, Infinity) - piece.embedMm;
      break;
  }
  lift = Math.max(lift, highest(cell, lowMm, grid.floorMm, FOOT_MM));
  if (!Number.isFinite(lift)) lift = piece.stand === 'held' ? piece.positionMm[2] : 0;
  const tall = Math.max(bounds.high[2] - bounds.low[2], 1);
  const buried = Math.min(1, Math.max(0, (ground - lift) / tall));
  const foot = piece.stand === 'held' || buried >= BEDDED ? null : new Foot(columns.centre);
  const on = new Set<number>();
  for (let i = 0; i < cell.length; i++) {
    const at = cell[i]!;
    const under = piece.stand === 'floor' ? grid.floorMm[at]! : roof[at]!;
    if (lowMm[i]! + lift <= under + TOUCH_MM) {
      foot?.add(((at % grid.columns) + 0.5) * grid.cellXMm, (Math.floor(at / grid.columns) + 0.5) * grid.cellYMm);
      if (owner[at]! >= 0) on.add(owner[at]!);
    }
  }
  return {
    id: piece.id,
    body: moved(body, [0, 0, lift]),
    bounds: { low: [bounds.low[0], bounds.low[1], lift], high: [bounds.high[0], bounds.high[1], bounds.high[2] + lift] },
    columns,
    liftMm: lift,
    baseMm: baseMm + lift,
    filled: piece.filled,
    groundMm: ground,
    stand: piece.stand,
    on: [...on].map((index) => below[index]!.id),
    support: { buried, tipDegrees: foot?.tipDegrees(Math.max(grid.cellXMm, grid.cellYMm) / 2) ?? 90 },
  };
}

/** The height at which a body first touches what is under it. */
function highest(cell: Int32Array, lowMm: Float32Array, under: Float32Array, footMm: number): number {
  let most = -Infinity;
  for (let i = 0; i < cell.length; i++) {
    if (lowMm[i]! > footMm) continue;
    const lift = under[cell[i]!]! - lowMm[i]!;
    if (lift > most) most = lift;
  }
  return most;
}

/** The bed evens out under a weight: its mean height under the foot of a piece. */
function meanUnder(cell: Int32Array, lowMm: Float32Array, groundMm: Float32Array, otherwise: number): number {
  let sum = 0;
  let count = 0;
  for (let i = 0; i < cell.length; i++) {
    if (lowMm[i]! > FOOT_MM) continue;
    sum += groundMm[cell[i]!]!;
    count++;
  }
  return count > 0 ? sum / count : otherwise;
}

const DIRECTIONS = Array.from({ length: 12 }, (_, k) => [Math.cos((k * Math.PI) / 12), Math.sin((k * Math.PI) / 12)] as const);

/** What a piece stands on, by how far it reaches beyond the centre of its weight in each direction. */
class Foot {
  private readonly reach = new Float64Array(2 * DIRECTIONS.length).fill(-Infinity);
  constructor(private readonly centre: readonly [number, number, number]) {}

  add(x: number, y: number): void {
    const [dx, dy] = [x - this.centre[0], y - this.centre[1]];
    for (let k = 0; k < DIRECTIONS.length; k++) {
      const along = dx * DIRECTIONS[k]![0] + dy * DIRECTIONS[k]![1];
      if (along > this.reach[2 * k]!) this.reach[2 * k] = along;
      if (-along > this.reach[2 * k + 1]!) this.reach[2 * k + 1] = -along;
    }
  }

  /**
   * The tilt at which it goes over the nearest edge of its foot, atan(distance / height of its centre). Negative when its weight is not
   * over its foot.
   */
  tipDegrees(slackMm: number): number {
    let nearest = Infinity;
    for (const reach of this.reach) nearest = Math.min(nearest, reach);
    if (!Number.isFinite(nearest)) return -90;
    return (Math.atan2(nearest + slackMm, Math.max(this.centre[2], 1)) * 180) / Math.PI;
  }
}
