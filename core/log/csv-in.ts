import Papa from 'papaparse';
import { decimalMarkOf, readNumber, type DecimalMark } from '../quantity/number';
import { unmarked } from '../quantity/spreadsheet';
import { toCanonical, UNITS } from '../quantity/unit';
import type { Kit } from '../reading/doubt';
import { LOGGED_PARAMETERS, N_OF_ION, PARAMETER_META, valueFault, type LoggedParameter } from '../reading/parameter';
import { LOG_COLUMNS } from './csv-out';
import { Entry, instantAt, SCORED, type ReadingEntry } from './model';

/** A table as it came, and where its rows stand in the file. */
export interface LogTable {
  header: string[];
  rows: { line: number; cells: string[] }[];
  /** The mark of decimals, where the numbers or what parts the columns tell it. */
  mark: DecimalMark | null;
}

/** Most characters of a table that are looked at: some 50 000 rows of a logger with ten columns. */
export const MOST_CSV_CHARACTERS = 20_000_000;

export type TableRead = { ok: true; table: LogTable } | { ok: false; reason: string };

/** A file of readings as a table with a header; nothing is decided of it yet. */
export function readLogTable(text: string): TableRead {
  if (text.length > MOST_CSV_CHARACTERS) return { ok: false, reason: `The file is longer than ${MOST_CSV_CHARACTERS / 1e6} MB: split it.` };
  const body = text.replace(/^\uFEFF/, '');
  if (body.trim() === '') return { ok: false, reason: 'The file is empty.' };
  const rows: LogTable['rows'] = [];
  let [line, at, delimiter] = [1, 0, ','];
  Papa.parse<string[]>(body, {
    step: ({ data, meta }) => {
      delimiter = meta.delimiter;
      if (data.some((one) => one.trim() !== '')) rows.push({ line, cells: data.map((one) => one.trim()) });
      for (let i = body.indexOf('\n', at); i >= 0 && i < meta.cursor; i = body.indexOf('\n', i + 1)) line += 1;
      at = meta.cursor;
    },
  });
  const head = rows.findIndex(({ cells }) => cells.filter((one) => one !== '').length >= 2);
  const header = head < 0 ? undefined : rows[head]!.cells;
  if (!header) return { ok: false, reason: 'No line holds two columns. A log is a table: a date, and what was read.' };
  const data = rows.slice(head + 1);
  if (data.length === 0) return { ok: false, reason: 'There is a heading and no row under it.' };
  const numbers = data.slice(0, 400).flatMap(({ cells }) => cells.filter((one) => /^[+\-−]?\d+[.,]\d+$/.test(one)));
  return { ok: true, table: { header, rows: data, mark: decimalMarkOf(numbers) ?? (delimiter === ';' ? ',' : null) } };
}

/** How a day is written: year, month, day; or the other ways round. */
export type DateOrder = 'ymd' | 'dmy' | 'mdy';

/** What a column is taken for. */
export interface ColumnMap {
  column: number;
  parameter: LoggedParameter;
  /** A unit of the parameter's kind, or “ion” for ammonia and nitrite that were read as the ion. */
  unit: string;
}

/** How a table is read: guessed at first, and put right by whoever knows it. */
export interface LogMapping {
  date: number;
  /** Null where the time stands with the date, or nowhere. */
  time: number | null;
  order: DateOrder;
  values: ColumnMap[];
  note: number | null;
  kit: Kit;
}

