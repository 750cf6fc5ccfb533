import { floorGrid } from '../scene/grid';
import { catalogue, layer } from '../testing/tanks';
import { bedOf } from './bed';
import { cap, capRatio, holdsDown } from './cap';
import { capsuleCount } from './capsule-grid';
import { fill } from './fill';
import { movingCurrentMmPerS } from './grain-moves';
import { grainL } from './grain-share';
import { depthsOf, groundOf, isInside } from './ground';
import { emptySubstrate, type Outline, type SubstratePlan } from './model';
import { preparationOf, toBuy } from './preparation';
import { slopeStability } from './slope-stability';
import { loosestStep, steepestOf } from './steepest';
import { bank, level, reshapedSurface, surfaceAt } from './surface';
import type { Animal } from '../catalogue/organism';
import { stonesFromMm, swallowHazard, takesGrain } from './swallow-hazard';
import { throatMm } from './throat';

const L = 600;
const W = 300;
const GRID = floorGrid(L, W, () => 0, L * W);
const plan = (layers: SubstratePlan['layers'], more: Partial<SubstratePlan> = {}): SubstratePlan => ({
  ...emptySubstrate(),
  layers,
  ...more,
});
const lay = (one: SubstratePlan) => groundOf(one, GRID, L, W);
const NOTHING: number[] = [0, 0, 0];
const bed = (one: SubstratePlan, inLayers = NOTHING, surface = 340) =>
  bedOf(one, lay(one), inLayers, surface, (id) => catalogue.materials.get(id));
const rectangle = (x0: number, y0: number, x1: number, y1: number): Outline => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
];

describe('the amount of a bed', () => {
  // checked by quadrature: 60 x 30 cm, 3 to 9 cm is 10.8 L
  it('is length by width by the mean of front and back', () => {
    expect(fill(600, 300, 30, 90, 1.6)).toEqual({ litres: 10.8, kg: jasmine.any(Number) as never });
    expect(fill(600, 300, 30, 90, 1.6).kg).toBeCloseTo(17.28, 9);
    expect(fill(600, 300, 0, 0, 1.6)).toEqual({ litres: 0, kg: 0 });
  });

  it('comes to the same on the floor itself, for a bank and for four unlike corners', () => {
    expect(lay(plan({ a: layer('fine-quartz-sand', bank(30, 90)) })).litres[0]).toBeCloseTo(10.8, 6);
    const corners = { columns: 2, rows: 2, heightMm: [30, 50, 80, 100] };
    expect(lay(plan({ a: layer('fine-quartz-sand', corners) })).litres[0]).toBeCloseTo((L * W * 65) / 1e6, 6);
  });

  // common practice: a 20 cm cube takes about 3 L of soil; sand 25 mm in front rising to 50 mm behind
  it('reproduces what is said of it in the trade', () => {
    const cube = fill(200, 200, 60, 90, 0.95).litres;
    expect(cube).toBeCloseTo(3, 6);
    // a tenth of the water
    expect(cube / (0.2 * 0.2 * 0.2 * 1000 - cube)).toBeGreaterThan(0.1);
    expect(fill(600, 300, 25, 50, 1.6).litres).toBeCloseTo(6.75, 9);
  });

  it('keeps its grains out of the water and lets its pores in', () => {
    expect(grainL(10)).toBe(6);
    // quartz of 2650 kg/m³ with that share of grains is 1590 kg/m³ dry
    expect(catalogue.materials.get('fine-quartz-sand')!.densityKgPerM3.value! / (grainL(1) * 2650)).toBeCloseTo(1, 1);
    const laid = bed(plan({ a: layer('fine-quartz-sand', level(50)) }));
    expect(laid.litres).toBeCloseTo(9, 6);
    expect(laid.grainL).toBeCloseTo(5.4, 6);
    expect(laid.kg).toBeCloseTo(14.4, 6);
  });

  it('takes off what stands in it, and what rises above the water', () => {
    expect(bed(plan({ a: layer('fine-quartz-sand', level(50)) }), [1.5]).layers[0]!.litres).toBeCloseTo(7.5, 6);
    const beach = bed(plan({ a: layer('fine-quartz-sand', level(100)) }), NOTHING, 60);
    expect(beach.litres).toBeCloseTo(18, 6);
    expect(beach.grainL).toBeCloseTo(0.6 * 10.8, 4);
  });

  it('to be bought is what is not at hand, by litre or by weight', () => {
    expect(toBuy(9, 14.4, { litres: 4, kg: 0 }, 1.6)).toEqual({ litres: 5, kg: 8 });
    expect(toBuy(9, 14.4, { litres: 0, kg: 8 }, 1.6).litres).toBeCloseTo(4, 9);
    expect(toBuy(9, 14.4, { litres: 40, kg: 0 }, 1.6)).toEqual({ litres: 0, kg: 0 });
    expect(toBuy(9, null, { litres: 0, kg: 0 }, null)).toEqual({ litres: 9, kg: null });
  });
});

