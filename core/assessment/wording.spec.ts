import { emptyCare } from '../care/model';
import { METRIC, US } from '../quantity/format';
import type { Design } from '../design/design';
import { Room } from '../design/room';
import { box, catalogue, find, judge, lowBarn, peatPocket, tank, weedyThicket } from '../testing/tanks';
import { emptyDesign } from '../design/design';
import { helpFor } from './remedies/offer';
import { nameOf, plain, wordFinding, wordRemedy, wordShortfall } from './wording';
import { co2At } from '../water/model';

const withSea = {
  ...lowBarn,
  sources: { ...lowBarn.sources, sea: { ...catalogue.waters.get('sea-water')!, order: 3, name: 'Sea water' } },
} as unknown as Room;
delete (withSea.sources['sea'] as unknown as Record<string, unknown>)['id'];
delete (withSea.sources['sea'] as unknown as Record<string, unknown>)['note'];
const arriving = (salinity: number): Design => {
  const design = tank([['halocaridina-rubra', 20]], { shares: { sea: 0.5, ro: 0.5 } });
  return { ...design, stock: { s0: { ...design.stock['s0']!, arrivalSalinity: { value: salinity, basis: 'measured' } } } };
};
const withLeakTest = (value: boolean | null): Design => {
  const vessel = {
    ...box(600, 400, 360),
    leakTest: { value: value === null ? null : { dry: value, days: 2, filterRan: null }, basis: 'measured' as const },
  };
  return tank([['danio-margaritatus', 8]], { vessel });
};

const watered = (design: Design, water: Partial<Design['water']>): Design => ({ ...design, water: { ...design.water, ...water } });
const withDisinfectant = (value: 'chlorine' | 'chloramine') => ({
  ...lowBarn,
  sources: { ...lowBarn.sources, tap: { ...lowBarn.sources['tap']!, disinfectant: { value, basis: 'measured' as const } } },
});

