import fc from 'fast-check';
import { Solver } from 'odex';
import type { Span } from '../quantity/range';
import { HEAT_BODY } from '../testing/tanks';
import { air, levelW, uprightW } from './convection';
import { evaporation, latentHeatJPerKg, saturationKPa } from './evaporation';
import { failures, failuresPerLitre } from './failures';
import { heatLoss } from './heat-loss';
import { HEAT_CAPACITY_J_PER_LK, hoursToEdge } from './hours-to-edge';
import { settlingC } from './settling-temperature';
import { swingShare, yearBalance, type Thermostats } from './year-temperature';

const within = (value: number, expected: number, share: number) => expect(Math.abs(value / expected - 1)).toBeLessThan(share);
const COVERED = { ...HEAT_BODY, covered: 0.95 };
const NONE: Thermostats = { heaterC: null, coolerC: null, heaterW: 0, coolerW: 0, fanC: null, gearW: 0 };
const failuresOf = (climate: Span[], devices: Thermostats, window: Parameters<typeof failuresPerLitre>[3]) =>
  failures(failuresPerLitre(yearBalance(climate, HEAT_BODY, devices, 61.2), HEAT_BODY, devices, window), 61.2);

describe('the worked example: 60 × 30 × 34 cm of water at 26 in a room of 21 °C and 50 %', () => {
  const open = heatLoss(HEAT_BODY, 26, 21);
  it('loses what its parts say, within 5 %', () => {
    within(open.wallUWPerM2K, 7.58, 0.05);
    within(open.wallsW, 23.2, 0.05);
    within(open.baseW, 1.35, 0.05);
    within(open.topW, 25.4, 0.05);
    within(open.totalW, 49.9, 0.05);
    within(open.evaporationLPerDay, 0.6, 0.05);
  });
  it('loses 28.8 W and 0.03 L/day under a lid', () => {
    const { totalW, evaporationLPerDay } = heatLoss(COVERED, 26, 21);
    within(totalW, 28.8, 0.05);
    within(evaporationLPerDay, 0.03, 0.05);
  });
  it('settles at 26.00 °C with that heater', () => {
    expect(settlingC(HEAT_BODY, 21, open.totalW)!).toBeCloseTo(26, 2);
  });
  it('warms by 0.776 °C an hour with 55 W and no loss', () => {
    expect(55 / ((61.2 * HEAT_CAPACITY_J_PER_LK) / 3600)).toBeCloseTo(0.776, 3);
  });
});

describe('properties of air and water', () => {
  it('of air at 25 °C', () => {
    // Prandtl number and viscosity as tabulated for dry air at one atmosphere
    within(air(25).prandtl, 0.706, 0.01);
    within(air(25).nu, 1.552e-5, 0.01);
    within(air(25).k, 0.0262, 0.01);
  });
  it('saturation pressure lies within 0.3 % of IAPWS-97', () => {
    // 25 °C: 3.1699 kPa, 50 °C: 12.352 kPa (IAPWS-97)
    within(saturationKPa(25), 3.1699, 0.003);
    within(saturationKPa(50), 12.352, 0.003);
    within(latentHeatJPerKg(25), 2.4417e6, 0.001);
  });
  for (const [airMPerS, litres, watts] of [
    [0, 3.1, 88],
    [0.5, 9, 253],
    [1, 11.7, 331],
    [2, 17.2, 485],
  ] as const)
    it(`evaporates ${litres} L/m² a day at ${airMPerS} m/s over water of 27 in air of 25 °C and 50 %`, () => {
      const { litresPerDay, watts: cooling } = evaporation.compute({ surfaceM2: 1, waterC: 27, airC: 25, humidity: 0.5, airMPerS });
      within(litresPerDay, litres, 0.02);
      within(cooling, watts, 0.01);
    });
  it('stirs more over warm water than under warm air', () => {
    expect(levelW(26, 21, 0.1)).toBeGreaterThan(levelW(21, 26, 0.1));
    expect(uprightW(23, 21, 0.34)).toBeGreaterThan(uprightW(21.1, 21, 0.34));
  });
});

