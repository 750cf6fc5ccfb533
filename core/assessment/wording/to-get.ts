import papaparse from 'papaparse';
import { FORMULA } from '../../quantity/spreadsheet';
import { formatQuantity, rounded, type UnitChoice } from '../../quantity/format';
import type { GetGroup, ToGet } from '../plan/to-get';
import { plain } from './words';

export const GET_GROUP_WORD: Readonly<Record<GetGroup, string>> = {
  vessel: 'Vessel',
  bed: 'Bed',
  hardscape: 'Stones, wood, hides',
  plants: 'Plants',
  gear: 'Gear',
  water: 'Water and what goes into it',
  animals: 'Animals',
  work: 'For the work',
};

/** An amount in the measure of a thing, with its unit. */
export function wordAmount(value: number, measure: ToGet['measure'], units: UnitChoice): string {
  if (measure === 'count') return `${rounded(value, 0, units)}`;
  if (measure === 'volume') return formatQuantity('volume', value, units);
  return value < 1000 ? `${Number(value.toPrecision(2))} g` : formatQuantity('mass', value, units);
}

/** How it is bought: its packs, or so many; “nothing” where nothing is to be got. */
export function wordGet(row: ToGet, units: UnitChoice): string {
  if (row.get <= 0) return 'nothing';
  if (row.group === 'plants')
    return (
      row.note
        .split('; ')
        .filter((part) => !/at hand| from /.test(part))
        .join('; ') + (row.spare > 0 ? ` and ${row.spare} over` : '')
    );
  const [only] = row.packs;
  if (!only || (row.packs.length === 1 && (only.size === 1 || only.count === 1))) return wordAmount(row.get, row.measure, units);
  const inGrams = row.measure === 'mass' && row.get < 1000 * row.packs.reduce((sum, { size, count }) => sum + size * count, 0) - 1e-6;
  const sized = (size: number) => wordAmount(row.measure === 'mass' && !inGrams ? 1000 * size : size, row.measure, units);
  const packs = row.packs.map(({ size, count }) => `${count} × ${sized(size)}`.replaceAll(' ', '\u00a0')).join(' + ');
  return `${wordAmount(row.get, row.measure, units)}: ${packs}`;
}

const UNIT: Readonly<Record<ToGet['measure'], string>> = { count: 'pieces', volume: 'L', mass: 'g' };
const two = (value: number): number => Math.round(value * 100) / 100;

/** The list as CSV, safe to open in a spreadsheet: litres, grams and pieces. */
export function toGetCsv(rows: readonly ToGet[]): string {
  return `${papaparse.unparse(
    rows.map((row) => ({
      Group: GET_GROUP_WORD[row.group],
      Thing: plain(row.name),
      Unit: UNIT[row.measure],
      'As drawn': two(row.needs),
      'At hand': two(row.atHand),
      Borrowed: two(row.borrowed.reduce((sum, { amount }) => sum + amount, 0)),
      'Borrowed from': row.borrowed.map(({ from }) => from).join('; '),
      Spare: two(row.spare),
      'To get': row.group === 'plants' ? row.get : two(row.get),
      Packs: row.packs.map(({ size, count }) => `${count} x ${size}`).join(' + '),
      'To carry, kg': row.carryKg === null ? '' : two(row.carryKg),
      'To carry, L': row.carryL === null ? '' : two(row.carryL),
      'Price of one (piece, L, kg)': row.price?.each ?? '',
      From: row.price?.from ?? '',
      Cost: row.cost === null ? '' : two(row.cost),
      Note: row.note,
    })),
    { newline: '\n', escapeFormulae: FORMULA },
  )}\n`;
}
