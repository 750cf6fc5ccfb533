import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { CARBONATE_SOURCES, carbonateAtPco2 } from '../chemistry/carbonate-system';

/**
 * pH of fresh water of a given alkalinity in balance with a CO2 pressure (open system, no humic acids).
 *
 * @param temperatureC 0 to 40 degC
 * @param alkalinityMeqPerL total alkalinity, 0 to 10 meq/L
 * @param pco2Uatm CO2 pressure of the water, 100 to 100 000 µatm (outdoor air about 420)
 * @param ionicStrengthMolPerL default 1.5 * alkalinity + 0.001 mol/L
 * @returns pH (activity scale)
 */
export function equilibriumPhOf(temperatureC: number, alkalinityMeqPerL: number, pco2Uatm: number, ionicStrengthMolPerL?: number): number {
  return carbonateAtPco2({ temperatureC, alkalinityMeqPerL, ionicStrengthMolPerL }, pco2Uatm).ph;
}

export const equilibriumPh = calculation({
  id: 'water.equilibrium-ph',
  title: 'pH in balance with CO₂',
  inputs: z.strictObject({
    temperatureC: z.number().min(-5).max(100),
    alkalinityMeqPerL: z.number().min(0).max(100),
    pco2Uatm: z.number().positive().max(1e6),
  }),
  outputs: z.strictObject({ ph: z.number() }),
  source: CARBONATE_SOURCES,
  formula: 'Alk = [HCO₃⁻] + 2[CO₃²⁻] + [OH⁻] − [H⁺], [CO₂] = K_H · pCO₂',
  validity: 'fresh water, 0–40 °C, alkalinity to 10 meq/L (28 dKH), no humic acids',
  uncertainty: '0.03 for the chemistry; the CO₂ of a stocked tank is the larger doubt, 0.3 pH for each doubling',
  outside: ({ temperatureC, alkalinityMeqPerL, pco2Uatm }) => {
    if (temperatureC < 0 || temperatureC > 40) return 'temperature outside 0–40 °C';
    if (alkalinityMeqPerL > 10) return 'alkalinity above 10 meq/L';
    if (pco2Uatm < 100 || pco2Uatm > 100000) return 'CO₂ outside 100–100 000 µatm';
    return null;
  },
  compute: ({ temperatureC, alkalinityMeqPerL, pco2Uatm }) => ({ ph: equilibriumPhOf(temperatureC, alkalinityMeqPerL, pco2Uatm) }),
});