describe('the balance', () => {
  it('grows with the water’s temperature, whatever the room', () => {
    const c = fc.double({ min: 2, max: 42, noNaN: true });
    fc.assert(
      fc.property(c, c, c, (airC, a, b) => {
        fc.pre(Math.abs(a - b) > 0.05);
        const [cool, warm] = [Math.min(a, b), Math.max(a, b)];
        expect(heatLoss(HEAT_BODY, warm, airC).totalW).toBeGreaterThan(heatLoss(HEAT_BODY, cool, airC).totalW);
      }),
    );
  });

  it('settles where the loss is the power', () => {
    fc.assert(
      fc.property(fc.double({ min: 8, max: 32, noNaN: true }), fc.double({ min: 0, max: 60, noNaN: true }), (airC, powerW) => {
        const waterC = settlingC(HEAT_BODY, airC, powerW);
        if (waterC === null) return;
        expect(heatLoss(HEAT_BODY, waterC, airC).totalW).toBeCloseTo(powerW, 2);
      }),
    );
  });

  it('leaves open water below its room, and covered water near it', () => {
    expect(settlingC(HEAT_BODY, 21, 0)!).toBeLessThan(20);
    expect(settlingC(COVERED, 21, 0)!).toBeGreaterThan(20.7);
  });

  it('has no answer beyond 45 °C', () => {
    expect(settlingC(HEAT_BODY, 25, 2000)).toBeNull();
  });

  it('of a year: heaters hold as far as their power goes', () => {
    const climate: Span[] = Array.from({ length: 12 }, (_, i) => [17 + (i % 6), 19 + (i % 6)]);
    const held = yearBalance(climate, HEAT_BODY, { ...NONE, heaterC: 24, heaterW: null }, 61.2);
    expect(held.every(({ tankC }) => tankC[0] === 24 && tankC[1] === 24)).toBeTrue();
    const need = heatLoss(HEAT_BODY, 24, 17).totalW;
    expect(held[0]!.heaterW[0]).toBeCloseTo(need, 9);
    const weak = yearBalance(climate, HEAT_BODY, { ...NONE, heaterC: 24, heaterW: need / 2 }, 61.2);
    expect(weak[0]!.tankC[0]).toBeLessThan(24);
    expect(weak[0]!.tankC[0]).toBeGreaterThan(settlingC(HEAT_BODY, 17, 0)!);
    const cooled = yearBalance(climate, HEAT_BODY, { ...NONE, coolerC: 16, coolerW: null }, 61.2);
    expect(cooled.every(({ tankC }) => tankC[1] <= 16)).toBeTrue();
    expect(cooled[5]!.coolerW[1]).toBeGreaterThan(0);
    const withLamp = yearBalance(climate, HEAT_BODY, { ...NONE, gearW: 12 }, 61.2);
    expect(withLamp[0]!.tankC[0]).toBeGreaterThan(yearBalance(climate, HEAT_BODY, NONE, 61.2)[0]!.tankC[0] + 0.5);
  });
});

describe('a fan over the water', () => {
  const summer: Span[] = Array.from({ length: 12 }, () => [28, 30]);
  const warmest = (more: Partial<Thermostats>, body = HEAT_BODY) => yearBalance(summer, body, { ...NONE, ...more }, 61.2)[0]!;

  it('takes 2 to 4 °C off an open tank in air of 50 %, and evaporates for it', () => {
    const [still, blown] = [warmest({}), warmest({ fanC: 20 })];
    expect(still.tankC[1] - blown.tankC[1]).toBeGreaterThan(1.5);
    expect(still.tankC[1] - blown.tankC[1]).toBeLessThan(4);
    expect(blown.evaporationLPerDay[1]).toBeGreaterThan(1.5 * still.evaporationLPerDay[1]);
  });

  it('stops at its set-point, and does next to nothing under a closed lid', () => {
    expect(warmest({ fanC: 27 }).tankC[1]).toBeGreaterThanOrEqual(26.99);
    // the still tank floats over 27 °C: the fan takes it down to there and no further
    expect(warmest({}).tankC[1]).toBeGreaterThan(27.1);
    expect(warmest({ fanC: 27 }).tankC[1]).toBeLessThan(27.1);
    const lidded = { ...HEAT_BODY, covered: 0.95 };
    expect(warmest({}, lidded).tankC[1] - warmest({ fanC: 20 }, lidded).tankC[1]).toBeLessThan(0.6);
  });

  it('does the less the damper the air is, and leaves to the cooler what it cannot do', () => {
    const takes = (humidity: number) => {
      const body = { ...HEAT_BODY, humidity };
      return warmest({}, body).tankC[1] - warmest({ fanC: 15 }, body).tankC[1];
    };
    expect(takes(0.8)).toBeLessThan(takes(0.5));
    expect(takes(0.3)).toBeGreaterThan(takes(0.5));
    const both = warmest({ fanC: 20, coolerC: 20, coolerW: null });
    expect(both.tankC[1]).toBeLessThanOrEqual(20);
    expect(both.coolerW[1]).toBeGreaterThan(0);
  });
});

