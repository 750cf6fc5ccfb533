import fc from 'fast-check';
import { Analyte } from '../catalogue/water-source';
import { readWaterReport, type ReportedReading, type WaterReport } from './report';

const read = (text: string): WaterReport => {
  const found = readWaterReport(text);
  if (!found.ok) throw new Error(found.reason);
  return found.report;
};
const one = (line: string): Partial<Record<ReportedReading, number>> => read(`parameter;value;unit\n${line}`).readings;
const why = (line: string): string => read(`parameter;value;unit\ncalcium;50;mg/L\n${line}`).left[0]?.reason ?? 'taken';

describe('a water report', () => {
  // One water, in the units that laboratories use: 2.8 mmol/L of calcium, 1 meq/L of alkalinity, and so on.
  const cases: [line: string, reading: ReportedReading, value: number][] = [
    ['Calcium;112;mg/L', 'calcium', 112],
    ['Calcium (Ca);2,795;mmol/l', 'calcium', 112.02],
    ['Ca2+;5.589;meq/L', 'calcium', 112],
    ['Calcium;280;mg/L as CaCO3', 'calcium', 112.12],
    ['Copper;40;µg/L', 'copper', 0.04],
    ['Kupfer;<0,010;mg/l', 'copper', 0.005],
    ['Nitrate as N;3.61;mg/L', 'nitrate', 15.98],
    ['Nitrate (as NO3);16;mg/L', 'nitrate', 16],
    ['NO3-;16;mg/L', 'nitrate', 16],
    ['SO4 2-;31;mg/L', 'sulfate', 31],
    ['Silica (as SiO2);11.1;mg/L', 'silicon', 5.19],
    ['Phosphorus;0.0326;mg/L', 'phosphate', 0.1],
    ['Total hardness;17.8;°dH', 'ghDh', 17.8],
    ['Gesamthärte;3,174;mmol/l', 'ghDh', 17.8],
    ['Hardness (as CaCO3);317.7;mg/L', 'ghDh', 17.8],
    ['Dureté totale;31.77;°fH', 'ghDh', 17.8],
    ['Total hardness;22.29;°Clark', 'ghDh', 17.8],
    ['Hardness;18.56;grains/gal', 'ghDh', 17.8],
    ['Total hardness;127.2;mg/L Ca', 'ghDh', 17.8],
    ['Alkalinity as CaCO3;239.2;mg/L', 'khDh', 13.4],
    ['Hydrogencarbonate;291.6;mg/L', 'khDh', 13.4],
    ['Bicarbonate as CaCO3;239.2;mg/L', 'khDh', 13.4],
    ['Säurekapazität;4,779;mmol/l', 'khDh', 13.4],
    ['TAC;23.92;°f', 'khDh', 13.4],
    ['Conductivity;612;uS/cm', 'ec25UsPerCm', 612],
    ['Leitfähigkeit;61,2;mS/m', 'ec25UsPerCm', 612],
    ['Electrical conductivity;0.612;mS/cm', 'ec25UsPerCm', 612],
    ['Temperature;51.8;°F', 'temperatureC', 11],
    ['pH-Wert;7,6;', 'ph', 7.6],
    ['Sodium;10-12;mg/L', 'sodium', 11],
    ['Chloride;1,021.5;mg/L', 'chloride', 1021.5],
    ['Iron;n.d.;mg/L', 'iron', 0],
    ['TOC;0.8;mg/L', 'organicCarbon', 0.8],
    ['Monochloramine;2;mg/L', 'chlorine', 2],
  ];
  for (const [line, reading, value] of cases)
    it(`reads ${line}`, () => {
      const found = one(line)[reading];
      expect(found).toBeDefined();
      expect(Math.abs(found! - value)).toBeLessThan(0.002 * Math.max(1, value));
    });

  const refused: [line: string, reason: RegExp][] = [
    ['pH;14.2;', /outside 3–11/],
    ['Sodium;-4;mg/L', /negative/],
    ['Sodium;4;', /no unit/],
    ['Sodium;4;furlongs', /"furlongs" is not a unit of concentration/],
    ['Total hardness;300;', /no unit: degrees and mg\/L lie far apart/],
    ['Hardness;9000;°dH', /more than 500 is not possible/],
    ['Coliform bacteria;0;per 100 mL', /not one of the things/],
    ['Magnesium;a little;mg/L', /is not a number/],
    ['Magnesium;;mg/L', /no value/],
    ['Calcium;90;mg/L', /the first is kept/],
    ['Conductivity;4;kg', /not a unit of conductivity/],
    ['Temperature;4;bar', /not a unit of temperature/],
  ];
  for (const [line, reason] of refused) it(`leaves out ${line}, and says why`, () => expect(why(line)).toMatch(reason));

  it('names the line of what it leaves out, and keeps the rest', () => {
    const report = read('Valley works, yearly means\n\nParameter,Unit,Mean\nCalcium,mg/L,112\nLead,µg/L,1\nChloride,mg/L,21\n');
    expect(report.title).toBe('Valley works, yearly means');
    expect(report.readings).toEqual({ calcium: 112, chloride: 21 });
    expect(report.left).toEqual([jasmine.objectContaining({ line: 5, text: 'Lead 1 µg/L' })]);
    expect(report.used.map(({ line }) => line)).toEqual([4, 6]);
  });

  it('reads a table without a head, and tabs', () => {
    expect(read('Calcium\t112\tmg/L\nMagnesium\t9\tmg/L').readings).toEqual({ calcium: 112, magnesium: 9 });
  });

  it('reads JSON, and whether it was made up', () => {
    const report = read(
      JSON.stringify({
        title: 'Test',
        simulated: true,
        disinfectant: 'chloramine',
        values: [{ name: 'Calcium', value: 40, unit: 'mg/L' }],
      }),
    );
    expect([report.simulated, report.disinfectant, report.readings.calcium]).toEqual([true, 'chloramine', 40]);
  });

  it('knows chloramine by its name', () => {
    expect(read('Monochloramine;2;mg/L\n').disinfectant).toBe('chloramine');
    expect(read('Free chlorine;0.3;mg/L\n').disinfectant).toBe('chlorine');
  });

  for (const [text, reason] of [
    ['', /empty/],
    ['{', /invalid JSON/],
    ['{"values": []}', /At values/],
    ['{"values": [{"name": 4, "value": 1}]}', /At values\.0\.name/],
    ['just words', /Nothing in it could be read/],
    ['x'.repeat(600_000), /longer than 500 kB/],
  ] as const)
    it(`refuses ${text.slice(0, 30) || 'an empty file'} as a whole`, () => {
      const found = readWaterReport(text);
      expect(found.ok ? 'read' : found.reason).toMatch(reason);
    });

  it('never gives a number that is none', () => {
    const name = fc.constantFrom('Calcium', 'pH', 'Hardness', 'Alkalinity as CaCO3', 'EC', 'Nitrate as N', 'Temperature', 'Silica');
    const unit = fc.constantFrom('mg/L', 'µg/L', 'mmol/L', '°dH', 'mS/m', '', '°F', 'as N', 'mg/L as CaCO3', '°fH');
    const value = fc.oneof(
      fc.double().map(String),
      fc.string({ maxLength: 8 }),
      fc.constantFrom('1e999', '<', '-0', '1,2,3', '..', '1-2-3'),
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(name, value, unit), { minLength: 1, maxLength: 6 }), (rows) => {
        const found = readWaterReport(rows.map((row) => row.map((cell) => cell.replaceAll(/[\n\r;"]/g, '')).join(';')).join('\n'));
        if (!found.ok) return;
        for (const [reading, number] of Object.entries(found.report.readings)) {
          expect(Number.isFinite(number) && number >= (reading === 'temperatureC' ? -300 : 0))
            .withContext(`${reading} ${number}`)
            .toBeTrue();
        }
      }),
    );
  });

  it('has a name for every analyte', () => {
    for (const analyte of Analyte.options)
      expect(one(`${analyte === 'organicCarbon' ? 'organic carbon' : analyte};0.5;mg/L`)[analyte])
        .withContext(analyte)
        .toBeDefined();
  });
});
