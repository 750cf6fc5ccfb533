import fc from 'fast-check';
import type { Plant } from '../catalogue/organism';
import { applyEdit } from '../design/edit';
import { Design } from '../design/design';
import { catalogue, judge, layer, piece, tank } from '../testing/tanks';
import { level } from '../substrate/surface';
import { newLamp } from '../equipment/lamps';
import { LampLight, type Device } from '../equipment/model';
import {
  growthPerDay,
  growthShares,
  lightWanted,
  plantedShare,
  scarcest,
  sizeShare,
  STAGE_DAYS,
  stemsAfter,
  trimEveryDays,
  type Conditions,
} from './growth';
import { newPlanting, PlantItem, type Stage } from './model';
import { INTO_SHADOW, ppfdAt } from '../light/field';
import { isClear, obstaclesOf } from '../light/shade';
import { floorGrid } from '../scene/grid';
import type { SettledPiece } from '../scene/settle-pieces';
import { naturalHold, spots } from './standing';

const plant = (id: string) => catalogue.organisms.get(id) as Plant;
const plants = [...catalogue.organisms.values()].filter((entry): entry is Plant => entry.kind === 'plant');
const GOOD: Conditions = { ppfd: 200, temperatureC: 24, co2MgPerL: 25, food: 1 };

describe('growth', () => {
  it('has the figures of practice in its band', () => {
    // stems double in about two weeks in good light: common practice
    const stem = growthPerDay(plant('hygrophila-polysperma'), GOOD);
    expect(Math.LN2 / stem.band[1]).toBeLessThan(14);
    expect(Math.LN2 / stem.band[0]).toBeGreaterThan(14);
    expect(trimEveryDays(stem.value)).toBeCloseTo(14, 0);
    // an epiphyte of six leaves makes one a month: common practice
    const fern = growthPerDay(plant('anubias-barteri'), { ...GOOD, ppfd: 60 });
    const leaves = (perDay: number) => 6 * (Math.exp(30 * perDay) - 1);
    expect(leaves(fern.band[0])).toBeLessThan(1);
    expect(leaves(fern.band[1])).toBeGreaterThan(1);
  });
  it('is never less for more light, carbon dioxide or food, in any plant', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...plants),
        fc.record({
          ppfd: fc.double({ min: 0, max: 300, noNaN: true }),
          temperatureC: fc.double({ min: 5, max: 34, noNaN: true }),
          co2MgPerL: fc.double({ min: 0, max: 40, noNaN: true }),
          food: fc.double({ min: 0, max: 1, noNaN: true }),
        }),
        fc.constantFrom('ppfd', 'co2MgPerL', 'food'),
        fc.double({ min: 0.01, max: 20, noNaN: true }),
        (one, at, cause, more) => {
          const now = growthPerDay(one, at).value;
          expect(now).toBeGreaterThan(-0.04);
          expect(growthPerDay(one, { ...at, [cause]: at[cause as 'food'] + more }).value).toBeGreaterThanOrEqual(now - 1e-12);
        },
      ),
    );
  });
  it('is nothing at the least light that a kind lives by, and wastes away under it', () => {
    const fern = plant('microsorum-pteropus');
    const { least, good } = lightWanted(fern)!;
    const at = (ppfd: number) => growthPerDay(fern, { ...GOOD, ppfd }).value;
    expect(at(least)).toBe(0);
    expect(at(least / 2)).toBeCloseTo(-Math.LN2 / 120, 6);
    expect(at(good[0]) / growthPerDay(fern, { ...GOOD, ppfd: 1000 }).value).toBeCloseTo(1 - Math.exp(-1), 3);
    // of half a plant in the dark, half is left after two months, and next to nothing after two years
    expect(sizeShare(0.5, at(0), 60)).toBeCloseTo(0.25, 3);
    expect(sizeShare(0.5, at(0), STAGE_DAYS.grown)).toBeLessThan(0.001);
    // a fast one goes sooner
    expect(growthPerDay(plant('hygrophila-polysperma'), { ...GOOD, ppfd: 0 }).value).toBeLessThan(at(0));
  });
  it('takes the light of the kind where it is known, else that of its class', () => {
    const known = plant('rotala-wallichii');
    expect(lightWanted(known)).toEqual({ least: 60, good: [100, 220], basis: 'recalled' });
    const { ppfd: _, ...traits } = known.traits;
    expect(lightWanted({ ...known, traits })).toEqual({ least: 45, good: [80, 180], basis: 'recalled' });
    expect(lightWanted({ ...known, traits: { ...traits, light: { value: null, basis: 'recalled' } } })).toBeNull();
  });
  it('is as the scarcest cause lets it be', () => {
    const dark = growthShares(plant('rotala-rotundifolia'), { ...GOOD, ppfd: 2 });
    expect(scarcest(dark)).toBe('light');
    expect(scarcest(growthShares(plant('rotala-rotundifolia'), { ...GOOD, temperatureC: 12 }))).toBe('warmth');
    expect(growthShares(plant('rotala-rotundifolia'), { ...GOOD, temperatureC: 24 }).warmth).toBe(1);
  });
  it('goes on from what is planted to all of its size, and no further', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.double({ min: 0, max: 400, noNaN: true }),
        (start, perDay, days) => {
          expect(sizeShare(start, perDay, 0)).toBeCloseTo(start, 9);
          expect(sizeShare(start, perDay, days)).toBeGreaterThanOrEqual(start - 1e-9);
          expect(sizeShare(start, perDay, days)).toBeLessThanOrEqual(1);
        },
      ),
    );
    expect(trimEveryDays(0)).toBeNull();
  });
  it('makes two stems of one at each cut, once grown, until the patch is full', () => {
    const perDay = Math.LN2 / 14;
    // grown from a third in 22 days; then one cut in each fortnight
    expect(stemsAfter(5, 1 / 3, perDay, 20, 100)).toBe(5);
    expect(stemsAfter(5, 1 / 3, perDay, 22.2 + 14.1, 100)).toBe(10);
    expect(stemsAfter(5, 1 / 3, perDay, 22.2 + 28.1, 100)).toBe(20);
    expect(stemsAfter(5, 1 / 3, perDay, 700, 48)).toBe(48);
    // more than the patch holds was the planter's wish
    expect(stemsAfter(60, 1 / 3, perDay, 700, 48)).toBe(60);
    expect(stemsAfter(5, 1 / 3, -0.1, 700, 48)).toBe(5);
  });
  it('begins with what is bought: cut stems of 15 cm at most, little plants from a tub', () => {
    const vallis = plant('vallisneria-spiralis');
    expect(plantedShare(vallis, 'tub')).toBeLessThan(plantedShare(vallis, 'pot'));
    expect(plantedShare(vallis, 'clump')).toBeGreaterThan(plantedShare(vallis, 'pot'));
    for (const one of plants) {
      const share = plantedShare(one, null);
      expect(share).withContext(one.id).toBeGreaterThan(0.04);
      expect(share).withContext(one.id).toBeLessThan(1);
      if (one.form === 'stem')
        expect(share * one.sizeMm.length.value!)
          .withContext(one.id)
          .toBeLessThanOrEqual(150.01);
    }
  });
});

