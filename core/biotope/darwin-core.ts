import { FORMULA } from '../quantity/spreadsheet';
import { strToU8, zipSync } from 'fflate';
import papaparse from 'papaparse';
import type { Biotope } from '../catalogue/biotope';
import type { Organism } from '../catalogue/organism';
import { PARAMETERS, type Parameter } from '../catalogue/parameter';
import { REGIONS } from '../catalogue/region';
import type { Fact } from '../quantity/fact';

/** How each parameter is called and counted in the records. */
export const MEASURED_AS: Readonly<Record<Parameter, { type: string; unit: string }>> = {
  temperatureC: { type: 'water temperature', unit: '°C' },
  ph: { type: 'pH', unit: '' },
  ghDh: { type: 'general hardness', unit: '°dH' },
  khDh: { type: 'carbonate hardness', unit: '°dH' },
  ec25UsPerCm: { type: 'electrical conductivity at 25 °C', unit: 'µS/cm' },
  salinity: { type: 'salinity', unit: 'g/kg' },
};
export const AIR = { type: 'air temperature', unit: '°C' };
export const RAIN = { type: 'precipitation', unit: 'mm' };
/** What is said in words: the name of the measurement, and where it stands in a place. */
export const SAID = { bottom: 'bottom', cover: 'cover', current: 'current', light: 'light' } as const;
export const COLOUR = 'water colour';
export const MATERIAL = 'bottom material';

const TERMS = {
  event: [
    'eventID',
    'parentEventID',
    'month',
    'habitat',
    'locality',
    'verbatimLocality',
    'waterBody',
    'higherGeographyID',
    'minimumDepthInMeters',
    'maximumDepthInMeters',
    'eventRemarks',
  ],
  occurrence: [
    'occurrenceID',
    'eventID',
    'basisOfRecord',
    'occurrenceStatus',
    'scientificName',
    'taxonID',
    'individualCount',
    'occurrenceRemarks',
  ],
  measurement: [
    'measurementID',
    'eventID',
    'measurementType',
    'measurementValue',
    'measurementUnit',
    'measurementMethod',
    'measurementRemarks',
  ],
} as const;
type Table = keyof typeof TERMS;
type Row<T extends Table> = Partial<Record<(typeof TERMS)[T][number], string | number>>;

/** Records as Darwin Core tables, one CSV text each. */
export type DarwinCore = Readonly<Record<Table, string>>;

const csv = <T extends Table>(table: T, rows: readonly Row<T>[]): string =>
  `${papaparse.unparse(
    rows
      .map((row) => TERMS[table].map((term) => (row as Record<string, string | number | undefined>)[term] ?? ''))
      .toSpliced(0, 0, [...TERMS[table]]),
    { newline: '\n', escapeFormulae: FORMULA },
  )}\n`;

/**
 * Wild places as Event, Occurrence and MeasurementOrFact records: a place is an event, each month of its year a part of it. Spans are two
 * measurements, low and high; what is unknown is left out; the basis of every figure stands as its method.
 */
