import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { firstHitMm } from './body';
import { minus, plus, times, type Vec3 } from './pose';
import type { SettledPiece } from './settle-pieces';

/**
 * Share of looks that get through scattered round cover, over a distance: exp(-2 n r d).
 *
 * @param itemsPerM2 items on a square metre of floor, seen from above
 */
export const visibleShare = (itemsPerM2: number, itemRadiusM: number, distanceM: number): number =>
  Math.exp(-2 * itemsPerM2 * itemRadiusM * distanceM);

/** A stand of plants as it hides what is behind it: an upright round of stems or crowns. */
export interface Screen {
  id: string;
  atMm: readonly [number, number];
  /** From its foot to its top. */
  fromMm: number;
  toMm: number;
  radiusMm: number;
  /** Plants in it, and how wide each is. */
  count: number;
  widthMm: number;
}

/** What two places see of each other. */
export interface Sight {
  /** Share of looks that get through; 0 behind a piece or a bank. */
  share: number;
  /** The piece, the bank or the plants that take most; null in open water. */
  by: string | null;
}

/** Where half of the looks get through two know of each other. */
export const OPEN_SHARE = 0.5;

/** Ground in the way: its height is looked at so often along a line, mm. */
const GROUND_STEP_MM = 15;
export const BANK = 'bank';

/** Length of a line of sight inside an upright round, mm: its chord where the line runs between its foot and its top. */
export function chordMm(from: Vec3, to: Vec3, { atMm, fromMm, toMm, radiusMm }: Screen): number {
  const along = minus(to, from);
  const flat = Math.hypot(along[0], along[1]);
  let [t0, t1] = [0, 1];
  const within = (a: number, b: number): void => {
    t0 = Math.max(t0, Math.min(a, b));
    t1 = Math.min(t1, Math.max(a, b));
  };
  const [ox, oy] = [from[0] - atMm[0], from[1] - atMm[1]];
  if (flat < 1e-9) {
    if (Math.hypot(ox, oy) > radiusMm) return 0;
  } else {
    const b = (ox * along[0] + oy * along[1]) / (flat * flat);
    const root = b * b - (ox * ox + oy * oy - radiusMm * radiusMm) / (flat * flat);
    if (root <= 0) return 0;
    within(-b - Math.sqrt(root), -b + Math.sqrt(root));
  }
  if (Math.abs(along[2]) < 1e-9) {
    if (from[2] < fromMm || from[2] > toMm) return 0;
  } else within((fromMm - from[2]) / along[2], (toMm - from[2]) / along[2]);
  return t1 > t0 ? (t1 - t0) * Math.hypot(flat, along[2]) : 0;
}

/** Of a plant's outline so much is leaf. Common practice: one looks half through a bush. */
const LEAFY = 0.6;

function throughScreen(from: Vec3, to: Vec3, screen: Screen): number {
  const chord = chordMm(from, to, screen);
  if (chord <= 0) return 1;
  const perM2 = screen.count / (Math.PI * (screen.radiusMm / 1000) ** 2);
  return visibleShare(perM2, (LEAFY * screen.widthMm) / 2000, chord / 1000);
}

const reaches = ({ bounds: { low, high } }: SettledPiece, from: Vec3, to: Vec3): boolean =>
  [0, 1, 2].every((i) => Math.max(from[i]!, to[i]!) >= low[i]! && Math.min(from[i]!, to[i]!) <= high[i]!);

/**
 * Whether two places see each other: a straight line against the bodies of the pieces, exact; against the ground between; and through stands of
 * plants as through scattered rounds.
 *
 * @param except pieces that are looked out of
 * @param groundAt top of the bed at a place, mm; left out for a bare level floor
 */
export function sightBetween(
  from: Vec3,
  to: Vec3,
  pieces: readonly SettledPiece[],
  screens: readonly Screen[] = [],
  except: readonly string[] = [],
  groundAt?: (xMm: number, yMm: number) => number,
): Sight {
  const whole = minus(to, from);
  const distance = Math.hypot(...whole);
  if (distance < 1e-6) return { share: 1, by: null };
  const along = times(whole, 1 / distance);
  for (const piece of pieces) {
    if (except.includes(piece.id) || !reaches(piece, from, to)) continue;
    const hit = firstHitMm(piece.body, from, along);
    if (hit !== null && hit < distance) return { share: 0, by: piece.id };
  }
  if (groundAt)
    for (let at = GROUND_STEP_MM; at < distance; at += GROUND_STEP_MM) {
      const [x, y, height] = plus(from, times(along, at));
      if (groundAt(x, y) > height) return { share: 0, by: BANK };
    }
  let share = 1;
  let most = 1;
  let by: string | null = null;
  for (const screen of screens) {
    const through = throughScreen(from, to, screen);
    share *= through;
    if (through < most) [most, by] = [through, screen.id];
  }
  return { share, by };
}

export const visible = calculation({
  id: 'stocking.visible',
  title: 'How far one sees through cover',
  inputs: z.strictObject({
    itemsPerM2: z.number().min(0).max(10_000),
    itemRadiusM: z.number().positive().max(2),
    distanceM: z.number().min(0).max(20),
  }),
  outputs: z.strictObject({ probability: z.number() }),
  source: [{ citation: 'Lines that miss discs scattered at random: Poisson process; exact', basis: 'published' }],
  formula: 'P = e^(−2 n r d)',
  validity: 'cover scattered without order, as high as the line of sight; rows and walls hide more on one side and nothing on the other',
  uncertainty: 'leaves move, and animals look from more than one place',
  compute: ({ itemsPerM2, itemRadiusM, distanceM }) => ({ probability: visibleShare(itemsPerM2, itemRadiusM, distanceM) }),
});
