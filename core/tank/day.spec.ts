import { co2Course, lossOf } from '../equipment/co2-feed';
import { SMALL_TANK } from '../testing/scenarios';
import { co2At } from '../water/model';
import { hoursFromTo, isBetween } from './clock';
import { dawnOxygen } from './dawn';
import { dayOf, lowestOf, swingOf } from './day';
import { mealsAt } from './meals';
import { NITRATE_PER_N, PHOSPHATE_PER_P, restOf } from './at-rest';

const planted = { ...SMALL_TANK, plants: { areaM2: 0.12, uptakeGNPerM2: 0.25 } };
const meanOf = (series: Float64Array) => series.reduce((sum, value) => sum + value, 0) / series.length;

describe('a day of the tank', () => {
  const day = dayOf(planted);

  it('agrees over its hours with where the tank settles', () => {
    const rest = restOf(planted);
    expect(meanOf(day.oxygenMgPerL.usual)).toBeCloseTo(rest.oxygenMgPerL, 0);
    expect(Math.abs(meanOf(day.ph.usual) - rest.ph)).toBeLessThan(0.15);
    expect(swingOf(day.temperatureC.usual)).toBe(0);
  });

  it('has its least oxygen before the lamps come on, its most before they go out, and pH with it', () => {
    const low = lowestOf(day.oxygenMgPerL.usual);
    const on = 13 - planted.lampHours / 2;
    expect(low.hour).toBeGreaterThan(on - 1);
    expect(low.hour).toBeLessThanOrEqual(on + 0.5);
    const most = day.oxygenMgPerL.usual.indexOf(Math.max(...day.oxygenMgPerL.usual)) / 4;
    expect(Math.abs(most - (on + planted.lampHours))).toBeLessThan(1.5);
    expect(swingOf(day.ph.usual)).toBeGreaterThan(0.02);
  });

  it('lies within its band at every hour', () => {
    for (let q = 0; q < 96; q++) {
      expect(day.oxygenMgPerL.low[q]).toBeLessThanOrEqual(day.oxygenMgPerL.usual[q]!);
      expect(day.oxygenMgPerL.high[q]).toBeGreaterThanOrEqual(day.oxygenMgPerL.usual[q]!);
    }
  });

  it('has the dawn that the closed form has, within half a milligram', () => {
    const rest = restOf(planted);
    const { dawnMgPerL } = dawnOxygen(planted, 'heldC' in planted.heat ? planted.heat.heldC : 24, {
      nitrogenMgPerL: rest.nitrateMgPerL / NITRATE_PER_N + rest.ammoniaMgNPerL,
      phosphorusMgPerL: rest.phosphateMgPerL / PHOSPHATE_PER_P,
      co2MmolPerL: rest.co2MmolPerL,
    });
    expect(Math.abs(dawnMgPerL - lowestOf(day.oxygenMgPerL.usual).value)).toBeLessThan(0.5);
  });

  it('holds CO₂ at its level while it is on, and through the night where it is on by the clock', () => {
    const gas = { ...planted.gas, fedCo2MgPerL: 20 };
    const byLamps = dayOf({ ...planted, gas });
    const [noon, night] = [13 * 4, 3 * 4];
    expect(byLamps.co2MgPerL.usual[noon]).toBeGreaterThan(14);
    expect(byLamps.co2MgPerL.usual[night]).toBeLessThan(12);
    const always = dayOf({ ...planted, gas: { ...gas, fedFromTo: [0, 0] as [number, number] } });
    expect(always.co2MgPerL.usual[night]).toBeGreaterThan(17);
    expect(Math.min(...always.oxygenMgPerL.usual)).toBeGreaterThan(0);
  });

  it('has ammonia after the meals, and as much over the day', () => {
    const fed = dayOf({ ...planted, feed: { ...planted.feed, gPerDay: 0.5, atHours: [9] } });
    const even = dayOf({ ...planted, feed: { ...planted.feed, gPerDay: 0.5 } });
    expect(swingOf(fed.ammoniaMgNPerL.usual)).toBeGreaterThan(2 * swingOf(even.ammoniaMgNPerL.usual));
    expect(meanOf(fed.ammoniaMgNPerL.usual) / meanOf(even.ammoniaMgNPerL.usual)).toBeCloseTo(1, 1);
  });
});

describe('meals and clocks', () => {
  it('spreads a day of meals so that its mean is one, and the hour after a meal is the busiest', () => {
    for (const hours of [[8], [8, 20], [23.75]]) {
      const all = Array.from({ length: 2400 }, (_, i) => mealsAt(hours, i / 100));
      expect(all.reduce((sum, value) => sum + value, 0) / all.length).toBeCloseTo(1, 1);
      expect(mealsAt(hours, hours[0]! + 0.1)).toBeGreaterThan(mealsAt(hours, hours[0]! - 0.1));
    }
    expect(mealsAt([], 5)).toBe(1);
  });

  it('goes over midnight, and a whole day where on is off', () => {
    expect(hoursFromTo(22, 6)).toBe(8);
    expect(hoursFromTo(7, 7)).toBe(24);
    expect([isBetween(23, 22, 6), isBetween(5.9, 22, 6), isBetween(6, 22, 6), isBetween(12, 7, 7)]).toEqual([true, true, false, true]);
  });
});

describe('CO₂ that is fed', () => {
  const losing = { litres: 60, surfaceM2: 0.18, movement: 3, temperatureC: 25, roomPco2Uatm: 1000 };
  it('comes to 15 to 40 mg/L at a bubble a second in 60 L with a calm surface: common practice', () => {
    const bubbles = co2Course({ ...co2At(1), set: { by: 'bubbles', perSecond: 1 } }, losing, [8, 18]);
    expect(bubbles.mgPerL).toBeGreaterThan(10);
    expect(bubbles.mgPerL).toBeLessThan(40);
    expect(bubbles.gPerDay).toBeCloseTo(3.2, 0);
  });

  it('lasts by its bottle, is dark hours where it is on without the lamps, and never sinks under the balance of the room', () => {
    const all = co2Course({ ...co2At(20), onHour: 0, offHour: 0, bottleG: 500 }, losing, [8, 18]);
    expect(all.darkHours).toBe(14);
    expect(all.bottleDays!).toBeCloseTo(500 / all.gPerDay, 6);
    expect(co2Course({ ...co2At(20), onHour: 7, offHour: 17 }, losing, [8, 18]).darkHours).toBe(1);
    expect(lossOf(losing).balanceMgPerL).toBeGreaterThan(1);
    expect(lossOf(losing).balanceMgPerL).toBeLessThan(2);
  });

  it('takes more for more surface', () => {
    const gentle = co2Course(co2At(20), losing, [8, 18]).gPerDay;
    expect(co2Course(co2At(20), { ...losing, movement: 6 }, [8, 18]).gPerDay).toBeGreaterThan(1.5 * gentle);
  });
});
