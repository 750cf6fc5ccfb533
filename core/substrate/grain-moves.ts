import * as z from 'zod';
import { calculation } from '../calculation/calculation';

const GRAVITY = 9.81;
/** Of water at 25 °C, m²/s. */
const VISCOSITY = 0.893e-6;
/** Of most grains against water. */
const SUBMERGED = 1.65;
const KARMAN = 0.4;
/** Height over the bed at which the current is taken. */
const AT_M = 0.01;

/**
 * Current a centimetre over a level bed that begins to move its grain: the Shields curve as Soulsby gives it, with the log law for rough
 * beds. Millimetres a second.
 */
export function movingCurrentMmPerS(grainMm: number): number {
  const d = grainMm / 1000;
  const size = d * ((GRAVITY * SUBMERGED) / VISCOSITY ** 2) ** (1 / 3);
  const shields = 0.3 / (1 + 1.2 * size) + 0.055 * (1 - Math.exp(-0.02 * size));
  const shear = Math.sqrt(shields * SUBMERGED * GRAVITY * d);
  const rough = Math.max(d / 12, VISCOSITY / (9 * shear));
  return (1000 * shear * Math.log(AT_M / Math.min(rough, AT_M / 3))) / KARMAN;
}

export const movingCurrent = calculation({
  id: 'substrate.moving-current',
  title: 'Current that moves a grain',
  inputs: z.object({ grainMm: z.number().min(0.02).max(40) }),
  outputs: z.object({ currentMmPerS: z.number() }),
  source: [{ citation: 'Soulsby 1997, Dynamics of Marine Sands: threshold of motion', basis: 'recalled' }],
  validity: 'Clean mineral grain of 0.02 to 40 mm on a level bed in water of about 25 °C; not peat, not shells',
  uncertainty: 'By a third: jets of a filter are turbulent, and shape matters',
  formula: 'θ = 0.3/(1 + 1.2 D*) + 0.055 (1 − exp(−0.02 D*)); u* = √(θ 1.65 g d); U = u*/0.4 ln(z/z0)',
  compute: ({ grainMm }) => ({ currentMmPerS: movingCurrentMmPerS(grainMm) }),
});
