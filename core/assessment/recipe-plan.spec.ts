import fc from 'fast-check';
import { SALTS } from '../water/salts';
import { applyEdit } from '../design/edit';
import { Design } from '../design/design';
import { withOwn } from '../design/own-catalogue';
import type { Room } from '../design/room';
import { catalogue, judge, lavaJar, lowBarn, peatPocket, tank } from '../testing/tanks';
import { assess } from './assess';
import { recipePlan, saltsOnHand } from './recipe-plan';
import { planOf } from './remedies/recipe';
import { co2At } from '../water/model';

const bees = tank([['caridina-logemanni', 20]]);
const judgedIn = (design: Design, room: Room) => assess({ design, room, catalogue });
const used = (design: Design, room = lowBarn) => {
  const plan = recipePlan(judgedIn(design, room))!;
  const { parts, salts } = planOf(plan.ways[0]!);
  const done = applyEdit(
    design,
    [
      { op: 'replace', path: '/water/parts', value: parts },
      { op: 'replace', path: '/water/salts', value: salts },
    ],
    Design,
  );
  if (!done.ok) throw new Error(JSON.stringify(done.refusals));
  return { plan, after: judgedIn(done.document, room) };
};

describe('the recipe of a tank', () => {
  it('takes only what the room has, when that is enough', () => {
    const { plan } = used(bees);
    const onHand = saltsOnHand(lowBarn.onHand);
    expect([...onHand].sort()).toEqual(['epsom-salt', 'gypsum', 'sea-salt', 'sodium-bicarbonate']);
    const [best] = plan.ways;
    expect(best!.wants).toEqual([]);
    for (const { saltId } of best!.recipe.saltsMgPerL) expect(onHand.has(saltId)).toBeTrue();
  });

  it('gives the water it promised, once it is in the plan', () => {
    const { plan, after } = used(bees);
    const { reaches, band } = plan.ways[0]!.batch;
    const { derived } = after;
    const mixed = derived['water.mixed'].value!;
    expect(mixed.ghDh).toBeCloseTo(reaches.ghDh, 1);
    expect(mixed.khDh).toBeCloseTo(reaches.khDh, 1);
    expect(Math.abs(mixed.ec25UsPerCm! / reaches.ec25UsPerCm - 1)).toBeLessThan(0.03);
    // the filter takes some of the KH
    expect(derived['planned.khDh'].value!).toBeLessThan(reaches.khDh);
    expect(reaches.ghDh >= band.ghDh[0] && reaches.ghDh <= band.ghDh[1]).toBeTrue();
    expect(derived['planned.ph'].value).toBeCloseTo(plan.ways[0]!.ph!.ph, 1);
  });

  it('mends every conflict of hardness that it can', () => {
    const { after } = used(bees);
    const still = after.findings.filter(
      ({ code, parameter, severity }) => code === 'water.parameter' && parameter === 'ghDh' && severity === 'conflict',
    );
    expect(still).toEqual([]);
  });

  it('wants buying, and says so, where the room has no salt that does it', () => {
    const bare = { ...lowBarn, onHand: {}, sources: { ro: lowBarn.sources['ro']! } };
    const plan = recipePlan(judgedIn(tank([['caridina-logemanni', 20]], { shares: { ro: 1 } }), bare))!;
    expect(plan.ways[0]!.recipe.missed.length).toBeGreaterThan(0);
    expect(plan.ways[0]!.blame.some(({ memberIds }) => memberIds.includes('s0'))).toBeTrue();
    const bought = plan.ways.find(({ wants }) => wants.length > 0)!;
    expect(bought.recipe.missed.filter(({ parameter }) => parameter === 'ghDh')).toEqual([]);
  });

  it('does not take lime out of water to make it acid: that is left to leaves and soil', () => {
    const plan = recipePlan(judge(peatPocket))!;
    expect(plan.wantsAcid).toBeTrue();
    expect(plan.ways[0]!.recipe.missed).toEqual([]);
    const steeped = judge({
      ...peatPocket,
      water: { ...peatPocket.water, additions: { l: { order: 1, materialId: 'leaf-litter', amount: 20, spent: 0 } } },
    });
    expect(recipePlan(steeped)!.wantsAcid).toBeFalse();
  });

  it('does not aim at a conductivity that its hardness rules out', () => {
    const [shrimp] = [catalogue.organisms.get('caridina-logemanni')!];
    const range = (low: number, high: number) => ({
      value: { tolerance: [low, high] as [number, number], optimum: [low, high] as [number, number] },
      basis: 'practice' as const,
    });
    const quoted = {
      ...shrimp,
      ranges: { keep: { ...shrimp.ranges.keep, ghDh: range(6, 8), khDh: range(0, 2), ec25UsPerCm: range(40, 90) } },
    };
    const world = {
      design: bees,
      room: lowBarn,
      catalogue: { ...catalogue, organisms: new Map([...catalogue.organisms, [quoted.id, quoted]]) },
    };
    const assessment = assess(world);
    const plan = recipePlan(assessment)!;
    expect(plan.conductivityLeftOut?.leastUsPerCm).toBeGreaterThan(200);
    expect(plan.target.ec25UsPerCm).toBeUndefined();
    expect(assessment.findings.find(({ code }) => code === 'water.conductivity-contradiction')?.severity).toBe('watch');
  });

  it('is of salt water for those of salt water, by sea water or by salt, KH mended', () => {
    const plan = recipePlan(judge(lavaJar))!;
    expect(plan.water).toBe('salt');
    expect(plan.ways.map(({ recipe }) => recipe.saltsMgPerL.some(({ saltId }) => saltId === 'sea-salt'))).toEqual([false, true]);
    const { after } = used(lavaJar);
    const [low, high] = after.derived['window.salinity'].value!.optimum!;
    const salinity = after.derived['planned.salinity'].value!;
    expect(salinity > low && salinity < high).toBeTrue();
    expect(after.derived['planned.khDh'].value!).toBeGreaterThanOrEqual(after.derived['window.khDh'].value!.optimum![0]);
  });

  it('is none where nobody lives, nothing is at hand, or nothing is known of it', () => {
    expect(recipePlan(judge(tank([])))).toBeNull();
    expect(recipePlan(judgedIn(bees, { ...lowBarn, sources: {} }))).toBeNull();
    const dark = { ...lowBarn.sources['tap']!, ghDh: { value: null, basis: 'measured' as const }, analysisMgPerL: {} };
    expect(recipePlan(judgedIn(bees, { ...lowBarn, sources: { tap: dark } }))).toBeNull();
  });

  it('takes what it must assume for a room without a kit, and says so', () => {
    const plan = recipePlan(judgedIn(bees, { ...lowBarn, mixingKit: null }))!;
    expect([plan.kitStated, plan.litres, plan.scaleG]).toEqual([false, 10, 0.1]);
  });

  it('is the same while the plan is dragged about', () => {
    const one = recipePlan(judge(bees))!.ways[0]!.recipe;
    const other = recipePlan(judge({ ...bees, water: { ...bees.water, salts: { x: { order: 1, saltId: 'gypsum', mgPerL: 50 } } } }))!
      .ways[0]!.recipe;
    expect(other).toBe(one);
  });
});

