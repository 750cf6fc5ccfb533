import { catalogue } from '../testing/tanks';
import type { Animal } from '../catalogue/organism';
import { lengthAfter, monthsTo, monthsToGrown } from './growth';

describe('growth in length', () => {
  it('is at 95 % after the months that the kind takes, from hatching', () => {
    expect(lengthAfter(0, 60, 10, 10)).toBeCloseTo(57, 9);
    // half-way in time is well past half the length: e^(-1.5) = .2231
    expect(lengthAfter(0, 60, 10, 5)).toBeCloseTo(60 * (1 - Math.sqrt(0.05)), 9);
  });
  it('never shrinks, never passes the grown length, and turns round', () => {
    for (const now of [1, 10, 40, 59])
      for (const months of [0, 1, 6, 24]) {
        const then = lengthAfter(now, 60, 10, months);
        expect(then).toBeGreaterThanOrEqual(now);
        expect(then).toBeLessThan(60);
        expect(monthsTo(then, now, 60, 10)!).toBeCloseTo(months, 6);
      }
    expect(monthsTo(60, 10, 60, 10)).toBeNull();
    expect(monthsTo(5, 10, 60, 10)).toBe(0);
  });
  it('puts shop sizes where keepers see them (common practice): neons of 15 mm grown in half a year or so, angels of 40 mm in a year', () => {
    const neon = monthsToGrown(catalogue.organisms.get('paracheirodon-innesi') as Animal, 15)!;
    expect(neon).toBeGreaterThan(3);
    expect(neon).toBeLessThan(12);
    const angel = monthsToGrown(catalogue.organisms.get('pterophyllum-scalare') as Animal, 40)!;
    expect(angel).toBeGreaterThan(5);
    expect(angel).toBeLessThan(18);
  });
});
