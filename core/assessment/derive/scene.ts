import type { PlantItem } from '../../plants/model';
import { pieceOf } from '../../hardscape/body';
import type { HardscapeItem } from '../../hardscape/model';
import { openRoom } from '../../hardscape/room';
import { facingMouths, refugesOf, type Standing } from '../../hardscape/shelter';
import { inOrder, type Design } from '../../design/design';
import { floorGrid, heightAt, type FloorGrid } from '../../scene/grid';
import { occupancyOf } from '../../scene/occupancy';
import type { PieceClass } from '../../catalogue/piece';
import { settlePieces, type SettledPiece } from '../../scene/settle-pieces';
import type { Vec3 } from '../../scene/pose';
import { placesIn } from '../../plants/cover';
import { screensOf } from '../../plants/screens';
import { OPEN_SHARE, sightBetween } from '../../scene/sight';
import { bedOf } from '../../substrate/bed';
import { groundOf } from '../../substrate/ground';
import { loosestStep, steepestOf } from '../../substrate/steepest';
import { insideFloorMm } from '../../vessel/inside-floor';
import type { Vessel } from '../../vessel/model';
import { surfacesOf } from '../../vessel/shape';
import { missing, type Definitions } from './node';

/** Owners of hides quarrel with neighbours whose mouth they see within this. Common practice, for shell dwellers. */
const FACING_MM = 120;

type SceneNodes =
  | 'scene.grid'
  | 'scene.ground'
  | 'scene.pieces'
  | 'scene.occupancy'
  | 'substrate.bed'
  | 'substrate.slopes'
  | 'hardscape.refuges'
  | 'hardscape.facing'
  | 'hardscape.room';

/** The latest grids: a vessel keeps its floor through most edits, and a kept floor keeps all that stands on it. */
const grids = new Map<string, FloorGrid>();
const MOST_GRIDS = 8;

/** The form of a vessel's inside: all of it that what stands there can look at. */
function formOf(vessel: Vessel | null): readonly (string | number)[] {
  if (!vessel) return [];
  const own = vessel.shape === 'jar' ? [vessel.baseMm, vessel.bellyHeightMm] : vessel.shape === 'bow-front' ? [vessel.sideMm] : [];
  return [vessel.shape, vessel.lengthMm, vessel.widthMm, ...own];
}

function gridOf(vessel: Vessel): FloorGrid {
  const { shape, lengthMm, widthMm } = vessel;
  const key = formOf(vessel).join(' ');
  const known = grids.get(key);
  if (known) return known;
  const area = shape === 'jar' ? (Math.PI / 4) * lengthMm ** 2 : surfacesOf(vessel, 1).baseM2 * 1e6;
  const grid = floorGrid(lengthMm, widthMm, (x, y) => insideFloorMm(vessel, x, y), area);
  const [oldest] = grids.keys();
  if (grids.size >= MOST_GRIDS && oldest !== undefined) grids.delete(oldest);
  grids.set(key, grid);
  return grid;
}

interface Scene {
  hardscape: [string, HardscapeItem][];
  plants: [string, PlantItem][];
  /** Which plants stand in it, wherever they do. */
  planted: string;
}
const scenes = new WeakMap<Design['scene'], Scene>();
function sceneOf({ scene }: Design): Scene {
  let known = scenes.get(scene);
  if (!known) {
    const items = inOrder(scene);
    const plants = items.filter((entry): entry is [string, PlantItem] => entry[1].kind === 'plant');
    known = {
      hardscape: items.filter((entry): entry is [string, HardscapeItem] => entry[1].kind === 'hardscape'),
      plants,
      planted: plants.map(([id, { classId, count }]) => `${id} ${classId} ${count}`).join('/'),
    };
    scenes.set(scene, known);
  }
  return known;
}
export const hardscapeOf = (design: Design): [string, HardscapeItem][] => sceneOf(design).hardscape;
export const plantsOf = (design: Design): [string, PlantItem][] => sceneOf(design).plants;
export const plantedIn = (design: Design): string => sceneOf(design).planted;

const standings = new WeakMap<SettledPiece, Standing>();
/** The same piece on the same place is the same object: what was worked out of it stands. */
function standingOf(id: string, item: HardscapeItem, of: PieceClass, settled: SettledPiece): Standing {
  const known = standings.get(settled);
  if (known?.item === item && known.of === of) return known;
  const standing = { id, item, of, settled };
  standings.set(settled, standing);
  return standing;
}

const hundredths = (litres: number): number => Math.round(litres * 100) / 100;