describe('what lies in the water', () => {
  const shares = { ro: 0.7, tap: 0.3 };
  const base = tank([['danio-margaritatus', 12]], { shares });
  const laid = (materialId: string, amount: number, spent = 0) =>
    judge({ ...base, water: { ...base.water, additions: { x: { order: 1, materialId, amount, spent } } } }).derived;
  const bare = judge(base).derived;

  it('of active soil lowers GH, KH and pH together, and less the more of it is spent', () => {
    const fresh = laid('mild-soil', 8);
    for (const node of ['planned.ghDh', 'planned.khDh', 'planned.ph', 'planned.ec25UsPerCm'] as const)
      expect(fresh[node].value!).withContext(node).toBeLessThan(bare[node].value!);
    expect(fresh['planned.ph'].value).toBeCloseTo(6.5, 0);
    const spent = laid('mild-soil', 1, 0.95);
    expect(spent['water.soil'].value!.weeksLeft!).toBeLessThan(fresh['water.soil'].value!.weeksLeft! / 5);
    expect(laid('mild-soil', 8, 1)['planned.khDh'].value!).toBeGreaterThan(fresh['planned.khDh'].value! + 1);
  });

  it('of coral raises them, and never past saturation', () => {
    const some = laid('crushed-coral', 0.5);
    const much = laid('crushed-coral', 20);
    expect(some['planned.khDh'].value!).toBeGreaterThan(bare['planned.khDh'].value!);
    expect(much['planned.khDh'].value!).toBeGreaterThan(some['planned.khDh'].value!);
    expect(much['water.saturation'].value!).toBeLessThan(0.3);
    expect(some['planned.khDh'].interval).toBeDefined();
  });

  it('of leaves tints the water and lowers the pH, more with more of them', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 60 }), (grams) => {
        const less = laid('leaf-litter', grams);
        const more = laid('leaf-litter', grams + 5);
        expect(more['planned.ph'].value!).toBeLessThanOrEqual(less['planned.ph'].value!);
        expect(more['water.organic-carbon'].value!).toBeGreaterThan(less['water.organic-carbon'].value!);
      }),
      { numRuns: 12 },
    );
    expect(laid('leaf-litter', 40)['water.colour'].value).not.toBe(bare['water.colour'].value);
  });

  it('of sand and basalt leaves it as it was', () => {
    for (const id of ['fine-quartz-sand', 'basalt', 'slate', 'old-soil'])
      expect(laid(id, 500)['planned.khDh'].value).withContext(id).toBe(bare['planned.khDh'].value);
  });

  it('gives way to a carbon that was measured', () => {
    const measured = judge({ ...base, water: { ...base.water, organicCarbonMgPerL: { value: 12, basis: 'measured' } } }).derived;
    expect(measured['water.organic-carbon'].value).toBe(12);
    expect(measured['planned.ph'].value!).toBeLessThan(bare['planned.ph'].value!);
  });

  it('is joined by CO₂ that is fed, which lowers the pH', () => {
    const fed = judge({ ...base, water: { ...base.water, co2: co2At(20) } }).derived;
    expect(fed['water.gas'].value!).toBeGreaterThan(10000);
    expect(fed['planned.ph'].value!).toBeLessThan(bare['planned.ph'].value! - 0.8);
  });
});

