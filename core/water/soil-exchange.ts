import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { alkalinityAtPh, CARBONATE_SOURCES, freshWaterFields, outsideFreshWater } from '../chemistry/carbonate-system';

export interface SoilExchange {
  /** Alkalinity taken out of each litre, meq; as much calcium and magnesium goes with it, as far as there is any. */
  takenMeqPerL: number;
  hardnessTakenMmolPerL: number;
  /** What the soil can still take once this water is treated. */
  leftMeq: number;
}

/**
 * An active soil in the acid form: it takes up calcium and magnesium and gives off acid, which eats alkalinity, until the water has the
 * soil's pH or the soil is spent. Water already below that pH is left alone. Charge is kept: alkalinity and hardness fall together.
 */
export function soilExchangeOf(
  water: { temperatureC: number; alkalinityMeqPerL: number; hardnessMmolPerL: number; pco2Uatm: number },
  setPh: number,
  capacityMeq: number,
  litres: number,
): SoilExchange {
  const rest = alkalinityAtPh(water.temperatureC, setPh, water.pco2Uatm);
  const wanted = Math.max(0, water.alkalinityMeqPerL - rest);
  const takenMeqPerL = Math.min(wanted, capacityMeq / litres);
  return {
    takenMeqPerL,
    hardnessTakenMmolPerL: Math.min(takenMeqPerL / 2, water.hardnessMmolPerL),
    leftMeq: Math.max(0, capacityMeq - takenMeqPerL * litres),
  };
}

/** A century: as good as not used up. */
const NEVER_WEEKS = 5200;

/** Weeks until a soil is spent, when each week brings so many litres of new water; null when that water takes nothing out of it. */
export function soilWeeksLeft(leftMeq: number, takenMeqPerL: number, newLitresPerWeek: number): number | null {
  const weeks = leftMeq / (takenMeqPerL * newLitresPerWeek);
  return weeks < NEVER_WEEKS ? weeks : null;
}

export const soilExchange = calculation({
  id: 'water.soil-exchange',
  title: 'What active soil takes out of the water',
  inputs: z.strictObject({
    ...freshWaterFields,
    hardnessMmolPerL: z.number().min(0).max(100),
    pco2Uatm: z.number().min(1).max(200000),
    setPh: z.number().min(3).max(9),
    capacityMeq: z.number().min(0).max(1e6),
    litres: z.number().positive().max(1e5),
    newLitresPerWeek: z.number().min(0).max(1e5),
  }),
  outputs: z.strictObject({
    alkalinityMeqPerL: z.number(),
    hardnessMmolPerL: z.number(),
    leftMeq: z.number(),
    weeksLeft: z.number().nullable(),
  }),
  source: [
    { citation: 'Ion exchange: charge is kept, 2 meq of alkalinity for each mmol of calcium or magnesium', basis: 'published' },
    { citation: 'Capacity and set pH by class; lasts about a year at 1 L to 10 L', basis: 'practice' },
    ...CARBONATE_SOURCES,
  ],
  formula: 'taken = min(Alk − Alk(set pH, pCO₂), capacity/litres); weeks = what is left / (taken · new litres a week)',
  validity: 'fresh water, 0–40 °C; a soil that is stirred through by the flow of its own bed over days',
  uncertainty: 'capacity by a factor of three between sorts; set pH ±0.4',
  outside: outsideFreshWater,
  compute: ({ setPh, capacityMeq, litres, newLitresPerWeek, ...water }) => {
    const { takenMeqPerL, hardnessTakenMmolPerL, leftMeq } = soilExchangeOf(water, setPh, capacityMeq, litres);
    return {
      alkalinityMeqPerL: water.alkalinityMeqPerL - takenMeqPerL,
      hardnessMmolPerL: water.hardnessMmolPerL - hardnessTakenMmolPerL,
      leftMeq,
      weeksLeft: soilWeeksLeft(leftMeq, takenMeqPerL, newLitresPerWeek),
    };
  },
});
