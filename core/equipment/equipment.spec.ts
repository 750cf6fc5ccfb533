import fc from 'fast-check';
import type { Computed } from '../calculation/computed';
import type { ToleranceRange } from '../catalogue/organism';
import type { Fact } from '../quantity/fact';
import type { Span } from '../quantity/range';
import { seasonFindings } from './findings';
import { yearExtremes, yearTemperature } from './year-temperature';

const room: Span[] = Array.from({ length: 12 }, (_, month) => {
  const mean = 20 - 4 * Math.cos((2 * Math.PI * month) / 12);
  return [mean - 1, mean + 1];
});
const off = { heaterC: null, coolerC: null };

describe('the year of a tank', () => {
  it('follows the room without a device', () => {
    expect(yearTemperature(room, off)).toEqual(room);
  });

  it('is held up by a heater and down by a cooler', () => {
    const held = yearTemperature(room, { heaterC: 19, coolerC: 22 });
    expect(yearExtremes(held)).toEqual([19, 22]);
    expect(held[0]).toEqual([19, 19]);
    expect(held[6]).toEqual([22, 22]);
  });

  it('is never colder with a heater, never warmer with a cooler', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 35, noNaN: true }), (setPoint) => {
        const heated = yearTemperature(room, { heaterC: setPoint, coolerC: null });
        const cooled = yearTemperature(room, { heaterC: null, coolerC: setPoint });
        room.forEach(([low, high], i) => {
          expect(heated[i]![0]).toBeGreaterThanOrEqual(low);
          expect(heated[i]![0]).toBeGreaterThanOrEqual(setPoint);
          expect(cooled[i]![1]).toBeLessThanOrEqual(high);
          expect(cooled[i]![1]).toBeLessThanOrEqual(setPoint);
        });
      }),
    );
  });

  it('has months', () => {
    expect(() => yearExtremes([])).toThrowError(RangeError);
  });
});

describe('the seasons for one organism', () => {
  const fact = (tolerance: ToleranceRange['tolerance'], optimum: ToleranceRange['optimum']): Fact<ToleranceRange> => ({
    value: { tolerance, optimum },
    basis: 'practice',
  });
  const node = (value: readonly Span[] | null): Computed<readonly Span[]> => ({
    node: 'heat.year',
    calculationId: null,
    inputs: {},
    from: [],
    value,
  });
  const judge = (range: Fact<ToleranceRange> | undefined, year = room) => {
    const [cold, warm] = seasonFindings('x', range, node(year));
    return { cold: cold!, warm: warm! };
  };

  it('judges the coldest low and the warmest high, each against its own edges', () => {
    const { cold, warm } = judge(fact([10, 30], [18, 26]));
    expect(cold.severity).toBe('watch');
    expect(cold.values['planned']?.si).toBeCloseTo(15, 9);
    expect(cold.values['edge']?.si).toBe(18);
    expect(cold.excess).toBeCloseTo(3, 9);
    expect(warm.severity).toBe('fits');
    expect(warm.excess).toBe(0);
  });

  it('is a conflict outside what it survives', () => {
    expect(judge(fact([16, 30], [18, 26])).cold.severity).toBe('conflict');
    expect(judge(fact([5, 22], [14, 18])).warm.severity).toBe('conflict');
  });

  it('names the months, also across the new year', () => {
    const { cold } = judge(fact([10, 30], [18, 26]));
    // below 18 where 19 - 4 cos(...) < 18: October to April but the warm half
    const months = room.flatMap(([low], i) => (low < 18 ? [i + 1] : []));
    expect(cold.values['months']?.si).toBe(months.length);
    expect(cold.values['firstMonth']?.si).toBe(months.find((month) => !months.includes(month === 1 ? 12 : month - 1)));
    const { warm } = judge(fact([5, 40], [10, 24]));
    expect(warm.values['firstMonth']?.si).toBeGreaterThan(4);
  });

  it('is unknown for a range not known, and silent for a year not stated', () => {
    expect(judge(undefined).cold.severity).toBe('unknown');
    expect(judge({ value: null, basis: 'recalled' }).warm.severity).toBe('unknown');
    expect(seasonFindings('x', fact([10, 30], [18, 26]), node(null))).toEqual([]);
  });
});
