import { readNumber } from '../quantity/number';
import papaparse from 'papaparse';
import type { Biotope } from '../catalogue/biotope';
import type { Material } from '../catalogue/material';
import type { Organism } from '../catalogue/organism';
import { PARAMETER_META, PARAMETERS, type Parameter } from '../catalogue/parameter';
import { REGIONS, RegionId } from '../catalogue/region';
import { Basis, type Fact } from '../quantity/fact';
import { unmarked } from '../quantity/spreadsheet';
import { AIR, COLOUR, MATERIAL, RAIN, SAID } from './darwin-core';

export const RECORD_LIMITS = { bytes: 5_000_000, rows: 20_000, places: 60 };

/** A line that could not be taken, and why. */
export interface LeftLine {
  file: string;
  line: number;
  reason: string;
}

export type ReadRecords =
  { ok: true; drafts: Biotope[]; left: LeftLine[]; taken: number } | { ok: false; reason: string; left: LeftLine[] };

interface Line {
  file: string;
  line: number;
  cells: Readonly<Record<string, string>>;
}

/** How measurements from elsewhere are named, and what their units are worth in ours. */
const NAMES: readonly (readonly [RegExp, Parameter])[] = [
  [/^(water )?temp(erature)?\b/, 'temperatureC'],
  [/^ph\b/, 'ph'],
  [/^(carbonate hardness|alkalinity|kh)\b/, 'khDh'],
  [/^((general|total) hardness|hardness|gh)\b/, 'ghDh'],
  [/conductivity|^ec\b/, 'ec25UsPerCm'],
  [/^salinity\b/, 'salinity'],
];
const UNITS: Readonly<Record<Parameter, readonly (readonly [RegExp, (value: number) => number])[]>> = {
  temperatureC: [
    [/^(°?c|deg ?c|celsius)?$/, (t) => t],
    [/^(°?f|fahrenheit)$/, (t) => (t - 32) / 1.8],
    [/^k(elvin)?$/, (t) => t - 273.15],
  ],
  ph: [[/^(ph( units?)?)?$/, (v) => v]],
  ghDh: [
    [/^(°?d(gh|kh|h)?|german degrees?)?$/, (v) => v],
    [/^(mg\/l|ppm)( as)?( caco3)?$/, (v) => v / 17.848],
    [/^mmol\/l$/, (v) => v / 0.178326],
  ],
  khDh: [
    [/^(°?d(gh|kh|h)?|german degrees?)?$/, (v) => v],
    [/^(mg\/l|ppm)( as)?( caco3)?$/, (v) => v / 17.848],
    [/^m(eq|mol)\/l$/, (v) => v / 0.356652],
  ],
  ec25UsPerCm: [
    [/^([uµμ]s(\/cm)?)?$/, (v) => v],
    [/^ms\/cm$/, (v) => v * 1000],
    [/^ms\/m$/, (v) => v * 10],
  ],
  salinity: [[/^(g\/kg|ppt|psu|‰)?$/, (v) => v]],
};

/**
 * Reads Darwin Core records (Event, Occurrence, MeasurementOrFact as CSV, any delimiter, told apart by their columns; occurrences may carry
 * a measurement each) as drafts of wild places, one for each place named. Lines that cannot be taken are listed by number with the reason;
 * nothing is guessed from them. Names that the catalogue does not know are kept as names.
 *
 * @param month names months of records that have an eventDate in place of a month
 */