describe('layers', () => {
  it('fill from what is under them up to their tops', () => {
    const one = plan({ a: layer('lava-gravel', level(30), { order: 1 }), b: layer('acid-soil', bank(40, 90), { order: 2 }) });
    const ground = lay(one);
    expect(ground.litres[0]).toBeCloseTo((L * W * 30) / 1e6, 6);
    expect(ground.litres[1]).toBeCloseTo((L * W * 35) / 1e6, 6);
    expect(depthsOf(ground, 1).least).toBeCloseTo(10, 0);
    expect(ground.underShare).toEqual([0, 0]);
  });

  it('say where they lie under what is below them, and how much of them that is', () => {
    const one = plan({ a: layer('lava-gravel', level(50), { order: 1 }), b: layer('acid-soil', bank(0, 100), { order: 2 }) });
    expect(lay(one).underShare[1]).toBeCloseTo(0.5, 1);
    expect(lay(one).litres[1]).toBeCloseTo((L * W * 12.5) / 1e6, 2);
  });

  it('lie in zones, around them, and in patches under what shows', () => {
    const zones = { way: { order: 1, kind: 'path' as const, outlineMm: rectangle(200, 0, 400, 300), edgeTopMm: 60 } };
    const one = plan(
      {
        soil: layer('acid-soil', level(60), { order: 1, area: { kind: 'open' } }),
        sand: layer('fine-quartz-sand', level(30), { order: 2, area: { kind: 'zone', zoneId: 'way' } }),
      },
      { zones },
    );
    const ground = lay(one);
    expect(ground.litres[0]! / 7.2).toBeCloseTo(1, 1);
    expect(ground.litres[1]! / 1.8).toBeCloseTo(1, 1);
    // a bag of old soil saves its own volume of what shows
    const saved = plan({
      bag: layer('old-soil-bag', level(40), { order: 1, area: { kind: 'patch', outlineMm: rectangle(100, 150, 500, 280) } }),
      soil: layer('acid-soil', level(60), { order: 2 }),
    });
    const [bagL, soilL] = lay(saved).litres;
    expect(bagL! + soilL!).toBeCloseTo(10.8, 6);
    expect(bagL).toBeCloseTo((400 * 130 * 40) / 1e6, 1);
    expect(bed(saved).showing.map(({ id }) => id)).toEqual(['soil']);
  });

  it('know an outline from outside', () => {
    const outline = rectangle(10, 10, 50, 30);
    expect([isInside(outline, 20, 20), isInside(outline, 5, 20), isInside(outline, 20, 40)]).toEqual([true, false, false]);
  });

  it('keep their form when they are shaped, and no height goes below the floor', () => {
    const top = bank(20, 80, 3, 3);
    expect(surfaceAt(top, L, W, 300, 150)).toBeCloseTo(50, 9);
    expect(surfaceAt(top, L, W, 9000, -5)).toBe(20);
    expect(Math.min(...reshapedSurface(top, (height) => height - 50).heightMm)).toBe(0);
  });

  it('follow the wall of a jar where it bulges over its base', () => {
    // a cone of 45°: floor rises with the distance from the middle
    const grid = floorGrid(
      200,
      200,
      (x, y) => (Math.hypot(x - 100, y - 100) > 100 ? null : Math.max(0, Math.hypot(x - 100, y - 100) - 50)),
      Math.PI * 1e4,
    );
    const { litres } = groundOf(plan({ a: layer('fine-quartz-sand', level(20)) }), grid, 200, 200);
    // frustum of 50 and 70 mm, 20 high
    const frustum = (Math.PI * 20 * (50 ** 2 + 50 * 70 + 70 ** 2)) / 3 / 1e6;
    expect(litres[0]! / frustum).toBeCloseTo(1, 1);
  });
});