describe('the words of each judgement', () => {
  const cases: [name: string, design: Design, room: Room, key: string, title: RegExp, reason: RegExp][] = [
    [
      'GH too high',
      peatPocket,
      lowBarn,
      'water.parameter:ghDh:pair',
      /^GH 17.8 dGH is too high for \*Parosphromenus harveyi\*$/,
      /^The edge is 3 dGH: it lives in 0–3 dGH\.$/,
    ],
    [
      'pH too high, with its doubt',
      peatPocket,
      lowBarn,
      'water.parameter:ph:pair',
      /^pH 8.\d is too high/,
      /The edge is 6.5.* It may settle anywhere in \d\.\d–\d\.\d\.$/,
    ],
    [
      'GH comfortable edge',
      weedyThicket,
      lowBarn,
      'water.parameter:ghDh:danios',
      /^GH 17.8 dGH is too high/,
      /it is comfortable in 6–16 dGH/,
    ],
    [
      'KH fits',
      weedyThicket,
      lowBarn,
      'water.parameter:khDh:danios',
      /^KH suits \*Danio margaritatus\*$/,
      /^13\.\d dKH, inside 4–14 dKH\.$/,
    ],
    [
      'GH too low',
      tank([['ambystoma-mexicanum', 1]], { shares: { ro: 1 } }),
      lowBarn,
      'water.parameter:ghDh:s0',
      /^GH 0.1 dGH is too low/,
      /The edge is 5 dGH/,
    ],
    [
      'a range not known',
      tank([['pterapogon-kauderni', 2]]),
      lowBarn,
      'water.parameter:ghDh:s0',
      /^GH for \*Pterapogon kauderni\* not known$/,
      /No range is recorded/,
    ],
    [
      'water not chosen',
      tank([['danio-margaritatus', 8]], { shares: {} }),
      lowBarn,
      'water.not-stated',
      /^Water not chosen$/,
      /Pour from the room’s sources/,
    ],
    [
      'a conditioner that harms',
      watered(tank([['ambystoma-mexicanum', 1]]), { conditioner: 'plant-gel' }),
      lowBarn,
      'water.conditioner-harm:s0',
      /^The conditioner harms \*Ambystoma mexicanum\*$/,
      /skin, which breathes/,
    ],
    [
      'chloramine split',
      watered(tank([['danio-margaritatus', 12]]), { conditioner: 'thiosulfate' }),
      withDisinfectant('chloramine'),
      'water.disinfectant:tap',
      /^Conditioning Limestone tap leaves ammonia$/,
      /mature filter/,
    ],
    [
      'tap water treated for both',
      watered(tank([['danio-margaritatus', 12]]), { conditioner: 'binder' }),
      lowBarn,
      'water.disinfectant:tap',
      /^Limestone tap is conditioned$/,
      /treated for both/,
    ],
    ['copper', tank([['neocaridina-davidi', 12]]), lowBarn, 'water.copper:s0', /^Copper 0.04 mg\/L is much for/, /Let the tap run/],
    [
      'much CO2',
      watered(tank([['danio-margaritatus', 12]]), { co2: co2At(45) }),
      lowBarn,
      'water.co2',
      /^45 mg\/L of CO₂ kills$/,
      /secured upright/,
    ],
    [
      'oxygen that runs short',
      {
        ...tank([['danio-margaritatus', 200]]),
        care: { ...emptyCare(), surface: 'still' as const, feed: { gPerDay: 2.5, proteinPct: 45 } },
      },
      lowBarn,
      'water.oxygen',
      /^Too little oxygen|short/,
      /air stone/,
    ],
    [
      'nitrate that climbs',
      {
        ...tank([['danio-margaritatus', 60]]),
        care: { ...emptyCare(), change: { fraction: 0.05, everyDays: 14 }, feed: { gPerDay: 1, proteinPct: 45 } },
      },
      lowBarn,
      'water.nitrate',
      /^Nitrate climbs/,
      /settles at about \d+.* mg\/L/,
    ],
    [
      'topping up with tap water',
      {
        ...tank([['danio-margaritatus', 12]], { vessel: box(600, 400, 360, 'none'), heaterC: 26 }),
        care: { ...emptyCare(), topUp: { sourceId: 'tap', everyDays: 2 } },
      },
      lowBarn,
      'water.evaporation',
      /^Topping up makes the water \d+ % saltier/,
      /RO or rain/,
    ],
    [
      'lime that settles',
      {
        ...watered(tank([['danio-margaritatus', 4]], { heaterC: 28 }), {
          salts: { chalk: { order: 1, saltId: 'calcium-chloride', mgPerL: 400 } },
        }),
        care: { ...emptyCare(), surface: 'air-stone' as const },
      },
      lowBarn,
      'water.lime-settles',
      /^Lime settles/,
      /Saturation index \d\.\d+/,
    ],
    [
      'soil that is eaten',
      watered(tank([['danio-margaritatus', 12]]), { additions: { soil: { order: 1, materialId: 'acid-soil', amount: 5, spent: 0 } } }),
      lowBarn,
      'water.soil-life',
      /^The buffering soil will be exhausted in about \d+ weeks$/,
      /the KH of the change water uses it up/,
    ],
    [
      'soil beside lime',
      watered(tank([['danio-margaritatus', 12]], { shares: { ro: 1 } }), {
        additions: {
          soil: { order: 1, materialId: 'mild-soil', amount: 8, spent: 0 },
          coral: { order: 2, materialId: 'crushed-coral', amount: 0.5, spent: 0 },
        },
      }),
      lowBarn,
      'water.soil-against-lime',
      /^Soil and lime work against each other$/,
      /Have one or the other/,
    ],
    [
      'a stranger among the materials',
      watered(tank([['danio-margaritatus', 12]]), { additions: { x: { order: 1, materialId: 'moon-rock', amount: 5, spent: 0 } } }),
      lowBarn,
      'water.material-not-known:x',
      /^“moon-rock” is not in the catalogue$/,
      /not counted/,
    ],
    [
      'readings that contradict each other',
      tank([['danio-margaritatus', 12]]),
      { ...lowBarn, sources: { tap: { ...lowBarn.sources['tap']!, ec25UsPerCm: { value: 60, basis: 'measured' as const } } } },
      'water.source-questioned:tap',
      /^Readings of Limestone tap contradict each other$/,
      /would conduct \d+ µS\/cm, and it reads 60/,
    ],
    [
      'disinfectant not stated',
      weedyThicket,
      lowBarn,
      'water.disinfectant:tap',
      /^Chlorine or chloramine in Limestone tap not stated$/,
      /treat it as present/,
    ],
    [
      'arrival not stated',
      tank([['halocaridina-rubra', 20]], { shares: { sea: 0.5, ro: 0.5 } }),
      withSea,
      'water.salinity-acclimation:s0',
      /^Arrival salinity of \*Halocaridina rubra\* not stated$/,
      /at most 3 ppt a day/,
    ],
    [
      'a shift over days',
      arriving(32),
      withSea,
      'water.salinity-acclimation:s0',
      /^Shift \*Halocaridina rubra\* over 5 days$/,
      /arrives at 32 ppt and the tank is 17.5 ppt; at most 3 ppt a day/,
    ],
    ['straight in', arriving(17), withSea, 'water.salinity-acclimation:s0', /can go straight in$/, /arrives at 17 ppt/],
    [
      'the room not stated',
      tank([['danio-margaritatus', 8]]),
      { ...lowBarn, climateC: null },
      'heat.not-stated',
      /^The room’s temperature by month is not stated$/,
      /usual low and high by month/,
    ],
    [
      'too cold',
      weedyThicket,
      lowBarn,
      'heat.too-cold:danios',
      /^1[5-7](\.\d)? °C in the cold season is too cold/,
      /^Below 21 °C, the edge of its comfort, from \w+ to \w+\.$/,
    ],
    [
      'too warm',
      tank([['ambystoma-mexicanum', 1]]),
      lowBarn,
      'heat.too-warm:s0',
      /^2\d(\.\d)? °C in the warm season is too warm/,
      /^Above 22 °C, the edge of what it stands, from \w+ to \w+\.$/,
    ],
    [
      'too cold all year',
      tank([['mikrogeophagus-ramirezi', 2]], { heaterC: 20 }),
      lowBarn,
      'heat.too-cold:s0',
      /^20 °C in the cold season/,
      /Below 24 °C.*all year\.$/,
    ],
    [
      'warm enough',
      tank([['neocaridina-davidi', 10]], { heaterC: 22 }),
      lowBarn,
      'heat.too-cold:s0',
      /^Warm enough/,
      /coldest month stands at 22 °C; it likes 19 °C and more, and lives down to 10 °C/,
    ],
    [
      'a clash',
      tank([
        ['ambystoma-mexicanum', 1],
        ['mikrogeophagus-ramirezi', 2],
      ]),
      lowBarn,
      'window.clash:temperatureC:s0:s1',
      /^\*Ambystoma mexicanum\* and \*Mikrogeophagus ramirezi\* cannot be kept together$/,
      /^Temperature: one stands at most 22 °C, the other needs at least 24 °C\.$/,
    ],
    [
      'a strain',
      tank([
        ['danio-margaritatus', 8, 'spawn'],
        ['mikrogeophagus-ramirezi', 2],
      ]),
      lowBarn,
      'window.strain:temperatureC:s0:s1',
      /do not share a comfortable temperature$/,
      /One is comfortable up to 25 °C, the other from 27 °C/,
    ],
    [
      'no vessel',
      tank([['danio-margaritatus', 8]], { vessel: null }),
      lowBarn,
      'vessel.not-stated',
      /^Vessel not chosen$/,
      /inside length, width and height/,
    ],
    [
      'floor too small',
      tank([['puntigrus-tetrazona', 10]]),
      lowBarn,
      'vessel.footprint:s0',
      /^Floor is too small for \*Puntigrus tetrazona\*$/,
      /^60 cm × 40 cm here; the smallest proper group wants 80 cm × 35 cm\.$/,
    ],
    [
      'floor wide enough',
      tank([['danio-margaritatus', 8]]),
      lowBarn,
      'vessel.footprint:s0',
      /^Floor is wide enough/,
      /the smallest group wants 40 cm × 25 cm/,
    ],
    [
      'a vessel too small',
      tank([['puntigrus-tetrazona', 10]], { vessel: box(600, 300, 320) }),
      lowBarn,
      'vessel.volume:s0',
      /^Vessel is too small for/,
      /^A tank of 57.6 L; 10 want about 90 L\.$/,
    ],
    ['no lid', weedyThicket, lowBarn, 'vessel.lid:danios', /jumps, and there is no lid$/, /Now and then one is lost/],
    [
      'lid not stated',
      tank([['danio-margaritatus', 8]], { vessel: box(600, 400, 360, null) }),
      lowBarn,
      'vessel.lid:s0',
      /^Lid not settled/,
      /Say what covers/,
    ],
    ['leak test not logged', withLeakTest(null), lowBarn, 'vessel.leak-test', /^Leak test not logged$/, /Full glass is heavy/],
    ['leak test failed', withLeakTest(false), lowBarn, 'vessel.leak-test', /^Leak test failed$/, /Do not furnish it/],
    [
      'a lone one',
      tank([['paracheirodon-axelrodi', 1]]),
      lowBarn,
      'stocking.group-size:s0',
      /^A lone \*Paracheirodon axelrodi\* does not settle$/,
      /1 here; it wants at least 10/,
    ],
    ['too few', tank([['paracheirodon-axelrodi', 6]]), lowBarn, 'stocking.group-size:s0', /^Too few \*Paracheirodon axelrodi\*$/, /6 here/],
    ['nothing chosen', emptyDesign('d', 'low-barn', 'T'), lowBarn, 'stocking.not-chosen', /^Nothing lives here yet$/, /Livestock bench/],
  ];
  for (const [name, design, room, key, title, reason] of cases) {
    it(`says it of ${name}`, () => {
      const assessment = judge(design, room);
      const finding = find(assessment, key);
      if (!finding) return fail(`no finding ${key} among ${assessment.findings.map((f) => f.key).join(' ')}`);
      const worded = wordFinding(finding, assessment, METRIC);
      expect(worded.title).toMatch(title);
      expect(worded.reason).toMatch(reason);
    });
  }

  it('names sources and strangers too', () => {
    const assessment = judge(weedyThicket);
    expect(nameOf('tap', assessment)).toBe('Limestone tap');
    expect(nameOf('danios', assessment)).toBe('*Danio margaritatus*');
    const stranger = { ...weedyThicket, stock: { danios: { ...weedyThicket.stock['danios']!, organismId: 'no-such-fish' } } };
    expect(nameOf('danios', judge(stranger))).toBe('“no-such-fish” (not in the catalogue)');
    expect(plain('*Danio* and *Boraras*')).toBe('Danio and Boraras');
  });
});

