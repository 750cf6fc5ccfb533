import type { Operation } from 'rfc6902';
import type { Design } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import type { HardscapeItem } from '../../core/hardscape/model';
import type { PlantItem } from '../../core/plants/model';
import type { DrawingView } from './outline';

/** What a hand does to a piece. */
export type Grip = 'move' | 'turn' | 'scale';

/** Places snap to this, millimetres; with Alt held to one. */
const SNAP_MM = 5;
const LIMITS = { size: [4, 3000], embed: [0, 2000] } as const;

const clamp = (value: number, [low, high]: readonly [number, number]): number => Math.min(high, Math.max(low, value));
const snapped = (mm: number, fine: boolean): number => (fine ? Math.round(mm) : Math.round(mm / SNAP_MM) * SNAP_MM);

/** Pieces that move with one: its group, or itself; locked ones stay. */
export function movingWith(design: Design, id: string): [string, HardscapeItem][] {
  const own = design.scene[id];
  if (own?.kind !== 'hardscape' || own.locked) return [];
  if (own.groupId === null) return [[id, own]];
  return Object.entries(design.scene).filter(
    (entry): entry is [string, HardscapeItem] => entry[1].kind === 'hardscape' && entry[1].groupId === own.groupId && !entry[1].locked,
  );
}

/** The patch that shifts a piece and its group on the drawing: right, and up (height from the front, depth from above). */
export function shiftPatch(design: Design, id: string, view: DrawingView, rightMm: number, upMm: number, fine = false): Operation[] {
  const own = design.scene[id];
  if (own?.kind !== 'hardscape') return [];
  const dx = snapped(own.positionMm[0] + rightMm, fine) - own.positionMm[0];
  const dy = view === 'plan' ? snapped(own.positionMm[1] + upMm, fine) - own.positionMm[1] : 0;
  const moving = movingWith(design, id);
  const along = carriedBy(
    design,
    moving.map(([key]) => key),
  ).map(
    ([
      key,
      {
        positionMm: [x, y, z],
      },
    ]): Operation => ({
      op: 'replace',
      path: pointer('scene', key, 'positionMm'),
      value: [x + dx, y + dy, z],
    }),
  );
  const pieces = moving.flatMap(([key, item]): Operation[] => {
    const [x, y, z] = item.positionMm;
    if (view === 'plan') return [{ op: 'replace', path: pointer('scene', key, 'positionMm'), value: [x + dx, y + dy, z] }];
    const held = item.stand === 'held';
    const moved: Operation = {
      op: 'replace',
      path: pointer('scene', key, 'positionMm'),
      value: [x + dx, y, held ? Math.max(0, snapped(z + upMm, fine)) : z],
    };
    // what stands on the bed goes deeper into it; it comes up no further than its foot
    if (held || item.stand === 'floor' || Math.abs(upMm) < 3) return [moved];
    return [moved, { op: 'replace', path: pointer('scene', key, 'embedMm'), value: Math.round(clamp(item.embedMm - upMm, LIMITS.embed)) }];
  });
  return [...pieces, ...along];
}

/** Plantings that hold on to these pieces: where they go, those go. */
export function carriedBy(design: Design, ids: readonly string[]): [string, PlantItem][] {
  return Object.entries(design.scene).filter(
    (entry): entry is [string, PlantItem] => entry[1].kind === 'plant' && entry[1].onId !== null && ids.includes(entry[1].onId),
  );
}

/** Plantings of a piece where it is turned or scaled about its middle. */
function aroundPiece(design: Design, id: string, to: (dx: number, dy: number) => readonly [number, number]): Operation[] {
  const own = design.scene[id];
  if (!own) return [];
  const [mx, my] = own.positionMm;
  return carriedBy(design, [id]).map(
    ([
      key,
      {
        positionMm: [x, y, z],
      },
    ]): Operation => {
      const [dx, dy] = to(x - mx, y - my);
      return { op: 'replace', path: pointer('scene', key, 'positionMm'), value: [Math.round(mx + dx), Math.round(my + dy), z] };
    },
  );
}

/** The patch that turns a piece about the upright. */
export function turnPatch(design: Design, id: string, byDeg: number): Operation[] {
  const item = design.scene[id];
  if (item?.kind !== 'hardscape' || item.locked) return [];
  const [x, y, z] = item.turnDeg;
  const turned = ((((Math.round(z + byDeg) + 180) % 360) + 360) % 360) - 180;
  const [cos, sin] = [Math.cos(((turned - z) * Math.PI) / 180), Math.sin(((turned - z) * Math.PI) / 180)];
  return [
    { op: 'replace', path: pointer('scene', id, 'turnDeg'), value: [x, y, turned] },
    ...aroundPiece(design, id, (dx, dy) => [dx * cos - dy * sin, dx * sin + dy * cos]),
  ];
}

/** The patch that makes a piece larger or smaller, its proportions kept. */
export function scalePatch(design: Design, id: string, factor: number): Operation[] {
  const item = design.scene[id];
  if (item?.kind !== 'hardscape' || item.locked || !(factor > 0)) return [];
  const value = item.sizeMm.map((mm) => Math.round(clamp(mm * factor, LIMITS.size)));
  return [
    { op: 'replace', path: pointer('scene', id, 'sizeMm'), value },
    ...aroundPiece(design, id, (dx, dy) => [dx * factor, dy * factor]),
  ];
}
