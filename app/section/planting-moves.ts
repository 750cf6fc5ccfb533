import type { Operation } from 'rfc6902';
import type { Design } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import type { PlantItem } from '../../core/plants/model';
import { pieceAt, type Place } from '../../core/plants/standing';
import type { DrawingView } from './outline';

const SNAP_MM = 5;
const snapped = (mm: number, fine: boolean): number => Math.round(mm / (fine ? 1 : SNAP_MM)) * (fine ? 1 : SNAP_MM);

/** Plantings that move with one: its group, or itself; locked ones stay. */
export function plantsMovingWith(design: Design, id: string): [string, PlantItem][] {
  const own = design.scene[id];
  if (own?.kind !== 'plant' || own.locked) return [];
  if (own.groupId === null) return [[id, own]];
  return Object.entries(design.scene).filter(
    (entry): entry is [string, PlantItem] => entry[1].kind === 'plant' && entry[1].groupId === own.groupId && !entry[1].locked,
  );
}

/** The patch that shifts a planting: right, and up (depth from above). What is tied goes over to the piece that it is moved to. */
export function movePlanting(
  design: Design,
  place: Place | null,
  id: string,
  view: DrawingView,
  rightMm: number,
  upMm: number,
  fine = false,
): Operation[] {
  const own = design.scene[id];
  if (own?.kind !== 'plant') return [];
  const dx = snapped(own.positionMm[0] + rightMm, fine) - own.positionMm[0];
  const up = view === 'plan' ? snapped(own.positionMm[1] + upMm, fine) - own.positionMm[1] : upMm;
  return plantsMovingWith(design, id).flatMap(([key, item]): Operation[] => {
    const [x, y, z] = item.positionMm;
    const onPane = item.hold === 'pane';
    const to: [number, number, number] =
      view === 'plan' ? [x + dx, y + up, z] : [x + dx, y, onPane ? Math.max(0, snapped(z + up, fine)) : z];
    if (to.every((mm, i) => mm === item.positionMm[i])) return [];
    const moved: Operation = { op: 'replace', path: pointer('scene', key, 'positionMm'), value: to };
    const isTied = item.onId !== null || item.hold === 'tied' || item.hold === 'glued' || item.hold === 'wedged';
    if (!isTied || !place) return [moved];
    const over = pieceAt(place, to[0], to[1])?.id ?? null;
    return over === item.onId ? [moved] : [moved, { op: 'replace', path: pointer('scene', key, 'onId'), value: over }];
  });
}
