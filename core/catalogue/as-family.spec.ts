import { catalogue } from '../testing/tanks';
import { asFamily, type OwnFacts } from './as-family';
import { FAMILIES } from './families';
import { Organism, type Animal } from './organism';

const facts: OwnFacts = {
  id: 'own-test',
  latin: 'Rasbora testis',
  common: ['Test rasbora'],
  lengthMm: 80,
  temperatureC: [23, 27],
  ph: [6, 7],
  ghDh: [2, 8],
  groupMin: 8,
  temperament: 'peaceful',
};
const made = (change: Partial<OwnFacts> = {}) => asFamily(catalogue.organisms.get('danio-rerio')!, { ...facts, ...change });

describe('a kind out of its family', () => {
  it('is sound from every family that is offered', () => {
    for (const { name, templateId } of FAMILIES) {
      const template = catalogue.organisms.get(templateId);
      expect(template).withContext(name).toBeDefined();
      const parsed = Organism.safeParse(asFamily(template!, { ...facts, lengthMm: template!.sizeMm.length.value! * 1.3 }));
      expect(parsed.error?.issues ?? [])
        .withContext(name)
        .toEqual([]);
    }
    expect(new Set(FAMILIES.map(({ name }) => name)).size).toBe(FAMILIES.length);
  });

  it('keeps what was said as stated, and says of the rest that it is the family’s', () => {
    const kind = made() as Animal;
    expect(kind.ranges.keep!.temperatureC).toEqual({ value: { tolerance: [20, 30], optimum: [23, 27] }, basis: 'measured' });
    expect(kind.sizeMm.length).toEqual({ value: 80, basis: 'measured' });
    expect(kind.traits.jumps.note).toBe('As its family: taken from Danio rerio.');
    expect(kind.traits.jumps.basis).toBe('recalled');
    expect(kind.ranges.spawn).toBeUndefined();
    expect(kind.synonyms).toBeUndefined();
  });

  it('grows mouth, floor and litres with its length, and crosses with nobody', () => {
    const template = catalogue.organisms.get('danio-rerio') as Animal;
    const kind = made() as Animal;
    expect(kind.sizeMm.gape.value).toBeCloseTo(template.sizeMm.gape.value! * 2, 1);
    expect(kind.traits.footprintMm.value![0]).toBe(template.traits.footprintMm.value![0] * 2);
    expect(kind.traits.volumeL.value).toBe(template.traits.volumeL.value! * 4);
    expect(kind.traits.crossesWithin.value).toBe('own-test');
  });

  it('is refused with a range upside down or of no length', () => {
    expect(Organism.safeParse(made({ temperatureC: [27, 23] })).success).toBeFalse();
    expect(Organism.safeParse(made({ lengthMm: 0 })).success).toBeFalse();
    expect(Organism.safeParse(made({ lengthMm: 30_000 })).success).toBeFalse();
  });
});
