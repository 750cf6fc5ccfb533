/**
 * Units and conversions. Every kind of quantity has one canonical unit, the one documents store.
 * Conversions are affine (scale and offset) and exact to floating point, so they round-trip.
 *
 * Sources: inch, foot, pound and gallons are exact by definition. 1 German degree = 10 mg CaO per litre;
 * molar masses CaO 56.077 and CaCO3 100.087 g/mol from IUPAC conventional atomic weights.
 */
const MOLAR_MASS_CAO = 56.077;
const MOLAR_MASS_CACO3 = 100.087;

/** Ca + Mg in one German degree of hardness, mmol/L (0.178326). */
export const MMOL_PER_DEGREE_HARDNESS = 10 / MOLAR_MASS_CAO;
/** Alkalinity in one degree of carbonate hardness, meq/L (0.356652). */
export const MEQ_PER_DEGREE_ALKALINITY = (2 * 10) / MOLAR_MASS_CAO;

export type QuantityKind =
  | 'length'
  | 'volume'
  | 'mass'
  | 'temperature'
  | 'temperatureStep'
  | 'hardness'
  | 'alkalinity'
  | 'conductivity'
  | 'salinity'
  | 'ph'
  | 'fraction'
  | 'power'
  | 'hours'
  | 'pressure'
  | 'volumePerDay'
  | 'concentration'
  | 'angle'
  | 'number'
  | 'count';

export interface Unit {
  /** Spellings accepted on input; the first one is shown. */
  names: readonly [string, ...string[]];
  /** canonical = value * scale + offset */
  scale: number;
  offset?: number;
}

