import Papa from 'papaparse';
import { FORMULA } from '../quantity/spreadsheet';
import { LOGGED_PARAMETERS } from '../reading/parameter';
import { SCORED, type Entry } from './model';

/** Fields of entries that are columns of their own, beside what was read and scored. */
const FIELDS = [
  'kit',
  'kitId',
  'from',
  'simulated',
  'of',
  'what',
  'amount',
  'unit',
  'grams',
  'left',
  'litres',
  'fraction',
  'became',
  'organismId',
  'count',
  'cause',
  'phase',
  'ate',
  'photoId',
  'taskId',
  'title',
  'how',
  'days',
] as const;

/** The columns of a log as a table, in order. */
export const LOG_COLUMNS = ['at', 'kind', ...LOGGED_PARAMETERS, ...FIELDS, ...SCORED, 'note', 'id', 'corrects', 'written'] as const;
export type LogColumn = (typeof LOG_COLUMNS)[number];

/**
 * A log as a table, a row an entry, corrections too: what it says can be read back to the same entries. Canonical units, as the columns are
 * called: °C, degrees of hardness, µS/cm at 25 °C, mg/L.
 */
export function logCsv(entries: readonly Entry[]): string {
  const rows = entries.map((entry) => {
    const flat: Record<string, unknown> = { ...entry };
    if (entry.kind === 'reading') Object.assign(flat, entry.values);
    if (entry.kind === 'behaviour') Object.assign(flat, entry.scores);
    return LOG_COLUMNS.map((column) => cell(flat[column]));
  });
  return Papa.unparse({ fields: [...LOG_COLUMNS], data: rows }, { newline: '\n', escapeFormulae: FORMULA });
}

function cell(value: unknown): string | number {
  if (value === null || value === undefined) return '';
  if (typeof value === 'number') return value;
  return typeof value === 'string' ? value : String(value);
}
