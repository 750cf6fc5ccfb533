import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Diameters along which the middle of a jet keeps its speed, and the law of decay after it: Fischer et al. 1979. */
const DECAY = 6.2;
/** How far a jet widens: half of its middle's speed is met so far aside, as a share of the distance. Fischer et al. 1979: e-folding 0.107, half speed 0.089. */
const E_FOLD = 0.107;

/** Speed in the middle of a round jet, m/s. */
export const centreMPerS = (outletMm: number, outletMPerS: number, distanceM: number): number =>
  distanceM <= 0 ? outletMPerS : outletMPerS * Math.min(1, (DECAY * outletMm) / 1000 / distanceM);

/** Speed of a jet at a place, m/s: so far along it, and so far aside. */
export function jetMPerS(outletMm: number, outletMPerS: number, alongM: number, asideM: number): number {
  if (alongM <= 0) return 0;
  const width = Math.max(E_FOLD * alongM, outletMm / 2000);
  return centreMPerS(outletMm, outletMPerS, alongM) * Math.exp(-((asideM / width) ** 2));
}

/** Mean speed in an outlet, m/s. */
export const outletMPerS = (lPerH: number, outletMm: number): number => lPerH / 3.6e6 / ((Math.PI / 4) * (outletMm / 1000) ** 2);

export const jetSpeed = calculation({
  id: 'equipment.jet-speed',
  title: 'Speed in the middle of a jet',
  inputs: z.strictObject({
    outletMm: z.number().positive().max(300),
    outletSpeedMPerS: z.number().min(0).max(20),
    distanceM: z.number().min(0).max(10),
  }),
  outputs: z.strictObject({ centreMPerS: z.number() }),
  source: [
    { citation: 'Round turbulent jet: Fischer, List, Koh, Imberger & Brooks 1979, Mixing in Inland and Coastal Waters', basis: 'recalled' },
    { citation: 'Decay constant 5.9 to 6.2: Hussein, Capp & George 1994, J. Fluid Mech. 258:31', basis: 'recalled' },
  ],
  formula: 'u = u₀ for x ≤ 6.2 D, then u = 6.2 u₀ D/x',
  validity: 'Into open water; within about a third of the way to the far pane, before what comes back slows it',
  uncertainty: 'A tenth in open water; panes and pieces a half',
  compute: ({ outletMm, outletSpeedMPerS, distanceM }) => ({ centreMPerS: centreMPerS(outletMm, outletSpeedMPerS, distanceM) }),
});
