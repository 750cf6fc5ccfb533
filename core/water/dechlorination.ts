import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Sodium thiosulfate pentahydrate per chlorine, mg/mg, when two thiosulfates meet one chlorine (stoichiometry). */
const THIOSULFATE_PER_CHLORINE = 7.0;
/** In hand for what else uses it up. Common practice. */
const MARGIN = 1.5;
/** Ammonia nitrogen freed per mg of chloramine chlorine, mg N. */
const NITROGEN_PER_CHLORAMINE = 14.007 / 70.9;

/** Thiosulfate that takes the disinfectant out of some litres, mg, and the ammonia that chloramine leaves behind, mg N/L. */
export function dechlorinate(kind: 'chlorine' | 'chloramine', chlorineMgPerL: number, litres: number) {
  return {
    thiosulfateMg: chlorineMgPerL * litres * THIOSULFATE_PER_CHLORINE * MARGIN,
    ammoniaNMgPerL: kind === 'chloramine' ? chlorineMgPerL * NITROGEN_PER_CHLORAMINE : 0,
  };
}

export const dechlorination = calculation({
  id: 'water.dechlorination',
  title: 'Taking chlorine or chloramine out',
  inputs: z.strictObject({
    kind: z.enum(['chlorine', 'chloramine']),
    /** As Cl₂. */
    chlorineMgPerL: z.number().min(0).max(20),
    litres: z.number().positive().max(100000),
  }),
  outputs: z.strictObject({ thiosulfateMg: z.number(), ammoniaNMgPerL: z.number() }),
  source: [
    { citation: 'Stoichiometry: 2 S₂O₃²⁻ + Cl₂ → S₄O₆²⁻ + 2 Cl⁻, pentahydrate 7.00 mg per mg', basis: 'published' },
    { citation: 'Half as much again in hand', basis: 'practice' },
  ],
  formula: 'mg = litres · Cl₂ · 7.00 · 1.5; chloramine frees 0.1976 mg N per mg Cl₂',
  validity: 'tap water as delivered. The ammonia of chloramine is still to be bound or nitrified',
  uncertainty: 'that of the chlorine reading; test after mixing',
  compute: ({ kind, chlorineMgPerL, litres }) => dechlorinate(kind, chlorineMgPerL, litres),
});