describe('slopes', () => {
  it('stand up to their repose', () => {
    expect(slopeStability(25, 30)).toEqual({ stable: true, marginDegrees: 5 });
    expect(slopeStability(30, 30)).toEqual({ stable: true, marginDegrees: 0 });
    expect(slopeStability(34, 32)).toEqual({ stable: false, marginDegrees: -2 });
  });

  it('are found where they are steepest, with the way down', () => {
    const one = lay(plan({ a: layer('fine-quartz-sand', bank(30, 90)) }));
    const [steepest] = steepestOf(one);
    // science: 3 to 9 cm over 30 cm is 11.3°
    expect(steepest!.degrees).toBeCloseTo(11.31, 1);
    expect(steepest!.down[1]).toBeCloseTo(-1, 6);
    // 30° over 30 cm rises 17.3 cm
    expect(steepestOf(lay(plan({ a: layer('fine-quartz-sand', bank(0, 173.2)) })))[0]!.degrees).toBeCloseTo(30, 0);
    expect(steepestOf(lay(plan({ a: layer('fine-quartz-sand', level(40)) })))).toEqual([]);
  });

  it('end at a border, which is a step that wants an edge', () => {
    const zones = (edgeTopMm: number | null) => ({
      back: { order: 1, kind: 'terrace' as const, outlineMm: rectangle(0, 150, 600, 300), edgeTopMm },
    });
    const terrace = (edgeTopMm: number | null) =>
      plan(
        {
          low: layer('fine-quartz-sand', level(30), { order: 1, area: { kind: 'open' } }),
          high: layer('fine-quartz-sand', level(90), { order: 2, area: { kind: 'zone', zoneId: 'back' } }),
        },
        { zones: zones(edgeTopMm) },
      );
    expect(steepestOf(lay(terrace(null)))).toEqual([]);
    expect(loosestStep(lay(terrace(null)), zones(null))!.heightMm).toBeCloseTo(60, 6);
    expect(loosestStep(lay(terrace(60)), zones(60))!.heightMm).toBeCloseTo(30, 6);
    expect(loosestStep(lay(terrace(92)), zones(92))).toBeNull();
  });
});

