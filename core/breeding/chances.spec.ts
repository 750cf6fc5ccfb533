import { bothSexes, chanceOfBothSexes, howMany, youngToRaise } from './chances';
import { effectiveSize, generationsUntil, inbreedingAfter } from './inbreeding';

describe('chances', () => {
  it('of both sexes in an unsexed group are those of a coin', () => {
    expect(chanceOfBothSexes(6)).toBeCloseTo(0.969, 3);
    expect([1, 2, 3].map(chanceOfBothSexes)).toEqual([0, 0.5, 0.75]);
    expect(bothSexes.inputs.safeParse({ count: 0 }).success).toBeFalse();
  });

  it('tell how many young to raise to see one', () => {
    // a quarter, 95 times in 100: 11; a sixteenth: 47 (worked by hand)
    expect(howMany(0.25, 0.95)).toBe(11);
    expect(howMany(1 / 16, 0.95)).toBe(47);
    expect(howMany(0.5, 0.5)).toBe(1);
    expect(howMany(1, 0.99)).toBe(1);
    for (const share of [0.01, 0.2, 0.7]) {
      const n = howMany(share, 0.9);
      expect(1 - (1 - share) ** n).toBeGreaterThanOrEqual(0.9 - 1e-9);
      expect(1 - (1 - share) ** (n - 1)).toBeLessThan(0.9);
    }
    expect(youngToRaise.inputs.safeParse({ share: 0, confidence: 0.9 }).success).toBeFalse();
    expect(youngToRaise.inputs.safeParse({ share: 0.5, confidence: 1 }).success).toBeFalse();
  });
});

describe('the inbreeding of a closed line', () => {
  it('goes by the rarer sex', () => {
    expect(effectiveSize(1, 1)).toBe(2);
    expect(effectiveSize(1, 20)).toBeCloseTo(3.81, 2);
    expect(effectiveSize(10, 10)).toBe(20);
  });

  it('rises by 1/(2·Ne) of what is left in each generation', () => {
    expect(inbreedingAfter(20, 1)).toBeCloseTo(0.025, 9);
    expect(inbreedingAfter(20, 2)).toBeCloseTo(0.025 + 0.025 * 0.975, 9);
    expect(inbreedingAfter(20, 0)).toBe(0);
    expect(inbreedingAfter(2, generationsUntil(0.25, 2))).toBeCloseTo(0.25, 9);
  });
});
