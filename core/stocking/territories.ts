import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import type { Animal } from '../catalogue/organism';

/** Density of equal discs laid as close as they go: π/√12. */
const CLOSEST = Math.PI / Math.sqrt(12);

/** Most rounds of a radius that a floor holds, however they lie; edges are not counted, so that a small floor holds fewer. */
export const mostTerritories = (areaM2: number, radiusM: number): number =>
  Math.floor((CLOSEST * areaM2) / (Math.PI * radiusM * radiusM) + 1e-9);

/** From so many on a group holds its ground together. */
const GROUP = 3;

/**
 * Half the width of the ground that a pair, a loner or a whole group keeps others of its kind out of, mm: the floor of the smallest proper group, as
 * a round. Common practice. Null for those that hold none, and where it is not known.
 */
export function territoryRadiusMm({ traits: { temperament, footprintMm, strata } }: Animal): number | null {
  if (temperament.value !== 'territorial' || !footprintMm.value || !(strata.value?.includes('bottom') ?? true)) return null;
  return Math.sqrt((footprintMm.value[0] * footprintMm.value[1]) / Math.PI);
}

/** Whether its group holds its ground together, as a colony among its shells does. */
export const holdsTogether = ({ traits: { groupMin } }: Animal): boolean => (groupMin.value ?? 1) >= GROUP;

/** How many of them hold ground against each other: loners one by one, pairs two by two, a group as one. */
export const partiesOf = (animal: Animal, count: number): number =>
  holdsTogether(animal) ? 1 : Math.ceil(count / (animal.traits.groupMin.value ?? 1));

export const territories = calculation({
  id: 'stocking.territories',
  title: 'Territories that a floor holds',
  inputs: z.strictObject({
    areaM2: z.number().positive('a floor is wanted').max(100),
    radiusM: z.number().positive('a territory is more than nothing').max(5),
  }),
  outputs: z.strictObject({ most: z.number() }),
  source: [{ citation: 'Densest packing of equal circles (Lagrange, Thue): π/√12 = 0.9069; exact', basis: 'published' }],
  formula: 'most = ⌊0.9069 A / (π R²)⌋',
  validity: 'a floor many territories wide; of a floor hardly wider than one, fewer fit',
  uncertainty: 'territories shrink where sight is broken (Imre, Grant & Keeley 2002, for trout) and grow when young are guarded',
  compute: ({ areaM2, radiusM }) => ({ most: mostTerritories(areaM2, radiusM) }),
});
