import * as z from 'zod';

/** What plants are given, each by its own measure a week. */
export const Fertiliser = z.enum(['all-round', 'nitrogen', 'phosphorus', 'potassium', 'iron', 'carbon', 'capsules']);
export type Fertiliser = z.infer<typeof Fertiliser>;

/** Milligrams to a litre and week; drops of liquid carbon in millilitres to 100 L a day; capsules by the piece a month. */
export const FertiliserPlan = z.partialRecord(Fertiliser, z.number().positive('leave it out rather than give none of it').max(200));
export type FertiliserPlan = z.infer<typeof FertiliserPlan>;

export const FERTILISER_META: Readonly<Record<Fertiliser, { name: string; unit: string; usual: number; gives: string }>> = {
  'all-round': {
    name: 'All-round',
    unit: 'mg/L nitrate a week',
    usual: 5,
    gives: 'nitrate, a tenth of it phosphate, as much potassium, a hundredth of iron',
  },
  nitrogen: { name: 'Nitrogen', unit: 'mg/L nitrate a week', usual: 10, gives: 'potassium nitrate' },
  phosphorus: { name: 'Phosphorus', unit: 'mg/L phosphate a week', usual: 1, gives: 'potassium phosphate' },
  potassium: { name: 'Potassium', unit: 'mg/L potassium a week', usual: 10, gives: 'potassium sulphate' },
  iron: { name: 'Iron and traces', unit: 'mg/L iron a week', usual: 0.2, gives: 'chelated metals' },
  carbon: { name: 'Liquid carbon', unit: 'mL to 100 L a day', usual: 1, gives: 'an aldehyde: hard on mosses and thin leaves' },
  capsules: { name: 'Root capsules', unit: 'a month', usual: 6, gives: 'food in the bed, where root feeders stand' },
};

const NITRATE = 62.005;
const PHOSPHATE = 94.97;
const POTASSIUM = 39.098;
const N_MASS = 14.007;
const P_MASS = 30.974;

/** What a week's plan brings into so many litres: salts of potassium, so that charges stay even. */
export function weeklyDose(
  plan: FertiliserPlan,
  litres: number,
): { potassiumMmol: number; sulfateMmol: number; nitrateMgN: number; phosphateMgP: number } | null {
  const all = plan['all-round'] ?? 0;
  const nitrate = ((all + (plan.nitrogen ?? 0)) / NITRATE) * litres;
  const phosphate = ((all / 10 + (plan.phosphorus ?? 0)) / PHOSPHATE) * litres;
  const more = ((plan.potassium ?? 0) / POTASSIUM) * litres;
  if (nitrate + phosphate + more <= 0) return null;
  return {
    potassiumMmol: nitrate + phosphate + more,
    sulfateMmol: more / 2,
    nitrateMgN: nitrate * N_MASS,
    phosphateMgP: phosphate * P_MASS,
  };
}

/** Genera that liquid carbon harms. Common practice: ribbons, water thymes, mosses and liverworts go glassy. */
const HARMED = new Set([
  'Vallisneria',
  'Egeria',
  'Elodea',
  'Hydrilla',
  'Riccia',
  'Fissidens',
  'Monosolenium',
  'Riccardia',
  'Ceratophyllum',
  'Cabomba',
]);
export const harmedByCarbon = (latin: string): boolean => HARMED.has(latin.split(' ')[0]!);
