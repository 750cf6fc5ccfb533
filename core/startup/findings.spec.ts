import { dayAfter } from '../schedule/day';
import { isShown, stuck } from './findings';
import type { StartTest } from './model';

const series = (values: readonly (readonly [day: number, ammonia: number | null, nitrite: number | null])[]): Record<string, StartTest> =>
  Object.fromEntries(
    values.map(([day, ammoniaMgN, nitriteMgN], i) => [
      `t${i}`,
      { order: i + 1, day: dayAfter('2026-01-01', day), kit: 'drops' as const, ammoniaMgN, nitriteMgN, nitrateMgN: null },
    ]),
  );
const of = (...values: Parameters<typeof series>[0]) => stuck({ tests: series(values) });

describe('a start that does not move', () => {
  it('is nitrite that reads the same for twelve days and more, three times at least', () => {
    expect(of([10, 0.5, 2], [16, 0.1, 2.2], [23, 0, 2])).toEqual({ what: 'nitrite', mgN: 2, days: 13 });
    // what moves, what is gone, and what was read twice only are no cause for worry
    expect(of([10, 0.5, 2], [16, 0.1, 4], [23, 0, 2])).toBeNull();
    expect(of([10, 0, 0], [16, 0, 0], [30, 0, 0])).toBeNull();
    expect(of([10, 0, 2], [23, 0, 2])).toBeNull();
    expect(of([10, 0, 2], [14, 0, 2], [18, 0, 2])).toBeNull();
  });
  it('is ammonia too, counted from the last reading that was another', () => {
    expect(of([3, 4, 0], [10, 2, 0], [17, 2, 0], [24, 2.1, 0])).toEqual({ what: 'ammonia', mgN: 2.1, days: 14 });
    expect(of([10, 2, null], [17, null, 0], [24, 2, null])).toBeNull();
  });
});

describe('a filter that has grown in', () => {
  it('is shown by what was seen and went, and by nothing else', () => {
    const shown = (...values: Parameters<typeof series>[0]) =>
      isShown({
        begun: '2026-01-01',
        method: 'dosed',
        doseMgNPerLPerDay: 1,
        inoculum: 'none',
        inoculumL: 0,
        challengedOn: null,
        seen: {},
        tests: series(values),
      });
    expect(shown([10, 2, 0], [20, 0, 3], [30, 0, 0], [38, 0, 0])).toBeTrue();
    expect(shown([30, 0, 0], [38, 0, 0])).toBeFalse();
    expect(shown([10, 2, 0], [30, 0, 0], [33, 0, 0])).toBeFalse();
    expect(shown([10, 2, 0], [30, 0, 0], [38, 0.5, 0])).toBeFalse();
  });
});
