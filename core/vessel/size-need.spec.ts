import type { Animal } from '../catalogue/organism';
import { catalogue } from '../testing/tanks';
import { sizeNeed, sizeVerdict } from './size-need';
import { STOCK_SIZES_MM } from './stock-sizes';

const animal = (id: string) => catalogue.organisms.get(id) as Animal;
const stock = (...all: [string, number][]) => all.map(([id, count], i) => ({ id: `s${i}`, animal: animal(id), count }));

describe('what animals ask of a vessel', () => {
  it('is nothing without animals, and then any box is roomy', () => {
    expect(sizeNeed([])).toEqual({ longMm: null, floorMm: null, litres: null, deepestMm: null });
    expect(sizeVerdict(sizeNeed([]), [200, 200, 250])).toBe('roomy');
  });

  it('takes each edge from whoever asks most, and says whose it is', () => {
    const need = sizeNeed(stock(['boraras-brigittae', 10], ['pterophyllum-scalare', 2]));
    expect([need.floorMm?.by, need.litres?.by]).toEqual(['s1', 's1']);
    expect(sizeVerdict(need, [300, 300, 300])).toBe('too-small');
  });

  it('counts a kind once over all its entries, and a crowd of it for more', () => {
    const one = sizeNeed(stock(['corydoras-panda', 8])).litres!.value;
    expect(sizeNeed(stock(['corydoras-panda', 4], ['corydoras-panda', 4])).litres!.value).toBe(one);
    expect(sizeNeed(stock(['corydoras-panda', 30])).litres!.value).toBeGreaterThan(one);
  });

  it('asks no floor for shrimp that graze, and shallow water for dwarf frogs', () => {
    const shrimp = sizeNeed(stock(['neocaridina-davidi', 40]));
    expect(shrimp.floorMm).toBeNull();
    expect(sizeVerdict(shrimp, [300, 300, 300])).not.toBe('too-small');
    expect(sizeNeed(stock(['hymenochirus-boettgeri', 4])).deepestMm?.value).toBeLessThan(500);
  });

  it('never calls a smaller box of the same height better', () => {
    const need = sizeNeed(stock(['apistogramma-agassizii', 2], ['nannostomus-marginatus', 10]));
    const rank = { 'too-small': 0, enough: 1, roomy: 2 };
    const said = STOCK_SIZES_MM.map((size) => rank[sizeVerdict(need, size)]);
    expect(said[0]).toBe(0);
    expect(said.at(-1)).toBe(2);
    for (const [l, w, h] of STOCK_SIZES_MM)
      expect(rank[sizeVerdict(need, [l + 100, w, h])]).toBeGreaterThanOrEqual(rank[sizeVerdict(need, [l, w, h])]);
  });
});
