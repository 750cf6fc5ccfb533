import { unzipSync, strFromU8 } from 'fflate';
import { Biotope } from '../catalogue/biotope';
import { catalogue } from '../testing/tanks';
import { darwinCoreArchive, keptAsOccurrences, placesAsDarwinCore } from './darwin-core';
import { readRecords, RECORD_LIMITS } from './read-records';

const places = [...catalogue.biotopes.values()];
const filesOf = (tables: ReturnType<typeof placesAsDarwinCore>) =>
  Object.entries(tables).map(([name, text]) => ({ name: `${name}.csv`, text }));

/** What a record cannot carry: how the places' own names of locality and depth are known. */
const carried = (place: Biotope) => ({
  ...place,
  locality: place.locality.value,
  depthM: place.depthM.value,
});

describe('Darwin Core records', () => {
  it('of every place of the catalogue come back as they went out', () => {
    const read = readRecords(filesOf(placesAsDarwinCore(places, catalogue.organisms)), catalogue);
    if (!read.ok) return fail(read.reason);
    expect(read.left).toEqual([]);
    expect(read.drafts.length).toBe(places.length);
    for (const draft of read.drafts) {
      expect(Biotope.safeParse(draft).success).withContext(draft.id).toBeTrue();
      expect(carried(draft))
        .withContext(draft.id)
        .toEqual(carried(catalogue.biotopes.get(draft.id)!));
    }
  });

  it('use the terms of the standard, and describe their columns in the archive', () => {
    const tables = placesAsDarwinCore(places.slice(0, 1), catalogue.organisms);
    expect(tables.occurrence.split('\n')[0]).toBe(
      'occurrenceID,eventID,basisOfRecord,occurrenceStatus,scientificName,taxonID,individualCount,occurrenceRemarks',
    );
    const files = unzipSync(darwinCoreArchive(tables));
    expect(Object.keys(files).sort()).toEqual(['event.csv', 'measurementorfact.csv', 'meta.xml', 'occurrence.csv']);
    const meta = strFromU8(files['meta.xml']!);
    expect(meta.match(/<field /g)!.length).toBe(11 + 8 + 7);
    expect(meta).toContain('rowType="http://rs.tdwg.org/dwc/terms/MeasurementOrFact"');
  });

  it('open safely in a spreadsheet, and lose nothing by it', () => {
    const odd = { ...places[0]!, name: '=HYPERLINK("x")', description: '-minus "quoted", with comma\nand line' };
    const tables = placesAsDarwinCore([odd], catalogue.organisms);
    expect(tables.event).toContain(`'=HYPERLINK`);
    const read = readRecords(filesOf(tables), catalogue);
    expect(read.ok && [read.drafts[0]!.name, read.drafts[0]!.description]).toEqual([odd.name, odd.description]);
  });

  it('list what is kept as living specimens', () => {
    const text = keptAsOccurrences('tank', [{ id: 's0', latin: 'Danio tinwini', organismId: 'danio-tinwini', count: 12 }]);
    expect(text.split('\n')[1]).toBe('tank:s0,tank,LivingSpecimen,present,Danio tinwini,danio-tinwini,12,');
  });
});

