import type { Material } from '../catalogue/material';
import { inOrder } from '../quantity/in-order';
import type { Span } from '../quantity/range';
import { depthsOf, type Ground } from './ground';
import { BED_POROSITY, grainL } from './grain-share';
import type { Area, SubstratePlan } from './model';

/** A layer of the bed as it comes out. */
export interface BedLayer {
  id: string;
  materialId: string;
  /** undefined when the catalogue does not know it. */
  material: Material | undefined;
  grainMm: Span | null;
  area: Area;
  /** To be filled, what stands or lies in it taken off. */
  litres: number;
  /** Dry, as it is poured; null while its density is not known. */
  kg: number | null;
  depthMm: { least: number; mean: number; most: number };
  /** Share of its stated ground that lies under what is below it. */
  underShare: number;
  cloth: boolean;
  spent: number;
}

export interface Bed {
  layers: readonly BedLayer[];
  /** All of it, pores too. */
  litres: number;
  /** Its grains: water that it keeps out. */
  grainL: number;
  kg: number;
  /** Layers that show, most of the floor first. */
  showing: readonly BedLayer[];
  /** Depth that a quarter of the floor has at least: an animal that burrows picks its place. */
  quarterMm: number;
  /** Greatest and least height of its top above the inside bottom, where there is a bed. */
  topMm: { least: number; most: number };
}

/** The top of a bed as it shows. */
interface Top {
  /** Bed above the water, litres. */
  dryL: number;
  quarterMm: number;
  least: number;
  most: number;
  /** Squares in which each layer is uppermost. */
  shows: readonly number[];
}
/** Pieces come and go on a bed that stays. */
const tops = new WeakMap<Ground, { surfaceMm: number; top: Top; depths: readonly ReturnType<typeof depthsOf>[] }>();

/**
 * @param inLayersL what pieces take up of each layer
 * @param surfaceMm height of the water: a bank above it keeps no water out
 */
export function bedOf(
  plan: SubstratePlan,
  ground: Ground,
  inLayersL: readonly number[],
  surfaceMm: number,
  materialOf: (id: string) => Material | undefined,
): Bed {
  const stated = inOrder(plan.layers);
  const { top, depths } = shapeOf(ground, stated.length, surfaceMm);
  const { dryL, quarterMm, least: lowest, most: highest, shows } = top;
  const layers = stated.map(([id, layer], i): BedLayer => {
    const material = materialOf(layer.materialId);
    const litres = Math.max(0, ground.litres[i]! - (inLayersL[i] ?? 0));
    const density = material?.densityKgPerM3.value ?? null;
    const { least, mean, most } = depths[i]!;
    return {
      id,
      materialId: layer.materialId,
      material,
      grainMm: layer.grainMm ?? material?.grainMm.value ?? null,
      area: layer.area,
      litres,
      kg: density === null ? null : (litres * density) / 1000,
      depthMm: { least, mean, most },
      underShare: ground.underShare[i]!,
      cloth: layer.cloth,
      spent: layer.spent,
    };
  });
  const litres = layers.reduce((sum, layer) => sum + layer.litres, 0);
  return {
    layers,
    litres,
    showing: layers.filter((_, i) => shows[i]! > 0).sort((a, b) => shows[layers.indexOf(b)]! - shows[layers.indexOf(a)]!),
    quarterMm,
    grainL: grainL(Math.max(0, litres - dryL), BED_POROSITY),
    kg: layers.reduce((sum, layer) => sum + (layer.kg ?? 0), 0),
    topMm: { least: highest > 0 ? lowest : 0, most: highest },
  };
}

function shapeOf(ground: Ground, layers: number, surfaceMm: number) {
  let known = tops.get(ground);
  if (known?.surfaceMm !== surfaceMm) {
    known = {
      surfaceMm,
      top: topOf(ground, layers, surfaceMm),
      depths: Array.from({ length: layers }, (_, i) => depthsOf(ground, i)),
    };
    tops.set(ground, known);
  }
  return known;
}

function topOf(ground: Ground, layers: number, surfaceMm: number): Top {
  let dryL = 0;
  let [least, most] = [Infinity, 0];
  const shows = new Array<number>(layers).fill(0);
  // in whole millimetres: enough, and no sorting
  const byDepth = new Uint32Array(2002);
  let inside = 0;
  const area = (ground.grid.cellXMm * ground.grid.cellYMm) / ground.grid.covers;
  for (let cell = 0; cell < ground.topMm.length; cell++) {
    const top = ground.topMm[cell]!;
    const floor = ground.grid.floorMm[cell]!;
    if (Number.isNaN(floor)) continue;
    inside++;
    byDepth[Math.min(2001, Math.max(0, Math.round(top - floor)))]!++;
    if (ground.uppermost[cell]! < 0) continue;
    shows[ground.uppermost[cell]!]!++;
    least = Math.min(least, top);
    most = Math.max(most, top);
    if (top > surfaceMm) dryL += ((top - Math.max(surfaceMm, floor)) * area) / 1e6;
  }
  let quarterMm = byDepth.length - 1;
  for (let deeper = 0; quarterMm > 0; quarterMm--) {
    deeper += byDepth[quarterMm]!;
    if (deeper >= inside / 4) break;
  }
  return { dryL, quarterMm, least, most, shows };
}