const DATE_NAMES = /^(date|day|when|datetime|date.?time|timestamp|at|datum|tag|fecha|zeit(stempel|punkt)?|measured.?(at|on))$/i;
const TIME_NAMES = /^(time|clock|hour|uhrzeit|heure|hora)$/i;
const NOTE_NAMES = /^(notes?|remarks?|comments?|bemerkung(en)?|notiz(en)?)$/i;
/** What a parameter goes by in tables of keepers and loggers. */
const PARAMETER_NAMES: readonly (readonly [LoggedParameter, RegExp])[] = [
  ['temperatureC', /^(temp(erature)?|water.?temp(erature)?|temperatur|t)$/i],
  ['ph', /^ph([ _-]?value)?$/i],
  ['ghDh', /^(d?gh|general.?hardness|total.?hardness|hardness|gesamth[aä]rte)$/i],
  ['khDh', /^(d?kh|alk(alinity)?|carbonate.?hardness|karbonath[aä]rte)$/i],
  ['ec25UsPerCm', /^(ec|ec25|conductivity|cond|tds|leitf[aä]higkeit|leitwert)$/i],
  ['salinity', /^(sal(inity)?|sg|specific.?gravity)$/i],
  ['nitrateMgPerL', /^(no3-?|nitrates?|nitrat)$/i],
  ['nitriteMgNPerL', /^(no2-?|nitrites?|nitrit|no2-n|nitrite.?n)$/i],
  ['ammoniaMgNPerL', /^(nh[34]\+?|nh3.?nh4|tan|ammoni(a|um)|ammoniak|total.?ammonia|nh4-n|ammonia.?n)$/i],
  ['phosphateMgPerL', /^(po4|phosphates?|phosphat)$/i],
  ['oxygenMgPerL', /^(o2|oxygen|do|dissolved.?oxygen|sauerstoff)$/i],
  ['copperMgPerL', /^(cu|copper|kupfer)$/i],
  ['ironMgPerL', /^(fe|iron|eisen)$/i],
  ['levelMm', /^(level|water.?level|depth|pegel)$/i],
];

/** A heading without its unit, and the unit: “Temp (°F)”, “nitrate mg/L”. */
function partsOf(heading: string): { name: string; unit: string } {
  const bracketed = /^(.*?)[\s_]*[([](.*)[)\]]\s*$/.exec(heading);
  if (bracketed) return { name: bracketed[1]!.trim(), unit: bracketed[2]!.trim() };
  const after = /^(.*?)[\s_,]+(°?[CF]|mg\/L|ppm|ppt|psu|µS\/cm|uS\/cm|mS\/cm|dGH|dKH|°dH|cm|mm|in)$/i.exec(heading);
  return after ? { name: after[1]!.trim(), unit: after[2]!.trim() } : { name: heading.trim(), unit: '' };
}