describe('every salt', () => {
  it('is in the plan what it is in the recipe', () => {
    for (const { id } of SALTS) {
      const design = { ...bees, water: { ...bees.water, salts: { x: { order: 1, saltId: id, mgPerL: 100 } } } };
      expect(Design.safeParse(design).success).withContext(id).toBeTrue();
      const before = judge(bees).derived['planned.ec25UsPerCm'].value!;
      expect(judge(design).derived['planned.ec25UsPerCm'].value!)
        .withContext(id)
        .toBeGreaterThan(before + 50);
    }
  });

  it('builds up from pure water alone for those who do, at the middle of what is liked', () => {
    const assessment = judge(tank([['caridina-logemanni', 20]], { shares: { ro: 1 } }));
    const plan = recipePlan(assessment, 'ro-only')!;
    expect(plan.ways[0]!.batch.litres.map(({ sourceId }) => sourceId)).toEqual(['ro']);
    const [low, high] = plan.target.ghDh!;
    expect(plan.ways[0]!.recipe.reaches.ghDh).toBeGreaterThan(low + 0.4 * (high - low));
    expect(plan.ways[0]!.recipe.reaches.ghDh).toBeLessThan(high - 0.4 * (high - low));
    const noRo = { ...lowBarn, sources: { tap: lowBarn.sources['tap']! } };
    const dry = assess({ ...assessment.world, room: noRo });
    expect(recipePlan(dry, 'ro-only')!.ways).toEqual(recipePlan(dry)!.ways);
  });

  it('says of each way by itself what it misses', () => {
    const ways = recipePlan(judge(tank([['boraras-maculatus', 12]], { shares: { tap: 1 } })))!.ways;
    for (const { recipe, blame } of ways)
      expect(blame.map(({ parameter }) => parameter)).toEqual(recipe.missed.map(({ parameter }) => parameter));
  });
});

