import type { DecimalMark } from './number';
import { fromCanonical, toCanonical, type QuantityKind } from './unit';

/** The unit shown for each kind that has a choice; the others have one unit everywhere. */
export interface UnitChoice {
  length: 'mm' | 'cm' | 'in';
  volume: 'L' | 'gal';
  mass: 'kg' | 'lb';
  temperature: '°C' | '°F';
  /** Conductivity itself, or shown as TDS with this factor. */
  conductivity: 'µS/cm' | { tdsFactor: number };
  /** What stands before the decimals. */
  decimal: DecimalMark;
}

export const METRIC: UnitChoice = { length: 'cm', volume: 'L', mass: 'kg', temperature: '°C', conductivity: 'µS/cm', decimal: '.' };
export const US: UnitChoice = { length: 'in', volume: 'gal', mass: 'lb', temperature: '°F', conductivity: 'µS/cm', decimal: '.' };

/** The unit name of a kind under a choice, and the decimals that are worth showing. */
export function unitOf(kind: QuantityKind, choice: UnitChoice): { unit: string; decimals: number } {
  switch (kind) {
    case 'length':
      return { unit: choice.length, decimals: choice.length === 'mm' ? 0 : 1 };
    case 'volume':
      return { unit: choice.volume, decimals: 1 };
    case 'temperature':
      return { unit: choice.temperature, decimals: 1 };
    case 'temperatureStep':
      return { unit: choice.temperature, decimals: 1 };
    case 'hardness':
      return { unit: 'dGH', decimals: 1 };
    case 'alkalinity':
      return { unit: 'dKH', decimals: 1 };
    case 'conductivity':
      return { unit: choice.conductivity === 'µS/cm' ? 'µS/cm' : `ppm ×${choice.conductivity.tdsFactor}`, decimals: 0 };
    case 'salinity':
      return { unit: 'ppt', decimals: 1 };
    case 'mass':
      return { unit: choice.mass, decimals: 1 };
    case 'power':
      return { unit: 'W', decimals: 0 };
    case 'hours':
      return { unit: 'h', decimals: 0 };
    case 'pressure':
      return { unit: choice.mass === 'kg' ? 'kPa' : 'lb/ft²', decimals: choice.mass === 'kg' ? 1 : 0 };
    case 'volumePerDay':
      return { unit: choice.volume === 'L' ? 'L/day' : 'gal/day', decimals: 2 };
    case 'ph':
      return { unit: '', decimals: 1 };
    case 'fraction':
      return { unit: '%', decimals: 0 };
    case 'concentration':
      return { unit: 'mg/L', decimals: 2 };
    case 'angle':
      return { unit: '°', decimals: 0 };
    case 'number':
      return { unit: '', decimals: 2 };
    case 'count':
      return { unit: '', decimals: 0 };
  }
}

/** A canonical value in the chosen unit, as a number. */
export function inChosenUnit(kind: QuantityKind, value: number, choice: UnitChoice): number {
  if (kind === 'conductivity') return choice.conductivity === 'µS/cm' ? value : value * choice.conductivity.tdsFactor;
  return fromCanonical(kind, value, unitOf(kind, choice).unit);
}

/** "22.5 °C": rounded for reading, trailing zeros dropped. Small values keep one significant digit. */
export function formatQuantity(kind: QuantityKind, value: number, choice: UnitChoice): string {
  const { unit } = unitOf(kind, choice);
  return `${formatNumber(kind, value, choice)}${unit === '°' ? '' : ' '}${unit}`.trim();
}

/** The number of formatQuantity without its unit. */
export function formatNumber(kind: QuantityKind, value: number, choice: UnitChoice): string {
  const shown = inChosenUnit(kind, value, choice);
  const decimals = kind === 'concentration' && Math.abs(shown) >= 10 ? 1 : unitOf(kind, choice).decimals;
  const isSmall = Math.abs(shown) < 10 ** -decimals && Math.abs(shown) > 1.5e-9;
  return written(Number(isSmall ? shown.toPrecision(1) : shown.toFixed(decimals)), choice);
}

/** A number as it is written: its own decimals, the mark that was chosen, and a minus sign that is one. */
export function written(value: number, { decimal }: Pick<UnitChoice, 'decimal'>): string {
  return String(value).replace('-', '−').replace('.', decimal);
}

/** With so many decimals at most. */
export function rounded(value: number, decimals: number, choice: Pick<UnitChoice, 'decimal'>): string {
  return written(Number(value.toFixed(decimals)), choice);
}

/** "20–24 °C"; one number when both ends read alike. */
export function formatSpan(kind: QuantityKind, span: readonly [number, number], choice: UnitChoice): string {
  const [low, high] = [formatNumber(kind, span[0], choice), formatNumber(kind, span[1], choice)];
  return `${low === high ? low : `${low}–${high}`} ${unitOf(kind, choice).unit}`.trim();
}

/** A number in the chosen unit back to the canonical one. */
export function fromChosen(kind: Exclude<QuantityKind, 'conductivity'>, value: number, choice: UnitChoice): number {
  return toCanonical(kind, value, unitOf(kind, choice).unit);
}
