import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { closedPh, co2Of, freshAcidBase, openPh, otherAlkalinity, usualIonicStrength, type AcidBase } from './acid-base';

/** Molar mass of CO2, g/mol. */
export const MOLAR_MASS_CO2 = 44.009;
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

interface Water {
  temperatureC: number;
  /** Total alkalinity; with humic matter the acid-neutralising capacity without it. */
  alkalinityMeqPerL: number;
  ionicStrengthMolPerL?: number | undefined;
  /** Dissolved organic carbon, mg C/L. */
  docMgPerL?: number | undefined;
}

const constantsOf = ({ temperatureC, alkalinityMeqPerL, ionicStrengthMolPerL = usualIonicStrength(alkalinityMeqPerL) }: Water): AcidBase =>
  freshAcidBase(temperatureC, ionicStrengthMolPerL);

function state({ k1, k2, kh }: AcidBase, ph: number, co2: number): CarbonateState {
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

/** Open system: in balance with a CO2 pressure, µatm. */
export function carbonateAtPco2(water: Water, pco2Uatm: number): CarbonateState {
  const k = constantsOf(water);
  const co2 = k.kh * pco2Uatm * 1e-6;
  return state(k, openPh(k, water.alkalinityMeqPerL / 1000, co2, water.docMgPerL ?? 0), co2);
}

/** Closed system: a given amount of inorganic carbon, mmol/L. */
export function carbonateAtDic(water: Water, dicMmolPerL: number): CarbonateState {
  const k = constantsOf(water);
  const ph = closedPh(k, water.alkalinityMeqPerL / 1000, dicMmolPerL / 1000, water.docMgPerL ?? 0);
  return state(k, ph, co2Of(k, dicMmolPerL / 1000, ph));
}

/**
 * What a pH and an alkalinity read together mean for CO2. Humic acids break it: their anions are counted as bicarbonate, and
 * the answer is too high.
 * @returns null when the two contradict each other: no carbonate is left for the alkalinity
 */
export function carbonateAtPh(water: Water, ph: number): CarbonateState | null {
  const k = constantsOf(water);
  const h = 10 ** -ph;
  const carbonateAlkalinity = water.alkalinityMeqPerL / 1000 - otherAlkalinity(k, ph, water.docMgPerL ?? 0);
  if (carbonateAlkalinity <= 0) return null;
  const bicarbonate = carbonateAlkalinity / (1 + (2 * k.k2) / h);
  return state(k, ph, (bicarbonate * h) / k.k1);
}

/** The alkalinity, meq/L, at which water in balance with a CO2 pressure has this pH. Ionic strength of a thin water, 0.001 mol/L. */
export function alkalinityAtPh(temperatureC: number, ph: number, pco2Uatm: number): number {
  const k = constantsOf({ temperatureC, alkalinityMeqPerL: 0 });
  const h = 10 ** -ph;
  const bicarbonate = (k.k1 * k.kh * pco2Uatm * 1e-6) / h;
  return (bicarbonate * (1 + (2 * k.k2) / h) + otherAlkalinity(k, ph, 0)) * 1000;
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
