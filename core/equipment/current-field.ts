import type { SettledPiece } from '../scene/settle-pieces';
import type { FloorGrid } from '../scene/grid';
import { STRATA, type FlowStratum } from '../scene/strata';
import { jetMPerS, outletMPerS } from './jet';

/** Where water is blown into the tank. */
export interface Outlet {
  id: string;
  atMm: readonly [number, number, number];
  /** From the right (0) by the back (90) to the left, and up from level, degrees. */
  turnDeg: number;
  riseDeg: number;
  lPerH: number;
  boreMm: number;
}

/** What stands in the water's way: leaves, as so much of their breadth in a stretch of water. */
export interface Leaves {
  atMm: readonly [number, number, number];
  radiusMm: number;
  heightMm: number;
}

export interface Basin {
  lengthMm: number;
  widthMm: number;
  waterMm: number;
  grid: FloorGrid;
  groundMm: Float32Array;
  pieces: readonly SettledPiece[];
  leaves: readonly Leaves[];
}

/** Speeds over a tank in cells, mm/s; -1 where there is no water. From the left, then from the front, then from the bottom. */
export interface CurrentField {
  cells: readonly [number, number, number];
  cellMm: readonly [number, number, number];
  mmPerS: Float32Array;
  /** Fastest where a jet meets the ground. */
  bedMmPerS: number;
}

/** Breadth of leaves in a metre of grown thicket, per metre, times their drag. Recalled: Nepf 1999, 1 to 10. */
const DRAG_PER_M = 6;
/** Speed of what is stirred, of the cube root of the power put into a kilogram times the size of its eddies (Taylor 1935, recalled). */
const STIRRED = 0.7;
/** Share of it that is left among leaves. Common practice. */
const AMONG_LEAVES = 0.35;
/** Where a jet meets a pane it spreads over it; its speed there by the way from where it met it (Poreh, Tsuei & Cermak 1967, recalled). */
const WALL_JET = { decay: 1.1, thick: 0.1 };
/** Steps along the way of a jet to a place. */
const STEPS = 8;

type Vec = readonly [number, number, number];

/**
 * The current that outlets make in a tank: round turbulent jets that widen and slow down, spread over the pane that they meet, lose to leaves
 * on their way and end at stones; and what they stir in all the rest of the water. A picture, good to a factor of two.
 *
 * @param most cells at most
 */
