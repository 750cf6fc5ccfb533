import { decimalMarkOf, readNumber, type DecimalMark } from '../quantity/number';
import Papa from 'papaparse';
import * as z from 'zod';
import { ANALYTE_META, Analyte } from '../catalogue/water-source';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS, convert, findUnit } from '../quantity/unit';
import { READING_BY_NAME, type ReportedReading } from './report-names';

export type { ReportedReading } from './report-names';

export interface ReportLine {
  /** Line of the file, from 1; entry of the list for JSON. */
  line: number;
  text: string;
}

export interface WaterReport {
  title: string;
  /** Made up by a stand-in, not measured. */
  simulated: boolean;
  disinfectant: 'none' | 'chlorine' | 'chloramine' | null;
  readings: Partial<Record<ReportedReading, number>>;
  /** What was read, as it stands in the file. */
  used: (ReportLine & { reading: ReportedReading; value: number })[];
  /** Lines that were left out, and why. */
  left: (ReportLine & { reason: string })[];
  /** What was taken to be meant, in words. */
  notes: string[];
}
export type ReportRead = { ok: true; report: WaterReport } | { ok: false; reason: string };

/** Largest report taken, characters. A utility's whole table has a few hundred lines. */
const MOST_CHARACTERS = 500_000;

/** Largest value of each that any water has; what is above is a slip of unit. */
const MOST: Readonly<Partial<Record<ReportedReading, number>>> = {
  ghDh: 500,
  khDh: 60,
  ec25UsPerCm: 80000,
  temperatureC: 60,
  phosphate: 100,
  silicon: 200,
  iron: 100,
  copper: 20,
  organicCarbon: 500,
  chlorine: 20,
};

/** A header of the column that holds each thing; a whole word. */
const COLUMNS = {
  name: /^(parameter|name|substance|determinand|analyte|item|bezeichnung|param[eè]tre|par[aá]metro)$/i,
  value: /^(value|result|mean|average|median|typical|reading|wert|mittelwert|ergebnis|valeur|moyenne|valor|media|waarde)$/i,
  unit: /^(units?|einheit|unit[eé]s?|unidad(es)?|unit[aà]( di misura)?|eenheid)$/i,
};

/**
 * A water report as a utility or a laboratory gives it: a table in CSV, or JSON as `{title, values: [{name, value, unit}]}`. Units may be
 * mixed. What cannot be read is listed with its line and the reason; the rest is kept.
 */
export function readWaterReport(text: string): ReportRead {
  if (text.length > MOST_CHARACTERS)
    return { ok: false, reason: `The file is longer than ${MOST_CHARACTERS / 1000} kB: no water report is.` };
  const body = text.replace(/^\uFEFF/, '').trim();
  if (body === '') return { ok: false, reason: 'The file is empty.' };
  return body.startsWith('{') || body.startsWith('[') ? readJson(body) : readTable(body);
}

const JsonReport = z.object({
  title: z.string().max(200).optional(),
  simulated: z.boolean().optional(),
  disinfectant: z.enum(['none', 'chlorine', 'chloramine']).optional(),
  values: z
    .array(z.object({ name: z.string().max(200), value: z.union([z.number(), z.string().max(60)]), unit: z.string().max(60).optional() }))
    .min(1)
    .max(2000),
});

function readJson(body: string): ReportRead {
  let value: unknown;
  try {
    value = JSON.parse(body);
  } catch (error) {
    return { ok: false, reason: `It is invalid JSON: ${error instanceof Error ? error.message : 'cannot be read'}` };
  }
  const parsed = JsonReport.safeParse(value);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    return {
      ok: false,
      reason: `At ${issue?.path.join('.') || 'the top'}: ${issue?.message}. A report is {"title", "values": [{"name", "value", "unit"}]}.`,
    };
  }
  const { title, simulated, disinfectant, values } = parsed.data;
  return collect(
    values.map((entry, i) => ({ line: i + 1, name: entry.name, value: String(entry.value), unit: entry.unit ?? '' })),
    { title: title ?? 'Water report', simulated: simulated ?? false, disinfectant: disinfectant ?? null, mark: null },
  );
}

interface Row {
  line: number;
  name: string;
  value: string;
  unit: string;
}

