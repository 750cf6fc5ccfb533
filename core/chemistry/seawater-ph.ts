import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** What a hand meter set with fresh-water buffers reads above the total scale. Recalled. */
export const METER_ABOVE_TOTAL_SCALE = 0.13;

/** Carbonic acid constants of brackish and sea water on the total scale, mol/kg: Millero 2010, Mar. Freshw. Res. 61:139. */
function carbonic(s: number, t: number): { pk1: number; pk2: number } {
  const root = Math.sqrt(s);
  return {
    pk1:
      -126.34048 +
      6320.813 / t +
      19.568224 * Math.log(t) +
      (13.4038 * root + 0.03206 * s - 5.242e-5 * s * s) +
      (-530.659 * root - 5.821 * s) / t -
      2.0664 * root * Math.log(t),
    pk2:
      -90.18333 +
      5143.692 / t +
      14.613358 * Math.log(t) +
      (21.3728 * root + 0.1218 * s - 3.688e-4 * s * s) +
      (-788.289 * root - 19.189 * s) / t -
      3.374 * root * Math.log(t),
  };
}

/** Solubility of CO2, mol/(kg atm): Weiss 1974, Mar. Chem. 2:203. */
function lnSolubility(s: number, t: number): number {
  const h = t / 100;
  return -60.2409 + 93.4517 / h + 23.3585 * Math.log(h) + s * (0.023517 - 0.023656 * h + 0.0047036 * h * h);
}

/** Boric acid, mol/kg, total scale: Dickson 1990, Deep-Sea Res. 37:755. */
function lnBoric(s: number, t: number): number {
  const root = Math.sqrt(s);
  return (
    (-8966.9 - 2890.53 * root - 77.942 * s + 1.728 * s ** 1.5 - 0.0996 * s * s) / t +
    148.0248 +
    137.1942 * root +
    1.62142 * s +
    (-24.4344 - 25.085 * root - 0.2474 * s) * Math.log(t) +
    0.053105 * root * t
  );
}

/** Ion product of water, total scale: Millero 1995, Geochim. Cosmochim. Acta 59:661. */
function lnWater(s: number, t: number): number {
  return 148.9652 - 13847.26 / t - 23.6521 * Math.log(t) + (118.67 / t - 5.977 + 1.0495 * Math.log(t)) * Math.sqrt(s) - 0.01615 * s;
}

/**
 * pH of salt water in balance with a CO2 pressure, on the total scale. A meter set with fresh-water buffers reads about 0.13 more.
 *
 * @param alkalinityMmolPerKg total alkalinity, borate and all
 * @param salinity 1 to 45
 */
export function seawaterPhOf(alkalinityMmolPerKg: number, pco2Uatm: number, salinity: number, temperatureC: number): number {
  const t = temperatureC + 273.15;
  const { pk1, pk2 } = carbonic(salinity, t);
  const [k1, k2] = [10 ** -pk1, 10 ** -pk2];
  const co2 = Math.exp(lnSolubility(salinity, t)) * pco2Uatm * 1e-6;
  const kb = Math.exp(lnBoric(salinity, t));
  const kw = Math.exp(lnWater(salinity, t));
  const boron = (0.000416 * salinity) / 35;
  let [low, high] = [4, 11];
  for (let i = 0; i < 46; i++) {
    const ph = (low + high) / 2;
    const h = 10 ** -ph;
    const alkalinity = ((k1 * co2) / h) * (1 + (2 * k2) / h) + (boron * kb) / (kb + h) + kw / h - h;
    if (alkalinity < alkalinityMmolPerKg / 1000) low = ph;
    else high = ph;
  }
  return (low + high) / 2;
}

export const seawaterPh = calculation({
  id: 'water.seawater-ph',
  title: 'pH of sea and brackish water',
  inputs: z.strictObject({
    alkalinityMmolPerKg: z.number().min(0.05).max(20),
    pco2Uatm: z.number().min(1).max(100000),
    salinity: z.number().min(0).max(60),
    temperatureC: z.number().min(-5).max(60),
  }),
  outputs: z.strictObject({ phTotalScale: z.number(), phAsAMeterReads: z.number() }),
  source: [
    { citation: 'Millero 2010, Mar. Freshw. Res. 61:139 (carbonic acid)', basis: 'recalled' },
    { citation: 'Weiss 1974, Mar. Chem. 2:203; Dickson 1990, Deep-Sea Res. 37:755; Millero 1995, GCA 59:661', basis: 'published' },
    { citation: 'A meter set with fresh-water buffers reads 0.13 more', basis: 'recalled' },
  ],
  formula: 'Alk = [HCO₃⁻] + 2[CO₃²⁻] + [B(OH)₄⁻] + [OH⁻] − [H⁺] at the CO₂ pressure',
  validity: 'salinity 1–45, 0–45 °C, sea-salt proportions',
  uncertainty: '0.02 on the total scale; hand meters ±0.1',
  outside: ({ salinity, temperatureC }) => {
    if (salinity < 1 || salinity > 45) return 'salinity outside 1–45';
    return temperatureC < 0 || temperatureC > 45 ? 'temperature outside 0–45 °C' : null;
  },
  compute: ({ alkalinityMmolPerKg, pco2Uatm, salinity, temperatureC }) => {
    const phTotalScale = seawaterPhOf(alkalinityMmolPerKg, pco2Uatm, salinity, temperatureC);
    return { phTotalScale, phAsAMeterReads: phTotalScale + METER_ABOVE_TOTAL_SCALE };
  },
});
