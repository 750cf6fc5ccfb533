import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { TERMS } from './balance';
import { TankScenario } from './scenario';
import { settle } from './settle';
import { N_MASS, STATE } from './state';

/** Every source that the balance rests on, once. */
export const BALANCE_SOURCES = [...new Map(TERMS.flatMap(({ source }) => source).map((source) => [source.citation, source])).values()];

function settledReadings(scenario: TankScenario) {
  const { state, now } = settle(scenario);
  return {
    ghDh: (state[STATE.calcium]! + state[STATE.magnesium]!) / now.litres / MMOL_PER_DEGREE_HARDNESS,
    khDh: now.alkalinityMeqPerL / MEQ_PER_DEGREE_ALKALINITY,
    ph: now.ph,
    pco2Uatm: (now.co2MmolPerL / now.k.kh) * 1000,
    ammoniaMgNPerL: now.ammoniaMgNPerL,
    nitrateMgPerL: (now.nitrateMgNPerL * 62.004) / N_MASS,
    phosphateMgPPerL: now.phosphateMgPPerL,
    organicCarbonMgPerL: now.organicCarbonMgPerL,
    oxygenMgPerL: now.oxygenMgPerL,
  };
}

export const settledWater = calculation({
  id: 'tank.settled-water',
  title: 'Where the water of a tank settles',
  inputs: z.strictObject({ scenario: TankScenario }),
  outputs: z.strictObject({
    ghDh: z.number(),
    khDh: z.number(),
    ph: z.number(),
    pco2Uatm: z.number(),
    ammoniaMgNPerL: z.number(),
    nitrateMgPerL: z.number(),
    phosphateMgPPerL: z.number(),
    organicCarbonMgPerL: z.number(),
    oxygenMgPerL: z.number(),
  }),
  source: BALANCE_SOURCES,
  formula: `Σ of ${TERMS.map(({ title }) => title.toLowerCase()).join(', ')}, and changes spread over the days = 0`,
  validity: 'steady care, a grown-in filter, soil as strong as it is today; without changes it is shown as it is after a year',
  uncertainty: 'that of its processes: the band is the corner of all doubts one deviation towards acid, and away from it',
  outside: ({ scenario }) =>
    Object.values(settledReadings(scenario)).every((value) => Number.isFinite(value)) ? null : 'such a tank never comes to rest',
  compute: ({ scenario }) => settledReadings(scenario),
});