function readTable(body: string): ReportRead {
  const { data, meta } = Papa.parse<string[]>(body, { skipEmptyLines: false, dynamicTyping: false });
  const cells = data.map((row) => row.map((cell) => cell.trim()));
  const head = cells.findIndex((row) => row.some((cell) => COLUMNS.name.test(cell)) && row.some((cell) => COLUMNS.value.test(cell)));
  const at = (kind: keyof typeof COLUMNS, otherwise: number) => {
    const found = head < 0 ? -1 : cells[head]!.findIndex((cell) => COLUMNS[kind].test(cell));
    return found < 0 ? otherwise : found;
  };
  const columns = { name: at('name', 0), value: at('value', 1), unit: at('unit', head < 0 ? 2 : -1) };
  const title = head > 0 ? cells.slice(0, head).flat().filter(Boolean).join(', ').slice(0, 200) : '';
  const rows = cells
    .map((row, i) => ({
      line: i + 1,
      name: row[columns.name] ?? '',
      value: row[columns.value] ?? '',
      unit: columns.unit < 0 ? '' : (row[columns.unit] ?? ''),
    }))
    .slice(head + 1)
    .filter(({ name, value }) => name !== '' || value !== '');
  if (rows.length === 0) return { ok: false, reason: 'No line holds a name and a value. A report is a table: name, value, unit.' };
  return collect(rows, {
    title: title || 'Water report',
    simulated: /\bsimulated\b/i.test(title),
    disinfectant: null,
    mark: meta.delimiter === ';' ? ',' : null,
  });
}

function collect(
  rows: readonly Row[],
  { mark: usual, ...head }: Pick<WaterReport, 'title' | 'simulated' | 'disinfectant'> & { mark: DecimalMark | null },
): ReportRead {
  // where points stand or commas do in the others tells what a comma means; a table parted by semicolons is of a country that writes decimal commas
  const mark = decimalMarkOf(rows.map(({ value }) => value)) ?? usual;
  const report: WaterReport = { ...head, readings: {}, used: [], left: [], notes: [] };
  for (const row of rows) {
    const text = [row.name, row.value, row.unit].filter(Boolean).join(' ');
    const outcome = readRow(row, mark);
    if ('reason' in outcome) {
      report.left.push({ line: row.line, text, reason: outcome.reason });
      continue;
    }
    const { reading, value, note } = outcome;
    if (note) report.notes.push(`line ${row.line}: ${note}`);
    const before = report.readings[reading];
    if (before !== undefined) {
      if (Math.abs(before - value) > 0.02 * Math.max(before, value, 1e-9))
        report.left.push({ line: row.line, text, reason: 'the same thing stands above with another value; the first is kept' });
      continue;
    }
    report.readings[reading] = value;
    report.used.push({ line: row.line, text, reading, value });
    if (reading === 'chlorine' && value > 0 && report.disinfectant === null)
      report.disinfectant = /chloramine|combined/i.test(row.name) ? 'chloramine' : 'chlorine';
  }
  if (report.used.length === 0)
    return {
      ok: false,
      reason: `Nothing in it could be read. Line ${report.left[0]?.line ?? 1}: ${report.left[0]?.reason ?? 'no value'}.`,
    };
  return { ok: true, report };
}

type RowRead = { reading: ReportedReading; value: number; note?: string } | { reason: string };

