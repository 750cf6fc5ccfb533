import fc from 'fast-check';
import type { Computed } from '../calculation/computed';
import type { ToleranceRange } from '../catalogue/organism';
import type { Fact } from '../quantity/fact';
import type { Span } from '../quantity/range';
import { seasonFindings } from './findings';
import type { About } from '../window/judge';
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
  const about: About = { parameter: 'temperatureC', kind: 'animal', phase: 'spawn' };
  const judge = (range: Fact<ToleranceRange> | undefined, year = room, of: About = about) => {
    const [cold, warm] = seasonFindings('x', of, range, node(year));
    return { cold: cold!, warm: warm! };
  };
  const kept: About = { ...about, phase: 'keep' };
  const meanOf = ([low, high]: Span) => (low + high) / 2;
  const coldest = Math.min(...room.map(meanOf));

  it('judges what lasts: the mean of the coldest and of the warmest month, each against its own edges', () => {
    const { cold, warm } = judge(fact([10, 30], [18, 28]));
    expect(cold.severity).toBe('watch');
    expect(cold.values['planned']?.value).toBeCloseTo(coldest, 9);
    expect(cold.values['edge']?.value).toBe(18);
    expect(cold.excess).toBeCloseTo(18 - coldest, 9);
    expect(warm.severity).toBe('fits');
    expect(warm.excess).toBe(0);
  });

  it('is a conflict where what lasts is outside what it survives', () => {
    expect(judge(fact([18, 30], [20, 26])).cold.severity).toBe('conflict');
    expect(judge(fact([5, 20], [14, 18])).warm.severity).toBe('conflict');
  });

  it('lets the peak of a day pass, a high one be watched, and a deadly one be a conflict', () => {
    const day = (low: number, high: number): Span[] => Array.from({ length: 12 }, () => [low, high]);
    const range = fact([10, 28], [18, 26]);
    expect(judge(range, day(24, 28.5), kept).warm.severity).toBe('fits');
    expect(judge(range, day(24, 30), kept).warm.severity).toBe('watch');
    expect(judge(range, day(22, 31), kept).warm.severity).toBe('conflict');
    expect(judge(range, day(22, 31), kept).warm.kind).toBe('animal:peak');
    // a plant is not lost in an afternoon
    expect(judge(range, day(22, 31), { ...kept, kind: 'plant' }).warm.severity).toBe('fits');
  });

  it('says nothing of a season outside comfort, and a word where most of the year is', () => {
    const year = (warmMonths: number): Span[] => Array.from({ length: 12 }, (_, i) => (i < warmMonths ? [27.6, 27.6] : [24, 24]));
    expect(judge(fact([10, 28], [18, 26]), year(3), kept).warm.severity).toBe('fits');
    expect(judge(fact([10, 28], [18, 26]), year(8), kept).warm.severity).toBe('watch');
  });

  it('names the months, also across the new year', () => {
    const { cold } = judge(fact([10, 30], [18, 28]));
    const months = room.flatMap((month, i) => (meanOf(month) < 18 ? [i + 1] : []));
    expect(cold.values['months']?.value).toBe(months.length);
    expect(cold.values['firstMonth']?.value).toBe(months.find((month) => !months.includes(month === 1 ? 12 : month - 1)));
  });

  it('is unknown for a range not known, and silent for a year not stated', () => {
    expect(judge(undefined).cold.severity).toBe('unknown');
    expect(judge({ value: null, basis: 'recalled' }).warm.severity).toBe('unknown');
    expect(seasonFindings('x', about, fact([10, 30], [18, 26]), node(null))).toEqual([]);
  });
});
