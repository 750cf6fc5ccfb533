import { mealsAt } from '../meals';
import { N_MASS, STATE } from '../state';
import type { Term } from '../term';

/** Share of nitrogen in protein, by mass. */
const NITROGEN_OF_PROTEIN = 0.16;

/** Feed to ammonia and phosphate; by its meals where their hours are known, else spread over the day. Ammonia that animals give off takes up a proton: alkalinity rises with it. */
export const feeding: Term = {
  id: 'feeding',
  title: 'Feed to ammonia and phosphate',
  formula: 'TAN = feed · protein · 0.16 · share given off; Alk + 1 meq per mmol N',
  source: [
    { citation: 'Timmons & Ebeling, Recirculating Aquaculture: 0.092 g TAN-N per g of protein fed', basis: 'published' },
    { citation: 'Phosphorus of feed that comes into solution: about half of 1.1 %', basis: 'recalled' },
  ],
  uncertainty: 'a quarter either way; what is left uneaten all counts',
  make: ({ feed }) => {
    if (feed.gPerDay <= 0) return null;
    const nitrogen = feed.gPerDay * 1000 * feed.protein * NITROGEN_OF_PROTEIN * feed.toAmmonia;
    const phosphate = feed.gPerDay * feed.phosphateMgPPerG;
    return ({ day }, rates) => {
      const now = day === 0 ? 1 : mealsAt(feed.atHours, (day % 1) * 24);
      rates[STATE.ammonia]! += nitrogen * now;
      rates[STATE.alkalinity]! += (nitrogen * now) / N_MASS;
      rates[STATE.phosphate]! += phosphate * now;
    };
  },
};
