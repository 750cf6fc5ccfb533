import type { Animal, Plant } from '../catalogue/organism';
import { catalogue } from '../testing/tanks';
import { newPlanting } from './model';
import { plantingNotes } from './notes';
import type { Standing } from './standing';

const at = (id: string, footMm: [number, number, number], more: Partial<Standing> = {}): Standing => ({
  id: `${id} ${footMm}`,
  item: newPlanting(id, 1, footMm),
  plant: catalogue.organisms.get(id) as Plant,
  hold: 'rooted',
  on: { kind: 'bed' },
  footMm,
  heightMm: 60,
  widthMm: 80,
  grown: 1,
  count: 1,
  perDay: { value: 0.01, band: [0.005, 0.02] },
  ppfd: null,
  shade: { share: 1, byId: null },
  lit: 1,
  scarce: 'light',
  ...more,
});
const kinds = (...all: Parameters<typeof plantingNotes>) => plantingNotes(...all).map(({ kind }) => kind);

describe('what the eye sees of a planting', () => {
  const tall = (y: number, x = 200) => at('hygrophila-polysperma', [x, y, 50], { heightMm: 200 });
  const low = (y: number, x = 200) => at('cryptocoryne-wendtii', [x, y, 50]);
  it('is a tall one before a low one, in the same stretch and not behind it', () => {
    expect(kinds([tall(60), low(200)], [], 300)).toEqual(['tall-before-low']);
    expect(kinds([tall(200), low(60)], [], 300)).toEqual([]);
    expect(kinds([tall(60, 20), low(200, 400)], [], 300)).toEqual([]);
    expect(kinds([{ ...tall(60), heightMm: 80 }, low(200)], [], 300)).toEqual([]);
    expect(kinds([{ ...tall(60), hold: 'afloat' }, low(200)], [], 300)).toEqual([]);
  });
  it('is said once of two kinds, however often they stand so', () => {
    expect(kinds([tall(60), tall(70, 210), low(200), low(220)], [], 300)).toEqual(['tall-before-low']);
  });
  it('is a plant of the colour of an animal, where that has a colour', () => {
    const coloured = (hex: string) => {
      const animal = catalogue.organisms.get('neocaridina-davidi') as Animal;
      return [{ id: 'shrimp', animal: { ...animal, bodyColours: { value: [hex], basis: 'practice' } } as Animal }];
    };
    const red = low(60);
    const leaf = red.plant.traits.leafColours!.value![0]!;
    expect(kinds([red], coloured('#c81e1e'), 300)).toEqual([]);
    const same = plantingNotes([{ ...red, plant: painted(red.plant, '#c02a22') }], coloured('#c81e1e'), 300);
    expect(same).toEqual([{ kind: 'alike', subjects: ['shrimp', red.id] }]);
    // a grey animal is of no colour that a leaf could take from it
    expect(kinds([{ ...red, plant: painted(red.plant, '#8a8a86') }], coloured('#888888'), 300)).toEqual([]);
    expect(leaf).toMatch(/^#/);
  });
  it('is what reaches the surface', () => {
    expect(kinds([tall(200), { ...tall(200), heightMm: 250 }], [], 300)).toEqual(['leaves-water']);
  });
});

const painted = (plant: Plant, hex: string): Plant => ({
  ...plant,
  traits: { ...plant.traits, leafColours: { value: [hex], basis: 'practice' } },
});
