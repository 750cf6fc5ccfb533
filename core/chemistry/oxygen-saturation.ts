import * as z from 'zod';
import { calculation } from '../calculation/calculation';

export const STANDARD_HPA = 1013.25;

/**
 * Dissolved oxygen in balance with moist air, mg/L. Benson & Krause 1984, Limnol. Oceanogr. 29:620.
 * @param temperatureC 0 to 40 degC
 * @param salinity 0 to 40
 * @param pressureHpa of the air, as a barometer on the spot shows it
 */
export function oxygenSaturationOf(temperatureC: number, salinity: number, pressureHpa = STANDARD_HPA): number {
  const t = temperatureC + 273.15;
  const atOneAtmosphere = Math.exp(
    -139.34411 +
      1.575701e5 / t -
      6.642308e7 / t ** 2 +
      1.2438e10 / t ** 3 -
      8.621949e11 / t ** 4 -
      salinity * (0.017674 - 10.754 / t + 2140.7 / t ** 2),
  );
  const p = pressureHpa / STANDARD_HPA;
  const vapour = Math.exp(11.8571 - 3840.7 / t - 216961 / t ** 2);
  const theta = 0.000975 - 1.426e-5 * temperatureC + 6.436e-8 * temperatureC ** 2;
  return (atOneAtmosphere * p * (1 - vapour / p) * (1 - theta * p)) / ((1 - vapour) * (1 - theta));
}

export const oxygenSaturation = calculation({
  id: 'water.oxygen-saturation',
  title: 'Oxygen in balance with air',
  inputs: z.strictObject({
    temperatureC: z.number().min(-5).max(100),
    salinity: z.number().min(0).max(300).default(0),
    pressureHpa: z.number().positive().max(2000).optional(),
  }),
  outputs: z.strictObject({ mgPerL: z.number() }),
  source: [{ citation: 'Benson & Krause 1984, Limnol. Oceanogr. 29:620; APHA Standard Methods 4500-O', basis: 'published' }],
  formula: 'ln C = −139.34411 + 1.575701·10⁵/T − … − S (0.017674 − 10.754/T + 2140.7/T²), corrected for pressure',
  validity: '0–40 °C, salinity 0–40, 500–1100 hPa, moist air',
  uncertainty: '0.1 %; what a tank holds is less, and least before dawn',
  outside: ({ temperatureC, salinity, pressureHpa = STANDARD_HPA }) => {
    if (temperatureC < 0 || temperatureC > 40) return 'temperature outside 0–40 °C';
    if (salinity > 40) return 'salinity above 40';
    return pressureHpa < 500 || pressureHpa > 1100 ? 'pressure outside 500–1100 hPa' : null;
  },
  compute: ({ temperatureC, salinity, pressureHpa }) => ({ mgPerL: oxygenSaturationOf(temperatureC, salinity, pressureHpa) }),
});
