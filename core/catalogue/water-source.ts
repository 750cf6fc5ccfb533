import * as z from 'zod';
import { factOf } from '../quantity/fact';
import { Id } from './organism';

const Reading = (max: number) => factOf(z.number().min(0).max(max));

export const WaterKind = z.enum(['tap', 'well', 'ro', 'rain', 'sea']);
export type WaterKind = z.infer<typeof WaterKind>;

/** What a laboratory may name beside hardness, alkalinity and conductivity. */
export const Analyte = z.enum([
  'calcium',
  'magnesium',
  'sodium',
  'potassium',
  'chloride',
  'sulfate',
  'nitrate',
  'phosphate',
  'silicon',
  'iron',
  'copper',
  'organicCarbon',
  'chlorine',
]);
export type Analyte = z.infer<typeof Analyte>;

/** How each is written, and as what its milligrams are counted. */
export const ANALYTE_META: Readonly<Record<Analyte, { name: string; symbol: string; molarMass: number }>> = {
  calcium: { name: 'Calcium', symbol: 'Ca²⁺', molarMass: 40.078 },
  magnesium: { name: 'Magnesium', symbol: 'Mg²⁺', molarMass: 24.305 },
  sodium: { name: 'Sodium', symbol: 'Na⁺', molarMass: 22.99 },
  potassium: { name: 'Potassium', symbol: 'K⁺', molarMass: 39.098 },
  chloride: { name: 'Chloride', symbol: 'Cl⁻', molarMass: 35.45 },
  sulfate: { name: 'Sulfate', symbol: 'SO₄²⁻', molarMass: 96.056 },
  nitrate: { name: 'Nitrate', symbol: 'NO₃⁻', molarMass: 62.004 },
  phosphate: { name: 'Phosphate', symbol: 'PO₄', molarMass: 94.97 },
  silicon: { name: 'Silicon', symbol: 'Si', molarMass: 28.085 },
  iron: { name: 'Iron', symbol: 'Fe', molarMass: 55.845 },
  copper: { name: 'Copper', symbol: 'Cu', molarMass: 63.546 },
  organicCarbon: { name: 'Organic carbon', symbol: 'C', molarMass: 12.011 },
  chlorine: { name: 'Chlorine, free and bound', symbol: 'Cl₂', molarMass: 70.9 },
};

/** What is known of a water as it comes. pH is that of the water as delivered, before it meets the room's air. */
export const waterReadings = {
  kind: WaterKind,
  ghDh: Reading(500),
  khDh: Reading(60),
  ph: factOf(z.number().min(2).max(12)),
  ec25UsPerCm: Reading(80000),
  salinity: Reading(60),
  temperatureC: factOf(z.number().min(-2).max(60)),
  disinfectant: factOf(z.enum(['none', 'chlorine', 'chloramine'])),
  /** Single substances, milligrams a litre; what is not named is not known. */
  analysisMgPerL: z.partialRecord(Analyte, Reading(50000)),
};

/** A class of source water, generic. */
export const WaterType = z.strictObject({ id: Id, name: z.string().min(1), note: z.string().min(1), ...waterReadings });
export type WaterType = z.infer<typeof WaterType>;
