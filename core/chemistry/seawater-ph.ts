import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { openPh, saltAcidBase } from './acid-base';

/** What a hand meter set with fresh-water buffers reads above the total scale. Recalled. */
export const METER_ABOVE_TOTAL_SCALE = 0.13;

/**
 * pH of salt water in balance with a CO2 pressure, on the total scale. A meter set with fresh-water buffers reads about 0.13 more.
 *
 * @param alkalinityMmolPerKg total alkalinity, borate and all
 * @param salinity 1 to 45
 */
export function seawaterPhOf(alkalinityMmolPerKg: number, pco2Uatm: number, salinity: number, temperatureC: number): number {
  const k = saltAcidBase(temperatureC, salinity);
  return openPh(k, alkalinityMmolPerKg / 1000, k.kh * pco2Uatm * 1e-6, 0, 8);
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
