import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { CARBONATE_SOURCES, carbonateAtPco2, freshWaterFields, outsideFreshWater } from '../chemistry/carbonate-system';

/** Organic carbon up to which the acids of humic matter were measured, mg/L. */
export const HUMIC_TO_MG_PER_L = 60;

/** pH of water with humic matter in balance with a CO2 pressure. Alkalinity is that of the minerals alone. */
export function humicPhOf(
  temperatureC: number,
  alkalinityMeqPerL: number,
  docMgPerL: number,
  pco2Uatm: number,
  ionicStrengthMolPerL?: number,
): number {
  return carbonateAtPco2({ temperatureC, alkalinityMeqPerL, docMgPerL, ionicStrengthMolPerL }, pco2Uatm).ph;
}

export const humicPh = calculation({
  id: 'water.humic-ph',
  title: 'pH of water with humic acids',
  inputs: z.strictObject({ ...freshWaterFields, docMgPerL: z.number().min(0).max(500), pco2Uatm: z.number().positive().max(1e6) }),
  outputs: z.strictObject({ ph: z.number() }),
  source: [{ citation: 'Oliver, Thurman & Malcolm 1983, Geochim. Cosmochim. Acta 47:2031–2035', basis: 'published' }, ...CARBONATE_SOURCES],
  formula: 'Alk = [HCO₃⁻] + 2[CO₃²⁻] + [OH⁻] − [H⁺] + [A⁻]; [A⁻] = DOC · 10 µeq/mg · Ko/(Ko + 10⁻ᵖᴴ), pKo = 0.96 + 0.90 pH − 0.039 pH²',
  validity: `fresh water, 0–40 °C, about pH 3–8, organic carbon to ${HUMIC_TO_MG_PER_L} mg C/L`,
  uncertainty: 'leaves and peat differ: 5–12 µeq per mg C. ±0.4 pH; soak, then measure',
  outside: (input) => {
    const outside = outsideFreshWater(input);
    if (outside) return outside;
    if (input.docMgPerL > HUMIC_TO_MG_PER_L) return `organic carbon above ${HUMIC_TO_MG_PER_L} mg/L`;
    return input.pco2Uatm < 1 || input.pco2Uatm > 200000 ? 'CO₂ outside 1–200 000 µatm' : null;
  },
  compute: ({ temperatureC, alkalinityMeqPerL, docMgPerL, pco2Uatm, ionicStrengthMolPerL }) => ({
    ph: humicPhOf(temperatureC, alkalinityMeqPerL, docMgPerL, pco2Uatm, ionicStrengthMolPerL),
  }),
});
