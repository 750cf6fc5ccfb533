import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Area of a circular segment over a chord, with its sagitta. Square millimetres; exact up to a half circle. */
export function segmentAreaMm2(chordMm: number, sagittaMm: number): number {
  if (sagittaMm === 0) return 0;
  const radius = (chordMm ** 2 / 4 + sagittaMm ** 2) / (2 * sagittaMm);
  return radius ** 2 * Math.acos((radius - sagittaMm) / radius) - (radius - sagittaMm) * Math.sqrt(2 * radius * sagittaMm - sagittaMm ** 2);
}

/** Length of the arc over a chord. Millimetres. */
export function segmentArcMm(chordMm: number, sagittaMm: number): number {
  if (sagittaMm === 0) return chordMm;
  const radius = (chordMm ** 2 / 4 + sagittaMm ** 2) / (2 * sagittaMm);
  return 2 * radius * Math.acos((radius - sagittaMm) / radius);
}

/** Inside volume of a box whose front pane is an arc of a circle. Millimetres in, litres out; exact. */
export function bowFrontVolumeL(lengthMm: number, sideMm: number, middleMm: number, heightMm: number): number {
  return ((lengthMm * sideMm + segmentAreaMm2(lengthMm, middleMm - sideMm)) * heightMm) / 1e6;
}

export const bowFrontVolume = calculation({
  id: 'vessel.bow-front-volume',
  title: 'Inside volume of a bow-front box',
  inputs: z.strictObject({
    lengthMm: z.number().positive(),
    sideMm: z.number().positive(),
    middleMm: z.number().positive(),
    heightMm: z.number().nonnegative(),
  }),
  outputs: z.strictObject({ litres: z.number() }),
  source: [{ citation: 'Geometry of the circular segment; exact', basis: 'published' }],
  formula: '(length · side + r² acos((r − s)/r) − (r − s) √(2 r s − s²)) · height; s = middle − side, r = (length²/4 + s²)/(2 s)',
  validity: 'front pane an arc no deeper than a half circle',
  uncertainty: 'that of the measured dimensions; real bows are not quite circles: about 1 %',
  outside: ({ lengthMm, sideMm, middleMm }) =>
    middleMm < sideMm
      ? 'the middle is less deep than the ends'
      : middleMm - sideMm > lengthMm / 2
        ? 'the bow is deeper than a half circle'
        : null,
  compute: ({ lengthMm, sideMm, middleMm, heightMm }) => ({ litres: bowFrontVolumeL(lengthMm, sideMm, middleMm, heightMm) }),
});