export function readRecords(
  files: readonly { name: string; text: string }[],
  { organisms, materials }: { organisms: ReadonlyMap<string, Organism>; materials: ReadonlyMap<string, Material> },
): ReadRecords {
  const left: LeftLine[] = [];
  const lines: Line[] = [];
  for (const { name, text } of files) {
    if (text.length > RECORD_LIMITS.bytes) return { ok: false, reason: `${name} is larger than records can be`, left };
    if (/\.xml$/i.test(name)) continue;
    lines.push(...linesOf(name, text, left));
    if (lines.length > RECORD_LIMITS.rows) return { ok: false, reason: `more than ${RECORD_LIMITS.rows} lines`, left };
  }
  if (lines.length === 0)
    return { ok: false, reason: 'no line with scientificName, measurementType or eventID: these are not Darwin Core records', left };

  const drafts = new Map<string, Draft>();
  const parents = new Map<string, string>();
  const months = new Map<string, number>();
  for (const { cells } of lines) {
    if (cells['eventid'] && cells['parenteventid']) parents.set(cells['eventid'], cells['parenteventid']);
  }
  // a table of twenty thousand lines is not to be searched for each of them
  const keyOf = ({ file, line }: Pick<Line, 'file' | 'line'>): string => `${line}:${file}`;
  const refused = new Set(left.map(keyOf));
  const refuse = (at: Line, reason: string): void => {
    refused.add(keyOf(at));
    left.push({ file: at.file, line: at.line, reason });
  };
  const draftOf = (line: Line): Draft => {
    const { cells } = line;
    const event = cells['eventid'] ?? '';
    const key = parents.get(event) || event || cells['locality'] || cells['verbatimlocality'] || 'place';
    let draft = drafts.get(key);
    if (!draft) drafts.set(key, (draft = newDraft(key)));
    return draft;
  };
  let taken = 0;
  for (const line of lines) {
    const { cells } = line;
    const stated = cells['month'] || /^\d{4}-(\d{2})/.exec(cells['eventdate'] ?? '')?.[1];
    if (stated) {
      const month = Number(stated);
      if (!Number.isInteger(month) || month < 1 || month > 12) {
        refuse(line, `month "${stated}" is not one of 1 to 12`);
        continue;
      }
      if (cells['eventid']) months.set(cells['eventid'], month);
    }
  }
  const byName = new Map([...organisms.values()].map((entry) => [entry.latin.toLowerCase(), entry.id]));
  for (const line of lines) {
    if (refused.has(keyOf(line))) continue;
    const { cells } = line;
    if (drafts.size >= RECORD_LIMITS.places && !drafts.has(parents.get(cells['eventid'] ?? '') || (cells['eventid'] ?? ''))) {
      refuse(line, `more than ${RECORD_LIMITS.places} places`);
      continue;
    }
    let used = false;
    if (isEvent(cells)) used = takeEvent(line, draftOf(line), refuse) || used;
    if ('scientificname' in cells) {
      const said = takeOccurrence(line, draftOf(line), organisms, byName, refuse);
      if (said === null) continue;
      used = true;
    }
    if (cells['measurementtype'] || ('measurementtype' in cells && !('scientificname' in cells)))
      used = takeMeasurement(line, draftOf(line), months, materials, refuse) || used;
    if (used) taken += 1;
    else if (!refused.has(keyOf(line))) refuse(line, 'says nothing of a place');
  }
  const made = [...drafts.values()].filter(({ found }) => found).map(finished);
  return made.length > 0 ? { ok: true, drafts: made, left, taken } : { ok: false, reason: 'no line could be taken', left };
}

/** What has been read of a place so far. */
interface Draft {
  key: string;
  found: boolean;
  event: Partial<Pick<Biotope, 'name' | 'habitat' | 'region' | 'description'>> & { locality?: string; depthM?: [number, number] };
  organismIds: Set<string>;
  otherTaxa: Set<string>;
  values: Map<Parameter, { values: number[]; fact: Fact<unknown> }>;
  water: Map<number, { values: number[]; fact: Fact<unknown> }>;
  rain: Map<number, { value: number; fact: Fact<unknown> }>;
  air: Map<number, { value: number; fact: Fact<unknown> }>;
  said: Map<keyof typeof SAID, Fact<string>>;
  colour: string | null;
  materials: Set<string>;
}

const newDraft = (key: string): Draft => ({
  key,
  found: false,
  event: {},
  organismIds: new Set(),
  otherTaxa: new Set(),
  values: new Map(),
  water: new Map(),
  rain: new Map(),
  air: new Map(),
  said: new Map(),
  colour: null,
  materials: new Set(),
});

type Refuse = (line: Line, reason: string) => void;

function linesOf(file: string, text: string, left: LeftLine[]): Line[] {
  const { data, errors } = papaparse.parse<string[]>(text.replace(/^\ufeff/, ''), { skipEmptyLines: false });
  const [head, ...rows] = data;
  const terms = (head ?? []).map((cell) =>
    cell
      .trim()
      .replace(/^.*[:/]/, '')
      .toLowerCase(),
  );
  if (!terms.some((term) => ['scientificname', 'measurementtype', 'eventid', 'verbatimlocality'].includes(term))) {
    if (text.trim() !== '') left.push({ file, line: 1, reason: 'the first line does not name Darwin Core terms' });
    return [];
  }
  const broken = new Map(errors.map(({ row, message }) => [row, message]));
  return rows.flatMap((row, i) => {
    const line = i + 2;
    if (row.every((cell) => cell.trim() === '')) return [];
    const fault = broken.get(i + 1);
    if (fault) {
      left.push({ file, line, reason: fault.toLowerCase() });
      return [];
    }
    if (row.length !== terms.length) {
      left.push({ file, line, reason: `has ${row.length} cells where the head has ${terms.length}` });
      return [];
    }
    return [{ file, line, cells: Object.fromEntries(terms.map((term, c) => [term, unmarked((row[c] ?? '').trim())])) }];
  });
}

