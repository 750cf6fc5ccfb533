import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import type { Animal } from '../catalogue/organism';
import type { Span } from '../quantity/range';

/** How an animal takes grain in: sucked in with its food, or taken up, worked through and let fall. */
export type TakesGrain = 'sucks' | 'sifts';
export type SwallowVerdict = 'passes' | 'partly' | 'lodges' | 'too-large' | 'soft' | 'cannot-sift' | 'sharp';

/** Sand up to this goes through an animal that sucks in its food; the young bear half of it. Common practice. */
export const SAND_MM = { grown: 1, young: 0.5 } as const;
/** Sand this coarse at its coarsest lies in between: seldom a stone in the gut, no bed to choose either. Common practice. */
const COARSE_SAND_MM = 2;
/** Stones larger than the head stay outside; the head is taken this many times as wide as the mouth. Common practice. */
const HEAD = 1.5;
/** Grain coarser than this no sifter of the hobby works through. Common practice: rounded sand of 0.1 to 2 mm. */
const SIFTS_UP_TO_MM = 2.5;

export interface Mouth {
  takes: TakesGrain;
  gapeMm: number;
  young: boolean;
}

/** What a grain is beside its size. */
export interface GrainKind {
  /** Crumbles between the fingers: baked soil, peat. */
  soft: boolean;
  /** Broken or porous edges. */
  sharp: boolean;
}

/** Stones from this on are not taken in. Millimetres. */
export const stonesFromMm = (gapeMm: number): number => HEAD * gapeMm;

/**
 * What grain does to those that feed from the ground. Suction feeders swallow: sand passes, stones larger than the head stay outside, all between
 * may lodge in the gut, the classic end of axolotls. Sifters let grain fall again: they want it fine and rounded.
 */
export function swallowHazard([fineMm, coarseMm]: Span, { takes, gapeMm, young }: Mouth, { soft, sharp }: GrainKind): SwallowVerdict {
  if (takes === 'sifts') {
    if (coarseMm > SIFTS_UP_TO_MM && !soft) return 'cannot-sift';
    return sharp ? 'sharp' : 'passes';
  }
  const sand = young ? SAND_MM.young : SAND_MM.grown;
  if (coarseMm <= sand) return 'passes';
  if (fineMm > stonesFromMm(gapeMm)) return 'too-large';
  if (soft) return 'soft';
  return coarseMm <= COARSE_SAND_MM && !young ? 'partly' : 'lodges';
}

/** How an animal of the catalogue takes grain in; null for those that pick from open water, graze on hard ground, or have no gut to block. */
export function takesGrain({ group, form, traits: { feeding } }: Animal): TakesGrain | null | 'unknown' {
  if (group !== 'fish' && group !== 'amphibian') return null;
  // seahorses and pipefish suck their food out of the water
  if (form === 'seahorse' || form === 'pipefish') return null;
  if (feeding.value === null) return 'unknown';
  return feeding.value === 'sucks' || feeding.value === 'sifts' ? feeding.value : null;
}

const Grain = z.number().positive().max(1000);

export const swallowHazardCalculation = calculation({
  id: 'substrate.swallow-hazard',
  title: 'Grain under those that feed from the ground',
  inputs: z
    .object({
      grainMinMm: Grain,
      grainMaxMm: Grain,
      gapeMm: z.number().positive().max(500),
      takes: z.enum(['sucks', 'sifts']),
      young: z.boolean(),
      soft: z.boolean(),
      sharp: z.boolean(),
    })
    .refine(({ grainMinMm, grainMaxMm }) => grainMinMm <= grainMaxMm, {
      message: 'the fine grain is above the coarse',
      path: ['grainMinMm'],
    }),
  outputs: z.object({ verdict: z.enum(['passes', 'partly', 'lodges', 'too-large', 'soft', 'cannot-sift', 'sharp']) }),
  source: [
    {
      citation:
        'Suction feeders: bare glass, sand up to 1 mm (young 0.5 mm), or stones larger than the head; gravel of 2 to 15 mm is the classic cause of impaction',
      basis: 'practice',
    },
    { citation: 'Sifters: rounded sand of 0.1 to 2 mm', basis: 'practice' },
  ],
  validity: 'Fish and amphibians that take their food from the ground; those that pick from open water are not concerned',
  uncertainty: 'No controlled trial stands behind it: single animals have lived on gravel for years, and others died of one stone',
  formula: 'sucks: passes when max ≤ 1 mm, too large when min > 1.5 gape, soft grain apart, else lodges; sifts: max ≤ 2.5 mm, not sharp',
  compute: ({ grainMinMm, grainMaxMm, gapeMm, takes, young, soft, sharp }) => ({
    verdict: swallowHazard([grainMinMm, grainMaxMm], { takes, gapeMm, young }, { soft, sharp }),
  }),
});
