import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import { inTheWay } from '../../plants/standing';
import { insideFloorMm } from '../../vessel/inside-floor';
import type { Assessment } from '../assessment';
import { inTheBed, placeOf } from '../derive/plants';
import { forRevision, type Proposal } from './remedy';

/** How far from a pane a planting is moved in, and how fine beside a piece is looked for a place. Millimetres. */
const IN_FROM_PANE_MM = 30;
const STEP_MM = 20;

/** Puts a planting where its kind can live: inside, off a piece, out of the bed, into it. */
export function plantingRemedy({ world: { design }, derived }: Assessment, finding: Finding): Proposal[] {
  const planting = derived['plants.standing'].value?.find(({ id }) => id === finding.subjects[0]);
  const within = placeOf(design, derived);
  const { vessel } = design;
  if (!planting || !vessel || !within || planting.item.locked) return [];
  const pieces = inTheBed(derived);
  const place = { ...within, pieces };
  const set = (part: string, value: unknown): Operation => ({
    op: 'replace',
    path: pointer('scene', planting.id, part),
    value: value as never,
  });
  const propose = (kind: Proposal['kind'], patch: Operation[], subjects: readonly string[] = [planting.id]): Proposal => ({
    kind,
    subjects,
    values: {},
    patch: [forRevision(design.rev), ...patch],
  });
  const [x, y, z] = planting.item.positionMm;
  const inside = (px: number, py: number) => insideFloorMm(vessel, px, py) !== null;
  switch (finding.code) {
    case 'plants.outside': {
      const [middleX, middleY] = [vessel.lengthMm / 2, vessel.widthMm / 2];
      const length = Math.hypot(middleX - x, middleY - y);
      for (let t = 0; t <= length; t += STEP_MM) {
        const [px, py] = [x + ((middleX - x) * t) / length, y + ((middleY - y) * t) / length];
        if (!inside(px, py)) continue;
        const further = Math.min(length, t + IN_FROM_PANE_MM);
        const to = [x + ((middleX - x) * further) / length, y + ((middleY - y) * further) / length];
        return [propose('plant-in', [set('positionMm', [Math.round(to[0]!), Math.round(to[1]!), z])])];
      }
      return [];
    }
    case 'plants.no-hold':
    case 'plants.buried': {
      const near = pieces
        .map(({ id, bounds: { low, high } }) => ({
          id,
          far: Math.hypot((low[0] + high[0]) / 2 - x, (low[1] + high[1]) / 2 - y),
          at: [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2],
        }))
        .sort((a, b) => a.far - b.far)[0];
      const loose = propose('lift-plant', [set('hold', 'loose')]);
      if (!near) return [loose];
      const tied = [set('hold', 'tied'), set('onId', near.id), set('positionMm', [Math.round(near.at[0]!), Math.round(near.at[1]!), z])];
      return [propose('lift-plant', tied, [planting.id, near.id]), loose];
    }
    case 'plants.on-piece': {
      if (finding.kind === 'adrift') return [propose('root-plant', [set('hold', 'rooted'), set('onId', null)])];
      for (let r = STEP_MM; r < 400; r += STEP_MM)
        for (let k = 0; k < 12; k++) {
          const [px, py] = [x + r * Math.cos((k * Math.PI) / 6), y + r * Math.sin((k * Math.PI) / 6)];
          if (inside(px, py) && !inTheWay(place, px, py))
            return [propose('plant-off', [set('positionMm', [Math.round(px), Math.round(py), z])])];
        }
      return [];
    }
    default:
      return [];
  }
}
