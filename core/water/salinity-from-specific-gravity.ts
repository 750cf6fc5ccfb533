import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { salinityFromSpecificGravity } from '../quantity/seawater';

/** How hydrometers and refractometers are marked: the sample's temperature over that of the pure water they compare with, degC. */
export const GRAVITY_REFERENCES = [
  { name: '60/60 °F', temperatureC: 140 / 9, referenceC: 140 / 9 },
  { name: '20/20 °C', temperatureC: 20, referenceC: 20 },
  { name: '25/25 °C (77/77 °F)', temperatureC: 25, referenceC: 25 },
  { name: '20/4 °C', temperatureC: 20, referenceC: 3.98 },
  { name: '25/4 °C', temperatureC: 25, referenceC: 3.98 },
] as const;

export const salinityFromGravity = calculation({
  id: 'water.salinity-from-specific-gravity',
  title: 'Salinity from specific gravity',
  inputs: z.strictObject({
    specificGravity: z.number().min(0.5).max(2),
    temperatureC: z.number().min(-10).max(100),
    referenceC: z.number().min(-10).max(100),
  }),
  outputs: z.strictObject({ salinity: z.number() }),
  source: [
    {
      citation: 'EOS-80: Millero & Poisson 1981; UNESCO Technical Papers in Marine Science 44 (1983), solved for salinity',
      basis: 'published',
    },
  ],
  formula: 'ρ(S, t) / ρ(0, t_ref) = SG',
  validity: 'sample and reference −2 to 40 °C, salinity 0–42, sea-salt proportions',
  uncertainty: '0.01 for the formula; a reading off by 0.001 is 1.3 off, the wrong reference up to 3',
  outside: ({ specificGravity, temperatureC, referenceC }) => {
    if ([temperatureC, referenceC].some((t) => t < -2 || t > 40)) return 'a temperature lies outside −2 to 40 °C';
    return salinityFromSpecificGravity(specificGravity, temperatureC, referenceC) === null
      ? 'no salinity from 0 to 42 has this specific gravity'
      : null;
  },
  compute: ({ specificGravity, temperatureC, referenceC }) => ({
    salinity: salinityFromSpecificGravity(specificGravity, temperatureC, referenceC) ?? NaN,
  }),
});
