import type { Member } from '../../core/assessment/derive';
import { animalOf } from '../../core/assessment/derive';
import type { Form, Stratum } from '../../core/catalogue/organism';
import { halfLengthAtMm } from '../../core/vessel/shape';
import type { Vessel } from '../../core/vessel/model';
import { inOrder, type Design } from '../../core/design/design';
import type { Catalogue } from '../../core/catalogue/catalogue';
import { heightAt } from '../../core/scene/grid';
import type { Ground } from '../../core/substrate/ground';
import { bodyPath, drawnSize, plantPath } from './silhouettes';

/** Plants drawn by the outlines of their leaves. */
const LEAFY: ReadonlySet<Form> = new Set<Form>(['rosette', 'rhizome-fern', 'lily', 'macroalga']);
/** Forms that stay on the ground. */
const CRAWLS: ReadonlySet<Form> = new Set<Form>([
  'snail',
  'salamander',
  'crayfish',
  'crab',
  'hermit',
  'bivalve',
  'gorgonian',
  'polyps',
  'sponge',
  'cucumber',
  'star',
]);

/** Most animals drawn of one kind; the count is still written out. */
const MOST_DRAWN = 30;

export interface DrawnAnimal {
  id: string;
  memberId: string;
  name: string;
  path: string;
  xMm: number;
  zMm: number;
  flip: boolean;
  lengthMm: number;
  depthMm: number;
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

/** Where in the water animals of each stratum are drawn, shares of its depth from the bottom. */
const STRATUM_BAND: Readonly<Record<Stratum, readonly [number, number]>> = {
  bottom: [0.02, 0.16],
  middle: [0.3, 0.7],
  top: [0.78, 0.94],
};

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
export function drawAnimals(
  members: readonly Member[],
  vessel: Vessel,
  waterMm: number,
  bedMm = 0,
  ground: Ground | null = null,
): DrawnAnimal[] {
  return members.flatMap((member) => {
    const animal = animalOf(member);
    const length = animal?.sizeMm.length.value;
    const depth = animal?.sizeMm.depth.value;
    if (!animal || !length || !depth) return [];
    const { wideMm: long, highMm: deep } = drawnSize(animal.form, length, depth);
    const strata = animal.traits.strata.value ?? ['middle'];
    const [fill = '#8a8577', mark = '#25231d'] = animal.bodyColours.value ?? [];
    return Array.from({ length: Math.min(member.count, MOST_DRAWN) }, (_, i) => {
      const [low, high] = STRATUM_BAND[strata[i % strata.length] ?? 'middle'];
      const cell = (i + 0.2 + 0.6 * steady(member.id, i)) / Math.min(member.count, MOST_DRAWN);
      const crawls = CRAWLS.has(animal.form) || ((animal.form === 'shrimp' || animal.form === 'catfish') && low < 0.1);
      const free = Math.max(deep, waterMm - bedMm);
      const z = bedMm + (crawls ? deep : free * (low + (high - low) * steady(member.id, i + 100)) + deep / 2);
      const backMm = Math.min(Math.max(z, bedMm + deep), Math.max(deep, waterMm - 2));
      const half = Math.min(halfLengthAtMm(vessel, backMm), halfLengthAtMm(vessel, Math.max(0, backMm - deep)));
      const room = Math.max(0, 2 * half - long - 10);
      const xMm = Math.max(0, vessel.lengthMm / 2 - half) + 5 + room * ((cell * 0.7 + 0.3 * steady(member.id, i + 50)) % 1);
      const yMm = vessel.widthMm * (0.2 + 0.6 * steady(member.id, i + 150));
      // what crawls sits on the ground where it is, not on the highest bank
      const zMm = crawls && ground ? heightAt(ground.grid, ground.topMm, xMm + long / 2, yMm) + deep : backMm;
      return {
        id: `${member.id}-${i}`,
        memberId: member.id,
        name: animal.latin,
        path: bodyPath(animal.form, length, depth),
        xMm,
        zMm,
        flip: steady(member.id, i + 200) > 0.5,
        lengthMm: long,
        depthMm: deep,
        fill,
        mark,
      };
    });
  });
}

/** The inside of a vessel from the front, open at the top. Millimetres, y down from the inside bottom. */
export function vesselPath(vessel: Vessel): string {
  return `M${side(vessel, vessel.heightMm, -1).reverse().join(' L')} L${side(vessel, vessel.heightMm, 1).join(' L')}`;
}

/** The water in it. */
export function waterPath(vessel: Vessel, levelMm: number): string {
  return `M${side(vessel, levelMm, -1).reverse().join(' L')} L${side(vessel, levelMm, 1).join(' L')} Z`;
}

/** The floor from above, closed; y up from the back. Millimetres. */
export function floorPath(vessel: Vessel): string {
  const { lengthMm, widthMm } = vessel;
  switch (vessel.shape) {
    case 'box':
    case 'cube':
      return `M0 0 H${lengthMm} V${widthMm} H0 Z`;
    case 'cylinder':
    case 'jar': {
      const r = lengthMm / 2;
      return `M0 ${r} A${r} ${r} 0 0 1 ${lengthMm} ${r} A${r} ${r} 0 0 1 0 ${r} Z`;
    }
    case 'bow-front': {
      const sagitta = widthMm - vessel.sideMm;
      const r = (lengthMm ** 2 / 4 + sagitta ** 2) / (2 * sagitta);
      return `M0 0 H${lengthMm} V${vessel.sideMm} A${r.toFixed(1)} ${r.toFixed(1)} 0 0 1 0 ${vessel.sideMm} Z`;
    }
  }
}

/** One wall from the bottom up, as points. */
function side(vessel: Vessel, toMm: number, sign: 1 | -1): string[] {
  const steps = vessel.shape === 'jar' ? 24 : 1;
  return Array.from({ length: steps + 1 }, (_, i) => {
    const z = (toMm * i) / steps;
    return `${(vessel.lengthMm / 2 + sign * halfLengthAtMm(vessel, z)).toFixed(1)} ${(-z).toFixed(1)}`;
  });
}

/** Plants by habit at mature height, no higher than the surface. */
export function drawPlants(design: Design, catalogue: Catalogue, waterMm: number, ground: Ground | null = null): DrawnPlant[] {
  return inOrder(design.scene).flatMap(([id, item]) => {
    const plant = item.kind === 'plant' ? catalogue.organisms.get(item.classId) : undefined;
    if (plant?.kind !== 'plant') return [];
    const floats = plant.form === 'floating';
    const [x, y] = item.positionMm;
    const foot = ground ? heightAt(ground.grid, ground.topMm, x, y) : 0;
    const height = Math.max(5, Math.min(plant.sizeMm.length.value ?? 100, waterMm - foot - 4));
    return [
      {
        id,
        name: plant.latin,
        path: plantPath(plant.form, height, plant.sizeMm.width.value ?? 60, (i) => steady(id, i)),
        xMm: x,
        zMm: floats ? waterMm : foot,
        leafy: LEAFY.has(plant.form),
      },
    ];
  });
}
