import type { Animal } from '../catalogue/organism';
import { catalogue } from '../testing/tanks';
import { bodyMass, bodyMassG, massOfAnimal } from './body-mass';
import { breath, breathMgPerDay } from './breath';
import { usualFeedG, usualFeedOfTank } from './usual-feed';

const of = (id: string): Animal => catalogue.organisms.get(id) as Animal;

/** Grams of grown animals as keepers weigh them; common practice, recalled. */
const WEIGHTS: readonly (readonly [id: string, least: number, most: number])[] = [
  ['paracheirodon-innesi', 0.2, 0.45],
  ['xiphophorus-hellerii', 3, 9],
  ['trigonostigma-heteromorpha', 0.7, 1.5],
  ['corydoras-aeneus', 5, 10],
  ['trichopodus-leerii', 8, 19],
  ['melanotaenia-boesemani', 6, 15],
  ['pterophyllum-scalare', 25, 60],
  ['symphysodon-aequifasciatus', 120, 250],
  ['labidochromis-caeruleus', 9, 25],
  ['ambystoma-mexicanum', 60, 150],
  ['neocaridina-davidi', 0.15, 0.35],
  ['danio-rerio', 0.3, 0.7],
  ['poecilia-reticulata', 0.2, 1],
  ['betta-splendens', 0.9, 3],
  ['puntigrus-tetrazona', 2, 6],
  ['mikrogeophagus-ramirezi', 1, 3],
  ['apistogramma-cacatuoides', 3, 8],
  ['ancistrus-cf-cirrhosus', 20, 55],
  ['otocinclus-vittatus', 0.3, 0.9],
  ['pangio-kuhlii', 1.5, 5],
  ['cynops-orientalis', 2, 6],
  ['pleurodeles-waltl', 35, 90],
  ['cherax-destructor', 50, 130],
  ['caridina-multidentata', 0.8, 2.2],
  ['amphiprion-ocellaris', 4, 13],
  ['hippocampus-erectus', 6, 18],
  // living tissue, not what they span
  ['antillogorgia-bipinnata', 5, 60],
  ['ptilocaulis-walpersi', 20, 150],
  ['planorbella-duryi', 0.2, 1.2],
];

describe('what animals weigh', () => {
  for (const [id, least, most] of WEIGHTS)
    it(`${id}: ${least} to ${most} g`, () => {
      const grams = massOfAnimal(of(id))!;
      expect(grams).toBeGreaterThanOrEqual(least);
      expect(grams).toBeLessThanOrEqual(most);
    });

  it('grows with the cube of length, and needs the box of a shell', () => {
    const fish = { form: 'slender-fish', depthMm: null, widthMm: null, longFins: false } as const;
    expect(bodyMassG({ ...fish, lengthMm: 80 })! / bodyMassG({ ...fish, lengthMm: 40 })!).toBeCloseTo(8, 9);
    expect(bodyMassG({ form: 'snail', lengthMm: 20, depthMm: null, widthMm: null, longFins: false })).toBeNull();
    const none = of('paracheirodon-innesi');
    expect(massOfAnimal({ ...none, sizeMm: { ...none.sizeMm, length: { value: null, basis: 'recalled' } } })).toBeNull();
  });

  it('refuses no size and three metres', () => {
    for (const lengthMm of [0, -5, 3000])
      expect(
        bodyMass.inputs.safeParse({ form: 'slender-fish', lengthMm, depthMm: null, widthMm: null, longFins: false }).success,
      ).toBeFalse();
  });
});

describe('what animals breathe', () => {
  const perKgHour = (id: string) => {
    const animal = of(id);
    const grams = massOfAnimal(animal)!;
    return (breathMgPerDay(grams, animal.group, animal.traits.current.value ?? 'slow') / 24 / grams) * 1000;
  };
  // mg/kg·h at 25 °C, common practice: small tropical fish 200 to 600, large or still ones 80 to 250, amphibians 30 to 80, shrimp 150 to 400
  for (const [ids, least, most] of [
    [['paracheirodon-innesi', 'danio-rerio', 'trigonostigma-heteromorpha', 'xiphophorus-hellerii'], 200, 600],
    [['symphysodon-aequifasciatus', 'pterophyllum-scalare', 'trichopodus-leerii'], 80, 320],
    [['ambystoma-mexicanum', 'pleurodeles-waltl'], 30, 80],
    [['neocaridina-davidi', 'caridina-multidentata'], 150, 400],
  ] as const)
    for (const id of ids)
      it(`${id}: ${least} to ${most} mg/kg·h`, () => {
        expect(perKgHour(id)).toBeGreaterThanOrEqual(least);
        expect(perKgHour(id)).toBeLessThanOrEqual(most);
      });

  it('is that of the source for resting fish within its range', () => {
    // Clarke & Johnston 1999 at rest and 25 °C, mg an hour: 5 g 1.66, 50 g 10.3 (recalled)
    for (const [grams, mgPerHour] of [
      [5, 1.66],
      [50, 10.3],
    ] as const)
      expect(Math.abs(breathMgPerDay(grams, 'fish', 'none') / 24 / 1.1 / mgPerHour - 1)).toBeLessThan(0.03);
    // below it by weight: half the fish, half the breath
    expect(breathMgPerDay(0.4, 'fish') / breathMgPerDay(0.2, 'fish')).toBeCloseTo(2, 9);
  });

  it('refuses an animal that weighs nothing', () => {
    expect(breath.inputs.safeParse({ grams: 0, group: 'fish', current: 'slow' }).success).toBeFalse();
  });
});

describe('what animals are fed', () => {
  it('is a share of their weight that falls as they grow, and little for an axolotl', () => {
    // common practice, dry: small fish 0.5 to 1.5 %, large 0.3 to 0.8 %, axolotl 0.2 to 0.5 %
    const percent = (grams: number, group: Animal['group']) => (100 * usualFeedG(grams, group)) / grams;
    expect(percent(0.3, 'fish')).toBeGreaterThan(0.9);
    expect(percent(0.3, 'fish')).toBeLessThan(1.5);
    expect(percent(150, 'fish')).toBeGreaterThan(0.3);
    expect(percent(150, 'fish')).toBeLessThan(0.8);
    expect(percent(100, 'amphibian')).toBeGreaterThanOrEqual(0.2);
    expect(percent(100, 'amphibian')).toBeLessThanOrEqual(0.5);
  });

  it('is never more than anyone gives a tank of these litres', () => {
    expect(usualFeedOfTank(140, 100)).toBe(5);
    expect(usualFeedOfTank(0.3, 100)).toBe(0.3);
  });
});
