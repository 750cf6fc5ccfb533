import { closedPh, co2Of, freshAcidBase, openPh, saltAcidBase, usualIonicStrength, type AcidBase } from '../chemistry/acid-base';
import { carbonateSolubility } from '../chemistry/carbonate-constants';
import { oxygenSaturationOf } from '../chemistry/oxygen-saturation';
import { FRESH_SALINITY_MAX, type TankScenario, type TankWater } from './scenario';
import { livingAt, NITRIFIERS_BY_DEGREE, schmidtCo2, schmidtOxygen, transferVelocity } from './speeds';
import { KJ_PER_L_K, STATE, type State } from './state';

/** The tank at one moment, as its processes see it. One object, filled anew at every look. */
export interface Now {
  /** Days from the start, which is a midnight. */
  day: number;
  /** 1 while the lamps burn; their share of the day where day and night are not told apart. */
  light: number;
  litres: number;
  temperatureC: number;
  ph: number;
  k: AcidBase;
  /** Activity coefficient of a twice charged ion; 1 in salt water. */
  gamma2: number;
  /** Solubility product of the lime mineral, activities. */
  ksp: number;
  co2MmolPerL: number;
  alkalinityMeqPerL: number;
  calciumMmolPerL: number;
  ammoniaMgNPerL: number;
  nitriteMgNPerL: number;
  nitrateMgNPerL: number;
  phosphateMgPPerL: number;
  organicCarbonMgPerL: number;
  oxygenMgPerL: number;
  oxygenSaturationMgPerL: number;
  /** Rates of living things against 25 °C, of the two nitrifiers against 20 °C. */
  living: number;
  toNitrite: number;
  toNitrate: number;
  /** Gas exchange of a still surface, m a day. */
  oxygenMPerDay: number;
  co2MPerDay: number;
}

/** What goes by temperature, side by side in one row for each half degree, so that one look reads one stretch of memory. */
const COLUMNS = ['k1', 'k2', 'kw', 'kh', 'kb', 'ksp', 'davies', 'oxygen', 'living', 'toNitrite', 'toNitrate', 'oxygenM', 'co2M'] as const;
const WIDE = COLUMNS.length;
const STEP_C = 0.5;
const MOST_C = 40;
const ROWS = MOST_C / STEP_C + 1;
const kept = new Map<string, Float64Array>();

/** Constants at no ionic strength, the slope of Davies, solubility of lime, oxygen in balance, and how fast life and gases are. */
function tableOf(salinity: number, pressureHpa: number, mineral: 'calcite' | 'aragonite'): Float64Array {
  const isFresh = salinity <= FRESH_SALINITY_MAX;
  const rounded = Math.round(salinity * 10) / 10;
  const key = `${rounded}/${Math.round(pressureHpa)}/${mineral}`;
  let table = kept.get(key);
  if (table) return table;
  table = new Float64Array(ROWS * WIDE);
  for (let i = 0; i < ROWS; i++) {
    const t = i * STEP_C;
    const k = isFresh ? freshAcidBase(t, 0) : saltAcidBase(t, rounded);
    const { logCalcite, logAragonite } = carbonateSolubility(t);
    const row: Record<(typeof COLUMNS)[number], number> = {
      k1: k.k1,
      k2: k.k2,
      kw: k.kw,
      kh: k.kh,
      kb: k.kb,
      ksp: 10 ** (mineral === 'calcite' ? logCalcite : logAragonite),
      // γ1 = exp(−a (√I/(1+√I) − 0.3 I)): its a from one point
      davies: isFresh ? -Math.log(freshAcidBase(t, 0.01).gammaH) / DAVIES_AT_001 : 0,
      oxygen: oxygenSaturationOf(t, Math.min(40, rounded), pressureHpa),
      living: livingAt(t),
      toNitrite: NITRIFIERS_BY_DEGREE[0] ** (t - 20),
      toNitrate: NITRIFIERS_BY_DEGREE[1] ** (t - 20),
      oxygenM: transferVelocity(schmidtOxygen(Math.min(35, t))),
      co2M: transferVelocity(schmidtCo2(Math.min(35, t))),
    };
    COLUMNS.forEach((name, c) => (table![i * WIDE + c] = row[name]));
  }
  kept.set(key, table);
  return table;
}
const daviesOf = (i: number): number => {
  const root = Math.sqrt(i);
  return root / (1 + root) - 0.3 * i;
};
const DAVIES_AT_001 = daviesOf(0.01);

const between = (table: Float64Array, at: number, f: number): number => table[at]! + f * (table[at + WIDE]! - table[at]!);

