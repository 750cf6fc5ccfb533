import Papa from 'papaparse';
import { lowBarn } from '../testing/tanks';
import { BROOD_COLUMNS, broodsCsv, PEDIGREE_COLUMNS, pedigreeCsv } from './csv-out';

const rows = (text: string) => Papa.parse<Record<string, string>>(text, { header: true }).data;

describe('a pedigree as a table', () => {
  const all = rows(pedigreeCsv(lowBarn.lines, lowBarn.bred, null, false));

  it('has a row an animal, with its parents and what follows from them', () => {
    expect(Object.keys(all[0]!)).toEqual([...PEDIGREE_COLUMNS]);
    expect(all.length).toBe(Object.keys(lowBarn.bred).length);
    const hen = all.find(({ id }) => id === 'g-f5h')!;
    expect([hen['motherId'], hen['fatherIds'], hen['generation'], hen['inbreeding']]).toEqual(['g-f4h', 'g-f4c', 'F5', '0.375']);
    expect(all.find(({ id }) => id === 'm-founders')!['females']).toBe('4');
  });

  it('leaves the place out where that is wanted, and other kinds', () => {
    const masked = rows(pedigreeCsv(lowBarn.lines, lowBarn.bred, 'neolamprologus-multifasciatus', true));
    expect(masked.map(({ id }) => id)).toEqual(['m-founders', 'm-young']);
    expect(masked.map(({ locality }) => locality)).toEqual(['', '']);
    expect(all.find(({ id }) => id === 'm-young')!['locality']).toContain('Stony Cape');
  });

  it('starts no formula', () => {
    const one = { ...lowBarn.bred['g-new']!, name: '=1+1' };
    expect(pedigreeCsv(lowBarn.lines, { one: { ...one, lineId: null } }, null, false)).toContain("'=1+1");
  });
});

describe('broods as a table', () => {
  it('have their days and their counts', () => {
    const read = rows(broodsCsv(Object.entries(lowBarn.broods)));
    expect(Object.keys(read[0]!)).toEqual([...BROOD_COLUMNS]);
    const june = read.find(({ id }) => id === 'thicket-june')!;
    expect([june['laid-on'], june['hatched-on'], june['second-food-on'], june['hatched'], june['raised']]).toEqual([
      '2026-06-18',
      '2026-06-22',
      '',
      '15',
      '4',
    ]);
    expect(read.find(({ id }) => id === 'shells-october')!['fatherIds']).toBe('m-founders|m-young');
  });
});