describe('a planting', () => {
  const bedded = (scene: Design['scene'], grown: Stage = 'grown'): Design => {
    const design = tank([['danio-margaritatus', 8]]);
    return { ...design, grown, scene, substrate: { ...design.substrate, layers: { sand: layer('fine-quartz-sand', level(50)) } } };
  };
  const standing = (scene: Design['scene'], grown: Stage = 'grown') => judge(bedded(scene, grown)).derived['plants.standing'].value!;

  it('stands as its kind does: in the bed, on what is under it, on the water', () => {
    expect(naturalHold(plant('cryptocoryne-wendtii'))).toBe('rooted');
    expect(naturalHold(plant('anubias-barteri'))).toBe('tied');
    const [crypt, moss, floater] = standing({
      stone: piece('rounded-stone', { positionMm: [400, 200, 0] }),
      a: newPlanting('cryptocoryne-wendtii', 10, [100, 100, 0]),
      b: newPlanting('taxiphyllum-barbieri', 11, [400, 200, 0]),
      c: newPlanting('salvinia-natans', 12, [200, 200, 0]),
    });
    expect(crypt!.on).toEqual({ kind: 'bed' });
    expect(crypt!.footMm[2]).toBeCloseTo(50, 0);
    expect(moss!.on).toEqual({ kind: 'piece', id: 'stone' });
    expect(moss!.footMm[2]).toBeGreaterThan(60);
    expect(floater!.on).toEqual({ kind: 'surface' });
    expect(floater!.footMm[2]).toBe(bedded({}).vessel!.waterLevelMm);
  });
  it('is larger from state to state, and no taller than the water', () => {
    const vallis = { a: newPlanting('vallisneria-spiralis', 1, [100, 100, 0]) };
    const tall = (grown: Stage) => standing(vallis, grown)[0]!;
    expect(tall('six-weeks').grown).toBeGreaterThan(tall('planted').grown);
    expect(tall('grown').grown).toBeGreaterThan(tall('six-weeks').grown);
    expect(tall('grown').footMm[2] + tall('grown').heightMm).toBeLessThanOrEqual(bedded({}).vessel!.waterLevelMm + 1e-9);
    expect(Object.keys(STAGE_DAYS)).toEqual(['planted', 'six-weeks', 'grown']);
  });
  it('takes up more the further it is grown, and the more of it there is', () => {
    const area = (count: number, grown: Stage) => {
      const scene = { a: { ...newPlanting('vallisneria-spiralis', 1, [100, 100, 0]), count } };
      return judge(bedded(scene, grown)).derived['tank.ahead'].value!.scenario.plants.areaM2;
    };
    expect(area(4, 'grown')).toBeGreaterThan(area(4, 'planted'));
    expect(area(4, 'grown')).toBeCloseTo(4 * area(1, 'grown'), 9);
  });
  it('counts as so many of its kind', () => {
    const scene = {
      a: { ...newPlanting('vallisneria-spiralis', 1, [100, 100, 0]), count: 5 },
      b: newPlanting('vallisneria-spiralis', 2, [200, 100, 0]),
    };
    const member = judge(bedded(scene)).derived['stock.members'].value!.find(({ organismId }) => organismId === 'vallisneria-spiralis');
    expect(member?.count).toBe(6);
  });
  it('of ten thousand, of half a stem, or on a piece that is not there, is refused with the place', () => {
    const of = (more: Partial<PlantItem>) => PlantItem.safeParse({ ...newPlanting('vallisneria-spiralis', 1, [0, 0, 0]), ...more });
    expect(of({ count: 10_000 }).error?.issues[0]?.message).toBe('at most 500 in one planting: make it several');
    expect(of({ count: 500 }).success).toBeTrue();
    expect(of({ count: 1.5 }).success).toBeFalse();
    expect(of({ spreadMm: 1001 }).success).toBeFalse();
    const design = bedded({ a: newPlanting('taxiphyllum-barbieri', 1, [100, 100, 0]) });
    const done = applyEdit(design, [{ op: 'replace', path: '/scene/a/onId', value: 'gone' }], Design);
    expect(done.ok ? [] : done.refusals).toEqual([{ path: 'scene.a.onId', reason: 'no piece "gone" to hold on to' }]);
  });
  it('is spread over its patch and stays in it', () => {
    expect(spots({ count: 1, spreadMm: 80 })).toEqual([[0, 0]]);
    const many = spots({ count: 40, spreadMm: 80 });
    expect(many.length).toBe(40);
    for (const [x, y] of many) expect(Math.hypot(x, y)).toBeLessThanOrEqual(80);
    const far = Math.max(...many.map(([x, y]) => Math.hypot(x, y)));
    expect(far).toBeGreaterThan(70);
    expect(spots({ count: 400, spreadMm: 80 }).length).toBe(60);
  });
});