/** Makes the eye that looks at states of one scenario; what it returns is overwritten by the next look. */
export function eyeOf(scenario: TankScenario): (day: number, light: number, y: State) => Now {
  const table = tableOf(scenario.salinity, scenario.gas.pressureHpa, scenario.lime?.mineral ?? 'calcite');
  const heldC = 'heldC' in scenario.heat ? scenario.heat.heldC : null;
  const k: AcidBase = { k1: 0, k2: 0, kw: 0, kh: 0, gammaH: 1, kb: 0, boronMolPerL: (0.000416 * scenario.salinity) / 35 };
  if (scenario.salinity <= FRESH_SALINITY_MAX) k.boronMolPerL = 0;
  const now: Now = {
    day: 0,
    light: 0,
    litres: 0,
    temperatureC: 24,
    ph: 7.5,
    k,
    gamma2: 1,
    ksp: 0,
    co2MmolPerL: 0,
    alkalinityMeqPerL: 0,
    calciumMmolPerL: 0,
    ammoniaMgNPerL: 0,
    nitriteMgNPerL: 0,
    nitrateMgNPerL: 0,
    phosphateMgPPerL: 0,
    organicCarbonMgPerL: 0,
    oxygenMgPerL: 0,
    oxygenSaturationMgPerL: 0,
    living: 1,
    toNitrite: 1,
    toNitrate: 1,
    oxygenMPerDay: 0,
    co2MPerDay: 0,
  };
  return (day, light, y) => {
    const litres = Math.max(1e-3, y[STATE.water]!);
    const per = 1 / litres;
    now.day = day;
    now.light = light;
    now.litres = litres;
    now.temperatureC = heldC ?? (y[STATE.heat]! * per) / KJ_PER_L_K;
    const at = Math.min(ROWS - 1.001, Math.max(0, now.temperatureC / STEP_C));
    const row = Math.floor(at) * WIDE;
    const f = at - Math.floor(at);
    now.alkalinityMeqPerL = y[STATE.alkalinity]! * per;
    const davies = between(table, row + 6, f);
    const gamma1 = davies === 0 ? 1 : Math.exp(-davies * daviesOf(usualIonicStrength(now.alkalinityMeqPerL)));
    now.gamma2 = gamma1 * gamma1 * gamma1 * gamma1;
    k.k1 = between(table, row + 0, f) / gamma1;
    k.k2 = (between(table, row + 1, f) * gamma1) / now.gamma2;
    k.kw = between(table, row + 2, f) / gamma1;
    k.kh = between(table, row + 3, f);
    k.kb = between(table, row + 4, f);
    k.gammaH = gamma1;
    now.ksp = between(table, row + 5, f);
    now.oxygenSaturationMgPerL = between(table, row + 7, f);
    now.living = between(table, row + 8, f);
    now.toNitrite = between(table, row + 9, f);
    now.toNitrate = between(table, row + 10, f);
    now.oxygenMPerDay = between(table, row + 11, f);
    now.co2MPerDay = between(table, row + 12, f);
    now.calciumMmolPerL = Math.max(0, y[STATE.calcium]! * per);
    now.ammoniaMgNPerL = Math.max(0, y[STATE.ammonia]! * per);
    now.nitriteMgNPerL = Math.max(0, y[STATE.nitrite]! * per);
    now.nitrateMgNPerL = Math.max(0, y[STATE.nitrate]! * per);
    now.phosphateMgPPerL = Math.max(0, y[STATE.phosphate]! * per);
    now.organicCarbonMgPerL = Math.max(0, y[STATE.organicCarbon]! * per);
    now.oxygenMgPerL = Math.max(0, y[STATE.oxygen]! * per);
    const dic = Math.max(0, y[STATE.carbon]! * per) / 1000;
    // the last pH is a good first guess for the next
    now.ph = closedPh(k, now.alkalinityMeqPerL / 1000, dic, fresh(scenario) ? now.organicCarbonMgPerL : 0, now.ph);
    now.co2MmolPerL = co2Of(k, dic, now.ph) * 1000;
    return now;
  };
}

const fresh = ({ salinity }: TankScenario): boolean => salinity <= FRESH_SALINITY_MAX;

/** Constants of a water as it is poured: by its own alkalinity, at a temperature. */
function constantsFor(scenario: TankScenario, alkalinityMeq: number, temperatureC: number): AcidBase {
  return fresh(scenario)
    ? freshAcidBase(temperatureC, usualIonicStrength(alkalinityMeq))
    : saltAcidBase(temperatureC, Math.round(scenario.salinity * 10) / 10);
}

/** Inorganic carbon, mmol/L, of a water that stands with its CO2 pressure at a temperature. */
export function carbonOf(scenario: TankScenario, water: TankWater, temperatureC: number): number {
  const k = constantsFor(scenario, water.alkalinityMeq, temperatureC);
  const co2 = k.kh * water.pco2Uatm * 1e-6;
  const ph = openPh(k, water.alkalinityMeq / 1000, co2, fresh(scenario) ? water.organicCarbonMg : 0);
  const h = 10 ** -ph;
  return 1000 * co2 * (1 + k.k1 / h + (k.k1 * k.k2) / (h * h));
}