describe('records from elsewhere', () => {
  const read = (text: string, name = 'records.csv') => readRecords([{ name, text }], catalogue);

  it('with measurements become the draft of a place, names without their authors, units brought to ours', () => {
    const found = read(
      [
        'dwc:scientificName;dwc:locality;dwc:eventDate;dwc:measurementType;dwc:measurementValue;dwc:measurementUnit',
        'Danio tinwini Kullander & Fang, 2009;Brook at the mill;2026-02-11;pH;6,8;',
        'Danio tinwini;Brook at the mill;2026-02-11;Temperature;64.4;F',
        'Puntius strangeus Nobody, 1900;Brook at the mill;2026-07-01;water temperature;25;°C',
        'Danio choprae;Brook at the mill;2026-07-01;hardness;53.5;mg/L CaCO3',
        'Danio choprae;Brook at the mill;2026-07-01;conductivity;0.12;mS/cm',
      ].join('\n'),
    );
    if (!found.ok) return fail(found.reason);
    const [draft] = found.drafts;
    expect(draft!.organismIds).toEqual(['danio-tinwini', 'danio-choprae']);
    expect(draft!.otherTaxa).toEqual(['Puntius strangeus']);
    expect(draft!.water.ph!.value).toEqual([6.8, 6.8]);
    expect(draft!.water.temperatureC!.value).toEqual([18, 25]);
    expect(draft!.water.ghDh!.value![0]).toBeCloseTo(3, 2);
    expect(draft!.water.ec25UsPerCm!.value).toEqual([120, 120]);
    expect([draft!.name, draft!.habitat, draft!.waterC.value]).toEqual(['Brook at the mill', 'fresh', null]);
    expect(Biotope.safeParse(draft).success).toBeTrue();
  });

  it('that are damaged are listed by line, the rest is taken', () => {
    const found = read(
      [
        'scientificName,locality,occurrenceStatus,measurementType,measurementValue,measurementUnit,month',
        'Danio rerio,Pond,present,,,,',
        ',Pond,present,,,,',
        'danio rerio,Pond,present,,,,',
        'Danio rerio,Pond,absent,,,,',
        'Danio rerio,Pond,present,pH,acid,,',
        'Danio rerio,Pond,present,pH,77,,',
        'Danio rerio,Pond,present,pH,7,furlong,',
        'Danio rerio,Pond,present,radiance,7,,',
        'Danio rerio,Pond,present,pH,,,',
        'Danio rerio,Pond,present,pH,7,,13',
        'Danio rerio,Pond',
        'Danio rerio,Pond,present,pH,7.2,,',
      ].join('\n'),
    );
    if (!found.ok) return fail(found.reason);
    expect(found.left.map(({ line }) => line)).toEqual(jasmine.arrayWithExactContents([3, 4, 5, 6, 7, 8, 9, 10, 11, 12]));
    expect(found.left.every(({ reason }) => reason.length > 5)).toBeTrue();
    expect(found.drafts[0]!.water.ph!.value).toEqual([7.2, 7.2]);
  });

  it('of other kinds are refused whole, with the reason', () => {
    expect(read('name,colour\nstone,red')).toEqual(
      jasmine.objectContaining({ ok: false, reason: jasmine.stringContaining('Darwin Core') }),
    );
    expect(read('')).toEqual(jasmine.objectContaining({ ok: false }));
    expect(read(`scientificName\n${'Danio rerio\n'.repeat(20_100)}`)).toEqual(jasmine.objectContaining({ ok: false }));
    expect(read('x'.repeat(5_000_001)).ok).toBeFalse();
    expect(read('scientificName\n"Danio rerio')).toEqual(jasmine.objectContaining({ ok: false }));
  });
});

describe('more places than can be taken in', () => {
  const events = (count: number, more = '') => [
    {
      name: 'event.csv',
      text: `eventID,month,locality\n${Array.from({ length: count }, (_, i) => `e${i},5,Brook ${i}`).join('\n')}\n${more}`,
    },
  ];
  const read = (count: number, more = '') => readRecords(events(count, more), catalogue);

  it('are left from the first on that is too many, and told of by line', () => {
    expect(read(RECORD_LIMITS.places).left.filter(({ reason }) => reason.startsWith('more than'))).toEqual([]);
    const over = read(RECORD_LIMITS.places + 2);
    expect(over.left.filter(({ reason }) => reason === `more than ${RECORD_LIMITS.places} places`).map(({ line }) => line)).toEqual([
      RECORD_LIMITS.places + 2,
      RECORD_LIMITS.places + 3,
    ]);
    // what belongs to a place that was taken still is
    expect(read(RECORD_LIMITS.places, 'e3,6,Brook 3\n').left.filter(({ reason }) => reason.startsWith('more than'))).toEqual([]);
  });
});