describe('the words of a remedy', () => {
  const say = (design: Design, key: string, units = METRIC) => {
    const assessment = judge(design);
    const finding = find(assessment, key)!;
    return helpFor(assessment, finding).remedies.map((remedy) => wordRemedy(remedy, finding, assessment, units));
  };

  const cases: [Design, string, RegExp, RegExp][] = [
    [peatPocket, 'water.parameter:ghDh:pair', /^100 % RO water$/, /^17.8 dGH → 0.1 dGH; mends \d+ more$/],
    [weedyThicket, 'heat.too-cold:danios', /^Heater at 22 °C$/, /^1\d(\.\d)? °C → 22 °C/],
    [tank([['danio-margaritatus', 8]], { heaterC: 30 }), 'heat.too-warm:s0', /^Set heater to 24 °C$/, /^30 °C → 2\d(\.\d)? °C/],
    [tank([['ambystoma-mexicanum', 1]]), 'heat.too-warm:s0', /^Cooler at 17 °C$/, /^2\d(\.\d)? °C → 17 °C/],
    [weedyThicket, 'vessel.lid:danios', /^Glass lid$/, /^watch → fits/],
    [tank([['paracheirodon-axelrodi', 4]]), 'stocking.group-size:s0', /^Add 6, to 10$/, /^4 → 10/],
    [tank([['puntigrus-tetrazona', 10]]), 'vessel.footprint:s0', /^Box of 80 cm × 35 cm × 40 cm$/, /watch → fits/],
    [
      tank([
        ['ambystoma-mexicanum', 1],
        ['mikrogeophagus-ramirezi', 2],
      ]),
      'window.clash:temperatureC:s0:s1',
      /^Leave out \*Mikrogeophagus ramirezi\*$/,
      /^conflict → gone/,
    ],
  ];
  for (const [design, key, action, effect] of cases) {
    it(`for ${key}`, () => {
      const [first] = say(design, key);
      expect(first?.action).toMatch(action);
      expect(first?.effect).toMatch(effect);
    });
  }

  it('in US units', () => {
    expect(say(weedyThicket, 'heat.too-cold:danios', US)[0]?.action).toBe('Heater at 71.6 °F');
  });

  it('when there is none says so', () => {
    const lonely = judge(tank([['danio-margaritatus', 8]]), { ...lowBarn, sources: {} });
    const cold = find(lonely, 'heat.too-cold:s0')!;
    const none = { remedies: [], shortfall: { reason: 'none-known' as const } };
    expect(wordShortfall(none, cold, METRIC)).toMatch(/^Another place, warmer by night/);
    expect(wordShortfall(none, { ...cold, code: 'stocking.crossing' }, METRIC)).toBe('No remedy is known here.');
    expect(wordShortfall({ remedies: [], shortfall: null }, cold, METRIC)).toBeNull();
  });
});