describe('a recipe over active soil', () => {
  // common practice: soil takes hardness out of tap water that brings alkalinity, and leaves RO with plain salts of hardness nearly alone
  const onSoil = (shares: Record<string, number>): Design => {
    const design = tank([['caridina-logemanni', 20]], { shares });
    return { ...design, water: { ...design.water, additions: { soil: { order: 1, materialId: 'acid-soil', amount: 8, spent: 0 } } } };
  };
  const room: Room = {
    ...lowBarn,
    own: {
      ...lowBarn.own,
      mixes: { 'mix-bee': { id: 'mix-bee', name: 'Bee mix', parts: { gypsum: 2, 'epsom-salt': 1 }, gramsPerDh: 4 } },
    },
  };
  const judgedWith = (design: Design) => assess({ design, room, catalogue: withOwn(catalogue, room.own) });

  it('counts what the soil takes: what is left is what they like', () => {
    const [way] = recipePlan(judgedWith(onSoil({ ro: 1 })))!.ways;
    expect(way!.overSoil!.ghDh).toBeGreaterThanOrEqual(4);
    expect(way!.overSoil!.ghDh).toBeLessThanOrEqual(6);
    expect(way!.overSoil!.khDh).toBeLessThan(0.3);
    // the little tap in it brings alkalinity, and the soil takes as much hardness for it
    const khPoured = way!.batch.reaches.khDh;
    expect(khPoured).toBeGreaterThan(0.2);
    expect(way!.batch.reaches.ghDh - way!.overSoil!.ghDh).toBeGreaterThan(khPoured / 2);
    expect(way!.ph!.ph).toBeGreaterThan(5.5);
    expect(way!.ph!.ph).toBeLessThan(6.6);
  });

  it('stands in the tank as it was promised', () => {
    const { ways } = recipePlan(judgedWith(onSoil({ ro: 1 })))!;
    const { parts, salts } = planOf(ways[0]!);
    const design = onSoil({ ro: 1 });
    const after = judgedWith({ ...design, water: { ...design.water, parts, salts } });
    expect(after.derived['planned.ghDh'].value).toBeCloseTo(ways[0]!.overSoil!.ghDh, 1);
    expect(after.derived['planned.ph'].value).toBeCloseTo(ways[0]!.ph!.ph, 1);
  });

  it('is built of one’s own mix and pure water alone, in the school of those who have one', () => {
    const [way] = recipePlan(judgedWith(onSoil({ ro: 1 })), 'own-mix')!.ways;
    expect(way!.batch.litres.map(({ sourceId }) => sourceId)).toEqual(['ro']);
    expect(way!.batch.grams.map(({ saltId }) => saltId)).toEqual(['mix-bee']);
    expect(way!.wants).toEqual([]);
    // 4 g for a degree in 100 L: 20 L to GH 4.9 take 3.9 g
    const roGh = lowBarn.sources['ro']!.ghDh.value!;
    expect(way!.batch.grams[0]!.grams).toBeCloseTo(0.04 * 20 * (way!.batch.reaches.ghDh - roGh), 1);
  });

  it('is not reckoned with a mix that the room does not know', () => {
    const design = onSoil({ ro: 1 });
    const lost = { ...design, water: { ...design.water, salts: { m: { order: 1, saltId: 'mix-lost', mgPerL: 100 } } } };
    const { derived } = judgedWith(lost);
    expect(derived['planned.ghDh'].value).toBeNull();
    expect(derived['water.mixed'].note).toContain('mix-lost');
  });
});
