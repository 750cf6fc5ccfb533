import { reshaped } from '../../core/vessel/model';
import { halfLengthAtMm } from '../../core/vessel/shape';
import { box, judge, tank, weedyThicket } from '../../core/testing/tanks';
import { bodyPath } from './silhouettes';
import { drawAnimals, drawPlantings, floorPath, vesselPath, waterPath } from './section-geometry';
import { steady } from './steady';

const VESSEL = box(600, 400, 300);

describe('the section', () => {
  const members = judge(
    tank([
      ['danio-margaritatus', 12],
      ['planorbella-duryi', 3],
      ['ambystoma-mexicanum', 1],
    ]),
  ).derived['stock.members'].value!;

  it('draws every animal inside the water, at adult size, the same each time', () => {
    const drawn = drawAnimals(members, VESSEL, 260);
    expect(drawn.length).toBe(16);
    for (const animal of drawn) {
      expect(animal.xMm).withContext(animal.id).toBeGreaterThanOrEqual(0);
      expect(animal.xMm + animal.lengthMm)
        .withContext(animal.id)
        .toBeLessThanOrEqual(600);
      expect(animal.zMm).withContext(animal.id).toBeLessThanOrEqual(260);
    }
    expect(new Set(drawn.filter(({ name }) => name === 'Danio margaritatus').map(({ lengthMm }) => lengthMm))).toEqual(new Set([21]));
    expect(drawAnimals(members, VESSEL, 260)).toEqual(drawn);
  });

  it('sets what crawls on the ground where it is, not on the highest bank', () => {
    const assessment = judge(weedyThicket);
    const ground = assessment.derived['scene.ground'].value!;
    const most = Math.max(...ground.topMm);
    const snails = drawAnimals(members, VESSEL, 260, most, ground).filter(({ name }) => name === 'Planorbella duryi');
    expect(snails.length).toBe(3);
    for (const { zMm, depthMm } of snails) {
      expect(zMm - depthMm).toBeGreaterThanOrEqual(Math.min(...ground.topMm.filter((top) => top > 0)) - 0.01);
      expect(zMm - depthMm).toBeLessThan(most);
    }
  });

  it('keeps animals inside a jar that narrows', () => {
    const jar = reshaped(box(400, 400, 500), 'jar');
    for (const animal of drawAnimals(members, jar, 440)) {
      if (animal.lengthMm > 200) continue;
      const half = halfLengthAtMm(jar, animal.zMm);
      expect(animal.xMm)
        .withContext(animal.id)
        .toBeGreaterThanOrEqual(200 - half);
      expect(animal.xMm + animal.lengthMm)
        .withContext(animal.id)
        .toBeLessThanOrEqual(200 + half);
    }
  });

  it('draws walls, water and floor to measure', () => {
    const ends = (path: string) => {
      const numbers = (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
      return [Math.min(...numbers.filter((_, i) => i % 2 === 1)), Math.max(...numbers.filter((_, i) => i % 2 === 0))];
    };
    expect(ends(vesselPath(VESSEL))).toEqual([-300, 600]);
    expect(ends(waterPath(VESSEL, 260))).toEqual([-260, 600]);
    expect(ends(vesselPath(reshaped(VESSEL, 'jar')))).toEqual([-300, 400]);
    expect(floorPath(reshaped(VESSEL, 'bow-front'))).toContain('A');
    expect(floorPath(VESSEL)).toBe('M0 0 H600 V400 H0 Z');
  });

  it('draws an outline as long and as deep as the animal', () => {
    const numbers = (bodyPath('slender-fish', 30, 7).match(/-?\d+\.\d+/g) ?? []).map(Number);
    const xs = numbers.filter((_, i) => i % 2 === 0);
    const ys = numbers.filter((_, i) => i % 2 === 1);
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([0, 30]);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(7, 0);
  });

  it('lets no plant grow out of the water', () => {
    const { derived, world } = judge(weedyThicket);
    const drawn = drawPlantings(derived['plants.standing'].value!, 'section');
    expect(drawn.length).toBe(Object.values(weedyThicket.scene).filter(({ kind }) => kind === 'plant').length);
    for (const plant of drawn) {
      const ys = [...plant.path.matchAll(/-?[\d.]+ (-?[\d.]+)/g)].map(([, y]) => Number(y));
      // floating leaves stand a finger's width up
      expect(plant.zMm + Math.max(...ys))
        .withContext(plant.name)
        .toBeLessThanOrEqual(world.design.vessel!.waterLevelMm + (plant.afloat ? 15 : 3));
    }
  });

  it('scatters evenly', () => {
    const mean = Array.from({ length: 500 }, (_, i) => steady('x', i)).reduce((a, b) => a + b, 0) / 500;
    expect(Math.abs(mean - 0.5)).toBeLessThan(0.06);
  });
});
