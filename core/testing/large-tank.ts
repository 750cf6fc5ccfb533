import { emptySubstrate } from '../substrate/model';
import { newPlanting } from '../plants/model';
import { emptyWaterPlan } from '../water/model';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Catalogue } from '../catalogue/catalogue';
import { Design, emptyDesign } from '../design/design';
import { level } from '../substrate/surface';
import { box, layer, piece } from './tanks';

/** A generated tank, the same for the same seed: species taken round the catalogue, hardscape and plants spread about. */
export function largeTank(
  catalogue: Catalogue,
  size: { species: number; items: number; plants: number; plantKinds?: number } = { species: 20, items: 60, plants: 40 },
  seed = 7,
): Design {
  const generator = xoroshiro128plus(seed);
  const random = () => (generator.next() >>> 0) / 2 ** 32;
  const animals = [...catalogue.organisms.values()].filter((entry) => entry.kind === 'animal');
  const plants = [...catalogue.organisms.values()].filter((entry) => entry.kind === 'plant');
  const place = (): [number, number, number] => [Math.round(random() * 1800), Math.round(random() * 600), Math.round(random() * 100)];
  const scene = Object.fromEntries([
    ...Array.from({ length: size.items }, (_, i) => [
      `stone-${i}`,
      piece('rounded-stone', {
        order: i,
        materialId: 'basalt',
        sizeMm: [60 + random() * 80, 50 + random() * 30, 40 + random() * 40],
        // side by side, as stones lie
        positionMm: [110 + (i % 10) * 175, 70 + (Math.floor(i / 10) % 6) * 92, 0],
        embedMm: 10,
      }),
    ]),
    ...Array.from({ length: size.plants }, (_, i) => [
      `plant-${i}`,
      newPlanting(plants[((i % (size.plantKinds ?? plants.length)) * 13) % plants.length]!.id, 100 + i, place()),
    ]),
  ]);
  const stock = Object.fromEntries(
    Array.from({ length: size.species }, (_, i) => [
      `s${i}`,
      {
        order: i,
        // in strides, so that every group is among them
        organismId: animals[(i * 37) % animals.length]!.id,
        count: 1 + Math.floor(random() * 12),
        phase: i % 3 === 0 ? 'spawn' : 'keep',
      },
    ]),
  );
  return Design.parse({
    ...emptyDesign('large', 'low-barn', 'Large tank'),
    vessel: box(1800, 600, 600, 'none'),
    water: { ...emptyWaterPlan(), parts: { tap: { order: 1, sourceId: 'tap', share: 0.4 }, ro: { order: 2, sourceId: 'ro', share: 0.6 } } },
    equipment: { heater: { order: 1, kind: 'heater', setPointC: 24, powerW: 300, sizeMm: [30, 30, 300], placeMm: null } },
    brief: { purpose: 'keep', targetStockIds: ['s0'], biotopeId: null, fidelity: null },
    scene,
    substrate: { ...emptySubstrate(), layers: { sand: layer('fine-quartz-sand', level(50)) } },
    stock,
  });
}
