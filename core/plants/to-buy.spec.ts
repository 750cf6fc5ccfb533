import type { Plant } from '../catalogue/organism';
import { catalogue } from '../testing/tanks';
import { newPlanting, type PlantItem } from './model';
import { kindsOnHand } from '../catalogue/kinds-on-hand';
import { cuttingsFrom, donorsAmong } from './donors';
import { plantsToBuy } from './to-buy';

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
  it('of what floats are as many as cover a palm', () => {
    expect(plantsToBuy([of('lemna-minor', { count: 12, bought: 'portion' })])[0]!.says).toBe('3 portions');
    expect(plantsToBuy([of('pistia-stratiotes', { count: 3, bought: 'portion' })])[0]!.says).toBe('3 portions');
  });
  it('keep what is bought in two ways apart', () => {
    const list = plantsToBuy([of('cryptocoryne-wendtii', { bought: 'pot' }), of('cryptocoryne-wendtii', { bought: 'cutting', count: 4 })]);
    expect(list.map(({ says }) => says)).toEqual(['4 cuttings of your own', '1 pot']);
  });
  it('are taken from what is at hand first, once', () => {
    const list = plantsToBuy(
      [of('ceratophyllum-demersum', { count: 20, bought: 'stems' }), of('ceratophyllum-demersum', { count: 3, bought: 'clump' })],
      new Map([['ceratophyllum-demersum', 14]]),
    );
    expect(list.map(({ says, units }) => [says, units])).toEqual([
      ['14 at hand; 2 bunches of stems', 2],
      ['2 mats or clumps', 2],
    ]);
    expect(plantsToBuy([of('ceratophyllum-demersum', { count: 5 })], new Map([['ceratophyllum-demersum', 14]]))[0]!.says).toBe('5 at hand');
  });
  it('as cuttings come out of the tanks that have them, no more than half of each', () => {
    const donors = donorsAmong([
      { name: 'Thicket', scene: { a: { ...newPlanting('rotala-rotundifolia', 1, [0, 0, 0]), count: 8 } } },
      {
        name: 'Shell bed',
        scene: {
          a: { ...newPlanting('rotala-rotundifolia', 1, [0, 0, 0]), count: 2 },
          b: newPlanting('rotala-rotundifolia', 2, [0, 0, 0]),
          c: { kind: 'hardscape', classId: 'rotala-rotundifolia' },
        },
      },
    ]);
    const [line] = plantsToBuy([of('rotala-rotundifolia', { count: 6, bought: 'cutting' })], new Map(), donors);
    expect(line!.from).toEqual([
      { name: 'Thicket', takes: 4, leaves: 4 },
      { name: 'Shell bed', takes: 1, leaves: 2 },
    ]);
    expect(line!.says).toBe('6 cuttings of your own; 4 from Thicket, which keeps 4; 1 from Shell bed, which keeps 2');
    expect(cuttingsFrom(6, donors.get('rotala-rotundifolia')!).short).toBe(1);
    // what is bought is not cut
    expect(plantsToBuy([of('rotala-rotundifolia', { count: 6 })], new Map(), donors)[0]!.from).toEqual([]);
  });
  it('at hand are known by how people write them', () => {
    const plants = [...catalogue.organisms.values()].filter((entry): entry is Plant => entry.kind === 'plant');
    const have = kindsOnHand(
      'plant',
      [
        { kind: 'plant', name: 'Hornwort tops', amount: 14 },
        { kind: 'plant', name: 'java moss, two handfuls', amount: 2 },
        { kind: 'plant', name: 'Microsorum pteropus', amount: 3.7 },
        { kind: 'plant', name: 'some weed', amount: 9 },
        { kind: 'wood', name: 'Hornwort root', amount: 5 },
        { kind: 'plant', name: 'hornwort', amount: 0 },
      ],
      plants,
    );
    expect([...have].sort()).toEqual([
      ['ceratophyllum-demersum', 14],
      ['microsorum-pteropus', 3],
      ['taxiphyllum-barbieri', 2],
    ]);
  });
});
