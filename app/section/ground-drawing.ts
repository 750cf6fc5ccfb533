import { contours } from 'd3-contour';
import type { Material } from '../../core/catalogue/material';
import type { Bed } from '../../core/substrate/bed';
import type { Ground } from '../../core/substrate/ground';
import { closedPath, type Point } from './outline';

/** How a bed is hatched, by its grain. */
export type Hatch = 'silt' | 'sand' | 'gravel' | 'stones' | 'granules' | 'fibres' | 'filler';
export const HATCHES: readonly Hatch[] = ['silt', 'sand', 'gravel', 'stones', 'granules', 'fibres', 'filler'];

export function hatchOf(material: Material | undefined, grainMm: readonly [number, number] | null): Hatch {
  if (material?.filler) return 'filler';
  if (!grainMm) return 'fibres';
  if (material?.action.kind === 'exchanges' || material?.nutrient || material?.id === 'old-soil' || material?.id === 'baked-clay')
    return 'granules';
  const middle = Math.sqrt(grainMm[0] * grainMm[1]);
  return middle < 0.1 ? 'silt' : middle < 1.5 ? 'sand' : middle < 25 ? 'gravel' : 'stones';
}

export interface DrawnLayer {
  id: string;
  name: string;
  colour: string;
  hatch: Hatch;
  path: string;
}

export interface GroundSection {
  /** Cut along the front pane, bottom layer first. */
  layers: readonly DrawnLayer[];
  /** The ground that rises behind the cut, and its colour. */
  behind: string;
  behindColour: string;
}

/** The bed from the front: cut at the front pane, and what rises behind it. */
export function groundSection(ground: Ground, bed: Bed): GroundSection | null {
  const { grid, layerTopsMm, topMm } = ground;
  const { columns, rows, cellXMm, floorMm } = grid;
  if (layerTopsMm.length === 0) return null;
  const front: number[] = [];
  const highest: number[] = [];
  for (let column = 0; column < columns; column++) {
    let first = -1;
    let most = 0;
    for (let row = 0; row < rows; row++) {
      const cell = row * columns + column;
      if (Number.isNaN(floorMm[cell]!)) continue;
      if (first < 0) first = cell;
      // a round vessel bulges forward in its middle: its own wall is no ground
      if (ground.uppermost[cell]! >= 0) most = Math.max(most, topMm[cell]!);
    }
    front.push(first);
    highest.push(most);
  }
  const x = (column: number) => (column === 0 ? 0 : column === columns - 1 ? columns * cellXMm : (column + 0.5) * cellXMm);
  const inside = front.flatMap((cell, column) => (cell >= 0 ? [column] : []));
  const bottomOf = (cell: number) => floorMm[cell]!;
  const layers = layerTopsMm.map((tops, i): DrawnLayer => {
    const below = i > 0 ? layerTopsMm[i - 1]! : null;
    const upper: Point[] = inside.map((column) => [x(column), -tops[front[column]!]!]);
    const lower: Point[] = inside.map((column) => [x(column), -(below ? below[front[column]!]! : bottomOf(front[column]!))]);
    const layer = bed.layers[i]!;
    return {
      id: layer.id,
      name: layer.material?.name ?? layer.materialId,
      colour: layer.material?.colour ?? '#9b9484',
      hatch: hatchOf(layer.material, layer.grainMm),
      path: upper.some(([, y], k) => y < lower[k]![1] - 0.3) ? closedPath([...upper, ...lower.reverse()]) : '',
    };
  });
  const crest: Point[] = inside.map((column) => [x(column), -highest[column]!]);
  const cut: Point[] = inside.map((column) => [x(column), -Math.max(0, topMm[front[column]!]!)]);
  const rises = crest.some(([, y], k) => y < cut[k]![1] - 1);
  return {
    layers,
    behind: rises ? closedPath([...crest, ...cut.reverse()]) : '',
    behindColour: bed.showing[0]?.material?.colour ?? '#9b9484',
  };
}

export interface HeightLine {
  mm: number;
  path: string;
}

/** Lines of equal height of the bed, from above. */
export function heightLines(ground: Ground): HeightLine[] {
  const { columns, rows, cellXMm, cellYMm } = ground.grid;
  let [least, most] = [Infinity, 0];
  ground.topMm.forEach((top, cell) => {
    if (ground.uppermost[cell]! < 0) return;
    least = Math.min(least, top);
    most = Math.max(most, top);
  });
  if (most - least < 4) return [];
  const step = [5, 10, 20, 50, 100, 200].find((mm) => (most - least) / mm <= 7) ?? 200;
  const levels: number[] = [];
  for (let mm = Math.ceil((least + 0.5) / step) * step; mm < most; mm += step) levels.push(mm);
  return contours()
    .size([columns, rows])
    .thresholds(levels)([...ground.topMm])
    .map((shape) => ({
      mm: shape.value,
      path: shape.coordinates
        .flat()
        .map((ring) => closedPath(ring.map(([x = 0, y = 0]): Point => [x * cellXMm, -y * cellYMm])))
        .join(''),
    }));
}

/** The bed from above as a small picture: the colour of what shows, lighter where it is higher. Null where there is no canvas. */
export function groundPicture(ground: Ground, bed: Bed): string | null {
  const { columns, rows, floorMm } = ground.grid;
  if (bed.layers.length === 0) return null;
  const canvas = document.createElement('canvas');
  canvas.width = columns;
  canvas.height = rows;
  const context = canvas.getContext('2d');
  if (!context) return null;
  const image = context.createImageData(columns, rows);
  const colours = bed.layers.map(({ material }) => rgbOf(material?.colour ?? '#9b9484'));
  const { least, most } = bed.topMm;
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const cell = row * columns + column;
      const layer = ground.uppermost[cell]!;
      if (layer < 0 || Number.isNaN(floorMm[cell]!)) continue;
      const share = most > least ? (ground.topMm[cell]! - least) / (most - least) : 0.5;
      const noise = Math.imul(column * 374761393 + row * 668265263, 1274126177);
      const grain = (((noise >>> 16) & 15) - 7.5) * 1.1;
      const to = ((rows - 1 - row) * columns + column) * 4;
      colours[layer]!.forEach((value, k) => (image.data[to + k] = Math.max(0, Math.min(255, value * (0.9 + 0.16 * share) + grain))));
      image.data[to + 3] = 255;
    }
  context.putImageData(image, 0, 0);
  return canvas.toDataURL();
}

function rgbOf(hex: string): [number, number, number] {
  return [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number];
}