function readRow({ name, value, unit }: Row, mark: DecimalMark | null): RowRead {
  // the unit, or the form counted, may stand in brackets behind the name
  const inBrackets = /[([]([^)\]]*)[)\]]/.exec(name)?.[1]?.trim() ?? '';
  const bare = fold(name.replace(/[([].*$/, ''));
  const asForm = /\bas ([a-z0-9]+)/i.exec(`${name} ${unit}`)?.[1] ?? '';
  const plain = bare
    .replace(/ as [a-z0-9]+$/, '')
    .replace(/,.*$/, '')
    .trim();
  const reading = READING_BY_NAME.get(plain) ?? READING_BY_NAME.get(plain.replace(/^(dissolved|total) /, ''));
  if (!reading) return { reason: 'not one of the things that are reckoned with here' };
  const number = readAmount(value, mark);
  if ('reason' in number) return number;
  const given = (unit || (/^(as )?[a-z]+\d?$/i.test(inBrackets) && !looksLikeUnit(inBrackets) ? '' : inBrackets))
    .replace(/\bas [a-z0-9]+$/i, '')
    .trim();
  const form = asForm || (looksLikeUnit(inBrackets) ? '' : inBrackets);
  const converted = toCanonical(reading, plain, number.value, given, form);
  if ('reason' in converted) return converted;
  if (converted.value < 0) return { reason: 'a negative amount' };
  if (reading === 'ph' && (converted.value < 3 || converted.value > 11)) return { reason: 'pH outside 3–11: no drinking water is' };
  const most = MOST[reading] ?? 50000;
  if (converted.value > most) return { reason: `more than ${most} is not possible here: look at the unit` };
  const notes = [number.note, converted.note].filter(Boolean).join('; ');
  return { reading, value: converted.value, ...(notes ? { note: notes } : {}) };
}

const looksLikeUnit = (text: string): boolean => /\/|°|mho|ppm|ppb|%|^(mmol|meq)/i.test(text);

function fold(text: string): string {
  return text
    .toLowerCase()
    .replace(/[₀-₉]/g, (digit) => String('₀₁₂₃₄₅₆₇₈₉'.indexOf(digit)))
    .replace(/[⁺⁻¹²³]/g, '')
    .replace(/\d?\+$|2-$|-$/, '')
    .replace(/[_–-]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Numbers as reports write them: decimal commas, thousands, below-detection marks, ranges. */
function readAmount(text: string, mark: DecimalMark | null): { value: number; note?: string } | { reason: string } {
  const cleaned = text.replace(/\s/g, '').replace('−', '-');
  if (cleaned === '') return { reason: 'no value' };
  if (/^(n\.?d\.?|nd|notdetected|bdl|n\.?n\.?)$/i.test(cleaned)) return { value: 0, note: 'not detected is taken as none' };
  const below = /^[<≤](.+)$/.exec(cleaned);
  const range = /^(\d[\d.,]*)[-–](\d[\d.,]*)$/.exec(cleaned);
  if (range) {
    const [low, high] = [readNumber(range[1]!, mark), readNumber(range[2]!, mark)];
    if (low.ok && high.ok) return { value: (low.value + high.value) / 2, note: 'the middle of the range is taken' };
  }
  const read = readNumber(below ? below[1]! : cleaned.replace(/^[~≈]/, ''), mark);
  if (!read.ok) return { reason: read.reason.replace(/\.$/, '') };
  return below ? { value: read.value / 2, note: 'half the limit of detection is taken' } : { value: read.value };
}

type Converted = { value: number; note?: string } | { reason: string };

function toCanonical(reading: ReportedReading, name: string, value: number, unit: string, form: string): Converted {
  const spelled = unit
    .replace('µ', 'u')
    .replace('μ', 'u')
    .replace(/\s+/g, ' ')
    .replace(/·l-1$|\.l-1$/i, '/L')
    .toLowerCase();
  switch (reading) {
    case 'ph':
      return { value };
    case 'temperatureC':
      if (/^(°|deg)?\s?f/.test(spelled)) return { value: convert('temperature', value, '°F', '°C') };
      return spelled === '' || /^(°|deg)?\s?c/.test(spelled) ? { value } : { reason: `"${unit}" is not a unit of temperature` };
    case 'ec25UsPerCm': {
      const factor = { '': 1, 'us/cm': 1, umho: 1, 'umho/cm': 1, 'ms/cm': 1000, 'ms/m': 10, 'ds/m': 1000, 'us/m': 0.01, 's/m': 10000 }[
        spelled
      ];
      if (factor === undefined) return { reason: `"${unit}" is not a unit of conductivity` };
      return { value: value * factor, ...(spelled === '' ? { note: 'no unit: taken as µS/cm' } : {}) };
    }
    case 'ghDh':
    case 'khDh':
      return hardness(reading, name, value, spelled, unit, form);
    default:
      return substance(reading, value, spelled, unit, form, name);
  }
}

function hardness(reading: 'ghDh' | 'khDh', name: string, value: number, spelled: string, unit: string, form: string): Converted {
  const per = reading === 'ghDh' ? MMOL_PER_DEGREE_HARDNESS : MEQ_PER_DEGREE_ALKALINITY;
  const isBicarbonate = reading === 'khDh' && /carbonat.*|hco3|hydrog|waterstof/.test(name) && !/hardness|härte/.test(name);
  const asLime = /caco3/i.test(form) || /caco3/.test(spelled);
  const mass = /^(mg\/l|ppm|mg\/l caco3|g\/m3)/.test(spelled) || spelled === 'mg/l hco3' || spelled === '';
  if (/^(mg\/l ca|mg\/l ca2\+?)$/.test(spelled) || /^ca$/i.test(form)) return { value: value / 40.078 / per };
  if (/^mmol\/l|^mol\/m3/.test(spelled)) return { value: value / per };
  if (/^(meq|mval)/.test(spelled)) return { value: reading === 'ghDh' ? value / 2 / per : value / per };
  if (isBicarbonate && mass && !asLime) return { value: value / 61.016 / per };
  if (mass && spelled !== '')
    return { value: convert('hardness', value, 'mg/L CaCO3', 'dGH'), ...(asLime ? {} : { note: 'mg/L is taken as CaCO₃' }) };
  const known = findUnit(reading === 'ghDh' ? 'hardness' : 'alkalinity', unit) ?? findUnit('hardness', unit) ?? HARDNESS_SPELLINGS[spelled];
  if (typeof known === 'string') return { value: convert('hardness', value, known, 'dGH') };
  if (known) return { value: value * known.scale };
  return spelled === '' ? { reason: 'no unit: degrees and mg/L lie far apart' } : { reason: `"${unit}" is not a unit of hardness` };
}
const HARDNESS_SPELLINGS: Readonly<Record<string, string>> = {
  '°d': 'dGH',
  '°dh': 'dGH',
  'deg dh': 'dGH',
  '°f': '°fH',
  f: '°fH',
  '°th': '°fH',
  '°clark': '°e',
  'grains/gal': 'gr/gal',
};

/** Forms in which a substance is counted, as the molar mass of what holds one of it. */
const FORMS: Readonly<Record<string, number>> = {
  n: 14.007,
  p: 30.974,
  s: 32.06,
  sio2: 60.083,
  no3: 62.004,
  po4: 94.97,
  so4: 96.056,
  caco3: 100.087,
  cl2: 70.9,
  c: 12.011,
};

function substance(analyte: Analyte, value: number, spelled: string, unit: string, form: string, name: string): Converted {
  const { molarMass } = ANALYTE_META[analyte];
  const written = form || / ?(no3-n|po4-p|sio2|n|p)$/i.exec(/(mg|ug)\/l (.+)$/.exec(spelled)?.[2] ?? '')?.[1] || '';
  const base = spelled.replace(/^(mg\/l|ug\/l) .+$/, '$1');
  const scale = { 'mg/l': 1, ppm: 1, 'g/m3': 1, 'ug/l': 0.001, ppb: 0.001, 'mg/m3': 0.001, 'g/l': 1000 }[base];
  if (scale !== undefined) {
    const key = written.toLowerCase().replace(/^(no3-|po4-|nitrate |phosphate )/, '');
    const implied = /^(phosphorus|phosphor|total phosphorus)$/.test(name)
      ? 'p'
      : /^(silica|silicate|sio2|kieselsäure)$/.test(name)
        ? 'sio2'
        : '';
    const counted = FORMS[key] ?? FORMS[implied];
    if (!counted) return { value: value * scale };
    if (key === 'caco3') {
      const charge = { calcium: 2, magnesium: 2, sulfate: 2 }[analyte as string] ?? 1;
      return { value: ((value * scale) / 50.0434 / charge) * molarMass };
    }
    return { value: (value * scale * molarMass) / counted, ...(FORMS[key] ? {} : { note: `taken as ${implied === 'p' ? 'P' : 'SiO₂'}` }) };
  }
  if (/^mmol\/l|^mol\/m3/.test(spelled)) return { value: value * molarMass };
  if (/^umol\/l/.test(spelled)) return { value: (value * molarMass) / 1000 };
  if (/^(meq|mval)/.test(spelled)) {
    const charge = { calcium: 2, magnesium: 2, sulfate: 2 }[analyte as string] ?? 1;
    return { value: (value * molarMass) / charge };
  }
  return unit === '' ? { reason: 'no unit: mg/L and µg/L lie a thousand apart' } : { reason: `"${unit}" is not a unit of concentration` };
}
