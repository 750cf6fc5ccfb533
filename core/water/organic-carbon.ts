import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Share of dissolved organic carbon that microbes take each day. Recalled; humic matter is slow, fresh sugars are fast. */
const DECAY_PER_DAY = 0.01;

/**
 * Dissolved organic carbon just before a change, mg C/L, in a tank whose leaves are renewed as they are used up and whose water is changed
 * steadily. No more comes out than is in them.
 *
 * @param carbonMgPerG what comes out in all of a gram of dry material
 * @param lastsWeeks weeks until it is out and is renewed
 */
export function steadyOrganicCarbon(
  grams: number,
  litres: number,
  carbonMgPerG: number,
  lastsWeeks: number,
  changeFraction: number,
  changeDays: number,
): number {
  const perDay = (grams * carbonMgPerG) / litres / (lastsWeeks * 7);
  const left = Math.exp(-DECAY_PER_DAY * changeDays);
  const gained = (perDay * (1 - left)) / DECAY_PER_DAY;
  return gained / (1 - (1 - changeFraction) * left);
}

export const organicCarbon = calculation({
  id: 'water.organic-carbon',
  title: 'Organic carbon from leaves, cones, peat and wood',
  inputs: z.strictObject({
    grams: z.number().min(0).max(1e6),
    litres: z.number().positive().max(1e5),
    carbonMgPerG: z.number().min(0).max(400),
    lastsWeeks: z.number().positive().max(200),
    changeFraction: z.number().min(0.001).max(1),
    changeDays: z.number().positive().max(365),
  }),
  outputs: z.strictObject({ organicCarbonMgPerL: z.number() }),
  source: [
    { citation: 'Conservation of carbon: what comes out, less what is changed and what microbes take', basis: 'published' },
    { citation: 'Carbon per gram by class; 1 % a day taken by microbes', basis: 'recalled' },
  ],
  formula: 'r = g · c / (L · weeks · 7); C = r (1 − e⁻ᵇᵗ)/b / (1 − (1 − f) e⁻ᵇᵗ)',
  validity: 'dry material, renewed when it is spent; carbon filters take it all out',
  uncertainty: 'a factor of three: measure colour or pH after a week, and enter that',
  compute: ({ grams, litres, carbonMgPerG, lastsWeeks, changeFraction, changeDays }) => ({
    organicCarbonMgPerL: steadyOrganicCarbon(grams, litres, carbonMgPerG, lastsWeeks, changeFraction, changeDays),
  }),
});
