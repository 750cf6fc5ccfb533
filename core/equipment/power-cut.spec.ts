import * as fc from 'fast-check';
import { capacityMgNPerDay, filterCapacity, maturityAfter } from './media';
import { hoursOfWarmth, oxygenWithoutPower, powerCut, type StillTank } from './power-cut';

const tank: StillTank = { litres: 100, surfaceM2: 0.24, temperatureC: 25, salinity: 0, breathMgPerHour: 60, movement: 1 };

describe('oxygen without current', () => {
  it('ends where breath and a still surface hold each other, and gets there by a half-life', () => {
    // still water at 25 °C takes 0.60 m a day: 0.24 m² of it 6 L an hour
    const { endsMgPerL } = oxygenWithoutPower({ ...tank, breathMgPerHour: 10 }, 8, 4);
    expect(endsMgPerL).toBeCloseTo(8.263 - 10 / 6, 1);
    expect(oxygenWithoutPower({ ...tank, breathMgPerHour: 10 }, 8, 4).hours).toBeNull();
    const { hours } = oxygenWithoutPower(tank, 8, 4);
    expect(hours).toBeGreaterThan(0);
    expect(hours).toBeGreaterThan((100 * 4) / 60);
  });
  it('agrees with the same followed by small steps', () => {
    let [oxygen, t] = [8, 0];
    const still = oxygenWithoutPower(tank, 8, 0.001);
    const ends = 8.263 - 60 / 5.96;
    expect(ends).toBeLessThan(0);
    expect(still.endsMgPerL).toBe(0);
    const perHour = 0.0596;
    while (oxygen > 4) {
      oxygen += 0.001 * (perHour * (8.263 - oxygen) - 0.6);
      t += 0.001;
    }
    expect(oxygenWithoutPower(tank, 8, 4).hours!).toBeCloseTo(t, 1);
  });
  it('lasts the longer the fewer they are, the larger the surface and with a battery’s air', () => {
    const hours = (more: Partial<StillTank>) => oxygenWithoutPower({ ...tank, ...more }, 8, 4).hours ?? Infinity;
    fc.assert(
      fc.property(fc.double({ min: 20, max: 500, noNaN: true }), fc.double({ min: 1.01, max: 3, noNaN: true }), (breath, times) => {
        expect(hours({ breathMgPerHour: breath * times })).toBeLessThanOrEqual(hours({ breathMgPerHour: breath }));
        expect(hours({ breathMgPerHour: breath, surfaceM2: 0.24 * times })).toBeGreaterThanOrEqual(hours({ breathMgPerHour: breath }));
      }),
    );
    expect(hours({ movement: 6 })).toBe(Infinity);
    expect(oxygenWithoutPower(tank, 3, 4).hours).toBe(0);
    // under a sheet of glass that lies on the water only what is dissolved is there
    expect(hours({ surfaceM2: 0 })).toBeCloseTo(400 / 60, 6);
  });
});

describe('warmth without current', () => {
  it('falls by Newton’s law', () => {
    // 100 L, 8 W/K, 25 in 18: to 21.5 in ln 2 of its time constant of 14.5 h
    expect(hoursOfWarmth(100, 8, 18, 25, 21.5)).toBeCloseTo(((100 * 4168) / 8 / 3600) * Math.LN2, 6);
    expect(hoursOfWarmth(100, 8, 18, 25, 17)).toBeNull();
    expect(hoursOfWarmth(100, 0, 18, 25, 21)).toBeNull();
    // a cool tank in a warm room warms
    expect(hoursOfWarmth(100, 8, 26, 18, 22)).toBeCloseTo(((100 * 4168) / 8 / 3600) * Math.LN2, 6);
  });
  it('or oxygen, whichever is first', () => {
    const cut = { ...tank, fromMgPerL: 8, leastMgPerL: 4, lossWPerK: 8, airC: 18, leastC: 21 };
    const { movement: _, ...inputs } = cut;
    expect(powerCut.compute(inputs).first).toBe('oxygen');
    expect(powerCut.compute({ ...inputs, breathMgPerHour: 5 }).first).toBe('warmth');
    expect(powerCut.compute({ ...inputs, breathMgPerHour: 5, leastC: 17 }).first).toBe('neither');
  });
});

describe('what a filter carries', () => {
  it('goes with media, age, ammonia and warmth, and is of the order of practice', () => {
    const base = { mediaL: 2, medium: 'coarse-foam', maturity: 1, ammoniaMgNPerL: 0.1, temperatureC: 20 } as const;
    const { surfaceM2, mgNPerDay } = filterCapacity.compute(base);
    expect(surfaceM2).toBeCloseTo(1.2, 9);
    expect(mgNPerDay).toBeCloseTo((1.2 * 0.3 * 100) / 1.05, 6);
    for (const more of [{ mediaL: 4 }, { maturity: 1, ammoniaMgNPerL: 0.2 }, { temperatureC: 26 }])
      expect(filterCapacity.compute({ ...base, ...more }).mgNPerDay).toBeGreaterThan(mgNPerDay);
    expect(filterCapacity.compute({ ...base, maturity: 0.5 }).mgNPerDay).toBeCloseTo(mgNPerDay / 2, 9);
    // at 1 mg N/L of ammonia fish farms reckon 0.2 to 1 g N a square metre and day at 20 to 30 °C
    const areal = capacityMgNPerDay(1, 1, 1, 25) / 1000;
    expect(areal).toBeGreaterThan(0.2);
    expect(areal).toBeLessThan(1);
  });
  it('is grown in after four to eight weeks', () => {
    expect(maturityAfter(0)).toBe(0);
    expect(maturityAfter(4)).toBeCloseTo(0.5, 9);
    expect(maturityAfter(8)).toBeGreaterThan(0.95);
    expect(maturityAfter(1)).toBeLessThan(0.05);
  });
});
