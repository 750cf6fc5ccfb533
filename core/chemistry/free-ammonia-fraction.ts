import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Salinity up to which the fresh-water equation is used. */
const FRESH_BELOW = 0.5;

/** pKa of ammonium in fresh water, Emerson et al. 1975. 0-30 degC. */
export function ammoniumPkaFresh(temperatureC: number): number {
  return 0.09018 + 2729.92 / (temperatureC + 273.15);
}

/** pKa of ammonium in saline water, Hampson 1977 as used for the saltwater ammonia criteria (1989). Salinity 0-40. */
export function ammoniumPkaSaline(temperatureC: number, salinity: number): number {
  const ionicStrength = (19.9273 * salinity) / (1000 - 1.005109 * salinity);
  return 9.245 + 0.116 * ionicStrength + 0.0324 * (298.15 - (temperatureC + 273.15));
}

/**
 * Share of total ammonia that is un-ionised (NH3), the toxic form.
 *
 * @param temperatureC 0 to 30 degC
 * @param ph 6 to 10
 * @param salinity practical salinity, 0 to 40; below 0.5 the fresh-water equation is used
 * @returns fraction 0 to 1. Saline values differ between sources by up to 25 % at salinity 35.
 */
export function freeAmmoniaFractionOf(temperatureC: number, ph: number, salinity: number): number {
  const pka = salinity < FRESH_BELOW ? ammoniumPkaFresh(temperatureC) : ammoniumPkaSaline(temperatureC, salinity);
  return 1 / (1 + 10 ** (pka - ph));
}

export const freeAmmoniaFraction = calculation({
  id: 'water.free-ammonia-fraction',
  title: 'Un-ionised ammonia fraction',
  inputs: z.strictObject({
    temperatureC: z.number().min(-5).max(100),
    ph: z.number().min(0).max(14),
    salinity: z.number().min(0).max(300).default(0),
  }),
  outputs: z.strictObject({ fraction: z.number() }),
  source: [
    { citation: 'Emerson, Russo, Lund & Thurston 1975, J. Fish. Res. Board Can. 32:2379 (fresh water)', basis: 'published' },
    { citation: 'Hampson 1977, as in the US EPA saltwater ammonia criteria of 1989 (salinity 0.5 and above)', basis: 'recalled' },
  ],
  formula: 'f = 1 / (1 + 10^(pKa − pH)), pKa = 0.09018 + 2729.92 / T',
  validity: '0–30 °C, pH 6–10, salinity 0–40',
  uncertainty: '±0.5 % of the value in fresh water; up to 25 % at salinity 35, where sources differ',
  outside: ({ temperatureC, ph, salinity }) => {
    if (temperatureC < 0 || temperatureC > 30) return 'temperature outside 0–30 °C';
    if (ph < 6 || ph > 10) return 'pH outside 6–10';
    if (salinity > 40) return 'salinity above 40';
    return null;
  },
  compute: ({ temperatureC, ph, salinity }) => ({ fraction: freeAmmoniaFractionOf(temperatureC, ph, salinity) }),
});
