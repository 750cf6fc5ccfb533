import { catalogue } from '../../core/testing/tanks';
import { animalSearch } from '../../core/catalogue/name-search';
import { placeSearch } from './search';

describe('search', () => {
  const animals = animalSearch(catalogue.organisms.values());
  const cases: [string, string][] = [
    ['danio marg', 'danio-margaritatus'],
    ['galaxy danio', 'danio-margaritatus'],
    ['parosphromenus', 'parosphromenus-harveyi'],
    ['licorice', 'parosphromenus-harveyi'],
    ['axolotl', 'ambystoma-mexicanum'],
    ['axolotel', 'ambystoma-mexicanum'],
    ['cardnal tetra', 'paracheirodon-axelrodi'],
    ['RAMIREZI', 'mikrogeophagus-ramirezi'],
  ];
  for (const [query, id] of cases) it(`finds ${id} by “${query}”`, () => expect(animals(query)[0]?.entry.id).toBe(id));

  it('gives all for nothing, nothing for nonsense, and no plants', () => {
    expect(animals('').length).toBe([...catalogue.organisms.values()].filter(({ kind }) => kind === 'animal').length);
    expect(animals('qqqqzzzz')).toEqual([]);
    expect(animals('hornwort').some(({ entry: { kind } }) => kind !== 'animal')).toBeFalse();
  });

  it('finds a place by its name or country', () => {
    const places = placeSearch(catalogue.biotopes.values());
    expect(places('shan')[0]?.id).toBe('spring-pond-shan');
    expect(places('selangor')[0]?.id).toBe('peat-swamp-selangor');
    expect(places('brackish')[0]?.id).toBe('lava-shore-pool');
  });
});
