import type { BedLayer } from './bed';

/** What is done to a layer before the tank is filled, in order. Common practice. */
export type Preparation = 'rinse' | 'do-not-rinse' | 'sieve' | 'soak-and-press' | 'cloth' | 'fill-slowly';

export interface PreparationStep {
  layerId: string;
  name: string;
  step: Preparation;
}

/** Sand and gravel are rinsed; active soil and live sand never; a fine nutrient layer is soaked and pressed, or trapped air breaks its cap. */
export function preparationOf(layers: readonly BedLayer[]): PreparationStep[] {
  return layers.flatMap(({ id, material, materialId, cloth }): PreparationStep[] => {
    const name = material?.name ?? materialId;
    const say = (step: Preparation): PreparationStep => ({ layerId: id, name, step });
    if (!material) return [];
    const first = cloth ? [say('cloth')] : [];
    if (material.nutrient) return [...first, say('sieve'), say('soak-and-press')];
    if (material.alive || material.action.kind === 'exchanges') return [...first, say('do-not-rinse')];
    if (material.filler || material.action.kind === 'leaches') return first;
    return [...first, say('rinse')];
  });
}

/** Litres or kilograms still to be got, after what is at hand; null where the amount is not known. */
export function toBuy(
  litres: number,
  kg: number | null,
  atHand: { litres: number; kg: number },
  kgPerL: number | null,
): { litres: number; kg: number | null } {
  const handL = atHand.litres + (kgPerL ? atHand.kg / kgPerL : 0);
  const wantL = Math.max(0, litres - handL);
  return { litres: wantL, kg: kg === null || kgPerL === null ? null : wantL * kgPerL };
}
