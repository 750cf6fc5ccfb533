import type { Plant } from '../catalogue/organism';
import type { Hold, PlantItem } from './model';

/** Share of light that one plant of a habit keeps from what is under it. Common practice: a floating leaf lets a tenth through. */
const OPAQUE: Readonly<Record<Plant['form'], number>> = {
  stem: 0.5,
  grass: 0.35,
  carpet: 0.3,
  rosette: 0.6,
  'rhizome-fern': 0.5,
  lily: 0.7,
  moss: 0.6,
  macroalga: 0.5,
  mangrove: 0.15,
  floating: 0.9,
};
/** Open water that is left between floating leaves, however many there are. */
const LEAST_OPEN = 0.05;

/** What shades: enough of a standing planting. */
export interface Shading {
  id: string;
  item: PlantItem;
  plant: Plant;
  hold: Hold;
  /** Plants that stand there. */
  count: number;
  footMm: readonly [number, number, number];
  heightMm: number;
  widthMm: number;
}

const discMm2 = (widthMm: number): number => (Math.PI / 4) * widthMm * widthMm;

/** Share of the surface that lies under floating leaves: they drift over all of it. */
export function floatingShare(plantings: readonly Shading[], surfaceMm2: number): number {
  const area = plantings.reduce((sum, { hold, count, widthMm }) => sum + (hold === 'afloat' ? count * discMm2(widthMm) : 0), 0);
  return surfaceMm2 > 0 ? Math.min(1 - LEAST_OPEN, area / surfaceMm2) : 0;
}

/** Share of light that a standing planting lets through to a place under its crown; 1 beside it. */
function throughCrown({ item, count, plant, widthMm }: Shading, asideMm: number): number {
  const reach = item.spreadMm + widthMm / 2;
  if (asideMm >= reach) return 1;
  const dense = Math.min(1, (count * discMm2(widthMm)) / (Math.PI * reach * reach));
  return 1 - OPAQUE[plant.form] * dense;
}

/** Where a planting is looked at for shade: its middle and half way out. */
const SAMPLES = [[0, 0] as const, ...[0, 1, 2, 3].map((k) => [Math.cos((k * Math.PI) / 2), Math.sin((k * Math.PI) / 2)] as const)];

/** Share of the light from above that plants let through to a place, and the one that takes most. */
export interface Shade {
  share: number;
  byId: string | null;
}

/**
 * @param at middle of what is shaded, heights from the bottom
 * @param outMm half as wide as it is
 * @param kindId its kind
 */
export function shadeAt(
  above: readonly Shading[],
  surfaceMm2: number,
  at: readonly [number, number, number],
  outMm: number,
  kindId: string | null = null,
): Shade {
  let share = 1;
  let most = 1;
  let byId: string | null = null;
  const take = (id: string, through: number): void => {
    share *= through;
    if (through < most) [most, byId] = [through, id];
  };
  const floating = floatingShare(above, surfaceMm2);
  const first = above.find(({ hold }) => hold === 'afloat');
  if (first && floating > 0) take(first.id, 1 - OPAQUE.floating * floating);
  for (const one of above) {
    // a stand of one kind closes its ranks, and none of them is the other's shade
    if (one.hold === 'afloat' || one.hold === 'chamber' || one.plant.id === kindId || one.footMm[2] + one.heightMm <= at[2]) continue;
    const [dx, dy] = [one.footMm[0] - at[0], one.footMm[1] - at[1]];
    if (Math.hypot(dx, dy) >= one.item.spreadMm + one.widthMm / 2 + outMm) continue;
    let sum = 0;
    for (const [x, y] of SAMPLES) sum += throughCrown(one, Math.hypot(dx - (x * outMm) / 2, dy - (y * outMm) / 2));
    take(one.id, sum / SAMPLES.length);
  }
  return { share, byId };
}
