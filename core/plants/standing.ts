import type { Plant } from '../catalogue/organism';
import { heightAt, type FloorGrid } from '../scene/grid';
import type { SettledPiece } from '../scene/settle-pieces';
import type { Hold, PlantItem, Stage } from './model';
import { shadeAt, type Shade } from './canopy';
import {
  growthPerDay,
  growthShares,
  plantedShare,
  scarcest,
  sizeShare,
  STAGE_DAYS,
  stemsAfter,
  type Cause,
  type Conditions,
} from './growth';

/** A planting where it stands, and as large as it is at the state that is looked at. */
export interface Standing {
  id: string;
  item: PlantItem;
  plant: Plant;
  hold: Hold;
  /** What is under its foot. */
  on: { kind: 'bed' | 'bottom' | 'pane' | 'surface' | 'outside' } | { kind: 'piece'; id: string };
  /** Of its foot. */
  footMm: readonly [number, number, number];
  /** Of one plant of it. */
  heightMm: number;
  widthMm: number;
  /** Share of its grown size. */
  grown: number;
  /** Plants that stand there by then: cut stems have become more. */
  count: number;
  /** Share that it grows by in a day, and its band. */
  perDay: { value: number; band: readonly [number, number] };
  /** Photons where it stands while the lamps burn, under what shades it, µmol/m²s; null while the lamps are not stated. */
  ppfd: number | null;
  /** What other plants let through to it. */
  shade: Shade;
  /** Of its best growth that the light lets it have; 1 while the lamps are not stated. */
  lit: number;
  /** What keeps it from growing faster. */
  scarce: Cause;
}

/** What it stands in. */
export interface Place {
  grid: FloorGrid;
  /** Top of the bed, or the bare bottom. */
  groundMm: Float32Array;
  hasBed: boolean;
  pieces: readonly SettledPiece[];
  waterMm: number;
  /** Of the water, seen from above. */
  surfaceMm2: number;
}

/** What a kind does where nobody has said otherwise. */
export function naturalHold(plant: Plant): Hold {
  if (plant.form === 'mangrove') return 'emersed';
  switch (plant.traits.rooting.value) {
    case 'float':
      return 'afloat';
    case 'attach':
      return 'tied';
    default:
      return 'rooted';
  }
}

/** Highest point of a piece under a place; null where it does not reach there. */
export function topAt(piece: SettledPiece, grid: FloorGrid, xMm: number, yMm: number): number | null {
  const { cell, highMm } = piece.columns;
  const wanted = Math.floor(yMm / grid.cellYMm) * grid.columns + Math.floor(xMm / grid.cellXMm);
  let top: number | null = null;
  for (let i = 0; i < cell.length; i++) if (cell[i] === wanted && (top === null || highMm[i]! > top)) top = highMm[i]!;
  return top === null ? null : top + piece.liftMm;
}

/** Whether a piece comes near a place at all: its columns need not be looked through where it does not. */
function reaches({ bounds: { low, high } }: SettledPiece, { cellXMm, cellYMm }: FloorGrid, xMm: number, yMm: number): boolean {
  return xMm >= low[0] - cellXMm && xMm <= high[0] + cellXMm && yMm >= low[1] - cellYMm && yMm <= high[1] + cellYMm;
}

/** What a root meets at a place: a piece that comes down to the ground there and is more than a chip. */
const CLEAR_MM = 10;
const CHIP_MM = 15;
export function inTheWay(place: Place, xMm: number, yMm: number): { id: string } | null {
  const { grid } = place;
  const ground = heightAt(grid, place.groundMm, xMm, yMm);
  const wanted = Math.floor(yMm / grid.cellYMm) * grid.columns + Math.floor(xMm / grid.cellXMm);
  for (const piece of place.pieces) {
    if (!reaches(piece, grid, xMm, yMm)) continue;
    const { id, columns, liftMm } = piece;
    for (let i = 0; i < columns.cell.length; i++)
      if (columns.cell[i] === wanted && columns.lowMm[i]! + liftMm < ground + CLEAR_MM && columns.highMm[i]! + liftMm > ground + CHIP_MM)
        return { id };
  }
  return null;
}

/** The highest piece that stands over a place. */
export function pieceAt(place: Place, xMm: number, yMm: number): { id: string; topMm: number } | null {
  let found: { id: string; topMm: number } | null = null;
  for (const piece of place.pieces) {
    if (!reaches(piece, place.grid, xMm, yMm)) continue;
    const top = topAt(piece, place.grid, xMm, yMm);
    if (top !== null && (!found || top > found.topMm)) found = { id: piece.id, topMm: top };
  }
  return found;
}

/** How it is ordered from the light down: what is afloat first, then by how high it may grow. */
function reachMm({ hold, footMm, plant }: Pick<Standing, 'hold' | 'footMm' | 'plant'>): number {
  return hold === 'afloat' ? Infinity : footMm[2] + (plant.sizeMm.length.value ?? 100);
}

/**
 * All plantings where they stand, each as large as the light under those over it lets it be.
 *
 * @param conditionsAt what it lives by at a place, before other plants shade it
 */
export function standingsOf(
  plantings: readonly { id: string; item: PlantItem; plant: Plant }[],
  place: Place,
  stage: Stage,
  conditionsAt: (plant: Plant, atMm: readonly [number, number, number]) => Conditions,
): Standing[] {
  const fromAbove = plantings
    .map(({ id, item, plant }) => {
      const hold = item.hold ?? naturalHold(plant);
      return { id, item, plant, hold, ...foot(hold, item.onId, place, ...item.positionMm) };
    })
    .sort((a, b) => reachMm(b) - reachMm(a));
  const done: Standing[] = [];
  for (const one of fromAbove) done.push(standingOf(one, place, stage, done, (at) => conditionsAt(one.plant, at)));
  const byId = new Map(done.map((standing) => [standing.id, standing]));
  return plantings.map(({ id }) => byId.get(id)!);
}

