import type { Plant } from '../catalogue/organism';
import { catalogue } from '../testing/tanks';
import { newPlanting, type PlantItem } from './model';
import { plantingWork, plantsToBuy } from './to-buy';

const plant = (id: string) => catalogue.organisms.get(id) as Plant;
const of = (id: string, more: Partial<PlantItem> = {}) => ({ item: { ...newPlanting(id, 1, [0, 0, 0]), ...more }, plant: plant(id) });

describe('plants to get', () => {
  it('come to what the drawing holds, rounded up to how they are sold', () => {
    const list = plantsToBuy([
      of('rotala-rotundifolia', { count: 7, bought: 'stems' }),
      of('rotala-rotundifolia', { count: 6, bought: 'stems' }),
      of('cryptocoryne-wendtii', { count: 3 }),
      of('taxiphyllum-barbieri'),
    ]);
    expect(list.map(({ plant: { id }, count, says }) => [id, count, says])).toEqual([
      ['rotala-rotundifolia', 13, '3 bunches of stems'],
      ['cryptocoryne-wendtii', 3, '3 pots'],
      ['taxiphyllum-barbieri', 1, '1 portion'],
    ]);
    expect(list[1]!.prepare.join()).toContain('lose its leaves');
    expect(list[1]!.prepare.join()).toContain('out of its pot');
    expect(list[0]!.prepare.join()).toContain('sort by length');
    expect(list[2]!.prepare.join()).toContain('spread thin');
  });
  it('keep what is bought in two ways apart', () => {
    const list = plantsToBuy([of('cryptocoryne-wendtii', { bought: 'pot' }), of('cryptocoryne-wendtii', { bought: 'cutting', count: 4 })]);
    expect(list.map(({ says }) => says)).toEqual(['4 cuttings of your own', '1 pot']);
  });
  it('are made ready with a word for shrimp, and both schools on fresh soil', () => {
    expect(plantingWork({ soil: false, shrimp: true }).join()).toContain('kill shrimp');
    expect(plantingWork({ soil: false, shrimp: false }).join()).not.toContain('kill shrimp');
    expect(plantingWork({ soil: true, shrimp: false }).join()).toMatch(/plant at once.*Others wait/);
    expect(plantingWork({ soil: false, shrimp: false }).join()).not.toContain('Others wait');
  });
});
