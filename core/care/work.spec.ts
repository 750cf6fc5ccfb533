import { minutesPerWeek, type Chores } from './work';

const SMALL: Chores = {
  changesPerWeek: 1,
  litresPerChange: 12,
  feedingsPerWeek: 6,
  panesM2: 0.3,
  filters: 1,
  trimmedM2: 0.1,
  dosesPerWeek: 0,
};
const sum = (chores: Chores) => Object.values(minutesPerWeek(chores)).reduce((all, one) => all + one, 0);

describe('the time that a tank takes', () => {
  it('is about half an hour a week for a planted tank of 60 L, an hour and a half for a large one changed twice (common practice)', () => {
    expect(sum(SMALL)).toBeGreaterThan(15);
    expect(sum(SMALL)).toBeLessThan(40);
    const large = { ...SMALL, changesPerWeek: 2, litresPerChange: 150, feedingsPerWeek: 14, panesM2: 1.8, filters: 2, trimmedM2: 0.5 };
    expect(sum(large)).toBeGreaterThan(70);
    expect(sum(large)).toBeLessThan(140);
  });
  it('adds up chore by chore, and a change by hose is quicker a litre than by bucket', () => {
    expect(minutesPerWeek(SMALL).changes).toBeCloseTo(6 + 3, 9);
    expect(minutesPerWeek({ ...SMALL, litresPerChange: 100 }).changes).toBeCloseTo(6 + 15 + 2, 9);
    expect(minutesPerWeek({ ...SMALL, litresPerChange: 0 }).changes).toBe(0);
    expect(sum({ ...SMALL, feedingsPerWeek: 7 }) - sum(SMALL)).toBeCloseTo(1.5, 9);
  });
});
