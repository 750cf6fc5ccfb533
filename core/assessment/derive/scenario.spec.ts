import { emptyCare } from '../../care/model';
import type { Design } from '../../design/design';
import { throughTheYear, heatTable, leachedMgPerDay, tankWater } from './scenario';
import { derive } from '../derive';
import { FRAME } from '../frame';
import { thermostats } from './heat';
import { heatLoss } from '../../equipment/heat-loss';
import { TankScenario } from '../../tank/scenario';
import { catalogue, HEAT_BODY, judge, lavaJar, lowBarn, peatPocket, shellBed, tank, weedyThicket } from '../../testing/tanks';

const ahead = (design: Design) => judge(design).derived['tank.ahead'].value;
const withCare = (care: Partial<Design['care']>, design = shellBed): Design => ({ ...design, care: { ...emptyCare(), ...care } });

describe('what a look ahead rests on', () => {
  it('is sound for every demo tank', () => {
    for (const design of [peatPocket, weedyThicket, shellBed, lavaJar]) {
      const found = ahead(design)!;
      expect(TankScenario.safeParse(found.scenario).success).withContext(design.name).toBeTrue();
    }
  });

  it('says everything that was taken because nobody stated it', () => {
    const { taken } = ahead(withCare({}))!;
    expect(taken.join('; ')).toMatch(/g of dry feed a day.*15 % changed once a week.*topped up with pure water.*a rippled surface/);
    const stated = ahead(
      withCare({
        feed: { gPerDay: 0.3, proteinPct: 48 },
        change: { fraction: 0.2, everyDays: 7 },
        topUp: { sourceId: 'ro', everyDays: 0 },
        lampHours: 10,
        surface: 'ripple',
      }),
    )!;
    expect(stated.taken).toEqual([]);
    expect(stated.scenario.topUpDays).toBe(0);
    // and that a source says nothing of its nitrate
    expect(ahead(lavaJar)!.taken).toContain('no nitrate in Mixed sea water');
  });

  it('tops up with what is chosen', () => {
    const chloride = (topUp: Design['care']['topUp']) => ahead(withCare({ topUp }))!.scenario.topUp.chlorideMmol;
    expect(chloride(null)).toBe(0);
    expect(chloride({ sourceId: 'ro', everyDays: 7 })).toBeLessThan(0.1);
    expect(chloride({ sourceId: null, everyDays: 7 })).toBeCloseTo(ahead(shellBed)!.scenario.start.chlorideMmol, 9);
  });

  it('has more breath and feed with more animals, more uptake with more plants', () => {
    const [few, many] = [tank([['danio-margaritatus', 6]]), tank([['danio-margaritatus', 30]])].map((design) => ahead(design)!.scenario);
    expect(many!.animalsMgO2PerDay / few!.animalsMgO2PerDay).toBeCloseTo(5, 6);
    expect(many!.feed.gPerDay / few!.feed.gPerDay).toBeCloseTo(5, 6);
    const bare = { ...weedyThicket, scene: {} };
    expect(ahead(weedyThicket)!.scenario.plants.areaM2).toBeGreaterThan(0);
    expect(ahead(bare)!.scenario.plants.areaM2).toBe(0);
  });

  it('takes soil, lime and leaves as they lie there, none of them in the sea', () => {
    const laid = (materialId: string, amount: number, spent = 0) => ({
      ...shellBed,
      scene: {},
      water: { ...shellBed.water, additions: { x: { order: 1, materialId, amount, spent } } },
    });
    expect(ahead(laid('acid-soil', 4))!.scenario.soil!.capacityMeq).toBeGreaterThan(100);
    expect(ahead(laid('acid-soil', 4, 0.5))!.scenario.soil!.capacityMeq).toBeCloseTo(
      ahead(laid('acid-soil', 4))!.scenario.soil!.capacityMeq / 2,
      6,
    );
    expect(ahead(laid('crushed-coral', 1))!.scenario.lime!.litresPerDay).toBeGreaterThan(0);
    expect(ahead(laid('leaf-litter', 20))!.scenario.leaves.carbonMgPerDay).toBeGreaterThan(0);
    expect(ahead(laid('basalt', 2000))!.scenario.lime).toBeNull();
    const sea = {
      ...lavaJar,
      water: { ...lavaJar.water, additions: { x: { order: 1, materialId: 'crushed-coral', amount: 1, spent: 0 } } },
    };
    expect(ahead(sea)!.scenario.lime).toBeNull();
    const action = catalogue.materials.get('leaf-litter')!.action;
    if (action.kind !== 'leaches') return fail('leaves leach');
    expect(leachedMgPerDay(action, 20)).toBeCloseTo(2 * leachedMgPerDay(action, 10), 9);
    expect(leachedMgPerDay({ ...action, lastsWeeks: { value: null, basis: 'recalled' } }, 10)).toBe(0);
  });

  it('doses what the care says', () => {
    const dosed = withCare({ doses: { a: { order: 1, saltId: 'potassium-bicarbonate', mgPerL: 10.0114, everyDays: 7 } } });
    const { doses, litres } = ahead(dosed)!.scenario;
    expect(doses[0]!.potassiumMmol).toBeCloseTo(0.1 * litres, 3);
    expect(doses[0]!.alkalinityMeq).toBeCloseTo(0.1 * litres, 3);
    expect(judge(dosed).derived['planned.khDh'].value!).toBeGreaterThan(judge(withCare({})).derived['planned.khDh'].value!);
  });

  it('wants a vessel and water of known hardness', () => {
    expect(ahead({ ...shellBed, vessel: null })).toBeNull();
    expect(ahead({ ...shellBed, water: { ...shellBed.water, parts: {} } })).toBeNull();
    expect(judge({ ...shellBed, vessel: null }).derived['tank.ahead'].note).toMatch(/vessel/);
  });

  it('keeps what a source says of nitrate and phosphate', () => {
    const mixed = judge(shellBed).derived['water.mixed'].value!;
    const water = tankWater(mixed);
    expect(water.nitrateMgN * 4.4266).toBeCloseTo(16, 1);
    expect(water.phosphateMgP / 0.32614).toBeCloseTo(0.1, 3);
  });
});

