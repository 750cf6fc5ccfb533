import { N_MASS, STATE } from '../state';
import type { Term } from '../term';

/** Share of the nitrogen that grows into the slime: NH4 + 1.83 O2 + 1.97 HCO3 gives 0.0244 C5H7O2N. */
const GROWN_IN = 0.0244;
/** Oxygen for each mg of nitrogen, first to nitrite, then to nitrate: together 4.18. */
const OXYGEN = [3.14, 1.04] as const;
/** Oxygen at which the two run at half, mg/L. */
const HALF_OXYGEN = [0.5, 0.9] as const;
/** mg N/L at which the slime runs at half of what it could. */
const FULL_AT = 2;

/** How pH holds nitrifiers back; acid tanks do nitrify, if slowly, down to about 4.5. */
export const phFactor = (ph: number): number =>
  Math.max(0.15 / (1 + Math.exp(Math.LN10 * 2 * (4.5 - ph))), 1 / (1 + Math.exp(Math.LN10 * (6 - ph)) + Math.exp(Math.LN10 * (ph - 9.3))));

const monod = (value: number, half: number): number => value / (value + half);

/** Ammonia to nitrite to nitrate on grown-in surfaces; takes oxygen and alkalinity. */
export const nitrification: Term = {
  id: 'nitrification',
  title: 'Nitrification',
  formula: 'r = J A C / (1 + C/2) · θ^(t−20) · O₂/(K + O₂) · f(pH); 4.18 mg O₂ and 1.98 meq of alkalinity for each mmol N',
  source: [
    { citation: 'Stoichiometry with cell growth: NH₄ + 1.83 O₂ + 1.97 HCO₃ (Timmons & Ebeling)', basis: 'published' },
    { citation: 'First-order rate of grown-in surfaces 0.2 to 0.4 m a day; temperature 1.06 to 1.07', basis: 'recalled' },
    { citation: 'pH: a bell from 6 to 9.3 with a floor of 0.15 down to 4.5, as acid tanks do nitrify', basis: 'practice' },
  ],
  uncertainty: 'the rate and the surface by a factor of two; the end of it, nitrate, hardly hangs on them',
  make: ({ filter }) => {
    const litresPerDay = filter.biofilmM2 * filter.maturity * filter.ratePerDayM * 1000;
    if (litresPerDay <= 0) return null;
    return (now, rates) => {
      const litres = litresPerDay * phFactor(now.ph);
      const { ammoniaMgNPerL: ammonia, nitriteMgNPerL: nitrite, oxygenMgPerL: oxygen } = now;
      const toNitrite = ((litres * ammonia) / (1 + ammonia / FULL_AT)) * now.toNitrite * monod(oxygen, HALF_OXYGEN[0]);
      const toNitrate = ((litres * nitrite) / (1 + nitrite / FULL_AT)) * now.toNitrate * monod(oxygen, HALF_OXYGEN[1]);
      rates[STATE.ammonia]! -= toNitrite;
      rates[STATE.nitrite]! += toNitrite * (1 - GROWN_IN) - toNitrate;
      rates[STATE.nitrate]! += toNitrate;
      rates[STATE.boundNitrogen]! += toNitrite * GROWN_IN;
      // an ammonium ion goes, a nitrite ion comes
      rates[STATE.alkalinity]! -= (toNitrite * (2 - GROWN_IN)) / N_MASS;
      rates[STATE.carbon]! -= (toNitrite * 5 * GROWN_IN) / N_MASS;
      rates[STATE.oxygen]! -= toNitrite * OXYGEN[0] + toNitrate * OXYGEN[1];
    };
  },
};
