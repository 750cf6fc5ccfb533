import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { seawaterDensity } from '../quantity/seawater';

export const seawaterDensityCalculation = calculation({
  id: 'water.seawater-density',
  title: 'Density of sea and brackish water',
  inputs: z.strictObject({ temperatureC: z.number().min(-10).max(100), salinity: z.number().min(0).max(300) }),
  outputs: z.strictObject({ kgPerM3: z.number() }),
  source: [{ citation: 'EOS-80: Millero & Poisson 1981; UNESCO Technical Papers in Marine Science 44 (1983)', basis: 'published' }],
  formula: 'ρ = ρ_w(t) + a(t) S + b(t) S^1.5 + 4.8314·10⁻⁴ S²',
  validity: 'one atmosphere, −2 to 40 °C, practical salinity 0–42, sea-salt proportions',
  uncertainty: '0.01 kg/m³',
  outside: ({ temperatureC, salinity }) =>
    temperatureC < -2 || temperatureC > 40 ? 'temperature outside −2 to 40 °C' : salinity > 42 ? 'salinity above 42' : null,
  compute: ({ temperatureC, salinity }) => ({ kgPerM3: seawaterDensity(temperatureC, salinity) }),
});
