import type { Assessment } from '../../core/assessment/assess';
import { animalOf, type Member } from '../../core/assessment/derive';
import { serves } from '../../core/hardscape/shelter';
import type { Vec3 } from '../../core/scene/pose';
import { insideFloorMm } from '../../core/vessel/inside-floor';
import type { Vessel } from '../../core/vessel/model';
import type { DrawingView } from './outline';

/** Body lengths to the nearest hide: within the first an animal is bold, beyond the last it is in the open. Common practice: 5 to 10. */
const BANDS = [3, 6, 10];
const COLUMNS = 96;

export interface Shelter {
  member: Member;
  lengthMm: number;
  /** Places that serve it. */
  hides: readonly Vec3[];
  /** Share of the water within the first band, and how far the furthest place is. */
  nearShare: number;
  furthestMm: number;
  furthestAt: Vec3;
}

/** Whom the shelter is looked at for: the first target that hides, or the first animal that does. */
export function shelterOf({ world: { design }, derived }: Assessment): Shelter | null {
  const members = derived['stock.members'].value ?? [];
  const targets = [...members].sort(
    (a, b) => Number(design.brief.targetStockIds.includes(b.id)) - Number(design.brief.targetStockIds.includes(a.id)),
  );
  const { vessel } = design;
  for (const member of targets) {
    const animal = animalOf(member);
    const shelter = animal?.traits.shelter.value;
    const [lengthMm, depthMm, widthMm] = [animal?.sizeMm.length.value, animal?.sizeMm.depth.value, animal?.sizeMm.width.value];
    if (!vessel || !shelter || shelter.kinds.length === 0 || !lengthMm || !depthMm || !widthMm) continue;
    const hides = (derived['hardscape.refuges'].value ?? [])
      .filter((refuge) => serves(refuge, shelter.kinds, { lengthMm, depthMm, widthMm }) === 'fits')
      .map(({ at }) => at);
    let near = 0;
    let all = 0;
    let [furthestMm, furthestAt]: [number, Vec3] = [0, [0, 0, 0]];
    for (let i = 0; i < 24; i++)
      for (let j = 0; j < 14; j++)
        for (let k = 0; k < 8; k++) {
          const at: Vec3 = [((i + 0.5) / 24) * vessel.lengthMm, ((j + 0.5) / 14) * vessel.widthMm, ((k + 0.5) / 8) * vessel.waterLevelMm];
          const away = nearestMm(hides, at);
          all++;
          if (away <= BANDS[0]! * lengthMm) near++;
          if (away > furthestMm && Number.isFinite(away)) [furthestMm, furthestAt] = [away, at];
        }
    return { member, lengthMm, hides, nearShare: near / all, furthestMm, furthestAt };
  }
  return null;
}

function nearestMm(hides: readonly Vec3[], [x, y, z]: Vec3): number {
  let least = Infinity;
  for (const hide of hides) least = Math.min(least, (hide[0] - x) ** 2 + (hide[1] - y) ** 2 + (hide[2] - z) ** 2);
  return Math.sqrt(least);
}

/** Bands of distance to the nearest hide, laid over the drawing: middle of the tank from the front, on the bed from above. */
export function shelterPicture({ hides, lengthMm }: Shelter, vessel: Vessel, view: DrawingView): string | null {
  const size: Vec3 = [vessel.lengthMm, vessel.widthMm, vessel.waterLevelMm];
  const tall = view === 'section' ? size[2] : size[1];
  const rows = Math.max(8, Math.round((COLUMNS * tall) / size[0]));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [COLUMNS, rows];
  const context = canvas.getContext('2d');
  if (!context) return null;
  const image = context.createImageData(COLUMNS, rows);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < COLUMNS; column++) {
      const along = ((column + 0.5) / COLUMNS) * size[0];
      const up = (1 - (row + 0.5) / rows) * tall;
      // from the front every depth is seen at once: the nearest hide wherever it stands
      const away =
        view === 'section'
          ? nearestMm(
              hides.map((hide) => [hide[0], 0, hide[2]]),
              [along, 0, up],
            )
          : nearestMm(
              hides.map((hide) => [hide[0], hide[1], 0]),
              [along, up, 0],
            );
      if (view === 'plan' && insideFloorMm(vessel, along, up) === null) continue;
      const band = BANDS.findIndex((lengths) => away <= lengths * lengthMm);
      const strength = band < 0 ? 0 : [0.5, 0.32, 0.16][band]!;
      const to = (row * COLUMNS + column) * 4;
      [image.data[to], image.data[to + 1], image.data[to + 2], image.data[to + 3]] = [61, 102, 72, Math.round(strength * 255)];
    }
  context.putImageData(image, 0, 0);
  return canvas.toDataURL();
}