const isEvent = (cells: Line['cells']): boolean =>
  !('measurementtype' in cells) && !('scientificname' in cells)
    ? 'eventid' in cells
    : Boolean(cells['locality'] || cells['verbatimlocality']);

function takeEvent(line: Line, draft: Draft, refuse: Refuse): boolean {
  const { cells } = line;
  // a month of a place says no more than that it is one
  if (cells['parenteventid']) return true;
  const { event } = draft;
  const name = cells['verbatimlocality'] || cells['locality'];
  if (name) event.name ??= name.slice(0, 120);
  if (cells['locality']) event.locality ??= cells['locality'].slice(0, 300);
  const habitat = /fresh|brackish|marine/.exec((cells['habitat'] ?? '').toLowerCase())?.[0];
  if (habitat) event.habitat ??= habitat as Biotope['habitat'];
  const region = RegionId.safeParse(cells['highergeographyid']);
  const named = Object.entries(REGIONS).find(([, one]) => one.name.toLowerCase() === (cells['waterbody'] ?? '').toLowerCase())?.[0];
  if (region.success) event.region ??= region.data;
  else if (named) event.region ??= named as RegionId;
  if (cells['eventremarks']) event.description ??= cells['eventremarks'].slice(0, 1000);
  const [low, high] = [cells['minimumdepthinmeters'], cells['maximumdepthinmeters']].map((cell) => (cell ? Number(cell) : null));
  if (low !== null || high !== null) {
    const depth: [number, number] = [low ?? high ?? 0, high ?? low ?? 0];
    if (!depth.every((metres) => Number.isFinite(metres) && metres >= 0) || depth[0] > depth[1]) {
      refuse(line, `depth ${cells['minimumdepthinmeters']} to ${cells['maximumdepthinmeters']} is not one`);
      return false;
    }
    event.depthM ??= depth;
  }
  draft.found = true;
  return true;
}

/** @returns null when the line is refused */
function takeOccurrence(
  line: Line,
  draft: Draft,
  organisms: ReadonlyMap<string, Organism>,
  byName: ReadonlyMap<string, string>,
  refuse: Refuse,
): true | null {
  const { cells } = line;
  const name = cells['scientificname'] ?? '';
  if (!/^[A-Z][a-z-]+( |$)/.test(name)) {
    refuse(line, name === '' ? 'scientificName is empty' : `"${name.slice(0, 60)}" is not a scientific name`);
    return null;
  }
  if (/^absent$/i.test(cells['occurrencestatus'] ?? '')) {
    refuse(line, `${name} was looked for and not found`);
    return null;
  }
  // without the author and year
  const words = name.split(/\s+/);
  const short = /^(cf|sp|aff)\.?$/.test(words[1] ?? '') ? name : words.slice(0, 2).join(' ');
  const id = organisms.has(cells['taxonid'] ?? '') ? cells['taxonid'] : (byName.get(name.toLowerCase()) ?? byName.get(short.toLowerCase()));
  if (id) draft.organismIds.add(id);
  else draft.otherTaxa.add(short.slice(0, 200));
  draft.found = true;
  return true;
}

function takeMeasurement(
  line: Line,
  draft: Draft,
  months: ReadonlyMap<string, number>,
  materials: ReadonlyMap<string, Material>,
  refuse: Refuse,
): boolean {
  const { cells } = line;
  const type = (cells['measurementtype'] ?? '').toLowerCase();
  const value = cells['measurementvalue'] ?? '';
  if (value === '') {
    refuse(line, `${type || 'the measurement'} has no value`);
    return false;
  }
  const fact = basisOf(cells);
  const month = months.get(cells['eventid'] ?? '');
  const said = (Object.entries(SAID) as [keyof typeof SAID, string][]).find(([, name]) => name === type)?.[0];
  if (said) draft.said.set(said, { ...fact, value });
  else if (type === COLOUR) {
    if (!/^#[0-9a-f]{6}$/.test(value)) {
      refuse(line, `water colour "${value}" is not written as #rrggbb`);
      return false;
    }
    draft.colour = value;
  } else if (type === MATERIAL) {
    if (!materials.has(value)) {
      refuse(line, `no material "${value}" is known here`);
      return false;
    }
    draft.materials.add(value);
  } else {
    const read = readNumber(value);
    if (!read.ok) {
      refuse(line, read.reason.replace(/\.$/, ''));
      return false;
    }
    const number = read.value;
    if (type.startsWith(RAIN.type)) {
      if (month === undefined || number < 0) {
        refuse(line, month === undefined ? 'rain without a month' : 'rain below nothing');
        return false;
      }
      draft.rain.set(month, { value: number, fact });
    } else if (type.startsWith(AIR.type)) {
      if (month === undefined) {
        refuse(line, 'air without a month');
        return false;
      }
      draft.air.set(month, { value: number, fact });
    } else {
      const parameter = NAMES.find(([name]) => name.test(type))?.[1];
      if (!parameter) {
        refuse(line, `"${type}" is not supported`);
        return false;
      }
      const unit = (cells['measurementunit'] ?? '').toLowerCase().trim();
      const convert = UNITS[parameter].find(([name]) => name.test(unit))?.[1];
      if (!convert) {
        refuse(line, `unit "${unit}" of ${type} is not known`);
        return false;
      }
      const ours = convert(number);
      const [min, max] = PARAMETER_META[parameter].limits;
      if (ours < min || ours > max) {
        refuse(line, `${type} ${value} ${unit} cannot be`);
        return false;
      }
      const table = month !== undefined && parameter === 'temperatureC' ? draft.water : draft.values;
      const key = (table === draft.water ? month : parameter) as never;
      const known = table.get(key);
      if (known) known.values.push(ours);
      else table.set(key, { values: [ours], fact } as never);
    }
  }
  draft.found = true;
  return true;
}

