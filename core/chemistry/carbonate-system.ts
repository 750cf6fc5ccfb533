import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { carbonateConstants, daviesActivity } from './carbonate-constants';

/** Molar mass of CO2, g/mol. */
export const MOLAR_MASS_CO2 = 44.009;
/** Carbon of humic matter that carries acid groups: 10 µeq per mg C (Oliver, Thurman & Malcolm 1983). */
const ACID_MEQ_PER_MG_C = 0.01;

/** Carbonate species of one water. */
export interface CarbonateState {
  /** Activity scale. */
  ph: number;
  pco2Uatm: number;
  /** CO2 + HCO3- + CO3--. */
  dicMmolPerL: number;
  co2MgPerL: number;
  bicarbonateMmolPerL: number;
  carbonateMmolPerL: number;
}

/** Ionic strength where no analysis is given: that of a usual water of this alkalinity, mol/L. */
export function usualIonicStrength(alkalinityMeqPerL: number): number {
  return (1.5 * Math.max(0, alkalinityMeqPerL)) / 1000 + 0.001;
}

/**
 * Anions of humic acids at a pH, meq/L.
 * Oliver, Thurman & Malcolm 1983, Geochim. Cosmochim. Acta 47:2031: pKo = 0.96 + 0.90 pH − 0.039 pH². Roughly pH 3-8.
 */
export function humicAnionsMeqPerL(docMgPerL: number, ph: number): number {
  const pko = 0.96 + 0.9 * ph - 0.039 * ph ** 2;
  return (docMgPerL * ACID_MEQ_PER_MG_C) / (1 + 10 ** (pko - ph));
}

interface Water {
  temperatureC: number;
  /** Total alkalinity; with humic matter the acid-neutralising capacity without it. */
  alkalinityMeqPerL: number;
  ionicStrengthMolPerL?: number | undefined;
  /** Dissolved organic carbon, mg C/L. */
  docMgPerL?: number | undefined;
}

/** Mixed constants at this ionic strength: activity of H+, concentrations of the rest. */
function mixedConstants({ temperatureC, alkalinityMeqPerL, ionicStrengthMolPerL = usualIonicStrength(alkalinityMeqPerL) }: Water) {
  const k = carbonateConstants(temperatureC);
  const gamma1 = daviesActivity(1, ionicStrengthMolPerL, temperatureC);
  const gamma2 = daviesActivity(2, ionicStrengthMolPerL, temperatureC);
  return {
    k1: 10 ** k.logK1 / gamma1,
    k2: (10 ** k.logK2 * gamma1) / gamma2,
    kw: 10 ** k.logKw / gamma1,
    kh: 10 ** k.logKh,
    gamma1,
  };
}
type Constants = ReturnType<typeof mixedConstants>;

/** Alkalinity that is neither carbonate nor humic: OH- − H+, mol/L. */
const waterAlkalinity = ({ kw, gamma1 }: Constants, h: number): number => kw / h - h / gamma1;

function state({ k1, k2, kh }: Constants, ph: number, co2: number): CarbonateState {
  const h = 10 ** -ph;
  const bicarbonate = (k1 * co2) / h;
  const carbonate = (k2 * bicarbonate) / h;
  return {
    ph,
    pco2Uatm: (co2 / kh) * 1e6,
    dicMmolPerL: (co2 + bicarbonate + carbonate) * 1000,
    co2MgPerL: co2 * 1000 * MOLAR_MASS_CO2,
    bicarbonateMmolPerL: bicarbonate * 1000,
    carbonateMmolPerL: carbonate * 1000,
  };
}

/** The pH at which a balance that rises with pH reaches a target; bisection over pH 1 to 13. */
function solvePh(balance: (ph: number) => number, target: number): number {
  let [low, high] = [1, 13];
  for (let i = 0; i < 48; i++) {
    const ph = (low + high) / 2;
    if (balance(ph) < target) low = ph;
    else high = ph;
  }
  return (low + high) / 2;
}

const humic = ({ docMgPerL }: Water, ph: number): number => (docMgPerL ? humicAnionsMeqPerL(docMgPerL, ph) / 1000 : 0);

/** Open system: in balance with a CO2 pressure, µatm. */
export function carbonateAtPco2(water: Water, pco2Uatm: number): CarbonateState {
  const k = mixedConstants(water);
  const co2 = k.kh * pco2Uatm * 1e-6;
  const balance = (ph: number) => {
    const h = 10 ** -ph;
    return ((k.k1 * co2) / h) * (1 + (2 * k.k2) / h) + waterAlkalinity(k, h) + humic(water, ph);
  };
  return state(k, solvePh(balance, water.alkalinityMeqPerL / 1000), co2);
}

/** Closed system: a given amount of inorganic carbon, mmol/L. */
export function carbonateAtDic(water: Water, dicMmolPerL: number): CarbonateState {
  const k = mixedConstants(water);
  const co2At = (ph: number) => {
    const h = 10 ** -ph;
    return dicMmolPerL / 1000 / (1 + k.k1 / h + (k.k1 * k.k2) / h ** 2);
  };
  const balance = (ph: number) => {
    const h = 10 ** -ph;
    return ((k.k1 * co2At(ph)) / h) * (1 + (2 * k.k2) / h) + waterAlkalinity(k, h) + humic(water, ph);
  };
  const ph = solvePh(balance, water.alkalinityMeqPerL / 1000);
  return state(k, ph, co2At(ph));
}

