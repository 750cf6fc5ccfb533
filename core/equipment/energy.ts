import * as z from 'zod';
import { calculation } from '../calculation/calculation';

const DAYS = 365;

/** Kilowatt hours in a year. */
export const kwhPerYear = (watts: number, hoursPerDay: number): number => (watts * hoursPerDay * DAYS) / 1000;

export const energy = calculation({
  id: 'equipment.energy',
  title: 'Current that a device uses in a year',
  inputs: z.strictObject({
    watts: z.number().min(0, 'a device gives no current back').max(100_000),
    hoursPerDay: z.number().min(0).max(24, 'a day has 24 hours'),
    pricePerKwh: z.number().min(0).max(100),
  }),
  outputs: z.strictObject({ kwhPerYear: z.number(), costPerYear: z.number() }),
  source: [{ citation: 'By definition: a kilowatt over an hour', basis: 'published' }],
  formula: 'kWh = W · h · 365/1000',
  validity: 'A heater by the hours that it is on, not by its label',
  uncertainty: 'Pumps and lamps a tenth off their labels',
  compute: ({ watts, hoursPerDay, pricePerKwh }) => {
    const kwh = kwhPerYear(watts, hoursPerDay);
    return { kwhPerYear: kwh, costPerYear: kwh * pricePerKwh };
  },
});
