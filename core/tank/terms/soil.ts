import { STATE } from '../state';
import type { Term } from '../term';

/** Hardness, mmol/L, at which half of what the soil takes is calcium and magnesium; the rest is sodium and potassium. */
const HALF_HARDNESS = 0.01;
/** Bases that fresh soil holds, as a share of the acid it can still give off: what it sets free where the water is more acid than it. Recalled. */
export const BASES_HELD = 0.5;
/** Of the bases it sets free so much is calcium, the rest magnesium. Recalled. */
const CALCIUM_OF_BASES = 0.75;

/**
 * Active soil exchanges acid for bases, either way, until the water has its pH: it takes up calcium and magnesium and gives off acid, and
 * where acid is made in the water it takes that up and sets bases free, as far as it holds them. Charge is kept.
 */
export const soil: Term = {
  id: 'soil',
  title: 'Active soil',
  formula:
    'r = k V (Alk − Alk(set pH, CO₂)) · left/(left + 2 %); r > 0: as much Ca + Mg goes with it, where there is none Na and K; r < 0: Ca + Mg come',
  source: [
    { citation: 'Ion exchange: charge is kept, 2 meq of alkalinity for each mmol of calcium or magnesium', basis: 'published' },
    {
      citation: 'Set pH and capacity by class; lasts about a year at 1 L to 10 L; holds RO water with minerals at 5.8 to 6.6',
      basis: 'practice',
    },
  ],
  uncertainty: 'capacity by a factor of three between sorts; set pH ±0.4; the rate hangs on how the water gets through the bed',
  make: ({ soil: bed }) => {
    if (!bed || bed.capacityMeq <= 0) return null;
    const h = 10 ** -bed.setPh;
    const nearlySpent = 0.02 * bed.capacityMeq;
    return (now, rates, y) => {
      const { k } = now;
      const bicarbonate = (k.k1 * now.co2MmolPerL) / h;
      const rest = bicarbonate * (1 + (2 * k.k2) / h) + 1000 * (k.kw / h - h / k.gammaH);
      const over = now.alkalinityMeqPerL - rest;
      const acid = Math.max(0, y[STATE.soil]!);
      const left = over > 0 ? acid : Math.max(0, (1 + BASES_HELD) * bed.capacityMeq - acid);
      if (over === 0 || left <= 0) return;
      const taken = bed.ratePerDay * now.litres * over * (left / (left + nearlySpent));
      rates[STATE.soil]! -= taken;
      rates[STATE.alkalinity]! -= taken;
      if (taken < 0) {
        rates[STATE.calcium]! -= (taken * CALCIUM_OF_BASES) / 2;
        rates[STATE.magnesium]! -= (taken * (1 - CALCIUM_OF_BASES)) / 2;
        return;
      }
      const calcium = Math.max(0, y[STATE.calcium]!);
      const magnesium = Math.max(0, y[STATE.magnesium]!);
      const sodium = Math.max(0, y[STATE.sodium]!);
      const potassium = Math.max(0, y[STATE.potassium]!);
      const hardness = calcium + magnesium;
      const single = sodium + potassium;
      const share = single <= 0 ? 1 : hardness / (hardness + HALF_HARDNESS * now.litres);
      // acid turns as much bicarbonate into CO2: the carbon stays
      if (hardness > 0) {
        rates[STATE.calcium]! -= (taken * share * calcium) / hardness / 2;
        rates[STATE.magnesium]! -= (taken * share * magnesium) / hardness / 2;
      }
      if (single > 0) {
        rates[STATE.sodium]! -= (taken * (1 - share) * sodium) / single;
        rates[STATE.potassium]! -= (taken * (1 - share) * potassium) / single;
      }
    };
  },
};
