import { middleOf } from '../scene/grid';
import type { Ground } from './ground';
import type { Zone } from './model';

/** The steepest place of the bed whose grain is that of one layer. */
export interface Steepest {
  layer: number;
  degrees: number;
  /** Where, and the way down: a unit vector from above. */
  at: readonly [xMm: number, yMm: number];
  down: readonly [x: number, y: number];
}

/** A step of the ground that no edge holds. */
export interface LooseStep {
  heightMm: number;
  at: readonly [xMm: number, yMm: number];
}

/** Ground this much higher across a border stands without an edge: a heap of sand has as much. */
const FREE_STEP_MM = 8;

/** The steepest slope of each layer that shows, over neighbours of one zone: borders of zones are steps, and edges hold them. */
export function steepestOf(ground: Ground): Steepest[] {
  const { grid, uppermost, layerIds } = ground;
  const { columns, rows, cellXMm, cellYMm, floorMm } = grid;
  const most = layerIds.map(() => 0);
  const where = layerIds.map(() => -1);
  for (let row = 1; row < rows - 1; row++)
    for (let column = 1; column < columns - 1; column++) {
      const cell = row * columns + column;
      const layer = uppermost[cell]!;
      if (layer < 0 || Number.isNaN(floorMm[cell]!)) continue;
      const dx = rise(ground, cell, 1) / cellXMm;
      const dy = rise(ground, cell, columns) / cellYMm;
      const square = dx * dx + dy * dy;
      if (square > most[layer]!) {
        most[layer] = square;
        where[layer] = cell;
      }
    }
  return layerIds.flatMap((_, layer): Steepest[] => {
    const cell = where[layer]!;
    const slope = Math.sqrt(most[layer]!);
    if (cell < 0 || slope < 1e-3) return [];
    const down = [-rise(ground, cell, 1) / cellXMm / slope, -rise(ground, cell, columns) / cellYMm / slope] as const;
    return [{ layer, degrees: (Math.atan(slope) * 180) / Math.PI, at: middleOf(grid, cell), down }];
  });
}

/** Rise to the next square on along a row or a column, over those neighbours that are the same ground. */
function rise({ grid: { floorMm }, topMm, zone, uppermost }: Ground, cell: number, stride: number): number {
  const [before, after] = [cell - stride, cell + stride];
  const hasBefore = zone[before] === zone[cell] && uppermost[before] === uppermost[cell] && !Number.isNaN(floorMm[before]!);
  const hasAfter = zone[after] === zone[cell] && uppermost[after] === uppermost[cell] && !Number.isNaN(floorMm[after]!);
  if (hasBefore && hasAfter) return (topMm[after]! - topMm[before]!) / 2;
  if (hasBefore) return topMm[cell]! - topMm[before]!;
  return hasAfter ? topMm[after]! - topMm[cell]! : 0;
}

/** The highest step between two zones, or a zone and open ground, that no edge holds; null when every step is held. */
export function loosestStep(ground: Ground, zones: Readonly<Record<string, Zone>>): LooseStep | null {
  const { grid, topMm, zone, zoneIds } = ground;
  if (zoneIds.length === 0) return null;
  let worst: LooseStep | null = null;
  const edgeTop = (cell: number) => {
    const index = zone[cell]!;
    return index < 0 ? null : (zones[zoneIds[index]!]?.edgeTopMm ?? null);
  };
  for (let cell = 0; cell < topMm.length; cell++) {
    if (Number.isNaN(grid.floorMm[cell]!)) continue;
    for (const next of [(cell + 1) % grid.columns === 0 ? -1 : cell + 1, cell + grid.columns]) {
      if (next < 0 || next >= topMm.length || zone[next] === zone[cell] || Number.isNaN(grid.floorMm[next]!)) continue;
      const [high, low] = topMm[cell]! > topMm[next]! ? [topMm[cell]!, topMm[next]!] : [topMm[next]!, topMm[cell]!];
      const held = Math.max(edgeTop(cell) ?? -Infinity, edgeTop(next) ?? -Infinity);
      const step = high - Math.max(low, Math.min(held, high));
      if (step > FREE_STEP_MM && step > (worst?.heightMm ?? 0)) worst = { heightMm: step, at: middleOf(grid, cell) };
    }
  }
  return worst;
}
