import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { NITRIFIERS_BY_DEGREE } from '../tank/speeds';

/** What a filter holds for bacteria to live on. */
export const Medium = z.enum(['coarse-foam', 'fine-foam', 'mat', 'rings', 'porous-balls', 'moving-bed', 'gravel', 'floss']);
export type Medium = z.infer<typeof Medium>;

/** Surface that water gets to, m² in a litre: pores that it does not run through count for nothing, whatever a label says. Recalled. */
export const MEDIUM_META: Readonly<Record<Medium, { name: string; m2PerL: number }>> = {
  'coarse-foam': { name: 'coarse foam', m2PerL: 0.6 },
  'fine-foam': { name: 'fine foam', m2PerL: 1.1 },
  mat: { name: 'foam mat', m2PerL: 0.8 },
  rings: { name: 'ceramic rings', m2PerL: 0.4 },
  'porous-balls': { name: 'sintered glass or clay', m2PerL: 0.8 },
  'moving-bed': { name: 'moving bed', m2PerL: 0.6 },
  gravel: { name: 'gravel', m2PerL: 0.9 },
  floss: { name: 'floss', m2PerL: 1.2 },
};

/** What grown-in slime takes of ammonia, m a day at 20 °C: 0.2 to 0.4. Recalled. */
export const NITRIFIES_M_PER_DAY = 0.3;
/** mg N/L of ammonia that a tank of animals is held under: what a drop test just does not see. Common practice. */
export const HELD_MG_N_PER_L = 0.05;
/** Ammonia at which the slime runs at half of what it could, mg N/L. */
const FULL_AT = 2;

/** Nitrogen that a surface turns over in a day while ammonia stands at a level, mg. */
export function capacityMgNPerDay(surfaceM2: number, maturity: number, ammoniaMgNPerL: number, temperatureC: number): number {
  const rate = NITRIFIES_M_PER_DAY * NITRIFIERS_BY_DEGREE[0] ** (temperatureC - 20);
  return (1000 * surfaceM2 * maturity * rate * ammoniaMgNPerL) / (1 + ammoniaMgNPerL / FULL_AT);
}

export const filterCapacity = calculation({
  id: 'equipment.filter-capacity',
  title: 'Nitrogen that a filter turns over in a day',
  inputs: z.strictObject({
    mediaL: z.number().min(0).max(2000),
    medium: Medium,
    maturity: z.number().min(0).max(1),
    ammoniaMgNPerL: z.number().min(0).max(10),
    temperatureC: z.number().min(0).max(40),
  }),
  outputs: z.strictObject({ surfaceM2: z.number(), mgNPerDay: z.number() }),
  source: [
    { citation: 'Ammonia by slime first order below 1 mg/L, 0.2 to 0.4 m a day; 7 % more for each degree', basis: 'recalled' },
    { citation: 'Surface of media that water reaches, m² in a litre', basis: 'recalled' },
  ],
  formula: 'mg N/d = 1000 · A · maturity · 0.3 · 1.07^(t − 20) · C/(1 + C/2), A = litres · m²/L',
  validity: 'Water runs through all of it, oxygen above 4 mg/L, pH 7 to 8.5',
  uncertainty: 'A factor of two either way',
  compute: ({ mediaL, medium, maturity, ammoniaMgNPerL, temperatureC }) => {
    const surfaceM2 = mediaL * MEDIUM_META[medium].m2PerL;
    return { surfaceM2, mgNPerDay: capacityMgNPerDay(surfaceM2, maturity, ammoniaMgNPerL, temperatureC) };
  },
});

/** Weeks until new media carry half of what they can, warm and fed: four to eight to all of it. Common practice. */
const HALF_GROWN_WEEKS = 4;
const STEEP = 1.1;
/** How far a medium is grown in after so many weeks in a running tank, 0 to 1: slowly, then fast, then full. */
export const maturityAfter = (weeks: number): number => (weeks <= 0 ? 0 : 1 / (1 + Math.exp(-STEEP * (weeks - HALF_GROWN_WEEKS))));

/** Weeks that bacteria out of a bottle are ahead of none. Common practice: two at best, often nothing. */
const BOTTLE_WEEKS = 1;
/** How far the media of a filter are grown in; what nobody has said is taken as grown in. */
export const maturityOf = ({ runWeeks, bottled }: { runWeeks: number | null; bottled?: true | undefined }): number =>
  runWeeks === null ? 1 : maturityAfter(runWeeks + (bottled ? BOTTLE_WEEKS : 0));