describe('grain', () => {
  const STONE = { soft: false, sharp: false };
  it('in what sucks its food in: sand passes, stones larger than the head stay out, all between lodges', () => {
    const axolotl = { takes: 'sucks', gapeMm: 25, young: false } as const;
    // the grains of practice: fine sand, coarse sand, the classic killer, pebbles, stones; and soil that crumbles
    expect(swallowHazard([0.2, 0.8], axolotl, STONE)).toBe('passes');
    expect(swallowHazard([0.5, 2], axolotl, STONE)).toBe('partly');
    for (const gravel of [
      [2, 6],
      [1, 5],
      [5, 15],
      [10, 30],
      [20, 60],
    ] as const)
      expect(swallowHazard(gravel, axolotl, STONE))
        .withContext(gravel.join('–'))
        .toBe('lodges');
    expect(swallowHazard([40, 100], axolotl, STONE)).toBe('too-large');
    expect(swallowHazard([1, 4], axolotl, { soft: true, sharp: false })).toBe('soft');
    expect(stonesFromMm(25)).toBe(37.5);
  });

  it('in the young of them half as coarse', () => {
    const young = { takes: 'sucks', gapeMm: 6, young: true } as const;
    expect(swallowHazard([0.1, 0.5], young, STONE)).toBe('passes');
    expect(swallowHazard([0.2, 0.8], young, STONE)).toBe('lodges');
  });

  it('under what sifts: any sand, not gravel, nothing sharp', () => {
    const cory = { takes: 'sifts', gapeMm: 1.2, young: false } as const;
    expect(swallowHazard([0.2, 0.8], cory, STONE)).toBe('passes');
    expect(swallowHazard([0.5, 2], cory, STONE)).toBe('passes');
    expect(swallowHazard([2, 6], cory, STONE)).toBe('cannot-sift');
    expect(swallowHazard([0.3, 1.2], cory, { soft: false, sharp: true })).toBe('sharp');
    expect(swallowHazard([1, 4], cory, { soft: true, sharp: false })).toBe('passes');
  });

  it('is no matter to what picks from the water, has no gut to block, or grazes', () => {
    const takes = (id: string) => takesGrain(catalogue.organisms.get(id) as Animal);
    for (const id of ['hippocampus-erectus', 'doryrhamphus-janssi', 'paracheirodon-innesi', 'anentome-helena', 'neocaridina-davidi'])
      expect(takes(id)).withContext(id).toBeNull();
    expect(takes('ambystoma-mexicanum')).toBe('sucks');
    for (const id of ['corydoras-panda', 'corydoras-pygmaeus', 'pangio-kuhlii', 'tuberoschistura-arakanensis'])
      expect(takes(id)).withContext(id).toBe('sifts');
  });

  it('is coarse enough to lie still, fine enough to hold what is under it', () => {
    // medium sand moves from about 0.2 to 0.4 m/s, gravel of 5 mm from above 0.6: rivers, recalled
    expect(movingCurrentMmPerS(0.5)).toBeGreaterThan(150);
    expect(movingCurrentMmPerS(0.5)).toBeLessThan(400);
    expect(movingCurrentMmPerS(5)).toBeGreaterThan(movingCurrentMmPerS(0.5));
    // gravel of 2 to 6 mm holds a loam with coarse grains; lava of 5 to 15 does not hold fine sand
    expect(holdsDown([2, 6], [0.02, 2])).toBeTrue();
    expect(holdsDown([5, 15], [0.2, 0.8])).toBeFalse();
    expect(capRatio([4, 4], [1, 1])).toBeCloseTo(4, 12);
    expect(cap.compute({ capGrainMm: [2, 6], baseGrainMm: [0.02, 2], capDepthMm: 20 }).deepEnough).toBeFalse();
    expect(cap.compute({ capGrainMm: [2, 6], baseGrainMm: [0.02, 2], capDepthMm: 25 }).deepEnough).toBeTrue();
  });

  it('leaves gaps by the geometry of balls', () => {
    expect(throatMm(10).three).toBeCloseTo(1.547, 3);
    expect(throatMm(10).four).toBeCloseTo(4.142, 3);
  });

  it('takes root capsules in a square grid', () => {
    expect(capsuleCount(200 * 200, 50)).toBe(16);
    expect(capsuleCount(10, 50)).toBe(1);
  });

  it('is prepared by its kind', () => {
    const one = plan({
      loam: layer('garden-soil', level(15), { order: 1 }),
      gravel: layer('quartz-gravel', level(45), { order: 2, cloth: true }),
      soil: layer('acid-soil', level(80), { order: 3 }),
      sand: layer('live-sand', level(100), { order: 4 }),
    });
    expect(preparationOf(bed(one).layers).map(({ layerId, step }) => `${layerId} ${step}`)).toEqual([
      'loam sieve',
      'loam soak-and-press',
      'gravel cloth',
      'gravel rinse',
      'soil do-not-rinse',
      'sand do-not-rinse',
    ]);
  });
});
