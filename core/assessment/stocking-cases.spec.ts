import { catalogue } from '../testing/tanks';
import { ORDER_CASES, STOCKING_CASES } from '../testing/stocking-cases';

describe('the stocking cases', () => {
  it('are many, each with where it comes from and animals of the catalogue', () => {
    expect(STOCKING_CASES.length).toBeGreaterThanOrEqual(40);
    const names = STOCKING_CASES.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
    const ids = [...STOCKING_CASES.flatMap(({ stock }) => stock.map(([id]) => id)), ...ORDER_CASES.flatMap(({ stock }) => stock)];
    for (const id of ids) expect(catalogue.organisms.has(id)).withContext(id).toBeTrue();
    for (const { name, source, expect: expected } of STOCKING_CASES) {
      expect(source.length).withContext(name).toBeGreaterThan(5);
      expect(expected.length).withContext(name).toBeGreaterThan(0);
    }
  });
});