export function placesAsDarwinCore(places: readonly Biotope[], organisms: ReadonlyMap<string, Organism>): DarwinCore {
  const events: Row<'event'>[] = [];
  const occurrences: Row<'occurrence'>[] = [];
  const measurements: Row<'measurement'>[] = [];
  for (const place of places) {
    const measure = <T>(eventID: string, type: string, unit: string, value: string | number, fact: Fact<T>) =>
      measurements.push({
        measurementID: `${eventID}:${type.replaceAll(' ', '-')}:${measurements.length + 1}`,
        eventID,
        measurementType: type,
        measurementValue: value,
        measurementUnit: unit,
        measurementMethod: fact.source ? `${fact.basis}: ${fact.source}` : fact.basis,
        measurementRemarks: fact.note ?? '',
      });
    const span = (eventID: string, type: string, unit: string, [low, high]: readonly [number, number], fact: Fact<unknown>) => {
      measure(eventID, `${type}, low`, unit, low, fact);
      measure(eventID, `${type}, high`, unit, high, fact);
    };
    events.push({
      eventID: place.id,
      habitat: place.habitat,
      locality: place.locality.value ?? '',
      verbatimLocality: place.name,
      waterBody: REGIONS[place.region].name,
      higherGeographyID: place.region,
      minimumDepthInMeters: place.depthM.value?.[0] ?? '',
      maximumDepthInMeters: place.depthM.value?.[1] ?? '',
      eventRemarks: place.description,
    });
    for (let month = 1; month <= 12; month++) {
      const [water, rain] = [place.waterC.value?.[month - 1], place.rainMm.value?.[month - 1]];
      const air = place.airC?.value?.[month - 1];
      if (!water && rain === undefined && air === undefined) continue;
      const eventID = `${place.id}:month-${String(month).padStart(2, '0')}`;
      events.push({ eventID, parentEventID: place.id, month });
      if (water) span(eventID, MEASURED_AS.temperatureC.type, MEASURED_AS.temperatureC.unit, water, place.waterC);
      if (air !== undefined && place.airC) measure(eventID, AIR.type, AIR.unit, air, place.airC);
      if (rain !== undefined) measure(eventID, RAIN.type, RAIN.unit, rain, place.rainMm);
    }
    for (const parameter of PARAMETERS) {
      const fact = place.water[parameter];
      if (fact?.value) span(place.id, MEASURED_AS[parameter].type, MEASURED_AS[parameter].unit, fact.value, fact);
    }
    for (const [key, type] of Object.entries(SAID) as [keyof typeof SAID, string][])
      if (place[key].value !== null) measure(place.id, type, '', place[key].value, place[key]);
    measure(place.id, COLOUR, '', place.waterColour, { value: place.waterColour, basis: 'recalled' });
    for (const id of place.materialIds) measure(place.id, MATERIAL, '', id, { value: id, basis: place.bottom.basis });
    const taxa = [
      ...place.organismIds.map((id) => ({ id, name: organisms.get(id)?.latin ?? id })),
      ...(place.otherTaxa ?? []).map((name) => ({ id: '', name })),
    ];
    taxa.forEach(({ id, name }, i) =>
      occurrences.push({
        occurrenceID: `${place.id}:${i + 1}`,
        eventID: place.id,
        basisOfRecord: 'HumanObservation',
        occurrenceStatus: 'present',
        scientificName: name,
        taxonID: id,
      }),
    );
  }
  return { event: csv('event', events), occurrence: csv('occurrence', occurrences), measurement: csv('measurement', measurements) };
}

/** A list of what is kept, as Occurrence records of living specimens. */
export function keptAsOccurrences(
  tankId: string,
  kept: readonly { id: string; latin: string; organismId: string; count: number; remarks?: string }[],
): string {
  return csv(
    'occurrence',
    kept.map(({ id, latin, organismId, count, remarks }) => ({
      occurrenceID: `${tankId}:${id}`,
      eventID: tankId,
      basisOfRecord: 'LivingSpecimen',
      occurrenceStatus: 'present',
      scientificName: latin,
      taxonID: organismId,
      individualCount: count,
      occurrenceRemarks: remarks ?? '',
    })),
  );
}

const FILES: Readonly<Record<Table, { file: string; rowType: string }>> = {
  event: { file: 'event.csv', rowType: 'Event' },
  occurrence: { file: 'occurrence.csv', rowType: 'Occurrence' },
  measurement: { file: 'measurementorfact.csv', rowType: 'MeasurementOrFact' },
};
const DWC = 'http://rs.tdwg.org/dwc/';

/** The three tables in a zip with the description that Darwin Core archives carry (meta.xml). */
export function darwinCoreArchive(tables: DarwinCore): Uint8Array {
  const described = (Object.keys(TERMS) as Table[]).map((table) => {
    const { file, rowType } = FILES[table];
    const tag = table === 'event' ? 'core' : 'extension';
    const at = (TERMS[table] as readonly string[]).indexOf('eventID');
    const fields = TERMS[table].map((term, i) => `    <field index="${i}" term="${DWC}terms/${term}"/>`).join('\n');
    return `  <${tag} encoding="UTF-8" fieldsTerminatedBy="," linesTerminatedBy="\\n" fieldsEnclosedBy="&quot;" ignoreHeaderLines="1" rowType="${DWC}terms/${rowType}">
    <files><location>${file}</location></files>
    <${tag === 'core' ? 'id' : 'coreid'} index="${at}"/>
${fields}
  </${tag}>`;
  });
  const meta = `<?xml version="1.0" encoding="UTF-8"?>\n<archive xmlns="${DWC}text/">\n${described.join('\n')}\n</archive>\n`;
  return zipSync(
    {
      'meta.xml': strToU8(meta),
      ...Object.fromEntries((Object.keys(TERMS) as Table[]).map((table) => [FILES[table].file, strToU8(tables[table])])),
    },
    { mtime: new Date('2000-01-01T00:00:00Z'), level: 6 },
  );
}
