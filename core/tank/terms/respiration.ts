import { FED_SHARE, mealsAt } from '../meals';
import { STATE } from '../state';
import { breathing, MG_PER_MMOL_O2, RESPIRATORY_QUOTIENT, type Term } from '../term';

/** Animals, and microbes at what the animals leave, breathe in oxygen and breathe out CO2. */
export const respiration: Term = {
  id: 'respiration',
  title: 'Animals and microbes breathe',
  formula: 'O₂ = (animals at 25 °C + feed · decay) · e^(−5020 (1/T − 1/298.15)); CO₂ = 0.9 O₂ by moles',
  source: [
    { citation: 'Clarke & Johnston 1999, J. Anim. Ecol. 68:893 (resting fish by mass and temperature)', basis: 'recalled' },
    { citation: 'Active and fed 1.5 to 2 times as much; decay of leavings by feed', basis: 'practice' },
  ],
  uncertainty: 'a factor of 1.6 either way',
  make: ({ animalsMgO2PerDay, feed }) => {
    const decay = feed.gPerDay * feed.decayMgO2PerG;
    const rest = animalsMgO2PerDay * (1 - FED_SHARE);
    const fed = animalsMgO2PerDay * FED_SHARE + decay;
    if (rest + fed <= 0) return null;
    return (now, rates) => {
      const meals = now.day === 0 ? 1 : mealsAt(feed.atHours, (now.day % 1) * 24);
      const oxygen = (rest + fed * meals) * now.living * breathing(now.oxygenMgPerL);
      rates[STATE.oxygen]! -= oxygen;
      rates[STATE.carbon]! += (RESPIRATORY_QUOTIENT * oxygen) / MG_PER_MMOL_O2;
    };
  },
};
