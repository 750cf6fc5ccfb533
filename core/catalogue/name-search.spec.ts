import { catalogueData } from '../../catalogue/index';
import { nameSearch, plainName } from './name-search';

const search = nameSearch([...catalogueData.organisms]);
const ids = (query: string) => search(query).map(({ entry }) => entry.id);

describe('names as they are compared', () => {
  it('leave out accents, marks, number and doubt', () => {
    expect(plainName('Süßwassertang')).toBe('susswassertang');
    expect(plainName('Caridina cf. cantonensis')).toBe('caridina cantonensis');
    expect(plainName('Cherry Shrimps')).toBe(plainName('cherry shrimp'));
  });
});

describe('the search by name', () => {
  const firsts: [string, RegExp][] = [
    ['crystal red', /^caridina-logemanni-red$/],
    ['Caridina cantonensis', /^caridina-/],
    ['galaxy rasbora', /^danio-margaritatus$/],
    ['celestial pearl', /^danio-margaritatus$/],
    ['goldfish', /^carassius-auratus/],
    ['cardnal tetra', /^paracheirodon-axelrodi$/],
    ['axolotel', /^ambystoma-mexicanum$/],
    ['blue bolt', /^caridina-logemanni-blue-bolt$/],
    ['pea puffer', /^carinotetraodon-travancoricus$/],
    ['Brachydanio rerio', /^danio-rerio$/],
  ];
  for (const [query, id] of firsts) it(`finds ${id.source} by “${query}”`, () => expect(ids(query)[0]).toMatch(id));

  it('gives several kinds of one name as a choice', () => {
    const hits = search('dwarf cory').filter(({ exact }) => exact);
    expect(hits.map(({ entry }) => entry.id).sort()).toEqual(['corydoras-habrosus', 'corydoras-hastatus', 'corydoras-pygmaeus']);
    expect(hits.every(({ by }) => by === null || plainName(by) === 'dwarf cory')).toBeTrue();
  });

  it('never takes a goldfish for an angelfish, and finds nothing for nonsense', () => {
    expect(ids('goldfish').some((id) => id.startsWith('pterophyllum'))).toBeFalse();
    expect(ids('qqqqzzzz')).toEqual([]);
    expect(ids('').length).toBe(catalogueData.organisms.length);
  });

  it('forgives a letter left out or turned round', () => {
    // every fourth: a misspelt name is looked for through all of them
    const long = catalogueData.organisms.filter(({ common }) => common[0]!.length >= 9).filter((_, at) => at % 4 === 0);
    const slips = long.flatMap(({ id, common: [name = ''] }) => [
      { id, typed: name.slice(0, 4) + name.slice(5) },
      { id, typed: name.slice(0, 3) + name[4] + name[3] + name.slice(5) },
    ]);
    const lost = slips.filter(({ id, typed }) => !ids(typed).slice(0, 3).includes(id));
    expect(slips.length).toBeGreaterThan(120);
    expect(lost.length / slips.length)
      .withContext(lost.map(({ typed }) => typed).join(', '))
      .toBeLessThan(0.03);
  });

  it('finds every kind by every name it has, first or among those called so', () => {
    let names = 0;
    for (const entry of catalogueData.organisms)
      for (const name of [entry.latin, ...entry.common, ...(entry.synonyms ?? []), ...(entry.alsoCalled ?? [])]) {
        names += 1;
        const hits = search(name);
        const place = hits.findIndex((hit) => hit.entry.id === entry.id);
        if (place > 0 && hits[place]!.exact) continue;
        expect(place).withContext(`${name} → ${entry.id}`).toBe(0);
      }
    expect(names).toBeGreaterThan(2000);
  });
});
