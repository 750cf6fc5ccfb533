import { N_MASS, STATE } from '../state';
import { breathing, MG_PER_MMOL_O2, type Term } from '../term';

/** Moles of carbon grown for a mole of nitrogen: dry matter of 40 % carbon and 3 % nitrogen. */
const CARBON_PER_NITROGEN = 15.5;
/** Milligrams of phosphorus for a milligram of nitrogen. */
const PHOSPHORUS_PER_NITROGEN = 0.12;
/** Oxygen given off for a mole of carbon taken. */
const PHOTOSYNTHETIC_QUOTIENT = 1.2;
/** Share of a day's best growth that is breathed away again, day and night. */
const BREATHED_AWAY = 0.15;
/** Growth that goes on without nitrogen or phosphate, out of what is stored. */
const STARVED = 0.3;
/** Concentrations at which uptake is half of what it could be: mg N, mg P, mmol CO2 a litre. */
const HALF = { nitrogen: 0.1, phosphorus: 0.01, co2: 0.1 };

/** Plants take nitrogen, phosphate and CO2 by light and breathe always. Ammonia is taken before nitrate. */
export const plants: Term = {
  id: 'plants',
  title: 'Plants grow and breathe',
  formula:
    'C = 15.5 · uptake · area · light · CO₂/(0.1 + CO₂) · (0.3 + 0.7 fed); N = C/15.5 · N/(0.1 + N); NH₄ before NO₃; Alk −1 for NH₄, +1 for NO₃',
  source: [
    {
      citation: 'Uptake 0.02–0.1 (slow), 0.1–0.3 (moderate), 0.3–1 g N/m²d (fast, floating), order of Reddy & De Busk 1985',
      basis: 'recalled',
    },
    { citation: 'Dry matter of 40 % carbon, 3 % nitrogen, 0.35 % phosphorus', basis: 'recalled' },
  ],
  uncertainty: 'a factor of three either way',
  make: ({ plants: { areaM2, uptakeGNPerM2 }, lampHours }) => {
    const bestN = areaM2 * uptakeGNPerM2 * 1000;
    if (bestN <= 0 || lampHours <= 0) return null;
    const carbonByDay = (bestN / N_MASS) * CARBON_PER_NITROGEN;
    const dayShare = lampHours / 24;
    return (now, rates) => {
      const warm = now.living;
      const there = now.ammoniaMgNPerL + now.nitrateMgNPerL;
      const fed = Math.min(there / (there + HALF.nitrogen), now.phosphateMgPPerL / (now.phosphateMgPPerL + HALF.phosphorus));
      const lit = warm * (now.light / dayShare) * (now.co2MmolPerL / (now.co2MmolPerL + HALF.co2));
      const carbon = carbonByDay * lit * (STARVED + (1 - STARVED) * fed);
      const nitrogen = (carbon / CARBON_PER_NITROGEN) * N_MASS * fed;
      const asAmmonia = there > 0 ? now.ammoniaMgNPerL / (now.ammoniaMgNPerL + 0.1 * now.nitrateMgNPerL + 1e-9) : 0;
      const breath = BREATHED_AWAY * carbonByDay * warm * breathing(now.oxygenMgPerL);
      rates[STATE.ammonia]! -= nitrogen * asAmmonia;
      rates[STATE.nitrate]! -= nitrogen * (1 - asAmmonia);
      rates[STATE.boundNitrogen]! += nitrogen;
      rates[STATE.phosphate]! -= nitrogen * PHOSPHORUS_PER_NITROGEN;
      rates[STATE.alkalinity]! += (nitrogen * (1 - 2 * asAmmonia)) / N_MASS;
      rates[STATE.carbon]! += breath - carbon;
      rates[STATE.oxygen]! += (carbon * PHOTOSYNTHETIC_QUOTIENT - breath) * MG_PER_MMOL_O2;
    };
  },
};