describe('light at a planting', () => {
  const lit = (dim: number, wants = 'rotala-rotundifolia', over: Partial<LampLight> = {}): Design => {
    const design = tank([['danio-margaritatus', 8]]);
    const light = newLamp('bar', { output: { value: 3000, unit: 'lm' }, lengthMm: 540, widthMm: 0, dim, ...over });
    return {
      ...design,
      scene: { a: newPlanting(wants, 1, [300, 200, 0]) },
      equipment: { lamp: { order: 1, kind: 'lamp', powerW: null, sizeMm: null, placeMm: null, light } },
      substrate: { ...design.substrate, layers: { sand: layer('fine-quartz-sand', level(50)) } },
    };
  };
  const at = (design: Design) => judge(design).derived['plants.standing'].value![0]!;
  const said = (design: Design) => judge(design).findings.find(({ code }) => code === 'plants.light');

  it('follows the lamp, its height, the tint and the lid, and growth follows it', () => {
    const full = at(lit(1)).ppfd!;
    expect(full).toBeGreaterThan(20);
    expect(at(lit(0.5)).ppfd).toBeCloseTo(full / 2, 6);
    expect(at(lit(1, undefined, { overWaterMm: 300 })).ppfd!).toBeLessThan(full);
    const brown = lit(1);
    expect(at({ ...brown, water: { ...brown.water, organicCarbonMgPerL: { value: 20, basis: 'measured' } } }).ppfd!).toBeLessThan(
      full * 0.6,
    );
    expect(at({ ...brown, vessel: { ...brown.vessel!, lid: { value: 'none', basis: 'measured' } } }).ppfd! * 0.91).toBeCloseTo(full, 6);
    expect(at(lit(0.05)).perDay.value).toBeLessThan(at(lit(0.1)).perDay.value);
    expect(at(lit(0.05)).grown).toBeLessThan(0.01);
    expect(at(lit(1)).grown).toBeGreaterThan(0.9);
    expect(at(lit(3)).scarce).toBe('co2');
    expect(at(lit(0.1)).scarce).toBe('light');
  });
  it('is judged against what the kind wants, dark and glaring, and not where a lamp is not stated', () => {
    expect(said(lit(1))).toBeUndefined();
    expect(said(lit(0.15))?.severity).toBe('watch');
    expect(said(lit(0.02))?.severity).toBe('conflict');
    expect(said(lit(0.02))?.kind).toBe('dark');
    const anubias = (lumens: number) => lit(1, 'anubias-barteri', { output: { value: lumens, unit: 'lm' } });
    const perLumen = at(anubias(10_000)).ppfd! / 10_000;
    const most = lightWanted(plant('anubias-barteri'))!.good[1] * 1.5;
    expect(said(anubias(Math.ceil((most + 1) / perLumen)))?.kind).toBe('glare');
    expect(said(anubias(Math.floor((most - 1) / perLumen)))).toBeUndefined();
    // what wants sun is not burnt by it
    expect(said(lit(1, 'rotala-rotundifolia', { output: { value: 60_000, unit: 'lm' } }))).toBeUndefined();
    const unstated = lit(0.02);
    expect(said({ ...unstated, equipment: { lamp: { ...unstated.equipment['lamp']!, light: null } as Device } })).toBeUndefined();
    expect(said(lit(0.02, undefined, { spectrum: 'red-blue' }))).toBeUndefined();
  });
  it('of a lamp of nought or of a hundred thousand and one lumens is refused', () => {
    const good = (lit(1).equipment['lamp'] as { light: LampLight }).light;
    const of = (value: number) => LampLight.safeParse({ ...good, output: { value, unit: 'lm' } });
    expect(of(0).error?.issues[0]?.message).toBe('a lamp that is dark is none');
    expect(of(100_001).success).toBeFalse();
    expect(of(100_000).success).toBeTrue();
  });
});

