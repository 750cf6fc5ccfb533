import { BadInput, evaluateUnknown } from '../calculation/calculation';
import { createRegistry } from '../calculation/registry';
import { HEAT_BODY } from '../testing/tanks';
import { SMALL_TANK } from '../testing/scenarios';
import { calculations } from './calculations';

describe('the registry', () => {
  it('describes every calculation in full', () => {
    for (const { id, title, formula, validity, uncertainty, source } of calculations.all) {
      expect(id).toMatch(/^[a-z]+(\.[a-z0-9-]+)+$/);
      for (const text of [title, formula, validity, uncertainty]) expect(text.length).withContext(id).toBeGreaterThan(8);
      expect(source.length).withContext(id).toBeGreaterThan(0);
    }
  });

  it('refuses two calculations with one id', () => {
    expect(() => createRegistry([calculations.all[0]!, calculations.all[0]!])).toThrowError(/share an id/);
  });

  it('answers in the shape of its outputs', () => {
    const inputs: Record<string, unknown> = {
      'stocking.territories': { areaM2: 0.24, radiusM: 0.12 },
      'stocking.visible': { itemsPerM2: 40, itemRadiusM: 0.03, distanceM: 0.5 },
      'vessel.box-volume': { lengthMm: 600, widthMm: 300, heightMm: 360 },
      'vessel.cylinder-volume': { diameterMm: 300, heightMm: 300 },
      'vessel.jar-volume': { baseMm: 120, bellyMm: 200, bellyHeightMm: 90, neckMm: 110, heightMm: 250, toMm: 200 },
      'vessel.bow-front-volume': { lengthMm: 600, sideMm: 300, middleMm: 400, heightMm: 400 },
      'vessel.water-volume': { spaceL: 61.2, displacedL: 0 },
      'vessel.system-volume': { displayL: 61.2, sumpL: 20, plumbingL: 1 },
      'vessel.drain-back': { levelL: 60, stopL: 55, pipesL: 1, sumpFreeL: 10 },
      'vessel.filled-mass': { waterL: 60, waterKgPerL: 1, glassKg: 12, stoneKg: 3, footprintM2: 0.18 },
      'vessel.glass-thickness': { lengthMm: 600, heightMm: 360, edges: 'free-top' },
      'equipment.evaporation': { surfaceM2: 1, waterC: 27, airC: 25, humidity: 0.5, airMPerS: 1 },
      'equipment.heat-loss': { ...HEAT_BODY, waterC: 26, airC: 21 },
      'equipment.settling-temperature': { ...HEAT_BODY, airC: 21, powerW: 50 },
      'equipment.hours-to-edge': { ...HEAT_BODY, litres: 61.2, airC: 17, powerW: 0, fromC: 25, edgeC: 20 },
      'water.blend': { parts: [{ share: 1, value: 3 }] },
      'water.gh-from-ions': { calciumMgPerL: 40, magnesiumMgPerL: 5 },
      'water.kh-from-ions': { bicarbonateMgPerL: 100 },
      'water.equilibrium-ph': { temperatureC: 25, alkalinityMeqPerL: 1, pco2Uatm: 420 },
      'water.carbonate-system': { temperatureC: 25, alkalinityMeqPerL: 1, ph: 7.2 },
      'water.humic-ph': { temperatureC: 25, alkalinityMeqPerL: 0.05, docMgPerL: 10, pco2Uatm: 1200 },
      'water.dosing': { temperatureC: 25, alkalinityMeqPerL: 1, ph: 7.5, addAlkalinityMeqPerL: 0.5, addDicMmolPerL: 0.5, pco2Uatm: 420 },
      'water.saturation-index': { temperatureC: 25, alkalinityMeqPerL: 2, ph: 8, calciumMmolPerL: 1 },
      'water.composition': { ghDh: 8, khDh: 4, ec25UsPerCm: 400 },
      'water.recipe': {
        sources: [{ id: 'ro', isRo: true, ghDh: 0.1, khDh: 0.1 }],
        saltIds: ['gypsum', 'epsom-salt', 'sodium-bicarbonate'],
        target: { ghDh: [5, 7], khDh: [1, 3] },
        litres: 20,
        scaleG: 0.1,
      },
      'water.mix-strength': { parts: { gypsum: 2, 'epsom-salt': 1 }, gramsPer100L: 20 },
      'water.conductivity': { ionsMmolPerL: { potassium: 10, chloride: 10 } },
      'water.conductivity-at-25': { microsiemensPerCm: 400, temperatureC: 18 },
      'water.seawater-density': { temperatureC: 25, salinity: 35 },
      'water.practical-salinity': { conductivityMsPerCm: 53.07, temperatureC: 25 },
      'water.salinity-from-specific-gravity': { specificGravity: 1.0264, temperatureC: 25, referenceC: 25 },
      'water.sea-salt': { litres: 10, fromSalinity: 0, toSalinity: 35, temperatureC: 25 },
      'water.oxygen-saturation': { temperatureC: 25, salinity: 0 },
      'water.nitrite-chloride': { nitriteNMgPerL: 0.3, chlorideMgPerL: 10 },
      'water.dechlorination': { kind: 'chloramine', chlorineMgPerL: 2, litres: 20 },
      'water.brackish-steps': { litres: 10, fromSalinity: 12, toSalinity: 20, maxStep: 2, replacementSalinity: 35 },
      'water.evaporation-drift': { value: 35, litres: 100, lostL: 2, toppedL: 0, topUpValue: 0 },
      'water.least-conductivity': { ghDh: 6, khDh: 1 },
      'water.seawater-ph': { alkalinityMmolPerKg: 2.3, pco2Uatm: 420, salinity: 35, temperatureC: 25 },
      'stocking.body-mass': { form: 'slender-fish', lengthMm: 30, depthMm: 7, widthMm: 4, longFins: false },
      'stocking.breath': { grams: 1, group: 'fish', current: 'slow' },
      'startup.cycle': {
        temperatureC: 24,
        ph: 7.6,
        oxygenMgPerL: 7.5,
        doseMgNPerLPerDay: 1,
        soilMgNPerL: 0,
        ammoniaOxidisersMgPerL: 0.05,
        nitriteOxidisersMgPerL: 0.02,
        days: 20,
      },
      'care.minutes-per-week': {
        changesPerWeek: 1,
        litresPerChange: 12,
        feedingsPerWeek: 6,
        panesM2: 0.3,
        filters: 1,
        trimmedM2: 0.1,
        dosesPerWeek: 0,
      },
      'lots.shipping': {
        hours: 24,
        startC: 24,
        outsideC: 5,
        boxHours: 18,
        oxygenL: 0.6,
        waterL: 0.4,
        grams: 5,
        breathMgPerHour: 3,
        fasted: true,
      },
      'stocking.growth': { nowMm: 20, grownMm: 60, growthMonths: 10, months: 3 },
      'breeding.both-sexes': { count: 6 },
      'breeding.how-many': { share: 0.25, confidence: 0.95 },
      'breeding.colony-growth': {
        clutch: 25,
        sexRatio: 0.5,
        eggSurvival: 0.9,
        intervalWeeks: 5,
        juvenileWeeks: 10,
        juvenileWeeklySurvival: 0.75,
        adultWeeklySurvival: 0.985,
      },
      'breeding.removal-count': { first: 60, second: 20 },
      'breeding.inbreeding': { males: 2, females: 6, generations: 4 },
      'breeding.cross': {
        loci: [{ name: 'colour', alleles: ['A', 'a'], dominance: 'full', on: 'body', lethal: null, apart: 0.5 }],
        parents: [{ sets: [['A'], ['a']] }, { sets: [['A'], ['a']] }],
      },
      'health.label-dose': { amount: 5, perL: 100, netL: 60 },
      'stocking.usual-feed': { grams: 1, group: 'fish' },
      'substrate.fill': { lengthMm: 600, widthMm: 300, frontDepthMm: 30, backDepthMm: 90, bulkDensityKgPerL: 1.6 },
      'substrate.grain-share': { bedL: 10, porosity: 0.4 },
      'substrate.slope-stability': { slopeDegrees: 25, reposeDegrees: 30 },
      'substrate.swallow-hazard': { grainMinMm: 2, grainMaxMm: 6, gapeMm: 25, takes: 'sucks', young: false, soft: false, sharp: false },
      'substrate.cap': { capGrainMm: [2, 6], baseGrainMm: [0.02, 2], capDepthMm: 25 },
      'substrate.capsule-grid': { areaMm2: 180000, spacingMm: 50 },
      'substrate.moving-current': { grainMm: 0.5 },
      'substrate.throat': { grainMm: 10 },
      'scene.solid-volume': { shape: 'tube', sizeMm: [100, 50, 50], wallMm: 5 },
      'hardscape.buoyancy': { volumeL: 2, densityKgPerL: 0.65, ballastDensityKgPerL: 2.7 },
      'hardscape.waterlogging': { dryKgPerL: 0.7, weeks: 2, halfWeeks: 3 },
      'hardscape.hide-fit': { openingLongMm: 18, openingShortMm: 16, insideMm: 60, lengthMm: 50, depthMm: 13, widthMm: 8 },
      'equipment.pump-flow': { mostLPerH: 1000, mostHeadM: 2, headM: 1 },
      'equipment.jet-speed': { outletMm: 16, outletSpeedMPerS: 1, distanceM: 0.5 },
      'equipment.turnover': { lPerH: 600, systemL: 120 },
      'equipment.energy': { watts: 20, hoursPerDay: 10, pricePerKwh: 0.3 },
      'equipment.filter-capacity': { mediaL: 2, medium: 'coarse-foam', maturity: 1, ammoniaMgNPerL: 0.1, temperatureC: 24 },
      'equipment.power-cut': {
        litres: 100,
        surfaceM2: 0.24,
        temperatureC: 25,
        breathMgPerHour: 40,
        fromMgPerL: 8,
        leastMgPerL: 4,
        lossWPerK: 8,
        airC: 18,
        leastC: 21,
      },
      'equipment.co2-feed': { gPerDay: 3, hours: 10, litres: 60, surfaceM2: 0.18, movement: 3, temperatureC: 25 },
      'light.daylight': { sky: 'some', southern: false },
      'light.daily-integral': { ppfd: 50, hours: 8, rampHours: 1 },
      'light.spot': { outputUmolPerS: 40, beamDegrees: 60, distanceM: 0.4, offAxisDegrees: 20 },
      'light.bar': { outputUmolPerS: 100, lengthM: 0.6, heightM: 0.3 },
      'light.at': { outputUmolPerS: 40, beamDegrees: 120, overWaterM: 0.1, asideM: 0.05, depthM: 0.3, a440PerM: 1 },
      'plants.uptake': { areaM2: 0.2, uptakeGNPerM2: 0.3, nitrogenMgPerL: 2, phosphorusMgPerL: 0.1, co2MmolPerL: 0.05, inAir: 0.3 },
      'plants.growth': { plantedShare: 0.4, growthPerDay: 0.02, days: 42 },
      'light.through-water': { depthM: 0.3, a440PerM: 2 },
      'light.lux-to-ppfd': { lux: 4000, spectrum: 'led-cool' },
      'hardscape.contrast': { one: '#ffffff', other: '#000000' },
      'tank.settled-water': { scenario: SMALL_TANK },
      'water.change-series': { start: 400, replacement: 100, fraction: 0.2, count: 6 },
      'water.changes-to-reach': { start: 400, replacement: 100, fraction: 0.2, target: 150 },
      'water.evaporation-trap': { replacement: 150, topUp: 150, evaporatedFraction: 0.1, changeFraction: 0.2 },
      'water.steady-nitrate': { replacement: 10, madePerInterval: 5, changeFraction: 0.25 },
      'water.acclimation': { bagLitres: 0.5, bagValue: 300, tankValue: 150, dripMlPerMin: 4.5, minutes: 120 },
      'water.floating': { bagLitres: 1, wallM2: 0.1, bagC: 20, tankC: 24, minutes: 20 },
      'water.colour': { organicCarbonMgPerL: 10, pathMm: 300 },
      'water.free-ammonia-fraction': { temperatureC: 25, ph: 8, salinity: 0 },
    };
    for (const calc of calculations.all) {
      const outcome = evaluateUnknown(calc, inputs[calc.id]);
      expect(calc.outputs.safeParse(outcome.value).success).withContext(calc.id).toBeTrue();
    }
  });

  // closed forms worked out by hand, no two of a calculation's inputs alike, so that one taken for another is noticed
  const byHand: [string, unknown, Record<string, number>][] = [
    ['vessel.box-volume', { lengthMm: 600, widthMm: 300, heightMm: 360 }, { litres: 64.8 }],
    ['vessel.cylinder-volume', { diameterMm: 300, heightMm: 200 }, { litres: (Math.PI / 4) * 18 }],
    ['vessel.water-volume', { spaceL: 61.2, displacedL: 1.2 }, { litres: 60 }],
    ['vessel.system-volume', { displayL: 61.2, sumpL: 20, plumbingL: 1 }, { litres: 82.2 }],
    ['vessel.drain-back', { levelL: 60, stopL: 55, pipesL: 1, sumpFreeL: 10 }, { drainsL: 6, spareL: 4 }],
    ['vessel.drain-back', { levelL: 50, stopL: 55, pipesL: 2, sumpFreeL: 1 }, { drainsL: 2, spareL: -1 }],
    [
      'vessel.filled-mass',
      { waterL: 60, waterKgPerL: 1.02, glassKg: 12, stoneKg: 3, footprintM2: 0.18 },
      { kg: 76.2, kPa: (76.2 * 9.81) / 180 },
    ],
    [
      'water.blend',
      {
        parts: [
          { share: 1, value: 3 },
          { share: 3, value: 7 },
        ],
      },
      { value: 6 },
    ],
    ['water.gh-from-ions', { calciumMgPerL: 40, magnesiumMgPerL: 5 }, { ghDh: (40 / 40.078 + 5 / 24.305) / 0.178326 }],
    ['water.kh-from-ions', { bicarbonateMgPerL: 100 }, { khDh: 100 / 61.016 / 0.356652 }],
    ['scene.solid-volume', { shape: 'box', sizeMm: [100, 200, 300] }, { litres: 6 }],
    ['scene.solid-volume', { shape: 'ellipsoid', sizeMm: [100, 200, 300] }, { litres: Math.PI }],
    ['scene.solid-volume', { shape: 'prism', sizeMm: [100, 200, 300] }, { litres: 3 }],
    [
      'scene.solid-volume',
      { shape: 'tube', sizeMm: [100, 50, 40], wallMm: 5 },
      { litres: ((Math.PI / 4) * (50 * 40 - 40 * 30) * 100) / 1e6 },
    ],
    ['substrate.capsule-grid', { areaMm2: 180_000, spacingMm: 60 }, { count: 50 }],
    ['water.steady-nitrate', { replacement: 10, madePerInterval: 5, changeFraction: 0.25 }, { afterChange: 25, beforeChange: 30 }],
  ];
  for (const [id, input, expected] of byHand)
    it(`gives what a pencil gives: ${id} of ${JSON.stringify(input)}`, () => {
      const { value } = evaluateUnknown(calculations.find(id)!, input) as { value: Record<string, number> };
      for (const [name, wanted] of Object.entries(expected)) expect(value[name]).withContext(name).toBeCloseTo(wanted, 3);
    });

  it('names each bad field', () => {
    const calc = calculations.find('water.free-ammonia-fraction')!;
    expect(() => evaluateUnknown(calc, { temperatureC: 'warm', ph: 8, salinity: 0 })).toThrowError(BadInput, /temperatureC/);
    expect(() => evaluateUnknown(calc, { temperatureC: 25, ph: 8, salinity: 0, extra: 1 })).toThrowError(BadInput, /extra/);
    expect(() => evaluateUnknown(calc, null)).toThrowError(BadInput);
  });
});
