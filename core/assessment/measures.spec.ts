import { judge, tank } from '../testing/tanks';
import { coolerWasteW, energyUse } from './energy-use';
import { heatSavings, powerCutPlan } from './measures';
import { monthOf, tankDay } from './day';
import { addedUp, sharedAir } from './added-up';
import { powerUse } from './power-use';
import { lightHours } from './derive/assumed';
import { emptyDesign } from '../design/design';
import { newDevice } from '../equipment/model';

const warm = tank([['danio-margaritatus', 12]], { heaterC: 25 });
const bare = { order: 9, powerW: 40, sizeMm: null, placeMm: null };

describe('what gear uses', () => {
  it('is a heater by what the year takes of it, shared between two', () => {
    const [one] = energyUse(judge(warm));
    expect(one!.kwhPerYear!).toBeGreaterThan(50);
    expect(one!.kwhPerYear!).toBeLessThan((100 * 24 * 365) / 1000);
    const heater = warm.equipment['heater']!;
    const two = energyUse(judge({ ...warm, equipment: { ...warm.equipment, second: { ...heater, order: 2 } } }));
    expect(two.reduce((sum, row) => sum + row.kwhPerYear!, 0)).toBeCloseTo(one!.kwhPerYear!, 6);
  });
  it('is not known while its label is not, and a cooler warms the room by more than it takes', () => {
    const rows = energyUse(judge({ ...warm, equipment: { pump: newDevice('pump', 0, { ...bare, powerW: null }) } }));
    expect(rows[0]!.kwhPerYear).toBeNull();
    const cool = judge({ ...warm, equipment: { cooler: newDevice('cooler', 14, bare) } });
    const most = Math.max(...cool.derived['heat.balance'].value!.map(({ coolerW }) => Math.max(...coolerW)));
    expect(coolerWasteW(cool)).toBeGreaterThan(most);
    expect(coolerWasteW(judge(warm))).toBeNull();
  });
  it('adds up by line', () => {
    const heater = { ...warm.equipment['heater']!, line: 'left' };
    const use = powerUse(judge({ ...warm, equipment: { heater, pump: newDevice('pump', 0, bare) } }));
    expect(use.lines).toEqual({ left: 100, '': 40 });
    expect([use.ratedW, use.sockets, use.unstated]).toEqual([140, 2, 0]);
  });
});

describe('keeping the heat in', () => {
  it('saves less than all of it, and nothing where nothing is heated', () => {
    const all = energyUse(judge(warm))[0]!.kwhPerYear!;
    const saved = heatSavings(judge(warm));
    expect(saved.map(({ measure }) => measure)).toContain('foam');
    for (const { kwh } of saved) {
      expect(kwh).toBeGreaterThan(0);
      expect(kwh).toBeLessThan(all);
    }
    expect(heatSavings(judge({ ...warm, equipment: {} }))).toEqual([]);
  });
});

describe('a power cut', () => {
  it('is borne longer wrapped up, aired and unfed, each where it helps', () => {
    const crowd = tank([['danio-margaritatus', 150]], { heaterC: 27 });
    const rows = powerCutPlan(judge(crowd))!;
    const [none, wrapped, aired, unfed] = rows;
    expect(wrapped!.warmthHours ?? Infinity).toBeGreaterThan(none!.warmthHours ?? 0);
    expect(aired!.oxygenHours ?? Infinity).toBeGreaterThanOrEqual(none!.oxygenHours ?? Infinity);
    expect(unfed!.oxygenHours ?? Infinity).toBeGreaterThanOrEqual(none!.oxygenHours ?? Infinity);
  });
  it('is not spoken of where nothing is known', () => {
    expect(powerCutPlan(judge({ ...tank([]), vessel: null }))).toBeNull();
  });
});

describe('which day is looked at', () => {
  it('is the warmest month, and one like the year', () => {
    const year = Array.from({ length: 12 }, (_, i): [number, number] => [10 + i, 12 + i]);
    expect(monthOf('worst', year)).toBe(11);
    expect([5, 6]).toContain(monthOf('usual', year));
    expect(monthOf('worst', null)).toBe(0);
  });
  it('has no more oxygen on the warmest day than on a usual one', () => {
    const { world, derived } = judge({ ...warm, equipment: {} });
    const least = (kind: 'usual' | 'worst') => Math.min(...tankDay(world, derived, kind)!.course.oxygenMgPerL.usual);
    expect(least('worst')).toBeLessThan(least('usual'));
    expect(tankDay(world, judge({ ...warm, vessel: null }).derived, 'usual')).toBeNull();
  });
});

describe('power', () => {
  it('of forty tanks adds up, line by line', () => {
    const one = { ratedW: 55, kwhPerYear: 200, sockets: 3, timers: 1, lines: { left: 30, '': 25 }, unstated: 1, air: [] };
    const all = addedUp(Array.from({ length: 40 }, () => one));
    expect(all).toEqual({
      ratedW: 2200,
      kwhPerYear: 8000,
      sockets: 120,
      timers: 40,
      lines: { left: 1200, '': 1000 },
      unstated: 40,
      air: [],
    });
    expect(addedUp([]).sockets).toBe(0);
  });
  it('of an air pump that blows into other tanks is counted once, where it stands', () => {
    const air = { ...newDevice('air', 0, { order: 5, powerW: 8, sizeMm: null, placeMm: null }) };
    const own = powerUse(judge({ ...warm, equipment: { air } }));
    const shared = powerUse(judge({ ...warm, equipment: { air: { ...air, ofTankId: 'a' } as typeof air } }));
    expect([own.ratedW, own.sockets, shared.ratedW, shared.sockets]).toEqual([8, 1, 0, 0]);
    expect([own.kwhPerYear > 69, shared.kwhPerYear]).toEqual([true, 0]);
    expect(shared.air).toEqual([{ lPerMin: null, ofTankId: 'a' }]);
  });
  it('tells who hangs on whose air, and how much is left for each', () => {
    const taken = { lPerMin: null, ofTankId: 'a' };
    const tanks = [
      { id: 'a', air: [{ lPerMin: 6, ofTankId: null }] },
      { id: 'b', air: [taken, taken] },
      { id: 'c', air: [taken] },
      { id: 'd', air: [{ lPerMin: null, ofTankId: 'c' }] },
    ];
    expect(sharedAir(tanks)).toEqual([
      { tankId: 'a', lPerMin: 6, has: true, tankIds: ['a', 'b', 'c'] },
      { tankId: 'c', lPerMin: null, has: false, tankIds: ['c', 'd'] },
    ]);
    expect(sharedAir([{ id: 'a', air: [{ lPerMin: 6, ofTankId: 'a' }] }])).toEqual([]);
  });
  it('goes by the hours that the tank is lit', () => {
    expect(lightHours(emptyDesign('d', 'r', 'Dark'))).toBe(9);
  });
});
