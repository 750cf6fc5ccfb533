import { catalogueData } from '../../catalogue';
import { indexCatalogue } from './catalogue';
import type { Animal } from './organism';
import { unidentified } from './unidentified';

const { organisms } = indexCatalogue(catalogueData);
const animal = (id: string) => organisms.get(id) as Animal;

describe('an animal that is not identified', () => {
  const pygmy = animal('corydoras-pygmaeus');
  const spotted = animal('corydoras-hastatus');
  const either = unidentified([pygmy, spotted]);

  it('bears only what each of the kinds bears', () => {
    for (const parameter of ['temperatureC', 'ph', 'ghDh'] as const) {
      const shared = either.ranges.keep![parameter]!.value!;
      for (const kind of [pygmy, spotted]) {
        const own = kind.ranges.keep![parameter]!.value!;
        expect(shared.tolerance[0]).toBeGreaterThanOrEqual(own.tolerance[0]!);
        expect(shared.tolerance[1]).toBeLessThanOrEqual(own.tolerance[1]!);
        expect(shared.optimum[0]).toBeGreaterThanOrEqual(own.optimum[0]!);
        expect(shared.optimum[1]).toBeLessThanOrEqual(own.optimum[1]!);
      }
    }
    expect(either.latin).toBe('Corydoras pygmaeus or Corydoras hastatus');
  });

  it('is as large, as many and as wild as the most of them', () => {
    expect(either.traits.groupMin.value).toBe(Math.max(pygmy.traits.groupMin.value!, spotted.traits.groupMin.value!));
    expect(either.traits.volumeL.value).toBe(Math.max(pygmy.traits.volumeL.value!, spotted.traits.volumeL.value!));
    const doubtful = unidentified([animal('betta-imbellis'), animal('macropodus-opercularis')]);
    expect(doubtful.sizeMm.length.value).toBe(90);
    expect(doubtful.traits.hunts.value).toEqual(jasmine.arrayWithExactContents(['shrimp', 'fish']));
    expect(doubtful.traits.jumps.value).toBeTrue();
  });

  it('is unknown where they agree on nothing, or where one of them is unknown', () => {
    const apart = unidentified([animal('parosphromenus-harveyi'), animal('neolamprologus-multifasciatus')]);
    expect(apart.ranges.keep!.ph).toEqual({ value: null, basis: 'practice', note: jasmine.stringContaining('identify') as never });
    expect(apart.traits.breeding.mode.value).toBeNull();
    const unsized = unidentified([pygmy, { ...spotted, sizeMm: { ...spotted.sizeMm, length: { value: null, basis: 'recalled' } } }]);
    expect(unsized.sizeMm.length.value).toBeNull();
  });

  it('claims no more than the weakest of what it rests on', () => {
    expect(either.sizeMm.depth.basis).toBe('recalled');
    expect(either.traits.groupMin.basis).toBe('practice');
  });

  it('is one of at least two kinds', () => expect(() => unidentified([pygmy])).toThrowError(/at least two/));
});
