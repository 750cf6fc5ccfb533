import { catalogue } from '../testing/tanks';
import { JURISDICTION_WORD } from '../catalogue/law';
import { lawFindings } from './findings';

const kept = (...ids: string[]) => ids.map((id) => ({ id, organism: catalogue.organisms.get(id)! }));

describe('the law of the place', () => {
  const weed = kept('salvinia-molesta', 'danio-margaritatus');
  it('bars what its list names, each by its name and its year', () => {
    expect(
      lawFindings(weed, 'eu').map(({ severity, subjects, kind, values }) => [severity, subjects, kind, values['since']?.value]),
    ).toEqual([['conflict', ['salvinia-molesta'], 'keeping eu', 2019]]);
    expect(lawFindings(weed, 'us')[0]!.severity).toBe('watch');
    expect(lawFindings(kept('azolla-filiculoides'), 'gb')[0]!.kind).toBe('sale gb');
    expect(lawFindings(weed, 'other')).toEqual([]);
  });
  it('that is not stated is told once, and only where something is listed anywhere', () => {
    const [all, ...more] = lawFindings(kept('salvinia-molesta', 'procambarus-clarkii', 'danio-margaritatus'), null);
    expect(more).toEqual([]);
    expect(all!.severity).toBe('unknown');
    expect(all!.subjects).toEqual(['salvinia-molesta', 'procambarus-clarkii']);
    expect(lawFindings(kept('danio-margaritatus'), null)).toEqual([]);
  });
  it('names each kind once a place, in words that are there', () => {
    for (const { barred, id } of catalogue.organisms.values()) {
      const places = (barred?.value ?? []).map(({ where }) => where);
      expect(new Set(places).size).withContext(id).toBe(places.length);
      for (const where of places) expect(JURISDICTION_WORD[where]).toMatch(/^[A-Zt]/);
    }
  });
});