export function currentField(basin: Basin, outlets: readonly Outlet[], most = 12_000): CurrentField {
  const { lengthMm, widthMm, waterMm } = basin;
  const cell = Math.max(8, Math.cbrt((lengthMm * widthMm * waterMm) / most));
  const cells = [lengthMm, widthMm, waterMm].map((mm) => Math.max(2, Math.round(mm / cell))) as unknown as Vec;
  const cellMm = [lengthMm / cells[0], widthMm / cells[1], waterMm / cells[2]] as const;
  const solid = solidity(basin, cells, cellMm);
  const mmPerS = new Float32Array(cells[0] * cells[1] * cells[2]);
  const jets = outlets.filter(({ lPerH }) => lPerH > 0).map((outlet) => jetOf(outlet, basin));
  const through = (from: Vec, to: Vec): number => passes(solid, cells, cellMm, from, to);
  const halfCellM = Math.min(...cellMm) / 2000;
  // what the jets put in is stirred down in the whole of the water
  const watts = jets.reduce((sum, { speedMPerS, m3PerS }) => sum + (m3PerS * speedMPerS * speedMPerS) / 2, 0);
  const stirred =
    STIRRED * Math.cbrt((watts / Math.max(1e-4, (lengthMm * widthMm * waterMm) / 1e9)) * (Math.min(lengthMm, widthMm, waterMm) / 2000));
  let i = 0;
  for (let k = 0; k < cells[2]; k++)
    for (let j = 0; j < cells[1]; j++)
      for (let c = 0; c < cells[0]; c++, i++) {
        if (solid.full[i] === 1) {
          mmPerS[i] = -1;
          continue;
        }
        const at: Vec = [(c + 0.5) * cellMm[0], (j + 0.5) * cellMm[1], (k + 0.5) * cellMm[2]];
        let [x, y, z] = [0, 0, 0];
        let aside = 0;
        for (const jet of jets) {
          const offset: Vec = [at[0] - jet.from[0], at[1] - jet.from[1], at[2] - jet.from[2]];
          const along = dot(offset, jet.towards);
          if (along > 0 && along <= jet.reachMm) {
            const off = Math.sqrt(Math.max(0, dot(offset, offset) - along * along));
            let speed = meanMPerS(jet.boreMm, jet.speedMPerS, along / 1000, off / 1000, halfCellM);
            // what is slower than the stirred water around it makes no difference
            if (speed < 0.3 * stirred) speed = 0;
            else speed *= through(jet.from, at);
            x += speed * jet.towards[0];
            y += speed * jet.towards[1];
            z += speed * jet.towards[2];
          }
          if (jet.arrives > 0) aside = Math.max(aside, wallSpeed(jet, at) * jet.arrives);
        }
        const straight = Math.hypot(x, y, z);
        mmPerS[i] = 1000 * Math.max(straight, aside, stirred * (solid.drag[i] === 0 ? 1 : AMONG_LEAVES));
      }
  return { cells, cellMm, mmPerS, bedMmPerS: Math.max(0, ...jets.map((jet) => 1000 * overBed(jet))) };

  function jetOf({ atMm, turnDeg, riseDeg, lPerH, boreMm }: Outlet, { lengthMm: l, widthMm: w, waterMm: h }: Basin) {
    const [turn, rise] = [(turnDeg * Math.PI) / 180, (riseDeg * Math.PI) / 180];
    const towards: Vec = [Math.cos(rise) * Math.cos(turn), Math.cos(rise) * Math.sin(turn), Math.sin(rise)];
    const clamp = (value: number, high: number) => Math.min(high - 1, Math.max(1, value));
    const from: Vec = [clamp(atMm[0], l), clamp(atMm[1], w), clamp(atMm[2], h)];
    const reaches = [l, w, h].map((end, axis) => {
      const by = towards[axis]!;
      return Math.abs(by) < 1e-6 ? Infinity : by > 0 ? (end - from[axis]!) / by : -from[axis]! / by;
    });
    const reachMm = Math.min(...reaches);
    const wall = reaches.indexOf(reachMm);
    const meets: Vec = [from[0] + towards[0] * reachMm, from[1] + towards[1] * reachMm, from[2] + towards[2] * reachMm];
    const speedMPerS = outletMPerS(lPerH, boreMm);
    return {
      from,
      towards,
      reachMm,
      wall,
      meets,
      boreMm,
      speedMPerS,
      arrives: passes(solid, cells, cellMm, from, meets),
      m3PerS: lPerH / 3.6e6,
    };
  }

  /** Speed at which a jet meets the ground, m/s: nought where it goes over it. */
  function overBed(jet: ReturnType<typeof jetOf>): number {
    const { grid, groundMm } = basin;
    for (let s = 1; s <= 24; s++) {
      const along = (jet.reachMm * s) / 24;
      const [x, y, z] = [0, 1, 2].map((axis) => jet.from[axis]! + jet.towards[axis]! * along) as unknown as Vec;
      const column = Math.min(grid.columns - 1, Math.max(0, Math.floor(x / grid.cellXMm)));
      const row = Math.min(grid.rows - 1, Math.max(0, Math.floor(y / grid.cellYMm)));
      const ground = groundMm[row * grid.columns + column]!;
      // its lower half reaches down before its middle does
      if (z - 0.1 * along <= ground + 10)
        return (
          jetMPerS(jet.boreMm, jet.speedMPerS, along / 1000, Math.max(0, z - ground - 10) / 1000) *
          passes(solid, cells, cellMm, jet.from, [x, y, Math.max(z, ground + cellMm[2])])
        );
    }
    return 0;
  }

  function wallSpeed(jet: ReturnType<typeof jetOf>, at: Vec): number {
    const off = Math.abs(at[jet.wall]! - jet.meets[jet.wall]!);
    const radius = Math.hypot(...[0, 1, 2].filter((axis) => axis !== jet.wall).map((axis) => at[axis]! - jet.meets[axis]!));
    const reach = Math.max(radius, 0.5 * jet.boreMm);
    // no faster than the jet arrives
    const most = jetMPerS(jet.boreMm, jet.speedMPerS, jet.reachMm / 1000, 0);
    const along = Math.min(most, (WALL_JET.decay * jet.speedMPerS * jet.boreMm) / reach);
    const thick = Math.max(jet.boreMm / 2, WALL_JET.thick * (reach + 0.107 * jet.reachMm));
    return along * Math.exp(-((off / thick) ** 2));
  }
}

/** Mean speed of a jet over a cell: a narrow one fills a part of it. */
function meanMPerS(boreMm: number, speedMPerS: number, alongM: number, asideM: number, halfCellM: number): number {
  const width = Math.max(0.107 * alongM, boreMm / 2000);
  const seen = Math.hypot(width, halfCellM);
  const middle = jetMPerS(boreMm, speedMPerS, alongM, 0) * (width / seen);
  return middle * Math.exp(-((asideM / seen) ** 2));
}

const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

interface Solidity {
  /** 1 where a piece, the bed or the outside fills a cell's middle. */
  full: Uint8Array;
  /** Drag of leaves, per metre of way. */
  drag: Float32Array;
}

