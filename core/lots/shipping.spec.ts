import { ammoniaOnArrival, BOXES, oxygenHours, warmthAfter, weatherWindow } from './shipping';

describe('a parcel', () => {
  it('follows the air outside: a third of the way is left after the hours of its box', () => {
    expect(warmthAfter(24, 4, BOXES['foam box'], BOXES['foam box'])).toBeCloseTo(4 + 20 / Math.E, 9);
    expect(warmthAfter(24, 24, 30, 6)).toBe(24);
  });
  it('knows the weather in which it arrives as it should: the window turns round', () => {
    const [low, high] = weatherWindow([18, 28], 24, 20, 18);
    expect(warmthAfter(24, low!, 20, 18)).toBeCloseTo(18, 9);
    expect(warmthAfter(24, high!, 20, 18)).toBeCloseTo(28, 9);
    expect(weatherWindow([null, 28], 24, 20, 18)[0]).toBeNull();
    // the longer the journey, the narrower
    expect(weatherWindow([18, 28], 24, 40, 18)[0]!).toBeGreaterThan(low!);
  });
  it('lasts as keepers pack it (common practice): ten danios of half a gram in half a litre of oxygen for more than two days', () => {
    const breath = 10 * 0.27 * 1.5;
    expect(oxygenHours(0.6, breath)).toBeGreaterThan(48);
    expect(oxygenHours(0.6, breath)).toBeLessThan(200);
  });
  it('gathers less ammonia with fasted animals and more water', () => {
    expect(ammoniaOnArrival(5, 0.5, 24, true)).toBeCloseTo(1.2, 9);
    expect(ammoniaOnArrival(5, 0.5, 24, false)).toBeCloseTo(3.6, 9);
    expect(ammoniaOnArrival(5, 1, 24, true)).toBeCloseTo(0.6, 9);
  });
});
