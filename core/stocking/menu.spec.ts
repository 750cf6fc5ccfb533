import { FOODS, FoodId } from '../catalogue/food';
import type { Animal } from '../catalogue/organism';
import { catalogue } from '../testing/tanks';
import { eatersIn, eatsOf, fedBy, livesByLight, menuFor, portionsOf, whyNotEaten, type Dish } from './menu';

const animals = [...catalogue.organisms.values()].filter((entry): entry is Animal => entry.kind === 'animal');
const of = (id: string) => catalogue.organisms.get(id) as Animal;
const mouth = (id: string) => of(id).sizeMm.gape.value;
const why = (id: string, food: FoodId) => whyNotEaten(of(id), FOODS[food], mouth(id));
const takesLarvae = (id: string) => why(id, 'frozen-larvae') === null;
const dish = (foodId: FoodId, when: Dish['when'] = 'day'): Dish => ({ foodId, when, timesAWeek: 3 });

/** Common practice throughout. */
describe('what is fed to whom', () => {
  it('is known of every animal of the catalogue, and each gets a menu that feeds it', () => {
    for (const animal of animals) {
      expect(eatsOf(animal)?.tags.size).withContext(animal.id).toBeGreaterThan(0);
      const menu = menuFor(eatersIn([{ id: 'x', animal, count: 1, female: undefined, phase: 'keep' }]));
      if (!livesByLight(animal)) expect(menu.length).withContext(animal.id).toBeGreaterThan(0);
      expect(['fed', 'grazes'])
        .withContext(animal.id)
        .toContain(fedBy(animal, menu, animal.sizeMm.gape.value).is);
    }
  });

  it('fits the mouth, the place and the habit', () => {
    expect(why('paracheirodon-innesi', 'granules')).toBeNull();
    expect(why('hyphessobrycon-amandae', 'floating-pellets')).toBe('too-large');
    expect(why('hyphessobrycon-amandae', 'artemia-nauplii')).toBeNull();
    expect(why('corydoras-sterbai', 'flakes')).toBe('out-of-reach');
    expect(why('corydoras-sterbai', 'sinking-pellets')).toBeNull();
    expect(why('gasteropelecus-sternicla', 'sinking-pellets')).toBe('out-of-reach');
    expect(why('hippocampus-erectus', 'flakes')).toBe('not-eaten');
    expect(why('parosphromenus-harveyi', 'granules')).toBe('not-eaten');
    expect(why('parosphromenus-harveyi', 'artemia-nauplii')).toBeNull();
    expect(why('ambystoma-mexicanum', 'earthworms')).toBeNull();
    expect(why('carassius-auratus', 'microworms')).toBe('too-small');
    expect(why('atyopsis-moluccensis', 'powder')).toBeNull();
    expect(why('atyopsis-moluccensis', 'sinking-pellets')).toBe('too-large');
    expect(why('panaqolus-maccus', 'wood')).toBeNull();
  });

  it('feeds those that come out at night at night, or with what lies there', () => {
    const night = animals.find(
      ({ id, traits, group }) =>
        traits.activity.value === 'night' && group === 'fish' && traits.feeding.value !== 'grazes' && takesLarvae(id),
    )!;
    const gape = night.sizeMm.gape.value;
    expect(fedBy(night, [dish('frozen-larvae')], gape).is).toBe('leavings');
    expect(fedBy(night, [dish('frozen-larvae', 'dark')], gape).is).toBe('fed');
    expect(
      menuFor([{ id: 'n', animal: night, mouthMm: gape }]).some(({ when, foodId }) => when === 'dark' || FOODS[foodId].keeps),
    ).toBeTrue();
  });

  it('leaves nobody of a mixed company hungry, with few dishes', () => {
    const ids = ['paracheirodon-innesi', 'corydoras-sterbai', 'caridina-multidentata', 'apistogramma-cacatuoides', 'pangio-kuhlii'];
    const eaters = ids.map((id) => ({ id, animal: of(id), mouthMm: mouth(id) }));
    const menu = menuFor(eaters);
    expect(menu.length).toBeLessThanOrEqual(6);
    for (const { id, animal, mouthMm } of eaters)
      expect(['fed', 'grazes'])
        .withContext(id)
        .toContain(fedBy(animal, menu, mouthMm).is);
  });

  it('shares a week of food out over the portions, each by what it feeds', () => {
    const eaters = [
      { id: 'n', animal: of('paracheirodon-innesi'), mouthMm: mouth('paracheirodon-innesi'), feedG: 0.1 },
      { id: 'c', animal: of('corydoras-sterbai'), mouthMm: mouth('corydoras-sterbai'), feedG: 0.2 },
    ];
    const menu = [dish('granules'), dish('sinking-pellets'), dish('greens')];
    const [granules, pellets, greens] = portionsOf(menu, eaters);
    expect(greens).toBeNull();
    expect(3 * (granules! + (pellets ?? 0))).toBeCloseTo(7 * 0.3, 9);
    expect(portionsOf([dish('meat')], [eaters[0]!])).toEqual([null]);
  });

  it('says of shrimp that they live on what grows, and of a diet that is not known nothing', () => {
    expect(fedBy(of('neocaridina-davidi'), [dish('floating-pellets')], null).is).not.toBe('hungry');
    const unknown: Animal = { ...of('danio-rerio'), traits: { ...of('danio-rerio').traits, diet: { value: null, basis: 'practice' } } };
    expect(fedBy(unknown, [dish('flakes')], 3).is).toBe('not-known');
  });

  it('has a food for every size of mouth, each larger than nothing', () => {
    for (const id of FoodId.options) {
      const { acrossMm, dryShare, culture } = FOODS[id];
      if (acrossMm) expect(acrossMm[0]).withContext(id).toBeLessThan(acrossMm[1]);
      expect(dryShare).withContext(id).toBeGreaterThan(0);
      if (culture) expect(culture.days[0]).withContext(id).toBeLessThanOrEqual(culture.days[1]);
    }
  });
});