/** What a column of a parameter is most likely given in, by its heading and by its values. */
function unitGuess(parameter: LoggedParameter, name: string, unit: string, values: readonly number[]): string {
  const { kind } = PARAMETER_META[parameter];
  const middle = [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
  if (parameter in N_OF_ION) return /(-n\b|as n\b|.n$)/i.test(`${name} ${unit}`) && !/^(nh[34]|no2)$/i.test(name) ? 'mg/L' : 'ion';
  if (kind === 'temperature') return /f/i.test(unit) || (unit === '' && middle > 45) ? '°F' : '°C';
  if (kind === 'conductivity') {
    if (/ms/i.test(unit)) return 'mS/cm';
    if (/^tds$/i.test(name) || /^ppm$/i.test(unit)) return 'ppm';
    return unit === '' && middle > 0 && middle < 5 ? 'mS/cm' : 'µS/cm';
  }
  if (kind === 'hardness' || kind === 'alkalinity') {
    if (/ppm|mg/i.test(unit)) return 'mg/L CaCO3';
    if (/meq|mmol/i.test(unit)) return kind === 'alkalinity' ? 'meq/L' : 'mmol/L';
    return unit === '' && middle > 40 ? 'mg/L CaCO3' : UNITS[kind][0].names[0];
  }
  if (kind === 'length')
    return /^cm$/i.test(unit) ? 'cm' : /^in/i.test(unit) ? 'in' : unit === '' && middle > 0 && middle < 80 ? 'cm' : 'mm';
  const known = UNITS[kind].flatMap(({ names }) => [...names]).find((one) => one.toLowerCase() === unit.toLowerCase());
  return known ?? UNITS[kind][0].names[0];
}

/** Of TDS in ppm, µS/cm: by the factor that most meters take. Common practice. */
const US_PER_PPM = 2;

/** Units that a column may be put to. */
export function unitsFor(parameter: LoggedParameter): string[] {
  const { kind } = PARAMETER_META[parameter];
  const of = UNITS[kind].map(({ names: [first] }) => first);
  if (parameter in N_OF_ION) return ['ion', ...of];
  return kind === 'conductivity' ? [...of, 'ppm'] : of;
}

const LIKE_DATE = /^\d{1,4}[./-]\d{1,2}[./-]\d{1,4}|^\d{4}-?\d{2}-?\d{2}/;

/** A first guess at what each column is. Null where no column looks like a date. */
export function guessMapping({ header, rows, mark }: LogTable): LogMapping | null {
  const column = (i: number) => rows.slice(0, 400).map(({ cells }) => cells[i] ?? '');
  const looks = (i: number) => {
    const filled = column(i).filter((one) => one !== '');
    return filled.length > 0 && filled.filter((one) => LIKE_DATE.test(one)).length > filled.length / 2;
  };
  const dates = header.map((_, i) => i).filter(looks);
  const date = dates.find((i) => DATE_NAMES.test(header[i]!.trim())) ?? dates[0];
  if (date === undefined) return null;
  const values: ColumnMap[] = [];
  for (const [i, heading] of header.entries()) {
    if (i === date) continue;
    const { name, unit } = partsOf(heading);
    const own = LOGGED_PARAMETERS.find((one) => one === heading);
    const parameter = own ?? PARAMETER_NAMES.find(([, names]) => names.test(name))?.[0];
    if (!parameter || values.some((one) => one.parameter === parameter)) continue;
    const numbers = column(i).flatMap((one) => {
      const read = readNumber(one, mark);
      return read.ok ? [read.value] : [];
    });
    values.push({
      column: i,
      parameter,
      unit: own ? UNITS[PARAMETER_META[own].kind][0].names[0] : unitGuess(parameter, name, unit, numbers),
    });
  }
  const time = header.findIndex((heading, i) => i !== date && TIME_NAMES.test(heading.trim()));
  const note = header.findIndex((heading) => NOTE_NAMES.test(heading.trim()));
  return { date, time: time < 0 ? null : time, order: orderOf(column(date)), values, note: note < 0 ? null : note, kit: 'drops' };
}

/** Which way round a column of days is written, by the number that can be no month; day first where none tells. */
function orderOf(cells: readonly string[]): DateOrder {
  const parts = cells.flatMap((one) => {
    const found = /^(\d{1,4})[./-](\d{1,2})[./-](\d{1,4})/.exec(one);
    return found ? [[found[1]!, found[2]!, found[3]!] as const] : [];
  });
  if (parts.length === 0 || parts.some(([first]) => first.length === 4)) return 'ymd';
  if (parts.some(([, second]) => Number(second) > 12)) return 'mdy';
  return 'dmy';
}

/** Whether the days could be read the other way round as well: then somebody has to say. */
export function orderIsOpen(table: LogTable, { date }: Pick<LogMapping, 'date'>): boolean {
  const parts = table.rows.flatMap(({ cells }) => {
    const found = /^(\d{1,2})[./-](\d{1,2})[./-]\d{2,4}/.exec(cells[date] ?? '');
    return found ? [[Number(found[1]), Number(found[2])] as const] : [];
  });
  return parts.length > 0 && parts.every(([first, second]) => first <= 12 && second <= 12);
}

/** Day and time of a row, as the clock on the wall showed them; or why not. */
function wallOf(date: string, time: string, order: DateOrder): { wall: string; ahead: number | null } | { reason: string } {
  const iso = /^(\d{4})-?(\d{2})-?(\d{2})[T ](\d{2}):?(\d{2})(?::?(\d{2})(?:[.,]\d+)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i.exec(date);
  const parts = iso ?? /^(\d{1,4})[./-](\d{1,2})[./-](\d{1,4})(?:[ ,T]+(.*))?$/.exec(date);
  if (!parts) return { reason: `“${date.slice(0, 24)}” is not a date` };
  const numbers = [Number(parts[1]), Number(parts[2]), Number(parts[3])] as const;
  const [a, b, c] = numbers;
  const [year, month, day] = iso || parts[1]!.length === 4 ? [a, b, c] : order === 'mdy' ? [c, a, b] : [c, b, a];
  const full = year < 100 ? 2000 + year : year;
  const clock = iso ? null : clockOf(time !== '' ? time : (parts[4] ?? ''));
  if (clock === 'none') return { reason: `“${(time || parts[4] || '').slice(0, 16)}” is not a time` };
  const [hour, minute, second] = iso ? [Number(iso[4]), Number(iso[5]), Number(iso[6] ?? 0)] : (clock ?? [12, 0, 0]);
  const two = (value: number) => String(value).padStart(2, '0');
  const wall = `${String(full).padStart(4, '0')}-${two(month)}-${two(day)}T${two(hour)}:${two(minute)}:${two(second)}`;
  const ms = Date.parse(`${wall}Z`);
  // the 30th of February rolls over into March
  if (!Number.isFinite(ms) || new Date(ms).toISOString().slice(0, 19) !== wall) return { reason: `there is no ${date.slice(0, 24)}` };
  const zone = iso?.[7];
  return { wall, ahead: zone ? (zone.toUpperCase() === 'Z' ? 0 : minutesOf(zone)) : null };
}

function clockOf(text: string): [number, number, number] | null | 'none' {
  if (text.trim() === '') return null;
  const found = /^(\d{1,2})[:.h](\d{2})(?::(\d{2}))?\s*(am|pm)?$/i.exec(text.trim());
  if (!found) return 'none';
  const [hour, minute, second] = [Number(found[1]), Number(found[2]), Number(found[3] ?? 0)];
  const half = found[4]?.toLowerCase();
  const hours = half ? (hour % 12) + (half === 'pm' ? 12 : 0) : hour;
  return hours > 23 || minute > 59 || second > 59 ? 'none' : [hours, minute, second];
}

const minutesOf = (zone: string): number => {
  const [, sign, hours, minutes] = /([+-])(\d{2}):?(\d{2})/.exec(zone)!;
  return (sign === '-' ? -1 : 1) * (Number(hours) * 60 + Number(minutes));
};

/** What a file comes to: entries to write, and what was left out of it, by line. */
export interface TakenLog {
  entries: Entry[];
  left: { line: number; reason: string }[];
}

export interface LogContext {
  now: number;
  /** Mark of the water as it is planned. */
  of: string;
  /** Minutes that the clock on the wall is ahead of UTC, by what it shows. */
  aheadAt: (wall: string) => number;
  id: (row: number) => string;
}

/** A table says of itself that it was made up, in its heading or in its first row. */
export const isSimulated = ({ header, rows }: LogTable): boolean =>
  [...header, ...(rows[0]?.cells ?? [])].some((cell) => /^simulated$/i.test(cell.trim()));

/** Entries of a table that somebody else wrote. What cannot be read is left out and told, line by line. */
export function entriesOf(table: LogTable, mapping: LogMapping, context: LogContext): TakenLog {
  const entries: Entry[] = [];
  const left: TakenLog['left'] = [];
  const written = new Date(context.now).toISOString();
  const seen = new Set<string>();
  const simulated = isSimulated(table);
  for (const [i, { line, cells }] of table.rows.entries()) {
    const when = wallOf(cells[mapping.date] ?? '', mapping.time === null ? '' : (cells[mapping.time] ?? ''), mapping.order);
    if ('reason' in when) {
      left.push({ line, reason: `${when.reason}.` });
      continue;
    }
    const ahead = when.ahead ?? context.aheadAt(when.wall);
    const ms = Date.parse(`${when.wall}Z`) - ahead * 60_000;
    if (ms > context.now + 5 * 60_000) {
      left.push({ line, reason: `${when.wall.replace('T', ' ')} lies in the future.` });
      continue;
    }
    const values: ReadingEntry['values'] = {};
    for (const { column, parameter, unit } of mapping.values) {
      const text = cells[column] ?? '';
      if (text === '' || /^(-+|n\/?a|nan|null|none)$/i.test(text)) continue;
      const value = valueOf(text, parameter, unit, table.mark);
      if ('reason' in value) left.push({ line, reason: `${PARAMETER_META[parameter].name}: ${value.reason}.` });
      else values[parameter] = value.value;
    }
    const note = mapping.note === null ? '' : unmarked(cells[mapping.note] ?? '').slice(0, 1000);
    if (Object.keys(values).length === 0) {
      if (note !== '') entries.push({ kind: 'note', id: context.id(i), at: instantAt(ms, ahead), written, note, corrects: null });
      continue;
    }
    const key = `${ms} ${JSON.stringify(values)}`;
    if (seen.has(key)) {
      left.push({ line, reason: 'stands twice in the file.' });
      continue;
    }
    seen.add(key);
    entries.push({
      kind: 'reading',
      id: context.id(i),
      at: instantAt(ms, ahead),
      written,
      corrects: null,
      note,
      of: context.of,
      from: 'file',
      simulated,
      kit: mapping.kit,
      kitId: null,
      values,
    });
  }
  return { entries, left };
}

function valueOf(text: string, parameter: LoggedParameter, unit: string, mark: DecimalMark | null): { value: number } | { reason: string } {
  const read = readNumber(text.replace(/^<\s*/, ''), mark);
  if (!read.ok) return { reason: read.reason.replace(/\.$/, '') };
  const { kind } = PARAMETER_META[parameter];
  const value =
    unit === 'ion'
      ? read.value * N_OF_ION[parameter as keyof typeof N_OF_ION]
      : kind === 'conductivity' && unit === 'ppm'
        ? read.value * US_PER_PPM
        : toCanonical(kind, read.value, unit);
  const fault = valueFault(parameter, value);
  return fault ? { reason: fault } : { value };
}

/** Whether a table is a log that Terroir wrote: it is read back entry by entry. */
export const isOwnLog = ({ header }: LogTable): boolean => LOG_COLUMNS.every((column) => header.includes(column));

const NUMBERS: ReadonlySet<string> = new Set(['amount', 'grams', 'litres', 'fraction', 'count', 'days', ...SCORED, ...LOGGED_PARAMETERS]);

/** The entries of a log that Terroir wrote; a damaged row is left out and told. */
export function ownEntriesOf({ header, rows }: LogTable, now: number): TakenLog {
  const entries: Entry[] = [];
  const left: TakenLog['left'] = [];
  const at = new Map(LOG_COLUMNS.map((column) => [column as string, header.indexOf(column)]));
  for (const { line, cells } of rows) {
    const cell = (column: string) => unmarked(cells[at.get(column)!] ?? '');
    const fields: Record<string, unknown> = { values: {}, scores: {} };
    for (const column of LOG_COLUMNS) {
      const text = cell(column);
      const inside = (LOGGED_PARAMETERS as readonly string[]).includes(column)
        ? 'values'
        : (SCORED as readonly string[]).includes(column)
          ? 'scores'
          : null;
      const value = text === '' ? null : NUMBERS.has(column) ? Number(text) : text === 'true' ? true : text === 'false' ? false : text;
      if (inside) {
        if (value !== null) (fields[inside] as Record<string, unknown>)[column] = value;
      } else fields[column] = column === 'note' || column === 'of' ? text : value;
    }
    const entry = Entry.safeParse(pickedFor(fields));
    if (!entry.success) {
      const [issue] = entry.error.issues;
      left.push({ line, reason: `${issue?.path.join('.') || 'the row'}: ${issue?.message}.` });
    } else if (Date.parse(entry.data.at) > now + 5 * 60_000) left.push({ line, reason: `${entry.data.at} lies in the future.` });
    else entries.push(entry.data);
  }
  return { entries, left };
}

/** Of all columns, those that an entry of its kind has. */
const COMMON = ['kind', 'id', 'at', 'written', 'corrects', 'note'] as const;
const OF_KIND: Readonly<Record<Entry['kind'], readonly string[]>> = {
  reading: ['of', 'from', 'simulated', 'kit', 'kitId', 'values'],
  change: ['litres', 'fraction'],
  'top-up': ['litres'],
  dose: ['what', 'amount', 'unit'],
  feeding: ['what', 'grams', 'left'],
  trim: ['what'],
  cleaning: ['what'],
  animals: ['became', 'organismId', 'count', 'cause'],
  treatment: ['what', 'phase'],
  behaviour: ['organismId', 'scores'],
  eating: ['organismId', 'ate'],
  photo: ['photoId'],
  task: ['taskId', 'title', 'how', 'days'],
  note: [],
  struck: [],
};
function pickedFor(fields: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const kind = String(fields['kind']) as Entry['kind'];
  return Object.fromEntries([...COMMON, ...(OF_KIND[kind] ?? [])].map((name) => [name, fields[name]]));
}
