import type { Finding, FindingCodes } from '../calculation/finding';
import { FROM_PANES } from '../light/field';
import { LIGHT_WANTED } from './growth';
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

/** Under the least that its kind is said to want; a third of it, and it dies off. Common practice. */
const DIES_OFF = 1 / 3;
/** Several times the most that a shade plant wants burns or furs it over with algae. Common practice. */
const SCORCHED = 4;

/** Too little light where it stands, or far too much for a plant of the shade; null where the lamps are not stated. */
export function lightFinding(planting: Standing): Finding | null {
  const { plant, ppfd, on } = planting;
  const wants = plant.traits.light.value;
  if (ppfd === null || wants === null || on.kind === 'outside') return null;
  const [least, most] = LIGHT_WANTED[wants];
  const values = {
    ppfd: { quantity: 'number', value: Math.round(ppfd) },
    least: { quantity: 'number', value: least },
    most: { quantity: 'number', value: most },
  } as const;
  const more = { values, basis: plant.traits.light.basis } as const;
  // what panes throw back may still lift it over the edge
  if (ppfd * FROM_PANES[1] < least)
    return about('plants.light', planting, ppfd * FROM_PANES[1] < least * DIES_OFF ? 'conflict' : 'watch', least / Math.max(ppfd, 0.1), {
      ...more,
      kind: 'dark',
    });
  if (wants === 'low' && ppfd > most * SCORCHED)
    return about('plants.light', planting, 'watch', ppfd / (most * SCORCHED), { ...more, kind: 'glare' });
  return null;
}
