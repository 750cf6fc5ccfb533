import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { conductivityOf } from '../chemistry/conductivity';
import { NO_IONS } from '../chemistry/ions';

/**
 * The least that a water of some hardness and alkalinity can conduct, µS/cm at 25 degC: all hardness as one metal, its alkalinity as
 * bicarbonate, and what charge is left as sulfate, which conducts least beside it, or as sodium. Any real water conducts more.
 */
export function leastConductivityOf(ghDh: number, khDh: number): number {
  const hardness = ghDh * MMOL_PER_DEGREE_HARDNESS;
  const bicarbonate = khDh * MEQ_PER_DEGREE_ALKALINITY;
  const left = 2 * hardness - bicarbonate;
  const rest = { bicarbonate, sulfate: Math.max(0, left) / 2, sodium: Math.max(0, -left) };
  return Math.min(conductivityOf({ ...NO_IONS, ...rest, calcium: hardness }), conductivityOf({ ...NO_IONS, ...rest, magnesium: hardness }));
}

export const leastConductivity = calculation({
  id: 'water.least-conductivity',
  title: 'Least conductivity that a hardness allows',
  inputs: z.strictObject({ ghDh: z.number().min(0).max(100), khDh: z.number().min(0).max(60) }),
  outputs: z.strictObject({ microsiemensPerCm25: z.number() }),
  source: [{ citation: 'By the model of water.conductivity, over the neutral waters of this GH and KH', basis: 'recalled' }],
  formula: 'the lower of Ca and Mg, with HCO₃ to the KH and SO₄ (or Na) for the charge that is left',
  validity: 'fresh water, GH to 100 dGH',
  uncertainty: 'that of the model, 4 %',
  compute: ({ ghDh, khDh }) => ({ microsiemensPerCm25: leastConductivityOf(ghDh, khDh) }),
});