/** The units of each kind; the first unit is the canonical one. */
export const UNITS: Readonly<Record<QuantityKind, readonly [Unit, ...Unit[]]>> = {
  length: [
    { names: ['mm', 'millimetre', 'millimeter'], scale: 1 },
    { names: ['cm', 'centimetre', 'centimeter'], scale: 10 },
    { names: ['m', 'metre', 'meter'], scale: 1000 },
    { names: ['in', 'inch', 'inches', '"', '″'], scale: 25.4 },
    { names: ['ft', 'foot', 'feet', "'", '′'], scale: 304.8 },
  ],
  volume: [
    { names: ['L', 'litre', 'liter', 'litres', 'liters'], scale: 1 },
    { names: ['mL', 'millilitre', 'milliliter'], scale: 0.001 },
    { names: ['gal', 'US gal', 'gallon', 'gallons'], scale: 3.785411784 },
    { names: ['imp gal', 'UK gal'], scale: 4.54609 },
  ],
  mass: [
    { names: ['g', 'gram', 'grams'], scale: 1 },
    { names: ['kg'], scale: 1000 },
    { names: ['lb', 'lbs', 'pound', 'pounds'], scale: 453.59237 },
    { names: ['oz'], scale: 28.349523125 },
  ],
  temperature: [
    { names: ['°C', 'C', 'degC', 'celsius'], scale: 1 },
    { names: ['°F', 'F', 'degF', 'fahrenheit'], scale: 1 / 1.8, offset: -32 / 1.8 },
  ],
  temperatureStep: [
    { names: ['°C', 'C', 'degC', 'K'], scale: 1 },
    { names: ['°F', 'F', 'degF'], scale: 1 / 1.8 },
  ],
  hardness: [
    { names: ['dGH', '°dH', 'dH', 'dKH', 'degGH', 'GH'], scale: 1 },
    { names: ['mg/L CaCO3', 'ppm CaCO3', 'ppm', 'mg/L'], scale: MOLAR_MASS_CAO / MOLAR_MASS_CACO3 / 10 },
    { names: ['mmol/L', 'mmol'], scale: 1 / MMOL_PER_DEGREE_HARDNESS },
    { names: ['meq/L', 'meq'], scale: 0.5 / MMOL_PER_DEGREE_HARDNESS },
    { names: ['°fH', 'fH'], scale: MOLAR_MASS_CAO / MOLAR_MASS_CACO3 },
    { names: ['gr/gal', 'gpg'], scale: ((64.79891 / 3.785411784) * MOLAR_MASS_CAO) / MOLAR_MASS_CACO3 / 10 },
    { names: ['°e', 'Clark'], scale: ((64.79891 / 4.54609) * MOLAR_MASS_CAO) / MOLAR_MASS_CACO3 / 10 },
  ],
  alkalinity: [
    { names: ['dKH', '°dH', 'dH', 'degKH', 'KH'], scale: 1 },
    { names: ['mg/L CaCO3', 'ppm CaCO3', 'ppm', 'mg/L'], scale: MOLAR_MASS_CAO / MOLAR_MASS_CACO3 / 10 },
    { names: ['meq/L', 'meq', 'mmol/L HCO3'], scale: 1 / MEQ_PER_DEGREE_ALKALINITY },
    { names: ['mg/L HCO3'], scale: 1 / (61.016 * MEQ_PER_DEGREE_ALKALINITY) },
  ],
  conductivity: [
    { names: ['µS/cm', 'uS/cm', 'uS', 'µS', 'μS/cm', 'μS'], scale: 1 },
    { names: ['mS/cm', 'mS'], scale: 1000 },
  ],
  salinity: [{ names: ['ppt', 'psu', 'g/kg', '‰'], scale: 1 }],
  ph: [{ names: ['', 'pH'], scale: 1 }],
  fraction: [
    { names: ['', 'of 1'], scale: 1 },
    { names: ['%'], scale: 0.01 },
  ],
  power: [
    { names: ['W', 'watt', 'watts'], scale: 1 },
    { names: ['kW'], scale: 1000 },
  ],
  hours: [
    { names: ['h', 'hour', 'hours'], scale: 1 },
    { names: ['min', 'minutes'], scale: 1 / 60 },
    { names: ['days', 'day', 'd'], scale: 24 },
  ],
  pressure: [
    { names: ['kPa'], scale: 1 },
    { names: ['lb/ft²', 'psf'], scale: 0.04788025898 },
  ],
  volumePerDay: [
    { names: ['L/day'], scale: 1 },
    { names: ['gal/day'], scale: 3.785411784 },
  ],
  concentration: [
    { names: ['mg/L', 'ppm'], scale: 1 },
    { names: ['µg/L', 'ug/L', 'μg/L', 'ppb'], scale: 0.001 },
    { names: ['g/L'], scale: 1000 },
  ],
  angle: [{ names: ['°', 'deg', 'degrees'], scale: 1 }],
  number: [{ names: [''], scale: 1 }],
  count: [{ names: [''], scale: 1 }],
};

/**
 * The unit of a kind with this spelling. Exact spelling first, then any case, so that "mS" and "MS" stay apart from "ms" only where it matters.
 * @returns undefined when no unit of the kind is spelled so
 */
export function findUnit(kind: QuantityKind, name: string): Unit | undefined {
  const spelled = name.trim();
  const folded = spelled.toLowerCase();
  return (
    UNITS[kind].find((unit) => unit.names.includes(spelled)) ??
    UNITS[kind].find((unit) => unit.names.some((candidate) => candidate.toLowerCase() === folded))
  );
}

function unitOrThrow(kind: QuantityKind, name: string): Unit {
  const unit = findUnit(kind, name);
  if (!unit) throw new RangeError(`"${name}" is not a unit of ${kind}`);
  return unit;
}

/** A value in a named unit -> the canonical unit of its kind. @throws RangeError on a foreign unit */
export function toCanonical(kind: QuantityKind, value: number, unitName: string): number {
  const unit = unitOrThrow(kind, unitName);
  return value * unit.scale + (unit.offset ?? 0);
}

/** A canonical value -> a named unit. @throws RangeError on a foreign unit */
export function fromCanonical(kind: QuantityKind, value: number, unitName: string): number {
  const unit = unitOrThrow(kind, unitName);
  return (value - (unit.offset ?? 0)) / unit.scale;
}

/** A value from one unit to another of the same kind. @throws RangeError on a foreign unit */
export function convert(kind: QuantityKind, value: number, from: string, to: string): number {
  return fromCanonical(kind, toCanonical(kind, value, from), to);
}
