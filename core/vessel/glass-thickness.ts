import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/**
 * L/H -> β of a pane under water from its top edge down: free top, and held along all four edges. β is the largest principal bending stress in
 * units of ρ g H (H/t)². A pane free above twists about its foot: from 2.5 on the twisting moment near the ends is what breaks it.
 */
const BETA: readonly (readonly [ratio: number, freeTop: number, fourEdges: number])[] = [
  [0.5, 0.084, 0.082],
  [0.667, 0.12, 0.111],
  [0.8, 0.15, 0.126],
  [1, 0.198, 0.155],
  [1.25, 0.278, 0.208],
  [1.5, 0.352, 0.252],
  [1.75, 0.412, 0.287],
  [2, 0.46, 0.314],
  [2.5, 0.555, 0.348],
  [3, 0.68, 0.366],
  [4, 0.93, 0.38],
  [5, 1.18, 0.384],
];
const LONGEST = BETA[BETA.length - 1]!;
/** A long pane free above is a bar turned about its foot: the moment of the water, ρ g H³ / 6 a length, is taken up at its two ends. */
const TWIST_PER_RATIO = 0.25;

/**
 * Tensile strength of float glass over the safety factor of common practice, MPa. EN 16612 for 50 years with γ 1.35 comes to 5.45 over the pane,
 * and with its factor of 0.8 for cut edges to 4.36 along a free top: there this is the bolder of the two (from memory).
 */
export const DESIGN_STRESS_MPA = 19.2 / 3.8;

export type Edges = 'free-top' | 'four-edges';

/** β by linear interpolation over the ratio of length to height; beyond the table by its limits. @returns null below the table */
export function bendingFactor(ratio: number, edges: Edges): number | null {
  const column = edges === 'free-top' ? 1 : 2;
  if (ratio > LONGEST[0]) return LONGEST[column] + (edges === 'free-top' ? TWIST_PER_RATIO * (ratio - LONGEST[0]) : 0);
  const above = BETA.findIndex(([at]) => at >= ratio);
  const [high, low] = [BETA[above], BETA[above - 1]];
  if (!high) return null;
  if (!low) return ratio === high[0] ? high[column] : null;
  const share = (ratio - low[0]) / (high[0] - low[0]);
  return low[column] + share * (high[column] - low[column]);
}

/** Thickness at which the bending stress in the longest pane meets the design stress. Millimetres; null below the table. */
export function glassThicknessMm(lengthMm: number, heightMm: number, edges: Edges): number | null {
  const beta = bendingFactor(lengthMm / heightMm, edges);
  if (beta === null) return null;
  const pressurePa = 1000 * 9.81 * (heightMm / 1000);
  return heightMm * Math.sqrt((beta * pressurePa) / (DESIGN_STRESS_MPA * 1e6));
}

export const glassThickness = calculation({
  id: 'vessel.glass-thickness',
  title: 'Glass of the longest pane, for information',
  inputs: z.strictObject({ lengthMm: z.number().positive(), heightMm: z.number().positive(), edges: z.enum(['free-top', 'four-edges']) }),
  outputs: z.strictObject({ thicknessMm: z.number() }),
  source: [
    {
      citation:
        'Plate theory of Timoshenko & Woinowsky-Krieger, Theory of Plates and Shells; β, with the twisting moment, by an own Lévy series for water load',
      basis: 'published',
    },
    { citation: 'Design stress 19.2 MPa over 3.8', basis: 'practice' },
  ],
  formula: 'thickness = H √(β ρ g H / σ); β by length to height, σ = 19.2/3.8 MPa',
  validity: 'flat annealed float glass, length 0.5 times the height or more, filled to the rim with fresh water, edges simply supported',
  uncertainty: 'never a certificate: edge work, silicone, holes and an uneven stand are not in it. Ask the maker',
  outside: ({ lengthMm, heightMm }) => (lengthMm / heightMm < 0.5 ? 'the pane is more than twice as high as it is long' : null),
  compute: ({ lengthMm, heightMm, edges }) => ({ thicknessMm: glassThicknessMm(lengthMm, heightMm, edges) ?? NaN }),
});
