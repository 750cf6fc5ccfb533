import type { Plant } from '../catalogue/organism';
import { floatingShare } from './canopy';
import type { Standing } from './standing';

/** Share of a crown that is leaf and gap to hide in, the rest open water between stems. Common practice. */
const FILLED = 0.6;
/** Hiding places in a litre of it, by what a kind is worth to the young. Common practice: every handful of moss hides a shrimp or two. */
const PLACES_PER_L = { good: 4, fair: 2, poor: 0.7 } as const;

/** Young live on where leaves are dense in so much of the water. Common practice: a tenth of it and more. */
export const DENSE_SHARE = 0.1;

/** What a kind is worth as cover: where nothing is known, by its habit. */
export function coverOf({ traits: { cover }, form }: Plant): 'poor' | 'fair' | 'good' {
  return cover?.value ?? (form === 'moss' || form === 'floating' || form === 'macroalga' ? 'good' : form === 'carpet' ? 'poor' : 'fair');
}

/** Litres that a planting fills with its leaves: what leans on its neighbours stands in the same water. */
export function foliageL({
  item,
  count,
  hold,
  widthMm,
  heightMm,
}: Pick<Standing, 'item' | 'count' | 'hold' | 'widthMm' | 'heightMm'>): number {
  if (hold === 'chamber' || hold === 'emersed') return 0;
  const all = count * (Math.PI / 4) * widthMm * widthMm;
  const reach = item.spreadMm + widthMm / 2;
  const patch = hold === 'afloat' ? all : Math.min(all, Math.PI * reach * reach);
  return (FILLED * patch * heightMm) / 1e6;
}

/** Animals that a planting hides: one at least, unless it stands out of the water. */
export function placesIn(planting: Standing): number {
  const litres = foliageL(planting);
  return litres <= 0 ? 0 : Math.max(1, Math.floor(litres * PLACES_PER_L[coverOf(planting.plant)]));
}

/** What the plants of a tank are to its animals. */
export interface Cover {
  /** Of the surface under floating leaves, 0 to 0.95. */
  floating: number;
  /** Litres of leaves. */
  foliageL: number;
  /** Of them so dense that young live on in them. */
  denseL: number;
}

export function coverOfTank(standing: readonly Standing[], surfaceMm2: number): Cover {
  let [all, dense] = [0, 0];
  for (const planting of standing) {
    const litres = foliageL(planting);
    all += litres;
    if (coverOf(planting.plant) === 'good') dense += litres;
  }
  return { floating: floatingShare(standing, surfaceMm2), foliageL: all, denseL: dense };
}