describe('a scenario through the year', () => {
  const world = { design: shellBed, room: lowBarn, catalogue };
  const derived = derive(world, FRAME.graph);
  it('follows the room from the month it begins in', () => {
    const from = (month: number) =>
      throughTheYear(derived['tank.ahead'].value!, world, derived, month, thermostats(shellBed)).scenario.heat;
    const [november, june] = [from(10), from(5)];
    if ('heldC' in november || 'heldC' in june) return fail('the room has a climate');
    expect(november.airC).toEqual([
      [17, 19],
      [17, 18],
      [17, 18],
      [17, 18],
    ]);
    expect(june.airC[1]).toEqual([21, 25]);
    expect(november.heaterC).toBe(25.5);
    expect(november.heaterW).toBe(50);
  });
  it('is held where the room’s climate is not stated, and says so', () => {
    const vague = { ...world, room: { ...lowBarn, climateC: null } };
    const up = derive(vague, FRAME.graph);
    const found = throughTheYear(up['tank.ahead'].value!, vague, up, 3, thermostats(shellBed));
    expect('heldC' in found.scenario.heat).toBeTrue();
    expect(found.taken.join()).toMatch(/climate is not stated/);
  });
  it('looks its heat up within a few per cent of the reckoning', () => {
    const table = heatTable(HEAT_BODY, [17, 23]);
    expect(table.lossW[0]!.length).toBe(table.columns);
    table.lossW[0]!.forEach((watts, i) => {
      const water = table.waterC[0] + ((table.waterC[1] - table.waterC[0]) * i) / (table.columns - 1);
      expect(watts).toBeCloseTo(heatLoss(HEAT_BODY, water, 17).totalW, 9);
    });
    expect(table.evaporationLPerDay.flat().every((litres) => litres >= 0)).toBeTrue();
    // warm water gives off more vapour, to the end of the table
    expect(table.evaporationLPerDay[0]!.at(-1)!).toBeGreaterThan(table.evaporationLPerDay[0]![10]!);
  });
});

describe('leaves and their tea', () => {
  const steeped = (materialId: string, amount: number) => {
    const design = tank([['boraras-brigittae', 12]], { shares: { ro: 1 } });
    return judge({ ...design, water: { ...design.water, additions: { l: { order: 1, materialId, amount, spent: 0 } } } }).derived;
  };

  it('are told apart: leaves are renewed, a pot of tea is one dose in the first filling', () => {
    const [leaves, tea] = [steeped('leaf-litter', 40), steeped('leaf-tea', 40)];
    const scenario = tea['tank.ahead'].value!.scenario;
    // 40 g at about 52 mg of carbon each
    expect(scenario.start.organicCarbonMg * scenario.litres).toBeCloseTo(40 * Math.sqrt(30 * 90), -2);
    expect(scenario.replacement.organicCarbonMg).toBe(0);
    expect(scenario.leaves.carbonMgPerDay).toBe(0);
    expect(tea['water.organic-carbon'].value).toBeCloseTo(0, 3);
    expect(tea['water.organic-carbon'].note).toContain('leaves with the changes');
    expect(leaves['water.organic-carbon'].value).toBeGreaterThan(1);
    expect(leaves['tank.ahead'].value!.scenario.start.organicCarbonMg).toBe(0);
  });

  it('leave the pH open where the water is browner than any that was measured', () => {
    const black = steeped('leaf-litter', 400);
    expect(black['water.organic-carbon'].value).toBeGreaterThan(60);
    expect(black['planned.ph'].value).toBeNull();
    expect(black['planned.ph'].gap).toBe('outside-validity');
    expect(black['planned.ph'].note).toContain('measure the pH');
    expect(steeped('leaf-litter', 40)['planned.ph'].value).not.toBeNull();
  });
});
