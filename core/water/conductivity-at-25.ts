import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { conductivityOf } from '../chemistry/conductivity';
import { NO_IONS } from '../chemistry/ions';

/** A usual tap water, by whose ions the natural-water factor is taken. */
const NATURAL = { ...NO_IONS, calcium: 1, magnesium: 0.4, sodium: 0.5, bicarbonate: 2.4, chloride: 0.5, sulfate: 0.2 };

/** How instruments bring a reading to 25 degC: by so many per cent a degree, or as natural water really goes. */
export type Compensation = { percentPerC: number } | 'natural';

/** A raw conductivity at a temperature as it would read at 25 degC. Any unit in, the same out; 0 to 40 degC. */
export function conductivityAt25(raw: number, temperatureC: number, compensation: Compensation): number {
  const factor =
    compensation === 'natural'
      ? conductivityOf(NATURAL, temperatureC) / conductivityOf(NATURAL)
      : 1 + (compensation.percentPerC / 100) * (temperatureC - 25);
  return raw / factor;
}

export const conductivityCompensation = calculation({
  id: 'water.conductivity-at-25',
  title: 'Conductivity brought to 25 °C',
  inputs: z.strictObject({
    microsiemensPerCm: z.number().min(0).max(200000),
    temperatureC: z.number().min(-5).max(60),
    /** Per cent a degree, as the meter is set: 1.91, 2.0 or 2.1; left out for natural water as it really goes. */
    percentPerC: z.number().min(1.5).max(2.5).optional(),
  }),
  outputs: z.strictObject({ microsiemensPerCm25: z.number() }),
  source: [
    { citation: 'Linear: Standard Methods 2510 B, 1.91 % a degree', basis: 'published' },
    { citation: 'Natural water: by the ionic model of water.conductivity; ISO 7888 (1985) agrees within 0.5 %', basis: 'recalled' },
  ],
  formula: 'EC₂₅ = EC / (1 + a (t − 25)); natural: EC · κ(25)/κ(t) of a usual tap water',
  validity: 'fresh water, 0–40 °C',
  uncertainty: 'linear: 1 % at 20 °C, 2 % at 10 °C; natural: 0.5 % in hard and soft tap water',
  outside: ({ temperatureC }) => (temperatureC < 0 || temperatureC > 40 ? 'temperature outside 0–40 °C' : null),
  compute: ({ microsiemensPerCm, temperatureC, percentPerC }) => ({
    microsiemensPerCm25: conductivityAt25(microsiemensPerCm, temperatureC, percentPerC === undefined ? 'natural' : { percentPerC }),
  }),
});
