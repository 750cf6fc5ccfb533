import { inOrder } from '../quantity/in-order';
import type { FloorGrid } from '../scene/grid';
import { middleOf } from '../scene/grid';
import type { Layer, Outline, SubstratePlan, Zone } from './model';
import { surfaceAt } from './surface';

/** The bed over the squares of the floor. */
export interface Ground {
  grid: FloorGrid;
  /** Ids, bottom layer first. */
  layerIds: readonly string[];
  /** Top of each layer in each square: where it is missing, that of the one below. */
  layerTopsMm: readonly Float32Array[];
  /** Top of the bed. */
  topMm: Float32Array;
  /** Which layer is uppermost in each square; -1 where the bottom is bare. */
  uppermost: Int16Array;
  /** Which zone each square is in, by its place among the zones; -1 for open ground. */
  zone: Int16Array;
  zoneIds: readonly string[];
  /** Litres of each layer, nothing taken off for what stands in it. */
  litres: readonly number[];
  /** Where a layer's stated top lies under what is below it, as a share of its own area. */
  underShare: readonly number[];
}

/** Whether a place lies inside an outline (even-odd). */
export function isInside(outline: Outline, x: number, y: number): boolean {
  let inside = false;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [xi, yi] = outline[i]!;
    const [xj, yj] = outline[j]!;
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside;
  }
  return inside;
}

/** Below this a stated top counts as lying under the one beneath. */
const UNDER_MM = 0.5;

/** The bed as it comes to lie: each layer fills from what is under it up to its own top. */
export function groundOf(plan: SubstratePlan, grid: FloorGrid, lengthMm: number, widthMm: number): Ground {
  const cells = grid.columns * grid.rows;
  const zones = inOrder(plan.zones);
  const layers = inOrder(plan.layers);
  const zone = new Int16Array(cells).fill(-1);
  if (zones.length > 0)
    for (let cell = 0; cell < cells; cell++) {
      const [x, y] = middleOf(grid, cell);
      zone[cell] = zones.findIndex(([, { outlineMm }]) => isInside(outlineMm, x, y));
    }
  let top: Float32Array = Float32Array.from(grid.floorMm, (floor) => (Number.isNaN(floor) ? 0 : floor));
  const uppermost = new Int16Array(cells).fill(-1);
  const layerTopsMm: Float32Array[] = [];
  const litres: number[] = [];
  const underShare: number[] = [];
  const area = (grid.cellXMm * grid.cellYMm) / grid.covers;
  layers.forEach(([, layer], index) => {
    const next = Float32Array.from(top);
    const lies = liesIn(layer, zones, zone, grid);
    let sum = 0;
    let under = 0;
    let covered = 0;
    for (let cell = 0; cell < cells; cell++) {
      if (Number.isNaN(grid.floorMm[cell]!) || !lies(cell)) continue;
      const x = ((cell % grid.columns) + 0.5) * grid.cellXMm;
      const y = (Math.floor(cell / grid.columns) + 0.5) * grid.cellYMm;
      const stated = surfaceAt(layer.top, lengthMm, widthMm, x, y);
      covered++;
      const below = top[cell]!;
      if (stated < below - UNDER_MM && below > grid.floorMm[cell]!) under++;
      if (stated <= below) continue;
      sum += stated - below;
      next[cell] = stated;
      uppermost[cell] = index;
    }
    layerTopsMm.push(next);
    litres.push((sum * area) / 1e6);
    underShare.push(covered > 0 ? under / covered : 0);
    top = next;
  });
  return {
    grid,
    layerIds: layers.map(([id]) => id),
    layerTopsMm,
    topMm: top,
    uppermost,
    zone,
    zoneIds: zones.map(([id]) => id),
    litres,
    underShare,
  };
}

function liesIn({ area }: Layer, zones: readonly [string, Zone][], zone: Int16Array, grid: FloorGrid): (cell: number) => boolean {
  switch (area.kind) {
    case 'whole':
      return () => true;
    case 'open':
      return (cell) => zone[cell] === -1;
    case 'zone': {
      const index = zones.findIndex(([id]) => id === area.zoneId);
      return (cell) => zone[cell] === index;
    }
    case 'patch':
      return (cell) => {
        const [x, y] = middleOf(grid, cell);
        return isInside(area.outlineMm, x, y);
      };
  }
}

/** Thickness of one layer over the squares where it lies. Millimetres. */
export function depthsOf({ grid, layerTopsMm }: Ground, index: number): { least: number; mean: number; most: number; squares: number } {
  const tops = layerTopsMm[index]!;
  const below = index > 0 ? layerTopsMm[index - 1]! : null;
  let [least, most, sum, squares] = [Infinity, 0, 0, 0];
  for (let cell = 0; cell < tops.length; cell++) {
    const floor = grid.floorMm[cell]!;
    if (Number.isNaN(floor)) continue;
    const depth = tops[cell]! - (below ? below[cell]! : floor);
    // a layer that thins out ends somewhere: less than a millimetre is none
    if (depth < 1) continue;
    least = Math.min(least, depth);
    most = Math.max(most, depth);
    sum += depth;
    squares++;
  }
  return squares > 0 ? { least, mean: sum / squares, most, squares } : { least: 0, mean: 0, most: 0, squares: 0 };
}

/** What lies over the ground of one layer. */
export interface CoverOver {
  /** Depth that all but a sliver of its ground has over it. */
  leastMm: number;
  /** Share of its ground with nothing over it. */
  bareShare: number;
}

/**
 * What lies over a layer where it lies itself, millimetre by millimetre.
 * @param counts whether a layer above counts: what only gives height does not
 * @param sliver share of the ground that is left out at the thin end
 */
export function coverOver({ grid, layerTopsMm }: Ground, index: number, counts: (layer: number) => boolean, sliver: number): CoverOver {
  const tops = layerTopsMm[index]!;
  const below = index > 0 ? layerTopsMm[index - 1]! : null;
  const covers: number[] = [];
  for (let cell = 0; cell < tops.length; cell++) {
    const floor = grid.floorMm[cell]!;
    if (Number.isNaN(floor) || tops[cell]! - (below ? below[cell]! : floor) < 1) continue;
    let cover = 0;
    for (let above = index + 1; above < layerTopsMm.length; above++)
      if (counts(above)) cover += Math.max(0, layerTopsMm[above]![cell]! - layerTopsMm[above - 1]![cell]!);
    covers.push(cover);
  }
  if (covers.length === 0) return { leastMm: 0, bareShare: 0 };
  covers.sort((a, b) => a - b);
  return { leastMm: covers[Math.floor(sliver * covers.length)]!, bareShare: covers.filter((cover) => cover < 1).length / covers.length };
}
