import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { SHAPES, solidVolumeMm3 } from './solid';

const Edge = z.number().positive().max(5000);

export const solidVolume = calculation({
  id: 'scene.solid-volume',
  title: 'Volume of a solid',
  inputs: z.object({ shape: z.enum(SHAPES), sizeMm: z.tuple([Edge, Edge, Edge]), wallMm: Edge.optional() }),
  outputs: z.object({ litres: z.number() }),
  source: [{ citation: 'Solid geometry, closed forms', basis: 'published' }],
  validity: 'Sizes up to 5 m; the long axis of capsule, tube, arch and prism is the first',
  uncertainty: 'Exact for the form; a real stone of the same three sizes is an ellipsoid to about 20 %',
  formula:
    'box xyz; ellipsoid π/6 xyz; capsule π/4 yz (x − e) + π/6 yz e, e = min(x, y); tube π/4 (yz − (y − 2w)(z − 2w)) x; arch half of it; prism xyz/2',
  compute: ({ shape, sizeMm, wallMm }) => ({
    litres: solidVolumeMm3({ shape, sizeMm, ...(wallMm === undefined ? {} : { wallMm }) }) / 1e6,
  }),
});
