import { kept, unknownIn } from './kept-tank';
import { FAILING, THRIVING } from './ordinary-tanks';

describe('the ordinary tanks', () => {
  it('are sixty and more that thrive and sixty that fail, each with a name of its own and kinds of the catalogue', () => {
    expect(THRIVING.length).toBeGreaterThanOrEqual(60);
    expect(FAILING.length).toBeGreaterThanOrEqual(60);
    const all = [...THRIVING, ...FAILING];
    expect(new Set(all.map(({ name }) => name)).size).toBe(all.length);
    for (const tank of all) expect(unknownIn(tank)).withContext(tank.name).toEqual([]);
  });

  it('come to sound documents, and a failing one names its reason', () => {
    for (const tank of [...THRIVING, ...FAILING]) {
      const { design, room } = kept(tank);
      expect(Object.keys(design.stock).length).withContext(tank.name).toBe(tank.stock.length);
      expect(Object.keys(room.sources)).withContext(tank.name).toEqual(['water']);
    }
    for (const { name, first, whom = [], stock } of FAILING) {
      expect(first.length).withContext(name).toBeGreaterThan(0);
      for (const place of whom) expect(stock[place]).withContext(name).toBeDefined();
    }
  });
});
