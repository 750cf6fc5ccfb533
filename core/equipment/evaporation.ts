import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Saturation pressure of water vapour over water. Degrees Celsius in, kilopascal out (Alduchov & Eskridge 1996, eq. 21). */
export function saturationKPa(temperatureC: number): number {
  return 0.61094 * Math.exp((17.625 * temperatureC) / (243.04 + temperatureC));
}

/** Latent heat of vaporisation, J/kg, at a temperature in degrees Celsius. */
export function latentHeatJPerKg(temperatureC: number): number {
  return (2500.9 - 2.36 * temperatureC) * 1000;
}

/** How freely still water in a room gives off vapour against the pool form; a fan's draught gives the whole of it. */
const ACTIVITY = { still: 0.5, draught: 1 };

/** Evaporation from an open surface, kg/s; negative is dew. Temperatures in degrees Celsius, humidity 0 to 1, air speed in m/s. */
export function evaporationKgPerS(surfaceM2: number, waterC: number, airC: number, humidity: number, airMPerS = 0): number {
  const activity = airMPerS > 0 ? ACTIVITY.draught : ACTIVITY.still;
  const drive = saturationKPa(waterC) - humidity * saturationKPa(airC);
  return (activity * surfaceM2 * (0.089 + 0.0782 * airMPerS) * drive) / (latentHeatJPerKg(waterC) / 1000);
}

export const evaporation = calculation({
  id: 'equipment.evaporation',
  title: 'Evaporation from open water',
  inputs: z.strictObject({
    surfaceM2: z.number().positive(),
    waterC: z.number(),
    airC: z.number(),
    humidity: z.number().min(0).max(1),
    airMPerS: z.number().nonnegative(),
  }),
  outputs: z.strictObject({ litresPerDay: z.number(), watts: z.number() }),
  source: [
    { citation: 'ASHRAE Handbook, HVAC Applications: evaporation from pools', basis: 'published' },
    { citation: 'Alduchov & Eskridge 1996, J. Appl. Meteorol. 35:601, saturation pressure', basis: 'published' },
    { citation: 'Activity 0.5 for a still room, 1 under a fan', basis: 'practice' },
  ],
  formula: 'kg/s = activity · A (0.089 + 0.0782 v)(e_w − RH e_a) / L; e in kPa, L in kJ/kg',
  validity: 'water 0–45 °C, air 0–45 °C, air speed up to 3 m/s',
  uncertainty: '±40 %: it hangs on the air just above the water',
  outside: ({ waterC, airC, airMPerS }) =>
    [waterC, airC].some((c) => c < 0 || c > 45) ? 'a temperature lies outside 0–45 °C' : airMPerS > 3 ? 'air faster than 3 m/s' : null,
  compute: ({ surfaceM2, waterC, airC, humidity, airMPerS }) => {
    const kgPerS = evaporationKgPerS(surfaceM2, waterC, airC, humidity, airMPerS);
    return { litresPerDay: (kgPerS * 86400) / 0.997, watts: kgPerS * latentHeatJPerKg(waterC) };
  },
});
