import { catalogue, lowBarn, tank } from '../testing/tanks';
import { assess } from '../assessment/assess';
import { withOwn } from '../design/own-catalogue';
import { Material } from './material';
import { asMaterial } from './own-material';

const soil = catalogue.materials.get('mild-soil')!;
const NOTHING = { densityKgPerM3: null, grainMm: null, setPh: null };

describe('a material of the room’s own', () => {
  it('has its own facts by what was told of it, and all else as its like, marked so', () => {
    const made = Material.parse(asMaterial(soil, { id: 'own-clay', name: 'Clay balls', ...NOTHING, grainMm: [3, 5], setPh: [5.2, 5.6] }));
    expect(made.grainMm).toEqual({ value: [3, 5], basis: 'measured' });
    expect(made.densityKgPerM3.value).toBe(soil.densityKgPerM3.value);
    expect(made.densityKgPerM3.note).toBe('As mild soil, which it is most like.'.replace('mild soil', soil.name.toLowerCase()));
    if (made.action.kind !== 'exchanges') throw new Error('it still exchanges');
    expect(made.action.setPh.value).toEqual([5.2, 5.6]);
    expect(made.soft).toBe(soil.soft);
    expect(soil.grainMm.value).not.toEqual([3, 5]);
  });

  it('moves the water of a tank as it was told', () => {
    const phOver = (setPh: [number, number]) => {
      const made = Material.parse(asMaterial(soil, { id: 'own-clay', name: 'Clay balls', ...NOTHING, setPh }));
      const own = { ...lowBarn.own, materials: { 'own-clay': made } };
      const design = tank([['caridina-logemanni', 20]], { shares: { ro: 1 } });
      const water = { ...design.water, additions: { soil: { order: 1, materialId: 'own-clay', amount: 8, spent: 0 } } };
      return assess({ design: { ...design, water }, room: { ...lowBarn, own }, catalogue: withOwn(catalogue, own) }).derived['planned.ph']
        .value!;
    };
    expect(phOver([5.3, 5.5])).toBeLessThan(phOver([6.4, 6.6]) - 0.4);
  });

  it('that is upside down or weighs nothing is refused', () => {
    const wrong = (facts: object) => Material.safeParse(asMaterial(soil, { id: 'own-x', name: 'X', ...NOTHING, ...facts })).success;
    expect(wrong({ grainMm: [5, 3] })).toBeFalse();
    expect(wrong({ densityKgPerM3: 0 })).toBeFalse();
    expect(wrong({ setPh: [7, 5] })).toBeFalse();
    expect(wrong({})).toBeTrue();
  });
});

describe('a stone of the room’s own', () => {
  it('holds no pH, whatever is said of one', () => {
    const stone = catalogue.materials.get('granite')!;
    expect(asMaterial(stone, { id: 'own-grey', name: 'Grey', ...NOTHING, setPh: [5, 6] }).action).toEqual(stone.action);
  });
});
