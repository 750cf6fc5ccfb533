import { calibrationOf, setRight } from './calibration';

const day = '2026-06-01';

describe('a probe that was held in something known', () => {
  it('is shifted by one point, of EC turned about nothing, and as it is without any', () => {
    const none = calibrationOf('ph', []);
    expect([none.times, none.plus, none.day]).toEqual([1, 0, null]);
    const warm = calibrationOf('temperatureC', [{ read: 25.4, is: 25, day }]);
    expect(setRight('temperatureC', warm, 20.4)).toBeCloseTo(20, 9);
    // a cell of 1.06 in the potassium chloride standard of 0.01 mol/L, 1413 µS/cm at 25 °C (ASTM D1125, from memory)
    const cell = calibrationOf('ec25UsPerCm', [{ read: 1497.8, is: 1413, day }]);
    expect(setRight('ec25UsPerCm', cell, 530)).toBeCloseTo(500, 1);
    expect(setRight('ec25UsPerCm', cell, 0)).toBe(0);
  });

  it('of pH is turned by two buffers, and its slope is told', () => {
    // 95 % of the slope, half a unit up: 7.00 shows 7.15, 4.01 shows 4.3095
    const line = calibrationOf('ph', [
      { read: 7.15, is: 7, day },
      { read: 4.3095, is: 4.01, day: '2026-06-03' },
    ]);
    expect(line.slope).toBeCloseTo(0.95, 6);
    expect(line.fault).toBeNull();
    expect(line.day).toBe(day);
    expect(setRight('ph', line, 6.675)).toBeCloseTo(6.5, 6);
  });

  it('says when it is worn, when a buffer was another, and when two buffers were the same', () => {
    const of = (read: number, is = 4.01) =>
      calibrationOf('ph', [
        { read: 7, is: 7, day },
        { read, is, day },
      ]);
    expect(of(4.6).fault).toBe('worn');
    expect(of(3.6).fault).toBe('buffers');
    const same = of(7.02, 7);
    expect(same.fault).toBe('too-close');
    // it is still shifted by the last
    expect(setRight('ph', same, 7.02)).toBeCloseTo(7, 9);
    expect(calibrationOf('ec25UsPerCm', [{ read: 700, is: 1413, day }]).fault).toBe('cell');
  });

  it('goes by the last points alone', () => {
    const line = calibrationOf('levelMm', [
      { read: 300, is: 290, day },
      { read: 300, is: 310, day: '2026-07-01' },
    ]);
    expect(setRight('levelMm', line, 300)).toBe(310);
    expect(line.day).toBe('2026-07-01');
  });
});