function solidity({ grid, groundMm, pieces, leaves }: Basin, cells: Vec, cellMm: Vec): Solidity {
  const full = new Uint8Array(cells[0] * cells[1] * cells[2]);
  const drag = new Float32Array(full.length);
  const at = (c: number, j: number, k: number) => (k * cells[1] + j) * cells[0] + c;
  for (let j = 0; j < cells[1]; j++)
    for (let c = 0; c < cells[0]; c++) {
      const column = Math.min(grid.columns - 1, Math.floor(((c + 0.5) * cellMm[0]) / grid.cellXMm));
      const row = Math.min(grid.rows - 1, Math.floor(((j + 0.5) * cellMm[1]) / grid.cellYMm));
      const ground = groundMm[row * grid.columns + column]!;
      for (let k = 0; k < cells[2]; k++) if (Number.isNaN(ground) || (k + 0.5) * cellMm[2] < ground) full[at(c, j, k)] = 1;
    }
  for (const { columns, liftMm } of pieces)
    for (let i = 0; i < columns.cell.length; i++) {
      const cell = columns.cell[i]!;
      const c = Math.min(cells[0] - 1, Math.floor((((cell % grid.columns) + 0.5) * grid.cellXMm) / cellMm[0]));
      const j = Math.min(cells[1] - 1, Math.floor(((Math.floor(cell / grid.columns) + 0.5) * grid.cellYMm) / cellMm[1]));
      const from = Math.max(0, Math.ceil((columns.lowMm[i]! + liftMm) / cellMm[2] - 0.5));
      const to = Math.min(cells[2] - 1, Math.floor((columns.highMm[i]! + liftMm) / cellMm[2] - 0.5));
      for (let k = from; k <= to; k++) full[at(c, j, k)] = 1;
    }
  for (const { atMm, radiusMm, heightMm } of leaves) {
    const [c0, c1] = [atMm[0] - radiusMm, atMm[0] + radiusMm].map((mm) =>
      Math.min(cells[0] - 1, Math.max(0, Math.floor(mm / cellMm[0]))),
    ) as [number, number];
    const [j0, j1] = [atMm[1] - radiusMm, atMm[1] + radiusMm].map((mm) =>
      Math.min(cells[1] - 1, Math.max(0, Math.floor(mm / cellMm[1]))),
    ) as [number, number];
    const [k0, k1] = [atMm[2], atMm[2] + heightMm].map((mm) => Math.min(cells[2] - 1, Math.max(0, Math.floor(mm / cellMm[2])))) as [
      number,
      number,
    ];
    for (let k = k0; k <= k1; k++)
      for (let j = j0; j <= j1; j++)
        for (let c = c0; c <= c1; c++) {
          const [dx, dy] = [(c + 0.5) * cellMm[0] - atMm[0], (j + 0.5) * cellMm[1] - atMm[1]];
          if (dx * dx + dy * dy <= radiusMm * radiusMm + cellMm[0] * cellMm[1]) drag[at(c, j, k)] = DRAG_PER_M;
        }
  }
  return { full, drag };
}

/** What leaves let through on the way from one place to another; nothing through a stone. */
function passes({ full, drag }: Solidity, cells: Vec, cellMm: Vec, from: Vec, to: Vec): number {
  const way = [to[0] - from[0], to[1] - from[1], to[2] - from[2]] as const;
  const lengthM = Math.hypot(...way) / 1000;
  let sum = 0;
  for (let s = 1; s < STEPS; s++) {
    const f = s / STEPS;
    const c = Math.min(cells[0] - 1, Math.max(0, Math.floor((from[0] + way[0] * f) / cellMm[0])));
    const j = Math.min(cells[1] - 1, Math.max(0, Math.floor((from[1] + way[1] * f) / cellMm[1])));
    const k = Math.min(cells[2] - 1, Math.max(0, Math.floor((from[2] + way[2] * f) / cellMm[2])));
    const i = (k * cells[1] + j) * cells[0] + c;
    if (full[i] === 1) return 0;
    sum += drag[i]!;
  }
  return Math.exp((-0.5 * sum * lengthM) / (STEPS - 1));
}

/** Speeds of a stratum, slowest first, mm/s. */
export function speedsIn({ cells, mmPerS }: CurrentField, stratum: FlowStratum): Float32Array {
  const [low, high] = STRATA[stratum];
  const layer = cells[0] * cells[1];
  const of: number[] = [];
  for (let k = 0; k < cells[2]; k++) {
    const at = (k + 0.5) / cells[2];
    if (at < low || at >= high) continue;
    for (let i = k * layer; i < (k + 1) * layer; i++) if (mmPerS[i]! >= 0) of.push(mmPerS[i]!);
  }
  return Float32Array.from(of).sort();
}

/** What stands still: less than this moves no mulm and brings no food, mm/s. Common practice. */
export const STILL_MM_PER_S = 5;
/** Speed at a place, mm/s; 0 where there is no water. */
export function speedAt({ cells, cellMm, mmPerS }: CurrentField, [x, y, z]: Vec): number {
  const c = Math.min(cells[0] - 1, Math.max(0, Math.floor(x / cellMm[0])));
  const j = Math.min(cells[1] - 1, Math.max(0, Math.floor(y / cellMm[1])));
  const k = Math.min(cells[2] - 1, Math.max(0, Math.floor(z / cellMm[2])));
  return Math.max(0, mmPerS[(k * cells[1] + j) * cells[0] + c]!);
}