/** How large one planting is where it stands. */
function standingOf(
  { id, item, plant, hold, on, footMm }: Pick<Standing, 'id' | 'item' | 'plant' | 'hold' | 'on' | 'footMm'>,
  place: Place,
  stage: Stage,
  above: readonly Standing[],
  conditionsAt: (atMm: readonly [number, number, number]) => Conditions,
): Standing {
  const start = plantedShare(plant, item.bought);
  const full = plant.sizeMm.length.value ?? 100;
  const wide = plant.sizeMm.width.value ?? 60;
  // it grows by the light at the middle of what was planted; what is afloat has that of the surface
  const atSurface = hold === 'afloat' || hold === 'emersed' || hold === 'chamber';
  const lift = atSurface ? 0 : Math.min((full * start) / 2, Math.max(0, (place.waterMm - footMm[2]) / 2));
  const at = [footMm[0], footMm[1], footMm[2] + lift] as const;
  const shade = atSurface ? UNSHADED : shadeAt(above, place.surfaceMm2, at, (wide / 2) * Math.sqrt(start), plant.id);
  const open = conditionsAt(at);
  const conditions = { ...open, ppfd: open.ppfd === null ? null : open.ppfd * shade.share };
  const perDay = growthPerDay(plant, conditions);
  const shares = growthShares(plant, conditions);
  const grown = sizeShare(start, perDay.value, STAGE_DAYS[stage]);
  const tall = full * grown;
  // what is afloat hangs down; what stands grows no higher than the water, but for what is meant to leave it
  const room =
    hold === 'emersed' || hold === 'chamber'
      ? Infinity
      : hold === 'afloat'
        ? Math.max(10, place.waterMm - heightAt(place.grid, place.groundMm, footMm[0], footMm[1]))
        : Math.max(10, place.waterMm - footMm[2]);
  return {
    id,
    item,
    plant,
    hold,
    on,
    footMm,
    heightMm: Math.min(tall, room),
    widthMm: wide * Math.sqrt(grown),
    grown,
    count:
      plant.form === 'stem' && hold === 'rooted'
        ? stemsAfter(item.count, start, perDay.value, STAGE_DAYS[stage], stemsThatFit(item.spreadMm, wide))
        : item.count,
    perDay,
    ppfd: conditions.ppfd,
    shade,
    lit: conditions.ppfd === null ? 1 : shares.light,
    scarce: scarcest(shares),
  };
}
/** Stems stand so close that their leaves cover each other's by half. Common practice. */
const stemsThatFit = (spreadMm: number, widthMm: number): number => Math.floor((2 * (spreadMm + widthMm / 2) ** 2) / (widthMm / 2) ** 2);
const UNSHADED: Shade = { share: 1, byId: null };

function foot(hold: Hold, onId: string | null, place: Place, x: number, y: number, z: number): Pick<Standing, 'on' | 'footMm'> {
  const ground = heightAt(place.grid, place.groundMm, x, y);
  switch (hold) {
    case 'afloat':
    case 'emersed':
      return { on: { kind: 'surface' }, footMm: [x, y, place.waterMm] };
    case 'chamber':
      return { on: { kind: 'outside' }, footMm: [x, y, 0] };
    case 'pane':
      return { on: { kind: 'pane' }, footMm: [x, y, Math.max(ground, Math.min(z, place.waterMm))] };
    case 'rooted':
    case 'loose':
      return { on: { kind: place.hasBed ? 'bed' : 'bottom' }, footMm: [x, y, ground] };
    default: {
      const carrier = onId === null ? undefined : place.pieces.find((piece) => piece.id === onId);
      const top = carrier && topAt(carrier, place.grid, x, y);
      if (carrier && top !== null && top !== undefined)
        return { on: { kind: 'piece', id: carrier.id }, footMm: [x, y, Math.max(top, ground)] };
      // held to a piece beside which it hangs: at the middle of its height
      if (carrier)
        return {
          on: { kind: 'piece', id: carrier.id },
          footMm: [x, y, Math.max(ground, (carrier.bounds.low[2] + carrier.bounds.high[2]) / 2)],
        };
      const over = onId === null ? pieceAt(place, x, y) : null;
      if (over && over.topMm > ground) return { on: { kind: 'piece', id: over.id }, footMm: [x, y, over.topMm] };
      return { on: { kind: place.hasBed ? 'bed' : 'bottom' }, footMm: [x, y, ground] };
    }
  }
}

const GOLDEN_DEG = 137.508;
/** Where each plant of a planting stands about its middle, millimetres: turned by the golden angle, evenly over its patch. At most `most`. */
export function spots({ count, spreadMm }: Pick<PlantItem, 'count' | 'spreadMm'>, most = 60): readonly (readonly [number, number])[] {
  const shown = Math.min(count, most);
  return Array.from({ length: shown }, (_, i) => {
    if (shown === 1) return [0, 0] as const;
    const r = spreadMm * Math.sqrt((i + 0.5) / shown);
    const turn = (i * GOLDEN_DEG * Math.PI) / 180;
    return [r * Math.cos(turn), r * Math.sin(turn)] as const;
  });
}
