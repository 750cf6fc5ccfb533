import * as z from 'zod';

/** Invented supplies, as a utility would report them: mixed units, the usual names. No real place. */
const SUPPLIES = {
  'limestone-valley': {
    title: 'SIMULATED: limestone valley, yearly means',
    disinfectant: 'chlorine',
    values: [
      ['pH value', 7.6, ''],
      ['Electrical conductivity', 62.4, 'mS/m'],
      ['Water temperature', 11.2, '°C'],
      ['Total hardness (as CaCO3)', 318, 'mg/L'],
      ['Alkalinity as CaCO3', 242, 'mg/L'],
      ['Calcium', 113, 'mg/L'],
      ['Magnesium', 8.9, 'mg/L'],
      ['Sodium', 11.5, 'mg/L'],
      ['Potassium', 2.2, 'mg/L'],
      ['Chloride', 22, 'mg/L'],
      ['Sulfate', 33, 'mg/L'],
      ['Nitrate as N', 3.6, 'mg/L'],
      ['Copper', 24, 'µg/L'],
      ['Iron', '<20', 'µg/L'],
      ['Total organic carbon', 0.9, 'mg/L'],
      ['Free chlorine', 0.2, 'mg/L'],
      ['Coliform bacteria', 0, 'per 100 mL'],
    ],
  },
  'upland-reservoir': {
    title: 'SIMULATED: upland reservoir, yearly means',
    disinfectant: 'chloramine',
    values: [
      ['pH value', 8.1, ''],
      ['Conductivity', 96, 'µS/cm'],
      ['Total hardness', 1.9, '°dH'],
      ['Hydrogencarbonate', 27, 'mg/L'],
      ['Calcium', 11, 'mg/L'],
      ['Magnesium', 1.6, 'mg/L'],
      ['Sodium', 6.1, 'mg/L'],
      ['Potassium', 0.6, 'mg/L'],
      ['Chloride', 9, 'mg/L'],
      ['Sulfate', 10, 'mg/L'],
      ['Nitrate', 1.1, 'mg/L'],
      ['Silica (as SiO2)', 4.2, 'mg/L'],
      ['Copper', 61, 'µg/L'],
      ['Total organic carbon', 2.1, 'mg/L'],
      ['Monochloramine', 1.8, 'mg/L'],
    ],
  },
  'softened-house': {
    title: 'SIMULATED: house softener behind hard water',
    disinfectant: 'none',
    values: [
      ['pH value', 7.7, ''],
      ['Conductivity', 690, 'µS/cm'],
      ['Total hardness', 0.4, 'mmol/L'],
      ['Alkalinity', 4.8, 'mmol/L'],
      ['Sodium', 138, 'mg/L'],
      ['Chloride', 24, 'mg/L'],
      ['Sulfate', 33, 'mg/L'],
      ['Nitrate', 16, 'mg/L'],
    ],
  },
} as const;

const Query = z.strictObject({ supply: z.enum(Object.keys(SUPPLIES) as [keyof typeof SUPPLIES, ...(keyof typeof SUPPLIES)[]]) });

/** A made-up report in the shape that real ones are read in; says in itself that it is simulated. */
export function simulatedReport(query: unknown): { ok: true; report: object } | { ok: false; reason: string } {
  const parsed = Query.safeParse(query);
  if (!parsed.success) return { ok: false, reason: `supply: one of ${Object.keys(SUPPLIES).join(', ')}` };
  const { title, disinfectant, values } = SUPPLIES[parsed.data.supply];
  return {
    ok: true,
    report: { title, simulated: true, disinfectant, values: values.map(([name, value, unit]) => ({ name, value, unit })) },
  };
}
