import { emptyCare } from '../../care/model';
import { newFilter, type Device } from '../../equipment/model';
import { judge, tank } from '../../testing/tanks';

const device = (kind: 'filter' | 'pump', powerW: number | null): Device => {
  const shared = { order: 1, powerW, sizeMm: null, placeMm: null };
  return kind === 'filter' ? { ...newFilter, ...shared } : { kind, runs: null, ...shared };
};
const turnover = (equipment: Record<string, Device>, surface: 'still' | 'air-stone' | null = null) =>
  judge({ ...tank([['danio-margaritatus', 8]]), equipment, care: { ...emptyCare(), surface } }).derived['tank.turnover'];

describe('how often the water goes round in an hour', () => {
  it('is not known before anything that moves it is stated', () => {
    expect(turnover({}).value).toBeNull();
    expect(turnover({}).note).toBe('nothing that moves the water is stated');
    expect(turnover({ f: device('filter', null) }).note).toBe('the power of a filter or pump is not stated');
  });
  it('is nought over a surface said to be still, more over an air stone, and goes by the power of what drives it', () => {
    expect(turnover({}, 'still').value).toBe(0);
    expect(turnover({}, 'air-stone').value).toBeGreaterThan(0);
    const weak = turnover({ f: device('filter', 5) }).value!;
    expect(weak).toBeGreaterThan(0);
    expect(turnover({ f: device('filter', 8) }).value!).toBeCloseTo(weak * 1.6, 9);
    expect(turnover({ f: device('filter', 5), p: device('pump', 5) }).value!).toBeGreaterThan(weak);
  });
});

describe('carbon dioxide in the water', () => {
  const gas = (of: Parameters<typeof tank>[0]) => judge(tank(of)).derived['water.gas'];

  it('is what breathes and goes through the surface once animals live there, and what is usual before', () => {
    expect(gas([]).note).toContain('A lightly stocked tank in a room');
    const lived = gas([['danio-margaritatus', 8]]);
    expect(lived.note).toContain('By what breathes in it');
    expect(lived.value).not.toBe(gas([]).value);
  });
});
