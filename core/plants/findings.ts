import type { Finding, FindingCodes } from '../calculation/finding';
import { FROM_PANES } from '../light/field';
import { lightWanted } from './growth';
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

/** One that is tied, glued or wedged where there is nothing to hold it. */
export function noHoldFinding(planting: Standing): Finding | null {
  // what nobody has said anything of lies where it is put
  const { on, item } = planting;
  if (item.hold !== 'tied' && item.hold !== 'glued' && item.hold !== 'wedged') return null;
  if (on.kind === 'piece') return null;
  return about('plants.no-hold', planting, 'watch', 0.4);
}

/** Floating kinds whose roots reach a soil that feeds: they take hold in it and pull it up. */
export function rootsReachFinding(planting: Standing, waterOverSoilMm: number): Finding | null {
  const root = planting.plant.traits.rootMm?.value;
  if (planting.hold !== 'afloat' || !root || (root[0] + root[1]) / 2 < waterOverSoilMm) return null;
  return about('plants.roots-reach', planting, 'watch', 0.3, {
    values: { roots: { quantity: 'length', value: root[1] }, water: { quantity: 'length', value: waterOverSoilMm } },
    basis: planting.plant.traits.rootMm!.basis,
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

/** A rosette or fern whose leaves are half as long again as the water is deep stands out of it, dries off and rots. Common practice. */
const OUTGROWS = 1.5;
export function outgrowsFinding(planting: Standing, waterMm: number): Finding | null {
  const { plant, hold, footMm, perDay } = planting;
  const grows = plant.form === 'rosette' || plant.form === 'rhizome-fern';
  const length = plant.sizeMm.length.value;
  if (!grows || hold === 'emersed' || hold === 'afloat' || hold === 'chamber' || !length || perDay.value <= 0) return null;
  const room = Math.max(10, waterMm - footMm[2]);
  if (length < OUTGROWS * room) return null;
  return about('plants.outgrows', planting, 'watch', length / room - 1, {
    values: { length: { quantity: 'length', value: length }, water: { quantity: 'length', value: room } },
    basis: plant.sizeMm.length.basis,
  });
}

/** Under the least that it lives by; half of it, and it dies off. Common practice. */
const DIES_OFF = 1 / 2;
/** Half as much again as a shade plant does well in burns it, or furs it over with algae. Common practice. */
const SCORCHED = 1.5;

/** Too little light where it stands, or far too much for a plant of the shade; null where the lamps are not stated. */
export function lightFinding(planting: Standing): Finding | null {
  const { plant, ppfd, on } = planting;
  const wants = lightWanted(plant);
  if (ppfd === null || wants === null || on.kind === 'outside') return null;
  const { least, good, basis } = wants;
  const values = {
    ppfd: { quantity: 'number', value: Math.round(ppfd) },
    least: { quantity: 'number', value: least },
    most: { quantity: 'number', value: good[1] },
  } as const;
  const more = { values, basis } as const;
  // what panes throw back may still lift it over the edge
  const bright = ppfd * FROM_PANES[1];
  if (bright < least) {
    const { share, byId } = planting.shade;
    const severity = bright < least * DIES_OFF ? 'conflict' : 'watch';
    const excess = least / Math.max(ppfd, 0.1);
    // without its neighbour it had enough
    if (byId !== null && bright / share >= least)
      return about('plants.light', planting, severity, excess, { ...more, kind: 'shaded', subjects: [planting.id, byId] });
    return about('plants.light', planting, severity, excess, { ...more, kind: 'dark' });
  }
  if (plant.traits.light.value === 'low' && ppfd > good[1] * SCORCHED)
    return about('plants.light', planting, 'watch', ppfd / (good[1] * SCORCHED), { ...more, kind: 'glare' });
  return null;
}
