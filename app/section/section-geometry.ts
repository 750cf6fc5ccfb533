import type { Member } from '../../core/assessment/derive';
import { animalOf } from '../../core/assessment/derive';
import type { Form, Stratum } from '../../core/catalogue/organism';
import { halfLengthAtMm } from '../../core/vessel/shape';
import type { Vessel } from '../../core/vessel/model';
import { spots, type Standing } from '../../core/plants/standing';
import { heightAt } from '../../core/scene/grid';
import type { Ground } from '../../core/substrate/ground';
import type { DrawingView } from './outline';
import { crownPath, habitPath, inksOf, isFilled } from './plant-forms';
import { bodyPath, drawnSize } from './silhouettes';
import { steady } from './steady';

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
  /** About its foot. */
  path: string;
  xMm: number;
  /** Of its foot: height from the front, place from above. */
  zMm: number;
  filled: boolean;
  leaf: string;
  edge: string;
  tip: string | null;
  depth: number;
  /** Of all of it, to take hold of. */
  halfMm: number;
  tallMm: number;
  afloat: boolean;
}

/** Where in the water animals of each stratum are drawn, shares of its depth from the bottom. */
const STRATUM_BAND: Readonly<Record<Stratum, readonly [number, number]>> = {
  bottom: [0.02, 0.16],
  middle: [0.3, 0.7],
  top: [0.78, 0.94],
};

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

/** Most plants of one planting that are drawn; the number is still written out. */
const MOST_OF_PLANTING = 24;
const drawnPlants = new Map<string, string>();
const MOST_KEPT = 600;

/** Plantings by habit and size, the furthest first; from the front y goes up from the bottom, from above from the front pane. */
export function drawPlantings(standing: readonly Standing[], view: DrawingView, most = MOST_OF_PLANTING): DrawnPlant[] {
  return standing
    .filter(({ on }) => on.kind !== 'outside')
    .map((planting): DrawnPlant => {
      const { id, plant, item, footMm } = planting;
      const size = { heightMm: Math.round(planting.heightMm), widthMm: Math.round(planting.widthMm) };
      const key = `${id} ${plant.id} ${view} ${most} ${size.heightMm} ${size.widthMm} ${item.count} ${item.spreadMm}`;
      let path = drawnPlants.get(key);
      if (path === undefined) {
        path = spots(item, most)
          .map(([dx, dy], i) => {
            const seed = (n: number) => steady(`${id}${i}`, n);
            return view === 'plan'
              ? crownPath(plant, size, [dx, dy], seed)
              : habitPath(plant, { ...shrunk(size, seed(99)), coarse: most < MOST_OF_PLANTING }, [dx, 0], seed, planting.hold === 'afloat');
          })
          .join('');
        if (drawnPlants.size >= MOST_KEPT) drawnPlants.clear();
        drawnPlants.set(key, path);
      }
      return {
        id,
        name: plant.latin,
        path,
        xMm: footMm[0],
        zMm: view === 'plan' ? footMm[1] : footMm[2],
        filled: isFilled(plant),
        ...inksOf(plant),
        depth: -footMm[1],
        halfMm: item.spreadMm + size.widthMm / 2,
        tallMm: size.heightMm,
        afloat: planting.hold === 'afloat',
      };
    })
    .sort((a, b) => a.depth - b.depth);
}
/** Plants of one age are not of one size. */
const shrunk = ({ heightMm, widthMm }: { heightMm: number; widthMm: number }, by: number) => ({
  heightMm: heightMm * (0.8 + 0.2 * by),
  widthMm,
});
