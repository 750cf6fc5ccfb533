import type { Member } from '../../core/assessment/derive';
import { animalOf } from '../../core/assessment/derive';
import type { Stratum } from '../../core/catalogue/organism';
import { inOrder, type Design } from '../../core/design/design';
import type { Catalogue } from '../../core/catalogue/catalogue';
import { bodyPath, plantPath } from './silhouettes';

/** Most animals drawn of one kind; the count is still written out. */
const MOST_DRAWN = 30;

export interface DrawnAnimal {
  id: string;
  name: string;
  path: string;
  xMm: number;
  zMm: number;
  flip: boolean;
  lengthMm: number;
  fill: string;
  mark: string;
}

export interface DrawnPlant {
  id: string;
  name: string;
  path: string;
  xMm: number;
  zMm: number;
  leafy: boolean;
}

const BAND: Readonly<Record<Stratum, readonly [number, number]>> = { bottom: [0.02, 0.16], middle: [0.3, 0.7], top: [0.78, 0.94] };

/** A steady pseudo-random number from 0 to 1: the same tank is always drawn alike. */
export function steady(text: string, i: number): number {
  let hash = 2166136261 ^ Math.imul(i + 1, 374761393);
  for (let k = 0; k < text.length; k++) hash = Math.imul(hash ^ text.charCodeAt(k), 16777619);
  hash ^= hash >>> 15;
  hash = Math.imul(hash, 2246822519);
  hash ^= hash >>> 13;
  return (hash >>> 0) / 4294967296;
}

/** Animals at adult size in the strata they use, inside the water. Unknown sizes are not drawn. */
export function drawAnimals(members: readonly Member[], lengthMm: number, waterMm: number): DrawnAnimal[] {
  return members.flatMap((member) => {
    const animal = animalOf(member);
    const long = animal?.sizeMm.length.value;
    const deep = animal?.sizeMm.depth.value;
    if (!animal || !long || !deep) return [];
    const strata = animal.traits.strata.value ?? ['middle'];
    const [fill = '#8a8577', mark = '#25231d'] = animal.bodyColours.value ?? [];
    return Array.from({ length: Math.min(member.count, MOST_DRAWN) }, (_, i) => {
      const [low, high] = BAND[strata[i % strata.length] ?? 'middle'];
      const room = Math.max(0, lengthMm - long - 10);
      const cell = (i + 0.2 + 0.6 * steady(member.id, i)) / Math.min(member.count, MOST_DRAWN);
      const crawls = animal.form === 'snail' || animal.form === 'salamander' || (animal.form === 'shrimp' && low < 0.1);
      const z = crawls ? deep : waterMm * (low + (high - low) * steady(member.id, i + 100)) + deep / 2;
      return {
        id: `${member.id}-${i}`,
        name: animal.latin,
        path: bodyPath(animal.form, long, deep),
        xMm: 5 + room * ((cell * 0.7 + 0.3 * steady(member.id, i + 50)) % 1),
        zMm: Math.min(Math.max(z, deep), Math.max(deep, waterMm - 2)),
        flip: steady(member.id, i + 200) > 0.5,
        lengthMm: long,
        fill,
        mark,
      };
    });
  });
}

/** Plants by habit at mature height, no higher than the surface. */
export function drawPlants(design: Design, catalogue: Catalogue, waterMm: number): DrawnPlant[] {
  return inOrder(design.scene).flatMap(([id, item]) => {
    const plant = item.kind === 'plant' ? catalogue.organisms.get(item.classId) : undefined;
    if (plant?.kind !== 'plant') return [];
    const floats = plant.form === 'floating';
    const height = Math.min(plant.sizeMm.length.value ?? 100, waterMm - 4);
    return [
      {
        id,
        name: plant.latin,
        path: plantPath(plant.form, height, plant.sizeMm.width.value ?? 60, (i) => steady(id, i)),
        xMm: item.positionMm[0],
        zMm: floats ? waterMm : item.positionMm[2],
        leafy: plant.form === 'rosette' || plant.form === 'rhizome-fern',
      },
    ];
  });
}
