import type { Finding } from '../calculation/finding';
import type { Vessel } from './model';

/** Free length, depth and height of the place a tank is to stand at, up to what is above it. Millimetres. */
export type Space = readonly [lengthMm: number, depthMm: number, heightMm: number];

/** A hand with a net wants so much over the rim, and gets in through half of it. Common practice. */
export const HAND_MM = { comfort: 200, least: 100 };

/** Outside sizes of a box of such inside sizes. */
const outsideOf = (sizeMm: Space, glassMm: number): Space => [sizeMm[0] + 2 * glassMm, sizeMm[1] + 2 * glassMm, sizeMm[2] + glassMm];

/** Whether a vessel of such inside sizes stands in a place, either way round, with a hand's way in from above. */
export function standsIn(sizeMm: Space, glassMm: number, space: Space): boolean {
  const [length, depth, height] = outsideOf(sizeMm, glassMm);
  return length <= space[0] && depth <= space[1] && height + HAND_MM.least <= space[2];
}

/** The vessel against the place it is to stand at, by its outside. */
export function spaceFinding(vessel: Vessel, space: Space | undefined, glassMm: number): Finding | null {
  if (!space) return null;
  const outside = outsideOf([vessel.lengthMm, vessel.widthMm, vessel.heightMm], glassMm);
  const over = outside.map((mm, i) => mm - space[i]!);
  const most = Math.max(...over);
  const side = over.indexOf(most);
  return {
    key: 'vessel.space',
    code: 'vessel.space',
    bench: 'vessel',
    severity: most > 0 ? 'conflict' : 'fits',
    excess: Math.max(0, most),
    subjects: [],
    values: { outside: { quantity: 'length', value: outside[side]! }, free: { quantity: 'length', value: space[side]! } },
    evidence: [],
    basis: 'measured',
    kind: (['length', 'depth', 'height'] as const)[side]!,
  };
}
