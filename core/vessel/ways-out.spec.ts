import { catalogueData } from '../../catalogue';
import type { Animal } from '../catalogue/organism';
import { box } from '../testing/tanks';
import { lidFinding } from './findings';

const top = (lid: 'none' | 'mesh' | 'glass') => ({ ...box(600, 300, 360), lid: { value: lid, basis: 'measured' as const } });
const animals = catalogueData.organisms.filter((entry): entry is Animal => entry.kind === 'animal');

/** Who gets out of an open top: common practice, by who is found on the floor in the morning. */
const OUT: readonly (readonly [id: string, severity: 'conflict' | 'watch' | 'fits'])[] = [
  ['geosesarma-dennerle', 'conflict'],
  ['minuca-rapax', 'conflict'],
  ['cynops-orientalis', 'conflict'],
  ['triturus-cristatus', 'conflict'],
  ['procambarus-clarkii', 'conflict'],
  ['carnegiella-strigata', 'conflict'],
  ['macrognathus-siamensis', 'conflict'],
  ['pangio-kuhlii', 'watch'],
  ['vittina-natalensis', 'watch'],
  ['danio-margaritatus', 'watch'],
  ['paracheirodon-innesi', 'fits'],
  ['corydoras-pygmaeus', 'fits'],
  ['neocaridina-davidi', 'fits'],
];

describe('an open top', () => {
  for (const [id, severity] of OUT)
    it(`${severity === 'fits' ? 'holds' : 'does not hold'} ${id}`, () => {
      const animal = animals.find((one) => one.id === id);
      if (!animal) throw new Error(`no ${id}`);
      expect(lidFinding('s0', animal, top('none')).severity).toBe(severity);
      expect(lidFinding('s0', animal, top('mesh')).severity).toBe('fits');
    });

  it('holds no amphibian, crab or crayfish that climbs, whichever it is', () => {
    const walkers = animals.filter(
      ({ group, traits }) => ['amphibian', 'crab', 'crayfish'].includes(group) && traits.climbs.value === true,
    );
    expect(walkers.length).toBeGreaterThan(20);
    for (const animal of walkers) {
      expect(lidFinding('s0', animal, top('none')).severity)
        .withContext(animal.id)
        .toBe('conflict');
      expect(lidFinding('s0', animal, top('glass')).severity)
        .withContext(animal.id)
        .toBe('fits');
    }
  });
});
