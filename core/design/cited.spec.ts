import { catalogue } from '../testing/tanks';
import fixture from './fixtures/design-v6.json';
import { citedDifferences, missingOwn } from './cited';
import { emptyOwnCatalogue, type OwnCatalogue } from './own-catalogue';

const danio = catalogue.organisms.get('danio-margaritatus')!;
const copy = () => JSON.parse(JSON.stringify(danio)) as { ranges: { keep: { ph: { value: { optimum: number[] } } } }; id: string };

describe('entries that come with a file', () => {
  it('differ by fact, and only where values do', () => {
    const theirs = copy();
    theirs.ranges.keep.ph.value.optimum = [6.6, 7.4];
    expect(citedDifferences([copy()], catalogue.organisms)).toEqual([]);
    expect(citedDifferences([theirs], catalogue.organisms)).toEqual([{ latin: 'Danio margaritatus', path: 'ranges.keep.ph' }]);
  });

  it('of unknown kinds or other shapes are no difference', () => {
    expect(
      citedDifferences([{ ...copy(), id: 'unheard-of' }, null, 7, { id: danio.id, traits: { breeding: 'a word' } }], catalogue.organisms),
    ).toEqual([]);
  });

  it('bring along the materials and mixes that are used, and no others', () => {
    const mix = { id: 'mix-bee', name: 'Bee mix', parts: { gypsum: 1 }, gramsPerDh: null };
    const theirs = { ...emptyOwnCatalogue(), mixes: { 'mix-bee': mix, 'mix-tea': { ...mix, id: 'mix-tea' } } };
    const used = { organismIds: [], biotopeId: null, materialIds: ['own-quarry'], saltIds: ['gypsum', 'mix-bee'] };
    expect(missingOwn(emptyOwnCatalogue(), theirs, used)!.mixes).toEqual({ 'mix-bee': mix });
    expect(missingOwn(theirs, theirs, used)).toBeNull();
  });

  it('bring along what the room here has not, and overwrite nothing', () => {
    const theirs = fixture.room.own as unknown as OwnCatalogue;
    const used = { organismIds: ['ditch-shrimp', 'danio-margaritatus'], biotopeId: 'back-ditch', materialIds: [], saltIds: [] };
    const brought = missingOwn(emptyOwnCatalogue(), theirs, used)!;
    expect([Object.keys(brought.organisms), Object.keys(brought.biotopes), Object.keys(brought.overrides)]).toEqual([
      ['ditch-shrimp'],
      ['back-ditch'],
      [],
    ]);
    expect(missingOwn(brought, theirs, used)).toBeNull();
    expect(missingOwn(emptyOwnCatalogue(), theirs, { ...used, organismIds: ['danio-margaritatus'], biotopeId: null })).toBeNull();
  });
});
