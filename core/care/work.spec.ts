import { MINUTES, minutesOfChange, minutesPerWeek, work } from './work';

const SMALL = {
  changesPerWeek: 1,
  litresPerChange: 12,
  feedingsPerWeek: 6,
  panesM2: 0.3,
  filters: 1,
  trimmedM2: 0.1,
  dosesPerWeek: 0,
};
const minutes = (inputs: typeof SMALL) => work.compute(inputs).minutes;

describe('the time that a tank takes', () => {
  it('is about half an hour a week for a planted tank of 60 L, an hour and a half for a large one changed twice (common practice)', () => {
    expect(minutes(SMALL)).toBeGreaterThan(15);
    expect(minutes(SMALL)).toBeLessThan(40);
    const large = { ...SMALL, changesPerWeek: 2, litresPerChange: 150, feedingsPerWeek: 14, panesM2: 1.8, filters: 2, trimmedM2: 0.5 };
    expect(minutes(large)).toBeGreaterThan(70);
    expect(minutes(large)).toBeLessThan(140);
  });
  it('adds up, and a change by hose is quicker a litre than by bucket', () => {
    expect(minutesOfChange(12)).toBeCloseTo(6 + 3, 9);
    expect(minutesOfChange(100)).toBeCloseTo(6 + 15 + 2, 9);
    expect(minutesOfChange(0)).toBe(0);
    expect(minutes({ ...SMALL, feedingsPerWeek: 7 }) - minutes(SMALL)).toBeCloseTo(MINUTES.feeding, 9);
    expect(
      minutesPerWeek([
        { minutes: 14, everyDays: 14 },
        { minutes: 1, everyDays: 1 },
      ]),
    ).toBeCloseTo(14, 9);
  });
});
