import { emptyWaterPlan } from '../water/model';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Catalogue } from '../catalogue/catalogue';
import { Design, emptyDesign } from '../design/design';
import { box } from './tanks';

/** A generated tank, the same for the same seed: species taken round the catalogue, hardscape and plants spread about. */
export function largeTank(catalogue: Catalogue, size = { species: 20, items: 60, plants: 40 }, seed = 7): Design {
  const generator = xoroshiro128plus(seed);
  const random = () => (generator.next() >>> 0) / 2 ** 32;
  const animals = [...catalogue.organisms.values()].filter((entry) => entry.kind === 'animal');
  const plants = [...catalogue.organisms.values()].filter((entry) => entry.kind === 'plant');
  const place = () => [Math.round(random() * 1800), Math.round(random() * 600), Math.round(random() * 100)];
  const scene = Object.fromEntries([
    ...Array.from({ length: size.items }, (_, i) => [
      `stone-${i}`,
      {
        order: i,
        kind: 'hardscape',
        classId: 'basalt',
        solids: [{ shape: 'ellipsoid', sizeMm: [60 + random() * 80, 60 + random() * 40, 40 + random() * 40] }],
        positionMm: place(),
        turnDeg: [0, 0, 0],
        embedMm: 10,
      },
    ]),
    ...Array.from({ length: size.plants }, (_, i) => [
      `plant-${i}`,
      {
        order: 100 + i,
        kind: 'plant',
        classId: plants[i % plants.length]!.id,
        solids: [],
        positionMm: place(),
        turnDeg: [0, 0, 0],
        embedMm: 0,
      },
    ]),
  ]);
  const stock = Object.fromEntries(
    Array.from({ length: size.species }, (_, i) => [
      `s${i}`,
      {
        order: i,
        organismId: animals[i % animals.length]!.id,
        count: 1 + Math.floor(random() * 12),
        phase: i % 3 === 0 ? 'spawn' : 'keep',
      },
    ]),
  );
  return Design.parse({
    ...emptyDesign('large', 'low-barn', 'Large tank'),
    vessel: box(1800, 600, 600, 'none'),
    water: { ...emptyWaterPlan(), parts: { tap: { order: 1, sourceId: 'tap', share: 0.4 }, ro: { order: 2, sourceId: 'ro', share: 0.6 } } },
    equipment: { heater: { order: 1, kind: 'heater', setPointC: 24, powerW: 300, sizeMm: [30, 30, 300] } },
    brief: { purpose: 'keep', targetStockIds: ['s0'], biotopeId: null },
    scene,
    stock,
  });
}
