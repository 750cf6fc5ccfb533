import * as z from 'zod';
import { calculation } from '../calculation/calculation';

export type HideVerdict = 'fits' | 'too-tight' | 'sticks' | 'too-open' | 'too-short';

/** Clearance around the body that lets an animal in and out at ease, and as much as still shelters it. Common practice: 1.2 to 2 times. */
const EASY = 1.2;
const SHELTERS_UP_TO = 2.5;
/** Share of the body that has to be inside. */
const INSIDE = 0.9;

/**
 * Whether a hide serves an animal: the opening against the body's depth and width with clearance, larger side to larger, and its length
 * inside. Between 1 and 1.2 times the body it may stick.
 */
export function hideFit(
  opening: { longMm: number; shortMm: number; insideMm: number },
  body: { lengthMm: number; depthMm: number; widthMm: number },
): HideVerdict {
  const deep = Math.max(body.depthMm, body.widthMm);
  const thin = Math.min(body.depthMm, body.widthMm);
  const [long, short] = [Math.max(opening.longMm, opening.shortMm), Math.min(opening.longMm, opening.shortMm)];
  const ratio = Math.min(long / deep, short / thin);
  if (ratio < 1) return 'too-tight';
  if (opening.insideMm < INSIDE * body.lengthMm) return 'too-short';
  if (ratio < EASY) return 'sticks';
  return short > SHELTERS_UP_TO * deep ? 'too-open' : 'fits';
}

const Size = z.number().positive().max(3000);

export const hideFitCalculation = calculation({
  id: 'hardscape.hide-fit',
  title: 'Whether a hide serves an animal',
  inputs: z.object({
    openingLongMm: Size,
    openingShortMm: Size,
    insideMm: Size,
    lengthMm: Size,
    depthMm: Size,
    widthMm: Size,
  }),
  outputs: z.object({ verdict: z.enum(['fits', 'too-tight', 'sticks', 'too-open', 'too-short']) }),
  source: [{ citation: 'Openings of 1.2 to 2 times the depth of the animal, a dark inside as long as it is', basis: 'practice' }],
  validity: 'Grown animals; soft-bodied ones squeeze through less',
  uncertainty: 'A rule of thumb: offer a choice of sizes',
  formula:
    'ratio = min(long / depth, short / width); too tight < 1, sticks < 1.2, too short below 0.9 of its length, too open above 2.5 depths',
  compute: ({ openingLongMm, openingShortMm, insideMm, lengthMm, depthMm, widthMm }) => ({
    verdict: hideFit({ longMm: openingLongMm, shortMm: openingShortMm, insideMm }, { lengthMm, depthMm, widthMm }),
  }),
});
