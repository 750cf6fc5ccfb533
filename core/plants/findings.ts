import type { Finding, FindingCodes } from '../calculation/finding';
import type { Standing } from './standing';

type Code = `plants.${FindingCodes['plants']}`;

const about = (code: Code, planting: Standing, severity: Finding['severity'], excess: number, more: Partial<Finding> = {}): Finding => ({
  key: `${code}:${planting.id}`,
  code,
  bench: 'plants',
  severity,
  excess,
  subjects: [planting.id],
  values: {},
  evidence: [],
  basis: 'practice',
  at: planting.footMm,
  ...more,
});

/** A planting outside the glass. */
export function outsideFinding(planting: Standing, isInside: (xMm: number, yMm: number) => boolean): Finding | null {
  if (planting.on.kind === 'outside') return null;
  const [x, y] = planting.item.positionMm;
  return isInside(x, y) ? null : about('plants.outside', planting, 'conflict', 1);
}

/** One whose rhizome or cushion rots in the bed, set into it. */
export function buriedFinding(planting: Standing): Finding | null {
  const { hold, plant } = planting;
  if (hold !== 'rooted' || plant.traits.rooting.value !== 'attach') return null;
  return about('plants.buried', planting, 'watch', 1, {
    kind: plant.form === 'moss' ? 'moss' : 'rhizome',
    basis: plant.traits.rooting.basis,
  });
}

/** One that roots in a bed, where a piece stands in its way or there is no bed. */
export function noRootholdFinding(planting: Standing, piece: { id: string } | null): Finding | null {
  const { hold, plant, on } = planting;
  if (plant.traits.rooting.value !== 'bury') return null;
  if (hold === 'rooted' && piece) return about('plants.on-piece', planting, 'watch', 1, { subjects: [planting.id, piece.id] });
  // stems may float for weeks; what feeds by its roots starves on wood or at the surface
  const adrift = on.kind === 'surface' || on.kind === 'pane' || on.kind === 'piece';
  if (!adrift || hold === 'emersed' || plant.traits.feeds.value !== 'root') return null;
  return about('plants.on-piece', planting, 'watch', 0.5, { kind: 'adrift' });
}
