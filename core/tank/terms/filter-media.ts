import { STATE } from '../state';
import type { Term } from '../term';

/** Share a day of what is in a litre, for a gram of the medium in a litre. */
const RATE = 0.5;
/** Milligrams of phosphorus that a gram of iron oxide binds. */
export const BINDER_MG_P_PER_G = 8;

/** Activated carbon takes organic carbon and tint, phosphate remover binds phosphate till it is full. */
export const filterMedia: Term = {
  id: 'filter-media',
  title: 'Activated carbon and phosphate remover',
  formula: 'r = 0.5 · grams · C, for the remover times what is left of it',
  source: [{ citation: 'Clears the tint of a tank in days at 1 g to a litre; remover binds about 8 mg P a gram', basis: 'recalled' }],
  uncertainty: 'a factor of two; carbon tires in three to four weeks',
  make: ({ media }) => {
    if (media.carbonG <= 0 && media.binderMgP <= 0) return null;
    const binderRate = (RATE * media.binderMgP) / BINDER_MG_P_PER_G;
    return (now, rates, y) => {
      rates[STATE.organicCarbon]! -= RATE * media.carbonG * now.organicCarbonMgPerL;
      if (media.binderMgP <= 0) return;
      const bound = binderRate * now.phosphateMgPPerL * Math.max(0, y[STATE.binder]! / media.binderMgP);
      rates[STATE.phosphate]! -= bound;
      rates[STATE.binder]! -= bound;
    };
  },
};