/**
 * What a pH and an alkalinity read together mean for CO2. Humic acids break it: their anions are counted as bicarbonate, and
 * the answer is too high.
 * @returns null when the two contradict each other: no carbonate is left for the alkalinity
 */
export function carbonateAtPh(water: Water, ph: number): CarbonateState | null {
  const k = mixedConstants(water);
  const h = 10 ** -ph;
  const carbonateAlkalinity = water.alkalinityMeqPerL / 1000 - waterAlkalinity(k, h) - humic(water, ph);
  if (carbonateAlkalinity <= 0) return null;
  const bicarbonate = carbonateAlkalinity / (1 + (2 * k.k2) / h);
  return state(k, ph, (bicarbonate * h) / k.k1);
}

/** The alkalinity, meq/L, at which water in balance with a CO2 pressure has this pH. Ionic strength of a thin water, 0.001 mol/L. */
export function alkalinityAtPh(temperatureC: number, ph: number, pco2Uatm: number): number {
  const k = mixedConstants({ temperatureC, alkalinityMeqPerL: 0 });
  const h = 10 ** -ph;
  const bicarbonate = (k.k1 * k.kh * pco2Uatm * 1e-6) / h;
  return (bicarbonate * (1 + (2 * k.k2) / h) + waterAlkalinity(k, h)) * 1000;
}

/** Why the fresh-water constants do not hold here; null when they do. */
export function outsideFreshWater({ temperatureC, alkalinityMeqPerL, ionicStrengthMolPerL = 0 }: Water): string | null {
  if (temperatureC < 0 || temperatureC > 40) return 'temperature outside 0–40 °C';
  if (alkalinityMeqPerL > 10) return 'alkalinity above 10 meq/L';
  return ionicStrengthMolPerL > 0.1 ? 'ionic strength above 0.1 mol/L' : null;
}

/** Fields of a fresh water, for the calculations that take one. */
export const freshWaterFields = {
  temperatureC: z.number().min(-5).max(100),
  alkalinityMeqPerL: z.number().min(-10).max(100),
  ionicStrengthMolPerL: z.number().min(0).max(10).optional(),
};

export const CARBONATE_SOURCES = [
  { citation: 'Plummer & Busenberg 1982, Geochim. Cosmochim. Acta 46:1011–1040 (constants)', basis: 'published' },
  { citation: 'Ion product of water: fit used in standard geochemical data bases, original author uncertain', basis: 'recalled' },
  { citation: 'Davies equation; dielectric constant of Malmberg & Maryott 1956', basis: 'published' },
] as const;

export const carbonateSystem = calculation({
  id: 'water.carbonate-system',
  title: 'Carbonate system of fresh water',
  inputs: z
    .strictObject({
      ...freshWaterFields,
      ph: z.number().min(0).max(14).optional(),
      pco2Uatm: z.number().positive().max(1e6).optional(),
      dicMmolPerL: z.number().min(0).max(1000).optional(),
    })
    .refine(({ ph, pco2Uatm, dicMmolPerL }) => [ph, pco2Uatm, dicMmolPerL].filter((value) => value !== undefined).length === 1, {
      message: 'give one of ph, pco2Uatm and dicMmolPerL',
    }),
  outputs: z.strictObject({ ph: z.number(), pco2Uatm: z.number(), dicMmolPerL: z.number(), co2MgPerL: z.number() }),
  source: CARBONATE_SOURCES,
  formula: 'Alk = [HCO₃⁻] + 2[CO₃²⁻] + [OH⁻] − [H⁺]; K₁, K₂, K_H, K_w with Davies activities',
  validity:
    'fresh water, 0–40 °C, alkalinity to 10 meq/L (28 dKH), ionic strength to 0.1 mol/L, pH 3–11, CO₂ to 200 000 µatm, no humic acids',
  uncertainty: '0.03 pH for the chemistry. From pH and KH, a pH off by 0.1 is a CO₂ off by a quarter',
  outside: (input) => {
    const outside = outsideFreshWater(input);
    if (outside) return outside;
    if (input.pco2Uatm !== undefined && (input.pco2Uatm < 1 || input.pco2Uatm > 200000)) return 'CO₂ outside 1–200 000 µatm';
    if (input.ph === undefined) return null;
    if (input.ph < 3 || input.ph > 11) return 'pH outside 3–11';
    return carbonateAtPh(input, input.ph) ? null : 'this pH and this alkalinity contradict each other';
  },
  compute: ({ ph, pco2Uatm, dicMmolPerL, ...water }) => {
    const found =
      ph !== undefined
        ? carbonateAtPh(water, ph)
        : pco2Uatm !== undefined
          ? carbonateAtPco2(water, pco2Uatm)
          : carbonateAtDic(water, dicMmolPerL ?? 0);
    return {
      ph: found?.ph ?? NaN,
      pco2Uatm: found?.pco2Uatm ?? NaN,
      dicMmolPerL: found?.dicMmolPerL ?? NaN,
      co2MgPerL: found?.co2MgPerL ?? NaN,
    };
  },
});
