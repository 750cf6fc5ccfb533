import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Share of a poured bed that is pores. Loose round grain of one size. */
export const BED_POROSITY = 0.4;

/** Water that a bed keeps out: its grains without the pores between them. Litres. */
export function grainL(bedL: number, porosity: number = BED_POROSITY): number {
  return bedL * (1 - porosity);
}

export const grainShare = calculation({
  id: 'substrate.grain-share',
  title: 'Water that a bed keeps out',
  inputs: z.object({ bedL: z.number().min(0).max(10_000), porosity: z.number().min(0).max(0.95) }),
  outputs: z.object({ litres: z.number() }),
  source: [
    { citation: 'Scott 1960, Nature 188:908: loose random packing of spheres, 0.40 pores', basis: 'published' },
    { citation: 'Scott & Kilgour 1969, J. Phys. D 2:863: dense random packing, 0.363 pores', basis: 'published' },
  ],
  validity: 'Loose grain; soil granules have pores inside as well, peat far more',
  uncertainty: 'Pores 0.36 to 0.50: the grains by a sixth',
  formula: 'grains = bed × (1 − porosity)',
  compute: ({ bedL, porosity }) => ({ litres: grainL(bedL, porosity) }),
});
