import * as z from 'zod';
import type { QuantityKind } from '../quantity/unit';

/** What a keeper reads off in the tank and the plan is judged by. */
export const READ_PARAMETERS = ['temperatureC', 'ph', 'ghDh', 'khDh', 'ec25UsPerCm', 'salinity', 'nitrateMgPerL'] as const;
export const ReadParameter = z.enum(READ_PARAMETERS);
export type ReadParameter = z.infer<typeof ReadParameter>;

/** All that is read off and written down; ammonia and nitrite as nitrogen, the level from the bottom of the tank. */
export const LOGGED_PARAMETERS = [
  ...READ_PARAMETERS,
  'ammoniaMgNPerL',
  'nitriteMgNPerL',
  'phosphateMgPerL',
  'oxygenMgPerL',
  'copperMgPerL',
  'ironMgPerL',
  'levelMm',
] as const;
export const LoggedParameter = z.enum(LOGGED_PARAMETERS);
export type LoggedParameter = z.infer<typeof LoggedParameter>;

export interface ParameterMeta {
  name: string;
  kind: QuantityKind;
  /** Values that a reading can have at all. */
  canBe: readonly [low: number, high: number];
}

export const PARAMETER_META: Readonly<Record<LoggedParameter, ParameterMeta>> = {
  temperatureC: { name: 'Temperature', kind: 'temperature', canBe: [-2, 45] },
  ph: { name: 'pH', kind: 'ph', canBe: [2.5, 11] },
  ghDh: { name: 'GH', kind: 'hardness', canBe: [0, 600] },
  khDh: { name: 'KH', kind: 'alkalinity', canBe: [0, 60] },
  ec25UsPerCm: { name: 'EC', kind: 'conductivity', canBe: [0, 80_000] },
  salinity: { name: 'Salinity', kind: 'salinity', canBe: [0, 60] },
  nitrateMgPerL: { name: 'Nitrate', kind: 'concentration', canBe: [0, 1000] },
  ammoniaMgNPerL: { name: 'Ammonia, as N', kind: 'concentration', canBe: [0, 50] },
  nitriteMgNPerL: { name: 'Nitrite, as N', kind: 'concentration', canBe: [0, 50] },
  phosphateMgPerL: { name: 'Phosphate', kind: 'concentration', canBe: [0, 100] },
  oxygenMgPerL: { name: 'Oxygen', kind: 'concentration', canBe: [0, 30] },
  copperMgPerL: { name: 'Copper', kind: 'concentration', canBe: [0, 20] },
  ironMgPerL: { name: 'Iron', kind: 'concentration', canBe: [0, 20] },
  levelMm: { name: 'Water level', kind: 'length', canBe: [0, 5000] },
};

/** Kits read ammonia and nitrite as the ion and log them as nitrogen: so much of the ion's mass is that. */
export const N_OF_ION = {
  ammoniaMgNPerL: 14.007 / 18.038,
  nitriteMgNPerL: 14.007 / 46.005,
} as const satisfies Partial<Record<LoggedParameter, number>>;

/** Why a value cannot be one; null when it can. */
export function valueFault(parameter: LoggedParameter, value: number): string | null {
  const [low, high] = PARAMETER_META[parameter].canBe;
  return Number.isFinite(value) && value >= low && value <= high ? null : `${value} lies outside ${low} to ${high}: no water reads so`;
}
