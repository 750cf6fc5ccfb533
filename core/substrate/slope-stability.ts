import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Share of its repose up to which a bank is built: animals, filters and hands wear it down. Common practice. */
export const DESIGN_SHARE = 0.7;

/** Whether a bank of loose grain stands, against its full angle of repose; degrees. */
export function slopeStability(slopeDegrees: number, reposeDegrees: number): { stable: boolean; marginDegrees: number } {
  return { stable: slopeDegrees <= reposeDegrees, marginDegrees: reposeDegrees - slopeDegrees };
}

const Angle = z.number().min(0).max(90);

export const slopeStabilityCalculation = calculation({
  id: 'substrate.slope-stability',
  title: 'Whether a bank stands',
  inputs: z.object({ slopeDegrees: Angle, reposeDegrees: z.number().positive().max(90) }),
  outputs: z.object({ stable: z.boolean(), marginDegrees: z.number() }),
  source: [
    {
      citation: 'Angle of repose of dry or fully submerged clean grain: sand 28–34°, gravel 33–40°, baked granules 30–36°',
      basis: 'recalled',
    },
  ],
  validity: 'Loose clean grain, dry or under water; not damp, not rooted through',
  uncertainty: 'Repose of a lot by 3°; half-drained sand stands steeper and then slides',
  formula: 'stable when slope ≤ repose; margin = repose − slope',
  compute: ({ slopeDegrees, reposeDegrees }) => slopeStability(slopeDegrees, reposeDegrees),
});
