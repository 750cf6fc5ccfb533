import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { carbonateConstants, daviesActivity } from './carbonate-constants';

/**
 * pH of fresh water of a given alkalinity in balance with a CO2 pressure (open system, no humic acids).
 *
 * Alkalinity = [HCO3-] + 2[CO3--] + [OH-] - [H+], with [CO2] = KH * pCO2 and Davies activities; solved by bisection,
 * since the balance rises steadily with pH.
 *
 * @param temperatureC 0 to 40 degC
 * @param alkalinityMeqPerL total alkalinity, 0 to 10 meq/L
 * @param pco2Uatm CO2 pressure of the water, 100 to 100 000 µatm (outdoor air about 420)
 * @param ionicStrengthMolPerL default 1.5 * alkalinity + 0.001 mol/L
 * @returns pH (activity scale)
 */
export function equilibriumPhOf(
  temperatureC: number,
  alkalinityMeqPerL: number,
  pco2Uatm: number,
  ionicStrengthMolPerL = (1.5 * alkalinityMeqPerL) / 1000 + 0.001,
): number {
  const k = carbonateConstants(temperatureC);
  const gamma1 = daviesActivity(1, ionicStrengthMolPerL, temperatureC);
  const gamma2 = daviesActivity(2, ionicStrengthMolPerL, temperatureC);
  const k1 = 10 ** k.logK1 / gamma1;
  const k2 = (10 ** k.logK2 * gamma1) / gamma2;
  const kw = 10 ** k.logKw / gamma1;
  const co2 = 10 ** k.logKh * pco2Uatm * 1e-6;
  const target = alkalinityMeqPerL / 1000;
  let low = 1;
  let high = 13;
  for (let i = 0; i < 45; i++) {
    const ph = (low + high) / 2;
    const h = 10 ** -ph;
    const bicarbonate = (k1 * co2) / h;
    const balance = bicarbonate * (1 + (2 * k2) / h) + kw / h - h / gamma1;
    if (balance < target) low = ph;
    else high = ph;
  }
  return (low + high) / 2;
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
  source: [
    { citation: 'Plummer & Busenberg 1982, Geochim. Cosmochim. Acta 46:1011–1040 (constants)', basis: 'published' },
    { citation: 'Ion product of water: fit used in standard geochemical data bases, original author uncertain', basis: 'recalled' },
    { citation: 'Davies equation; dielectric constant of Malmberg & Maryott 1956', basis: 'published' },
  ],
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
