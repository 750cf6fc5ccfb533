import { unitOf, type UnitChoice } from './format';
import { NUMBER_AT_START, readTyped, type DecimalMark } from './number';
import { salinityFromSpecificGravity } from './seawater';
import { UNITS, findUnit, type QuantityKind } from './unit';

export type Parsed = { ok: true; value: number } | { ok: false; reason: string };

/** What a person may type for each kind, canonical units. Wider than any sane tank, narrow enough to catch a slip of unit. */
export const INPUT_LIMITS: Readonly<Record<QuantityKind, readonly [number, number]>> = {
  length: [1, 5000],
  volume: [0, 20000],
  mass: [0, 5e6],
  temperature: [-5, 45],
  temperatureStep: [0, 30],
  hardness: [0, 500],
  alkalinity: [0, 60],
  conductivity: [0, 100000],
  salinity: [0, 60],
  ph: [2, 12],
  fraction: [0, 1],
  power: [0, 5000],
  hours: [0, 100000],
  pressure: [0, 1000],
  volumePerDay: [0, 5000],
  concentration: [0, 60000],
  angle: [-360, 360],
  number: [-1e6, 1e6],
  count: [0, 100000],
};

const MIXED = /^([+\-−]?\d+)\s+(\d+)\s*\/\s*(\d+)\s*(.*)$/i;
const FRACTION = /^([+\-−]?\d+)\s*\/\s*(\d+)\s*(.*)$/i;

type Read = { value: number; rest: string } | { reason: string };

function numberAndRest(text: string, mark: DecimalMark): Read | null {
  const signed = text.replace(/^−/, '-');
  const mixed = MIXED.exec(signed);
  if (mixed) {
    const whole = Number(mixed[1]);
    const part = Number(mixed[2]) / Number(mixed[3]);
    return { value: whole < 0 ? whole - part : whole + part, rest: mixed[4] ?? '' };
  }
  const fraction = FRACTION.exec(signed);
  if (fraction) return { value: Number(fraction[1]) / Number(fraction[2]), rest: fraction[3] ?? '' };
  const [start] = NUMBER_AT_START.exec(text) ?? [];
  if (start === undefined) return null;
  const read = readTyped(start, mark);
  if (read.ok) return { value: read.value, rest: text.slice(start.length) };
  return read.ambiguous ? { reason: read.reason } : null;
}

/** "1.026 SG" as a hydrometer for 25 degC reads it at 25 degC. */
function fromSpecificGravity(gravity: number): Parsed {
  const salinity = salinityFromSpecificGravity(gravity, 25, 25);
  return salinity === null
    ? { ok: false, reason: 'A specific gravity of sea water lies between 1.000 and 1.032.' }
    : { ok: true, value: salinity };
}

function show(value: number): string {
  return String(Number(value.toPrecision(4)));
}

/**
 * Reads what a person typed: "60", "60 cm", "23 5/8 in", "78 F", "20 gal", "1,5". A decimal comma is a decimal point.
 *
 * @param text the input
 * @param kind what is being asked for
 * @param defaultUnit the unit meant when none is typed (default: the canonical one)
 * @param limits accepted canonical span (default: INPUT_LIMITS of the kind)
 * @param mark the decimal mark that is shown; either is taken where it can mean one thing only
 * @returns the canonical value, or a reason to show beside the field. Never NaN or Infinity.
 */
export function parseQuantity(
  text: string,
  kind: QuantityKind,
  defaultUnit: string = UNITS[kind][0].names[0],
  limits: readonly [number, number] = INPUT_LIMITS[kind],
  mark: DecimalMark = '.',
): Parsed {
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, reason: 'Type a number.' };
  const read = numberAndRest(trimmed, mark);
  if (read && 'reason' in read) return { ok: false, reason: read.reason };
  if (!read || !Number.isFinite(read.value)) return { ok: false, reason: `“${trimmed.slice(0, 24)}” does not start with a number.` };
  const unitName = read.rest.trim() || defaultUnit;
  if (kind === 'salinity' && /^sg$/i.test(unitName)) return fromSpecificGravity(read.value);
  const unit = findUnit(kind, unitName);
  if (!unit) {
    const known = UNITS[kind].map((u) => u.names[0]).filter(Boolean);
    const hint = known.length > 0 ? ` Use ${known.join(', ')}.` : ' A plain number is wanted here.';
    return { ok: false, reason: `“${unitName.slice(0, 16)}” is not a unit of ${kind}.${hint}` };
  }
  const value = read.value * unit.scale + (unit.offset ?? 0);
  const [low, high] = limits;
  if (kind === 'count' && !Number.isInteger(value)) return { ok: false, reason: 'Whole animals only.' };
  if (!(value >= low && value <= high)) {
    const edge = (v: number) => `${show((v - (unit.offset ?? 0)) / unit.scale)} ${unit.names[0]}`.trim();
    return { ok: false, reason: `Must be between ${edge(low)} and ${edge(high)}.` };
  }
  return { ok: true, value };
}

/**
 * Reads what a person typed into a field that shows a choice of units: what is shown can be typed back, unit and all. A bare number is in the
 * unit shown; conductivity shown as TDS takes both.
 *
 * @param inUnit a unit that the field shows instead of the chosen one
 */
export function parseShown(
  text: string,
  kind: QuantityKind,
  choice: UnitChoice,
  limits: readonly [number, number] = INPUT_LIMITS[kind],
  inUnit: string | null = null,
): Parsed {
  const { unit } = unitOf(kind, choice);
  if (kind === 'conductivity' && choice.conductivity !== 'µS/cm') {
    const { tdsFactor } = choice.conductivity;
    const bare = text.trim().replace(/\s*(ppm|mg\/L)(\s*[×x]\s*[\d.]+)?$/i, '');
    if (/[a-zµμ]/i.test(bare.replace(/e[+\-−]?\d+$/i, ''))) return parseQuantity(text, kind, 'µS/cm', limits, choice.decimal);
    const parsed = parseQuantity(bare, kind, 'µS/cm', [limits[0] * tdsFactor, limits[1] * tdsFactor], choice.decimal);
    return parsed.ok ? { ok: true, value: parsed.value / tdsFactor } : { ok: false, reason: parsed.reason.replaceAll('µS/cm', unit) };
  }
  return parseQuantity(text, kind, inUnit ?? unit, limits, choice.decimal);
}