/** How a figure is known, as its method says; what comes from elsewhere is taken as a reading. */
function basisOf(cells: Line['cells']): Fact<null> {
  const [stated = '', ...rest] = (cells['measurementmethod'] ?? '').split(':');
  const basis = Basis.safeParse(stated.trim());
  const source = rest.join(':').trim().slice(0, 400);
  const note = (cells['measurementremarks'] ?? '').slice(0, 400);
  const known = basis.success && (basis.data !== 'published' || source !== '') ? basis.data : 'measured';
  return { value: null, basis: known, ...(source ? { source } : {}), ...(note ? { note } : {}) };
}

const slug = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60) || 'place';

const round = (value: number): number => Math.round(value * 1000) / 1000;

function finished(draft: Draft): Biotope {
  const unknown = { value: null, basis: 'measured' as const };
  const span = ({ values, fact }: { values: number[]; fact: Fact<unknown> }): Fact<[number, number]> => ({
    ...fact,
    value: [round(Math.min(...values)), round(Math.max(...values))],
  });
  const wholeYear = <T>(of: (month: number) => T | undefined): T[] | null => {
    const year = Array.from({ length: 12 }, (_, i) => of(i + 1));
    return year.every((one) => one !== undefined) ? (year as T[]) : null;
  };
  const [anyWater] = draft.water.values();
  const byMonth = (of: Draft['rain']): Fact<number[]> | null => {
    const [any] = of.values();
    const year = wholeYear((month) => of.get(month)?.value);
    return year && any ? { ...any.fact, value: year } : null;
  };
  const airC = byMonth(draft.air);
  const waterC = wholeYear((month) => {
    const found = draft.water.get(month);
    return found && (span(found).value as [number, number]);
  });
  const { event } = draft;
  const water: Biotope['water'] = {};
  for (const parameter of PARAMETERS) {
    const found = draft.values.get(parameter);
    if (found) water[parameter] = span(found);
  }
  // records by month make up the span of the whole year
  if (!water.temperatureC && anyWater)
    water.temperatureC = span({ values: [...draft.water.values()].flatMap(({ values }) => values), fact: anyWater.fact });
  const salt = water.salinity?.value?.[1];
  const said = (key: keyof typeof SAID, allowed?: readonly string[]) => {
    const fact = draft.said.get(key);
    return fact && (!allowed || allowed.includes(fact.value ?? '')) ? fact : unknown;
  };
  return {
    id: slug(draft.key === 'place' ? (event.name ?? 'place') : draft.key),
    name: event.name ?? draft.key,
    locality: event.locality ? { value: event.locality, basis: 'measured' } : unknown,
    region: event.region ?? 'worldwide',
    habitat: event.habitat ?? (salt === undefined || salt < 2 ? 'fresh' : salt < 30 ? 'brackish' : 'marine'),
    description: event.description ?? 'Drafted from records.',
    waterC: waterC && anyWater ? { ...anyWater.fact, value: waterC } : unknown,
    ...(airC ? { airC } : {}),
    rainMm: byMonth(draft.rain) ?? unknown,
    water,
    depthM: event.depthM ? { value: event.depthM, basis: 'measured' } : unknown,
    bottom: said('bottom'),
    materialIds: [...draft.materials],
    cover: said('cover'),
    current: said('current', ['none', 'slow', 'moderate', 'strong']) as Biotope['current'],
    light: said('light', ['dim', 'broken', 'bright']) as Biotope['light'],
    waterColour: draft.colour ?? '#dfe8e2',
    organismIds: [...draft.organismIds],
    ...(draft.otherTaxa.size > 0 ? { otherTaxa: [...draft.otherTaxa] } : {}),
  };
}