describe('the swing of a day', () => {
  it('reaches the water only through its time constant', () => {
    // 52 L losing 5.6 W/K: 10.75 h; 1/√(1 + (2π·10.75/24)²) = 0.335
    expect((52 * HEAT_CAPACITY_J_PER_LK) / 5.6 / 3600).toBeCloseTo(10.75, 2);
    expect(swingShare(52, 5.6)).toBeCloseTo(0.335, 3);
    expect(swingShare(1e6, 5.6)).toBeLessThan(1e-3);
    expect(swingShare(0.1, 100)).toBeGreaterThan(0.99);
  });

  it('moves 52 L by less than two degrees in a room that swings by five', () => {
    const climate: Span[] = Array.from({ length: 12 }, () => [22, 27]);
    const body = { ...HEAT_BODY, wallM2: 0.5, waterM2: 0.15, baseM2: 0.15, covered: 0.95 };
    const [month] = yearBalance(climate, body, { ...NONE, gearW: 8 }, 52);
    const [low, high] = month!.tankC;
    expect(high - low).toBeGreaterThan(1);
    expect(high - low).toBeLessThan(2.2);
    expect(low).toBeGreaterThan(24.5);
    expect(high).toBeLessThan(27.5);
  });

  it('follows an independent integration over ten days', () => {
    const body = { ...HEAT_BODY, covered: 0.95 };
    const climate: Span[] = Array.from({ length: 12 }, () => [20, 26]);
    const capacityWh = (61.2 * HEAT_CAPACITY_J_PER_LK) / 3600;
    const room = (hour: number) => 23 + 3 * Math.sin((2 * Math.PI * hour) / 24);
    const derivative = (hour: number, [waterC = 0]: number[]) => [(5 - heatLoss(body, waterC, room(hour)).totalW) / capacityWh];
    const solver = new Solver(1);
    const days = Array.from({ length: 48 }, (_, i) => solver.solve(derivative, 0, [24], 240 + i / 2).y[0]!);
    const [month] = yearBalance(climate, body, { ...NONE, gearW: 5 }, 61.2);
    expect(Math.min(...days)).toBeCloseTo(month!.tankC[0], 0.5);
    expect(Math.max(...days)).toBeCloseTo(month!.tankC[1], 0.5);
  });
});