describe('shade', () => {
  const { substrate, ...rest } = tank([['danio-margaritatus', 8]]);
  const lamp: Device = {
    order: 1,
    kind: 'lamp',
    powerW: null,
    sizeMm: null,
    placeMm: null,
    light: newLamp('panel', { output: { value: 5000, unit: 'lm' }, widthMm: 300 }),
  };
  const with_ = (scene: Design['scene'], grown: Stage = 'grown'): Design => ({
    ...rest,
    grown,
    scene,
    equipment: { lamp },
    substrate: { ...substrate, layers: { sand: layer('fine-quartz-sand', level(50)) } },
  });
  const of = (scene: Design['scene'], id: string) => judge(with_(scene)).derived['plants.standing'].value!.find((one) => one.id === id)!;
  const low = newPlanting('cryptocoryne-wendtii', 1, [300, 200, 0]);

  it('falls from taller plants over it, from floating leaves and under wood, and names who makes it', () => {
    const open = of({ low }, 'low');
    expect(open.shade).toEqual({ share: 1, byId: null });
    const tall = { ...newPlanting('vallisneria-australis', 2, [310, 200, 0]), count: 6, spreadMm: 40 };
    const under = of({ low, tall }, 'low');
    expect(under.shade.byId).toBe('tall');
    expect(under.ppfd!).toBeCloseTo(open.ppfd! * under.shade.share, 6);
    expect(under.shade.share).toBeLessThan(0.85);
    // beside it there is none
    expect(of({ low, tall: { ...tall, positionMm: [80, 60, 0] } }, 'low').shade.share).toBe(1);
    // and the tall one has none from the low one
    expect(of({ low, tall }, 'tall').shade.share).toBe(1);
    const floating = (count: number) => of({ low, f: { ...newPlanting('limnobium-laevigatum', 3, [100, 100, 0]), count } }, 'low');
    expect(floating(4).shade.share).toBeLessThan(1);
    expect(floating(12).shade.share).toBeLessThan(floating(4).shade.share);
    // however many float, a twentieth stays open
    expect(floating(400).shade.share).toBeCloseTo(1 - 0.9 * 0.95, 6);
    const roof = piece('slab', { positionMm: [300, 260, 0], sizeMm: [250, 250, 20], stand: 'pieces' });
    const dark = of({ low, leg: piece('rounded-stone', { positionMm: [300, 330, 0], sizeMm: [80, 80, 90] }), roof }, 'low');
    expect(dark.on).toEqual({ kind: 'bed' });
    expect(dark.ppfd!).toBeLessThan(open.ppfd! * 0.5);
  });
  it('takes the light of a lamp away from what is under a piece, but for what is scattered', () => {
    const grid = floorGrid(600, 400, () => 0, null);
    const cells = (x: number, y: number) => Math.floor(y / grid.cellYMm) * grid.columns + Math.floor(x / grid.cellXMm);
    const bodies = [Array.from({ length: 21 }, (_, i) => cells(200 + i * 10, 200))].map((cell) => ({
      columns: { cell: Int32Array.from(new Set(cell)), lowMm: new Float32Array(30).fill(150), highMm: new Float32Array(30).fill(170) },
      liftMm: 0,
    }));
    const roof = obstaclesOf(grid, bodies as unknown as SettledPiece[]);
    expect(isClear(roof, [300, 200, 50], 0, 0)).toBeFalse();
    expect(isClear(roof, [300, 200, 175], 0, 0)).toBeTrue();
    expect(isClear(roof, [300, 60, 50], 0, 0)).toBeTrue();
    // from beside it a way that leans under it is shut, one that leans away is free
    expect(isClear(roof, [300, 120, 50], 0, 0.75)).toBeFalse();
    expect(isClear(roof, [300, 120, 50], 0, -0.75)).toBeTrue();
    const spotlight = [{ umolPerS: 50, beamDegrees: 120, atMm: [300, 200], overWaterMm: 80, lengthMm: 0, widthMm: 0 }] as const;
    const water = { surfaceMm: 350, a440PerM: 0.2, throughLid: 1 };
    const clear = ppfdAt(spotlight, water, [300, 200, 50]);
    expect(ppfdAt(spotlight, water, [300, 200, 50], roof)).toBeCloseTo(clear * INTO_SHADOW, 9);
    expect(ppfdAt(spotlight, water, [300, 200, 180], roof)).toBeCloseTo(ppfdAt(spotlight, water, [300, 200, 180]), 9);
  });
});