/** What is built in the tank: bed, pieces, hides. */
export const sceneNodes: Pick<Definitions, SceneNodes> = {
  'scene.grid': {
    calculationId: null,
    from: [],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }) => (vessel ? { value: gridOf(vessel) } : missing('no vessel is chosen')),
  },
  'scene.ground': {
    calculationId: null,
    from: ['scene.grid'],
    reads: ({ design }) => [design.substrate, ...formOf(design.vessel)],
    compute: ({ design: { vessel, substrate } }, up) => {
      const grid = up['scene.grid'].value;
      if (!vessel || !grid) return missing('no vessel is chosen');
      return { value: groundOf(substrate, grid, vessel.lengthMm, vessel.widthMm) };
    },
  },
  'scene.pieces': {
    calculationId: null,
    from: ['scene.ground'],
    reads: ({ design, catalogue }) => [design.scene, catalogue],
    compute: ({ design, catalogue }, up) => {
      const ground = up['scene.ground'].value;
      if (!ground) return missing('no vessel is chosen');
      const known = hardscapeOf(design).flatMap(([id, item]) => {
        const of = catalogue.pieces.get(item.classId);
        return of ? [{ id, item, of }] : [];
      });
      const settled = settlePieces(
        known.map(({ id, item, of }) => pieceOf(id, item, of)),
        ground.grid,
        ground.topMm,
      );
      return { value: known.map((piece, i) => standingOf(piece.id, piece.item, piece.of, settled[i]!)) };
    },
  },
  'scene.occupancy': {
    calculationId: 'scene.solid-volume',
    from: ['scene.ground', 'scene.pieces'],
    reads: ({ design }) => [design.vessel?.waterLevelMm],
    compute: ({ design: { vessel } }, up) => {
      const ground = up['scene.ground'].value;
      const standing = up['scene.pieces'].value;
      if (!vessel || !ground || !standing) return missing('no vessel is chosen');
      const value = occupancyOf(
        standing.map(({ settled }) => settled),
        ground.grid,
        ground.topMm,
        ground.layerTopsMm,
        vessel.waterLevelMm,
      );
      return { value: { ...value, inWaterL: hundredths(value.inWaterL), inBedL: hundredths(value.inBedL) } };
    },
  },
  'substrate.bed': {
    calculationId: 'substrate.fill',
    from: ['scene.ground', 'scene.occupancy'],
    reads: ({ design, catalogue }) => [design.substrate, design.vessel?.waterLevelMm, catalogue],
    compute: ({ design: { vessel, substrate }, catalogue }, up) => {
      const ground = up['scene.ground'].value;
      const occupancy = up['scene.occupancy'].value;
      if (!vessel || !ground || !occupancy) return missing('no vessel is chosen');
      const bed = bedOf(substrate, ground, occupancy.inLayersL, vessel.waterLevelMm, (id) => catalogue.materials.get(id));
      return { value: bed, inputs: Object.fromEntries(bed.layers.map(({ id, litres }) => [id, hundredths(litres)])) };
    },
  },
  'substrate.slopes': {
    calculationId: 'substrate.slope-stability',
    from: ['scene.ground'],
    reads: ({ design }) => [design.substrate.zones],
    compute: ({ design: { substrate } }, up) => {
      const ground = up['scene.ground'].value;
      if (!ground) return missing('no vessel is chosen');
      return { value: { steepest: steepestOf(ground), step: loosestStep(ground, substrate.zones) } };
    },
  },
  'hardscape.refuges': {
    calculationId: 'hardscape.hide-fit',
    from: ['scene.ground', 'scene.pieces', 'plants.standing'],
    reads: ({ design }) => [design.scene, ...formOf(design.vessel), design.vessel?.heightMm],
    compute: ({ design }, up) => {
      const { vessel } = design;
      const ground = up['scene.ground'].value;
      const standing = up['scene.pieces'].value;
      if (!vessel || !ground || !standing) return missing('no vessel is chosen');
      const groundAt = (x: number, y: number) => heightAt(ground.grid, ground.topMm, x, y);
      const plants = (up['plants.standing'].value ?? []).map((planting) => ({
        id: planting.id,
        at: [...planting.footMm] as Vec3,
        places: placesIn(planting),
      }));
      return { value: refugesOf(standing, plants, groundAt, (from, along) => paneMm(vessel, from, along), ground) };
    },
  },
  'hardscape.facing': {
    calculationId: null,
    from: ['hardscape.refuges', 'scene.pieces', 'scene.ground', 'plants.standing'],
    reads: () => [],
    compute: (_, up) => {
      const ground = up['scene.ground'].value;
      const pieces = (up['scene.pieces'].value ?? []).map(({ settled }) => settled);
      const screens = screensOf(up['plants.standing'].value ?? []);
      const groundAt = ground ? (x: number, y: number) => heightAt(ground.grid, ground.topMm, x, y) : undefined;
      const isOpen = (from: Vec3, to: Vec3, except: readonly string[]) =>
        sightBetween(from, to, pieces, screens, except, groundAt).share > OPEN_SHARE;
      return { value: facingMouths(up['hardscape.refuges'].value ?? [], FACING_MM, isOpen) };
    },
  },
  'hardscape.room': {
    calculationId: null,
    from: ['scene.ground', 'scene.pieces'],
    reads: ({ design }) => [design.vessel?.waterLevelMm],
    compute: ({ design: { vessel } }, up) => {
      const ground = up['scene.ground'].value;
      const standing = up['scene.pieces'].value;
      if (!vessel || !ground || !standing) return missing('no vessel is chosen');
      return {
        value: openRoom(
          ground.grid,
          ground.topMm,
          standing.map(({ settled }) => settled),
          vessel.waterLevelMm,
        ),
      };
    },
  },
};

/** Distance to the glass from a place inside along a level line. Millimetres; walls taken as upright. */
function paneMm(vessel: Vessel, [x, y]: Vec3, [dx, dy]: Vec3): number {
  const { lengthMm, widthMm } = vessel;
  const flat = Math.hypot(dx, dy);
  if (flat < 0.3) return Infinity;
  if (vessel.shape === 'cylinder' || vessel.shape === 'jar') {
    const [px, py, r] = [x - lengthMm / 2, y - lengthMm / 2, lengthMm / 2];
    const b = (px * dx + py * dy) / flat;
    return -b + Math.sqrt(Math.max(0, b * b - (px * px + py * py - r * r)));
  }
  const toWall = (p: number, d: number, size: number) => (Math.abs(d) < 1e-9 ? Infinity : (d > 0 ? size - p : -p) / d);
  return Math.min(toWall(x, dx, lengthMm), toWall(y, dy, widthMm)) * flat;
}