describe('hours to an edge', () => {
  /** The same drift by an independent integrator: Gragg-Bulirsch-Stoer with step control (odex). */
  function byOdex(airC: number, powerW: number, fromC: number, hours: number): number {
    const capacityWh = (61.2 * HEAT_CAPACITY_J_PER_LK) / 3600;
    const derivative = (_: number, [waterC = 0]: number[]) => [(powerW - heatLoss(HEAT_BODY, waterC, airC).totalW) / capacityWh];
    return new Solver(1).solve(derivative, 0, [fromC], hours).y[0] ?? NaN;
  }

  for (const [name, airC, powerW, fromC, edgeC] of [
    ['a heater that fails in a room of 17 °C', 17, 0, 25, 20],
    ['a heater of 200 W that sticks in a room of 25 °C', 25, 200, 25, 30],
    ['a cooler that fails in a room of 30 °C', 30, 10, 22, 26],
  ] as const)
    it(`of ${name} agree with an independent integration`, () => {
      const hours = hoursToEdge(HEAT_BODY, 61.2, airC, powerW, fromC, edgeC)!;
      expect(hours).toBeGreaterThan(1);
      expect(byOdex(airC, powerW, fromC, hours)).toBeCloseTo(edgeC, 2);
    });

  it('are none when it settles before, and 0 on the edge', () => {
    expect(hoursToEdge(HEAT_BODY, 61.2, 21, 0, 25, 15)).toBeNull();
    expect(hoursToEdge(HEAT_BODY, 61.2, 21, 0, 25, 30)).toBeNull();
    expect(hoursToEdge(HEAT_BODY, 61.2, 21, 0, 25, 25)).toBe(0);
  });

  it('are told for each failure in its worst month, with their doubt', () => {
    const climate: Span[] = Array.from({ length: 12 }, (_, i) => (i === 6 ? [24, 28] : [17, 19]));
    const devices = { ...NONE, heaterC: 25, heaterW: 150 };
    const list = failuresOf(climate, devices, { optimum: [24, 27], tolerance: [20, 30] });
    expect(list.map(({ kind, month }) => [kind, month])).toEqual([
      ['heater-off', 0],
      ['heater-stuck', 6],
      ['power-cut', 0],
    ]);
    const [off, stuck] = list;
    const { survival, comfort } = off!;
    expect(comfort!.hours!).toBeLessThan(survival!.hours!);
    expect(survival!.band[0]!).toBeLessThan(survival!.hours!);
    expect(survival!.band[1]!).toBeGreaterThan(survival!.hours!);
    expect(stuck!.settlesC!).toBeGreaterThan(30);
    expect(stuck!.survival!.edgeC).toBe(30);
  });

  it('take the air, the water and the power of their own month', () => {
    // cold in August and hot in February, with a lamp of 7 W and a cooler
    const climate: Span[] = Array.from({ length: 12 }, (_, i) => (i === 7 ? [12, 14] : i === 1 ? [27, 31] : [20, 22]));
    const devices = { ...NONE, heaterC: 24, heaterW: 90, coolerC: 26, coolerW: 60, gearW: 7 };
    const list = failuresOf(climate, devices, { optimum: [22, 27], tolerance: [18, 33] });
    const settled = (airC: number, powerW: number) => settlingC(HEAT_BODY, airC, powerW);
    expect(list.map(({ kind, month, side, airC, settlesC }) => [kind, month, side, airC, settlesC])).toEqual([
      ['heater-off', 7, 'low', 12, settled(12, 7)],
      ['heater-stuck', 1, 'high', 31, settled(31, 97)],
      ['cooler-off', 1, 'high', 31, settled(31, 7)],
      ['power-cut', 7, 'low', 12, settled(12, 0)],
    ]);
    expect(list.every(({ heater }) => heater?.powerW === 90)).toBeTrue();
    const [off, , , cut] = list;
    expect(off!.survival!.hours!).toBeGreaterThan(cut!.survival!.hours!);
    // twice the water takes twice as long
    const perLitre = failuresPerLitre(yearBalance(climate, HEAT_BODY, devices, 61.2), HEAT_BODY, devices, {
      optimum: [22, 27],
      tolerance: [18, 33],
    });
    expect(failures(perLitre, 120)[0]!.survival!.hours!).toBeCloseTo(2 * failures(perLitre, 60)[0]!.survival!.hours!, 6);
  });

  it('are none where nothing is held, and of an edge that is passed already', () => {
    const climate: Span[] = Array.from({ length: 12 }, () => [17, 19]);
    expect(failuresOf(climate, NONE, { optimum: [24, 27], tolerance: [20, 30] })).toEqual([]);
    const [, stuck] = failuresOf(climate, { ...NONE, heaterC: 25, heaterW: 150 }, { optimum: [20, 22], tolerance: [18, 24] });
    expect(stuck!.survival).toBeNull();
  });

  it('of edges that are not known are not told', () => {
    const climate: Span[] = Array.from({ length: 12 }, () => [17, 19]);
    const devices = { ...NONE, heaterC: 25 };
    const [off] = failuresOf(climate, devices, {
      optimum: [null, null],
      tolerance: [null, null],
    });
    expect([off!.comfort, off!.survival]).toEqual([null, null]);
  });
});
