import { C_MASS, STATE } from '../state';
import { breathing, MG_PER_MMOL_O2, RESPIRATORY_QUOTIENT, type Term } from '../term';

/** Leaves, cones, peat and wood give off organic carbon, microbes take it. They are renewed as they are used up. */
export const organicMatter: Term = {
  id: 'organic-matter',
  title: 'Leaves and wood leach',
  formula: 'dC/dt = leached − b C; what is taken becomes CO₂',
  source: [{ citation: 'Carbon per gram by class; 1 % a day taken by microbes', basis: 'recalled' }],
  uncertainty: 'a factor of three: measure colour or pH after a week, and enter that',
  make: ({ leaves, start, replacement }) => {
    if (leaves.carbonMgPerDay <= 0 && start.organicCarbonMg <= 0 && replacement.organicCarbonMg <= 0) return null;
    return (now, rates) => {
      const taken = leaves.decayPerDay * now.organicCarbonMgPerL * now.litres * breathing(now.oxygenMgPerL);
      rates[STATE.organicCarbon]! += leaves.carbonMgPerDay - taken;
      rates[STATE.carbon]! += taken / C_MASS;
      rates[STATE.oxygen]! -= ((taken / C_MASS) * MG_PER_MMOL_O2) / RESPIRATORY_QUOTIENT;
    };
  },
};
